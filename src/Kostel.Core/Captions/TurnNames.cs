using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Captions;

/// <summary>The names that stand before what somebody says in a text or in captions: "Ines: …", "STUDENT 2: …". Common practice, no standard.</summary>
/// <param name="Known">As they are written.</param>
internal sealed partial record TurnNames(IReadOnlySet<string> Known)
{
    private const int MostWords = 4, LinesATurn = 5;

    private static readonly HashSet<string> Small = ["of", "the", "de", "da", "di", "del", "la", "le", "van", "von", "der", "den", "al", "bin", "y", "e", "and"];

    /// <summary>Written before a remark, and no one's name.</summary>
    private static readonly HashSet<string> Remarks = new(StringComparer.OrdinalIgnoreCase)
    {
        "note", "notes", "nb", "remember", "important", "warning", "caution", "attention", "tip", "hint", "example", "examples", "definition", "theorem", "lemma", "proof", "corollary",
        "remark", "exercise", "task", "homework", "assignment", "result", "conclusion", "summary", "reason", "problem", "solution", "step", "rule", "law", "principle", "formula", "figure",
        "table", "chapter", "part", "section", "unit", "lesson", "lecture", "week", "day", "date", "time", "place", "title", "author", "topic", "subject", "source", "reference", "goal", "aim",
        "method", "materials", "ingredients", "advantage", "advantages", "disadvantage", "disadvantages", "pros", "cons", "cause", "causes", "effect", "effects", "first", "second", "third",
        "finally", "next", "today", "now", "so", "but", "and", "look", "listen", "again", "key", "point", "fact", "facts", "term", "terms", "keywords", "literature", "reading", "contents",
    };

    /// <summary>Who speaks once and is still somebody.</summary>
    private static readonly HashSet<string> Parts = new(StringComparer.OrdinalIgnoreCase)
    {
        "student", "audience", "questioner", "voice", "host", "guest", "moderator", "speaker", "interviewer", "listener", "teacher", "professor", "lecturer", "tutor", "participant", "caller",
        "man", "woman", "chair", "question", "answer", "q", "a", "all",
    };

    /// <summary>Nobody is named.</summary>
    public static TurnNames None { get; } = new(new HashSet<string>());

    public bool IsEmpty => Known.Count == 0;

    /// <summary>
    /// The names in a text of which these are the lines: what recurs before a colon, is written as a name, and stands before enough of them. "Remember: …" is no speaker.
    /// </summary>
    public static TurnNames In(IReadOnlyList<string> lines)
    {
        var labels = lines.Select(Label).OfType<string>().Where(IsNameLike).ToList();
        var counts = labels.CountBy(l => l).ToDictionary();
        var recurring = counts.Count(c => c.Value > 1);
        var isSpoken = recurring > 1 ? labels.Count * LinesATurn >= lines.Count : recurring == 1 && labels.Count * 2 >= lines.Count;
        return isSpoken && labels.Count > 2
            ? new TurnNames(counts.Where(c => c.Value > 1 || IsSomebody(c.Key)).Select(c => c.Key).ToHashSet())
            : None;
    }

    /// <summary>The name that a line begins with, and the rest of the line; no name where it begins with none of these.</summary>
    public (string? Name, string Said) Divide(string line) => Label(line) is { } label && Known.Contains(label) ? (label, line[(line.IndexOf(':', StringComparison.Ordinal) + 1)..].TrimStart()) : (null, line);

    private static string? Label(string line) => Labelled().Match(line) is { Success: true } match ? match.Groups["name"].Value : null;

    private static bool IsNameLike(string label)
    {
        var words = TextLines.Words(label);
        return words.Length is > 0 and <= MostWords && !Remarks.Contains(words[0]) && words.All(w => char.IsUpper(w[0]) || char.IsAsciiDigit(w[0]) || w[0] == '(' || Small.Contains(w));
    }

    private static bool IsSomebody(string label) =>
        TextLines.Words(label) is var words && (words.Length > 1 || Parts.Contains(words[0]) || char.IsAsciiDigit(label[^1]) || (label.Length > 2 && label.All(char.IsUpper)));

    [GeneratedRegex(@"^\s*(?<name>\p{Lu}[^:.?!\n\t]{0,40}):(?:\s+\S|\s*$)", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Labelled();
}
