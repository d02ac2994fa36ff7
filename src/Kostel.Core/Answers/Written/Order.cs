using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>Whether what stands on the two sides of a relation was exchanged: cause and effect, the greater and the smaller, before and after, who does and to whom it is done.</summary>
internal static partial class Order
{
    /// <summary>So many words before a verb may name who does it, and so many behind it to whom.</summary>
    private const int Doers = 3, Undergoers = 6;

    private const double Mostly = 0.5;

    /// <summary>The two sides of a relation, the one that causes, exceeds, precedes or does something first.</summary>
    private sealed record Sides(string Kind, List<string> First, List<string> Second);

    /// <summary>Whether a sentence says it the other way round than any of the passage's.</summary>
    public static bool IsExchanged(string sentence, IReadOnlyList<string> passage)
    {
        var said = Of(sentence);
        foreach (var mine in said)
        {
            var theirs = passage.SelectMany(Of).Where(s => s.Kind == mine.Kind).Select(s => (Straight: Fit(mine.First, s.First) + Fit(mine.Second, s.Second), Crossed: Fit(mine.First, s.Second) + Fit(mine.Second, s.First), Both: Fit(mine.First, s.Second) > 0 && Fit(mine.Second, s.First) > 0)).ToList();
            if (theirs.Count > 0 && theirs.Exists(t => t.Both && t.Crossed > t.Straight) && !theirs.Exists(t => t.Straight > 0 && t.Straight >= t.Crossed))
            {
                return true;
            }
        }

        return Acts(sentence, passage);
    }

    /// <summary>The share of some words that stand among others.</summary>
    private static double Fit(List<string> mine, List<string> theirs) => mine.Count == 0 ? 0 : mine.Count(theirs.Contains) / (double)mine.Count;

    private static List<Sides> Of(string text)
    {
        var found = new List<Sides>();
        Add("cause", Because().Match(text), secondCauses: true);
        Add("cause", Therefore().Match(text), secondCauses: false);
        Add("cause", CausedBy().Match(text), secondCauses: true);
        Add("before", Before().Match(text), secondCauses: false);
        Add("before", After().Match(text), secondCauses: true);
        Add("way", FromTo().Match(text), secondCauses: false);
        if (Than().Match(text) is { Success: true } than)
        {
            var (left, right) = (Stems($"{than.Groups["one"].Value} {than.Groups["mid"].Value}"), Stems(than.Groups["other"].Value));
            found.Add(IsLess(than.Groups["how"].Value) ? new Sides("than", right, left) : new Sides("than", left, right));
        }

        return found;

        void Add(string kind, Match match, bool secondCauses)
        {
            if (match.Success)
            {
                var (one, other) = (Stems(match.Groups["one"].Value), Stems(match.Groups["other"].Value));
                found.Add(secondCauses ? new Sides(kind, other, one) : new Sides(kind, one, other));
            }
        }
    }

    /// <summary>A verb that both have, with what stands before and after it exchanged; "by" turns the sides.</summary>
    private static bool Acts(string sentence, IReadOnlyList<string> passage)
    {
        if (sentence.Contains(" than ", StringComparison.OrdinalIgnoreCase))
        {
            return false;
        }

        var mine = Words(sentence);
        foreach (var theirs in passage.Select(Words))
        {
            for (var i = 1; i < mine.Stems.Count - 1; i++)
            {
                var j = theirs.Stems.FindIndex(s => s == mine.Stems[i]);
                if (j < 1 || mine.IsPassive[i] is null || theirs.IsPassive[j] is null || j >= theirs.Stems.Count - 1 || !(mine.IsVerb[i] || theirs.IsVerb[j]) || Undirected.Contains(mine.Stems[i]))
                {
                    continue;
                }

                var (a, b) = Around(mine, i);
                var (c, d) = Around(theirs, j);
                if (c.Count > 0 && Fit(a, c) == 0 && Fit(a, d) >= Mostly && Fit(c, b) >= Mostly)
                {
                    return true;
                }
            }
        }

        return false;

        static (List<string> Does, List<string> Done) Around((List<string> Stems, List<bool> IsVerb, List<bool?> IsPassive) w, int at)
        {
            var (before, after) = (w.Stems.Take(at).TakeLast(Doers).ToList(), w.Stems.Skip(at + 1).Take(Undergoers).ToList());
            return w.IsPassive[at] == true ? (after, before) : (before, after);
        }
    }

    private static (List<string> Stems, List<bool> IsVerb, List<bool?> IsPassive) Words(string text)
    {
        var (stems, isVerb, isPassive) = (new List<string>(), new List<bool>(), new List<bool?>());
        var words = Tokens.Of(text);
        for (var i = 0; i < words.Count; i++)
        {
            if (!Joining.Contains(words[i]))
            {
                var isPast = words[i].EndsWith("ed", StringComparison.Ordinal) || words[i].EndsWith("en", StringComparison.Ordinal) || IrregularForms.BaseOf(words[i]) != words[i];
                stems.Add(Opposites.Stem(words[i]));
                var isUndergone = isPast && words.Skip(Math.Max(0, i - 3)).Take(Math.Min(3, i)).Any(w => w is "is" or "are" or "was" or "were" or "be" or "been" or "being" or "get" or "gets");
                isPassive.Add(!isUndergone ? false : words.Skip(i + 1).Take(3).Contains("by") ? true : null);
                isVerb.Add(isPast || words[i].EndsWith('s') || words[i].EndsWith("ing", StringComparison.Ordinal) || (i > 0 && words[i - 1] is "can" or "will" or "must" or "may" or "to" or "should" or "they" or "we" or "you"));
            }
        }

        return (stems, isVerb, isPassive);
    }

    /// <summary>Verbs that do nothing to anything: "in the middle lies south".</summary>
    private static readonly HashSet<string> Undirected = ["lie", "stand", "come", "go", "fall", "rise", "sit", "hang", "live", "grow", "follow", "occur", "happen", "begin", "remain", "stay", "meet", "differ"];

    private static readonly HashSet<string> Joining = [.. """
        the a an and or but of in on at to into from by with for as is are was were be been being it they them their its this that these those he she his her we you i our your my not no so then than very
        also only just out up down off over through can will would must may might should could do does did has have had there here one such each every all some any
        """.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)];

    private static List<string> Stems(string text) => AskedWords.Of(text).Where(w => !w.IsPlain).Select(w => w.Stem).ToList();

    private static bool IsLess(string how) => Tokens.Of(how).Any(w => w is "less" or "fewer" or "lower" or "smaller" or "shorter" or "lighter" or "colder" or "cooler" or "slower" or "weaker" or "younger" or "earlier" or "thinner" or "narrower" or "cheaper" or "worse" or "drier" or "softer" or "shallower" or "nearer" or "later" or "poorer" or "slowly" or "rarely" or "seldom" or "softer" or "quieter" or "lesser");

    private const string Any = @"[^.;:!?]+?";

    private const string Reasons = "because(?: of)?|since|as a result of|due to|owing to|thanks to";

    [GeneratedRegex($@"^(?<one>{Any})\b(?:{Reasons})\b (?<other>{Any})[.;:!?]?$", RegexOptions.IgnoreCase)]
    private static partial Regex Because();

    private const string Causes = "causes?|caused|leads? to|led to|results? in|makes?|made|brings? about|produces?|raises?|drives?";

    [GeneratedRegex($@"^(?<one>{Any})\b(?:therefore|and so|so that|, so|which is why|{Causes})\b (?<other>{Any})[.;:!?]?$", RegexOptions.IgnoreCase)]
    private static partial Regex Therefore();

    [GeneratedRegex($@"^(?<one>{Any})\b(?:is|are|was|were) (?:caused|made|produced|raised|driven|brought about) by\b (?<other>{Any})[.;:!?]?$", RegexOptions.IgnoreCase)]
    private static partial Regex CausedBy();

    [GeneratedRegex($@"^(?<one>{Any})\bbefore\b (?<other>{Any})[.;:!?]?$", RegexOptions.IgnoreCase)]
    private static partial Regex Before();

    [GeneratedRegex($@"^(?<one>{Any})\bafter\b (?<other>{Any})[.;:!?]?$", RegexOptions.IgnoreCase)]
    private static partial Regex After();

    [GeneratedRegex($@"\bfrom (?<one>{Any}) (?:to|into|towards) (?<other>{Any})(?:[.,;:!?]|$)", RegexOptions.IgnoreCase)]
    private static partial Regex FromTo();

    private const string Degree = @"(?:more|less|fewer) \p{L}+|\p{L}+er|more|less|worse|better";

    [GeneratedRegex($@"^(?<one>{Any})\b(?<how>{Degree})\b(?<mid>[^.,;:!?]*?) than (?<other>{Any})(?:[.,;:!?]|$)", RegexOptions.IgnoreCase)]
    private static partial Regex Than();
}
