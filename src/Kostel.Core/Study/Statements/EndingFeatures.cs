using Kostel.Core.Grammar;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Statements;

/// <summary>What tells whether what a statement ends with is worth asking for: what is counted of every gap, behind what it stands, and whether it is of one piece.</summary>
internal static class EndingFeatures
{
    private static readonly string[] Own =
    [
        "behind being", "behind another verb", "behind until, if, when, because", "behind that", "behind a small preposition", "behind by or without", "behind a comparison", "behind not or only", "behind to or a modal", "holds a verb", "a verb behind a preposition", "begins with a pronoun", "begins with an article",
        "begins with a preposition", "begins with a particle", "holds and", "content", "one piece for the grammar", "cuts a piece", "holds a doer", "is a number", "more stands behind", "holds a name for the whole", "two words or fewer", "behind a number",
    ];

    /// <summary>What each number of <see cref="Of"/> is.</summary>
    public static readonly IReadOnlyList<string> Names = [.. GapFeatures.Names, .. Own];

    private static readonly HashSet<string> Being = ["is", "are", "was", "were", "be", "becomes", "become", "called", "means", "mean", "been", "stays", "stay"];
    private static readonly HashSet<string> Modals = ["to", "can", "may", "must", "should", "will", "would", "could", "cannot", "can't", "won't", "doesn't", "don't"];
    private static readonly HashSet<string> Finite = ["is", "are", "was", "were", "has", "have", "had", "can", "must", "will", "may", "does", "do", "did", "it's", "there's", "they're", "that's"];
    private static readonly HashSet<string> Small = ["of", "in", "on", "at", "for", "with", "from", "to", "into", "about", "through", "over", "under"];
    private static readonly HashSet<string> Pronouns = ["it", "they", "you", "we", "he", "she", "i", "them", "us", "nobody", "somebody", "each"];
    private static readonly HashSet<string> Articles = ["a", "an", "the", "its", "their", "no", "some", "any", "every", "each", "another"];
    private static readonly HashSet<string> Leading = ["in", "on", "at", "from", "to", "with", "by", "for", "under", "through", "into", "after", "before", "when", "if", "until", "as", "like", "where", "what", "how", "that", "without", "along", "within", "behind"];
    private static readonly HashSet<string> Particles = ["off", "out", "up", "down", "back", "away", "over", "apart", "together", "round", "along", "again", "around"];

    /// <summary>Whether it can answer "what": no place, time or manner, and nobody.</summary>
    public static bool IsThing(string ending) => Tokens.Of(ending) is [var first, ..] said && (first == "that" || !Leading.Contains(first)) && !(first is "only" or "just" or "even" && said.Count > 1 && Leading.Contains(said[1])) && !Particles.Contains(first) && !Pronouns.Contains(first) && first is not ("no" or "far" or "close" or "near") && !WordForms.IsVerbOrAdverb(first) && !said.Contains("sake");

    /// <summary>Behind this an ending says what something is.</summary>
    public static bool IsBeing(string word) => Being.Contains(word);

    /// <summary>Behind this stands what is done.</summary>
    public static bool IsModal(string word) => Modals.Contains(word);

    /// <summary>Whether a thing is named behind it.</summary>
    public static bool IsArticle(string word) => Articles.Contains(word);

    /// <summary>Whether it stands for somebody or something.</summary>
    public static bool IsPronoun(string word) => Pronouns.Contains(word);

    /// <summary>Whether it leads to a place, a time or a clause.</summary>
    public static bool IsLeading(string word) => Leading.Contains(word);

    /// <summary>Whether it belongs to the verb before it.</summary>
    public static bool IsParticle(string word) => Particles.Contains(word);

    /// <summary>By <see cref="Names"/>.</summary>
    /// <param name="gap">One that is left out at the end.</param>
    /// <param name="counted">What <see cref="GapFeatures"/> counts of it.</param>
    public static double[] Of(FactGap gap, double[] counted)
    {
        var (run, words, grammar) = (gap.Run, gap.Statement.Part.Words, gap.Statement.Grammar);
        var before = Tokens.Of(words[run.First - 1].Text) is [.., var last] ? last : "";
        var said = Tokens.Of(gap.Missing);
        var isBeing = Being.Contains(before) || ContractedBeing.EndsWithOne([before, said[0]], 0);
        var isVerbBefore = grammar?.ByPlace.GetValueOrDefault(run.First - 1)?.IsVerb == true;
        var holdsVerb = said.Any(Finite.Contains) || Enumerable.Range(run.First, run.Count).Any(i => grammar?.ByPlace.GetValueOrDefault(i)?.IsVerb == true);
        var pieces = grammar?.Root.All().Where(p => p.Parts.Count > 0).ToList() ?? [];
        double Is(bool holds) => holds ? 1 : 0;
        return
        [
            .. counted,
            Is(isBeing),
            Is(isVerbBefore && !isBeing),
            Is(before is "until" or "unless" or "if" or "when" or "because"),
            Is(before == "that"),
            Is(Small.Contains(before)),
            Is(before is "by" or "without"),
            Is(before is "than" or "like" or "as"),
            Is(before is "not" or "only"),
            Is(Modals.Contains(before)),
            Is(holdsVerb),
            Is(holdsVerb && Small.Contains(before) && !said[0].EndsWith("ing", StringComparison.Ordinal) && said[0] is not ("what" or "whatever" or "how" or "whether" or "it")),
            Is(Pronouns.Contains(said[0])),
            Is(Articles.Contains(said[0])),
            Is(Leading.Contains(said[0])),
            Is(Particles.Contains(said[0])),
            Is(said.Any(w => w is "and" or "or")),
            Tokens.ContentStems(gap.Missing).Count / 4.0,
            Is(pieces.Exists(p => p.First == run.First && p.End == run.End)),
            Is(pieces.Exists(p => p.First < run.First && p.End > run.First && p.End < run.End)),
            Is(Enumerable.Range(run.First + 1, run.Count - 1).Any(i => grammar?.ByPlace.GetValueOrDefault(i)?.IsVerb == true) && !said[0].EndsWith("ing", StringComparison.Ordinal)),
            Is(said.Any(NumberWords.IsNumber)),
            Is(run.End < words.Count),
            Is(said.Any(w => w is "what" or "that" or "which" or "who" or "whatever")),
            Is(said.Count <= 2),
            Is(NumberWords.IsNumber(before)),
        ];
    }
}
