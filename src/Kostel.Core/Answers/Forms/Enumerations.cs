using System.Text.RegularExpressions;

namespace Kostel.Core.Answers.Forms;

/// <summary>Things that a sentence tells one after the other: "sand, silt and clay".</summary>
internal static partial class Enumerations
{
    private const int Fewest = 3, LongestItem = 7;

    /// <summary>Each of them, as letters of the text; none where there are fewer than three.</summary>
    public static IReadOnlyList<QuotePart> In(string text)
    {
        var best = new List<QuotePart>();
        foreach (Match series in Series().Matches(text))
        {
            var items = Separators().Split(series.Value);
            var (parts, at) = (new List<QuotePart>(), series.Index);
            foreach (var item in items.Where(i => i.Trim().Length > 0))
            {
                var from = text.IndexOf(item.Trim(), at, StringComparison.Ordinal);
                parts.Add(new QuotePart(from, from + item.Trim().Length));
                at = from + item.Trim().Length;
            }

            if (parts.Count >= Fewest && parts.Count > best.Count && parts.Skip(1).SkipLast(1).All(p => Words(text, p) <= LongestItem))
            {
                best = parts;
            }
        }

        return best.Count == 0 ? best : [First(text, best), .. best.Skip(1).SkipLast(1), Last(text, best)];
    }

    private static int Words(string text, QuotePart part) => text[part.From..part.To].Count(char.IsWhiteSpace) + 1;

    /// <summary>The first item has the sentence before it: it is as long as the second one, or begins behind the verb or the colon.</summary>
    private static QuotePart First(string text, List<QuotePart> parts)
    {
        var part = parts[0];
        var item = text[part.From..part.To];
        if (Before().Matches(item) is { Count: > 0 } lead && lead[^1] is var last && last.Index + last.Length < item.Length)
        {
            return part with { From = part.From + last.Index + last.Length };
        }

        var words = item.Split(' ');
        var keep = Math.Min(words.Length, Words(text, parts[1]));
        return part with { From = part.To - string.Join(' ', words.TakeLast(keep)).Length };
    }

    private static QuotePart Last(string text, List<QuotePart> parts)
    {
        var part = parts[^1];
        var item = text[part.From..part.To];
        var after = After().Match(item);
        return after.Success && after.Index > 0 ? part with { To = part.From + after.Index } : part;
    }

    [GeneratedRegex(@"[^.;!?:]+(?:, [^,.;!?:]+)+,? (?:and|or) [^,.;!?:]+|[^.;!?:]+(?:, [^,.;!?:]+){2,}")]
    private static partial Regex Series();

    [GeneratedRegex(@",? (?:and|or) (?:finally |last |lastly )?|, ")]
    private static partial Regex Separators();

    private const string Verbs = "is|are|was|were|be|has|have|had|needs?|uses?|contains?|includes?|means|takes?|remember|called";

    [GeneratedRegex($@"\b(?:{Verbs}|into|from|with|of|by|numbers|things)\b\s*")]
    private static partial Regex Before();

    [GeneratedRegex(@"(?:,| (?:which|that|because|so that|when|if|while|but|is|are|in|on|at|for)\b).*$")]
    private static partial Regex After();
}
