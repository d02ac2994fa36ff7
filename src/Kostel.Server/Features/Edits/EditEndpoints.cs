using Kostel.Core.Audio;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Core.Transcripts.Reading;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Edits;

/// <summary>Passages that stand at a place of the text from now on.</summary>
/// <param name="At">Index of the first of them.</param>
/// <param name="Removed">How many passages they stand in place of.</param>
public sealed record SpliceView(int At, int Removed, IReadOnlyList<PassageView> Passages);

/// <summary>What an edit changed. Splices are to be applied from the last to the first.</summary>
/// <param name="BaseVersion">The version that it applies to; a page that has another loads the text anew.</param>
/// <param name="Speakers">All speakers, if they changed.</param>
/// <param name="Chapters">All chapters, if they changed.</param>
public sealed record EditResult(
    int BaseVersion, TextState State, IReadOnlyList<SpliceView> Splices, IReadOnlyList<Speaker>? Speakers, IReadOnlyList<Chapter>? Chapters)
{
    /// <summary>The view of a patch.</summary>
    public static EditResult Of(TranscriptPatch patch, TextState state, int baseVersion) => new(
        baseVersion,
        state,
        patch.Passages.Select(s => new SpliceView(s.At, s.Before.Count, s.After.Select(PassageView.Of).ToList())).ToList(),
        patch.SpeakersAfter,
        patch.ChaptersAfter);
}

/// <summary>An edit of the text.</summary>
public sealed record NewEdit(TranscriptEdit Edit);

/// <summary>Edits of a lecture's transcript, and the way back from them.</summary>
internal static class EditEndpoints
{
    public static void MapEdits(this IEndpointRouteBuilder app)
    {
        var lecture = app.MapGroup("/api/lectures/{id}");
        lecture.MapPost("edits", Edit).WithName("editTranscript");
        lecture.MapPost("edits/undo", Undo).WithName("undoEdit");
        lecture.MapPost("edits/redo", Redo).WithName("redoEdit");
        lecture.MapGet("differences", Compare).WithName("compareWithOriginal");
        lecture.MapGet("silences", GetSilences).WithName("getSilences");
    }

    /// <summary>Applies an edit to a lecture's text inside a transaction. An edit of a passage that reads otherwise by now is refused; one of another passage is not.</summary>
    public static async Task<(TranscriptPatch Patch, LectureRow Lecture, int BaseVersion)> Apply(
        KostelContext context, string id, TranscriptEdit edit, DateTime now, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        await TranscriptEndpoints.RefuseWhileAtWork(context, id, cancel);
        var before = await context.Transcript(lecture, cancel);
        var version = lecture.TextVersion;
        try
        {
            var after = edit.Apply(before);
            var patch = await context.Commit(lecture, before, after, edit.What, now, cancel);
            await all.CommitAsync(cancel);
            context.Transcripts.Keep(id, lecture.TextVersion, after);
            return (patch, lecture, version);
        }
        catch (EditRefusedException e)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, e.Message);
        }
        catch (EditConflictException e)
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, e.Message);
        }
    }

    private static async Task<Ok<EditResult>> Edit(string id, NewEdit wanted, KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var (patch, lecture, version) = await Apply(context, id, wanted.Edit, time.GetUtcNow().UtcDateTime, cancel);
        return await Answer(context, board, lecture, patch, version, cancel);
    }

    private static Task<Ok<EditResult>> Undo(string id, KostelContext context, ProgressBoard board, CancellationToken cancel) => Step(id, undo: true, context, board, cancel);

    private static Task<Ok<EditResult>> Redo(string id, KostelContext context, ProgressBoard board, CancellationToken cancel) => Step(id, undo: false, context, board, cancel);

    private static async Task<Ok<EditResult>> Step(string id, bool undo, KostelContext context, ProgressBoard board, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        await TranscriptEndpoints.RefuseWhileAtWork(context, id, cancel);
        var version = lecture.TextVersion;
        var before = await context.Transcript(lecture, cancel);
        var patch = await context.Step(lecture, undo, cancel)
            ?? throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, undo ? "There is nothing left to take back." : "There is nothing to do again.");
        await all.CommitAsync(cancel);
        context.Transcripts.Keep(id, lecture.TextVersion, patch.Apply(before));
        return await Answer(context, board, lecture, patch, version, cancel);
    }

    private static async Task<Ok<EditResult>> Answer(
        KostelContext context, ProgressBoard board, LectureRow lecture, TranscriptPatch patch, int version, CancellationToken cancel)
    {
        if (lecture.TextVersion != version)
        {
            await board.TextChanged(lecture.Id, lecture.TextVersion);
        }

        return TypedResults.Ok(EditResult.Of(patch, await TextState.Of(context, lecture, cancel), version));
    }

    /// <summary>Where the text differs from what the recogniser wrote, or from what was brought in.</summary>
    private static async Task<Ok<IReadOnlyList<Difference>>> Compare(string id, KostelContext context, CancellationToken cancel)
    {
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        var original = await context.Originals.AsNoTracking().FirstOrDefaultAsync(o => o.LectureId == id, cancel);
        return TypedResults.Ok(original is null ? [] : TranscriptComparison.Between(original.Transcript, await context.Transcript(lecture, cancel)));
    }

    /// <summary>What can be skipped while listening.</summary>
    private static async Task<Ok<IReadOnlyList<Silence>>> GetSilences(string id, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var peaks = File.Exists(library.Peaks(id)) ? await File.ReadAllBytesAsync(library.Peaks(id), cancel) : [];
        return TypedResults.Ok(Silences.Find(transcript.Passages.SelectMany(p => p.Words), peaks, lecture.DurationMs));
    }
}
