using System.Globalization;
using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Studying;

/// <summary>A key fact of a text.</summary>
/// <param name="Lines">The sentences any of which states it.</param>
internal sealed record KeyFact(HashSet<int> Lines, string Says);

/// <summary>A text of which the sentences that are worth knowing were chosen by reading.</summary>
internal sealed record MarkedText(IReadOnlyList<Sentence> Sentences, IReadOnlyList<Chapter> Chapters, HashSet<int> Worth);

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
            var (sentences, transcript) = Read(Path.Combine(folder, facts.Key + ".txt"), finder);
            return new StudyText(facts.Key, sentences, transcript, facts.Select(f => new KeyFact(f[1].Split(',').Select(n => int.Parse(n, CultureInfo.InvariantCulture) - 1).ToHashSet(), f[2])).ToList()) { IsKnown = i % 2 == 0 };
        }).ToList();

    /// <param name="list">Text, lines that are worth knowing; a line beginning with # says something about the list.</param>
    /// <param name="folder">Where the texts stand.</param>
    public static List<MarkedText> ReadMarked(string list, string folder, ChapterFinder finder) =>
        File.ReadLines(list).Where(l => !l.StartsWith('#')).Select(l => l.Split('\t')).Where(l => l.Length == 2).Select(l =>
        {
            var (sentences, transcript) = Read(Path.Combine(folder, l[0] + ".txt"), finder);
            return new MarkedText(sentences, transcript.Chapters, [.. l[1].Split(',').Select(n => int.Parse(n, CultureInfo.InvariantCulture) - 1)]);
        }).ToList();

    /// <summary>A text with a sentence a line, without its headings.</summary>
    public static (IReadOnlyList<Sentence> Sentences, Transcript Transcript) Read(string file, ChapterFinder finder)
    {
        var lines = File.ReadLines(file).Where(l => l.Trim().Length > 0 && !l.StartsWith("==", StringComparison.Ordinal)).ToList();
        var sentences = LinedText.Read(string.Join('\n', lines))!.Sentences;
        var passages = sentences.Select((s, n) => new Passage($"p{n + 1}", "v1", s.StartMs, s.EndMs, s.Words)).ToList();
        return (sentences, new Transcript("en", sentences[^1].EndMs, [Speaker.Unnamed(1)], passages, finder.Find(sentences, sentences[^1].EndMs)));
    }

    private const double MostOfIt = 0.6;

    /// <summary>How many of the facts stand in some texts that were made of places: most of the words that the fact has of its lines, each number among them, are there.</summary>
    public int Covered(IReadOnlyList<(Evidence Source, string Text)> made) => Facts.Count(f => IsCovered(f, made));

    /// <summary>Whether a fact stands in them.</summary>
    public bool IsCovered(KeyFact fact, IReadOnlyList<(Evidence Source, string Text)> made)
    {
        var lines = fact.Lines.Select(i => Sentences[i]).ToList();
        var said = lines.SelectMany(l => Stems(l.Text)).ToHashSet();
        var needed = Stems(fact.Says).Where(said.Contains).Distinct().ToList();
        var there = made.Where(m => lines.Exists(l => l.StartMs < m.Source.EndMs && l.EndMs > m.Source.StartMs)).SelectMany(m => Stems(m.Text)).ToHashSet();
        return needed.Count > 0 && needed.Count(there.Contains) >= MostOfIt * needed.Count && needed.Where(n => char.IsDigit(n[0])).All(there.Contains);
    }

    private static IEnumerable<string> Stems(string text) => Tokens.ContentStems(string.Join(' ', NumberWords.ToDigits(Tokens.Of(text))));
}
