using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech;

/// <summary>
/// Joins what two utterances heard of the same moment, where somebody spoke for so long without a pause that the sound had to
/// be cut within speech: nothing twice, nothing missing.
/// </summary>
public static class UtteranceJoin
{
    /// <summary>Times of words at the edge of an utterance are less certain than elsewhere.</summary>
    private const int Tolerance = 600;

    /// <summary>
    /// Passes over from one to the other in the middle of the longest run of words that both heard; where they heard nothing
    /// alike, at the cut.
    /// </summary>
    /// <param name="cutMs">Where the sound was cut.</param>
    /// <param name="overlapMs">How far beyond the cut each of them heard.</param>
    public static (IReadOnlyList<Word> Earlier, IReadOnlyList<Word> Later) Join(
        IReadOnlyList<Word> earlier, IReadOnlyList<Word> later, int cutMs, int overlapMs)
    {
        var tail = earlier.TakeWhile(w => w.EndMs < cutMs - overlapMs - Tolerance).Count();
        var head = later.TakeWhile(w => w.StartMs < cutMs + overlapMs + Tolerance).Count();
        var (first, second, length) = LongestRun(earlier, tail, later, head);
        if (length == 0)
        {
            return (earlier.Where(w => Middle(w) < cutMs).ToList(), later.Where(w => Middle(w) >= cutMs).ToList());
        }

        var taken = (length + 1) / 2;
        return (earlier.Take(first + taken).ToList(), later.Skip(second + taken).ToList());
    }

    private static (int First, int Second, int Length) LongestRun(IReadOnlyList<Word> earlier, int tail, IReadOnlyList<Word> later, int head)
    {
        var best = (First: 0, Second: 0, Length: 0);
        for (var i = tail; i < earlier.Count; i++)
        {
            for (var j = 0; j < head; j++)
            {
                var length = 0;
                while (i + length < earlier.Count && j + length < head && AreTheSame(earlier[i + length], later[j + length]))
                {
                    length++;
                }

                if (length > best.Length)
                {
                    best = (i, j, length);
                }
            }
        }

        return best;
    }

    private static bool AreTheSame(Word a, Word b) =>
        Math.Abs(a.StartMs - b.StartMs) <= Tolerance && Tokens.Of(a.Text).SequenceEqual(Tokens.Of(b.Text));

    private static int Middle(Word word) => (word.StartMs + word.EndMs) / 2;
}
