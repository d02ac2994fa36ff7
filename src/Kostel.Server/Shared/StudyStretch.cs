using Kostel.Core.Entries;
using Kostel.Core.Listening;
using Kostel.Core.Problems;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>What of a lecture study material is to be made of.</summary>
/// <param name="Chapter">Where the chapter begins; null for all of them.</param>
/// <param name="OfMarks">Only what the person marked.</param>
/// <param name="Subject">Only where this is spoken of, in whatever words; null for anything.</param>
internal sealed record StudyStretch(int? Chapter = null, bool OfMarks = false, string? Subject = null)
{
    /// <summary>Tells which places are meant; null for all.</summary>
    /// <exception cref="NotValidException">There is no such chapter, no mark, or nothing is said of the subject.</exception>
    public async Task<Func<Evidence, bool>?> Of(string lectureId, Transcript transcript, KostelContext context, WordKnowledge words, int person, CancellationToken cancel)
    {
        var chapter = Chapter is null ? null : transcript.Chapters.FirstOrDefault(c => c.StartMs == Chapter) ?? throw new NotValidException("The chapters were changed meanwhile. Choose one of those that there are now.");
        var marked = OfMarks ? await Marked(lectureId, context, person, cancel) : null;
        var spoken = Subject is null ? null : Spoken(EntryRules.Phrase.Read(Subject), transcript, words);
        return chapter is null && marked is null && spoken is null
            ? null
            : e => (chapter is null || (e.StartMs >= chapter.StartMs && e.StartMs < chapter.EndMs)) && IsIn(marked, e) && IsIn(spoken, e);
    }

    /// <summary>Tells which places a person marked; null where there is no mark.</summary>
    public static async Task<Func<Evidence, bool>?> MarkedFirst(string lectureId, KostelContext context, int person, CancellationToken cancel) =>
        await Marks(lectureId, context, person, cancel) is { Count: > 0 } marks ? e => IsIn(marks, e) : null;

    private static bool IsIn(IReadOnlyList<Stretch>? stretches, Evidence place) => stretches?.Any(s => place.StartMs < s.EndMs && s.StartMs < place.EndMs) != false;

    private static async Task<IReadOnlyList<Stretch>> Marked(string lectureId, KostelContext context, int person, CancellationToken cancel) =>
        await Marks(lectureId, context, person, cancel) is { Count: > 0 } marks ? marks : throw new NotValidException("Nothing is marked in this lecture yet.");

    private static Task<List<Stretch>> Marks(string lectureId, KostelContext context, int person, CancellationToken cancel) =>
        context.Marks.AsNoTracking().Where(m => m.LectureId == lectureId && m.OwnerId == person && m.DeletedAt == null).Select(m => new Stretch(m.StartMs, m.EndMs)).ToListAsync(cancel);

    private static IReadOnlyList<Stretch> Spoken(string subject, Transcript transcript, WordKnowledge words) =>
        new SubjectTrack(transcript.Passages, words).FindSaid(subject) is { Count: > 0 } places
            ? [.. places.Select(p => new Stretch(p.StartMs, p.EndMs))]
            : throw new NotValidException($"“{subject}” is not said in this lecture. Choose a word for it that is.");
}
