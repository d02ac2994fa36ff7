using System.Text.RegularExpressions;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>Whether words that were taken out of a lecture still state something: they have a verb of their own, answer nobody, and point at nothing that is not among them.</summary>
internal static partial class StandingAlone
{
    private static readonly HashSet<string> Subordinators = ["if", "when", "because", "while", "although", "though", "as", "since", "unless", "until", "where", "that", "which", "who", "whose", "whenever", "once", "after", "before", "whether"];

    /// <summary>With these a new clause begins, in which a pronoun may stand for the subject of the one before.</summary>
    private static readonly HashSet<string> Boundaries = [.. Subordinators, "and", "but", "or", "so", "for", "than", "to", "by", "without", "whether", "how", "what"];

    /// <summary>Whether a verb stands outside the conditions and reasons; true where no grammar tells.</summary>
    public static bool HasVerb(Sentence part, SentenceGrammar? grammar)
    {
        if (grammar is null)
        {
            return true;
        }

        // A clause that depends on another one takes a verb for itself, and ends at the next comma.
        var (isDependent, verbs, isInVerb, isMain) = (false, 0, false, false);
        for (var i = 0; i < part.Words.Count; i++)
        {
            var word = Tokens.Of(part.Words[i].Text) is [var only] ? only : "";
            if ((Subordinators.Contains(word) && !LeadsNoClause(grammar, i)) || (isDependent && word is "what" or "how"))
            {
                (isDependent, verbs, isInVerb, isMain) = (true, verbs - 1, false, false);
            }
            else if (Carriers.Contains(word) || IsContracted(word) || (grammar.ByPlace.TryGetValue(i, out var leaf) && leaf.IsVerb && !IsTakenForVerb(part, i, word)))
            {
                // "Are given": one verb; "on which nobody could live has none": two.
                var carries = Carriers.Contains(word) || IsContracted(word);
                verbs += isInVerb && !(carries && isMain) ? 0 : 1;
                isMain = !carries && !Modals.Contains(word);
                isInVerb = true;
                if (verbs > 0)
                {
                    return true;
                }
            }
            else
            {
                isInVerb &= word is "not" or "also";
            }

            if (isDependent && part.Words[i].Text[^1] is ',' or ';' or ':')
            {
                (isDependent, verbs) = (false, 0);
            }
        }

        return false;
    }

    /// <summary>"Before an eruption the ground swells", "That sits in a capsule": no clause that depends on another.</summary>
    private static bool LeadsNoClause(SentenceGrammar grammar, int at) => grammar.IsWhole && grammar.Root.All().Where(p => p.First == at && p.Parts.Count > 0).ToList() is var begun && begun.Exists(p => p.Label is "PP" or "NP") && !begun.Exists(p => p.Label is "SBAR" or "WHNP" or "WHADVP" or "WHPP");

    /// <summary>"A field", "up to ninety kilos": the grammar may take them for verbs.</summary>
    private static bool IsTakenForVerb(Sentence part, int at, string word) => at == 0 ? word is "up" or "down" : Tokens.Of(part.Words[at - 1].Text) is ["a" or "an" or "the"];

    /// <summary>"It's", "there's", "isn't": a verb with its subject or its denial.</summary>
    private static bool IsContracted(string word) => word.EndsWith("n't", StringComparison.Ordinal) || word.EndsWith("'re", StringComparison.Ordinal) || word.EndsWith("'ll", StringComparison.Ordinal) || word is "it's" or "there's" or "that's" or "here's" or "he's" or "she's" or "i'm" or "they've" or "we've" or "you've" or "i've";

    private static readonly HashSet<string> Modals = ["could", "would", "should", "might", "can", "may", "must", "will", "to", "cannot"];

    /// <summary>
    /// "Wax on the jacks, so they don't scratch": what opens it is no sentence, for each verb has a pronoun of its own; or its verb was taken for a thing ("acceptance counts from the moment it is posted").
    /// </summary>
    public static bool IsFragment(Sentence part, SentenceGrammar? grammar)
    {
        var words = part.Words.Select(w => Tokens.Of(w.Text) is [var only] ? only : "").ToList();
        if (grammar is null || Openers.Contains(words[0]) || Subordinators.Contains(words[0]) || Prepositions.Leads(words[0]) || words[0].EndsWith("ly", StringComparison.Ordinal) || words[0].EndsWith("ing", StringComparison.Ordinal) || words[0].EndsWith("ed", StringComparison.Ordinal))
        {
            return false;
        }

        var verbs = Enumerable.Range(0, words.Count).Where(i => Carriers.Contains(words[i]) || (grammar.ByPlace.TryGetValue(i, out var leaf) && leaf.IsVerb)).ToList();
        return verbs.Count > 0 && verbs[0] > 2 && verbs.TrueForAll(HasPronoun);

        bool HasPronoun(int verb)
        {
            var at = verb - 1;
            while (at > 0 && (Carriers.Contains(words[at]) || words[at] is "not" or "never" or "also" or "only" or "still" || words[at].EndsWith("n't", StringComparison.Ordinal)))
            {
                at--;
            }

            return words[at] is "it" or "they" or "he" or "she";
        }
    }

    /// <summary>Behind these a pronoun is the subject as it should be.</summary>
    private static readonly HashSet<string> Openers = ["it", "they", "he", "she", "there", "here", "then", "now", "yet", "so", "and", "but", "what", "how", "why"];

    /// <summary>Whether a word is a form of a verb by itself.</summary>
    public static bool Carries(string word) => Carriers.Contains(word) || IsContracted(word);

    /// <summary>Forms of a verb that the parser takes for something else where a sentence is long.</summary>
    private static readonly HashSet<string> Carriers = ["is", "are", "was", "were", "has", "have", "had", "can", "must", "will", "may", "does", "do", "did"];

    /// <summary>
    /// "A bearing is a straight line on it": within one clause what stands for the subject would be "itself", so it is something that was said before; nor is it what the subject is said to be.
    /// </summary>
    public static bool PointsOutside(Sentence part, SentenceGrammar? grammar)
    {
        if (grammar is null)
        {
            return false;
        }

        var leaves = grammar.ByPlace;
        var words = part.Words;
        var opensWithClause = Subordinators.Contains(Tokens.Of(words[0].Text).FirstOrDefault() ?? "");
        if (!opensWithClause && MainClause.Of(grammar) is { Subject: { Count: 1, First: > 0 } subject } && Tokens.Of(words[subject.First].Text) is ["it" or "they"])
        {
            // "Left alone in the dark, in most people it runs longer": what it is stands before.
            return true;
        }

        var firstVerb = grammar.Root.Leaves().FirstOrDefault(l => l.IsVerb)?.First ?? -1;
        var saysWhatItIs = firstVerb > 0 && Carriers.Contains(Tokens.Of(words[firstVerb].Text).FirstOrDefault() ?? "");
        for (var i = 2; i < words.Count; i++)
        {
            if (Tokens.Of(words[i].Text) is ["they" or "them" or "their"] && !Enumerable.Range(0, i).Any(j => IsSeveral(Tokens.Of(words[j].Text))))
            {
                return true;
            }

            if (Tokens.Of(words[i].Text) is not ["it" or "them"])
            {
                continue;
            }

            if (!opensWithClause && Tokens.Of(words[0].Text) is ["you" or "we" or "i" or "one"] && !leaves.Any(l => l.Key < i && IsNaming(l.Value)))
            {
                // "You have to keep turning it": no thing was named.
                return true;
            }

            var (at, isEqual) = (i - 1, saysWhatItIs && firstVerb < i);
            while (at > 0 && !words[at].Text.EndsWith(',') && !words[at].Text.EndsWith(':') && Tokens.Of(words[at].Text) is [var w] && !Boundaries.Contains(w) && !(leaves.TryGetValue(at, out var leaf) && (leaf.IsVerb || (IsNaming(leaf) && !isEqual))))
            {
                at--;
            }

            // Back to the verb of its clause; whether that is the first clause, and nothing but its subject was named yet.
            var verb = at > 0 && leaves.TryGetValue(at, out var found) && found.IsVerb ? at : -1;
            if (verb > 0 && !Enumerable.Range(1, verb - 1).Any(j => words[j].Text.EndsWith(',') || words[j].Text.EndsWith(':') || Tokens.Of(words[j].Text) is [var b] && Boundaries.Contains(b)) && !opensWithClause)
            {
                return true;
            }
        }

        return false;
    }

    /// <summary>Whether it answers, asks or speaks to somebody rather than states.</summary>
    public static bool IsTalk(string text) => Talk().IsMatch(text);

    /// <summary>Whether a word can be what "they" stands for.</summary>
    private static bool IsSeveral(IReadOnlyList<string> word) =>
        word is [var w] && ((w.EndsWith('s') && !w.EndsWith("ss", StringComparison.Ordinal) && w.Length > 3) || w is "and" or "people" or "men" or "women" or "children" or "mice" or "teeth" or "feet" or "data" or "bacteria" or "everybody" or "somebody" or "whoever" or "who" or "police" or "sheep" or "fish");

    private static bool IsNaming(Constituent leaf) => leaf.Tag.StartsWith('n');

    private const string Asides = "yes|yeah|no|sorry|okay|right|thanks|isn't it|anybody";

    private const string Addresses = "may i|can i|could i|i promise|i'm glad|come in|sit down|mind the|you should be able to|as i told|i agree|i disagree|your hand|hands up|wait a|let me|do the sum|come round|come closer|come here|have a look|watch this|see it";

    /// <summary>Something to read that everybody in the room has.</summary>
    private const string Handouts = "(?:in the (?:reader|notes|handout|textbook|reading|script|paper)|the paper (?:has|says|calls|gives|shows)|(?:first|second|third|other) paper)";

    private const string JustNow = "(?:we|i|you)'ve just";

    [GeneratedRegex($@"\b(?:{Handouts}|{JustNow})\b|, (?:{Asides})(?:,|\.$)|^(?:{Addresses})\b|, (?:{Addresses})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Talk();
}
