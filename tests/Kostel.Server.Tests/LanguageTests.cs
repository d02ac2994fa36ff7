using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>English and Spanish, found out, chosen and put right. Needs the Spanish pack.</summary>
public sealed class LanguageTests(LanguageTests.SpanishServer shared) : IClassFixture<LanguageTests.SpanishServer>
{
    private static readonly byte[] Clouds = Clips.Beginning("10-nubes.opus", 40);
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_lecture_whose_language_was_left_open_is_written_in_the_one_that_is_spoken()
    {
        await NeedSpanish();
        var id = await server.BringIn("nubes.opus", Clouds);
        var lecture = await server.Ended(id);
        Assert.Equal("es", (string?)lecture["language"]!["code"]);
        Assert.True((bool)lecture["languageIsGuessed"]!);
        Assert.Null(lecture["notice"]);
        Assert.Contains("las nubes", await server.Text(id), StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task Spanish_that_was_given_as_English_is_noticed_and_can_be_put_right()
    {
        await NeedSpanish();
        var id = await server.BringIn("nubes.opus", Clouds);
        await server.Ended(id);
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", language = "en" });
        var lecture = await server.Ended(id);
        Assert.Equal("en", (string?)lecture["language"]!["code"]);
        Assert.StartsWith("This was given as English, but it sounds like Spanish.", (string?)lecture["notice"], StringComparison.Ordinal);

        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", language = "es" });
        lecture = await server.Ended(id);
        Assert.Equal(("es", null), ((string?)lecture["language"]!["code"], (string?)lecture["notice"]));
    }

    [Fact]
    public async Task A_language_that_nothing_here_understands_is_said_in_words()
    {
        var id = await server.BringIn("short.mp3", Clips.Speech(3));
        await server.Ended(id);
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "fast", language = "fr" });
        Assert.Contains("no speech model for French", (string?)(await server.Ended(id))["progress"]!["problem"]);
        Assert.Equal("en", (string?)(await server.Get($"/api/lectures/{id}"))["language"]!["code"]);
    }

    public sealed class SpanishServer : IDisposable
    {
        internal ServerProcess Server { get; } = new(null, ServerProcess.WithSpanish);

        public void Dispose() => Server.Dispose();
    }

    private async Task NeedSpanish()
    {
        var here = (await server.Get("/api/languages"))["here"]!.AsArray();
        Assert.SkipUnless(here.Any((JsonNode? l) => (string?)l!["code"] == "es"), "The Spanish pack is not there: ./kostel models add es");
    }
}
