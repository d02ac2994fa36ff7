using System.Net;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>What a person does while their lectures are being worked on.</summary>
public sealed class WorkTests(SharedServer shared) : IClassFixture<SharedServer>
{
    private readonly ServerProcess server = shared.Server;

    [Fact]
    public async Task A_lecture_is_renamed_and_moved_while_it_is_transcribed_and_its_job_ends_well()
    {
        var id = await server.BringIn("fog.mp3", Clips.Speech(20));
        var moves = 0;
        while ((await server.Get($"/api/lectures/{id}"))["progress"] is not null)
        {
            var lecture = await server.Get($"/api/lectures/{id}");
            (await server.Send(HttpMethod.Put, $"/api/lectures/{id}", new
            {
                title = $"Fog {++moves}",
                heldOn = (string?)null,
                course = $"Weather {moves % 3}",
                version = lecture["version"]!.GetValue<int>(),
            })).EnsureSuccessStatusCode();
            await Task.Delay(50);
        }

        var done = await server.Ended(id);
        Assert.True(moves > 3, $"{moves} moves");
        Assert.Equal((null, $"Fog {moves}", $"Weather {moves % 3}"), ((string?)done["progress"]?["problem"], (string?)done["title"], (string?)done["course"]));
        Assert.NotEmpty(await server.Text(id));
    }

    [Fact]
    public async Task A_card_is_not_reworded_while_voices_are_found_anew_and_no_two_texts_have_one_version()
    {
        var id = await server.BringIn("fog.mp3", Clips.Speech(130));
        await server.Ended(id);
        var card = (await server.Post($"/api/lectures/{id}/cards"))["cards"]![0]!;
        var seen = new Dictionary<int, string>();
        await Note(id, seen);
        await server.Post($"/api/lectures/{id}/voices", new { voices = 1 });
        using var refused = await server.Send(HttpMethod.Put, $"/api/cards/{card["id"]}", new { front = "In my words", back = "Yes", version = card["version"]!.GetValue<int>() });
        Assert.Equal(HttpStatusCode.Conflict, refused.StatusCode);
        await server.Ended(id);
        await Note(id, seen);
        (await server.Send(HttpMethod.Put, $"/api/cards/{card["id"]}", new { front = "In my words", back = "Yes", version = card["version"]!.GetValue<int>() })).EnsureSuccessStatusCode();
        await Note(id, seen);
        await server.Rewrite(id, t => t + " Amen.");
        await Note(id, seen);
        Assert.EndsWith("Amen.", (await server.Passage(id))["text"]!.GetValue<string>(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_text_is_brought_to_a_recording_whose_job_was_stopped_before_it_began()
    {
        var first = await server.BringIn("first.mp3", Clips.Speech(20));
        var waiting = await server.BringIn("waiting.mp3", Clips.Speech(20));
        await server.Post($"/api/lectures/{waiting}/cancel");
        Assert.InRange((await server.Get($"/api/lectures/{waiting}"))["durationMs"]!.GetValue<int>(), 19_000, 21_000);
        LibraryDatabase.Sql(server.Folder, $"UPDATE Lectures SET DurationMs = 0 WHERE Id = '{waiting}'");
        using var content = new StringContent(BroughtLecture.Srt);
        using var brought = await server.Http.PostAsync($"/api/lectures/{waiting}/text?name=tides.srt", content);
        Assert.True(brought.IsSuccessStatusCode, await brought.Content.ReadAsStringAsync());
        Assert.InRange((await server.Get($"/api/lectures/{waiting}"))["durationMs"]!.GetValue<int>(), 19_000, 21_000);
        await server.Ended(first);
    }

    [Fact]
    public async Task An_earlier_transcript_comes_back_with_its_own_notice_and_length()
    {
        var id = await server.BringText("The tide rises twice a day and falls twice.\n\nIt is the moon that pulls the sea.", "tides.txt");
        var before = await server.Get($"/api/lectures/{id}");
        Assert.Contains("says nothing of when", (string?)before["notice"], StringComparison.Ordinal);
        using var content = new StringContent(BroughtLecture.Srt);
        (await server.Http.PostAsync($"/api/lectures/{id}/text?name=tides.srt", content)).EnsureSuccessStatusCode();
        var between = await server.Get($"/api/lectures/{id}");
        Assert.Null((string?)between["notice"]);
        Assert.NotEqual((int)before["durationMs"]!, (int)between["durationMs"]!);

        var earlier = (await server.Get($"/api/lectures/{id}/transcripts"))["earlier"]![0]!["id"]!.GetValue<int>();
        await server.Post($"/api/lectures/{id}/transcripts/{earlier}/use");
        var after = await server.Get($"/api/lectures/{id}");
        Assert.Equal(((string?)before["notice"], (int)before["durationMs"]!), ((string?)after["notice"], (int)after["durationMs"]!));
    }

    [Fact]
    public async Task All_that_waits_is_stopped_at_once_and_can_be_tried_again()
    {
        var ids = await Task.WhenAll(Enumerable.Range(0, 4).Select(i => server.BringIn($"part{i}.mp3", Clips.Speech(30))));
        using var stopped = await server.Send(HttpMethod.Post, "/api/jobs/cancel");
        Assert.InRange(int.Parse(await stopped.Content.ReadAsStringAsync()), 3, 4);
        foreach (var id in ids)
        {
            var lecture = await server.Ended(id);
            Assert.True(lecture["progress"] is null || (string?)lecture["progress"]!["state"] == "cancelled");
        }

        await server.Post($"/api/lectures/{ids[3]}/retry");
        Assert.Null((await server.Ended(ids[3]))["progress"]);
    }

    [Fact]
    public async Task However_often_it_is_pressed_a_lecture_is_transcribed_again_once()
    {
        var id = await server.BringIn("fog.mp3", Clips.Speech(90));
        await server.Ended(id);
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(_ => server.Send(HttpMethod.Post, $"/api/lectures/{id}/transcribe", new { accuracy = "fast" })));
        Assert.Single(answers, a => a.IsSuccessStatusCode);
        await server.Ended(id);
        Assert.Equal(2L, LibraryDatabase.Sql(server.Folder, $"SELECT COUNT(*) FROM Jobs WHERE LectureId = '{id}'"));
    }

    private async Task Note(string id, Dictionary<int, string> seen)
    {
        JsonNode transcript = await server.Get($"/api/lectures/{id}/transcript");
        var version = transcript["state"]!["version"]!.GetValue<int>();
        var text = transcript["passages"]!.ToJsonString() + transcript["speakers"]!.ToJsonString();
        Assert.True(!seen.TryGetValue(version, out var other) || other == text, $"Two texts of version {version}");
        seen[version] = text;
    }
}
