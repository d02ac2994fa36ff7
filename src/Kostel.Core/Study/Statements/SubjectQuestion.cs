using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>A question for what something is stated of: "A good hash function spreads the keys." asks "What spreads the keys?"</summary>
internal static class SubjectQuestion
{
    private static readonly HashSet<string> Helpers = ["is", "was", "has", "does", "can", "may", "must", "should", "will", "would", "could", "might", "cannot", "can't", "isn't", "wasn't", "doesn't", "won't"];

    /// <summary>Of less nobody knows what is asked for.</summary>
    private const int LeastLeft = 3;

    /// <summary>Of these one asks "who".</summary>
    private static readonly HashSet<string> Persons = ["man", "men", "woman", "women", "people", "person", "child", "children", "driver", "teacher", "student", "students", "doctor", "nurse", "king", "queen", "judge", "owner", "buyer", "seller", "worker", "engineer", "keeper"];

    /// <summary>With these, behind a comma and "and", the next clause begins with a subject of its own.</summary>
    private static readonly HashSet<string> OwnSubject = ["a", "an", "the", "our", "their", "its", "your", "it", "they", "we", "you", "he", "she", "this", "that", "these", "those", "there", "i", "each", "every"];

    /// <summary>Where what is said of the subject ends.</summary>
    private static int ClauseEnd(IReadOnlyList<Word> words, int from)
    {
        for (var at = from + 2; at < words.Count - 1; at++)
        {
            if (words[at - 1].Text.EndsWith(',') && Tokens.Of(words[at].Text) is ["and" or "but" or "so"] && Tokens.Of(words[at + 1].Text).Any(OwnSubject.Contains))
            {
                return at;
            }
        }

        return words.Count;
    }

    /// <summary>The question, or null where the phrase is not the subject, is of several, or is a person.</summary>
    /// <param name="statement">What is stated.</param>
    /// <param name="missing">What is asked for.</param>
    public static string? Of(Statement statement, string missing)
    {
        if (statement.Grammar is not { } grammar || MainClause.Of(grammar) is not { Subject: { First: 0 } subject })
        {
            return null;
        }

        var words = statement.Part.Words;
        var said = string.Join(' ', words.Take(subject.Count).Select(w => w.Text)).TrimEnd(',', ';', ':');
        var named = Tokens.Of(missing);
        if (!string.Equals(said, missing, StringComparison.OrdinalIgnoreCase) || subject.End >= words.Count || named.Any(Persons.Contains) || named is [.., var last] && last.EndsWith("ist", StringComparison.Ordinal))
        {
            return null;
        }

        var verb = Tokens.Of(words[subject.End].Text);
        var isOne = verb is [var v] && (Helpers.Contains(v) || (v.EndsWith('s') && !v.EndsWith("ss", StringComparison.Ordinal)) || v.EndsWith("ed", StringComparison.Ordinal) || (IrregularForms.IsPast(v) && v is not "were"));
        return isOne && Tokens.ContentStems(statement.Part.Text).Distinct().Except(Tokens.ContentStems(missing)).Count() >= LeastLeft ? $"What {Asides.Without(string.Join(' ', words.Skip(subject.End).Take(ClauseEnd(words, subject.End) - subject.End).Select(w => w.Text))).TrimEnd('.', ',')}?" : null;
    }
}
