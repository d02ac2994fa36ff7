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
using Kostel.Server.Shared;
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

    private static async Task<Ok<EditResult>> Edit(string id, NewEdit wanted, LectureEditing editing, KostelContext context, CancellationToken cancel)
    {
        var (lecture, stored, version) = await editing.Apply(id, wanted.Edit, [], wanted.Edit.What, cancel);
        return TypedResults.Ok(EditResult.Of(stored?.Patch ?? TranscriptPatch.None, await TextState.Of(context, lecture, cancel), version, leftAlone: 0));
    }

    /// <param name="only">The edit that it must be: it is refused if there was another one since.</param>
    private static Task<Ok<EditResult>> Undo(string id, int? only, LectureEditing editing, KostelContext context, CancellationToken cancel) =>
        Replay(id, undo: true, only, editing, context, cancel);

    private static Task<Ok<EditResult>> Redo(string id, LectureEditing editing, KostelContext context, CancellationToken cancel) =>
        Replay(id, undo: false, null, editing, context, cancel);

    private static async Task<Ok<EditResult>> Replay(string id, bool undo, int? only, LectureEditing editing, KostelContext context, CancellationToken cancel)
    {
        var (lecture, replay, version) = await editing.Replay(id, undo, only, cancel);
        return TypedResults.Ok(EditResult.Of(replay.Patch, await TextState.Of(context, lecture, cancel), version, replay.LeftAlone));
    }

    /// <summary>Where the text differs from what the recogniser wrote, or from what was brought in.</summary>
    private static async Task<Ok<IReadOnlyList<Difference>>> Compare(string id, KostelContext context, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var original = await context.Originals.AsNoTracking().FirstOrDefaultAsync(o => o.LectureId == id, cancel);
        return TypedResults.Ok(original is null ? [] : TranscriptComparison.Between(original.Transcript, await context.Transcript(lecture, cancel)));
    }

    /// <summary>What can be skipped while listening.</summary>
    private static async Task<Ok<IReadOnlyList<Silence>>> GetSilences(string id, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        return TypedResults.Ok(await LectureSilences.Of(library, id, transcript, cancel));
    }
}
