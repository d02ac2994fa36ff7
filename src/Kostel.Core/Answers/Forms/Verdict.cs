using Kostel.Core.Text;

namespace Kostel.Core.Answers.Forms;

/// <summary>Whether a sentence says yes or no to a question. Only where it speaks of all that was asked in the same words: everything else is left to who reads it.</summary>
internal static class Verdict
{
    private static readonly HashSet<string> Negations =
    [
        "not", "no", "never", "none", "nothing", "nobody", "neither", "nor", "without", "cannot", "isn't", "aren't", "wasn't", "weren't", "don't", "doesn't", "didn't", "can't", "won't", "shouldn't",
        "mustn't", "couldn't", "wouldn't", "hasn't", "haven't", "hardly", "wrong", "myth", "false",
    ];

    private static readonly HashSet<string> Hedges =
    [
        "if", "unless", "sometimes", "maybe", "perhaps", "might", "may", "could", "often", "usually", "mostly", "some", "only", "but", "except", "although", "though", "depends", "almost", "nearly", "until",
        "rarely", "seldom", "some", "people", "think", "believe", "say", "says", "would", "or",
    ];

    /// <summary>True for yes, false for no, null where the sentence does not say so outright.</summary>
    public static bool? Of(Question question, string asked, string sentence)
    {
        var (words, ask) = (Tokens.Of(sentence), Tokens.Of(asked));
        if (words.Count > 0 && words[0] is "yes" or "no")
        {
            return words[0] == "yes";
        }

        var said = AskedWords.All(words).Select(w => w.Stem).ToHashSet();
        var isWhole = question.Words.Count > 1 && question.Words.All(w => said.Contains(w.Stem));
        if (!isWhole || sentence.EndsWith('?') || words.Any(w => Hedges.Contains(w) && !ask.Contains(w)))
        {
            return null;
        }

        var (not, wasNot) = (words.Count(Negations.Contains), ask.Count(Negations.Contains));
        return not > 1 || wasNot > 0 ? null : not == 0;
    }
}
