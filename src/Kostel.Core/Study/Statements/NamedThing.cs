using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>A thing by the words that name it.</summary>
/// <param name="Name">Without an article.</param>
/// <param name="Article">"a", "an", "the" or nothing.</param>
/// <param name="IsArticleOutside">The article stands before the gap, where it stays.</param>
internal sealed record NamedThing(string Name, string Article, bool IsArticleOutside)
{
    /// <summary>Reads a phrase.</summary>
    /// <param name="phrase">With its article or without.</param>
    /// <param name="before">The word before it.</param>
    public static NamedThing Of(string phrase, string before)
    {
        var first = phrase.Split(' ')[0].ToLowerInvariant();
        return first is "a" or "an" or "the" && phrase.Contains(' ') ? new NamedThing(phrase[(first.Length + 1)..], first, false)
            : before is "a" or "an" or "the" ? new NamedThing(phrase, before, true)
            : new NamedThing(phrase, "", false);
    }

    /// <summary>The word for the kind of thing that it is: "cell" of "red cell of the blood".</summary>
    public string Head { get; } = HeadOf(Name);

    /// <summary>Whether several are named, by the form of the last word that names; "process", "virus" and "axis" are one.</summary>
    public bool IsPlural { get; } = HeadOf(Name) is var head && head.EndsWith('s') && head is not [.., 's' or 'u' or 'i', 's'];

    /// <summary>Whether its name begins with a vowel's letter: "an" before a gap would tell.</summary>
    public bool BeginsWithVowel => Name.Length > 0 && "aeiouAEIOU".Contains(Name[0]);

    private static string HeadOf(string name) => Tokens.Of(name).TakeWhile(w => w is not ("of" or "in" or "with" or "for" or "from" or "without" or "on" or "at" or "to")).LastOrDefault() ?? name;
}
