using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

public sealed class TranscribeAgainTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_lecture_transcribed_again_keeps_its_earlier_transcript_and_can_go_back_to_it()
    {
        var id = await server.BringIn("fog.mp3", Clips.Speech(20));
        await server.Ended(id);
        var first = await server.Text(id);
        Assert.Equal("fast", (string?)(await Made(id))["madeWith"]);

        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "accurate" });
        await server.Ended(id);
        var second = await server.Text(id);
        var made = await Made(id);
        Assert.Equal("accurate", (string?)made["madeWith"]);
        var kept = Assert.Single(made["earlier"]!.AsArray())!;
        Assert.Equal("fast", (string?)kept["accuracy"]);

        await server.Post($"/api/lectures/{id}/transcripts/{(int)kept["id"]!}/use");
        Assert.Equal(first, await server.Text(id));
        var back = await Made(id);
        Assert.Equal("fast", (string?)back["madeWith"]);
        Assert.Equal("accurate", (string?)Assert.Single(back["earlier"]!.AsArray())!["accuracy"]);
        Assert.NotEmpty(second);
    }

    [Fact]
    public async Task What_is_at_work_is_not_begun_twice_and_a_stopped_attempt_leaves_the_transcript()
    {
        var id = await server.BringIn("long.mp3", Clips.Speech(40));
        await server.Ended(id);
        var before = await server.Text(id);
        await server.Post($"/api/lectures/{id}/transcribe", new { accuracy = "accurate" });
        var second = await server.Http.PostAsJsonAsync($"/api/lectures/{id}/transcribe", new { accuracy = "fast" }, TestContext.Current.CancellationToken);
        Assert.Contains(second.StatusCode, new[] { HttpStatusCode.Conflict, HttpStatusCode.NoContent });
        await server.Post($"/api/lectures/{id}/cancel");
        Assert.Null((await server.Get($"/api/lectures/{id}"))["progress"]);
        Assert.NotEmpty(before);
        Assert.NotEmpty(await server.Text(id));
    }

    [Fact]
    public async Task The_terms_of_a_course_are_kept_in_order_and_lines_that_are_none_are_named()
    {
        await server.BringIn("ice.mp3", Clips.Speech(2), course: "Ice");
        var empty = await server.Get("/api/courses/Ice/terms");
        Assert.Equal(0, (int)empty["count"]!);

        var saved = await Save("Ice", "nunatak\n\n  esker  \nNunatak\n12\nvarve = varv", (int)empty["version"]!);
        Assert.Equal("nunatak\nesker\nvarve = varv", (string?)saved["text"]);
        Assert.StartsWith("Line 5", (string?)Assert.Single(saved["problems"]!.AsArray()));
        Assert.Equal("nunatak\nesker\nvarve = varv", (string?)(await server.Get("/api/courses/Ice/terms"))["text"]);

        var late = await server.Http.PutAsJsonAsync("/api/courses/Ice/terms", new { text = "kame", version = (int)empty["version"]! }, TestContext.Current.CancellationToken);
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await server.Http.GetAsync("/api/courses/Fire/terms", TestContext.Current.CancellationToken)).StatusCode);
    }

    [Fact]
    public async Task A_list_of_a_hundred_thousand_lines_is_cut_and_said()
    {
        await server.BringIn("many.mp3", Clips.Speech(2), course: "Many");
        var saved = await Save("Many", string.Join('\n', Enumerable.Range(0, 100_000).Select(i => $"term {i}")), 0);
        Assert.Equal(2_000, (int)saved["count"]!);
        Assert.Contains("2000", (string?)saved["problems"]!.AsArray()[^1]);
    }

    private Task<JsonNode> Made(string id) => server.Get($"/api/lectures/{id}/transcripts");

    private async Task<JsonNode> Save(string course, string text, int version)
    {
        var answer = await server.Http.PutAsJsonAsync($"/api/courses/{course}/terms", new { text, version }, TestContext.Current.CancellationToken);
        answer.EnsureSuccessStatusCode();
        return (await answer.Content.ReadFromJsonAsync<JsonNode>(TestContext.Current.CancellationToken))!;
    }
}
