using Kostel.Core.Problems;
using Kostel.Core.Study.Made;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>An edit that went into a lecture.</summary>
/// <param name="Stored">Null if nothing changed.</param>
/// <param name="BaseVersion">The version of the text before it.</param>
internal sealed record AppliedEdit(LectureRow Lecture, StoredEdit? Stored, int BaseVersion);

/// <summary>An edit that was taken back or done again.</summary>
/// <param name="BaseVersion">The version of the text before that.</param>
internal sealed record AppliedReplay(LectureRow Lecture, ReplayedEdit Replay, int BaseVersion);

/// <summary>A replacement that went into several lectures.</summary>
/// <param name="Applied">Where it went in, with the number of the edit that it is there.</param>
/// <param name="LeftOut">Titles of those whose text changed meanwhile, or that are gone.</param>
internal sealed record AppliedReplacement(IReadOnlyList<(LectureReplacement Planned, int EditId)> Applied, IReadOnlyList<string> LeftOut);

/// <summary>Changes lectures' texts and what was made from them, each in one transaction, and tells the pages that show them.</summary>
internal sealed class LectureEditing(KostelContext context, ProgressBoard board, TimeProvider time)
{
    /// <summary>Applies an edit. One of a passage that reads otherwise by now is refused; one of another passage is not.</summary>
    /// <param name="edit">Null if only what was made from the text changes.</param>
    /// <param name="made">Changes of what was made from the text.</param>
    /// <param name="what">What it does, in plain words.</param>
    /// <exception cref="PlainProblemException">The edit cannot be made.</exception>
    public async Task<AppliedEdit> Apply(string lectureId, TranscriptEdit? edit, IReadOnlyList<MadeChange> made, string what, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLectureAtRest(lectureId, cancel);
        var before = await context.Transcript(lecture, cancel);
        var version = lecture.TextVersion;
        try
        {
            var after = edit?.Apply(before) ?? before;
            var stored = await context.Commit(lecture, before, after, made, what, time.GetUtcNow().UtcDateTime, cancel);
            await all.CommitAsync(cancel);
            context.Transcripts.Keep(lectureId, lecture.TextVersion, after);
            await Tell(lecture, version);
            return new AppliedEdit(lecture, stored, version);
        }
        catch (KnownProblemException e) when (e is EditRefusedException or EditConflictException)
        {
            throw new PlainProblemException(e is EditConflictException ? StatusCodes.Status409Conflict : StatusCodes.Status422UnprocessableEntity, e.Message, e.Code);
        }
    }

    /// <summary>Changes only what was made from a lecture's text.</summary>
    public Task<AppliedEdit> Apply(string lectureId, MadeChange change, string what, CancellationToken cancel) => Apply(lectureId, null, [change], what, cancel);

    /// <summary>Makes a replacement in each of its lectures, an edit of its own in each. One that changed meanwhile does not hold up the others.</summary>
    public async Task<AppliedReplacement> Apply(IReadOnlyList<LectureReplacement> planned, CancellationToken cancel)
    {
        var (applied, leftOut) = (new List<(LectureReplacement, int)>(), new List<string>());
        foreach (var one in planned)
        {
            try
            {
                if ((await Apply(one.LectureId, one.Edit, one.Made, one.What, cancel)).Stored is { } stored)
                {
                    applied.Add((one, stored.Id));
                }
            }
            catch (PlainProblemException e) when (e.Status is StatusCodes.Status409Conflict or StatusCodes.Status404NotFound)
            {
                leftOut.Add(await context.Lectures.Where(l => l.Id == one.LectureId).Select(l => l.Title).FirstOrDefaultAsync(cancel) ?? "a lecture that is gone");
            }
        }

        return new AppliedReplacement(applied, leftOut);
    }

    /// <summary>Takes the last edit back, or does the last one that was taken back again.</summary>
    /// <param name="only">The edit that it must be: it is refused if there was another one since.</param>
    /// <exception cref="PlainProblemException">There is nothing to take back or to do again.</exception>
    public async Task<AppliedReplay> Replay(string lectureId, bool undo, int? only, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLectureAtRest(lectureId, cancel);
        var version = lecture.TextVersion;
        var before = await context.Transcript(lecture, cancel);
        var replay = await context.Replay(lecture, undo, only, cancel)
            ?? throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, Nothing(undo, only), ProblemCodes.NothingToDo);
        await all.CommitAsync(cancel);
        context.Transcripts.Keep(lectureId, lecture.TextVersion, replay.Patch.Apply(before));
        await Tell(lecture, version);
        return new AppliedReplay(lecture, replay, version);
    }

    private Task Tell(LectureRow lecture, int version) => lecture.TextVersion == version ? Task.CompletedTask : board.TextChanged(lecture.Id, lecture.TextVersion);

    private static string Nothing(bool undo, int? only) => (undo, only) switch
    {
        (true, null) => "There is nothing left to take back.",
        (true, _) => "The text was changed again since. Open the lecture to take it back step by step.",
        _ => "There is nothing to do again.",
    };
}
