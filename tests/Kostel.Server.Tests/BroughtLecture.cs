using System.Text;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>A lecture of a text, which is there at once and has nothing to be recognised.</summary>
internal static class BroughtLecture
{
    public const string Srt = """
        1
        00:00:01,000 --> 00:00:04,000
        The tied rises twice a day.

        2
        00:00:05,000 --> 00:00:09,000
        A spring tied is the highest of all.

        3
        00:00:10,000 --> 00:00:14,000
        Slack water comes between two streams.
        """;

    public static Task<string> BringText(this ServerProcess server, string text = Srt, string name = "tides.srt", string course = "") =>
        server.BringIn(name, Encoding.UTF8.GetBytes(text), "Tides", course);

    public static async Task<JsonNode> Passage(this ServerProcess server, string id, int index = 0) =>
        (await server.Get($"/api/lectures/{id}/transcript"))["passages"]![index]!;

    public static Task<JsonNode> Edit(this ServerProcess server, string id, object edit) => server.Post($"/api/lectures/{id}/edits", new { edit });

    /// <summary>Puts a picture at a moment.</summary>
    /// <returns>The number of its mark.</returns>
    public static async Task<int> PictureMark(this ServerProcess server, string id, int atMs = 6_000)
    {
        using var sent = await server.Http.PostAsync($"/api/lectures/{id}/marks/picture?atMs={atMs}", new ByteArrayContent(Clips.Png));
        return (int)JsonNode.Parse(await sent.Content.ReadAsStringAsync())!["id"]!;
    }

    /// <summary>Types a passage anew.</summary>
    public static async Task<JsonNode> Rewrite(this ServerProcess server, string id, Func<string, string> change)
    {
        var passage = await server.Passage(id);
        var text = passage["text"]!.GetValue<string>();
        return await server.Edit(id, new { kind = "rewrite", passageId = passage["id"]!.GetValue<string>(), expected = text, text = change(text) });
    }
}
