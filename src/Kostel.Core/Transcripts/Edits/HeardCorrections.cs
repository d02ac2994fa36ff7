using Kostel.Core.Problems;

namespace Kostel.Core.Transcripts.Edits;

/// <summary>What a person wrote in place of what was heard between two moments, while it was still being recorded.</summary>
/// <param name="Text">Nothing where it was not said at all.</param>
public sealed record HeardCorrection(int StartMs, int EndMs, string Text);

/// <summary>Puts such corrections into words that are recognised later too: by their moments, for the words may be others.</summary>
public static class HeardCorrections
{
    /// <summary>No correction is longer, and no recording has more.</summary>
    public const int LongestMs = 120_000, LongestText = 2_000, Most = 5_000;

    private const string Ends = ".?!", Stops = ".,;:?!";

    /// <summary>One more; those that it covers are gone.</summary>
    /// <exception cref="NotValidException">It is no correction of a stretch of a recording.</exception>
    public static IReadOnlyList<HeardCorrection> Add(IReadOnlyList<HeardCorrection> all, HeardCorrection one)
    {
        if (one.StartMs < 0 || one.EndMs < one.StartMs || one.EndMs - one.StartMs > LongestMs || one.Text.Length > LongestText)
        {
            throw new NotValidException("Only a short stretch is corrected at a time.");
        }

        var text = string.Join(' ', WordFit.WordsOf(one.Text));
        var left = all.Where(c => c.StartMs < one.StartMs || c.EndMs > one.EndMs).ToList();
        return left.Count < Most ? [.. left, one with { Text = text }] : throw new NotValidException($"A recording has at most {Most} corrections.");
    }

    /// <summary>The words with the corrections in place.</summary>
    /// <param name="words">In order of time.</param>
    public static IReadOnlyList<Word> In(IReadOnlyList<Word> words, IReadOnlyList<HeardCorrection> corrections)
    {
        foreach (var correction in corrections)
        {
            var first = words.TakeWhile(w => Middle(w) < correction.StartMs).Count();
            var count = words.Skip(first).TakeWhile(w => Middle(w) <= correction.EndMs).Count();
            words = [.. words.Take(first), .. Fitted(words, first, count, correction), .. words.Skip(first + count)];
        }

        return words;
    }

    /// <summary>The transcript with the corrections in place.</summary>
    public static Transcript Into(Transcript transcript, IReadOnlyList<HeardCorrection> corrections)
    {
        foreach (var correction in corrections)
        {
            var at = Place(transcript.Passages, correction);
            if (at < 0)
            {
                continue;
            }

            var words = In(transcript.Passages[at].Words, [correction]);
            var passages = transcript.Passages.ToList();
            passages.RemoveAt(at);
            if (words.Count > 0)
            {
                passages.Insert(at, transcript.Passages[at] with { Words = words });
            }

            transcript = transcript with { Passages = passages };
        }

        return transcript;
    }

    /// <summary>The passage that most of it lies in; else the one before it.</summary>
    private static int Place(IReadOnlyList<Passage> passages, HeardCorrection correction)
    {
        var (best, most) = (-1, 0);
        for (var i = 0; i < passages.Count && passages[i].StartMs <= correction.EndMs; i++)
        {
            var inside = passages[i].Words.Count(w => Middle(w) >= correction.StartMs && Middle(w) <= correction.EndMs);
            (best, most) = inside > most || most == 0 ? (i, inside) : (best, most);
        }

        return best;
    }

    private static IEnumerable<Word> Fitted(IReadOnlyList<Word> words, int first, int count, HeardCorrection correction)
    {
        var texts = WordFit.WordsOf(correction.Text);
        if (texts.Length == 0)
        {
            return [];
        }

        var own = words.Skip(first).Take(count).ToList();
        if (count == 0)
        {
            var earliest = first > 0 ? Math.Max(correction.StartMs, words[first - 1].EndMs) : correction.StartMs;
            return WordFit.Share(texts, Math.Min(earliest, correction.EndMs), correction.EndMs, opensCaption: false);
        }

        // What the correction did not say of stops and capitals stays as the later hearing has it.
        if (Stops.Contains(own[^1].Text[^1], StringComparison.Ordinal) && char.IsLetterOrDigit(texts[^1][^1]))
        {
            texts[^1] += own[^1].Text[^1];
        }

        if (char.IsUpper(own[0].Text[0]) && (first == 0 || Ends.Contains(words[first - 1].Text[^1], StringComparison.Ordinal)))
        {
            texts[0] = char.ToUpperInvariant(texts[0][0]) + texts[0][1..];
        }

        return WordFit.Rewrite(own, texts, own[0].StartMs, own[^1].EndMs).Select(w => w with { Confidence = 1 });
    }

    private static int Middle(Word word) => word.StartMs + ((word.EndMs - word.StartMs) / 2);
}
