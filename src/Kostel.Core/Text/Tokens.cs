using System.Collections.Concurrent;

namespace Kostel.Core.Text;

/// <summary>Words of a text in a form that can be compared.</summary>
public static class Tokens
{
    private static readonly ConcurrentDictionary<string, string> StemsSeen = new();

    /// <summary>The words in lower case: runs of letters and digits, with apostrophes, decimal points and separators of thousands inside.</summary>
    public static IReadOnlyList<string> Of(string text)
    {
        var words = new List<string>();
        var start = -1;
        for (var i = 0; i <= text.Length; i++)
        {
            if (i < text.Length && IsPart(text, i, start))
            {
                start = start < 0 ? i : start;
            }
            else if (start >= 0)
            {
                words.Add(text[start..i].ToLowerInvariant().Replace('’', '\''));
                start = -1;
            }
        }

        return words;
    }

    /// <summary>The stems of the words that are no stop words.</summary>
    public static IReadOnlyList<string> ContentStems(string text) =>
        Of(text).Where(w => !StopWords.Contains(w)).Select(Stem).ToList();

    /// <summary>The Porter2 stem, remembered. Units are one word however they are written: cm, centimeters, centimetre; so are harbour and harbor.</summary>
    public static string Stem(string word)
    {
        if (StemsSeen.TryGetValue(word, out var seen))
        {
            return seen;
        }

        // Counting locks all of it, so only for a word that was not seen yet.
        var stem = Compute(word);
        if (StemsSeen.Count < MostSeen)
        {
            StemsSeen.TryAdd(word, stem);
        }

        return stem;
    }

    private const int MostSeen = 200_000;

    private static string Compute(string word) => Porter2.Stem(Units.Comparable(SpellingVariants.Write(word, Spelling.American)));

    private static bool IsPart(string text, int i, int start)
    {
        var c = text[i];
        if (char.IsLetterOrDigit(c))
        {
            return true;
        }

        return start >= 0 && i + 1 < text.Length
            && ((c is '\'' or '’' && char.IsLetter(text[i + 1])) || (c is '.' && char.IsDigit(text[i - 1]) && char.IsDigit(text[i + 1])) || (c is ',' && SeparatesThousands(text, i)));
    }

    private static bool SeparatesThousands(string text, int comma)
    {
        var end = comma + 1;
        while (end < text.Length && char.IsDigit(text[end]))
        {
            end++;
        }

        return char.IsDigit(text[comma - 1]) && end == comma + 4;
    }
}
