using Kostel.Core.Entries;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Study.Made;

/// <summary>Places that were chosen in one lecture.</summary>
public sealed record ChosenPlaces(string LectureId, IReadOnlyList<WordReplacement> Places);

/// <summary>What a replacement changes in one lecture: its text at the chosen places, and what was made from it.</summary>
/// <param name="Edit">Null where only what was made changes.</param>
public sealed record LectureReplacement(string LectureId, TranscriptEdit? Edit, int Places, IReadOnlyList<MadeChange> Made)
{
    /// <summary>What it does, in plain words.</summary>
    public string What => Edit?.What ?? "a correction of what was made";

    /// <summary>Plans a replacement over lectures; those in which there is nothing to do are left out.</summary>
    /// <param name="chosen">The places.</param>
    /// <param name="things">The things in which it is made too.</param>
    public static IReadOnlyList<LectureReplacement> Plan(Correction correction, IReadOnlyList<ChosenPlaces> chosen, IEnumerable<MadeThing> things)
    {
        var made = things.ToLookup(t => t.LectureId, t => MadeCorrection.Correct(t, correction));
        return chosen.Select(c => c.LectureId).Concat(made.Select(m => m.Key)).Distinct()
            .Select(id => (Id: id, Places: chosen.Where(c => c.LectureId == id).SelectMany(c => c.Places).ToList()))
            .Where(l => l.Places.Count > 0 || made.Contains(l.Id))
            .Select(l => new LectureReplacement(l.Id, l.Places.Count > 0 ? new ReplaceWords(l.Places) : null, l.Places.Count, [.. made[l.Id]]))
            .ToList();
    }

    /// <summary>The correction that a person asks for.</summary>
    /// <exception cref="Problems.NotValidException">There is nothing to look for, or it is too long.</exception>
    public static Correction Wanted(string phrase, string replacement) => new(EntryRules.Phrase.Read(phrase), EntryRules.Replacement.Read(replacement));
}

/// <summary>A place in something that was made from a lecture that a correction would change.</summary>
/// <param name="Key">Names the thing for the change itself.</param>
/// <param name="Kind">What it is: card, summary, answer, quiz or mark.</param>
/// <param name="Before">Its text now…</param>
/// <param name="After">…and as it would be.</param>
public sealed record MadePlace(string Key, string LectureId, string Kind, int StartMs, string Before, string After)
{
    /// <summary>The first place of each thing that a correction would change, in the order of the lectures' seconds.</summary>
    public static IReadOnlyList<MadePlace> Find(IEnumerable<MadeThing> things, Correction correction) => things
        .Select(t => (Thing: t, Change: MadeCorrection.Correct(t, correction)))
        .Where(t => !t.Change.IsEmpty)
        .Select(t => (t.Thing, Text: t.Change.Before.Zip(t.Change.After).First(x => x.First != x.Second)))
        .Select(t => new MadePlace(t.Thing.Key, t.Thing.LectureId, t.Thing.Kind, t.Thing.StartMs, t.Text.First, t.Text.Second))
        .OrderBy(p => p.StartMs)
        .ToList();
}
