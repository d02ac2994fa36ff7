using Kostel.Core.Text;

namespace Kostel.Core.Study.Cards;

/// <summary>What cards that are there ask for, so that the same fact is not asked for twice.</summary>
public sealed class AskedFacts(IEnumerable<CardContent> cards)
{
    /// <summary>Cards whose words are this much the same ask for the same.</summary>
    private const double SameWords = 0.8;

    private readonly List<HashSet<string>> asked = [.. cards.Select(Stems)];

    /// <summary>Whether one of them asks for what another card does.</summary>
    public bool Hold(CardContent card)
    {
        var stems = Stems(card);
        return asked.Exists(a => a.Count(stems.Contains) >= SameWords * Math.Max(a.Count, stems.Count));
    }

    private static HashSet<string> Stems(CardContent card) => [.. Tokens.ContentStems($"{card.Front} {card.Back}")];
}
