using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Cards;

/// <summary>The same card from its other side: who knows what a term means does not yet know the term, and the other way round.</summary>
public static partial class ReversedCards
{
    private const int ShortestMeaning = 3, LongestMeaning = 14, LongestName = 5;

    /// <summary>The reversed card; null where its other side asks nothing, or gives itself away.</summary>
    public static CardContent? Of(CardContent content)
    {
        if (content is not QuestionCard card)
        {
            return null;
        }

        var answer = card.Answer.Trim().TrimEnd('.');
        if (Called().Match(card.Question) is { Success: true } called)
        {
            return Pair(answer, called.Groups["meaning"].Value) is var (name, meaning) ? new QuestionCard($"What {called.Groups["is"].Value} {WordForms.Small(name)}?", $"{WordForms.Capital(meaning)}.") : null;
        }

        return What().Match(card.Question) is { Success: true } what && Pair(what.Groups["name"].Value, answer) is var (term, meant)
            ? new QuestionCard($"What {what.Groups["is"].Value} {WordForms.Small(meant)} called?", $"{WordForms.Capital(term)}.")
            : null;
    }

    /// <summary>A name and a meaning of which neither tells the other.</summary>
    private static (string Name, string Meaning)? Pair(string name, string meaning)
    {
        var (stems, meant) = (Tokens.ContentStems(name), Tokens.ContentStems(meaning).ToHashSet());
        return stems.Count > 0 && name.Split(' ').Length <= LongestName && meaning.Split(' ').Length is >= ShortestMeaning and <= LongestMeaning && !stems.All(meant.Contains) && !NumberWords.IsNumber(Tokens.Of(meaning)[0]) ? (name, meaning) : null;
    }

    [GeneratedRegex(@"^What (?<is>is|are) (?<meaning>.+) called\?$")]
    private static partial Regex Called();

    [GeneratedRegex(@"^What (?<is>is|are) (?<name>[^?,]+)\?$")]
    private static partial Regex What();
}
