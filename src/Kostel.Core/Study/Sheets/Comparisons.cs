using System.Text.RegularExpressions;
using Kostel.Core.Problems;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Sheets;

/// <summary>Two things of a lecture beside each other: what each is, its numbers and reasons, and what is said of both.</summary>
public static partial class Comparisons
{
    /// <summary>What stands before what is said of both.</summary>
    private const string Both = "Both";

    private const int MostOfAKind = 4, MostPairs = 5, LeastMentions = 2, PhraseWords = 2, MostWords = 40;

    /// <summary>The sheet; without parts where not both are spoken of.</summary>
    /// <exception cref="NotValidException">It is the same thing twice.</exception>
    public static Sheet Of(StudyGround ground, string one, string other)
    {
        var (first, second) = (Thing.Of(one, other), Thing.Of(other, one));
        if (first.Stems.SequenceEqual(second.Stems))
        {
            throw new NotValidException("A comparison is of two things.");
        }

        var said = Apart(ground.Statements.All.Where(s => IsSound(s) && !ground.Facts.IsOfCourse(s.Sentence)).Select(s => (Statement: s, Of: Whose(s, first, second))).Where(s => s.Of is not null)
            .Select(s => new Said(s.Statement, s.Of!, KindOf(s.Statement))));
        var sheet = new Sheet(["Of which", "What is said"], []) { Compared = [one, other] };
        if (!said.Exists(s => s.Of is Both || s.Of == first.Name) || !said.Exists(s => s.Of is Both || s.Of == second.Name))
        {
            return sheet;
        }

        string[] order = [Both, first.Name, second.Name];
        var parts = said.GroupBy(s => s.Kind).OrderBy(k => k.Key).Select(kind => new SheetPart(
            kind.Key.Heading(),
            [.. kind.GroupBy(s => s.Of).OrderBy(g => Array.IndexOf(order, g.Key)).SelectMany(g => g.OrderByDescending(s => s.Statement.Worth).Take(MostOfAKind).OrderBy(s => s.Statement.Part.StartMs)
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
            .Select(p => (p.A.Key, p.B.Key)).DistinctBy(p => string.Join(' ', new[] { Tokens.Stem(First(p.Item1)), Tokens.Stem(First(p.Item2)) }.Order(StringComparer.Ordinal)) + Tokens.Stem(Last(p.Item1))).Where(p => Of(ground, p.Item1, p.Item2).Parts.Count > 0).Take(MostPairs)];
    }

    /// <summary>What says outright what a thing is needs no grammar to be known for a sentence.</summary>
    private static bool IsSound(Statement statement) => !statement.IsIllFormed || (Definitions.Find(statement.Part) is not null && QuotableSentence.IsHeardWell(statement.Part));

    /// <summary>No moment of the lecture twice: what brings along a line that is there takes its place, as long as it can be read.</summary>
    private static List<Said> Apart(IEnumerable<Said> said)
    {
        var kept = new List<Said>();
        foreach (var one in said.OrderBy(s => s.Statement.Before.Count).ThenBy(s => s.Statement.Part.StartMs))
        {
            var at = kept.FindIndex(k => k.Statement.Source.StartMs < one.Statement.Source.EndMs && one.Statement.Source.StartMs < k.Statement.Source.EndMs);
            if (at < 0)
            {
                kept.Add(one);
            }
            else if (kept[at].Of == one.Of && one.Statement.WordCount <= MostWords && one.Statement.Source.StartMs <= kept[at].Statement.Source.StartMs && one.Statement.Part.StartMs >= kept[at].Statement.Source.EndMs)
            {
                kept[at] = one with { Kind = kept[at].Kind };
            }
        }

        return kept;
    }

    /// <summary>Something that is said of one of them, or of both.</summary>
    private sealed record Said(Statement Statement, string Of, Kind Kind);

    private static string First(string phrase) => phrase.Split(' ')[0];

    private static string Last(string phrase) => phrase.Split(' ')[^1];

    private static string? Whose(Statement statement, Thing one, Thing other)
    {
        var (isOne, isOther) = (one.IsIn(statement.Part.Text), other.IsIn(statement.Part.Text));
        if (!isOne && !isOther && statement.Before.Count > 0)
        {
            // What it points to is said before it.
            (isOne, isOther) = (one.IsIn(statement.Before[^1].Text), other.IsIn(statement.Before[^1].Text));
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

    /// <summary>A thing and how it is named: whole, or where its own word stands for it.</summary>
    /// <param name="Own">The words of its name that the other one's lacks.</param>
    /// <param name="Others">The words that only the other one's has.</param>
    private sealed record Thing(string Name, IReadOnlyList<string> Stems, IReadOnlyList<string> Own, IReadOnlyList<string> Others)
    {
        private const int Nearby = 4;

        public static Thing Of(string name, string other)
        {
            var (stems, others) = (StemsOf(name), StemsOf(other));
            return new Thing(WordForms.Capital(name), stems, stems.Except(others).ToList(), others.Except(stems).ToList());
        }

        /// <summary>"Spring tides"; "springs" by itself; "spring and neap tides".</summary>
        public bool IsIn(string text)
        {
            var words = Tokens.Of(text);
            var stems = words.Select(Tokens.Stem).ToList();
            for (var i = 0; i < stems.Count && Stems.Count > 0; i++)
            {
                // Where its name lies inside the other's, it is meant where the rest of that does not stand beside it.
                if (stems.Skip(i).Take(Stems.Count).SequenceEqual(Stems) && !(Own.Count == 0 && Around(i).Any(Others.Contains)))
                {
                    return true;
                }

                var isPart = Own.Count > 0 && Own.Count < Stems.Count && stems[i] == Own[0];
                if (isPart && (words[i] != stems[i] && words[i].EndsWith('s') || IsJoined(i)))
                {
                    return true;
                }
            }

            return false;

            IEnumerable<string> Around(int i) => stems.Skip(Math.Max(0, i - 1)).Take(Stems.Count + 2);

            bool IsJoined(int i) => i + 1 < words.Count && words[i + 1] is "and" or "or" or "to" && stems.Skip(i + 2).Take(Nearby) is var rest && rest.Contains(Stems[^1]) && Others.Any(rest.Contains);
        }

        private static List<string> StemsOf(string name) => Tokens.Of(name).Where(w => w is not ("a" or "an" or "the")).Select(Tokens.Stem).ToList();
    }

    [GeneratedRegex(@"\b(?:because|since|so that|that is why|which is why|therefore|due to|owing to|reason|causes?|caused)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Reason();
}
