using Kostel.Core.Study.Facts;
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
    private const int MillisecondsPerLine = 28_000;

    /// <summary>A sentence that would be worth less than this says nothing to be known, whatever room is left.</summary>
    private const double LeastWorth = 0.25;

    private const int ShortestSentence = 4, LongestLine = 60, MostLines = 4;

    /// <summary>A summary by chapters: about one sentence for half a minute, from one to four in each.</summary>
    public static IReadOnlyList<SummaryPart> Summarize(Transcript transcript)
    {
        var sentences = ConfirmedWords.Settle(Sentences.Of(transcript.Passages));
        var importance = new Importance(sentences);
        return transcript.Chapters.Select(chapter =>
        {
            var own = sentences.Where(s => s.StartMs >= chapter.StartMs && s.StartMs < chapter.EndMs).ToList();
            var wanted = Math.Clamp((chapter.EndMs - chapter.StartMs) / MillisecondsPerLine, 1, MostLines);
            return new SummaryPart(chapter.Title, chapter.StartMs, Pick(own, importance, wanted).Select(Evidence.Of).ToList());
        }).ToList();
    }

    private static IEnumerable<Sentence> Pick(List<Sentence> own, Importance importance, int wanted)
    {
        var good = own.Where(QuotableSentence.IsSelfContained).ToList();
        var candidates = good.Count > 0 ? good : own.Where(s => s.Words.Count >= ShortestSentence).DefaultIfEmpty(own.FirstOrDefault()).OfType<Sentence>().ToList();
        var chosen = new List<Sentence>();
        foreach (var s in candidates.OrderByDescending(importance.Of).ThenBy(s => s.StartMs))
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

    /// <summary>A summary of so many words at most, of the whole; chapters of which nothing is chosen have no part.</summary>
    public static IReadOnlyList<SummaryPart> Summarize(Transcript transcript, int words) => Summarize(transcript, words, FactWeights.Learned);

    /// <summary>The same by other weights of what is worth knowing.</summary>
    public static IReadOnlyList<SummaryPart> Summarize(Transcript transcript, int words, double[] weights)
    {
        var lines = Lines(transcript, weights).FindAll(l => l.Worth >= LeastWorth);
        var chosen = CoveringChoice.Of(lines.ConvertAll(l => new Choosable(l.Words, l.Worth, l.Chapter, l.About)), words);
        if (chosen.Count == 0 && lines.Count > 0)
        {
            chosen = [lines.IndexOf(lines.MaxBy(l => l.Worth)!)];
        }

        return chosen.Select(i => lines[i]).GroupBy(l => l.Chapter).OrderBy(g => g.Key)
            .Select(g => new SummaryPart(g.Key < transcript.Chapters.Count ? transcript.Chapters[g.Key].Title : "", g.First().Source.StartMs, g.Select(l => l.Source).ToList())).ToList();
    }

    /// <param name="Source">One sentence, with the one before it where it leans on that.</param>
    /// <param name="About">What it speaks of, with weights.</param>
    private sealed record Line(Evidence Source, int Words, double Worth, int Chapter, IReadOnlyDictionary<string, double> About);

    private static List<Line> Lines(Transcript transcript, double[] weights)
    {
        var sentences = ConfirmedWords.Settle(Sentences.Of(transcript.Passages));
        var worth = FactWorth.Of(sentences, transcript.Chapters, weights);
        var stems = sentences.Select(s => Tokens.ContentStems(s.Text).Distinct().ToList()).ToList();
        var spoken = stems.SelectMany(s => s).GroupBy(s => s).ToDictionary(g => g.Key, g => g.Count());
        var lines = new List<Line>();
        for (var i = 0; i < sentences.Count; i++)
        {
            var own = sentences[i];
            if (own.Words.Count < ShortestSentence || own.Text.EndsWith('?') || !QuotableSentence.IsHeardWell(own))
            {
                continue;
            }

            var first = LeansBack(own) && i > 0 && QuotableSentence.IsHeardWell(sentences[i - 1]) ? sentences[i - 1] : own;
            if (LeansBack(own) && first == own)
            {
                continue;
            }

            var words = first == own ? own.Words.Count : first.Words.Count + own.Words.Count;
            if (words > LongestLine)
            {
                continue;
            }

            var quote = first == own ? own.Text : $"{first.Text} {own.Text}";
            var value = first == own ? worth[i] : 1 - ((1 - worth[i]) * (1 - worth[i - 1]));
            var about = (first == own ? stems[i] : stems[i - 1].Concat(stems[i]).Distinct()).ToDictionary(s => s, s => Math.Log2(1 + spoken[s]) / 4);
            lines.Add(new Line(new Evidence(first.PassageId, first.StartMs, own.EndMs, quote), words, value, transcript.Chapters.TakeWhile(c => c.EndMs <= own.StartMs).Count(), about));
        }

        return WithoutOverlap(lines);
    }

    /// <summary>It cannot be understood without the sentence before.</summary>
    private static bool LeansBack(Sentence sentence) =>
        Tokens.Of(QuotableSentence.Untied(sentence.Text)).Take(2).Any(w => w is "it" or "this" or "these" or "they" or "that" or "those" or "such" or "he" or "she" or "it's" or "that's" or "them" or "its" or "their");

    /// <summary>Of two lines that share a sentence the one that says more for its words.</summary>
    private static List<Line> WithoutOverlap(List<Line> lines)
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
