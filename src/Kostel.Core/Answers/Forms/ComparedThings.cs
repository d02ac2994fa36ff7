using System.Text.RegularExpressions;

namespace Kostel.Core.Answers.Forms;

/// <summary>The two things that a question compares.</summary>
internal static partial class ComparedThings
{
    /// <summary>What they are called in the question; null where nothing is compared.</summary>
    public static (string One, string Other)? In(string text)
    {
        foreach (var form in new[] { Difference(), Differs(), Compare(), More() })
        {
            if (form.Match(text) is { Success: true } m && Name(m.Groups["one"].Value) is { Length: > 0 } one && Name(m.Groups["other"].Value) is { Length: > 0 } other)
            {
                return one.Equals(other, StringComparison.OrdinalIgnoreCase) ? null : (one, other);
            }
        }

        return null;
    }

    private static string Name(string words) => Article().Replace(words.Trim(' ', '?', '.', ','), "");

    private const string Thing = @"[^?,;]+?";

    private const string Differing = "differences?|distinction|distinguish|choose";

    [GeneratedRegex($@"\b(?:{Differing}) between (?<one>{Thing}) and (?<other>{Thing})\s*\??$", RegexOptions.IgnoreCase)]
    private static partial Regex Difference();

    private const string Does = "do|does|did|is|are";

    [GeneratedRegex($@"\b(?:how|where|in what way) (?:{Does}) (?<one>{Thing}) (?:differ|different) from (?<other>{Thing})\s*\??$", RegexOptions.IgnoreCase)]
    private static partial Regex Differs();

    [GeneratedRegex($@"\bcompare (?<one>{Thing}) (?:with|to|and|against) (?<other>{Thing})\s*\??$", RegexOptions.IgnoreCase)]
    private static partial Regex Compare();

    [GeneratedRegex($@"(?<one>{Thing}) (?:versus|vs\.?|compared (?:with|to)|as opposed to) (?<other>{Thing})\s*\??$", RegexOptions.IgnoreCase)]
    private static partial Regex More();

    [GeneratedRegex(@"^(?:a|an|the)\s+", RegexOptions.IgnoreCase)]
    private static partial Regex Article();
}
