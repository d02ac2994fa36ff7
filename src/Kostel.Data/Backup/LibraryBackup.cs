using System.IO.Compression;
using System.Security.Cryptography;
using Kostel.Data.Folder;
using Microsoft.Data.Sqlite;

namespace Kostel.Data.Backup;

/// <summary>Writes a library into one archive (ZIP) while it is in use: the database as it is at one moment, and the files that it names.</summary>
public static class LibraryBackup
{
    private static readonly string[] Singles = ["original", "peaks"];

    /// <summary>Writes the archive to a stream, which need not be seekable.</summary>
    /// <param name="folder">The library.</param>
    /// <param name="database">Its database, or the copy that is read where the folder cannot be written to.</param>
    /// <param name="withRecordings">False names recordings without taking them in.</param>
    /// <param name="progress">Told the share that is written, 0 to 1.</param>
    /// <exception cref="BackupProblemException">There is no library.</exception>
    public static async Task<BackupManifest> Write(
        string folder, string database, Stream to, bool withRecordings, DateTime now, IProgress<double>? progress, CancellationToken cancel)
    {
        if (!File.Exists(database))
        {
            throw new BackupProblemException($"There is no library in {folder}.");
        }

        var passing = Passing(folder);
        try
        {
            using var held = await LibraryFiles.Hold(folder, isToRemove: false, cancel);
            var copy = Path.Combine(passing.FullName, BackupManifest.Database);
            Snapshot(database, copy);
            var lectures = Lectures(copy);
            var files = lectures.SelectMany(id => Files(folder, id)).Prepend(new Source(copy, BackupManifest.Database)).ToList();
            var total = Math.Max(1, files.Sum(f => DiskUse.Of(f.Path)));
            var written = new List<BackupFile>();
            long done = 0;
            await using (var zip = await ZipArchive.CreateAsync(to, ZipArchiveMode.Create, leaveOpen: true, null, cancel))
            {
                foreach (var file in files)
                {
                    written.Add(file.IsRecording && !withRecordings
                        ? new BackupFile(file.Name, DiskUse.Of(file.Path), null)
                        : await Add(zip, file, n => progress?.Report(Math.Min(1, (done += n) / (double)total)), cancel));
                }

                var manifest = BackupManifest.Of(now, lectures.Count, written);
                await using var entry = await zip.CreateEntry(BackupManifest.Entry).OpenAsync(cancel);
                await entry.WriteAsync(manifest.Write(), cancel);
                return manifest;
            }
        }
        finally
        {
            passing.Delete(recursive: true);
        }
    }

    /// <summary>Writes the archive to a file, which is there whole or not at all.</summary>
    /// <exception cref="BackupProblemException">The file is there already, or has no room.</exception>
    public static async Task<BackupManifest> WriteFile(
        string folder, string path, bool withRecordings, DateTime now, IProgress<double>? progress, CancellationToken cancel)
    {
        if (File.Exists(path) || Directory.Exists(path))
        {
            throw new BackupProblemException($"{path} is there already. Choose another name, or move it away.");
        }

        var target = Path.GetDirectoryName(Path.GetFullPath(path))!;
        if (!Directory.Exists(target))
        {
            throw new BackupProblemException($"There is no folder {target}.");
        }

        var part = path + ".part";
        try
        {
            BackupManifest manifest;
            await using (var file = new FileStream(part, FileMode.Create, FileAccess.Write, FileShare.None))
            {
                manifest = await Write(folder, Path.Combine(folder, BackupManifest.Database), file, withRecordings, now, progress, cancel);
                file.Flush(flushToDisk: true);
            }

            File.Move(part, path);
            return manifest;
        }
        finally
        {
            File.Delete(part);
        }
    }

    /// <summary>A folder for the copy of the database: in the library, where one that a kill leaves is cleared away; elsewhere if that cannot be written to.</summary>
    private static DirectoryInfo Passing(string folder)
    {
        try
        {
            return Directory.CreateDirectory(Path.Combine(folder, LibraryFolder.Passing, Guid.NewGuid().ToString("N")));
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return Directory.CreateTempSubdirectory("kostel-backup-");
        }
    }

    /// <summary>SQLite's online backup: the state of one moment, whoever writes meanwhile. Uploads on their way are not part of a backup.</summary>
    private static void Snapshot(string from, string to)
    {
        using var source = Connect(from);
        using var target = Connect(to);
        source.BackupDatabase(target);
        using var command = target.CreateCommand();
        command.CommandText = "PRAGMA journal_mode=DELETE; DELETE FROM Uploads;";
        command.ExecuteNonQuery();
    }

    private static List<string> Lectures(string database)
    {
        using var connection = Connect(database);
        using var command = connection.CreateCommand();
        command.CommandText = "SELECT Id FROM Lectures ORDER BY Id";
        using var reader = command.ExecuteReader();
        var ids = new List<string>();
        while (reader.Read())
        {
            ids.Add(reader.GetString(0));
        }

        return ids;
    }

    private static IEnumerable<Source> Files(string folder, string lecture)
    {
        var own = Path.Combine(folder, "lectures", lecture);
        foreach (var name in Singles.Where(n => File.Exists(Path.Combine(own, n))))
        {
            yield return new Source(Path.Combine(own, name), $"lectures/{lecture}/{name}");
        }

        var pictures = Path.Combine(own, "pictures");
        foreach (var picture in Directory.Exists(pictures) ? Directory.EnumerateFiles(pictures) : [])
        {
            yield return new Source(picture, $"lectures/{lecture}/pictures/{Path.GetFileName(picture)}");
        }
    }

    private static async Task<BackupFile> Add(ZipArchive zip, Source file, Action<int> wrote, CancellationToken cancel)
    {
        // Recordings are packed already.
        var entry = zip.CreateEntry(file.Name, file.Name == BackupManifest.Database ? CompressionLevel.Fastest : CompressionLevel.NoCompression);
        await using var source = new FileStream(file.Path, FileMode.Open, FileAccess.Read, FileShare.ReadWrite | FileShare.Delete);
        await using var target = await entry.OpenAsync(cancel);
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[1 << 17];
        long bytes = 0;
        int read;
        while ((read = await source.ReadAsync(buffer, cancel)) > 0)
        {
            hash.AppendData(buffer, 0, read);
            await target.WriteAsync(buffer.AsMemory(0, read), cancel);
            bytes += read;
            wrote(read);
        }

        return new BackupFile(file.Name, bytes, Convert.ToHexStringLower(hash.GetHashAndReset()));
    }

    private static SqliteConnection Connect(string path)
    {
        var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Pooling = false, DefaultTimeout = 30 }.ToString());
        connection.Open();
        return connection;
    }

    /// <param name="Path">Where it lies.</param>
    /// <param name="Name">Its entry.</param>
    private sealed record Source(string Path, string Name)
    {
        public bool IsRecording => Name.EndsWith("/original", StringComparison.Ordinal);
    }
}
