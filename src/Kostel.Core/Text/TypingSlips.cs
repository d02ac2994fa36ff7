namespace Kostel.Core.Text;

/// <summary>What somebody may have meant who typed a word that there is not.</summary>
/// <remarks>All words one slip away, the most frequent of those that are known first: after Norvig, "How to write a spelling corrector" (2007).</remarks>
public static class TypingSlips
{
    private const string Letters = "abcdefghijklmnopqrstuvwxyz", Vowels = "aeiouy";

    /// <summary>A word is tried where it has so many letters at least: shorter ones are one slip from too much.</summary>
    private const int Shortest = 5, Longest = 40;

    /// <summary>
    /// The known word that is meant; null for none. A letter left out, put in or exchanged with the next is a slip, a vowel taken for another too; another consonant is not, for that
    /// may well be another word: "varves" are no "valves". The first letter is as it was typed.
    /// </summary>
    public static string? Meant(string word, WordKnowledge known) => word.Length is < Shortest or > Longest
        ? null
        : OneSlipAway(word).Where(known.Knows).OrderBy(w => known.Vectors.PlaceOf(w) is >= 0 and var place ? place : int.MaxValue).FirstOrDefault();

    private static IEnumerable<string> OneSlipAway(string word)
    {
        for (var i = 1; i <= word.Length; i++)
        {
            var (before, after) = (word[..i], word[i..]);
            foreach (var letter in Letters)
            {
                yield return before + letter + after;
            }

            if (after.Length == 0)
            {
                continue;
            }

            yield return before + after[1..];
            if (after.Length > 1)
            {
                yield return before + after[1] + after[0] + after[2..];
            }

            foreach (var vowel in Vowels.Where(v => Vowels.Contains(after[0]) && v != after[0]))
            {
                yield return before + vowel + after[1..];
            }
        }
    }
}
