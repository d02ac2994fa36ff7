using System.Text.Json;

namespace Kostel.Server.Tests;

/// <summary>What happens without anybody at the screen: watched folders, texts handed out, a program run then, a downloader, and the command that adds.</summary>
public sealed class AutomationTests(ArrivalTests.Fixture fixture) : IClassFixture<ArrivalTests.Fixture>, IDisposable
{
    private readonly ServerProcess server = fixture.Server;
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-auto-").FullName;

    private static CancellationToken Cancel => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_file_that_appears_in_a_watched_folder_comes_in_once_it_is_whole_and_its_texts_are_handed_out()
    {
        var (watched, given) = (Directory.CreateDirectory(Path.Combine(folder, "in")).FullName, Path.Combine(folder, "out"));
        Directory.CreateDirectory(given);
        Write(new { watch = new[] { new { folder = watched, course = "Watched" } }, @out = given, afterwards = new[] { "sh", "-c", "printf '%s\\n' \"$@\" > done.txt", "sh" } });
        await server.BringTides("To make the course", "Watched");
        using var routine = await server.Send(HttpMethod.Put, "/api/courses/Watched/routine", new { choice = new { accuracy = "fast", language = "en" }, summary = true, cards = true, quiz = false });
        var text = DemoText.Tides;
        var path = Path.Combine(watched, "slack-water.json");
        await using (var growing = File.Create(path))
        {
            await growing.WriteAsync(text.AsMemory(0, text.Length / 2), Cancel);
            await growing.FlushAsync(Cancel);
            await Task.Delay(5_000, Cancel);
            Assert.DoesNotContain(await Titles(), t => t == "slack-water");
            await growing.WriteAsync(text.AsMemory(text.Length / 2), Cancel);
        }

        var done = Path.Combine(given, "done.txt");
        await Until(async () => File.Exists(done) && (await File.ReadAllTextAsync(done, Cancel)).Contains("slack-water", StringComparison.Ordinal));
        var files = await File.ReadAllLinesAsync(done, Cancel);
        Assert.Contains("slack-water", await Titles());
        Assert.All(files, f => Assert.StartsWith(Path.Combine(given, "Watched"), f, StringComparison.Ordinal));
        Assert.Contains(files, f => f.EndsWith(".summary.md", StringComparison.Ordinal));
        Assert.Contains(files, f => f.EndsWith(".cards.tsv", StringComparison.Ordinal));
        Assert.True(File.Exists(path));
        var view = await server.Get("/api/automation");
        Assert.Equal((watched, given, null), ((string?)view["watch"]![0]!["folder"], (string?)view["out"], (string?)view["problem"]));

        Directory.Delete(watched, recursive: true);
        await Until(async () => (await server.Get("/api/automation"))["problem"] is not null);
        Assert.Contains("cannot be looked through", (string?)(await server.Get("/api/automation"))["problem"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_page_that_does_not_say_where_its_recording_is_is_left_to_the_persons_downloader()
    {
        var clip = Path.Combine(folder, "clip.mp3");
        await File.WriteAllBytesAsync(clip, Clips.Speech(2.5), Cancel);
        Write(new { downloader = new[] { "cp", clip, "{file}.mp3", "--", "{address}" } });
        var page = $"{fixture.Site}/trouble/no-recording";
        Assert.Equal("outside", (string?)(await server.Post("/api/links/look", new { addresses = new[] { page } }))[0]!["found"]!["kind"]);

        // What is given here cannot be a second source for cp: it fails, and says so.
        var failed = await Bring(page);
        Assert.Contains("ended with 1", (string?)(await server.Ended(failed))["progress"]!["problem"], StringComparison.Ordinal);
        Write(new { downloader = new[] { "sh", "-c", "test \"$2\" && cp \"$0\" \"$1.mp3\"", clip, "{file}", "{address}" } });
        Assert.Null((await server.Ended(await Bring(page)))["progress"]);
    }

    [Theory]
    [InlineData("{ not json", "line 1")]
    [InlineData("""{"out":"notes"}""", "not a whole path")]
    [InlineData("""{"downloader":["get","{address}"]}""", "must have {address} and {file}")]
    public async Task A_file_that_cannot_be_used_says_why(string text, string says)
    {
        await File.WriteAllTextAsync(Path.Combine(server.Folder, "automation.json"), text, Cancel);
        Assert.Contains(says, (string?)(await server.Get("/api/automation"))["problem"], StringComparison.Ordinal);
    }

    [Fact]
    public async Task Files_and_links_are_added_from_the_command_line()
    {
        var file = Path.Combine(folder, "tides.json");
        await File.WriteAllBytesAsync(file, DemoText.Tides, Cancel);
        var (exit, output, errors) = CommandLine.Run("add", file, $"{fixture.Site}/talks/schema", "--course", "Added", "--accuracy", "fast", "--data", server.Folder);
        Assert.True(exit == 0, errors);
        Assert.Contains("tides.json is in the library", output, StringComparison.Ordinal);
        Assert.Contains("“Lights of the harbour at night” is on its way", output, StringComparison.Ordinal);
        Assert.Equal(2, (await server.Get("/api/library"))["lectures"]!.AsArray().Count(l => (string?)l!["course"] == "Added"));
        var recording = Path.Combine(folder, "clip.mp3");
        await File.WriteAllBytesAsync(recording, Clips.Speech(1.5), Cancel);
        Assert.Equal(0, CommandLine.Run("add", recording, "--data", server.Folder).Exit);
        Assert.Contains("is there already", CommandLine.Run("add", recording, "--data", server.Folder).Output, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("missing.mp3", "There is no file")]
    [InlineData("http://127.0.0.1:1/", "own network")]
    public void What_cannot_be_added_says_why(string thing, string says)
    {
        var (exit, _, errors) = CommandLine.Run("add", thing, "--data", server.Folder);
        Assert.Equal(1, exit);
        Assert.Contains(says, errors, StringComparison.Ordinal);
    }

    public void Dispose()
    {
        File.Delete(Path.Combine(server.Folder, "automation.json"));
        Directory.Delete(folder, recursive: true);
    }

    private void Write(object settings) => File.WriteAllText(Path.Combine(server.Folder, "automation.json"), JsonSerializer.Serialize(settings));

    private async Task<List<string?>> Titles() => (await server.Get("/api/library"))["lectures"]!.AsArray().Select(l => (string?)l!["title"]).ToList();

    private async Task<string> Bring(string page)
    {
        var brought = await server.Post("/api/links", new
        {
            links = new[] { new { address = page, media = page, title = "Silent", heldOn = (string?)null, captions = (object?)null, use = "none", chapters = Array.Empty<object>(), kind = "outside" } },
            course = "",
            choice = new { accuracy = "fast", language = "en" },
        });
        return (string)brought["lectureIds"]![0]!;
    }

    private static async Task Until(Func<Task<bool>> holds)
    {
        for (var i = 0; i < 600 && !await holds(); i++)
        {
            await Task.Delay(100, Cancel);
        }
    }
}
