using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>A statement without the words that it is for.</summary>
/// <param name="Front">The statement with a gap, behind what it leans on.</param>
/// <param name="Missing">What belongs there, as it was said.</param>
/// <param name="Number">The number that it is; null for a phrase.</param>
internal sealed record FactGap(Statement Statement, string Front, string Missing, Quantity? Number)
{
    /// <summary>A thing, as it could fill a gap: with its article, be it in the gap or before it, and without.</summary>
    public NamedThing Thing => NamedThing.Of(Missing, Tokens.Of(Front[..Math.Max(0, Front.IndexOf(CardContent.Gap, StringComparison.Ordinal))]).LastOrDefault() ?? "");

    /// <summary>A card that asks for it.</summary>
    public CardDraft Card => (Question is null
        ? new CardDraft(new GapCard(Front, WordForms.Capital(Missing) + "."), Statement.Source)
        : CardDraft.Asking(Question, WordForms.Capital(Missing) + ".", Statement.Source)) with
    { Asks = Statement.Own };

    /// <summary>The same as a question, where it is what something is stated of; null where no plain one can be formed.</summary>
    public string? Question { get; init; }

    /// <summary>The words of the statement that are missing.</summary>
    public required WordRun Run { get; init; }

    /// <summary>Whether it is what the statement ends with, and no thing of its own.</summary>
    public bool IsEnding { get; init; }

    /// <summary>How likely it asks for something that can be known from the lecture and is worth it, from 0 to 1.</summary>
    public double Chance { get; init; }
}
