using System.IO.Compression;
using System.Net;

namespace Kostel.Server.Tests;

/// <summary>A library in one archive, written while it is in use, and brought back whole.</summary>
public sealed class BackupTests
{
    [Fact]
    public async Task A_backup_brings_back_everything_with_its_recording()
    {
        using var server = new ServerProcess();
        var id = await server.BringIn("fog.mp3", Clips.Speech(8), "Fog");
        await server.Ended(id);
        var tides = await server.BringTides();
        await server.Post($"/api/lectures/{tides}/cards");
        await server.Rewrite(tides, t => t + " Amen.");
        var archive = Path.Combine(server.Folder, "..", $"{Guid.NewGuid():N}.zip");
        var folder = Path.Combine(Path.GetTempPath(), $"kostel-restored-{Guid.NewGuid():N}");
        try
        {
            var (exit, _, errors) = CommandLine.Run("backup", archive, "--data", server.Folder);
            Assert.True(exit == 0, errors);
            Assert.Equal((UnixFileMode)0b110_000_000, File.GetUnixFileMode(archive));
            Assert.Equal(1, CommandLine.Run("backup", archive, "--data", server.Folder).Exit);
            (exit, _, errors) = CommandLine.Run("restore", archive, "--data", folder);
            Assert.True(exit == 0, errors);
            using var restored = new ServerProcess(folder);
            Assert.Equal(await server.Text(id), await restored.Text(id));
            Assert.Equal(await server.Text(tides), await restored.Text(tides));
            Assert.Equal(await server.Http.GetByteArrayAsync($"/api/lectures/{id}/media"), await restored.Http.GetByteArrayAsync($"/api/lectures/{id}/media"));
            Assert.Equal((await server.Get($"/api/lectures/{tides}/study"))["cards"]!.ToJsonString(), (await restored.Get($"/api/lectures/{tides}/study"))["cards"]!.ToJsonString());
            Assert.Equal(1, CommandLine.Run("restore", archive, "--data", folder).Exit);
        }
        finally
        {
            File.Delete(archive);
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public async Task Backups_taken_while_somebody_edits_each_restore_whole_with_at_most_the_last_edits_missing()
    {
        const int Backups = 20;
        using var server = new ServerProcess();
        var id = await server.BringText();
        using var stop = new CancellationTokenSource();
        var edits = 0;
        var editing = Task.Run(async () =>
        {
            while (!stop.IsCancellationRequested)
            {
                var next = edits + 1;
                await server.Rewrite(id, t => $"Edit {next} " + string.Join(' ', t.Split(' ').Skip(t.StartsWith("Edit", StringComparison.Ordinal) ? 2 : 0)));
                edits = next;
            }
        });
        for (var backup = 0; backup < Backups; backup++)
        {
            var before = edits;
            var archive = Path.Combine(Path.GetTempPath(), $"kostel-{Guid.NewGuid():N}.zip");
            var folder = Path.ChangeExtension(archive, null);
            await using (var file = File.Create(archive))
            await using (var sent = await server.Http.GetStreamAsync("/api/backup"))
            {
                await sent.CopyToAsync(file);
            }

            var after = edits;
            await Kostel.Data.Backup.LibraryRestore.Read(archive, folder, CancellationToken.None);
            var first = (string)LibraryDatabase.Sql(folder, $"SELECT Words FROM Passages WHERE LectureId = '{id}' ORDER BY Number LIMIT 1")!;
            var number = before == 0 && !first.Contains("Edit", StringComparison.Ordinal) ? 0 : int.Parse(System.Text.Json.JsonDocument.Parse(first).RootElement.GetProperty("is")[1].GetProperty("text").GetString()!);
            Assert.InRange(number, before, after + 1);
            LibraryDatabase.IsWhole(folder);
            File.Delete(archive);
            Directory.Delete(folder, recursive: true);
        }

        await stop.CancelAsync();
        await editing;
        Assert.True(edits > Backups, $"{edits} edits");
    }

    [Theory]
    [InlineData("cut")]
    [InlineData("changed")]
    [InlineData("leads out")]
    [InlineData("no backup")]
    public async Task A_damaged_or_hostile_archive_is_refused_and_nothing_is_changed(string how)
    {
        using var server = new ServerProcess();
        await server.BringText();
        var archive = Path.Combine(Path.GetTempPath(), $"kostel-{Guid.NewGuid():N}.zip");
        var folder = Path.ChangeExtension(archive, null);
        await File.WriteAllBytesAsync(archive, await server.Http.GetByteArrayAsync("/api/backup"));
        await Spoil(archive, how);
        var (exit, _, errors) = CommandLine.Run("restore", archive, "--data", folder);
        Assert.Equal(1, exit);
        Assert.Single(errors.Trim().Split('\n'));
        Assert.False(Directory.Exists(folder));
        Assert.False(Directory.Exists(folder + ".restoring"));
        File.Delete(archive);
    }

    [Fact]
    public async Task A_backup_without_recordings_names_them_and_keeps_the_text()
    {
        using var server = new ServerProcess();
        var id = await server.BringIn("fog.mp3", Clips.Speech(5));
        await server.Ended(id);
        var archive = Path.Combine(Path.GetTempPath(), $"kostel-{Guid.NewGuid():N}.zip");
        var folder = Path.ChangeExtension(archive, null);
        await File.WriteAllBytesAsync(archive, await server.Http.GetByteArrayAsync("/api/backup?recordings=false"));
        var done = await Kostel.Data.Backup.LibraryRestore.Read(archive, folder, CancellationToken.None);
        Assert.Equal(1, done.WithoutRecording);
        using (var restored = new ServerProcess(folder))
        {
            Assert.Equal(await server.Text(id), await restored.Text(id));
            Assert.Equal(HttpStatusCode.NotFound, (await restored.Http.GetAsync($"/api/lectures/{id}/media")).StatusCode);
        }

        File.Delete(archive);
        Directory.Delete(folder, recursive: true);
    }

    private static async Task Spoil(string archive, string how)
    {
        var bytes = await File.ReadAllBytesAsync(archive);
        switch (how)
        {
            case "cut":
                await File.WriteAllBytesAsync(archive, bytes[..(bytes.Length * 2 / 3)]);
                return;
            case "no backup":
                await File.WriteAllTextAsync(archive, "Nothing of the kind.");
                return;
            case "changed":
                await using (var zip = await ZipFile.OpenAsync(archive, ZipArchiveMode.Update))
                {
                    var name = zip.Entries.First(e => e.FullName.EndsWith("/original", StringComparison.Ordinal)).FullName;
                    zip.GetEntry(name)!.Delete();
                    await using var other = await zip.CreateEntry(name).OpenAsync();
                    await other.WriteAsync("other"u8.ToArray());
                }

                return;
            default:
                await using (var zip = await ZipFile.OpenAsync(archive, ZipArchiveMode.Update))
                {
                    string list;
                    using (var reader = new StreamReader(await zip.GetEntry("manifest.json")!.OpenAsync()))
                    {
                        list = (await reader.ReadToEndAsync()).Replace("lectures/", "../../lectures/", StringComparison.Ordinal);
                    }

                    zip.GetEntry("manifest.json")!.Delete();
                    await using var writer = new StreamWriter(await zip.CreateEntry("manifest.json").OpenAsync());
                    await writer.WriteAsync(list);
                }

                return;
        }
    }
}
