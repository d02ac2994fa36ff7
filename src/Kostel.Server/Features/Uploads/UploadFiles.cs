using System.Security.Cryptography;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Uploads;

/// <summary>Takes files in piece by piece and makes each a lecture when its last byte is there.</summary>
internal sealed class UploadFiles(LibraryFolder library, UploadTurns turns, LectureIntake intake, TimeProvider time, ILogger<UploadFiles> log)
{
    /// <summary>So long an upload is kept that nobody goes on with.</summary>
    public static readonly TimeSpan KeptFor = TimeSpan.FromDays(7);

    /// <summary>How many bytes of an upload have arrived; all, if its file was already moved to where a lecture has it.</summary>
    public long Arrived(UploadRow upload) =>
        new FileInfo(library.Upload(upload.Id)) is { Exists: true } file ? file.Length
        : new FileInfo(library.Original(upload.Id)) is { Exists: true } moved && moved.Length == upload.Length ? moved.Length
        : 0;

    /// <summary>Bytes that uploads at work have announced and not sent yet: room that is promised.</summary>
    public async Task<long> Outstanding(CancellationToken cancel)
    {
        var lately = time.GetUtcNow().UtcDateTime.AddHours(-1);
        await using var context = library.CreateDbContext();
        var uploads = await context.Uploads.AsNoTracking().Where(u => u.TouchedAt > lately).ToListAsync(cancel);
        return uploads.Sum(u => u.Length - Arrived(u));
    }

    /// <summary>Files that have not arrived whole, the newest first.</summary>
    public async Task<List<UnfinishedUpload>> Unfinished(CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var same = await context.Lectures.AsNoTracking().Where(l => context.Uploads.Any(u => u.SameAs == l.Id))
            .ToDictionaryAsync(l => l.Id, l => new SameRecording(l.Id, l.Title, l.DeletedAt != null), cancel);
        return (await context.Uploads.AsNoTracking().OrderByDescending(u => u.TouchedAt).ToListAsync(cancel))
            .ConvertAll(u => new UnfinishedUpload(u.Id, u.FileName, u.Title, u.Length, Arrived(u), u.TouchedAt, u.TouchedAt + KeptFor, same.GetValueOrDefault(u.SameAs ?? "")));
    }

    /// <summary>Appends a request's body as it comes; what arrived before a connection broke stays.</summary>
    /// <returns>False if the piece has another checksum than it was sent with; then nothing of it stays.</returns>
    public async Task<bool> Append(UploadRow upload, long offset, Stream body, (HashAlgorithmName Algorithm, byte[] Value)? checksum, UploadTurn turn)
    {
        await using var file = new FileStream(library.Upload(upload.Id), FileMode.Append, FileAccess.Write, FileShare.Read, 1, FileOptions.Asynchronous);
        using var hash = checksum is { } wanted ? IncrementalHash.CreateHash(wanted.Algorithm) : null;
        var left = upload.Length - offset;
        var buffer = new byte[1 << 17];
        try
        {
            int read;
            while (left > 0 && (read = await body.ReadAsync(buffer.AsMemory(0, (int)Math.Min(buffer.Length, left)), turn.Cancel)) > 0)
            {
                turn.Moves();
                await file.WriteAsync(buffer.AsMemory(0, read), CancellationToken.None);
                hash?.AppendData(buffer, 0, read);
                left -= read;
            }
        }
        catch (Exception e) when (e is OperationCanceledException or Microsoft.AspNetCore.Connections.ConnectionResetException or BadHttpRequestException)
        {
            // The other side went away; it will ask how far it came and go on from there.
        }

        var isWhole = hash is null || hash.GetHashAndReset().AsSpan().SequenceEqual(checksum!.Value.Value);
        if (!isWhole)
        {
            file.SetLength(offset);
        }

        await using var context = library.CreateDbContext();
        var now = time.GetUtcNow().UtcDateTime;
        await context.Uploads.Where(u => u.Id == upload.Id).ExecuteUpdateAsync(s => s.SetProperty(u => u.TouchedAt, now), CancellationToken.None);
        return isWhole;
    }

    /// <summary>Makes a lecture of an upload whose bytes are all there. Doing it again does no harm.</summary>
    /// <param name="evenIfSame">Also where the library has the same recording already.</param>
    public async Task Finish(UploadRow upload, CancellationToken cancel, bool evenIfSame = false)
    {
        library.MakeLectureFolder(upload.Id);
        if (File.Exists(library.Upload(upload.Id)))
        {
            File.Move(library.Upload(upload.Id), library.Original(upload.Id), overwrite: true);
        }

        try
        {
            await intake.Take(upload, evenIfSame, cancel);
        }
        catch (PlainProblemException)
        {
            // A text that cannot be read is dropped and said.
            await Drop(upload.Id, cancel);
            throw;
        }
    }

    /// <summary>Finishes uploads whose bytes are all there and that are no lecture yet, because the program stopped or something failed.</summary>
    public async Task FinishInterrupted(CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        foreach (var upload in (await context.Uploads.AsNoTracking().ToListAsync(cancel)).Where(u => u.SameAs is null && Arrived(u) == u.Length))
        {
            // Whoever is sending it finishes it.
            using var turn = await turns.Take(upload.Id, UploadTurns.Stalled, cancel);
            if (turn is null)
            {
                continue;
            }

            try
            {
                turn.IsFinishing = true;
                await Finish(upload, cancel);
            }
            catch (PlainProblemException)
            {
                // A text that cannot be read was dropped; who sent it is told when it is sent again.
            }
            catch (Exception e) when (e is IOException or DbUpdateException)
            {
                log.LogWarning(e, "An upload that arrived whole could not be made a lecture; it is kept and tried again.");
            }
        }
    }

    /// <summary>Forgets an upload and what arrived of it. A request that is sending it is let go.</summary>
    /// <param name="id">The upload.</param>
    /// <param name="stalledFor">Only if nothing came for so long.</param>
    /// <param name="cancel">Ends the wait.</param>
    /// <returns>False if there is none.</returns>
    /// <exception cref="PlainProblemException">It is just being made a lecture.</exception>
    public async Task<bool> End(string id, TimeSpan stalledFor, CancellationToken cancel)
    {
        using var turn = await turns.Take(id, stalledFor, cancel)
            ?? throw new PlainProblemException(StatusCodes.Status423Locked, "All of this file has arrived, and it is just becoming a lecture. It can be put in the bin in a moment.");
        return await Drop(id, cancel);
    }

    /// <summary>Forgets an upload whose turn it is.</summary>
    private async Task<bool> Drop(string id, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        if (!await context.Uploads.AnyAsync(u => u.Id == id, cancel))
        {
            return false;
        }

        // The file first: on a full disk this makes the room that forgetting the row needs.
        File.Delete(library.Upload(id));
        if (!await context.Lectures.AnyAsync(l => l.Id == id, cancel) && Directory.Exists(library.LectureFolder(id)))
        {
            Directory.Delete(library.LectureFolder(id), recursive: true);
        }

        await context.Uploads.Where(u => u.Id == id).ExecuteDeleteAsync(cancel);
        return true;
    }

    /// <summary>Makes the empty file, so that an upload of no bytes is complete at once.</summary>
    public void Open(string id) => File.Create(library.Upload(id)).Dispose();
}
