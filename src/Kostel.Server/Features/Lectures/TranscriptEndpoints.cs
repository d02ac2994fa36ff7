using Kostel.Core.Speech;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Transcription;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Lectures;

/// <summary>How a lecture is to be transcribed once more.</summary>
/// <param name="KeepsChapters">Chapters that a person made or changed, or that came with it, stay.</param>
public sealed record TranscribeAgain(Accuracy Accuracy, string? Language = null, bool ByService = false, int? Voices = null, string? Model = null, bool KeepsChapters = true)
{
    internal TranscriptionChoice Choice => new(Accuracy, Language, ByService, Voices, Model);
}

/// <summary>A transcript that was replaced and is kept.</summary>
public sealed record EarlierTranscript(int Id, Accuracy Accuracy, string? MadeBy, DateTime MadeAt, int WordCount);

/// <summary>How a lecture's transcript was made, and the ones before it, the newest first.</summary>
/// <param name="MadeBy">The service that did it, if it was not this computer.</param>
/// <param name="TermCount">Terms of its course, which the next transcription listens for.</param>
/// <param name="HasOwnChapters">A person made or changed one of its chapters, or they came with it.</param>
public sealed record TranscriptHistory(Accuracy MadeWith, string? MadeBy, DateTime? MadeAt, int TermCount, bool HasOwnChapters, IReadOnlyList<EarlierTranscript> Earlier);

/// <summary>A lecture's transcripts: reading the present one, making another, stopping that, going back.</summary>
internal static class TranscriptEndpoints
{
    public static void MapTranscripts(this IEndpointRouteBuilder app)
    {
        var lecture = app.MapGroup("/api/lectures/{id}");
        lecture.MapGet("transcript", GetTranscript).WithName("getTranscript");
        app.MapPost("/api/jobs/cancel", CancelAll).WithName("cancelAllJobs");
        lecture.MapPost("cancel", Cancel).WithName("cancelTranscription");
        lecture.MapPost("retry", Retry).WithName("retryTranscription");
        lecture.MapPost("transcribe", Transcribe).WithName("transcribeAgain");
        lecture.MapGet("transcripts", Earlier).WithName("getEarlierTranscripts");
        lecture.MapPost("transcripts/{earlier:int}/use", UseEarlier).WithName("useEarlierTranscript");
    }

    private static async Task<NoContent> Cancel(string id, JobQueue queue, CancellationToken cancel)
    {
        await queue.Cancel(id, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<int>> CancelAll(JobQueue queue, CancellationToken cancel) => TypedResults.Ok(await queue.CancelAll(cancel));

    private static async Task<NoContent> Retry(string id, KostelContext context, JobQueue queue, ProgressBoard board, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        await context.FindLecture(id, cancel);
        if (await queue.Retry(context, id, cancel))
        {
            await all.CommitAsync(cancel);
            await board.Report(new Progress(id, JobStage.Checking, JobState.Waiting, 0, null, 0, null));
            queue.Wake();
        }

        return TypedResults.NoContent();
    }

    private static async Task<Ok<TranscriptView>> GetTranscript(string id, KostelContext context, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var t = await context.Transcript(lecture, cancel);
        var isWhole = !await context.IsAtWork(id, cancel);
        return TypedResults.Ok(new TranscriptView(
            t.Speakers, t.Passages.Select(PassageView.Of).ToList(), t.Chapters, WordConfidence.UnsureBelow, WordConfidence.GuessedBelow, isWhole,
            await TextState.Of(context, lecture, cancel)));
    }

    /// <summary>Puts the lecture in the queue once more. What it has stays until the new transcript is there, and is kept then.</summary>
    private static async Task<NoContent> Transcribe(
        string id, TranscribeAgain wanted, KostelContext context, JobQueue queue, ProgressBoard board, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        await context.FindLectureAtRest(id, cancel);
        // Utterances of an attempt that was given up were heard with another choice.
        await context.Utterances.Where(u => u.LectureId == id).ExecuteDeleteAsync(cancel);
        queue.Enqueue(context, TranscriptionWork.Transcription, id, new TranscriptionTask(wanted.Choice.Required(), FindsChaptersAnew: !wanted.KeepsChapters));
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        await board.Report(new Progress(id, JobStage.Checking, JobState.Waiting, 0, null, 0, null));
        queue.Wake();
        return TypedResults.NoContent();
    }

    private static async Task<Ok<TranscriptHistory>> Earlier(string id, KostelContext context, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var earlier = await context.EarlierTranscripts.AsNoTracking().Where(t => t.LectureId == id).OrderByDescending(t => t.Id)
            .Select(t => new EarlierTranscript(t.Id, t.Accuracy, t.MadeBy, t.MadeAt, t.WordCount)).ToListAsync(cancel);
        var terms = lecture.CourseId is { } course ? await context.Terms.CountAsync(t => t.CourseId == course, cancel) : 0;
        return TypedResults.Ok(new TranscriptHistory(lecture.MadeWith, lecture.MadeBy, lecture.MadeAt, terms, await context.OwnChapters(lecture, cancel) is not null, earlier));
    }

    /// <summary>Goes back to an earlier transcript; the present one is kept in its place.</summary>
    private static async Task<NoContent> UseEarlier(string id, int earlier, KostelContext context, ProgressBoard board, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLectureAtRest(id, cancel);
        var row = await context.EarlierTranscripts.FirstOrDefaultAsync(t => t.Id == earlier && t.LectureId == id, cancel)
            ?? throw PlainProblemException.NotThere("transcript");
        await context.InstallTranscript(lecture, new InstalledTranscript(row.Transcript, row.Notice, new Provenance(row.Accuracy, row.MadeBy, row.MadeAt)), cancel);
        context.EarlierTranscripts.Remove(row);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        await board.TextChanged(id, lecture.TextVersion);
        return TypedResults.NoContent();
    }
}
