using Kostel.Core.Captions;
using Kostel.Core.Speech;
using Kostel.Data;
using Kostel.Data.Folder;
using Kostel.Data.Rows;
using Kostel.Data.Stored;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Automation;

/// <summary>Brings in what appears in watched folders, once it is whole. The files there stay as they are.</summary>
internal sealed class WatchedFolders(LibraryFolder library, AutomationFile automation, UploadFiles uploads, TimeProvider time, ILogger<WatchedFolders> log) : BackgroundService
{
    private const string Setting = "watched-files";
    private static readonly TimeSpan Look = TimeSpan.FromSeconds(3), Unchanged = TimeSpan.FromSeconds(6);
    private static readonly string[] Endings =
    [
        ".3gp", ".aac", ".aiff", ".amr", ".avi", ".caf", ".flac", ".m4a", ".m4v", ".mka", ".mkv", ".mov", ".mp3", ".mp4", ".mpg", ".mpeg", ".oga", ".ogg", ".ogv", ".opus", ".ts", ".wav", ".webm", ".wma", ".wmv",
        .. TranscriptFiles.Endings,
    ];

    private readonly Dictionary<string, (string State, long Since)> growing = [];

    /// <summary>What was wrong with a folder when it was last looked at; null for nothing.</summary>
    public string? Problem { get; private set; }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look, time);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                string? problem = null;
                foreach (var watched in automation.Read().Settings.Watch ?? [])
                {
                    problem ??= await Visit(watched, stoppingToken);
                }

                Problem = problem;
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "A watched folder could not be looked through; this is tried again.");
            }
        }
    }

    private async Task<string?> Visit(WatchedFolder watched, CancellationToken cancel)
    {
        List<FileInfo> files;
        try
        {
            files = [.. new DirectoryInfo(watched.Folder).EnumerateFiles().Where(f => f.Length > 0 && !f.Name.StartsWith('.') && Endings.Contains(f.Extension.ToLowerInvariant())).OrderBy(f => f.LastWriteTimeUtc)];
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return $"The watched folder {watched.Folder} cannot be looked through: {e.Message}";
        }

        await using var context = library.CreateDbContext();
        var taken = await context.Setting(Setting, cancel) is { } value ? VersionedJson.Read<Dictionary<string, string>>(value) : [];
        foreach (var file in files)
        {
            var state = StateOf(file);
            if (taken.GetValueOrDefault(file.FullName) == state || !IsWhole(file.FullName, state))
            {
                continue;
            }

            try
            {
                await Take(watched, file, state, cancel);
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException)
            {
                return $"{file.Name} in the watched folder {watched.Folder} could not be brought in: {e.Message}";
            }

            taken[file.FullName] = state;
            await context.KeepSetting(Setting, VersionedJson.Write(taken), cancel);
        }

        return null;
    }

    private static string StateOf(FileInfo file) => $"{file.Length} {file.LastWriteTimeUtc.Ticks}";

    /// <summary>A file that is still being copied grows, or was touched a moment ago.</summary>
    private bool IsWhole(string path, string state)
    {
        var now = time.GetTimestamp();
        if (!growing.TryGetValue(path, out var seen) || seen.State != state)
        {
            growing[path] = (state, now);
            return false;
        }

        return time.GetElapsedTime(seen.Since, now) >= Unchanged && growing.Remove(path);
    }

    private async Task Take(WatchedFolder watched, FileInfo file, string state, CancellationToken cancel)
    {
        if (file.Length > FreeSpace.At(library.UploadFolder))
        {
            throw new IOException("the disk has no room for it.");
        }

        await using var context = library.CreateDbContext();
        var now = time.GetUtcNow().UtcDateTime;
        var routine = watched.Course is null ? null : await context.Courses.Where(c => c.Title == watched.Course).Select(c => c.Routine).FirstOrDefaultAsync(cancel);
        var upload = new UploadRow
        {
            Id = LibraryFolder.NewId(),
            FileName = file.Name,
            Length = file.Length,
            Title = TusProtocol.TitleFrom(file.Name),
            HeldOn = DateOnly.FromDateTime(file.LastWriteTime),
            HeldOnIsGuessed = true,
            Course = watched.Course,
            Choice = routine?.Choice ?? new TranscriptionChoice(Accuracy.Accurate),
            CreatedAt = now,
            TouchedAt = now,
        };
        await Copy(file, state, library.Upload(upload.Id), cancel);
        context.Uploads.Add(upload);
        await context.SaveChangesAsync(cancel);
        try
        {
            await uploads.Finish(upload, cancel);
        }
        catch (PlainProblemException e)
        {
            log.LogWarning("{File} in a watched folder was not brought in: {Reason}", file.Name, e.Message);
        }

        // Nobody sits there to decide what becomes of a recording that is there already.
        await context.Entry(upload).ReloadAsync(cancel);
        if (upload.SameAs is not null)
        {
            await uploads.End(upload.Id, TimeSpan.Zero, cancel);
        }
    }

    private static async Task Copy(FileInfo file, string state, string into, CancellationToken cancel)
    {
        try
        {
            await using (var from = file.OpenRead())
            await using (var to = new FileStream(into, FileMode.Create, FileAccess.Write, FileShare.None, 1, FileOptions.Asynchronous))
            {
                await from.CopyToAsync(to, cancel);
            }

            // Replaced while it was read: what was copied is half the one and half the other.
            file.Refresh();
            if (!file.Exists || StateOf(file) != state)
            {
                throw new IOException("it was changed while it was read. It is tried again once it is still.");
            }
        }
        catch
        {
            File.Delete(into);
            throw;
        }
    }
}
