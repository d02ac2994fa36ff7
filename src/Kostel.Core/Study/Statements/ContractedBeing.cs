using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>"Is" and "are" that hang on the word before, as people speak: "the wing's a hand", "they're about eleven per cent water".</summary>
internal static class ContractedBeing
{
    private static readonly HashSet<string> Pronouns = ["it's", "that's", "there's", "here's", "he's", "she's", "they're", "we're", "you're", "what's"];
    private static readonly HashSet<string> Openings = ["a", "an", "the", "no", "not", "only", "just", "about", "nearly", "almost", "called", "made", "like", "between", "too", "very", "always", "never"];
    private static readonly HashSet<string> Had = ["got", "been", "had"];

    /// <summary>Whether a word ends with one: after a pronoun, or where what follows cannot be something that it owns.</summary>
    /// <param name="words">In small letters, in order.</param>
    public static bool EndsWithOne(IReadOnlyList<string> words, int at) =>
        at + 1 < words.Count && !Had.Contains(words[at + 1])
        && (Pronouns.Contains(words[at]) || (words[at].EndsWith("'s", StringComparison.Ordinal) && (Openings.Contains(words[at + 1]) || NumberWords.IsNumber(words[at + 1]))));
}
