using Kostel.Core.Text;

namespace Kostel.Core.Transcripts.Edits;

/// <summary>Gives a text without times the times of the words that were heard in its recording.</summary>
public static class TextAlignment
{
    /// <summary>Below this share of words that were heard too, a text is not of this recording (a judgement, not measured).</summary>
    public const double LeastShared = 0.3;

    /// <summary>The share of a text's words that were heard as well, wherever they stand. Words that stand in every text do not count.</summary>
    public static double Shared(Transcript text, Transcript heard)
    {
        var left = heard.Passages.SelectMany(p => p.Words).GroupBy(w => WordDiff.Key(w.Text)).ToDictionary(g => g.Key, g => g.Count());
        var (all, shared) = (0, 0);
        foreach (var key in text.Passages.SelectMany(p => p.Words).Select(w => WordDiff.Key(w.Text)))
        {
            if (StopWords.Contains(key))
            {
                continue;
            }

            all++;
            if (left.TryGetValue(key, out var count) && count > 0)
            {
                left[key] = count - 1;
                shared++;
            }
        }

        return all == 0 ? 0 : shared / (double)all;
    }

    /// <summary>The text with its own words, passages and headings, and the times of what was heard. Words that were not heard are fitted in
    /// between those that were. Names that the text does not give are taken from the voices that were heard.</summary>
    public static Transcript Align(Transcript text, Transcript heard)
    {
        var spoken = heard.Passages.SelectMany(p => p.Words).ToList();
        var written = text.Passages.SelectMany(p => p.Words).Select(w => w.Text).ToList();
        var timed = WordFit.Rewrite(spoken, written, 0, heard.DurationMs).Select(w => w with { Confidence = 1, OpensCaption = false }).ToList();
        var hasNames = text.Speakers.Any(s => !Speaker.IsUnnamed(s.Name));
        var at = 0;
        var passages = text.Passages.Select(p =>
        {
            var own = timed.GetRange(at, p.Words.Count);
            at += p.Words.Count;
            var speaker = hasNames ? p.SpeakerId : HeardIn(heard, own[0].StartMs, own[^1].EndMs) ?? p.SpeakerId;
            return new Passage(p.Id, speaker, own[0].StartMs, Math.Max(own[^1].EndMs, own[0].StartMs), own);
        }).ToList();
        var starts = text.Passages.Zip(passages).ToDictionary(p => p.First.StartMs, p => p.Second.StartMs);
        var chapters = text.Chapters.Count == 0 ? heard.Chapters : Moved(text.Chapters, starts, heard.DurationMs);
        return new Transcript(heard.Language, heard.DurationMs, hasNames || heard.Speakers.Count == 0 ? text.Speakers : heard.Speakers, passages, chapters);
    }

    private static IReadOnlyList<Chapter> Moved(IReadOnlyList<Chapter> chapters, Dictionary<int, int> starts, int durationMs)
    {
        var moved = chapters.Select((c, i) => (c.Title, At: i == 0 ? 0 : starts.GetValueOrDefault(c.StartMs, c.StartMs))).ToList();
        return ChapterTiles.Of(moved, durationMs);
    }

    private static string? HeardIn(Transcript heard, int startMs, int endMs) => heard.Passages
        .Where(p => p.EndMs > startMs && p.StartMs < endMs)
        .MaxBy(p => Math.Min(p.EndMs, endMs) - Math.Max(p.StartMs, startMs))?.SpeakerId;
}
