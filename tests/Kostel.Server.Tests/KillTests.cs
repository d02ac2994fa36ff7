using System.Globalization;
using System.Net.Http.Headers;

namespace Kostel.Server.Tests;

/// <summary>The server killed (SIGKILL) at random moments of everything it does. KOSTEL_KILLS says how often, for the whole run.</summary>
public sealed class KillTests : IDisposable
{
    private const int Seed = 20261126;
    private static readonly string[] Moments = ["start", "migration", "upload", "transcription", "edit", "backup", "emptying the bin"];
    private static readonly int Kills = int.TryParse(Environment.GetEnvironmentVariable("KOSTEL_KILLS"), CultureInfo.InvariantCulture, out var kills) ? kills : Moments.Length;
    private readonly Random random = new(Seed);
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-kills-").FullName;
    private readonly byte[] clip = Clips.Speech(6);

    [Fact]
    public async Task Whatever_it_is_killed_at_everything_is_whole_nothing_doubled_and_nothing_left_lying()
    {
        using var server = new ServerProcess(folder);
        var kept = await server.BringTides("Kept");
        var expected = new Dictionary<string, string> { [kept] = await server.Text(kept) };
        for (var kill = 0; kill < Kills; kill++)
        {
            var moment = Moments[kill % Moments.Length];
            try
            {
                await At(moment, server, kept);
                await Check(server, moment, expected);
            }
            catch (Exception e) when (e is not Xunit.Sdk.IAssertionException)
            {
                throw new InvalidOperationException($"Kill {kill}, at {moment}: {e.Message} {server.Errors}", e);
            }
        }

        if (Environment.GetEnvironmentVariable("KOSTEL_REPORT") is { Length: > 0 } report)
        {
            await File.AppendAllTextAsync(report, $"{Kills} kills, {Kills / Moments.Length} each at: {string.Join(", ", Moments)}\n");
        }
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);

    private async Task At(string moment, ServerProcess server, string kept)
    {
        switch (moment)
        {
            case "start":
                server.Kill();
                await KillStart(folder);
                server.Start();
                return;
            case "migration":
                await Migration();
                return;
            case "backup":
                await Backup(server);
                return;
            default:
                var working = Work(moment, server, kept);
                await Task.Delay(random.Next(moment == "transcription" ? 3_000 : 250));
                server.Kill();
                await working;
                server.Start();
                return;
        }
    }

    /// <summary>What goes on while the server is killed; it hears of that by a broken connection.</summary>
    private async Task Work(string moment, ServerProcess server, string kept)
    {
        try
        {
            switch (moment)
            {
                case "upload":
                    await Task.WhenAll(Enumerable.Range(0, 3).Select(i => server.BringText(course: $"Course {i % 2}")));
                    break;
                case "transcription":
                    await server.BringIn("clip.mp3", clip);
                    break;
                case "edit":
                    while (true)
                    {
                        await server.Rewrite(kept, t => t + " And.");
                        await server.Post($"/api/lectures/{kept}/edits/undo");
                    }

                default:
                    foreach (var lecture in (await server.Get("/api/library"))["lectures"]!.AsArray().Where(l => (string?)l!["id"] != kept))
                    {
                        await server.Http.DeleteAsync($"/api/lectures/{lecture!["id"]}");
                    }

                    await server.Post("/api/bin/empty");
                    break;
            }
        }
        catch (Exception e) when (e is HttpRequestException or TaskCanceledException or ObjectDisposedException or InvalidOperationException)
        {
            // This is the kill.
        }
    }

    /// <summary>A library of the version before, whose first start by this one is killed, twice.</summary>
    private async Task Migration()
    {
        var old = Directory.CreateTempSubdirectory("kostel-kills-").FullName;
        try
        {
            EarlierLibrary.Unpack(old);
            await KillStart(old);
            await KillStart(old);
            using var server = new ServerProcess(old);
            Assert.Contains("Remember that.", (await server.Passage(EarlierLibrary.Lecture))["text"]!.GetValue<string>(), StringComparison.Ordinal);
            Assert.Single((await server.Get($"/api/lectures/{EarlierLibrary.Lecture}/marks")).AsArray());
            LibraryDatabase.IsWhole(old);
        }
        finally
        {
            Directory.Delete(old, recursive: true);
        }
    }

    private async Task KillStart(string library)
    {
        using var process = ServerProcess.Launch(library);
        await Task.Delay(random.Next(1_600));
        process.Kill(entireProcessTree: true);
        await process.WaitForExitAsync();
    }

    /// <summary>The archive is there whole or not at all, and the library as it was.</summary>
    private async Task Backup(ServerProcess server)
    {
        var archive = Path.Combine(Path.GetTempPath(), $"kostel-kill-{Guid.NewGuid():N}.zip");
        try
        {
            using (var process = System.Diagnostics.Process.Start(new System.Diagnostics.ProcessStartInfo("dotnet", [Path.Combine(AppContext.BaseDirectory, "Kostel.Cli.dll"), "backup", archive, "--data", folder])
            {
                RedirectStandardError = true,
                RedirectStandardOutput = true,
            })!)
            {
                await Task.Delay(random.Next(900));
                process.Kill();
                await process.WaitForExitAsync();
            }

            if (File.Exists(archive))
            {
                var restored = Path.ChangeExtension(archive, null);
                await Kostel.Data.Backup.LibraryRestore.Read(archive, restored, CancellationToken.None);
                Directory.Delete(restored, recursive: true);
            }

            (await server.Http.GetAsync("/api/library")).EnsureSuccessStatusCode();
        }
        finally
        {
            File.Delete(archive);
            File.Delete(archive + ".part");
        }
    }

    private async Task Check(ServerProcess server, string moment, Dictionary<string, string> expected)
    {
        LibraryDatabase.IsWhole(folder);
        foreach (var (id, text) in expected)
        {
            // An edit may or may not have been stored; it was stored whole.
            var now = await server.Text(id);
            Assert.True(now == text || now.Replace(" And.", "", StringComparison.Ordinal) == text, $"At {moment}: {now}");
        }

        var lectures = (await server.Get("/api/library"))["lectures"]!.AsArray();
        foreach (var lecture in lectures)
        {
            var done = await server.Ended((string)lecture!["id"]!);
            Assert.True(done["progress"] is null, $"At {moment}: {done["progress"]}");
            var passages = (await server.Get($"/api/lectures/{done["id"]}/transcript"))["passages"]!.AsArray();
            Assert.Equal(passages.Count, passages.Select(p => (string?)p!["id"]).Distinct().Count());
            var starts = passages.SelectMany(p => p!["startsMs"]!.AsArray()).Select(w => w!.GetValue<int>()).ToList();
            Assert.Equal(starts.Order(), starts);
        }

        Assert.Equal(0L, LibraryDatabase.Sql(folder, "SELECT COUNT(*) FROM Utterances"));
        Assert.Equal(0L, LibraryDatabase.Sql(folder, "SELECT COUNT(*) FROM (SELECT LectureId FROM Jobs WHERE State IN ('Waiting', 'Running') GROUP BY LectureId HAVING COUNT(*) > 1)"));
        await NothingLies(server);
    }

    /// <summary>A start makes lectures of the uploads whose last byte had arrived; where a text is read for the first time that takes some seconds.</summary>
    private async Task AllIsTakenIn(ServerProcess server)
    {
        var until = DateTime.UtcNow.AddSeconds(60);
        while ((await server.Get("/api/uploads")).AsArray().Any(u => u!["same"] is null && Directory.Exists(Path.Combine(folder, "lectures", (string)u!["id"]!))))
        {
            Assert.True(DateTime.UtcNow < until, "An upload that had arrived did not become a lecture.");
            await Task.Delay(100);
        }
    }

    /// <summary>After a day, files and rows fit: no file without a row, no lecture without its file.</summary>
    private async Task NothingLies(ServerProcess server)
    {
        await AllIsTakenIn(server);
        foreach (var entry in Directory.EnumerateFileSystemEntries(Path.Combine(folder, "lectures"), "*", SearchOption.AllDirectories).Concat(Directory.EnumerateFileSystemEntries(Path.Combine(folder, "uploads")))
            .Concat(Directory.EnumerateFileSystemEntries(Path.Combine(folder, "passing"))))
        {
            File.SetLastWriteTimeUtc(entry, DateTime.UtcNow.AddDays(-1));
        }

        await server.Post("/api/storage/clear");
        var named = (await server.Get("/api/storage"))["lectures"]!.AsArray().Select(l => (string)l!["id"]!).ToHashSet();
        Assert.All(named, id => Assert.True(File.Exists(Path.Combine(folder, "lectures", id, "original"))));
        var uploads = (await server.Get("/api/uploads")).AsArray().Select(u => (string)u!["id"]!).ToList();

        // A recording that is there already waits in its folder to be decided on.
        Assert.Empty(Directory.GetDirectories(Path.Combine(folder, "lectures")).Select(f => Path.GetFileName(f)!).Except(named).Except(uploads));
        Assert.Empty(Directory.GetFiles(Path.Combine(folder, "uploads")).Select(f => Path.GetFileName(f)!).Except(uploads));
        Assert.Empty(Directory.GetFileSystemEntries(Path.Combine(folder, "passing")));
        Assert.Empty(Directory.GetFiles(folder).Select(f => Path.GetFileName(f)!).Except(["kostel.db", "kostel.db-wal", "kostel.db-shm", "kostel.lock", "kostel.opened", "kostel.files"]));
    }
}
