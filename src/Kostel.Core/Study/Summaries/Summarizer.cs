using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Spanish;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Summaries;

/// <summary>A chapter's part of a summary: sentences of the lecture in their order.</summary>
public sealed record SummaryPart(string Chapter, int StartMs, IReadOnlyList<Evidence> Lines)
{
    /// <summary>The same as a part of a lecture's summary.</summary>
    public SummaryPart In(string? lectureId) => this with { Lines = Lines.Select(l => l.In(lectureId)).ToList() };
}

/// <summary>Picks the sentences of a lecture that say most of what is to be known, within the room there is.</summary>
public static class Summarizer
{
    /// <summary>How much of a lecture is summed up where its chapters have no lines of their own.</summary>
    private const double SpanishShare = 0.25;

    private const int MillisecondsPerLine = 28_000, FewChapters = 2;

    /// <summary>A sentence that would be worth less than this says nothing to be known, whatever room is left.</summary>
    private const double LeastWorth = 0.12;

    /// <summary>What the grammar has no place for is as likely misheard.</summary>
    private const double IllFormed = 0.6, Leaning = 0.6;

    /// <summary>What is learned of a sentence counts for so much beside the heaviness of its words, and what is worth more, more than in proportion (judgements, on half of the texts of the benchmark).</summary>
    private const double OwnShare = 0.7, Power = 1.5;

    private const int ShortestSentence = 4, LongestLine = 60, MostLines = 4;

    /// <summary>A summary by chapters: about one sentence for half a minute, from one to four in each.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="grammar">Tells which sentences are none, and were misheard; they are left out.</param>
    public static IReadOnlyList<SummaryPart> Summarize(Transcript transcript, IGrammar? grammar = null) => Summarize(new StudyGround(transcript, grammar));

    /// <summary>The same of what was worked out already.</summary>
    /// <param name="isFirst">Which places come before others where there is no room for all; null for none.</param>
    public static IReadOnlyList<SummaryPart> Summarize(StudyGround ground, Func<Evidence, bool>? isFirst = null)
    {
        if (StudyLanguages.IsSpanish(ground.Transcript.Language))
        {
            return Summarize(ground, Math.Max(SummaryLengths.Words(SummaryLength.Short), (int)(SpanishShare * ground.Sentences.Sum(s => s.Words.Count))), isFirst: isFirst);
        }

        var (sentences, importance) = (ground.Sentences, ground.Importance);
        var ill = !ground.HasGrammar ? [] : ground.Statements.IllFormed.Select(i => sentences[i]).ToHashSet(ReferenceEqualityComparer.Instance);
        // A chapter that only welcomes, or speaks of next week, has nothing to be summed up; unless there is hardly anything else.
        var isShort = ground.Transcript.Chapters.Count <= FewChapters;
        return ground.Transcript.Chapters.Select(chapter =>
        {
            var all = sentences.Select((s, i) => (Sentence: s, IsOfCourse: ground.Facts.IsOfCourse(i))).Where(s => s.Sentence.StartMs >= chapter.StartMs && s.Sentence.StartMs < chapter.EndMs).ToList();
            var own = all.Where(s => !s.IsOfCourse || isShort).Select(s => s.Sentence).ToList();
            var wanted = Math.Clamp((chapter.EndMs - chapter.StartMs) / MillisecondsPerLine, 1, MostLines);
            return new SummaryPart(chapter.Title, chapter.StartMs, Pick(own, importance, wanted, s => !ill.Contains(s), s => isFirst?.Invoke(Evidence.Of(s)) == true).Select(Evidence.Of).ToList());
        }).Where(p => p.Lines.Count > 0).ToList();
    }

    private static IEnumerable<Sentence> Pick(List<Sentence> own, Importance importance, int wanted, Func<Sentence, bool> isSound, Func<Sentence, bool> isFirst)
    {
        // A line stands alone, else the grammar has a place for it, else it is any of the chapter's own.
        var candidates = new[] { own.Where(s => QuotableSentence.IsSelfContained(s) && isSound(s)), own.Where(s => s.Words.Count >= ShortestSentence && isSound(s)), own }
            .Select(c => c.ToList()).FirstOrDefault(c => c.Count > 0) ?? [];
        candidates = [.. candidates.Union(own.Where(isFirst))];
        var chosen = new List<Sentence>();
        foreach (var s in candidates.OrderByDescending(isFirst).ThenByDescending(importance.Of).ThenBy(s => s.StartMs))
        {
            if (chosen.Count < wanted && !chosen.Any(c => SaysTheSame(c, s)))
            {
                chosen.Add(s);
            }
        }

        return chosen.OrderBy(s => s.StartMs);
    }

    private static bool SaysTheSame(Sentence a, Sentence b)
    {
        var x = Tokens.ContentStems(a.Text).ToHashSet();
        var y = Tokens.ContentStems(b.Text).ToHashSet();
        return x.Count > 0 && y.Count > 0 && x.Intersect(y).Count() > 0.6 * Math.Min(x.Count, y.Count);
    }

    /// <summary>A summary of so many words at most, of a line's words a single sentence, of the whole; chapters of which nothing is chosen have no part.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="words">The room there is.</param>
    /// <param name="grammar">Tells where clauses begin, and which sentences are none.</param>
    /// <param name="weights">By which sentences are worth knowing.</param>
    /// <param name="isWanted">Of which places; null for the whole lecture.</param>
    public static IReadOnlyList<SummaryPart> Summarize(Transcript transcript, int words, IGrammar? grammar = null, double[]? weights = null, Func<Evidence, bool>? isWanted = null) =>
        Summarize(new StudyGround(transcript, grammar, weights), words, isWanted);

    /// <summary>The same of what was worked out already.</summary>
    /// <param name="ground">The lecture.</param>
    /// <param name="words">The room there is.</param>
    /// <param name="isWanted">Of which places; null for the whole lecture.</param>
    /// <param name="isFirst">Which places come before others where there is no room for all, however little they say; null for none.</param>
    public static IReadOnlyList<SummaryPart> Summarize(StudyGround ground, int words, Func<Evidence, bool>? isWanted = null, Func<Evidence, bool>? isFirst = null)
    {
        var chapters = ground.Transcript.Chapters;
        var lines = (StudyLanguages.IsSpanish(ground.Transcript.Language) ? SpanishLines(ground) : Lines(ground.Whole.All, ground.Importance, chapters)).FindAll(l => (l.Worth >= LeastWorth || isFirst?.Invoke(l.Source) == true) && isWanted?.Invoke(l.Source) != false);
        var chosen = CoveringChoice.Of(lines.ConvertAll(l => new Choosable(l.Words, l.Worth, l.Chapter, l.About)), words, words <= SummaryLengths.Words(SummaryLength.Line) ? 1 : int.MaxValue,
            isFirst is null ? null : i => isFirst(lines[i].Source));
        if (chosen.Count == 0 && lines.Count > 0)
        {
            chosen = [lines.IndexOf(lines.MaxBy(l => l.Worth)!)];
        }

        return chosen.Select(i => lines[i]).GroupBy(l => l.Chapter).OrderBy(g => g.Key)
            .Select(g => new SummaryPart(g.Key < chapters.Count ? chapters[g.Key].Title : "", g.First().Source.StartMs, g.Select(l => l.Source).ToList())).ToList();
    }

    /// <param name="Source">One statement, with the sentence before it where it leans on that.</param>
    /// <param name="About">What it speaks of, with weights.</param>
    private sealed record Line(Evidence Source, int Words, double Worth, int Chapter, IReadOnlyDictionary<string, double> About);

    private static List<Line> SpanishLines(StudyGround ground) =>
        SpanishStudy.Lines(ground).Select(l => new Line(Evidence.Of(l.Sentence), l.Sentence.Words.Count, l.Worth, ground.ChapterAt(l.Sentence.StartMs), l.About)).ToList();

    private static List<Line> Lines(IReadOnlyList<Statement> statements, Importance importance, IReadOnlyList<Chapter> chapters)
    {
        // How heavy its words are: by the place among all statements, as it has no common measure with what it looks like.
        var heavy = statements.Select(s => importance.Of(s.Part)).ToList();
        var order = heavy.Order().ToList();
        var stems = statements.Select(s => Tokens.ContentStems(s.Part.Text).Distinct().ToList()).ToList();
        var spoken = stems.SelectMany(s => s).GroupBy(s => s).ToDictionary(g => g.Key, g => g.Count());
        return WithoutOverlap(statements.Select((s, i) => new Line(
            s.Source,
            s.WordCount,
            Math.Pow((OwnShare * s.Worth) + ((1 - OwnShare) * order.BinarySearch(heavy[i]) / order.Count), Power) * (s.IsIllFormed ? IllFormed : 1) * (s.Before.Count > 0 ? Leaning : 1),
            chapters.TakeWhile(c => c.EndMs <= s.Part.StartMs).Count(),
            stems[i].ToDictionary(w => w, w => Math.Log2(1 + spoken[w]) / 4))).Where(l => l.Words <= LongestLine));
    }

    /// <summary>Of two lines that share words the one that says more for them.</summary>
    private static List<Line> WithoutOverlap(IEnumerable<Line> lines)
    {
        var kept = new List<Line>();
        foreach (var line in lines.OrderByDescending(l => l.Worth / Math.Sqrt(l.Words)))
        {
            if (!kept.Exists(k => k.Source.StartMs < line.Source.EndMs && line.Source.StartMs < k.Source.EndMs))
            {
                kept.Add(line);
            }
        }

        return kept.OrderBy(l => l.Source.StartMs).ToList();
    }
}
