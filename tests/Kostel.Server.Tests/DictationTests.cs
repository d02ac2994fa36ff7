using System.Diagnostics;
using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Speaking instead of typing: sound in pieces goes in, text comes back, nothing stays.</summary>
public sealed class DictationTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    /// <summary>A sentence by a synthesiser, in pieces of a quarter of a second.</summary>
    private static List<byte[]> Spoken(string text)
    {
        var file = Path.Combine(Path.GetTempPath(), $"kostel-dictated-{Guid.NewGuid():N}.wav");
        try
        {
            using (var flite = Process.Start("flite", ["-voice", "slt", "-t", text, "-o", file]))
            {
                flite.WaitForExit();
            }

            return File.ReadAllBytes(file).Skip(44).Chunk(8_000).Where(c => c.Length % 2 == 0).ToList();
        }
        finally
        {
            File.Delete(file);
        }
    }

    private Task<HttpResponseMessage> Send(JsonNode dictation, int number, byte[] piece) =>
        server.Http.PostAsync($"/api/dictations/{dictation["id"]}/pieces/{number}?punctuates=false&from=0", new ByteArrayContent(piece));

    [Fact]
    public async Task What_is_spoken_comes_back_as_text_with_its_signs_and_only_once()
    {
        var dictation = await server.Post("/api/dictations", new { language = "en" });
        Assert.Contains(dictation["commands"]!.AsArray(), c => c!["spoken"]!.AsArray().Any(s => (string)s! == "take that back"));
        var pieces = Spoken("the water rises every morning, full stop");
        for (var i = 0; i < pieces.Count; i++)
        {
            using var first = await Send(dictation, i, pieces[i]);
            using var again = await Send(dictation, i, pieces[i]);
            Assert.True(first.IsSuccessStatusCode && again.IsSuccessStatusCode);
        }

        var text = (string)(await server.Post($"/api/dictations/{dictation["id"]}/end?punctuates=false&from=0"))["text"]!;
        Assert.Matches(@"^The water .*every morning\.$", text);
        using var late = await Send(dictation, pieces.Count, pieces[0]);
        Assert.Equal(HttpStatusCode.NotFound, late.StatusCode);
    }

    [Fact]
    public async Task What_is_no_sound_and_what_cannot_be_dictated_in_is_refused_plainly()
    {
        using var german = await server.Send(HttpMethod.Post, "/api/dictations", new { language = "de" });
        Assert.Contains("English", await ServerProcess.Detail(german), StringComparison.Ordinal);
        var dictation = await server.Post("/api/dictations", new { language = "en" });
        using var odd = await Send(dictation, 0, [1, 2, 3]);
        Assert.Contains("no piece", await ServerProcess.Detail(odd), StringComparison.Ordinal);
        using var unknown = await server.Http.PostAsync("/api/dictations/none/end?punctuates=true&from=0", null, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.NotFound, unknown.StatusCode);
        await server.Post($"/api/dictations/{dictation["id"]}/end?punctuates=true&from=0");
    }
}
