using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace Kostel.Server.Tests;

/// <summary>A text that is brought to a recording, which was transcribed here.</summary>
public sealed class BringTextTests(SharedServer shared) : IClassFixture<SharedServer>, IAsyncLifetime
{
    private static readonly string Root = ServerProcess.Root;
    private readonly ServerProcess server = shared.Server;
    private string id = "";

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    public async ValueTask InitializeAsync()
    {
        await server.Send(HttpMethod.Put, "/api/spelling", new { spelling = "british" });
        var there = (await server.Get("/api/library"))["lectures"]!.AsArray();
        id = there.Count > 0 ? there[0]!["id"]!.GetValue<string>() : await server.BringIn("fog.opus", await File.ReadAllBytesAsync(Path.Combine(Root, "demo", "media", "09-fog.opus"), Cancel));
        await server.Ended(id);
    }

    public ValueTask DisposeAsync() => ValueTask.CompletedTask;

    /// <summary>The words that were spoken, against where the recogniser heard them: all of the text is there, in order, with times of the sound.</summary>
    [Fact]
    public async Task A_text_without_times_takes_those_of_what_was_heard_and_the_one_before_is_kept()
    {
        var heard = await server.Get($"/api/lectures/{id}/transcript");
        var said = string.Join("\n\n", File.ReadAllText(Path.Combine(Root, "demo", "texts", "09-fog.txt")).Split('\n').Skip(5).Where(l => l.Trim().Length > 0 && !l.StartsWith("---", StringComparison.Ordinal) && !l.StartsWith('[')));
        using var answer = await Bring("fog.txt", said);
        Assert.True(JsonNode.Parse(await answer.Content.ReadAsStringAsync(Cancel))!["aligned"]!.GetValue<bool>());
        Assert.Equal(string.Join(' ', said.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)), await server.Text(id));
        var now = await server.Get($"/api/lectures/{id}/transcript");
        var starts = now["passages"]!.AsArray().SelectMany(p => p!["startsMs"]!.AsArray()).Select(s => s!.GetValue<int>()).ToList();
        Assert.Equal(starts.Order(), starts);
        var end = heard["passages"]!.AsArray().Last()!["endMs"]!.GetValue<int>();
        Assert.InRange(now["passages"]!.AsArray().Last()!["endMs"]!.GetValue<int>(), end - 3_000, end + 3_000);
        Assert.NotEmpty((await server.Get($"/api/lectures/{id}/transcripts"))["earlier"]!.AsArray());
    }

    [Fact]
    public async Task A_text_of_another_recording_is_refused_and_nothing_changes()
    {
        var before = await server.Text(id);
        using var other = await Bring("other.txt", "Cinnamon buns want butter, sugar, flour and a patient baker who rises early.");
        Assert.Contains("belong to another one", await ServerProcess.Detail(other), StringComparison.Ordinal);
        using var tooLong = await Bring("long.srt", "1\n09:00:00,000 --> 09:00:02,000\nFar beyond the end.\n");
        Assert.Equal(HttpStatusCode.UnprocessableEntity, tooLong.StatusCode);
        using var broken = await Bring("broken.vtt", "WEBVTT\n\nnothing");
        Assert.StartsWith("broken.vtt could not be read. Line 1", await ServerProcess.Detail(broken), StringComparison.Ordinal);
        Assert.Equal(before, await server.Text(id));
    }

    [Fact]
    public async Task A_track_of_chapters_changes_the_chapters_alone_and_is_taken_back()
    {
        var text = await server.Text(id);
        using var answer = await Bring("chapters.vtt", "WEBVTT Chapters\n\n00:00:00.000 --> 00:00:20.000\nFirst\n\n00:00:20.000 --> 00:00:40.000\nSecond\n");
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        Assert.Equal(["First", "Second"], await Chapters());
        Assert.Equal(text, await server.Text(id));
        await server.Post($"/api/lectures/{id}/edits/undo");
        Assert.DoesNotContain("Second", await Chapters());
    }

    /// <summary>Chapters as the open forms have them, taken away and brought back; those that are out of order or past the end are put right.</summary>
    [Fact]
    public async Task Chapters_are_taken_away_and_brought_back_in_each_form_and_put_right_where_they_are_not()
    {
        var before = await server.Get($"/api/lectures/{id}/transcript");
        foreach (var format in new[] { "chapters", "chaptersJson", "chaptersFfmpeg" })
        {
            var taken = await server.Http.GetStringAsync($"/api/lectures/{id}/export?format={format}", Cancel);
            using var brought = await Bring($"chapters.{format}", taken);
            Assert.Equal(HttpStatusCode.OK, brought.StatusCode);
            Assert.Equal(before["chapters"]!.ToJsonString(), (await server.Get($"/api/lectures/{id}/transcript"))["chapters"]!.ToJsonString());
        }

        using var wild = await Bring("wild.json", """{"version":"1.2.0","chapters":[{"startTime":30,"title":"Late"},{"startTime":-4,"title":"Before"},{"startTime":5,"title":"Early"},{"startTime":5,"title":"Twice"},{"startTime":90000,"title":"Never"}]}""");
        Assert.Equal(["Early", "Late"], await Chapters());
        await server.Post($"/api/lectures/{id}/edits/undo");
        using var past = await Bring("past.json", """{"chapters":[{"startTime":90000,"title":"Never"}]}""");
        Assert.Contains("belong to another one", await ServerProcess.Detail(past), StringComparison.Ordinal);
        using var none = await Bring("none.txt", ";FFMETADATA1\ntitle=Nothing\n");
        Assert.Contains("Expected chapters", await ServerProcess.Detail(none), StringComparison.Ordinal);
        Assert.Equal(before["chapters"]!.ToJsonString(), (await server.Get($"/api/lectures/{id}/transcript"))["chapters"]!.ToJsonString());
    }

    [Fact]
    public async Task What_the_recogniser_writes_is_spelled_as_chosen()
    {
        Assert.Equal("british", (await server.Get("/api/languages"))["spelling"]!.GetValue<string>());
        Assert.DoesNotContain("harbor ", await server.Text(id), StringComparison.OrdinalIgnoreCase);
    }

    private async Task<IEnumerable<string>> Chapters() =>
        (await server.Get($"/api/lectures/{id}/transcript"))["chapters"]!.AsArray().Select(c => c!["title"]!.GetValue<string>());

    private Task<HttpResponseMessage> Bring(string name, string text) =>
        server.Http.PostAsync($"/api/lectures/{id}/text?name={name}", new ByteArrayContent(Encoding.UTF8.GetBytes(text)));
}
