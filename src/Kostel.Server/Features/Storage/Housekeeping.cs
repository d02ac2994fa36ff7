using Kostel.Data;
using Kostel.Data.Folder;
using Kostel.Server.Features.Record;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Storage;

/// <summary>What was cleared away.</summary>
/// <param name="Lectures">Binned lectures that went for good.</param>
/// <param name="Files">Files and folders that belonged to nothing, and uploads nobody went on with.</param>
/// <param name="Bytes">How much room that made.</param>
public sealed record Cleared(int Lectures, int Files, long Bytes)
{
    /// <summary>Two together.</summary>
    public static Cleared operator +(Cleared a, Cleared b) => new(a.Lectures + b.Lectures, a.Files + b.Files, a.Bytes + b.Bytes);
}

/// <summary>Clears away, at each start and once a day, what is in nobody's use: never what a row of the database still names.</summary>
internal sealed class Housekeeping(LibraryFolder library, EndedRecordings recordings, UploadFiles uploads, TimeProvider time, ILogger<Housekeeping> log) : BackgroundService
{
    /// <summary>So long what was thrown away can be brought back.</summary>
    public static readonly TimeSpan BinKeeps = TimeSpan.FromDays(30);

    private static readonly TimeSpan Everyday = TimeSpan.FromHours(24);

    /// <summary>A file that somebody is just writing is not named by any row yet.</summary>
    private static readonly TimeSpan StillNew = TimeSpan.FromHours(1);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var daily = new PeriodicTimer(Everyday, time);
        do
        {
            try
            {
                await recordings.FinishAll(stoppingToken);
                await uploads.FinishInterrupted(stoppingToken);
                await Clear(stoppingToken);
            }
            catch (Exception e) when (e is not OperationCanceledException)
            {
                log.LogWarning(e, "Clearing away was not finished; it is tried again in a day.");
            }
        }
        while (await daily.WaitForNextTickAsync(stoppingToken));
    }

    /// <summary>Clears away whatever has had its time.</summary>
    public async Task<Cleared> Clear(CancellationToken cancel)
    {
        using var held = await HoldFiles(cancel);
        var now = time.GetUtcNow().UtcDateTime;
        var cleared = await Empty(now - BinKeeps, cancel);
        await using var context = library.CreateDbContext();
        await context.Marks.Where(m => m.DeletedAt < now - BinKeeps).ExecuteDeleteAsync(cancel);
        foreach (var old in await context.Uploads.Where(u => u.TouchedAt < now - UploadFiles.KeptFor).Select(u => u.Id).ToListAsync(cancel))
        {
            var bytes = DiskUse.Of(library.Upload(old));
            try
            {
                await uploads.End(old, UploadTurns.Stalled, cancel);
                cleared += new Cleared(0, 1, bytes);
            }
            catch (PlainProblemException)
            {
                // Somebody goes on with it after all.
            }
        }

        return cleared + await RemoveUnnamed(context, now, cancel);
    }

    /// <summary>Empties the bin: what was thrown away goes for good.</summary>
    public async Task<Cleared> EmptyBin(CancellationToken cancel)
    {
        using var held = await HoldFiles(cancel);
        return await Empty(DateTime.MaxValue, cancel);
    }

    /// <summary>While a backup is being written, by this process or another, no file is removed: the copied database names them.</summary>
    private Task<IDisposable> HoldFiles(CancellationToken cancel) => LibraryFiles.Hold(library.Folder, isToRemove: true, cancel);

    /// <summary>The row first: a folder without a row is cleared at the next start, a row without its recording would be a loss.</summary>
    private async Task<Cleared> Empty(DateTime thrownBefore, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var gone = await context.Lectures.Where(l => l.DeletedAt < thrownBefore).Select(l => l.Id).ToListAsync(cancel);
        var cleared = new Cleared(0, 0, 0);
        foreach (var id in gone)
        {
            if (await context.Lectures.Where(l => l.Id == id && l.DeletedAt < thrownBefore).ExecuteDeleteAsync(cancel) > 0)
            {
                cleared += new Cleared(1, 0, Remove(library.LectureFolder(id)));
            }
        }

        return cleared;
    }

    private async Task<Cleared> RemoveUnnamed(KostelContext context, DateTime now, CancellationToken cancel)
    {
        // The files first, then the rows: what comes in meanwhile has a row that names it, or is new.
        var found = Directory.EnumerateFileSystemEntries(library.MediaFolder).Concat(Directory.EnumerateFileSystemEntries(library.UploadFolder))
            .Concat(Directory.EnumerateFileSystemEntries(library.PassingFolder))
            .Concat(Directory.EnumerateDirectories(library.MediaFolder).SelectMany(Inside)).ToList();
        var named = (await context.Lectures.Select(l => l.Id).Concat(context.Uploads.Select(u => u.Id)).Concat(context.Recordings.Select(r => r.Id)).ToListAsync(cancel)).ToHashSet();
        var pictures = (await context.Marks.Where(m => m.Picture != null).Select(m => m.Picture!).ToListAsync(cancel)).ToHashSet();
        pictures.UnionWith((await context.Cards.AsNoTracking().Select(c => c.Content).ToListAsync(cancel)).Select(c => c.PictureFile ?? ""));
        pictures.UnionWith((await context.Sheets.AsNoTracking().Select(s => s.Content).ToListAsync(cancel)).SelectMany(s => s.Pictures()));
        pictures.UnionWith((await context.EarlierSheets.AsNoTracking().Select(s => s.Content).ToListAsync(cancel)).SelectMany(s => s.Pictures()));
        pictures.UnionWith((await context.Recordings.AsNoTracking().ToListAsync(cancel)).SelectMany(r => r.Marks).Select(m => m.Picture ?? ""));
        var cleared = new Cleared(0, 0, 0);
        foreach (var path in found.Where(p => !IsNamed(p, named, pictures) && File.GetLastWriteTimeUtc(p) < now - StillNew && (File.Exists(p) || Directory.Exists(p))))
        {
            cleared += new Cleared(0, 1, Remove(path));
        }

        return cleared;
    }

    private static IEnumerable<string> Inside(string lectureFolder)
    {
        var pictures = Path.Combine(lectureFolder, "pictures");
        return Directory.EnumerateFiles(lectureFolder).Concat(Directory.Exists(pictures) ? Directory.EnumerateFiles(pictures) : []);
    }

    private bool IsNamed(string path, HashSet<string> lectures, HashSet<string> pictures)
    {
        var name = Path.GetFileName(path);
        var parent = Path.GetDirectoryName(path)!;
        return parent == library.MediaFolder || parent == library.UploadFolder ? lectures.Contains(name)
            : Path.GetFileName(parent) == "pictures" ? pictures.Contains(name)
            : name is "original" or "peaks" or "copy" || LibraryFolder.IsStill(name) || (name.StartsWith("original.", StringComparison.Ordinal) && !File.Exists(Path.Combine(parent, "original")));
    }

    private long Remove(string path)
    {
        var bytes = DiskUse.Of(path);
        try
        {
            if (Directory.Exists(path))
            {
                Directory.Delete(path, recursive: true);
            }
            else
            {
                File.Delete(path);
            }

            return bytes;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            log.LogWarning(e, "Could not be cleared away; it is tried again at the next start.");
            return 0;
        }
    }
}
