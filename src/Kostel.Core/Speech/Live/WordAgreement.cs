using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Live;

/// <summary>What two looks at the same speech agree on.</summary>
/// <remarks>Local agreement: Liu, Spanakis, Niehues, "Low-latency sequence-to-sequence speech recognition and translation by partial hypothesis selection" (2020).</remarks>
internal static class WordAgreement
{
    /// <summary>Times of a word differ by as much from look to look.</summary>
    private const int ToleranceMs = 500;

    /// <summary>How many words both begin with, whatever their punctuation.</summary>
    public static int Shared(IReadOnlyList<Word> before, IReadOnlyList<Word> now) =>
        before.Zip(now).TakeWhile(p => IsSame(p.First, p.Second)).Count();

    /// <summary>The words that come after those that stand already.</summary>
    /// <param name="standing">In order; only the last few matter.</param>
    /// <param name="heard">May begin before, within or after them.</param>
    public static IReadOnlyList<Word> Beyond(IReadOnlyList<Word> standing, IReadOnlyList<Word> heard)
    {
        if (standing.Count == 0)
        {
            return heard;
        }

        var last = standing[^1];
        var same = Enumerable.Range(0, heard.Count)
            .Where(i => IsSame(heard[i], last) && Math.Abs(heard[i].EndMs - last.EndMs) <= ToleranceMs)
            .OrderBy(i => Math.Abs(heard[i].EndMs - last.EndMs)).Select(i => (int?)i).FirstOrDefault();
        return same is { } at
            ? heard.Skip(at + 1).ToList()
            : heard.SkipWhile(w => (w.StartMs + w.EndMs) / 2 < last.EndMs).ToList();
    }

    private static bool IsSame(Word a, Word b) => Bare(a).SequenceEqual(Bare(b));

    private static IEnumerable<string> Bare(Word word) => Tokens.Of(word.Text);
}
