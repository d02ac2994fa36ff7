using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Divides a lecture into chapters where its vocabulary changes, rather at a long pause than elsewhere, and names them.</summary>
public static class ChapterFinder
{
    /// <summary>Beyond this a pause says no more.</summary>
    private const int LongestPauseMs = 3_000;

    /// <summary>What a pause of one second takes off the cost of a boundary, in nats.</summary>
    private const double PerSecondOfPause = 4;

    /// <summary>Chapters that tile the lecture; none for a lecture without words.</summary>
    public static IReadOnlyList<Chapter> Find(IReadOnlyList<Sentence> sentences, int durationMs)
    {
        if (sentences.Count == 0)
        {
            return [];
        }

        var (shortest, longest) = Lengths(durationMs);
        var words = sentences.Select(s => Tokens.ContentStems(s.Text)).ToList();
        var starts = LexicalSegmentation.Segment(
            words,
            i => -PerSecondOfPause * Math.Min(LongestPauseMs, Math.Max(0, sentences[i].StartMs - sentences[i - 1].EndMs)) / 1000,
            (from, to) => Fits(sentences, from, to, durationMs, shortest, longest),
            priorWeight: 1);
        var titles = ChapterTitles.For(starts.Select((s, i) =>
            (IReadOnlyList<Sentence>)sentences.Skip(s).Take((i + 1 < starts.Count ? starts[i + 1] : sentences.Count) - s).ToList()).ToList());
        return starts.Select((s, i) => new Chapter(
            titles[i],
            i == 0 ? 0 : sentences[s].StartMs,
            i + 1 < starts.Count ? sentences[starts[i + 1]].StartMs : Math.Max(durationMs, sentences[^1].EndMs))).ToList();
    }

    /// <summary>Three to ten minutes in an hour (common practice, no source), less in a short lecture.</summary>
    private static (int ShortestMs, int LongestMs) Lengths(int durationMs)
    {
        const int MostChapters = 12, LeastMs = 35_000, ShortestInAnHourMs = 180_000, Spread = 4, LeastLongestMs = 150_000;
        var shortest = Math.Clamp(durationMs / MostChapters, LeastMs, ShortestInAnHourMs);
        return (shortest, Math.Max(shortest * Spread, LeastLongestMs));
    }

    private static bool Fits(IReadOnlyList<Sentence> sentences, int from, int to, int durationMs, int shortest, int longest)
    {
        var start = from == 0 ? 0 : sentences[from].StartMs;
        var end = to == sentences.Count ? durationMs : sentences[to].StartMs;
        var isWhole = from == 0 && to == sentences.Count;
        return isWhole || (end - start >= shortest && end - start <= longest) || to - from == 1 && end - start > longest;
    }
}
