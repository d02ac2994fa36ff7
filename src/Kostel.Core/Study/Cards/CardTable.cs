using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Cards;

/// <summary>Cards as a table: a row each with question, answer and time.</summary>
public static class CardTable
{
    /// <summary>A row of tab-separated or, by RFC 4180, comma-separated values; without the end of the line.</summary>
    public static string Row(bool isCsv, CardContent card, Evidence source) => Row(isCsv, card.Front, card.Back, CaptionClock.Short(source.StartMs));

    private static string Row(bool isCsv, params string[] fields) => isCsv
        ? string.Join(',', fields.Select(f => f.IndexOfAny(['"', ',', '\n', '\r']) < 0 ? f : $"\"{f.Replace("\"", "\"\"", StringComparison.Ordinal)}\""))
        : string.Join('\t', fields.Select(f => f.Replace('\t', ' ').ReplaceLineEndings(" ")));
}
