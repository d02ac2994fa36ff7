using System.IO.Compression;
using System.Security.Cryptography;
using Kostel.Data.Folder;
using Microsoft.Data.Sqlite;

namespace Kostel.Data.Backup;

/// <summary>What a backup brought back.</summary>
/// <param name="WithoutRecording">Recordings that the backup only names; what was made of them is there.</param>
public sealed record Restored(int Lectures, int Files, int WithoutRecording, DateTime MadeAt);

/// <summary>Brings a backup back into a folder that is empty or not there. Every byte is checked before the library stands under its name.</summary>
public static class LibraryRestore
{
    /// <summary>Restores.</summary>
    /// <exception cref="BackupProblemException">The archive is damaged or none, or the folder is in use.</exception>
    public static async Task<Restored> Read(string archive, string folder, CancellationToken cancel)
    {
        if (!File.Exists(archive))
        {
            throw new BackupProblemException($"There is no file {archive}.");
        }

        if (File.Exists(folder) || (Directory.Exists(folder) && Directory.EnumerateFileSystemEntries(folder).Any()))
        {
            throw new BackupProblemException($"{folder} is not empty. Restore into another folder, or move that one away first. Nothing was changed.");
        }

        var target = folder.TrimEnd(Path.DirectorySeparatorChar);
        var growing = target + ".restoring";
        if (Directory.Exists(growing))
        {
            Directory.Delete(growing, recursive: true);
        }

        Directory.CreateDirectory(growing);
        try
        {
            var manifest = await Extract(archive, growing, cancel);
            CheckDatabase(Path.Combine(growing, BackupManifest.Database));
            OwnerOnly.Close(growing);
            if (Directory.Exists(target))
            {
                Directory.Delete(target);
            }

            Directory.Move(growing, target);
            return new Restored(manifest.Lectures, manifest.Files.Count(f => f.Sha256 is not null), manifest.Files.Count(f => f.Sha256 is null), manifest.MadeAt);
        }
        catch (InvalidDataException e)
        {
            throw new BackupProblemException($"This archive is damaged or is none: {e.Message} Nothing was changed.");
        }
        finally
        {
            if (Directory.Exists(growing))
            {
                Directory.Delete(growing, recursive: true);
            }
        }
    }

    private static async Task<BackupManifest> Extract(string archive, string to, CancellationToken cancel)
    {
        await using var file = new FileStream(archive, FileMode.Open, FileAccess.Read, FileShare.Read);
        await using var zip = await ZipArchive.CreateAsync(file, ZipArchiveMode.Read, leaveOpen: true, null, cancel);
        var list = zip.GetEntry(BackupManifest.Entry) ?? throw new BackupProblemException("This is no backup of Kostel, or it is cut off: its list is missing.");
        BackupManifest manifest;
        await using (var stream = await list.OpenAsync(cancel))
        {
            manifest = await BackupManifest.Read(stream, list.Length, cancel);
        }

        var wanted = manifest.Files.Where(f => f.Sha256 is not null).ToList();
        if (wanted.Sum(f => f.Bytes) > FreeSpace.At(to))
        {
            throw new BackupProblemException("There is no room for what is in this backup.");
        }

        foreach (var one in wanted)
        {
            var entry = zip.GetEntry(one.Name) ?? throw Damaged(one);
            var path = Path.Combine(to, one.Name);
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            if (!await Copy(entry, path, one, cancel))
            {
                throw Damaged(one);
            }
        }

        return wanted.Exists(f => f.Name == BackupManifest.Database) ? manifest : throw new BackupProblemException("This backup has no database in it.");
    }

    /// <returns>Whether the bytes are those that were written.</returns>
    private static async Task<bool> Copy(ZipArchiveEntry entry, string path, BackupFile expected, CancellationToken cancel)
    {
        await using var source = await entry.OpenAsync(cancel);
        await using var target = new FileStream(path, FileMode.CreateNew, FileAccess.Write, FileShare.None);
        using var hash = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[1 << 17];
        long bytes = 0;
        int read;
        while ((read = await source.ReadAsync(buffer, cancel)) > 0 && (bytes += read) <= expected.Bytes)
        {
            hash.AppendData(buffer, 0, read);
            await target.WriteAsync(buffer.AsMemory(0, read), cancel);
        }

        target.Flush(flushToDisk: true);
        return bytes == expected.Bytes && Convert.ToHexStringLower(hash.GetHashAndReset()) == expected.Sha256;
    }

    private static void CheckDatabase(string path)
    {
        try
        {
            using var connection = new SqliteConnection(new SqliteConnectionStringBuilder { DataSource = path, Pooling = false }.ToString());
            connection.Open();
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA integrity_check";
            if (command.ExecuteScalar() as string != "ok")
            {
                throw new BackupProblemException("The database in this backup is damaged. Nothing was changed.");
            }
        }
        catch (SqliteException)
        {
            throw new BackupProblemException("The database in this backup is damaged. Nothing was changed.");
        }
    }

    private static BackupProblemException Damaged(BackupFile file) => new($"This backup is damaged: {file.Name} is not as it was written. Nothing was changed.");
}
