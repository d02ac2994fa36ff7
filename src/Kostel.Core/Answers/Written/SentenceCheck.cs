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
    /// <summary>A word is borne out by one that is this like it; what is less like is foreign; shares of what may remain (set on half of <c>benchmarks/written</c>).</summary>
    private const double Alike = 0.42, MostUnborne = 0.4, Foreign = 0.12, Rare = 0.86;

    private readonly WordLikeness likeness = new(known);

    /// <summary>What is wrong with a sentence; nothing where it is borne out.</summary>
    public IReadOnlyList<SentenceDoubt> Of(string sentence, IReadOnlyList<string> passages)
    {
        if (passages.Count == 0)
        {
            return [new SentenceDoubt(Doubt.NoPassage, [])];
        }

        var text = string.Join(' ', passages);
        var doubts = new List<SentenceDoubt>();
        Numbers(sentence, text, doubts);
        Names(sentence, text, doubts);
        var said = SignedWords.Of(text);
        var mine = SignedWords.Of(sentence);
        var borne = mine.Select(w => Borne(w, said)).ToList();
        Negations(mine, borne, doubts);
        Quantities(sentence, passages.SelectMany(Sentences).ToList(), mine, doubts);
        if (Order.IsExchanged(sentence, passages.SelectMany(Sentences).ToList(), Same))
        {
            doubts.Add(new SentenceDoubt(Doubt.Exchanged, []));
        }

        Unborne(mine, borne, doubts);
        return doubts;
    }

    private static void Numbers(string sentence, string text, List<SentenceDoubt> doubts)
    {
        var there = Amounts.Of(text);
        foreach (var amount in Amounts.Of(sentence).Where(a => !there.Any(a.IsSame)))
        {
            doubts.Add(new SentenceDoubt(there.Any(amount.IsOtherUnit) ? Doubt.Unit : Doubt.Number, []));
        }

        var ordinals = Ordinals().Matches(text).Select(m => m.Value.ToLowerInvariant()).ToHashSet();
        if (ordinals.Count > 0 && Ordinals().Matches(sentence).Any(m => !ordinals.Contains(m.Value.ToLowerInvariant())))
        {
            doubts.Add(new SentenceDoubt(Doubt.Number, []));
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

    /// <param name="Plain">How well it is said.</param>
    /// <param name="Contrary">How well the contrary is said.</param>
    private sealed record Support(double Plain, double Contrary);

    private Support Borne(SignedWord word, List<SignedWord> said)
    {
        var like = likeness.To(word.Word);
        var (plain, contrary) = (0.0, 0.0);
        foreach (var other in said)
        {
            if (Opposites.Are(word.Stem, other.Stem) || IsUndone(word.Stem, other.Stem))
            {
                (plain, contrary) = word.IsDenied == other.IsDenied ? (plain, Math.Max(contrary, 0.95)) : (Math.Max(plain, 0.95), contrary);
                continue;
            }

            var worth = like(other.Word, other.Stem);
            if (word.IsDenied == other.IsDenied)
            {
                plain = Math.Max(plain, worth);
            }
            else
            {
                contrary = Math.Max(contrary, worth);
            }
        }

        return new Support(plain, contrary);
    }

    /// <summary>"Unsafe" undoes "safe".</summary>
    private static bool IsUndone(string stem, string other)
    {
        var (longer, shorter) = stem.Length > other.Length ? (stem, other) : (other, stem);
        return shorter.Length > 3 && longer.EndsWith(shorter, StringComparison.Ordinal) && longer[..^shorter.Length] is "un" or "in" or "im" or "non" or "dis";
    }

    private static void Negations(List<SignedWord> mine, List<Support> borne, List<SentenceDoubt> doubts)
    {
        var words = mine.Where((_, i) => borne[i].Contrary >= 0.9 && borne[i].Plain < 0.9).Select(w => w.Word).ToList();
        if (words.Count > 0)
        {
            doubts.Add(new SentenceDoubt(Doubt.Negation, words));
        }
    }

    /// <summary>Words of how many or how often are of some strength; another strength than is said there is another statement.</summary>
    private static void Quantities(string sentence, List<string> there, List<SignedWord> mine, List<SentenceDoubt> doubts)
    {
        var own = Strengths(sentence);
        if (own.Count == 0)
        {
            return;
        }

        var stems = mine.Select(w => w.Stem).ToHashSet();
        var nearest = there.OrderByDescending(s => SignedWords.Of(s).Count(w => stems.Contains(w.Stem))).Take(2).SelectMany(Strengths).ToHashSet();
        var strong = own.Where(s => s is Strength.All or Strength.None).Except(nearest).ToList();
        var others = own.Where(s => s is not (Strength.All or Strength.None)).Except(nearest).ToList();
        if (strong.Count > 0 || (others.Count > 0 && nearest.Count > 0))
        {
            doubts.Add(new SentenceDoubt(Doubt.Quantity, []));
        }
    }

    private enum Strength
    {
        All,
        Most,
        Some,
        Few,
        None,
    }

    private static HashSet<Strength> Strengths(string text)
    {
        var found = new HashSet<Strength>();
        foreach (var word in Tokens.Of(text))
        {
            Strength? strength = word switch
            {
                "all" or "every" or "always" or "everybody" or "everyone" or "everything" or "everywhere" or "whole" or "entirely" or "completely" or "exclusively" => Strength.All,
                "most" or "mostly" or "usually" or "majority" or "normally" or "generally" or "mainly" => Strength.Most,
                "some" or "sometimes" or "several" or "often" or "frequently" or "many" => Strength.Some,
                "few" or "rarely" or "seldom" or "hardly" or "minority" => Strength.Few,
                "never" or "none" or "nobody" or "nowhere" => Strength.None,
                _ => null,
            };
            if (strength is { } s)
            {
                found.Add(s);
            }
        }

        return found;
    }

    private void Unborne(List<SignedWord> mine, List<Support> borne, List<SentenceDoubt> doubts)
    {
        var telling = mine.Select((w, i) => (Word: w.Word, Weight: Weight(w.Word), Worth: Math.Max(borne[i].Plain, borne[i].Contrary))).Where(w => !NumberWords.IsNumber(w.Word)).ToList();
        var total = telling.Sum(w => w.Weight);
        var without = telling.Where(w => w.Worth < Alike).ToList();
        var foreign = telling.Where(w => w.Worth < Foreign && w.Weight >= Rare).ToList();
        if (total > 0 && (without.Sum(w => w.Weight) / total > MostUnborne || foreign.Count > 0))
        {
            doubts.Add(new SentenceDoubt(Doubt.NotSaid, without.Concat(foreign).Select(w => w.Word).Distinct().ToList()));
        }
    }

    private double Weight(string word) => known.Vectors.Count == 0 ? 1 : known.Vectors.WeightOf(word);

    private bool Same(string stem, string other) => stem == other;

    private static IEnumerable<string> Sentences(string passage) => Sentence().Split(passage).Where(s => s.Trim().Length > 0);

    [GeneratedRegex(@"\b(?:first|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth)\b|(?<=\b(?:the|in|every) )second(?= \p{L})", RegexOptions.IgnoreCase)]
    private static partial Regex Ordinals();

    [GeneratedRegex(@"(?<![\p{L}'’])\p{Lu}[\p{L}'’]+")]
    private static partial Regex Capital();

    [GeneratedRegex(@"(?<=[.!?])\s+")]
    private static partial Regex Sentence();
}
