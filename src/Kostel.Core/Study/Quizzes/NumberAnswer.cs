using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Whether a number that was written is the one that a lecture says. Its unit may be left out or written as a symbol, another unit is wrong; what was said roughly may be a tenth off.</summary>
internal static class NumberAnswer
{
    private const double Exact = 0.005, Rough = 0.1;

    /// <summary>Whether they are the same.</summary>
    public static bool IsTheSame(string written, string said, bool isRough)
    {
        var (given, givenUnit) = Read(written);
        var (wanted, wantedUnit) = Read(said);
        return given is { } g && wanted is { } w && Math.Abs(g - w) <= (isRough ? Rough : Exact) * Math.Abs(w)
            && (givenUnit.Count == 0 || givenUnit.TrueForAll(u => wantedUnit.Contains(u)));
    }

    /// <summary>The first number of a text, and the words besides it by which its unit is compared.</summary>
    public static (double? Value, List<string> Unit) Read(string text)
    {
        // A sign stands behind its number without a space as often as with one.
        var words = Tokens.Of(text.Replace("%", " per cent ", StringComparison.Ordinal).Replace("percent", "per cent", StringComparison.OrdinalIgnoreCase)).SelectMany(Apart).ToList();
        for (var i = 0; i < words.Count; i++)
        {
            if (NumberWords.Read(words, i) is var (value, used) && used > 0)
            {
                return (value, words.Take(i).Concat(words.Skip(i + used)).Where(w => w is not ("a" or "an" or "the" or "about" or "of" or "only" or "just" or "roughly" or "nearly" or "around" or "some" or "and"))
                    .Select(w => Tokens.Stem(Units.Comparable(w))).ToList());
            }
        }

        return (null, []);
    }

    private static IEnumerable<string> Apart(string word)
    {
        var letters = word.SkipWhile(c => char.IsDigit(c) || c is '.' or ',').Count();
        return letters == 0 || letters == word.Length || !char.IsDigit(word[0]) ? [word] : [word[..^letters], word[^letters..]];
    }
}
