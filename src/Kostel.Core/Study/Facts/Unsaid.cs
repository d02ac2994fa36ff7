using Kostel.Core.Text;

namespace Kostel.Core.Study.Facts;

/// <summary>What a sentence leaves unsaid though no pronoun shows it: longer than what, the opposite of what, none of what. The sentence before says it.</summary>
internal static class Unsaid
{
    private const int Near = 4, FarEnough = 6;

    private static readonly HashSet<string> Comparatives =
    [
        "longer", "shorter", "faster", "slower", "higher", "lower", "deeper", "shallower", "wider", "narrower", "thicker", "thinner", "heavier", "lighter", "stronger", "weaker", "larger", "bigger",
        "smaller", "greater", "better", "worse", "warmer", "colder", "hotter", "cooler", "later", "earlier", "sooner", "older", "younger", "cheaper", "dearer", "harder", "softer", "easier", "brighter",
        "darker", "louder", "quieter", "richer", "poorer", "safer", "drier", "wetter", "nearer", "farther", "closer", "taller", "steeper", "denser", "fewer",
    ];

    /// <summary>Something is compared with how it was.</summary>
    private static readonly HashSet<string> Changing =
    [
        "get", "gets", "getting", "got", "become", "becomes", "becoming", "became", "grow", "grows", "growing", "grew", "turn", "turns", "make", "makes", "making", "made",
        "move", "moves", "sink", "sinks", "rise", "rises", "go", "goes", "run", "runs",
    ];

    private static readonly HashSet<string> Relations = ["opposite", "reverse", "difference", "exception", "rest", "latter", "former", "same"];

    private static readonly HashSet<string> Ordinals = ["first", "second", "third", "fourth", "fifth", "last", "next"];

    private static readonly HashSet<string> Roughly = ["about", "roughly", "nearly", "almost", "around", "only", "another", "perhaps"];

    private static readonly HashSet<string> Shares = ["percent", "cent", "half", "third", "thirds", "quarter", "quarters", "fifth", "fifths", "tenth", "tenths"];

    private static readonly HashSet<string> Going = ["is", "are", "was", "were", "goes", "go", "went", "comes", "come", "came", "stays", "stay", "remains", "remain", "runs", "run", "falls", "fall", "ends", "end", "leaves", "leave", "reaches", "reach"];

    /// <summary>Whether something of it can only be understood by what was said before.</summary>
    /// <param name="words">In small letters.</param>
    public static bool IsIn(IReadOnlyList<string> words) =>
        IsByOne(words) || IsExcepted(words) || IsShare(words) || CountsOnly(words) || IsThere(words) || Enumerable.Range(0, words.Count).Any(i => IsCompared(words, i) || IsRelation(words, i) || (words[i] is "none" && Next(words, i) is not "of") || (i > 1 && words[i] is "lot" && words[i - 2] is "with" && Next(words, i) is not "of")) || (words is ["the", var which, var verb, ..] && Ordinals.Contains(which) && StopWords.Contains(verb));

    /// <summary>Said of something, and not before what it describes: "a lower heat" is low enough by itself. A condition says what it is compared with.</summary>
    private static bool IsCompared(IReadOnlyList<string> words, int at) =>
        at > 1 && Comparatives.Contains(words[at]) && words[at - 1] is not ("the" or "no" or "any" or "and" or "or") && Next(words, at) is var next && (next.Length == 0 || StopWords.Contains(next) || Prepositions.Leads(next))
        && !words.Contains("than") && !words.Take(at).Any(w => w is "if" or "when" or "whenever" or "without") && !words.Skip(Math.Max(0, at - Near)).Take(Math.Min(at, Near)).Any(Changing.Contains);

    /// <summary>"Only on three conditions …", "except B twelve …": from what, is said before.</summary>
    private static bool IsExcepted(IReadOnlyList<string> words) => words is ["except", ..] || (words is ["only", var where, ..] && Prepositions.Leads(where));

    /// <summary>What is only counted, and must be of something.</summary>
    private static readonly HashSet<string> Counted = ["ways", "reasons", "kinds", "types", "sorts", "possibilities", "things", "conditions", "causes", "exceptions", "cases", "forms", "stages", "answers"];

    private static readonly HashSet<string> OfWhat = ["of", "to", "in", "that", "which", "why", "how", "for", "when", "where", "from", "you", "we", "people", "with"];

    /// <summary>"There are two ways, and the first is to slide": of doing what, is said before.</summary>
    private static bool CountsOnly(IReadOnlyList<string> words) =>
        words is ["there", "are" or "were", ..] or ["there's", ..] && words.Take(FarEnough).ToList().FindIndex(Counted.Contains) is > 0 and var at && NumberWords.IsNumber(words[at - 1]) && !OfWhat.Contains(Next(words, at));

    /// <summary>"Leave a gap there for the air": where, is said before.</summary>
    private static bool IsThere(IReadOnlyList<string> words) =>
        Enumerable.Range(2, Math.Max(0, words.Count - 3)).Any(i => words[i] is "there" && words[i + 1] is "for" or "until" or "too" && !StopWords.Contains(words[i - 1]));

    /// <summary>"A large one", "the big ones", "the chin one's done like the slap".</summary>
    private static bool IsByOne(IReadOnlyList<string> words) =>
        Enumerable.Range(1, Math.Max(0, Math.Min(FarEnough, words.Count) - 1)).Any(i => words[i] is "ones" || (words[i] is "one's" && words[0] is "the") || (words[i] is "one" && !Prepositions.Leads(words[i - 1]) && words[i - 1] is not ("no" or "and" or "or" or "than" or "is" or "are" or "about" or "only" or "every")));

    /// <summary>"About five per cent is organic matter", "half goes into the river": of what, the sentence before says. A bare number may be one that is spoken of, and "a third is an interval".</summary>
    private static bool IsShare(IReadOnlyList<string> words)
    {
        var at = words.Count > 0 && Roughly.Contains(words[0]) ? 1 : 0;
        var isShare = at > 0;
        while (at < words.Count && (NumberWords.IsNumber(words[at]) || words[at] is "a" or "per" || Shares.Contains(words[at])))
        {
            isShare |= Shares.Contains(words[at]);
            at++;
        }

        return isShare && at > 0 && at < words.Count && (NumberWords.IsNumber(words[at - 1]) || Shares.Contains(words[at - 1])) && Going.Contains(words[at]) && !(words[0] is "a" && Next(words, at) is "a" or "an" or "the");
    }

    private static bool IsRelation(IReadOnlyList<string> words, int at) =>
        at > 0 && Relations.Contains(words[at]) && words[at - 1] is "the" && Next(words, at) is var next && next is not ("of" or "between" or "in" or "that" or "as" or "to" or "from") && (next.Length == 0 || StopWords.Contains(next));

    private static string Next(IReadOnlyList<string> words, int at) => at + 1 < words.Count ? words[at + 1] : "";
}
