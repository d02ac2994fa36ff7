using Kostel.Core.Text;

namespace Kostel.Core.Answers;

/// <summary>What kind of thing a question wants to hear.</summary>
public enum Wanted
{
    /// <summary>Anything that speaks of it.</summary>
    Statement,

    /// <summary>What something is.</summary>
    Definition,

    /// <summary>A number: how many, how long, how far, when by the clock.</summary>
    Quantity,

    /// <summary>A cause.</summary>
    Reason,

    /// <summary>A person.</summary>
    Person,
}

/// <summary>A question as far as its form tells: what it wants and which words it is about.</summary>
/// <param name="Terms">Content stems and numbers as digits, each once.</param>
public sealed record Question(Wanted Wants, IReadOnlyList<string> Terms)
{
    private static readonly HashSet<string> Measures =
    [
        "much", "many", "long", "far", "high", "deep", "fast", "often", "wide", "large", "big", "old", "heavy", "strong", "thick", "slowly", "quickly",
    ];

    private static readonly HashSet<string> AskingWords =
        ["lecture", "lecturer", "speaker", "explain", "explained", "mentioned", "mean", "means", "meaning", "definition", "define", "called", "happens", "happen", "wait", "last", "lasts", "difference"];

    /// <summary>Reads a question.</summary>
    public static Question Read(string text)
    {
        var words = Tokens.Of(text);
        var terms = StemsOf(words.Where(w => !AskingWords.Contains(w)).ToList());
        return new Question(WantedBy(words), terms);
    }

    /// <summary>The stems of the content words, with spoken numbers as digits.</summary>
    public static IReadOnlyList<string> StemsOf(IReadOnlyList<string> words) =>
        NumberWords.ToDigits(words)
            .Where(w => char.IsDigit(w[0]) || (!StopWords.Contains(w) && !Measures.Contains(w)))
            .Select(Tokens.Stem)
            .Distinct()
            .ToList();

    private static Wanted WantedBy(IReadOnlyList<string> words)
    {
        for (var i = 0; i < words.Count; i++)
        {
            switch (words[i])
            {
                case "who" or "whom" or "whose":
                    return Wanted.Person;
                case "why":
                    return Wanted.Reason;
                case "how" when i + 1 < words.Count && Measures.Contains(words[i + 1]):
                    return Wanted.Quantity;
                case "what" when i + 2 < words.Count && words[i + 1] is "is" or "are" && words.Count - i <= 6:
                    return words.Skip(i).Any(w => w is "height" or "range" or "length" or "depth" or "speed" or "percentage" or "rate") && words.Count - i > 5
                        ? Wanted.Statement
                        : Wanted.Definition;
                case "what" when i + 1 < words.Count && words[i + 1] is "causes" or "caused":
                    return Wanted.Reason;
            }
        }

        return Wanted.Statement;
    }
}
