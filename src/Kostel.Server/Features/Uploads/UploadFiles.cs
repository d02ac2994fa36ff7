using Kostel.Core.Captions;
using Kostel.Core.Speech.Languages;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.BringText;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Uploads;

/// <summary>Takes files in piece by piece and makes each a lecture when its last byte is there.</summary>
public sealed class UploadFiles(LibraryFolder library, JobQueue queue, TimeProvider time)
{
    /// <summary>How many bytes of an upload have arrived.</summary>
    public long Offset(string id) => new FileInfo(PathOf(id)) is { Exists: true } file ? file.Length : 0;

    /// <summary>Appends a request's body as it comes; what arrived before a connection broke stays.</summary>
    public async Task Append(string id, long atMost, Stream body, CancellationToken cancel)
    {
        await using var file = new FileStream(PathOf(id), FileMode.Append, FileAccess.Write, FileShare.None, 1, FileOptions.Asynchronous);
        var buffer = new byte[1 << 17];
        try
        {
            int read;
            while (atMost > 0 && (read = await body.ReadAsync(buffer.AsMemory(0, (int)Math.Min(buffer.Length, atMost)), cancel)) > 0)
            {
                await file.WriteAsync(buffer.AsMemory(0, read), CancellationToken.None);
                atMost -= read;
            }
        }
        catch (Exception e) when (e is OperationCanceledException or Microsoft.AspNetCore.Connections.ConnectionResetException or BadHttpRequestException)
        {
            // The other side went away; it will ask how far it came and go on from there.
        }
    }

    /// <summary>Makes a lecture of an upload whose bytes are all there. Doing it again does no harm.</summary>
    public async Task Finish(UploadRow upload, CancellationToken cancel)
    {
        var original = library.Original(upload.Id);
        if (File.Exists(PathOf(upload.Id)))
        {
            File.Move(PathOf(upload.Id), original, overwrite: true);
        }

        var text = TextFiles.IsText(upload.FileName) ? await ReadText(upload, original, cancel) : null;
        await using var context = library.CreateDbContext();
        var lecture = new LectureRow
        {
            Id = upload.Id,
            Title = upload.Title,
            HeldOn = upload.HeldOn,
            Course = await Course(context, upload.Course, cancel),
            SourceName = upload.FileName,
            SourceBytes = upload.Length,
            Language = upload.Language ?? SpokenLanguages.English,
            AddedAt = time.GetUtcNow().UtcDateTime,
        };
        context.Lectures.Add(lecture);
        context.Uploads.Remove(upload);
        if (text is null)
        {
            queue.Enqueue(context, upload.Id, upload.Choice);
            await context.SaveChangesAsync(cancel);
            queue.Wake();
            return;
        }

        (lecture.HasSound, lecture.DurationMs, lecture.MadeAt, lecture.MadeBy) = (false, text.Transcript.DurationMs, lecture.AddedAt, upload.FileName);
        (lecture.Language, lecture.Notice) = (upload.Language ?? text.Transcript.Language, TextFiles.Notice(text, isAligned: false));
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        await context.SaveChangesAsync(cancel);
        await context.ReplaceTranscript(lecture.Id, text.Transcript with { Language = lecture.Language }, cancel);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
    }

    /// <summary>A text is read before it becomes a lecture; one that cannot be read is dropped and said.</summary>
    private async Task<BroughtText> ReadText(UploadRow upload, string path, CancellationToken cancel)
    {
        try
        {
            await using var file = File.OpenRead(path);
            return TextFiles.Read(upload.FileName, await TextFiles.ReadAll(file, cancel));
        }
        catch (PlainProblemException)
        {
            await Drop(upload, cancel);
            Directory.Delete(library.LectureFolder(upload.Id), recursive: true);
            throw;
        }
    }

    /// <summary>Finishes uploads whose last byte arrived just before the program stopped.</summary>
    public async Task FinishInterrupted(CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        foreach (var upload in await context.Uploads.AsNoTracking().ToListAsync(cancel))
        {
            var moved = new FileInfo(library.Original(upload.Id));
            if (Offset(upload.Id) == upload.Length || (moved.Exists && moved.Length == upload.Length))
            {
                try
                {
                    await Finish(upload, cancel);
                }
                catch (PlainProblemException)
                {
                    // A text that cannot be read was dropped; who sent it is told when it is sent again.
                }
            }
        }
    }

    /// <summary>Forgets an upload and what arrived of it.</summary>
    public async Task Drop(UploadRow upload, CancellationToken cancel)
    {
        // The file first: on a full disk this makes the room that forgetting the row needs.
        File.Delete(PathOf(upload.Id));
        await using var context = library.CreateDbContext();
        context.Uploads.Remove(upload);
        await context.SaveChangesAsync(cancel);
    }

    /// <summary>Makes the empty file, so that an upload of no bytes is complete at once.</summary>
    public void Open(string id) => File.Create(PathOf(id)).Dispose();

    /// <summary>The course of a title, made when there is none yet.</summary>
    public static async Task<CourseRow?> Course(KostelContext context, string? title, CancellationToken cancel)
    {
        var wanted = title?.Trim();
        return string.IsNullOrEmpty(wanted)
            ? null
            : await context.Courses.FirstOrDefaultAsync(c => c.Title == wanted, cancel) ?? new CourseRow { Title = wanted };
    }

    private string PathOf(string id) => Path.Combine(library.UploadFolder, Path.GetFileName(library.LectureFolder(id)));
}
