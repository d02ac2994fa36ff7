using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

public sealed class SpeakerTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private static readonly byte[] Talk = Clips.Beginning("08-harbour-pilot.opus", 100);
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task Two_voices_are_told_apart_named_and_told_apart_anew_without_writing_a_word_again()
    {
        var id = await server.BringIn("talk.opus", Talk);
        await server.Ended(id);
        var text = await server.Text(id);
        Assert.Equal(["Voice 1", "Voice 2"], await Names(id));

        Assert.Equal(HttpStatusCode.OK, (await Name(id, "v2", "  Jonas   Brekke ")).StatusCode);
        Assert.Equal(["Voice 1", "Jonas Brekke"], await Names(id));
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Name(id, "v1", "Jonas Brekke")).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Name(id, "v1", "   ")).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Name(id, "v1", new string('x', 81))).StatusCode);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, (await Name(id, "v9", "Somebody")).StatusCode);

        await server.Post($"/api/lectures/{id}/voices", new { voices = 1 });
        await server.Ended(id);
        Assert.Equal(["Jonas Brekke"], await Names(id));
        await server.Post($"/api/lectures/{id}/voices", new { voices = (int?)null });
        await server.Ended(id);
        Assert.Equal(2, (await Names(id)).Count());
        Assert.Equal(text, await server.Text(id));
        Assert.Empty((await server.Get($"/api/lectures/{id}/transcripts"))["earlier"]!.AsArray());

        await server.Post($"/api/lectures/{id}/edits/undo");
        Assert.Equal(["Jonas Brekke"], await Names(id));

        var senseless = await server.Http.PostAsJsonAsync($"/api/lectures/{id}/voices", new { voices = 99 }, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.BadRequest, senseless.StatusCode);
    }

    private async Task<IEnumerable<string?>> Names(string id) =>
        (await server.Get($"/api/lectures/{id}/transcript"))["speakers"]!.AsArray().Select(s => (string?)s!["name"]);

    private Task<HttpResponseMessage> Name(string id, string key, string name) =>
        server.Send(HttpMethod.Post, $"/api/lectures/{id}/edits", new { edit = new { kind = "speaker", speakerId = key, name } });
}
