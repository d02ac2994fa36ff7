using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Sheets;

/// <summary>Two things of a lecture beside each other: what each is, its numbers and reasons, and what is said of both.</summary>
public static partial class Comparisons
{
    /// <summary>What stands before what is said of both.</summary>
    private const string Both = "Both";

    private const int MostOfAKind = 4, MostPairs = 5, LeastMentions = 2, PhraseWords = 2;

    /// <summary>The sheet; without parts where not both are spoken of.</summary>
    public static Sheet Of(StudyGround ground, string one, string other)
    {
        var (first, second) = (Thing.Of(one, other), Thing.Of(other, one));
        var said = ground.Statements.All.Where(s => !s.IsIllFormed && !ground.Facts.IsOfCourse(s.Sentence)).Select(s => (Statement: s, Of: Whose(s, first, second)))
            .Where(s => s.Of is not null).DistinctBy(s => s.Statement.Source).ToList();
        var sheet = new Sheet(["Of which", "What is said"], []) { Compared = [one, other] };
        if (!said.Exists(s => s.Of == first.Name) || !said.Exists(s => s.Of == second.Name))
        {
            return sheet;
        }

        string[] order = [Both, first.Name, second.Name];
        var parts = said.GroupBy(s => KindOf(s.Statement)).OrderBy(k => k.Key).Select(kind => new SheetPart(
            kind.Key.Heading(),
            [.. kind.GroupBy(s => s.Of!).OrderBy(g => Array.IndexOf(order, g.Key)).SelectMany(g => g.OrderByDescending(s => s.Statement.Worth).Take(MostOfAKind).OrderBy(s => s.Statement.Part.StartMs)
                .Select(s => new SheetLine([g.Key, s.Statement.Source.Quote], s.Statement.Source)))]));
        return sheet with { Parts = [.. parts] };
    }

    /// <summary>Things of a lecture that ask to be compared: kinds of the same, spoken of more than once.</summary>
    public static IReadOnlyList<(string One, string Other)> Pairs(StudyGround ground)
    {
        var phrases = KeyPhrases.Count(ground.Sentences).Where(p => p.Value.Count >= LeastMentions && p.Key.Split(' ').Length == PhraseWords).ToList();
        return [.. phrases.SelectMany((a, i) => phrases.Skip(i + 1).Select(b => (A: a, B: b)))
            .Where(p => Tokens.Stem(Last(p.A.Key)) == Tokens.Stem(Last(p.B.Key)) && Tokens.Stem(First(p.A.Key)) != Tokens.Stem(First(p.B.Key)))
            .OrderByDescending(p => (p.A.Value.IsDefined ? 1 : 0) + (p.B.Value.IsDefined ? 1 : 0)).ThenByDescending(p => Math.Min(p.A.Value.Count, p.B.Value.Count)).ThenBy(p => p.A.Key, StringComparer.Ordinal)
            .Select(p => (p.A.Key, p.B.Key)).Where(p => Of(ground, p.Item1, p.Item2).Parts.Count > 0).Take(MostPairs)];
    }

    private static string First(string phrase) => phrase.Split(' ')[0];

    private static string Last(string phrase) => phrase.Split(' ')[^1];

    private static string? Whose(Statement statement, Thing one, Thing other)
    {
        var stems = Tokens.ContentStems(statement.Part.Text).ToHashSet();
        var (isOne, isOther) = (one.IsIn(stems), other.IsIn(stems));
        if (!isOne && !isOther && statement.Before.Count > 0)
        {
            // What it points to is said before it.
            stems = Tokens.ContentStems(statement.Before[^1].Text).ToHashSet();
            (isOne, isOther) = (one.IsIn(stems), other.IsIn(stems));
        }

        return (isOne, isOther) switch
        {
            (true, true) => Both,
            (true, false) => one.Name,
            (false, true) => other.Name,
            _ => null,
        };
    }

    private static Kind KindOf(Statement statement) =>
        Definitions.Find(statement.Part) is not null ? Kind.What
        : Quantities.Find(statement.Part).Any(Quantities.IsMeasured) ? Kind.Numbers
        : Reason().IsMatch(statement.Part.Text) ? Kind.Why
        : Kind.Besides;

    private static string Heading(this Kind kind) => kind switch
    {
        Kind.What => "What it is",
        Kind.Numbers => "In numbers",
        Kind.Why => "Why",
        _ => "Besides",
    };

    private enum Kind
    {
        What,
        Numbers,
        Why,
        Besides,
    }

    /// <summary>A thing, known by the words of its name that the other one's lacks.</summary>
    private sealed record Thing(string Name, IReadOnlyList<string> Own, IReadOnlyList<string> Others)
    {
        public static Thing Of(string name, string other)
        {
            var (stems, others) = (Tokens.ContentStems(name), Tokens.ContentStems(other));
            var own = stems.Except(others).ToList();
            return own.Count > 0 ? new Thing(WordForms.Capital(name), own, []) : new Thing(WordForms.Capital(name), stems.Distinct().ToList(), others.Except(stems).ToList());
        }

        /// <summary>Where its name lies inside the other's, it is meant where the rest of that is not said.</summary>
        public bool IsIn(HashSet<string> stems) => Own.Count > 0 && Own.All(stems.Contains) && !Others.Any(stems.Contains);
    }

    [GeneratedRegex(@"\b(?:because|since|so that|that is why|which is why|therefore|due to|owing to|reason|causes?|caused)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Reason();
}
