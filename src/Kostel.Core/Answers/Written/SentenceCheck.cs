using System.Text.RegularExpressions;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Written;

/// <summary>Why a written sentence is not borne out by the passages that it names.</summary>
public enum Doubt
{
    /// <summary>It names no passage, or one that there is not.</summary>
    NoPassage,

    /// <summary>A number that is not said there.</summary>
    Number,

    /// <summary>A number that is said there of another unit.</summary>
    Unit,

    /// <summary>A name that is not said there.</summary>
    Name,

    /// <summary>It denies what is said there, or says what is denied.</summary>
    Negation,

    /// <summary>It says all, most, few or never where something else is said.</summary>
    Quantity,

    /// <summary>Two things changed places: cause and effect, before and after, who and whom.</summary>
    Exchanged,

    /// <summary>Words that nothing there bears out.</summary>
    NotSaid,
}

/// <summary>What was found wrong with a sentence.</summary>
/// <param name="Words">The words that are not borne out; empty where it is not a matter of single words.</param>
public sealed record SentenceDoubt(Doubt Kind, IReadOnlyList<string> Words);

/// <summary>Compares a written sentence with the passages that it rests on, by rule and by meaning.</summary>
/// <param name="known">What is known of words; without it only the same words bear anything out.</param>
public sealed partial class SentenceCheck(WordKnowledge known)
{
    /// <summary>A word is borne out by one that is this like it (set on half of <c>benchmarks/written</c>, as all of these).</summary>
    private const double Alike = 0.4, PlainWord = 0.3;

    /// <summary>What of a sentence may remain that nothing bears out: in weight, and of nouns that are new.</summary>
    private const double MostUnborne = 0.55, MostWithNouns = 0.42, NewNouns = 2, Noun = 0.6, Telling = 0.7;

    /// <summary>A clause that is borne out this well by another says the same or the contrary; others that come as near count too.</summary>
    private const double SameMatter = 0.55, AsNear = 0.1, HalfTheMatter = 0.5, MostlyThere = 0.8;

    private static readonly string[] Undoing = ["un", "in", "im", "ir", "non", "dis"];

    private readonly WordLikeness likeness = new(known);

    /// <summary>What is wrong with a sentence; nothing where it is borne out.</summary>
    public IReadOnlyList<SentenceDoubt> Of(string sentence, IReadOnlyList<string> passages)
    {
        if (passages.Count == 0)
        {
            return [new SentenceDoubt(Doubt.NoPassage, [])];
        }

        var text = string.Join(' ', passages);
        var (mine, there) = (WrittenClauses.Of(sentence), WrittenClauses.Of(text));
        var doubts = new List<SentenceDoubt>();
        Numbers(sentence, text, doubts);
        Names(sentence, text, doubts);
        Negations(mine, there, doubts);
        Quantities(sentence, text, doubts);
        if (Order.IsExchanged(sentence, Sentences(text).ToList()) || IsExchanged(mine, there) || IsCrossed(WrittenClauses.SideBySide(sentence), WrittenClauses.SideBySide(text)))
        {
            doubts.Add(new SentenceDoubt(Doubt.Exchanged, []));
        }

        Unborne(mine, there, doubts);
        return doubts;
    }

    private static void Numbers(string sentence, string text, List<SentenceDoubt> doubts)
    {
        var there = Amounts.All(text).Concat(Amounts.Places(text)).ToList();
        var own = Amounts.Of(sentence);
        foreach (var amount in own.Where(a => !there.Exists(a.IsSame)))
        {
            doubts.Add(new SentenceDoubt(there.Exists(amount.IsOtherUnit) ? Doubt.Unit : Doubt.Number, []));
        }

        var units = Amounts.UnitsIn(text).ToList();
        var converted = Amounts.All(sentence).Where(a => a.Measure is not null && there.Exists(a.IsSame)).Select(a => a.Measure).ToHashSet();
        if (units.Count > 0 && doubts.Count == 0 && Amounts.UnitsIn(sentence).Any(u => !units.Exists(t => t.Name == u.Name) && !converted.Contains(u.Measure)))
        {
            doubts.Add(new SentenceDoubt(Doubt.Unit, []));
        }

        var ordinals = Ordinals().Matches(text).Select(m => (m.Groups["n"].Value.ToLowerInvariant(), Tokens.Stem(m.Groups["what"].Value.ToLowerInvariant()))).ToList();
        foreach (Match m in Ordinals().Matches(sentence))
        {
            var (n, what) = (m.Groups["n"].Value.ToLowerInvariant(), Tokens.Stem(m.Groups["what"].Value.ToLowerInvariant()));
            if (ordinals.Exists(o => o.Item2 == what && o.Item1 != n) && !ordinals.Exists(o => o.Item2 == what && o.Item1 == n))
            {
                doubts.Add(new SentenceDoubt(Doubt.Number, []));
            }
        }
    }

    /// <summary>Words with a capital that do not begin the sentence, and that no dictionary has in small letters.</summary>
    private void Names(string sentence, string text, List<SentenceDoubt> doubts)
    {
        var there = Tokens.Of(text).ToHashSet();
        var stems = there.Select(Tokens.Stem).ToHashSet();
        var names = Capital().Matches(sentence).Where(m => m.Index > 0 || known.Lexicon.KindsOf(m.Value.ToLowerInvariant()).Total == 0)
            .Select(m => m.Value).Where(n => !IsSaid(n.ToLowerInvariant())).ToList();
        if (names.Count > 0 && known.Lexicon.Count > 0)
        {
            doubts.Add(new SentenceDoubt(Doubt.Name, names));
        }

        bool IsSaid(string name) => there.Contains(name) || stems.Contains(Tokens.Stem(name)) || StopWords.Contains(name) || NumberWords.IsNumber(name) || (name.EndsWith("'s", StringComparison.Ordinal) && there.Contains(name[..^2]));
    }

    /// <summary>How well a clause bears a word out.</summary>
    private double Borne(ClauseWord word, Clause by)
    {
        var like = likeness.To(word.Word);
        return by.Words.Select(w => Opposites.Are(word.Stem, w.Stem) || IsUndone(word.Stem, w.Stem) ? 0.9 : like(w.Word, w.Stem)).DefaultIfEmpty(0).Max();
    }

    private double Covered(Clause clause, Clause by)
    {
        var total = clause.Words.Sum(Weight);
        return total == 0 ? 0 : clause.Words.Sum(w => Weight(w) * (Borne(w, by) is var worth && worth >= Alike ? worth : 0)) / total;
    }

    /// <summary>"Unsafe" undoes "safe", and "useless" undoes "useful".</summary>
    private static bool IsUndone(string stem, string other)
    {
        var (longer, shorter) = stem.Length > other.Length ? (stem, other) : (other, stem);
        return (shorter.Length > 3 && longer.EndsWith(shorter, StringComparison.Ordinal) && longer[..^shorter.Length] is "un" or "in" or "im" or "non" or "dis")
            || (longer.EndsWith("less", StringComparison.Ordinal) && longer.Length > 5 && shorter.StartsWith(longer[..^4], StringComparison.Ordinal));
    }

    /// <summary>A clause that says the same things as one of the passage, denied once more or once less: a word that denies, or one that means the contrary.</summary>
    private void Negations(List<Clause> mine, List<Clause> there, List<SentenceDoubt> doubts)
    {
        var whole = new Clause(mine.SelectMany(c => c.Words).ToList(), [], Compares: false);
        if (whole.Words.Any(w => DeniesItself(w.Word)))
        {
            return;
        }

        foreach (var clause in mine.Where(c => c.Words.Count > 1))
        {
            var near = there.Select(t => (Clause: t, Covered: Covered(clause, t))).OrderByDescending(t => t.Covered).ToList();
            if (near.Count == 0 || near[0].Covered < SameMatter)
            {
                continue;
            }

            if (near.TakeWhile(t => t.Covered >= near[0].Covered - AsNear).All(t => (Denials(clause, t.Clause) + Denials(t.Clause, whole) + Flips(clause, t.Clause)) % 2 == 1))
            {
                doubts.Add(new SentenceDoubt(Doubt.Negation, [.. clause.Words.Where(w => !w.IsPlain).Select(w => w.Word).Take(2)]));
                return;
            }
        }

        if (Denied(mine, there) is { Count: > 0 } denied)
        {
            doubts.Add(new SentenceDoubt(Doubt.Negation, denied));
            return;
        }

        if (mine.TrueForAll(c => c.Denials.Count == 0) && OnlyDenied(whole, there) is { Count: > 0 } only)
        {
            doubts.Add(new SentenceDoubt(Doubt.Negation, only));
        }
    }

    /// <summary>Words of a sentence, nearly all of which is in the passage, that are denied wherever they stand there.</summary>
    private List<string> OnlyDenied(Clause whole, List<Clause> there)
    {
        var all = there.SelectMany(t => t.Words).ToList();
        if (Covered(whole, new Clause(all, [], Compares: false)) < MostlyThere || all.Exists(o => whole.Words.Any(w => w.Stem != o.Stem && (Opposites.Are(w.Stem, o.Stem) || IsUndone(w.Stem, o.Stem)))))
        {
            return [];
        }

        return whole.Words.Where(w => all.Exists(o => o.Stem == w.Stem) && all.TrueForAll(o => o.Stem != w.Stem || o.IsDenied)).Select(w => w.Word).ToList();
    }

    /// <summary>"Uneven", "irregular": what is denied in it cannot be told by its form.</summary>
    private bool DeniesItself(string word) => Undoing.Any(p => word.StartsWith(p, StringComparison.Ordinal) && word.Length > p.Length + 3 && known.Lexicon.KindsOf(word[p.Length..]).Adjective > 0);

    /// <summary>What a clause denies that the other speaks of.</summary>
    private int Denials(Clause clause, Clause other) => clause.Denials.Count(d => d is null || clause.Words.Any(w => w.Stem == d && Borne(w, other) >= Alike));

    /// <summary>Words that only stand where something is denied, or whose contrary alone is said, in a sentence that denies nothing.</summary>
    private List<string> Denied(List<Clause> mine, List<Clause> there)
    {
        if (mine.Exists(c => c.Denials.Count > 0))
        {
            return [];
        }

        var words = there.SelectMany(t => t.Words.Select(w => (w.Stem, Clause: t))).ToLookup(w => w.Stem, w => w.Clause);
        return mine.Where(c => !c.Compares).SelectMany(c => c.Words.Select(w => (Word: w, Clause: c))).Where(w => IsDenied(w.Word, w.Clause)).Select(w => w.Word.Word).ToList();

        bool IsDenied(ClauseWord word, Clause clause)
        {
            var places = words[word.Stem].ToList();
            if (places.Count > 0)
            {
                return !word.IsPlain && places.TrueForAll(p => Denials(p, clause) > 0 && Covered(clause, p) >= HalfTheMatter && !p.Words.Any(o => clause.Words.Any(w => Opposites.Are(w.Stem, o.Stem) || IsUndone(w.Stem, o.Stem))));
            }

            var both = there.SelectMany(t => t.Words).Where(o => Opposites.Are(word.Stem, o.Stem)).ToList();
            if (there.Exists(t => t.Words.Any(o => both.Exists(c => Opposites.Are(c.Stem, o.Stem)))))
            {
                return false;
            }

            var contrary = there.Where(t => t.Denials.Count == 0 && !t.Compares && t.Words.Any(o => Opposites.Are(word.Stem, o.Stem)) && !t.Words.Any(o => o.Stem != word.Stem && clause.Words.Any(c => c != word && Opposites.Are(c.Stem, o.Stem)))).ToList();
            return contrary.Count > 0 && !there.Exists(t => t.Denials.Count > 0 && t.Words.Any(o => Opposites.Are(word.Stem, o.Stem))) && Covered(clause, new Clause(there.SelectMany(t => t.Words).ToList(), [], false)) >= MostlyThere;
        }
    }

    private static int Flips(Clause one, Clause other) => one.Compares || other.Compares
        ? 0
        : one.Words.Count(w => !other.Words.Any(o => o.Stem == w.Stem) && other.Words.Any(o => (Opposites.Are(w.Stem, o.Stem) || IsUndone(w.Stem, o.Stem)) && !one.Words.Any(x => x.Stem == o.Stem)));

    private static void Quantities(string sentence, string text, List<SentenceDoubt> doubts)
    {
        var stems = WrittenClauses.Of(sentence).SelectMany(c => c.Words).Select(w => w.Stem).ToHashSet();
        var nearest = Sentences(text).OrderByDescending(s => WrittenClauses.Of(s).SelectMany(c => c.Words).Select(w => w.Stem).Distinct().Count(stems.Contains)).Take(2);
        if (Strengths.Differ(sentence, nearest))
        {
            doubts.Add(new SentenceDoubt(Doubt.Quantity, []));
        }
    }

    /// <summary>A clause like one of the passage in which one thing stands in the place of another of its kind, which is spoken of elsewhere in the passage.</summary>
    private bool IsExchanged(List<Clause> mine, List<Clause> there)
    {
        foreach (var clause in mine.Where(c => c.Words.Count > 1))
        {
            var near = there.Select(t => (Clause: t, Covered: Covered(clause, t))).OrderByDescending(t => t.Covered).FirstOrDefault();
            if (near.Clause is null || near.Covered is < 0.5 or > 0.97)
            {
                continue;
            }

            var elsewhere = there.Where(t => t != near.Clause).SelectMany(t => t.Words).Select(w => w.Stem).ToHashSet();
            var mineLeft = clause.Words.Where(w => !near.Clause.Words.Any(n => n.Stem == w.Stem) && elsewhere.Contains(w.Stem)).ToList();
            var theirLeft = near.Clause.Words.Where(n => !clause.Words.Any(w => w.Stem == n.Stem)).ToList();
            if (mineLeft.Exists(w => theirLeft.Exists(n => AreOfAKind(w, n)) && !there.Exists(t => t != near.Clause && Covered(clause, t) >= near.Covered - AsNear)))
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Two things that each have what the other one has in the passage, or of which the other one is denied.</summary>
    private static bool IsCrossed(List<Clause> mine, List<Clause> there)
    {
        var (denied, theirs) = (Denied(mine), Denied(there));
        if (denied.Own.Except(theirs.Own).Any(theirs.Said.Contains) && theirs.Own.Except(denied.Own).Any(denied.Said.Contains))
        {
            return true;
        }

        foreach (var (i, a) in mine.Index())
        {
            foreach (var b in mine.Skip(i + 1))
            {
                var (one, other) = (Stems(a), Stems(b));
                var u = there.FirstOrDefault(t => Stems(t) is var s && s.Overlaps(one) && s.Overlaps(other));
                if (u is not null && there.Exists(v => v != u && IsCross(one, other, Stems(u), Stems(v), there.ConvertAll(Stems))))
                {
                    return true;
                }
            }
        }

        return false;

        static (HashSet<string> Own, HashSet<string> Said) Denied(List<Clause> clauses) => (
            clauses.SelectMany(c => c.Words).Where(w => w.IsDenied && !w.IsPlain).Select(w => w.Stem).ToHashSet(), clauses.SelectMany(c => c.Words).Where(w => !w.IsDenied).Select(w => w.Stem).ToHashSet());

        static HashSet<string> Stems(Clause clause) => clause.Words.Where(w => !w.IsPlain).Select(w => w.Stem).ToHashSet();

        static bool IsCross(HashSet<string> a, HashSet<string> b, HashSet<string> u, HashSet<string> v, List<HashSet<string>> all) =>
            (from a1 in a
             where u.Contains(a1) && !v.Contains(a1) && !b.Contains(a1)
             from a2 in a
             where v.Contains(a2) && !u.Contains(a2) && !b.Contains(a2) && !all.Exists(t => t.Contains(a1) && t.Contains(a2))
             from b1 in b
             where v.Contains(b1) && !u.Contains(b1) && !a.Contains(b1)
             from b2 in b
             where u.Contains(b2) && !v.Contains(b2) && !a.Contains(b2) && !all.Exists(t => t.Contains(b1) && t.Contains(b2))
             select 1).Any();
    }

    private bool AreOfAKind(ClauseWord one, ClauseWord other) =>
        Opposites.Are(one.Stem, other.Stem) || known.Relations.Of(one.Word).GetValueOrDefault(other.Stem, Kinship.Same) == Kinship.Sibling || known.Vectors.Similarity(one.Word, other.Word) > 0.5;

    private void Unborne(List<Clause> mine, List<Clause> there, List<SentenceDoubt> doubts)
    {
        var words = mine.SelectMany(c => c.Words).Where(w => !NumberWords.IsNumber(w.Word)).DistinctBy(w => w.Stem).Select(w => (Word: w, Weight: Weight(w), Worth: there.Select(t => Borne(w, t)).DefaultIfEmpty(0).Max())).ToList();
        var total = words.Sum(w => w.Weight);
        var without = words.Where(w => w.Worth < Alike).ToList();
        var share = total == 0 ? 0 : without.Sum(w => w.Weight) / total;
        var nouns = without.Count(w => !w.Word.IsPlain && w.Weight >= Telling && (known.Lexicon.KindsOf(w.Word.Word) is var kinds && (kinds.Total == 0 || kinds.NounShare >= Noun)));
        if (share > MostUnborne || (share > MostWithNouns && nouns >= NewNouns))
        {
            doubts.Add(new SentenceDoubt(Doubt.NotSaid, without.Select(w => w.Word.Word).ToList()));
        }
    }

    private double Weight(ClauseWord word) => (word.IsPlain ? PlainWord : 1) * (known.Vectors.Count == 0 ? 1 : known.Vectors.WeightOf(word.Word));

    private static IEnumerable<string> Sentences(string passage) => Sentence().Split(passage).Where(s => s.Trim().Length > 0);

    [GeneratedRegex(@"\b(?<n>first|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|second) (?<what>\p{L}+)", RegexOptions.IgnoreCase)]
    private static partial Regex Ordinals();

    [GeneratedRegex(@"(?<![\p{L}'’])\p{Lu}[\p{L}'’]+")]
    private static partial Regex Capital();

    [GeneratedRegex(@"(?<=[.!?])\s+")]
    private static partial Regex Sentence();
}
