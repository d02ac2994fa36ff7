using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>"What is firn?" and "Firn is old snow that …": what is asked is said outright, whatever else is said of it elsewhere.</summary>
internal static class OutrightDefinition
{
    /// <summary>Words before the thing: "So a glacier is …".</summary>
    private const int MostBefore = 3;

    private static readonly HashSet<string> Being = ["is", "are", "means"];

    /// <summary>Behind "is" these name what it is; an adjective would only say how it is.</summary>
    private static readonly HashSet<string> Naming = ["a", "an", "the", "when", "where", "how", "what", "any"];

    private static readonly HashSet<string> Opening = ["so", "and", "now", "well", "then", "a", "an", "the", "okay"];

    /// <summary>Whether a sentence says what the thing is that a question asks for.</summary>
    public static bool Is(Question question, string sentence)
    {
        if (question.Wants != Wanted.Definition || sentence.EndsWith('?'))
        {
            return false;
        }

        var words = Tokens.Of(sentence);
        var first = words.TakeWhile(Opening.Contains).Take(MostBefore).Count();
        var behind = first + question.Words.Count;
        return behind + 1 < words.Count && Being.Contains(words[behind]) && (words[behind] == "means" || Naming.Contains(words[behind + 1]))
            && question.Words.Zip(words.Skip(first)).All(p => p.First.Stem == Tokens.Stem(IrregularForms.BaseOf(p.Second)));
    }
}
