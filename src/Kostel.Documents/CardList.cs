using CsvHelper;
using Kostel.Core.Captions;
using Kostel.Core.Entries;
using Kostel.Core.Problems;

namespace Kostel.Documents;

/// <summary>A card as a list has it.</summary>
/// <param name="StartMs">Where the lecture says it; null where the list does not tell.</param>
public sealed record ListedCard(string Front, string Back, int? StartMs);

/// <summary>Reads cards from a list: a row each with question, answer and, if one likes, the time; comma-separated by RFC 4180, or tab-separated. A row of headings is passed over.</summary>
public static class CardList
{
    private const int MostCards = 2_000;

    private static readonly HashSet<string> Headings = new(StringComparer.OrdinalIgnoreCase) { "question", "front", "term", "cue" };

    /// <summary>The cards in order.</summary>
    /// <exception cref="NotValidException">It is no such list; says in which row.</exception>
    public static IReadOnlyList<ListedCard> Read(string text)
    {
        var isTabbed = text.AsSpan(0, Math.Max(0, text.IndexOfAny(['\n', '\r'])) is var end && end > 0 ? end : text.Length).Contains('\t');
        var options = new CsvReaderOptions
        {
            HasHeader = false,
            Separator = isTabbed ? '\t' : ',',
            Mode = isTabbed ? CsvMode.NoEscape : CsvMode.Rfc4180,
            MalformedData = CsvMalformedDataHandling.Throw,
            FieldCountMismatch = CsvFieldCountHandling.Allow,
            SkipEmptyLines = true,
        };
        var cards = new List<ListedCard>();
        try
        {
            using var csv = CsvReader.FromText(text.TrimStart('\uFEFF'), options);
            for (var row = 1; csv.Read(); row++)
            {
                if (row == 1 && Headings.Contains(csv.GetString(0).Trim()))
                {
                    continue;
                }

                if (csv.FieldCount < 2)
                {
                    throw new NotValidException($"Row {row} has no answer: a row has a question and an answer, divided by a comma or a tab.");
                }

                cards.Add(new ListedCard(EntryRules.CardSide.Read(csv.GetString(0)), EntryRules.CardSide.Read(csv.GetString(1)), csv.FieldCount > 2 ? CaptionClock.Read(csv.GetString(2).Trim()) : null));
                if (cards.Count > MostCards)
                {
                    throw new NotValidException($"A list can have up to {MostCards} cards.");
                }
            }
        }
        catch (CsvFormatException e)
        {
            throw new NotValidException($"Row {e.RecordNumber} has a quotation mark that is not closed, or one too many.");
        }

        return cards.Count > 0 ? cards : throw new NotValidException("There is no card in this list.");
    }
}
