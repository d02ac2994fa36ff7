using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Cards that ask for all that a sentence counts and then names: "Three things carry heat: conduction, convection and radiation."</summary>
internal static partial class NamedLists
{
    private const int LongestLeft = 16, LeastContent = 1, LongestItem = 7;

    private static readonly Dictionary<string, int> Counts = new() { ["two"] = 2, ["three"] = 3, ["four"] = 4, ["five"] = 5, ["six"] = 6 };

    /// <summary>The card of a sentence, or null.</summary>
    public static CardDraft? Of(Sentence sentence)
    {
        var text = QuotableSentence.Untied(Asides.Without(sentence.Text));
        var m = CountedAndNamed().Match(text);
        if (!m.Success || !QuotableSentence.IsHeardWell(sentence) || StandingAlone.IsTalk(text))
        {
            return null;
        }

        var (left, list) = (m.Groups["left"].Value, m.Groups["list"].Value);
        var (before, items) = (Tokens.Of(left), Divider().Split(list).Select(i => i.Trim()).Where(i => i.Length > 0).ToList());
        var fits = before.Count <= LongestLeft && items.Count == Counts[m.Groups["count"].Value.ToLowerInvariant()] && items.TrueForAll(i => Tokens.Of(i).Count is >= 1 and <= LongestItem)
            && Tokens.ContentStems(left).Count >= LeastContent && !before.Any(w => w is "this" or "these" or "those" or "it" or "they" or "here" or "i" or "my" or "today" or "tonight" or "questions");
        return fits ? CardDraft.Asking($"{WordForms.Capital(left)}. Which?", WordForms.Capital(list) + ".", Evidence.Of(sentence)) : null;
    }

    [GeneratedRegex(@"^(?<left>[^:?]*\b(?<count>two|three|four|five|six) [\p{L}-]+[^:?,]*):\s+(?<list>[^:;?]+)\.$", RegexOptions.IgnoreCase)]
    private static partial Regex CountedAndNamed();

    [GeneratedRegex(@",? and |, ")]
    private static partial Regex Divider();
}
