using Kostel.Core.Retrieval;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>What tells whether somebody who reads a statement with a gap knows what is asked, learns something by it, and cannot guess it.</summary>
/// <param name="sentences">What <see cref="FactFeatures"/> counts of each sentence of the lecture.</param>
/// <param name="phrases">The lecture's phrases, and how it uses them.</param>
/// <param name="spoken">In how many sentences each stem is said.</param>
/// <param name="words">What is known of English words.</param>
internal sealed class GapFeatures(double[][] sentences, Dictionary<string, PhraseUse> phrases, Dictionary<string, int> spoken, WordKnowledge words)
{
    private const int Rarest = 60000, Directions = 100;

    private static readonly string[] Own =
    [
        "worth", "measured", "counted", "subject", "behind the verb", "behind of", "behind a preposition", "said besides", "length", "one word", "defined", "common", "rarity", "said again", "said often", "statement's length", "place", "at the end",
        "context", "to the listener", "points", "a question", "the", "a", "guessed", "guessed from the word before", "name", "cost", "several", "opens besides", "commas", "is", "quality", "loose", "condition", "words left", "abstract verb", "with another number", "no grammar", "opens with the",
        "opens", "number of what is stated", "number to the listener", "one of two numbers", "so many times", "a call", "phrase that points", "person", "time", "clause with a subject of its own", "verb-like",
    ];

    /// <summary>What each number of <see cref="Of"/> is.</summary>
    public static readonly IReadOnlyList<string> Names =
    [
        .. FactFeatures.Names, .. Own, .. Enumerable.Range(1, Directions).Select(i => $"what is asked for, direction {i}"), .. Enumerable.Range(1, Directions).Select(i => $"what is left, direction {i}"),
    ];

    private static readonly double[] NoDirection = new double[Directions];

    private static readonly HashSet<string> Loose = ["bit", "lot", "stuff", "thing", "things", "really", "actually", "kind", "sort", "just", "quite", "pretty", "nice", "well", "okay", "like", "get", "got", "gets", "put", "take", "takes", "go", "goes", "comes", "come"];

    private static readonly HashSet<string> ForAnything = ["has", "have", "had", "is", "are", "was", "were", "gives", "give", "makes", "make", "needs", "need", "wants", "want", "means", "says", "say", "calls", "call", "keeps", "keep"];

    /// <summary>How likely a gap is a good one, by what was learned.</summary>
    public double Chance(FactGap gap) => FactWorth.Probability(Of(gap), GapWeights.Learned);

    /// <summary>By <see cref="Names"/>; most of them from 0 to 1.</summary>
    public double[] Of(FactGap gap)
    {
        var (statement, part, run) = (gap.Statement, gap.Statement.Part.Words, gap.Run);
        var said = part.Select(w => Tokens.Of(w.Text) is [var first, ..] ? first : "").ToList();
        var missing = Tokens.Of(gap.Missing);
        var named = missing.Where(w => !StopWords.Contains(w)).ToList();
        var stems = Tokens.ContentStems(gap.Missing);
        var rest = said.Where((_, i) => i < run.First || i >= run.End).Where(w => w.Length > 0 && !StopWords.Contains(w)).ToList();
        var before = run.First > 0 ? said[run.First - 1] : "";
        var main = statement.Grammar is { } grammar ? MainClause.Of(grammar) : null;
        var isVerbBefore = run.First > 0 && statement.Grammar?.ByPlace.GetValueOrDefault(run.First - 1)?.IsVerb == true;
        var tags = Enumerable.Range(run.First, run.Count).Select(i => statement.Grammar?.ByPlace.GetValueOrDefault(i)?.Tag ?? "").ToList();
        var use = phrases.GetValueOrDefault(FactGaps.WithoutArticle(gap.Missing));
        var isToListener = said.Any(w => w is "you" or "your" or "we" or "our" or "us");
        var numbers = Quantities.Find(statement.Part).Count;
        double Is(bool holds) => holds ? 1 : 0;
        return
        [
            .. sentences[statement.Sentence],
            statement.Worth,
            Is(gap.Number is { } n && Quantities.IsMeasured(n)),
            Is(gap.Number is { } c && !Quantities.IsMeasured(c)),
            Is(main is not null && main.Subject.First <= run.First && main.Subject.End >= run.End),
            Is(isVerbBefore),
            Is(before == "of"),
            Is(before != "of" && Prepositions.Leads(before)),
            Is(run.First >= SaidBesides.From(statement.Part)),
            missing.Count / 6.0,
            Is(named.Count == 1),
            Is(use is { IsDefined: true }),
            Is(named.Count > 0 && named.All(w => words.Vectors.PlaceOf(w) is >= 0 and < FactGaps.Common)),
            named.Count == 0 ? 0 : named.Max(Rarity),
            Is(stems.Any(w => spoken.GetValueOrDefault(w) >= 2)),
            Is(stems.Any(w => spoken.GetValueOrDefault(w) >= FactGaps.Often)),
            part.Count / 30.0,
            run.First / (double)part.Count,
            Is(run.End == part.Count),
            statement.Before.Count / 2.0,
            Is(isToListener),
            Is(said.Any(w => w is "it" or "they" or "them" or "this" or "that" or "these" or "those" or "its" or "their")),
            Is(gap.Question is not null),
            Is(missing is ["the", ..] || before == "the"),
            Is(missing is ["a" or "an", ..] || before is "a" or "an"),
            Likeness(named, rest),
            before.Length > 0 && named.Count > 0 ? Math.Max(0, words.Vectors.Similarity(said.Take(run.First).LastOrDefault(w => w.Length > 0 && !StopWords.Contains(w)) ?? "", named[^1])) : 0,
            Is(part.Skip(Math.Max(1, run.First)).Take(run.Count).Any(w => char.IsUpper(w.Text[0]))),
            Math.Min(1, (statement.Grammar?.Cost ?? 0) / 7),
            Is(gap.Thing.IsPlural),
            Is(Prepositions.Leads(said[0]) || said[0] is "if" or "when" or "because" or "while" or "as" or "since"),
            part.Count(w => w.Text.EndsWith(',')) / 3.0,
            Is(said.Take(Math.Max(1, part.Count / 2)).Any(w => w is "is" or "are" or "was" or "were")),
            Is(tags.Any(t => t.StartsWith('a'))),
            Math.Min(1, said.Count(Loose.Contains) / 3.0),
            Is(said.Any(w => w is "if" or "when" or "unless" or "until")),
            Math.Min(1, rest.Count / 10.0),
            Is(isVerbBefore && ForAnything.Contains(before)),
            Is(gap.Number is null && numbers > 0),
            Is(statement.Grammar is not { IsWhole: true }),
            Is(said[0] == "the" && run.First > 0),
            Is(run.First == 0),
            Is(gap.Number is not null && main is not null && run.First >= main.Subject.First && run.End <= main.Subject.End),
            Is(gap.Number is not null && isToListener),
            Is(gap.Number is not null && numbers > 1),
            Is(missing is [.., "times"]),
            Is(main is null && statement.Grammar?.ByPlace.GetValueOrDefault(0)?.IsVerb == true),
            Is(gap.Number is null && said.Any(w => w is "it" or "they" or "them" or "this" or "these" or "those")),
            words.Relations.ShareOf(gap.Thing.Head, "person"),
            words.Relations.ShareOf(gap.Thing.Head, "time_period"),
            Is(run.First > 0 && Tokens.Of(part[run.First - 1].Text) is ["and" or "but" or "so" or "because" or "that"] && run.End < part.Count && statement.Grammar?.ByPlace.GetValueOrDefault(run.End)?.IsVerb == true),
            named.Count == 0 ? 0 : named.Max(w => words.Lexicon.KindsOf(w).VerbShare),
            .. Direction(gap.Missing),
            .. Direction(string.Join(' ', part.Where((_, i) => i < run.First || i >= run.End).Select(w => w.Text))),
        ];
    }

    /// <summary>What words are about tells asides, jokes and what everybody knows from what is taught.</summary>
    private double[] Direction(string text) => words.Vectors.Size == Directions ? Array.ConvertAll(TextMeaning.Of(text, words.Vectors), x => (double)x) : NoDirection;

    private double Rarity(string word) => words.Vectors.PlaceOf(word) is >= 0 and var place ? Math.Log(1 + place) / Math.Log(Rarest) : 1;

    /// <summary>How near what is asked for is to what is left, by what the words mean: what is near is guessed.</summary>
    private double Likeness(List<string> named, List<string> rest) =>
        named.Count == 0 || rest.Count == 0 ? 0 : named.Max(n => rest.Select(r => words.Vectors.Similarity(n, r)).Append(0).OrderDescending().Take(3).Average());
}
