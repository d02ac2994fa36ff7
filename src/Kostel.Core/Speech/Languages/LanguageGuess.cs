using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Languages;

/// <summary>Which of several languages is spoken, by what each one's recogniser made of the same speech.</summary>
/// <param name="Language">The likeliest.</param>
/// <param name="IsClear">Whether there is next to no doubt that it is this one and none of the others.</param>
/// <param name="FitsNone">Whether it hardly looks like speech in this language either.</param>
public sealed record LanguageGuess(string Language, bool IsClear, bool FitsNone = false)
{
    /// <summary>The other language must have so many times less to say for itself, as a logarithm (measured: docs/speech.md).</summary>
    private const double ClearLead = 0.4;

    /// <summary>Less than this is hardly speech at all.</summary>
    private const double FewestWords = 4;

    /// <summary>Speech has more than this many different words a second that were heard well…</summary>
    private const double SlowestPerSecond = 0.9;

    /// <summary>…or, by a slow speaker, more than this share of all that were written.</summary>
    private const double LeastShare = 0.45;

    private const int FewWritten = 12, EnoughMs = 8_000;

    /// <summary>Compares.</summary>
    /// <param name="heard">For each language what its recogniser wrote, with the confidence of each word.</param>
    /// <param name="spokenMs">How much speech that was.</param>
    /// <param name="expected">The language to stay with where there is doubt.</param>
    public static LanguageGuess Of(IReadOnlyDictionary<string, IReadOnlyList<Word>> heard, int spokenMs, string expected)
    {
        var guess = Compare(heard, expected);
        return guess with { FitsNone = spokenMs >= EnoughMs && IsUnlikely(heard[guess.Language], spokenMs) };
    }

    private static LanguageGuess Compare(IReadOnlyDictionary<string, IReadOnlyList<Word>> heard, string expected)
    {
        if (heard.Count == 1)
        {
            return new LanguageGuess(expected, IsClear: false);
        }

        var byWeight = heard.Select(h => (h.Key, Weight: Weight(h.Value))).OrderByDescending(h => h.Weight).ThenBy(h => h.Key == expected ? 0 : 1).ToList();
        var (best, next) = (byWeight[0], byWeight[1].Weight);
        return best.Weight < FewestWords
            ? new LanguageGuess(expected, IsClear: false)
            : new LanguageGuess(best.Key, IsClear: Math.Log((best.Weight + 1) / (next + 1)) >= ClearLead);
    }

    private static bool IsUnlikely(IReadOnlyList<Word> words, int spokenMs)
    {
        var weight = Weight(words);
        return weight * 1000 / spokenMs < SlowestPerSecond && (words.Count < FewWritten || weight / words.Count < LeastShare);
    }

    /// <summary>
    /// How many different words were heard well. A recogniser that is given another language falls silent, says one thing again
    /// and again, or is unsure; now and then it is sure of a few words, but never of many different ones.
    /// </summary>
    internal static double Weight(IReadOnlyList<Word> words) =>
        words.Select(w => (Text: string.Join(' ', Tokens.Of(w.Text)), w.Confidence)).Where(w => w.Text.Length > 0)
            .GroupBy(w => w.Text).Sum(same => Math.Pow(same.Max(w => w.Confidence), 2));
}
