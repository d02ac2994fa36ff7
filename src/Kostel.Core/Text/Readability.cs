using System.Text.RegularExpressions;

namespace Kostel.Core.Text;

/// <summary>How easily an English text is read.</summary>
/// <param name="Words">How many words it has.</param>
/// <param name="Ease">From about 0 (hard) to 100 (easy): R. Flesch, "A new readability yardstick", 1948.</param>
/// <param name="Grade">The year of school in which it is read: J. P. Kincaid and others, "Derivation of new readability formulas", 1975.</param>
public sealed partial record Readability(int Words, double Ease, double Grade)
{
    /// <summary>Of a text; null of one without a word.</summary>
    public static Readability? Of(string text)
    {
        var words = Word().Matches(text).Select(m => m.Value.ToLowerInvariant()).ToList();
        if (words.Count == 0)
        {
            return null;
        }

        var sentences = Math.Max(1, SentenceEnd().Count(text));
        var perSentence = (double)words.Count / sentences;
        var perWord = (double)words.Sum(Syllables) / words.Count;
        return new Readability(words.Count, 206.835 - (1.015 * perSentence) - (84.6 * perWord), (0.39 * perSentence) + (11.8 * perWord) - 15.59);
    }

    /// <summary>Groups of vowels, without an "e" that is not heard; of a number its digits (an estimate, common practice).</summary>
    private static int Syllables(string word)
    {
        if (char.IsAsciiDigit(word[0]))
        {
            return word.Length;
        }

        var groups = Vowels().Count(word);
        return Math.Max(1, groups - (SilentEnd().IsMatch(word) && groups > 1 ? 1 : 0));
    }

    [GeneratedRegex(@"[\p{L}\d]+(?:['’][\p{L}]+)?")]
    private static partial Regex Word();

    [GeneratedRegex(@"[.!?]+(?=\s|$)")]
    private static partial Regex SentenceEnd();

    [GeneratedRegex("[aeiouy]+")]
    private static partial Regex Vowels();

    [GeneratedRegex("(?:[^l]e|[^td]ed|[^sxzcg]es)$")]
    private static partial Regex SilentEnd();
}
