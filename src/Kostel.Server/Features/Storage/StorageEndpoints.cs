using System.Globalization;
using Kostel.Data;
using Kostel.Data.Backup;
using Kostel.Data.Folder;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Storage;

/// <summary>How much room a lecture takes.</summary>
/// <param name="IsBinned">Whether it lies in the bin.</param>
public sealed record LectureSize(string Id, string Title, long Bytes, bool IsBinned, DateTime? GoesAt);

/// <summary>What takes how much room.</summary>
/// <param name="Folder">Where the library lies.</param>
/// <param name="FreeBytes">Left on its disk.</param>
/// <param name="DatabaseBytes">Texts, cards, answers and all else that is not a file.</param>
/// <param name="UploadBytes">What arrived of files that are not whole.</param>
/// <param name="OtherBytes">What belongs to nothing and is cleared away.</param>
/// <param name="Lectures">The largest first.</param>
public sealed record StorageView(
    string Folder, long FreeBytes, long DatabaseBytes, long RecordingBytes, long BinBytes, long UploadBytes, long OtherBytes, IReadOnlyList<LectureSize> Lectures);

/// <summary>What takes room, and how to make some; backups.</summary>
internal static class StorageEndpoints
{
    private static readonly string[] DatabaseFiles = ["", "-wal", "-shm"];

    public static void MapStorage(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/storage", Get).WithName("getStorage");
        app.MapPost("/api/storage/clear", Clear).WithName("clearStorage");
        app.MapPost("/api/bin/empty", EmptyBin).WithName("emptyBin");
        app.MapGet("/api/backup", Backup).ExcludeFromDescription();
    }

    private static async Task<Ok<StorageView>> Get(KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        var rows = await context.Lectures.AsNoTracking().Select(l => new { l.Id, l.Title, l.DeletedAt }).ToListAsync(cancel);
        var lectures = rows
            .Select(l => new LectureSize(l.Id, l.Title, DiskUse.Of(library.LectureFolder(l.Id)), l.DeletedAt is not null, l.DeletedAt + Housekeeping.BinKeeps))
            .OrderByDescending(l => l.Bytes).ToList();
        var (all, uploads) = (DiskUse.Of(library.MediaFolder), DiskUse.Of(library.UploadFolder));
        return TypedResults.Ok(new StorageView(
            library.Folder,
            FreeSpace.At(library.Folder),
            DatabaseFiles.Sum(ending => DiskUse.Of(library.Database + ending)),
            lectures.Where(l => !l.IsBinned).Sum(l => l.Bytes),
            lectures.Where(l => l.IsBinned).Sum(l => l.Bytes),
            uploads,
            Math.Max(0, all - lectures.Sum(l => l.Bytes)),
            lectures));
    }

    private static async Task<Ok<Cleared>> Clear(Housekeeping house, CancellationToken cancel) => TypedResults.Ok(await house.Clear(cancel));

    private static async Task<Ok<Cleared>> EmptyBin(Housekeeping house, CancellationToken cancel) => TypedResults.Ok(await house.EmptyBin(cancel));

    /// <summary>The whole library as one archive, written while it is sent. An archive that breaks off has no list at its end, and is refused when it is to be restored.</summary>
    private static async Task Backup(HttpContext http, bool? recordings, LibraryFolder library, TimeProvider time)
    {
        var name = $"kostel-{time.GetLocalNow().ToString("yyyy-MM-dd-HHmm", CultureInfo.InvariantCulture)}.zip";
        http.Response.ContentType = "application/zip";
        http.Response.Headers.ContentDisposition = $"attachment; filename=\"{name}\"";
        http.Response.Headers.CacheControl = "no-store";
        http.Features.Get<IHttpResponseBodyFeature>()?.DisableBuffering();

        // The archive's writer writes some of its headers so.
        http.Features.Get<IHttpBodyControlFeature>()!.AllowSynchronousIO = true;
        await LibraryBackup.Write(library.Folder, library.OpenDatabase, http.Response.Body, recordings ?? true, time.GetUtcNow().UtcDateTime, null, http.RequestAborted);
    }
}
