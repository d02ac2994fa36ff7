using System.Net;
using System.Text.Json.Nodes;
using Kostel.Media;

namespace Kostel.Server.Tests;

/// <summary>What was heard, and listening plans.</summary>
public sealed class ListeningTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    private static string Spans(JsonNode stretches) => string.Join(' ', stretches.AsArray().Select(s => $"{s!["startMs"]}-{s["endMs"]}"));

    [Fact]
    public async Task What_was_heard_is_remembered_once_and_within_the_lecture()
    {
        var id = await server.BringText();
        await server.Post($"/api/lectures/{id}/heard", new[] { new { startMs = 0, endMs = 3_000 } });
        await server.Post($"/api/lectures/{id}/heard", new[] { new { startMs = 2_000, endMs = 4_000 }, new { startMs = 9_000, endMs = 999_000 }, new { startMs = 6, endMs = 5 } });
        Assert.Equal("0-4000 9000-14000", Spans(await server.Get($"/api/lectures/{id}/heard")));
        Assert.Equal(9_000, (await server.Get($"/api/lectures/{id}"))["heardMs"]!.GetValue<int>());
    }

    [Fact]
    public async Task A_proposal_keeps_to_the_time_one_has()
    {
        var id = await server.BringTides("Tides for a quarter of an hour");
        var plan = await server.Post("/api/plans/propose", new { lectureIds = new[] { id }, budgetMs = 180_000, speed = 1.5, withoutSilences = false });
        var takes = plan["parts"]!.AsArray().Sum(p => p!["endMs"]!.GetValue<int>() - p["startMs"]!.GetValue<int>());
        Assert.InRange(takes / 1.5, 60_000, 180_000);
        Assert.Empty((await server.Post("/api/plans/propose", new { lectureIds = new[] { id, "nobody" }, budgetMs = 1_000, speed = 1.0, withoutSilences = true }))["parts"]!.AsArray());
    }

    [Fact]
    public async Task A_plan_is_kept_gone_on_with_and_brought_back()
    {
        var (first, second) = (await server.BringText(), await server.BringText(BroughtLecture.Srt.Replace("twice", "often", StringComparison.Ordinal)));
        var parts = new[] { Part(first, 5_500, 6_000, "Springs"), Part(second, 0, 3_000, "Rise"), Part("gone", 0, 9, "") };
        var plan = await server.Post("/api/plans", new { title = "On the tram", parts });
        Assert.Equal(2, plan["parts"]!.AsArray().Count);
        Assert.InRange(plan["parts"]![0]!["endMs"]!.GetValue<int>(), 8_900, 9_300);
        var address = $"/api/plans/{plan["id"]}";
        await server.Post($"{address}/at", new { part = 1, atMs = 2_000 });
        Assert.Equal((1, 2_000), ((await server.Get(address))["part"]!.GetValue<int>(), (await server.Get(address))["atMs"]!.GetValue<int>()));
        await server.Send(HttpMethod.Delete, address);
        using var gone = await server.Send(HttpMethod.Get, address);
        Assert.Equal(HttpStatusCode.NotFound, gone.StatusCode);
        await server.Post($"{address}/restore");
        Assert.Equal("On the tram", (await server.Get(address))["title"]!.GetValue<string>());
        using var silent = await server.Send(HttpMethod.Get, $"{address}/sound");
        Assert.Equal("None of these parts has sound.", await ServerProcess.Detail(silent));
    }

    [Fact]
    public async Task A_plan_goes_out_as_one_sound_file_with_its_chapters()
    {
        var id = await server.BringIn("talk.wav", Clips.Speech(11), "Talk to be cut");
        await server.Ended(id);
        var length = (await server.Get($"/api/lectures/{id}"))["durationMs"]!.GetValue<int>();
        var plan = await server.Post("/api/plans", new { title = "Two bits", parts = new[] { Part(id, 0, 1_000, "One"), Part(id, length - 1_000, length, "Two; with = signs") } });
        var expected = plan["parts"]!.AsArray().Sum(p => p!["endMs"]!.GetValue<int>() - p["startMs"]!.GetValue<int>());
        var file = Path.Combine(server.Folder, "plan.m4a");
        await File.WriteAllBytesAsync(file, await server.Http.GetByteArrayAsync($"/api/plans/{plan["id"]}/sound"), TestContext.Current.CancellationToken);
        var facts = await Recording.Probe(file, TestContext.Current.CancellationToken);
        Assert.InRange(facts.DurationMs, expected - 150, expected + 150);
        Assert.Equal(plan["parts"]!.AsArray().Select(p => p!["title"]!.GetValue<string>()), facts.Tags.Chapters.Select(c => c.Title));
        Assert.Empty(Directory.EnumerateFiles(Path.Combine(server.Folder, "passing")));
    }

    [Fact]
    public async Task The_sound_comes_as_fine_as_it_is_asked_for()
    {
        var id = await server.BringIn("sound.wav", Clips.Speech(12), "Sound to be drawn");
        await server.Ended(id);
        using var answer = await server.Send(HttpMethod.Get, $"/api/lectures/{id}/peaks?most=10");
        Assert.InRange((await answer.Content.ReadAsByteArrayAsync(TestContext.Current.CancellationToken)).Length, 5, 10);
        var slice = int.Parse(answer.Headers.GetValues("Kostel-Slice-Ms").Single(), System.Globalization.CultureInfo.InvariantCulture);
        Assert.True(slice > 50);
    }

    private static object Part(string lectureId, int startMs, int endMs, string title) => new { lectureId, startMs, endMs, title };
}
