using System.Globalization;
using Kostel.Data;
using Kostel.Data.Folder;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Uploads;

/// <summary>A file that has not arrived whole.</summary>
/// <param name="Arrived">Bytes that are there.</param>
/// <param name="ClearedAt">When it is cleared away if nobody goes on with it.</param>
/// <param name="Same">The lecture that has the same recording already; null where it simply has not arrived whole.</param>
public sealed record UnfinishedUpload(string Id, string FileName, string Title, long Bytes, long Arrived, DateTime TouchedAt, DateTime ClearedAt, SameRecording? Same);

/// <summary>A lecture that has the same recording as a file that was brought in.</summary>
public sealed record SameRecording(string LectureId, string Title, bool IsBinned);

/// <summary>The open upload protocol tus 1.0, so that a broken upload goes on where it was.</summary>
internal static class UploadEndpoints
{
    public static void MapUploads(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/uploads", List).WithName("getUploads");
        app.MapDelete("/api/uploads/{id}/unfinished", Clear).WithName("clearUpload");
        app.MapPost("/api/uploads/{id}/once-more", TakeOnceMore).WithName("takeOnceMore");
        var uploads = app.MapGroup("/api/uploads").ExcludeFromDescription().AddEndpointFilter(Speak);
        uploads.MapMethods("", ["OPTIONS"], (HttpResponse response) =>
        {
            response.Headers["Tus-Version"] = TusProtocol.Version;
            response.Headers["Tus-Extension"] = TusProtocol.Extensions;
            response.Headers["Tus-Checksum-Algorithm"] = TusProtocol.AlgorithmNames;
            response.Headers["Tus-Max-Size"] = $"{TusProtocol.LargestBytes}";
            return TypedResults.NoContent();
        });
        uploads.MapPost("", Create);
        uploads.MapMethods("{id}", ["HEAD"], Look);
        uploads.MapMethods("{id}", ["PATCH"], Receive).TakesUpTo(null);
        uploads.MapDelete("{id}", Drop);
    }

    /// <summary>Every answer of the protocol says its version, also one that refuses.</summary>
    private static async ValueTask<object?> Speak(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var (request, response) = (context.HttpContext.Request, context.HttpContext.Response);
        response.OnStarting(() =>
        {
            response.Headers["Tus-Resumable"] = TusProtocol.Version;
            response.Headers.CacheControl = "no-store";
            return Task.CompletedTask;
        });
        if (!TusProtocol.IsSpoken(request))
        {
            response.Headers["Tus-Version"] = TusProtocol.Version;
            return TypedResults.StatusCode(StatusCodes.Status412PreconditionFailed);
        }

        return await next(context);
    }

    private static async Task<Ok<List<UnfinishedUpload>>> List(UploadFiles files, CancellationToken cancel) =>
        TypedResults.Ok(await files.Unfinished(cancel));

    private static async Task<NoContent> Clear(string id, UploadFiles files, CancellationToken cancel)
    {
        await files.End(id, TimeSpan.Zero, cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Makes a lecture of a recording that the library has already.</summary>
    private static async Task<NoContent> TakeOnceMore(string id, KostelContext context, UploadFiles files, UploadTurns turns, CancellationToken cancel)
    {
        using var turn = await turns.Take(id, UploadTurns.Stalled, cancel) ?? throw new PlainProblemException(StatusCodes.Status423Locked, "This file is just being taken in.");
        var upload = await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == id && u.SameAs != null, cancel) ?? throw PlainProblemException.NotThere("file");
        turn.IsFinishing = true;
        await files.Finish(upload, CancellationToken.None, evenIfSame: true);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Create(HttpRequest request, KostelContext context, UploadFiles files, LibraryFolder library, TimeProvider time, CancellationToken cancel)
    {
        var length = TusProtocol.Length(request);
        var told = TusProtocol.Told(request);
        if (length > FreeSpace.At(library.UploadFolder) - await files.Outstanding(cancel))
        {
            throw new PlainProblemException(
                StatusCodes.Status507InsufficientStorage, $"There is no room for this file: it has {Megabytes(length)} MB, and the disk has {Megabytes(FreeSpace.At(library.UploadFolder))} MB left. Free some space, then try again.");
        }

        var now = time.GetUtcNow().UtcDateTime;
        var upload = new UploadRow
        {
            Id = LibraryFolder.NewId(),
            FileName = told.FileName,
            Length = length,
            Title = told.Title,
            HeldOn = told.HeldOn,
            HeldOnIsGuessed = told.HeldOnIsGuessed,
            Course = told.Course,
            Choice = told.Choice,
            CreatedAt = now,
            TouchedAt = now,
        };
        context.Uploads.Add(upload);
        await context.SaveChangesAsync(cancel);
        files.Open(upload.Id);
        Expires(request.HttpContext.Response, now);
        if (length == 0)
        {
            await files.Finish(upload, cancel);
        }

        return TypedResults.Created($"/api/uploads/{upload.Id}");
    }

    /// <summary>How far an upload came. One whose bytes are all there but that could not be made a lecture is tried once more: a client that hears of all its bytes sends nothing any more.</summary>
    private static async Task<IResult> Look(string id, HttpResponse response, KostelContext context, UploadFiles files, UploadTurns turns, CancellationToken cancel)
    {
        if (await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == id, cancel) is { } upload)
        {
            if (upload.SameAs is null && files.Arrived(upload) == upload.Length && await turns.Take(id, UploadTurns.Stalled, cancel) is { } turn)
            {
                using (turn)
                {
                    turn.IsFinishing = true;
                    await files.Finish(upload, CancellationToken.None);
                }
            }

            Expires(response, upload.TouchedAt);
            return At(response, upload.Length, files.Arrived(upload));
        }

        return (await context.Lectures.AsNoTracking().FirstOrDefaultAsync(l => l.Id == id, cancel))?.SourceBytes is { } bytes
            ? At(response, bytes, bytes)
            : TypedResults.NotFound();
    }

    private static NoContent At(HttpResponse response, long length, long offset)
    {
        response.Headers["Upload-Length"] = $"{length}";
        response.Headers["Upload-Offset"] = $"{offset}";
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Receive(
        string id, HttpRequest request, KostelContext context, UploadFiles files, UploadTurns turns, TimeProvider time, CancellationToken cancel)
    {
        if (request.ContentType?.Split(';')[0].Trim() != TusProtocol.BodyType)
        {
            throw new PlainProblemException(StatusCodes.Status415UnsupportedMediaType, $"A piece of an upload is sent as {TusProtocol.BodyType}.");
        }

        var checksum = TusProtocol.Checksum(request);
        using var turn = await turns.Take(id, UploadTurns.Stalled, cancel)
            ?? throw new PlainProblemException(StatusCodes.Status423Locked, "Another window is sending this file at the moment.");
        var upload = await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == id, turn.Cancel) ?? throw PlainProblemException.NotThere("upload");
        var offset = files.Arrived(upload);
        if (request.Headers["Upload-Offset"] != offset.ToString(CultureInfo.InvariantCulture))
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "The upload stands elsewhere.");
        }

        if (request.ContentLength > upload.Length - offset)
        {
            throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, "This piece is longer than what is left of the file.");
        }

        if (!await files.Append(upload, offset, request.Body, checksum, turn))
        {
            throw new PlainProblemException(TusProtocol.ChecksumMismatch, "The piece arrived damaged. It was dropped.");
        }

        var now = files.Arrived(upload);
        Expires(request.HttpContext.Response, time.GetUtcNow().UtcDateTime);
        if (now == upload.Length)
        {
            turn.IsFinishing = true;
            await files.Finish(upload, CancellationToken.None);
        }

        request.HttpContext.Response.Headers["Upload-Offset"] = $"{now}";
        return TypedResults.NoContent();
    }

    private static async Task<IResult> Drop(string id, UploadFiles files, CancellationToken cancel) =>
        await files.End(id, TimeSpan.Zero, cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static void Expires(HttpResponse response, DateTime touchedAt) =>
        response.Headers["Upload-Expires"] = (touchedAt + UploadFiles.KeptFor).ToString("R", CultureInfo.InvariantCulture);

    private static long Megabytes(long bytes) => Math.Max(1, bytes >> 20);
}
