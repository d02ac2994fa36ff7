using System.Diagnostics;
using System.Net;
using System.Text;

namespace Kostel.Server.Tests;

/// <summary>How a library is opened: by one process, after a kill at any moment, closed to others, and for reading where nothing can be written.</summary>
public sealed class LibraryOpeningTests
{
    [Fact]
    public async Task A_second_server_on_the_same_library_ends_and_says_who_has_it()
    {
        using var first = new ServerProcess();
        using var second = ServerProcess.Launch(first.Folder);
        var said = await second.StandardError.ReadToEndAsync();
        await second.WaitForExitAsync();
        Assert.Equal(1, second.ExitCode);
        Assert.Contains("open already", said, StringComparison.Ordinal);
        Assert.Contains(first.Http.BaseAddress!.Authority, said, StringComparison.Ordinal);
        Assert.Single(said.Trim().Split('\n'));
        Assert.Empty((await first.Get("/api/library"))["lectures"]!.AsArray());

        // The lock is the process's: with its end it is gone, however it ended.
        first.Kill();
        first.Start();
    }

    [Fact]
    public async Task A_port_that_is_taken_is_said_in_one_line()
    {
        using var first = new ServerProcess();
        var folder = Directory.CreateTempSubdirectory("kostel-test-").FullName;
        using var second = ServerProcess.Launch(folder, first.Http.BaseAddress!.Port);
        var said = await second.StandardError.ReadToEndAsync();
        await second.WaitForExitAsync();
        Assert.Equal(1, second.ExitCode);
        Assert.Single(said.Trim().Split('\n'));
        Assert.Contains("--port", said, StringComparison.Ordinal);
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_lock_of_the_migrations_that_a_kill_left_stops_no_later_start()
    {
        using var server = new ServerProcess();
        var id = await server.BringText();
        server.Kill();
        LibraryDatabase.Sql(server.Folder, "CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER PRIMARY KEY, Timestamp TEXT NOT NULL)");
        LibraryDatabase.Sql(server.Folder, "INSERT OR REPLACE INTO __EFMigrationsLock VALUES (1, '2026-01-01')");

        // An older form as well, so that a migration is due.
        LibraryDatabase.Sql(server.Folder, "DELETE FROM __EFMigrationsHistory WHERE MigrationId LIKE '%FirmGround'");
        foreach (var undo in new[] { "DROP INDEX IX_Cards_LectureId_SourceKey", "ALTER TABLE Cards DROP COLUMN SourceKey", "CREATE INDEX IX_Cards_LectureId ON Cards (LectureId)", "ALTER TABLE Uploads DROP COLUMN TouchedAt", "ALTER TABLE Reviews DROP COLUMN Before", "ALTER TABLE EarlierTranscripts DROP COLUMN Notice" })
        {
            LibraryDatabase.Sql(server.Folder, undo);
        }

        // What an interrupted migration leaves: half a copy.
        await File.WriteAllBytesAsync(Path.Combine(server.Folder, "kostel.db.fresh"), new byte[5_000]);
        server.Start();
        Assert.Contains("rises twice", await server.Text(id), StringComparison.Ordinal);
        Assert.False(File.Exists(Path.Combine(server.Folder, "kostel.db.fresh")));
        LibraryDatabase.IsWhole(server.Folder);
    }

    [Fact]
    public async Task Other_people_on_the_computer_can_read_nothing_of_it()
    {
        var folder = Directory.CreateTempSubdirectory("kostel-test-").FullName;
        try
        {
            File.SetUnixFileMode(folder, (UnixFileMode)0b111_101_101);
            await File.WriteAllTextAsync(Path.Combine(folder, "earlier"), "");
            File.SetUnixFileMode(Path.Combine(folder, "earlier"), (UnixFileMode)0b110_100_100);
            using (var server = new ServerProcess(folder))
            {
                await server.Ended(await server.BringIn("fog.mp3", Clips.Speech(3)));
                foreach (var entry in new DirectoryInfo(folder).EnumerateFileSystemInfos("*", SearchOption.AllDirectories).Prepend(new DirectoryInfo(folder)))
                {
                    Assert.Equal(entry is DirectoryInfo ? (UnixFileMode)0b111_000_000 : (UnixFileMode)0b110_000_000, entry.UnixFileMode);
                }
            }
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    /// <summary>A library on a file system of its own, of 6 MB.</summary>
    [Fact]
    public async Task A_full_disk_is_said_nothing_is_lost_and_all_of_it_can_be_read()
    {
        using var disk = new SmallDisk("6m");
        using var server = new ServerProcess(disk.Folder);
        var id = await server.BringIn("first.mp3", Clips.Speech(5));
        await server.Ended(id);
        var text = await server.Text(id);
        using (var refused = await server.Send(HttpMethod.Post, "/api/uploads"))
        {
            Assert.Equal(HttpStatusCode.BadRequest, refused.StatusCode);
        }

        // More than there is: refused before a byte is taken.
        await Assert.ThrowsAsync<HttpRequestException>(() => server.CreateUpload("large.wav", 12_000_000));

        // Less than there is, but something else takes the room meanwhile.
        var large = new byte[3_000_000];
        var address = await server.CreateUpload("large.wav", large.Length);
        var filler = disk.Fill();
        using (var full = await server.SendPiece(address, 0, large))
        {
            Assert.Equal(HttpStatusCode.InsufficientStorage, full.StatusCode);
            Assert.Contains("The disk is full", await full.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }

        string[] reading = ["/api/library", "/api/today", $"/api/lectures/{id}", $"/api/lectures/{id}/transcript", $"/api/lectures/{id}/peaks", $"/api/lectures/{id}/study", "/api/review", "/api/storage"];
        foreach (var place in reading)
        {
            using var answer = await server.Http.GetAsync(place);
            Assert.True(answer.IsSuccessStatusCode, $"{place}: {answer.StatusCode}");
        }

        Assert.Equal(text, await server.Text(id));

        // Started on the full disk, it opens for reading and says why.
        server.Kill();
        server.Start();
        Assert.Contains("The disk is full", server.Errors, StringComparison.Ordinal);
        Assert.Equal(text, await server.Text(id));
        using (var question = await server.Send(HttpMethod.Post, "/api/questions", new { text = "What is fog?", lecture = id }))
        {
            Assert.Equal(HttpStatusCode.InsufficientStorage, question.StatusCode);
            Assert.Contains("open for reading", await ServerProcess.Detail(question), StringComparison.Ordinal);
        }

        // With room again, the library goes on.
        File.Delete(filler);
        server.Kill();
        server.Start();
        (await server.Http.DeleteAsync(address)).EnsureSuccessStatusCode();
        Assert.Null((await server.Ended(await server.BringIn("second.mp3", Clips.Speech(5))))["progress"]);
    }

    [Fact]
    public async Task A_folder_that_cannot_be_written_to_is_opened_for_reading()
    {
        using var disk = new SmallDisk("20m");
        string id;
        using (var server = new ServerProcess(disk.Folder))
        {
            id = await server.BringText();
            await server.Rewrite(id, t => t.Replace("tied", "tide", StringComparison.Ordinal));
        }

        // Killed, so that the last edit stands only in the database's log.
        disk.Remount("ro");
        using var reading = new ServerProcess(disk.Folder);
        Assert.Contains("cannot be written to", reading.Errors, StringComparison.Ordinal);
        Assert.Contains("tide", await reading.Text(id), StringComparison.Ordinal);
        Assert.Contains("cannot be written", (string?)(await reading.Get("/api/settings"))["onlyForReading"], StringComparison.Ordinal);
        var archive = await reading.Http.GetByteArrayAsync("/api/backup");
        Assert.Equal("PK", System.Text.Encoding.ASCII.GetString(archive, 0, 2));
        using var edit = await reading.Send(HttpMethod.Post, $"/api/lectures/{id}/edits/undo");
        Assert.Equal(HttpStatusCode.InsufficientStorage, edit.StatusCode);
    }

    [Fact]
    public async Task Where_no_library_can_be_made_one_line_says_so()
    {
        using var disk = new SmallDisk("1m");
        disk.Remount("ro");
        using var process = ServerProcess.Launch(Path.Combine(disk.Folder, "library"));
        var said = await process.StandardError.ReadToEndAsync();
        await process.WaitForExitAsync();
        Assert.Equal(1, process.ExitCode);
        Assert.Single(said.Trim().Split('\n'));
        Assert.Contains("cannot be written to", said, StringComparison.Ordinal);
    }

    [Fact]
    public async Task A_start_that_is_killed_at_any_moment_leaves_a_library_that_opens()
    {
        const int Kills = 8;
        var folder = Directory.CreateTempSubdirectory("kostel-test-").FullName;
        try
        {
            var random = new Random(20261126);
            for (var kill = 0; kill < Kills; kill++)
            {
                using var process = ServerProcess.Launch(folder);
                await Task.Delay(random.Next(100, 1_400));
                process.Kill(entireProcessTree: true);
                await process.WaitForExitAsync();
            }

            using var server = new ServerProcess(folder);
            await server.BringText();
            LibraryDatabase.IsWhole(folder);
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public async Task The_clock_set_back_joins_no_edits_that_were_apart()
    {
        using var server = new ServerProcess();
        var id = await server.BringText();
        await server.Rewrite(id, t => t.Replace("tied", "tide", StringComparison.Ordinal));

        // As if the first edit had been made an hour later than now.
        LibraryDatabase.Sql(server.Folder, "UPDATE Edits SET MadeAt = datetime('now', '+1 hour')");
        await server.Rewrite(id, t => t.Replace("twice", "two times", StringComparison.Ordinal));
        await server.Post($"/api/lectures/{id}/edits/undo");
        Assert.Contains("tide rises twice", await server.Text(id), StringComparison.Ordinal);
    }
}
