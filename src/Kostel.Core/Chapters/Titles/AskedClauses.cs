using Kostel.Core.Text;

namespace Kostel.Core.Chapters.Titles;

/// <summary>A question with its words in the order of a statement: "What can a town do?" makes "what a town can do".</summary>
internal static class AskedClauses
{
    private const double SometimesVerb = 0.25, SometimesNoun = 0.3, MostlyAdjective = 0.5;

    private static readonly HashSet<string> Asking = ["why", "how", "when", "where", "what", "which", "who", "whose"];
    private static readonly HashSet<string> Measuring = ["long", "much", "many", "far", "fast", "often", "deep", "high", "big", "old", "hot", "heavy", "quickly", "large", "small", "well", "bad", "good", "strong", "wide", "thick", "cold"];
    private static readonly HashSet<string> Modal = ["can", "could", "will", "would", "must", "should", "may", "might"];
    private static readonly HashSet<string> Denied = ["don't", "doesn't", "didn't", "can't", "won't", "shouldn't", "couldn't"];
    private static readonly HashSet<string> NoEnd = ["the", "a", "an", "and", "or", "is", "are", "so", "then", "all", "too", "they", "have", "be"];
    private static readonly HashSet<string> Tail = ["then", "exactly", "actually", "really", "anyway", "now", "though", "again"];
    private static readonly HashSet<string> Filling = ["else", "exactly", "actually", "really", "then", "now"];
    private static readonly HashSet<string> Standing = ["we", "people", "they", "it", "you", "he", "she", "one"];
    private static readonly HashSet<string> Before = ["the", "a", "an", "every", "most", "all", "no", "any"];

    /// <summary>The clause; null where the question is of no form that can be turned.</summary>
    public static string? Of(string question, Lexicon lexicon)
    {
        var words = Asked(question);
        if (words.Count < 3)
        {
            return null;
        }

        var askers = AskerCount(words, lexicon);
        if (askers == 0 || askers + 1 >= words.Count)
        {
            return null;
        }

        var (asks, helper, rest) = (words[..askers], words[askers].ToLowerInvariant(), words[(askers + 1)..]);
        var turned = WordForms.IsBeing(helper) ? AfterBeing(helper, rest, lexicon)
            : helper is "do" or "does" or "did" || Modal.Contains(helper) || Denied.Contains(helper) ? AfterHelper(helper, rest, lexicon)
            : null;
        var isSubject = turned is null && asks[0].ToLowerInvariant() is "what" or "who" or "which" && IsFinite(helper, lexicon) && !(WordForms.IsBeing(helper) && asks.Count == 1 && asks[0] is not "who");
        List<string> clause = turned is not null ? [.. asks, .. turned] : isSubject ? words : [];
        return clause.Count > 0 && (turned is not null || !NoEnd.Contains(clause[^1].ToLowerInvariant())) ? string.Join(' ', clause) : null;
    }

    /// <summary>The words from the question word on, without what is only filling.</summary>
    private static List<string> Asked(string question)
    {
        var end = question.IndexOf('?', StringComparison.Ordinal);
        var text = end < 0 ? "" : question[..end];
        var clause = text.Split([',', ';', ':', '.', '!', '–', '—']).Select(p => p.Trim()).LastOrDefault(p => p.Split(' ').Any(w => Asking.Contains(w.ToLowerInvariant()))) ?? "";
        var words = clause.Split(' ', StringSplitOptions.RemoveEmptyEntries).SkipWhile(w => !Asking.Contains(w.ToLowerInvariant())).ToList();
        while (words.Count > 0 && Tail.Contains(words[^1].ToLowerInvariant()))
        {
            words.RemoveAt(words.Count - 1);
        }

        return words.Where((w, i) => i == 0 || !Filling.Contains(w.ToLowerInvariant())).ToList();
    }

    /// <summary>How many words ask: "why", "how long", "which measure".</summary>
    private static int AskerCount(List<string> words, Lexicon lexicon)
    {
        var second = words[1].ToLowerInvariant();
        var first = words[0].ToLowerInvariant();
        if (first is "how" && Measuring.Contains(second))
        {
            return second is "much" or "many" && words.Count > 2 && IsNoun(words[2].ToLowerInvariant(), lexicon) ? 3 : 2;
        }

        if (first is not ("which" or "what" or "whose"))
        {
            return 1;
        }

        var nouns = words.Skip(1).TakeWhile(w => !IsHelper(w.ToLowerInvariant()) && lexicon.KindsOf(w.ToLowerInvariant()) is { Total: > 0, VerbShare: < SometimesVerb }).Count();
        return 1 + (nouns <= 2 ? nouns : 0);
    }

    /// <summary>"is glass made of" makes "glass is made of".</summary>
    private static List<string>? AfterBeing(string helper, List<string> rest, Lexicon lexicon)
    {
        var at = Enumerable.Range(1, rest.Count - 1).FirstOrDefault(i => (IsNoun(rest[i - 1].ToLowerInvariant(), lexicon) || Standing.Contains(rest[i - 1].ToLowerInvariant())) && BeginsWhatIsSaid(rest[i].ToLowerInvariant(), lexicon));
        return at > 0 ? [.. rest[..at], helper, .. rest[at..]]
            : rest.Count <= 4 && IsNoun(rest[^1].ToLowerInvariant(), lexicon) && !rest.Any(w => WordForms.IsBeing(w.ToLowerInvariant())) ? [.. rest, helper] : null;
    }

    private static bool BeginsWhatIsSaid(string word, Lexicon lexicon) =>
        IrregularForms.IsPast(word) || lexicon.IsVerbForm(word, "ed") || word is "for" or "about" or "at" or "so" or "not" or "in" or "on" or "like" || lexicon.KindsOf(word) is { AdjectiveShare: > MostlyAdjective };

    /// <summary>"does the river turn" makes "the river turns".</summary>
    private static List<string>? AfterHelper(string helper, List<string> rest, Lexicon lexicon)
    {
        var at = Enumerable.Range(1, Math.Max(0, rest.Count - 1)).FirstOrDefault(i => IsVerb(rest[i].ToLowerInvariant(), lexicon) && (IsNoun(rest[i - 1].ToLowerInvariant(), lexicon) || Standing.Contains(rest[i - 1].ToLowerInvariant())));
        if (at == 0)
        {
            return null;
        }

        var verb = rest[at].ToLowerInvariant();
        return helper switch
        {
            "do" => rest,
            "does" => [.. rest[..at], VerbForms.ThirdPerson(verb), .. rest[(at + 1)..]],
            "did" => [.. rest[..at], VerbForms.Past(verb), .. rest[(at + 1)..]],
            _ => [.. rest[..at], helper, .. rest[at..]],
        };
    }

    private static bool IsHelper(string word) => WordForms.IsBeing(word) || Modal.Contains(word) || word is "do" or "does" or "did" or "has" or "have" or "had";

    private static bool IsFinite(string word, Lexicon lexicon) => IsHelper(word) || IrregularForms.IsPast(word) || (word.EndsWith('s') && lexicon.KindsOf(word).VerbShare > SometimesVerb);

    private static bool IsVerb(string word, Lexicon lexicon) => word is "be" or "have" or "do" || (!Before.Contains(word) && lexicon.KindsOf(word).VerbShare > SometimesVerb);

    private static bool IsNoun(string word, Lexicon lexicon) => lexicon.KindsOf(word) is { Total: 0 } or { NounShare: > SometimesNoun } && !StopWords.Contains(word);
}
