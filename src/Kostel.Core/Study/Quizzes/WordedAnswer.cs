using Kostel.Core.Retrieval;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Whether words that were written say what a lecture says: forgiven are capitals, signs, articles, other forms of the words, a slip in a word, and figures for numbers.</summary>
internal static class WordedAnswer
{
    private const int OneSlip = 4, TwoSlips = 9, MostExtra = 2;

    /// <summary>Whether they say the same.</summary>
    public static bool IsTheSame(string written, string said)
    {
        var (given, wanted) = (Words(written), Words(said));
        return wanted.Count > 0 && wanted.All(w => given.Exists(g => IsTheSameWord(g, w))) && given.Count <= wanted.Count + MostExtra
            && given.Exists(g => g is "not" or "no" or "never") == wanted.Exists(w => w is "not" or "no" or "never");
    }

    private static List<string> Words(string text) =>
        [.. NumberWords.ToDigits(Tokens.Of(text)).Where(w => w is not ("a" or "an" or "the" or "its" or "their" or "it" or "is" or "are"))];

    private static bool IsTheSameWord(string given, string wanted)
    {
        if (given == wanted || char.IsDigit(wanted[0]) || char.IsDigit(given[0]))
        {
            return given == wanted;
        }

        var slips = wanted.Length >= TwoSlips ? 2 : wanted.Length >= OneSlip ? 1 : 0;
        return Tokens.Stem(given) == Tokens.Stem(wanted) || Units.Comparable(given) == Units.Comparable(wanted) || (slips > 0 && EditDistance.Between(given, wanted, slips) <= slips);
    }
}
