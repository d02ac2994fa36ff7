using Kostel.Core.Audio;
using Kostel.Core.Study.Made;
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
/// <param name="LeftAlone">How many things made from the lecture stay as they are when an edit is taken back, because they were changed since.</param>
public sealed record EditResult(
    int BaseVersion, TextState State, IReadOnlyList<SpliceView> Splices, IReadOnlyList<Speaker>? Speakers, IReadOnlyList<Chapter>? Chapters, int LeftAlone)
{
    /// <summary>The view of a patch.</summary>
    public static EditResult Of(TranscriptPatch patch, TextState state, int baseVersion, int leftAlone) => new(
        baseVersion,
        state,
        patch.Passages.Select(s => new SpliceView(s.At, s.Before.Count, s.After.Select(PassageView.Of).ToList())).ToList(),
        patch.SpeakersAfter,
        patch.ChaptersAfter,
        leftAlone);
}

/// <summary>An edit that went into a lecture.</summary>
/// <param name="Stored">Null if nothing changed.</param>
/// <param name="BaseVersion">The version of the text before it.</param>
internal sealed record Applied(LectureRow Lecture, StoredEdit? Stored, int BaseVersion);

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
    /// <param name="edit">Null if only what was made from the text changes.</param>
    /// <param name="made">Changes of what was made from the text.</param>
    /// <param name="what">What it does, in plain words.</param>
    public static async Task<Applied> Apply(
        KostelContext context, string id, TranscriptEdit? edit, IReadOnlyList<MadeChange> made, string what, DateTime now, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        await TranscriptEndpoints.RefuseWhileAtWork(context, id, cancel);
        var before = await context.Transcript(lecture, cancel);
        var version = lecture.TextVersion;
        try
        {
            var after = edit?.Apply(before) ?? before;
            var stored = await context.Commit(lecture, before, after, made, what, now, cancel);
            await all.CommitAsync(cancel);
            context.Transcripts.Keep(id, lecture.TextVersion, after);
            return new Applied(lecture, stored, version);
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

    /// <summary>Changes what was made from a lecture's text and tells the pages that show it.</summary>
    public static async Task ApplyMade(
        KostelContext context, ProgressBoard board, string id, MadeChange change, string what, DateTime now, CancellationToken cancel)
    {
        var applied = await Apply(context, id, null, [change], what, now, cancel);
        await board.TextChanged(id, applied.Lecture.TextVersion);
    }

    private static async Task<Ok<EditResult>> Edit(string id, NewEdit wanted, KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var (lecture, stored, version) = await Apply(context, id, wanted.Edit, [], wanted.Edit.What, time.GetUtcNow().UtcDateTime, cancel);
        return await Answer(context, board, lecture, new EditStep(stored?.Patch ?? TranscriptPatch.None, 0), version, cancel);
    }

    /// <param name="only">The edit that it must be: it is refused if there was another one since.</param>
    private static Task<Ok<EditResult>> Undo(string id, int? only, KostelContext context, ProgressBoard board, CancellationToken cancel) =>
        Step(id, undo: true, only, context, board, cancel);

    private static Task<Ok<EditResult>> Redo(string id, KostelContext context, ProgressBoard board, CancellationToken cancel) =>
        Step(id, undo: false, null, context, board, cancel);

    private static async Task<Ok<EditResult>> Step(string id, bool undo, int? only, KostelContext context, ProgressBoard board, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        await TranscriptEndpoints.RefuseWhileAtWork(context, id, cancel);
        var version = lecture.TextVersion;
        var before = await context.Transcript(lecture, cancel);
        var step = await context.Step(lecture, undo, only, cancel)
            ?? throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, Nothing(undo, only));
        await all.CommitAsync(cancel);
        context.Transcripts.Keep(id, lecture.TextVersion, step.Patch.Apply(before));
        return await Answer(context, board, lecture, step, version, cancel);
    }

    private static string Nothing(bool undo, int? only) => (undo, only) switch
    {
        (true, null) => "There is nothing left to take back.",
        (true, _) => "The text was changed again since. Open the lecture to take it back step by step.",
        _ => "There is nothing to do again.",
    };

    private static async Task<Ok<EditResult>> Answer(
        KostelContext context, ProgressBoard board, LectureRow lecture, EditStep step, int version, CancellationToken cancel)
    {
        if (lecture.TextVersion != version)
        {
            await board.TextChanged(lecture.Id, lecture.TextVersion);
        }

        return TypedResults.Ok(EditResult.Of(step.Patch, await TextState.Of(context, lecture, cancel), version, step.LeftAlone));
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
