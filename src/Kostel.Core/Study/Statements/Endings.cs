using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>
/// With what a statement ends: "A wreck stays with its owner until | he gives it up." What stands behind a verb, a preposition or a joining word up to where its clause is closed can be asked for,
/// whether or not the grammar can read the sentence.
/// </summary>
internal static class Endings
{
    private const int LeastBefore = 2, Longest = 9;

    private static readonly HashSet<string> Joins =
    [
        "until", "unless", "because", "if", "when", "than", "like", "as", "by", "through", "into", "from", "with", "without", "of", "for", "to", "in", "on", "at", "about", "against", "between", "towards", "under", "over", "behind", "below", "above", "after", "before", "during", "within",
        "not", "only", "is", "are", "was", "were", "be", "becomes", "become", "called", "means", "mean", "that",
    ];

    /// <summary>With these a clause begins that only goes on, or says why.</summary>
    private static readonly HashSet<string> GoesOn = ["because", "so", "which", "who", "since", "and", "but", "while", "as", "or", "otherwise", "where"];

    /// <summary>An ending does not begin with these: what follows them does.</summary>
    private static readonly HashSet<string> NoBeginning = ["is", "are", "was", "were", "be", "been", "not", "to", "of", "than", "and", "or", "but", "so", "that's", "it's", "also", "then", "by", "about", "being", "just", "called", "this", "these", "those"];

    /// <summary>"It takes | up water": behind a verb they belong to it; "up to forty" does not.</summary>
    private static readonly HashSet<string> Particles = ["up", "down", "off", "out", "away", "apart", "back"];

    /// <summary>What stands for a subject, with which another clause begins.</summary>
    private static readonly HashSet<string> Subjects = ["it", "they", "he", "she", "we", "you", "i"];

    /// <summary>An ending closes with none of these.</summary>
    private static readonly HashSet<string> NoEnd = ["it", "them", "that", "this", "these", "those", "too", "either", "there", "here", "then", "well", "not", "does", "do", "one", "ones", "is", "are"];

    /// <summary>The runs of words that a statement can end with; none where no grammar tells anything of it.</summary>
    public static IEnumerable<WordRun> Of(Statement statement) =>
        statement.Grammar is not { } grammar ? [] : All(statement).Where(run => grammar.IsWhole || !SaidBesides.IsPicture(statement.Part, run));

    private static IEnumerable<WordRun> All(Statement statement)
    {
        var words = statement.Part.Words;
        var plain = words.Select(w => Tokens.Of(w.Text) is [var first, ..] ? first : "").ToList();
        for (var end = LeastBefore + 1; end <= words.Count; end++)
        {
            if (!(end == words.Count || (words[end - 1].Text[^1] is ',' or ';' or ':' && (GoesOn.Contains(plain[end]) || CommaSplices.Opens(plain[end])))))
            {
                continue;
            }

            for (var first = Math.Max(LeastBefore, end - Longest); first < end; first++)
            {
                if (Begins(statement, plain, first) && !GoesOnBehindAnd(statement, plain, first, end) && !RunsOn(plain, first, end) && !TellsAll(statement, plain, first, end) && !NoEnd.Contains(plain[end - 1]) && !words.Skip(first).Take(end - first - 1).Any(w => w.Text[^1] is ',' or ';' or ':') && words[first - 1].Text[^1] is not (',' or ';' or ':'))
                {
                    yield return new WordRun(first, end);
                }
            }
        }
    }

    /// <summary>"You can cut | one stitch and the rest hold": behind "and" something else is stated.</summary>
    private static bool GoesOnBehindAnd(Statement statement, List<string> plain, int first, int end)
    {
        var and = plain.FindIndex(first, end - first, w => w is "and" or "but");
        return and >= 0 && !HoldsVerb(statement, plain, first, and) && HoldsVerb(statement, plain, and, end);
    }

    /// <summary>"In winter when | the heating's on it goes flat": two clauses that nothing joins.</summary>
    private static bool RunsOn(List<string> plain, int first, int end)
    {
        var verb = plain.FindIndex(first, end - first, w => StandingAlone.Carries(w) || (w.EndsWith("'s", StringComparison.Ordinal) && w is not "let's"));
        return verb >= 0 && Enumerable.Range(verb + 1, Math.Max(0, end - verb - 2)).Any(i => Subjects.Contains(plain[i]) && plain[i - 1] is "on" or "off" or "in" or "out" or "up" or "down" or "there" or "here" or "then");
    }

    /// <summary>"A rope that's | old isn't safe": behind the beginning that says which, all that is stated of it.</summary>
    private static bool TellsAll(Statement statement, List<string> plain, int first, int end)
    {
        var which = plain[first - 1] is "that's" or "who's" or "which's" ? first - 1 : first > 1 && plain[first - 1] is "is" or "are" or "was" or "were" && plain[first - 2] is "that" or "who" or "which" ? first - 2 : -1;
        return which > 0 && !HoldsVerb(statement, plain, 0, which) && HoldsVerb(statement, plain, first + 1, end);
    }

    private static bool HoldsVerb(Statement statement, List<string> plain, int from, int end) =>
        Enumerable.Range(from, end - from).Any(i => statement.Grammar?.ByPlace.GetValueOrDefault(i)?.IsVerb == true || StandingAlone.Carries(plain[i]));

    private static bool Begins(Statement statement, List<string> plain, int at) =>
        !NoBeginning.Contains(plain[at]) && !(Particles.Contains(plain[at]) && at + 1 < plain.Count && plain[at + 1] is not ("to" or "by")) && (Joins.Contains(plain[at - 1]) || ContractedBeing.EndsWithOne(plain, at - 1) || statement.Grammar?.ByPlace.GetValueOrDefault(at - 1)?.IsVerb == true);
}
