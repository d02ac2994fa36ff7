using Kostel.Core.Chapters;
using Kostel.Core.Study.Made;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>An edit that was taken back or done again.</summary>
/// <param name="Patch">What that changed in the text.</param>
/// <param name="LeftAlone">How many things made from the lecture stay as they are, because they were changed since.</param>
public sealed record ReplayedEdit(TranscriptPatch Patch, int LeftAlone);

/// <summary>An edit that was stored.</summary>
public sealed record StoredEdit(int Id, TranscriptPatch Patch);

/// <summary>Keeps edits of transcripts and of what was made from them: what changed, the way back, and what the recogniser wrote first.
/// Every change runs in a transaction that its caller began before the transcript was read, so that two never mix.</summary>
public static class EditStore
{
    /// <summary>Typing that goes on in one passage is one edit.</summary>
    private static readonly TimeSpan OneEdit = TimeSpan.FromSeconds(8);

    /// <summary>Stores what an edit changed in the text and in what was made from it. The next save is done here.</summary>
    /// <returns>The edit; null if nothing changed.</returns>
    public static async Task<StoredEdit?> Commit(
        this KostelContext context, LectureRow lecture, Transcript before, Transcript after, IReadOnlyList<MadeChange> made, string what, DateTime now, CancellationToken cancel)
    {
        var patch = TranscriptPatch.Between(before, after);
        var changes = made.Where(c => !c.IsEmpty).ToList();
        if (patch.IsEmpty && changes.Count == 0)
        {
            return null;
        }

        if (!patch.IsEmpty && !await context.Originals.AnyAsync(o => o.LectureId == lecture.Id, cancel))
        {
            context.Originals.Add(new OriginalRow { LectureId = lecture.Id, Transcript = before });
        }

        await context.Edits.Where(e => e.LectureId == lecture.Id && e.IsUndone).ExecuteDeleteAsync(cancel);
        var last = await context.Edits.Where(e => e.LectureId == lecture.Id).OrderByDescending(e => e.Id).FirstOrDefaultAsync(cancel);
        if (last is { Made.Count: 0 } && changes.Count == 0 && last.What == what && now - last.MadeAt is var pause && pause >= TimeSpan.Zero && pause < OneEdit && GoesOn(last.Patch, patch) is { } joined)
        {
            (last.Patch, last.MadeAt) = (joined, now);
        }
        else
        {
            last = context.Edits.Add(new EditRow { LectureId = lecture.Id, What = what, Patch = patch, Made = changes, MadeAt = now }).Entity;
        }

        await context.WriteMade(lecture.Id, changes, cancel);
        await context.Write(lecture, patch, cancel);
        return new StoredEdit(last.Id, patch);
    }

    /// <summary>Takes the last edit back, or does the last one that was taken back again. The next save is done here.</summary>
    /// <param name="only">The edit that it must be; null for whichever is next.</param>
    /// <returns>What was changed in the text, and how many things made from it stay as they are because they were changed since; null if there is nothing to take back or to do again.</returns>
    public static async Task<ReplayedEdit?> Replay(this KostelContext context, LectureRow lecture, bool undo, int? only, CancellationToken cancel)
    {
        var edits = context.Edits.Where(e => e.LectureId == lecture.Id && e.IsUndone != undo);
        var edit = await (undo ? edits.OrderByDescending(e => e.Id) : edits.OrderBy(e => e.Id)).FirstOrDefaultAsync(cancel);
        if (edit is null || (only is not null && edit.Id != only))
        {
            return null;
        }

        edit.IsUndone = undo;
        var left = await context.WriteMade(lecture.Id, undo ? edit.Made.Select(c => c.Reverse()).ToList() : edit.Made, cancel);
        var patch = undo ? edit.Patch.Reverse() : edit.Patch;
        await context.Write(lecture, patch, cancel);
        return new ReplayedEdit(patch, left);
    }

    /// <summary>A lecture's chapters, if a person made or changed one of them or they came with the recording; null for those that were found.</summary>
    public static async Task<IReadOnlyList<ChapterMark>?> OwnChapters(this KostelContext context, LectureRow lecture, CancellationToken cancel)
    {
        await foreach (var patch in context.Edits.Where(e => e.LectureId == lecture.Id && !e.IsUndone).Select(e => e.Patch).AsAsyncEnumerable().WithCancellation(cancel))
        {
            if (patch.ChaptersAfter is not null)
            {
                return await context.Chapters.Where(c => c.LectureId == lecture.Id).OrderBy(c => c.StartMs).Select(c => new ChapterMark(c.Title, c.StartMs)).ToListAsync(cancel);
            }
        }

        return lecture.BroughtChapters;
    }

    /// <summary>What undo and redo would do next; null for nothing.</summary>
    public static async Task<(string? Undo, string? Redo)> NextReplays(this KostelContext context, string lectureId, CancellationToken cancel) => (
        await context.Edits.Where(e => e.LectureId == lectureId && !e.IsUndone).OrderByDescending(e => e.Id).Select(e => e.What).FirstOrDefaultAsync(cancel),
        await context.Edits.Where(e => e.LectureId == lectureId && e.IsUndone).OrderBy(e => e.Id).Select(e => e.What).FirstOrDefaultAsync(cancel));

    private static async Task Write(this KostelContext context, LectureRow lecture, TranscriptPatch patch, CancellationToken cancel)
    {
        var id = lecture.Id;
        foreach (var splice in patch.Passages.Reverse())
        {
            var gone = splice.Before.Select(p => p.Id).ToList();
            await context.Passages.Where(p => p.LectureId == id && gone.Contains(p.Key)).ExecuteDeleteAsync(cancel);
            var shift = splice.After.Count - splice.Before.Count;
            if (shift != 0)
            {
                var from = splice.At + splice.Before.Count;
                await context.Passages.Where(p => p.LectureId == id && p.Number >= from).ExecuteUpdateAsync(s => s.SetProperty(p => p.Number, p => p.Number + shift), cancel);
            }

            context.Passages.AddRange(splice.After.Select((p, i) => TranscriptStore.Row(id, splice.At + i, p)));
        }

        if (patch.SpeakersAfter is { } speakers)
        {
            await context.Speakers.Where(s => s.LectureId == id).ExecuteDeleteAsync(cancel);
            context.Speakers.AddRange(speakers.Select((s, i) => TranscriptStore.Row(id, i, s)));
        }

        if (patch.ChaptersAfter is { } chapters)
        {
            await context.Chapters.Where(c => c.LectureId == id).ExecuteDeleteAsync(cancel);
            context.Chapters.AddRange(chapters.Select((c, i) => TranscriptStore.Row(id, i, c)));
        }

        await context.SaveChangesAsync(cancel);
        await context.NextTextVersion(lecture, cancel);
    }

    private static TranscriptPatch? GoesOn(TranscriptPatch first, TranscriptPatch then) =>
        first.SpeakersAfter is null && then.SpeakersAfter is null && first.ChaptersAfter is null && then.ChaptersAfter is null
        && first.Passages is [{ After: [{ } was], Before: [{ } start] } at] && then.Passages is [{ Before: [{ } from], After: [{ } end] }]
        && was.Id == from.Id && start.Id == was.Id && from.Id == end.Id
            ? first with { Passages = [new PassageSplice(at.At, [start], [end])] }
            : null;
}
