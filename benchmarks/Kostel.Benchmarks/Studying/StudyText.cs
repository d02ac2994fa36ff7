using System.Globalization;
using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Studying;

/// <summary>A key fact of a text.</summary>
/// <param name="Lines">The sentences any of which states it.</param>
internal sealed record KeyFact(HashSet<int> Lines, string Says);

/// <summary>A text with its key facts, which were written down before anything was made of it.</summary>
internal sealed record StudyText(string Name, IReadOnlyList<Sentence> Sentences, Transcript Transcript, IReadOnlyList<KeyFact> Facts)
{
    /// <summary>Half of the texts, every second one of the list, were looked at while rules were set.</summary>
    public bool IsKnown { get; init; }

    /// <param name="list">Text, lines, fact; a line beginning with # says something about the list.</param>
    /// <param name="folder">Where the texts stand, a sentence a line.</param>
    public static List<StudyText> ReadAll(string list, string folder, ChapterFinder finder) =>
        File.ReadLines(list).Where(l => !l.StartsWith('#')).Select(l => l.Split('\t')).Where(l => l.Length == 3).GroupBy(l => l[0]).Select((facts, i) =>
        {
            var lines = File.ReadLines(Path.Combine(folder, facts.Key + ".txt")).Where(l => l.Trim().Length > 0 && !l.StartsWith("==", StringComparison.Ordinal)).ToList();
            var sentences = LinedText.Read(string.Join('\n', lines))!.Sentences;
            var passages = sentences.Select((s, n) => new Passage($"p{n + 1}", "v1", s.StartMs, s.EndMs, s.Words)).ToList();
            var transcript = new Transcript("en", sentences[^1].EndMs, [Speaker.Unnamed(1)], passages, finder.Find(sentences, sentences[^1].EndMs));
            return new StudyText(facts.Key, sentences, transcript, facts.Select(f => new KeyFact(f[1].Split(',').Select(n => int.Parse(n, CultureInfo.InvariantCulture) - 1).ToHashSet(), f[2])).ToList()) { IsKnown = i % 2 == 0 };
        }).ToList();

    /// <summary>How many of the facts stand in some places.</summary>
    public int Covered(IEnumerable<Evidence> places)
    {
        var lines = places.SelectMany(p => Enumerable.Range(0, Sentences.Count).Where(i => Sentences[i].StartMs < p.EndMs && Sentences[i].EndMs > p.StartMs)).ToHashSet();
        return Facts.Count(f => f.Lines.Overlaps(lines));
    }
}
