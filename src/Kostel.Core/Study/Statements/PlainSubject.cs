using Kostel.Core.Study.Facts;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>What a statement is about, where that stands first, is named outright and is short enough to be asked about.</summary>
/// <param name="About">As it stands in a question.</param>
/// <param name="End">The place after it, which is the verb's.</param>
/// <param name="Words">All words of the statement in small letters, without signs.</param>
internal sealed record PlainSubject(string About, int End, IReadOnlyList<string> Words)
{
    private const int Longest = 8;

    private static readonly HashSet<string> Pronouns =
        ["i", "we", "it", "he", "she", "they", "you", "this", "that", "these", "those", "there", "one", "what", "who", "which", "nobody", "nothing", "everybody", "everyone", "anybody", "also", "only"];

    /// <summary>Of a statement that leans on nothing; null for any other.</summary>
    public static PlainSubject? Of(Statement statement)
    {
        if (statement.Before.Count > 0 || statement.Grammar is not { } grammar || MainClause.Of(grammar) is not { Subject: { First: 0, Count: > 0 and <= Longest } subject })
        {
            return null;
        }

        var said = statement.Part.Words.Take(subject.End).Select(w => w.Text).ToList();
        var plain = statement.Part.Words.Select(w => w.Text.ToLowerInvariant().Trim(',', '.', ';', ':')).ToList();
        return said.TrueForAll(w => char.IsLetterOrDigit(w[^1])) && !plain.Take(subject.End).Any(Pronouns.Contains) && !Prepositions.Leads(plain[0])
            ? new PlainSubject(WordForms.Small(string.Join(' ', said)), subject.End, plain)
            : null;
    }
}
