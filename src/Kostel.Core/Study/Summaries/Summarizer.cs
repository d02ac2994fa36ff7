using Kostel.Core.Study.Facts;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Summaries;

/// <summary>A chapter's part of a summary: sentences of the lecture in their order.</summary>
public sealed record SummaryPart(string Chapter, int StartMs, IReadOnlyList<Evidence> Lines)
{
    /// <summary>The same as a part of a lecture's summary.</summary>
    public SummaryPart In(string? lectureId) => this with { Lines = Lines.Select(l => l.In(lectureId)).ToList() };
}

/// <summary>Picks the sentences of a lecture that say most of what it is about; every chapter is covered.</summary>
public static class Summarizer
{
    private const int MillisecondsPerLine = 28_000;

    /// <summary>A summary by chapters: about one sentence for half a minute, from one to four in each.</summary>
    public static IReadOnlyList<SummaryPart> Summarize(Transcript transcript)
    {
        var sentences = ConfirmedWords.Settle(Sentences.Of(transcript.Passages));
        var importance = new Importance(sentences);
        return transcript.Chapters.Select(chapter =>
        {
            var own = sentences.Where(s => s.StartMs >= chapter.StartMs && s.StartMs < chapter.EndMs).ToList();
            var wanted = Math.Clamp((chapter.EndMs - chapter.StartMs) / MillisecondsPerLine, 1, 4);
            return new SummaryPart(chapter.Title, chapter.StartMs, Pick(own, importance, wanted).Select(Evidence.Of).ToList());
        }).ToList();
    }

    private static IEnumerable<Sentence> Pick(List<Sentence> own, Importance importance, int wanted)
    {
        var good = own.Where(QuotableSentence.IsSelfContained).ToList();
        var candidates = good.Count > 0 ? good : own.Where(s => s.Words.Count >= 4).DefaultIfEmpty(own.FirstOrDefault()).OfType<Sentence>().ToList();
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
        var x = Text.Tokens.ContentStems(a.Text).ToHashSet();
        var y = Text.Tokens.ContentStems(b.Text).ToHashSet();
        return x.Count > 0 && y.Count > 0 && x.Intersect(y).Count() > 0.6 * Math.Min(x.Count, y.Count);
    }
}
