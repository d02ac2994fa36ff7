using System.Net;
using System.Text;

namespace Kostel.Server.Tests;

/// <summary>What is thrown away goes for good in the end, what belongs to nothing is cleared, and never what a row names.</summary>
public sealed class StorageTests
{
    [Fact]
    public async Task The_bin_is_emptied_by_hand_or_after_thirty_days_with_the_recordings()
    {
        using var server = new ServerProcess();
        var kept = await server.BringText();
        var lately = await server.BringText();
        var long_ago = await server.BringText();
        foreach (var id in new[] { lately, long_ago })
        {
            (await server.Http.DeleteAsync($"/api/lectures/{id}")).EnsureSuccessStatusCode();
        }

        LibraryDatabase.Sql(server.Folder, $"UPDATE Lectures SET DeletedAt = datetime('now', '-31 days') WHERE Id = '{long_ago}'");
        var cleared = await server.Post("/api/storage/clear");
        Assert.Equal(1, cleared["lectures"]!.GetValue<int>());
        Assert.False(Directory.Exists(Path.Combine(server.Folder, "lectures", long_ago)));
        Assert.True(Directory.Exists(Path.Combine(server.Folder, "lectures", lately)));
        Assert.Equal([lately], (await server.Get("/api/library"))["bin"]!.AsArray().Select(l => (string)l!["id"]!));
        Assert.True((await server.Get("/api/storage"))["binBytes"]!.GetValue<long>() > 0);

        Assert.Equal(1, (await server.Post("/api/bin/empty"))["lectures"]!.GetValue<int>());
        Assert.Equal([kept], Directory.GetDirectories(Path.Combine(server.Folder, "lectures")).Select(Path.GetFileName));
        Assert.Equal(0L, LibraryDatabase.Sql(server.Folder, $"SELECT COUNT(*) FROM Passages WHERE LectureId <> '{kept}'"));
        Assert.NotEmpty(await server.Text(kept));
    }

    [Fact]
    public async Task At_a_start_what_belongs_to_nothing_is_cleared_and_nothing_else()
    {
        using var server = new ServerProcess();
        var kept = await server.BringIn("fog.mp3", Clips.Speech(3));
        await server.Ended(kept);
        var address = await server.CreateUpload("half.mp3", 100);
        (await server.SendPiece(address, 0, new byte[40])).EnsureSuccessStatusCode();
        var abandoned = await server.CreateUpload("abandoned.mp3", 100);
        LibraryDatabase.Sql(server.Folder, $"UPDATE Uploads SET TouchedAt = datetime('now', '-8 days') WHERE Id = '{abandoned.Split('/')[^1]}'");
        var mark = await server.PictureMark(kept, atMs: 0);
        await server.Post($"/api/lectures/{kept}/cards/own", new { front = "What is this?", back = "A dot.", startMs = 0, endMs = 1, mark });
        var picture = Assert.Single(Directory.GetFiles(Path.Combine(server.Folder, "lectures", kept, "pictures")));
        var other = await server.PictureMark(kept, atMs: 0);
        var sheet = await server.Post($"/api/lectures/{kept}/sheets", new { form = "own", ofMarks = false });
        await server.Post($"/api/sheets/{sheet["id"]}/lines", new { startMs = 0, endMs = 0, mark = other });
        var onSheet = Directory.GetFiles(Path.Combine(server.Folder, "lectures", kept, "pictures")).Single(f => f != picture);
        LibraryDatabase.Sql(server.Folder, "DELETE FROM Marks");
        File.SetLastWriteTimeUtc(picture, DateTime.UtcNow.AddDays(-1));
        File.SetLastWriteTimeUtc(onSheet, DateTime.UtcNow.AddDays(-1));
        server.Kill();
        string[] orphans = ["lectures/0123456789ab/original", "uploads/ba9876543210", $"lectures/{kept}/peaks.new", $"lectures/{kept}/pictures/unnamed.png", "passing/0123"];
        foreach (var orphan in orphans.Append("lectures/freshfresh00/original"))
        {
            var path = Path.Combine(server.Folder, orphan);
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            await File.WriteAllTextAsync(path, "");
            if (orphans.Contains(orphan))
            {
                File.SetLastWriteTimeUtc(path, DateTime.UtcNow.AddDays(-1));
            }
        }

        Directory.SetLastWriteTimeUtc(Path.Combine(server.Folder, "lectures/0123456789ab"), DateTime.UtcNow.AddDays(-1));
        server.Start();
        for (var wait = 0; wait < 100 && File.Exists(Path.Combine(server.Folder, orphans[^1])); wait++)
        {
            await Task.Delay(100);
        }

        Assert.All(orphans, o => Assert.False(File.Exists(Path.Combine(server.Folder, o)), o));
        Assert.False(Directory.Exists(Path.Combine(server.Folder, "lectures/0123456789ab")));

        // What is new may be on its way to a row.
        Assert.True(File.Exists(Path.Combine(server.Folder, "lectures/freshfresh00/original")));
        Assert.True(File.Exists(Path.Combine(server.Folder, "lectures", kept, "original")));
        Assert.True(File.Exists(onSheet));
        Assert.True(File.Exists(picture), "a card shows it");
        Assert.Equal(40, await server.Offset(address));
        Assert.Null(await server.Offset(abandoned));
    }

    [Fact]
    public async Task A_text_that_is_refused_leaves_nothing_behind()
    {
        using var server = new ServerProcess();
        var bytes = Encoding.UTF8.GetBytes("{ not json");
        var address = await server.CreateUpload("bad.json", bytes.Length);
        using var refused = await server.SendPiece(address, 0, bytes);
        Assert.Equal(HttpStatusCode.UnprocessableEntity, refused.StatusCode);
        Assert.Empty(Directory.GetFileSystemEntries(Path.Combine(server.Folder, "lectures")));
        Assert.Empty(Directory.GetFileSystemEntries(Path.Combine(server.Folder, "uploads")));
    }
}
