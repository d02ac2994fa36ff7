using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>Search and subjects, over a server with a library of its own.</summary>
public sealed class FindingTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    private Task<JsonNode> Search(string text, string more = "") => server.Get($"/api/search?text={Uri.EscapeDataString(text)}{more}");

    private static IEnumerable<JsonNode> Hits(JsonNode found, string lecture) =>
        found["lectures"]!.AsArray().Where(l => l!["id"]!.GetValue<string>() == lecture).SelectMany(l => l!["hits"]!.AsArray()).Select(h => h!);

    [Fact]
    public async Task What_was_said_is_found_with_its_second_and_follows_every_edit()
    {
        var id = await server.BringText(BroughtLecture.Srt.Replace("Slack", "Slackish", StringComparison.Ordinal), course: "Tides of the week");
        var hit = Assert.Single(Hits(await Search("slackish"), id));
        Assert.Equal(("passage", "words", 10_000), (hit["kind"]!.GetValue<string>(), hit["by"]!.GetValue<string>(), hit["startMs"]!.GetValue<int>()));
        await server.Rewrite(id, t => t.Replace("Slackish", "Brackish", StringComparison.Ordinal));
        Assert.Empty(Hits(await Search("\"slackish\""), id));
        Assert.Single(Hits(await Search("brackish"), id));
        Assert.Single(Hits(await Search("brackish", "&course=Tides%20of%20the%20week"), id));
        Assert.Empty(Hits(await Search("brackish", "&course=Another"), id));
        await server.Send(HttpMethod.Delete, $"/api/lectures/{id}");
        Assert.Empty(Hits(await Search("brackish"), id));
    }

    [Fact]
    public async Task Slips_and_beginnings_are_forgiven_and_it_is_said_what_was_taken()
    {
        var id = await server.BringTides("Tides to be looked through");
        var slip = await Search("gravitty");
        Assert.Equal("spelledAlike", slip["taken"]![0]!["how"]!.GetValue<string>());
        Assert.Contains(Hits(slip, id), h => h["text"]!.GetValue<string>().Contains("Gravity", StringComparison.Ordinal));
        Assert.NotEmpty(Hits(await Search("gravi", "&typing=true"), id));
    }

    [Fact]
    public async Task Other_words_for_it_are_found_by_meaning()
    {
        Assert.SkipUnless(File.Exists(Path.Combine(ServerProcess.Models, "word-vectors.bin")), "The word vectors are not there yet.");
        var id = await server.BringIn("seafaring.txt", "The skipper steered the vessel into the harbour. Bread is baked in an oven with steam and patience."u8.ToArray(), "Seafaring");
        for (var tries = 0; ; tries++)
        {
            var found = await Search("sailor boat port");
            if (Hits(found, id).Any(h => h["by"]!.GetValue<string>() == "meaning"))
            {
                return;
            }

            Assert.True(tries < 40, found.ToJsonString());
            await Task.Delay(250, TestContext.Current.CancellationToken);
        }
    }

    [Fact]
    public async Task Marks_and_terms_say_what_they_are()
    {
        var id = await server.BringText(course: "Seamarks");
        await server.Post($"/api/lectures/{id}/marks", new { kind = "note", startMs = 5_000, endMs = 9_000, quote = "A spring tied", text = "Compare with perigee" });
        await server.Send(HttpMethod.Put, "/api/courses/Seamarks/terms", new { text = "perigean tide", version = 0 });
        Assert.Equal("mark", Assert.Single(Hits(await Search("perigee"), id))["kind"]!.GetValue<string>());
        Assert.Equal("term", (await Search("perigean"))["courses"]![0]!["kind"]!.GetValue<string>());
        Assert.Empty(Hits(await Search("perigee", "&kinds=passage"), id));
    }

    [Theory]
    [InlineData("\"\"\"\"", true)]
    [InlineData("", true)]
    [InlineData("NEAR(( OR \" AND * ^", false)]
    public async Task Signs_are_no_fault(string text, bool isEmpty) => Assert.Equal(isEmpty, (await Search(text))["isEmpty"]!.GetValue<bool>());

    [Fact]
    public async Task A_search_of_thousands_of_characters_is_refused_in_plain_words()
    {
        using var answer = await server.Send(HttpMethod.Get, $"/api/search?text={new string('a', 5_000)}");
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
        Assert.Equal("What to look for can have up to 500 characters.", await ServerProcess.Detail(answer));
    }

    [Fact]
    public async Task A_subject_is_found_where_it_is_spoken_of_and_subjects_are_suggested()
    {
        var id = await server.BringTides("Tides with a subject");
        var places = (await server.Get($"/api/lectures/{id}/subjects/places?subject=spring%20tides"))["places"]!.AsArray();
        var best = places.MaxBy(p => p!["strength"]!.GetValue<double>())!;
        Assert.Contains("spring tide", best["text"]!.GetValue<string>(), StringComparison.OrdinalIgnoreCase);
        Assert.True(best["hasWord"]!.GetValue<bool>());
        Assert.Empty((await server.Get($"/api/lectures/{id}/subjects/places?subject=zzz"))["places"]!.AsArray());
        Assert.NotEmpty((await server.Get($"/api/lectures/{id}/subjects")).AsArray());
    }
}
