using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Features.Library;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Lectures;

/// <summary>What is to be changed of a lecture. <paramref name="Version"/> is the one that the change was made on.</summary>
public sealed record LectureChange(string Title, DateOnly? HeldOn, string? Course, int Version);

/// <summary>A transcript for reading.</summary>
/// <param name="SentenceStartsMs">Where each sentence begins, in order.</param>
/// <param name="UnsureBelow">Words whose chance of being right is smaller are shown as doubtful.</param>
/// <param name="GuessedBelow">…and below this as guessed.</param>
/// <param name="IsWhole">False while words are still being recognised.</param>
public sealed record TranscriptView(
    IReadOnlyList<Speaker> Speakers,
    IReadOnlyList<Passage> Passages,
    IReadOnlyList<Chapter> Chapters,
    IReadOnlyList<int> SentenceStartsMs,
    double UnsureBelow,
    double GuessedBelow,
    bool IsWhole);

/// <summary>How a lecture is to be transcribed once more.</summary>
public sealed record TranscribeAgain(Accuracy Accuracy);

/// <summary>A transcript that was replaced and is kept.</summary>
public sealed record EarlierTranscript(int Id, Accuracy Accuracy, DateTime MadeAt, int WordCount);

/// <summary>How a lecture's transcript was made, and the ones before it, the newest first.</summary>
/// <param name="TermCount">Terms of its course, which the next transcription listens for.</param>
public sealed record MadeTranscripts(Accuracy MadeWith, DateTime? MadeAt, int TermCount, IReadOnlyList<EarlierTranscript> Earlier);

internal static class LectureEndpoints
{
    public static void MapLectures(this IEndpointRouteBuilder app)
    {
        var lectures = app.MapGroup("/api/lectures/{id}");
        lectures.MapGet("", Get).WithName("getLecture");
        lectures.MapPut("", Change).WithName("changeLecture");
        lectures.MapDelete("", Delete).WithName("deleteLecture");
        lectures.MapPost("restore", Restore).WithName("restoreLecture");
        lectures.MapPost("cancel", Cancel).WithName("cancelTranscription");
        lectures.MapPost("retry", Retry).WithName("retryTranscription");
        lectures.MapGet("transcript", GetTranscript).WithName("getTranscript");
        lectures.MapPost("transcribe", Transcribe).WithName("transcribeAgain");
        lectures.MapGet("transcripts", Earlier).WithName("getEarlierTranscripts");
        lectures.MapPost("transcripts/{earlier:int}/use", UseEarlier).WithName("useEarlierTranscript");
        lectures.MapGet("media", Media).WithName("getMedia");
        lectures.MapGet("peaks", GetPeaks).WithName("getPeaks");
    }

    /// <summary>A lecture that is there and not in the bin.</summary>
    public static async Task<LectureRow> Find(KostelContext context, string id, CancellationToken cancel) =>
        await context.Lectures.Include(l => l.Course).FirstOrDefaultAsync(l => l.Id == id && l.DeletedAt == null, cancel)
        ?? throw PlainProblemException.NotThere("lecture");

    private static async Task<Ok<LectureView>> Get(string id, KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow().UtcDateTime;
        await context.Lectures.Where(l => l.Id == id).ExecuteUpdateAsync(s => s.SetProperty(l => l.OpenedAt, now), cancel);
        return TypedResults.Ok(await View(id, context, board, now, cancel));
    }

    private static async Task<LectureView> View(string id, KostelContext context, ProgressBoard board, DateTime now, CancellationToken cancel) =>
        (await LectureViews.Load(context, board, now, l => l.Id == id && l.DeletedAt == null, cancel)).FirstOrDefault()
        ?? throw PlainProblemException.NotThere("lecture");

    private static async Task<Ok<LectureView>> Change(
        string id, LectureChange change, KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await Find(context, id, cancel);
        if (lecture.Version != change.Version)
        {
            throw PlainProblemException.ChangedElsewhere("lecture");
        }

        var title = change.Title.Trim();
        if (title.Length is 0 or > 200)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, "A title has 1 to 200 characters.");
        }

        (lecture.Title, lecture.HeldOn, lecture.Version) = (title, change.HeldOn, lecture.Version + 1);
        lecture.Course = await UploadFiles.Course(context, change.Course, cancel);
        lecture.CourseId = lecture.Course?.Id;
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(await View(id, context, board, time.GetUtcNow().UtcDateTime, cancel));
    }

    private static async Task<NoContent> Delete(string id, KostelContext context, JobQueue queue, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await Find(context, id, cancel);
        await queue.Cancel(id, cancel);
        lecture.DeletedAt = time.GetUtcNow().UtcDateTime;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(string id, KostelContext context, CancellationToken cancel)
    {
        await context.Lectures.Where(l => l.Id == id).ExecuteUpdateAsync(s => s.SetProperty(l => l.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Cancel(string id, JobQueue queue, CancellationToken cancel)
    {
        await queue.Cancel(id, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Retry(string id, KostelContext context, JobQueue queue, ProgressBoard board, CancellationToken cancel)
    {
        await Find(context, id, cancel);
        var last = await context.Jobs.Where(j => j.LectureId == id).OrderByDescending(j => j.Id).FirstOrDefaultAsync(cancel);
        if (last is { State: JobState.Failed or JobState.Cancelled })
        {
            queue.Enqueue(context, id, last.Accuracy);
            await context.SaveChangesAsync(cancel);
            await board.Report(new Progress(id, JobStage.Checking, JobState.Waiting, 0, null, 0, null));
            queue.Wake();
        }

        return TypedResults.NoContent();
    }

    private static async Task<Ok<TranscriptView>> GetTranscript(string id, KostelContext context, CancellationToken cancel)
    {
        var t = await context.Transcript(await Find(context, id, cancel), cancel);
        var isWhole = !await context.Jobs.AnyAsync(j => j.LectureId == id && (j.State == JobState.Waiting || j.State == JobState.Running), cancel);
        var starts = Sentences.Of(t.Passages).Select(s => s.StartMs).ToList();
        return TypedResults.Ok(new TranscriptView(
            t.Speakers, t.Passages, t.Chapters, starts, WordConfidence.UnsureBelow, WordConfidence.GuessedBelow, isWhole));
    }

    /// <summary>Puts the lecture in the queue once more. What it has stays until the new transcript is there, and is kept then.</summary>
    private static async Task<NoContent> Transcribe(
        string id, TranscribeAgain wanted, KostelContext context, JobQueue queue, ProgressBoard board, CancellationToken cancel)
    {
        await Find(context, id, cancel);
        await RefuseWhileAtWork(context, id, cancel);

        // Utterances of an attempt that was given up were heard with another choice.
        context.Utterances.RemoveRange(await context.Utterances.Where(u => u.LectureId == id).ToListAsync(cancel));
        queue.Enqueue(context, id, wanted.Accuracy);
        await context.SaveChangesAsync(cancel);
        await board.Report(new Progress(id, JobStage.Checking, JobState.Waiting, 0, null, 0, null));
        queue.Wake();
        return TypedResults.NoContent();
    }

    private static async Task<Ok<MadeTranscripts>> Earlier(string id, KostelContext context, CancellationToken cancel)
    {
        var lecture = await Find(context, id, cancel);
        var earlier = await context.EarlierTranscripts.AsNoTracking().Where(t => t.LectureId == id).OrderByDescending(t => t.Id)
            .Select(t => new EarlierTranscript(t.Id, t.Accuracy, t.MadeAt, t.WordCount)).ToListAsync(cancel);
        var terms = lecture.CourseId is { } course ? await context.Terms.CountAsync(t => t.CourseId == course, cancel) : 0;
        return TypedResults.Ok(new MadeTranscripts(lecture.MadeWith, lecture.MadeAt, terms, earlier));
    }

    /// <summary>Goes back to an earlier transcript; the present one is kept in its place.</summary>
    private static async Task<NoContent> UseEarlier(string id, int earlier, KostelContext context, CancellationToken cancel)
    {
        var lecture = await Find(context, id, cancel);
        await RefuseWhileAtWork(context, id, cancel);
        var row = await context.EarlierTranscripts.FirstOrDefaultAsync(t => t.Id == earlier && t.LectureId == id, cancel)
            ?? throw PlainProblemException.NotThere("transcript");
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        await context.KeepTranscript(lecture, cancel);
        await context.ReplaceTranscript(id, row.Transcript, cancel);
        (lecture.MadeWith, lecture.MadeAt, lecture.Version) = (row.Accuracy, row.MadeAt, lecture.Version + 1);
        context.EarlierTranscripts.Remove(row);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task RefuseWhileAtWork(KostelContext context, string id, CancellationToken cancel)
    {
        if (await context.Jobs.AnyAsync(j => j.LectureId == id && (j.State == JobState.Waiting || j.State == JobState.Running), cancel))
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "This lecture is being transcribed at the moment. Wait until that is done, or stop it.");
        }
    }

    private static async Task<PhysicalFileHttpResult> Media(string id, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        var lecture = await Find(context, id, cancel);
        var path = library.Original(id);
        return File.Exists(path)
            ? TypedResults.PhysicalFile(path, MediaTypes.Of(lecture.SourceName, lecture.HasPicture), enableRangeProcessing: true)
            : throw PlainProblemException.NotThere("recording");
    }

    /// <summary>20 bytes for each second: the loudness of 50 ms, 0 for silence.</summary>
    private static async Task<FileContentHttpResult> GetPeaks(string id, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        await Find(context, id, cancel);
        var path = library.Peaks(id);
        if (File.Exists(path))
        {
            return TypedResults.File(await File.ReadAllBytesAsync(path, cancel), "application/octet-stream");
        }

        var peaks = new WaveformPeaks();
        try
        {
            await foreach (var piece in Recording.Decode(library.Original(id), cancel))
            {
                peaks.Push(piece.Span);
            }
        }
        catch (MediaProblemException)
        {
            return TypedResults.File(Array.Empty<byte>(), "application/octet-stream");
        }

        var bytes = peaks.ToArray();
        var fresh = $"{path}.{Guid.NewGuid():N}";
        await File.WriteAllBytesAsync(fresh, bytes, cancel);
        File.Move(fresh, path, overwrite: true);
        return TypedResults.File(bytes, "application/octet-stream");
    }
}
