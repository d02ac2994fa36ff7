using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Statements;

/// <summary>A sentence without a phrase that could be asked for.</summary>
/// <param name="Left">The sentence with a gap.</param>
/// <param name="Missing">The phrase as it was said.</param>
/// <param name="Run">The words that it takes.</param>
internal sealed record LeftOut(string Left, string Missing, WordRun Run)
{
    private const int LeastLeft = 2, LongestGap = 6;

    /// <summary>So much is asked for that one thing to say it of is enough: "A submarine has to ____."</summary>
    private const int MostSaid = 3;

    /// <summary>Words that say nothing by themselves: a gap that holds no other asks for nothing.</summary>
    internal static readonly HashSet<string> Vague =
    [
        "one", "ones", "thing", "things", "lot", "answer", "question", "way", "ways", "time", "times", "it", "they", "them", "you", "we", "us", "that", "this", "something", "anything", "nothing", "everything", "other", "others", "more", "less", "much", "many",
        "some", "all", "both", "cent", "rule", "example", "reason", "case", "problem", "matter", "each", "same", "too", "very", "good", "bad", "bit", "kind", "kinds", "sort", "part", "parts", "words", "questions", "points", "reasons", "people", "place", "yourself", "itself", "themselves", "here", "there", "what", "whatever", "who", "order", "spite", "favour", "front", "opposite", "reverse", "rest", "latter", "former", "exception", "difference", "first", "second", "third", "last", "next", "number", "numbers", "name", "names", "seconds", "minutes", "hours", "days", "weeks", "months", "years", "fact", "moment", "hand", "side", "end", "means", "i", "me", "he", "she", "his", "her", "its", "their", "your",
    ];

    private static readonly HashSet<string> Owners = ["its", "their"];

    /// <summary>"They reach places", "why glass breaks": behind these the grammar took a verb for a thing.</summary>
    private static readonly HashSet<string> TakesVerb = ["they", "we", "he", "she", "i", "who", "why", "how"];

    /// <summary>"The most dangerous cargo": half of a comparison.</summary>
    private static readonly HashSet<string> Degrees = ["most", "more", "less", "least", "very", "too", "so", "as", "such", "rather", "quite"];

    /// <summary>Behind these a phrase is a thing and neither a verb nor a quality.</summary>
    internal static readonly HashSet<string> BeforeThings = ["a", "an", "the", "of", "in", "with", "on", "from", "by", "for", "each", "every", "into", "without", "between"];

    /// <summary>What is left, or null where the words are no phrase, say nothing by themselves, or are given away by the rest.</summary>
    /// <param name="part">The sentence.</param>
    /// <param name="run">Which of its words are left out.</param>
    public static LeftOut? Of(Sentence part, WordRun run)
    {
        if (Tokens.Of(part.Words[run.First].Text) is [var owner] && (owner is "your" or "my" or "our"))
        {
            // "You pour your tea": nobody needs to know that it was tea.
            return null;
        }

        if (run.Count > 1 && Tokens.Of(part.Words[run.First].Text) is [var its] && Owners.Contains(its))
        {
            run = run with { First = run.First + 1 };
        }

        if (Tokens.Of(part.Words[run.First].Text).Any(NumberWords.IsNumber) || IsAside(part, run))
        {
            // "Two limbs": how many is given away by what is asked for, or is half of a number.
            return null;
        }

        var missing = string.Join(' ', part.Words.Skip(run.First).Take(run.Count).Select(w => w.Text)).TrimEnd('.', ',', ';', ':');
        var words = Tokens.Of(missing);
        if (words.Count is 0 or > LongestGap || words.SkipWhile(w => w is "a" or "an" or "the").All(w => NumberWords.IsNumber(w) || w is "and") || words.Contains("sake") || words[0] is "let" || run.End < part.Words.Count && Tokens.Of(part.Words[run.End].Text) is ["per"] || part.Words[run.End - 1].Text.EndsWith(':') || missing.Contains(',') || !IsPhrase(words) || IsVague(words))
        {
            return null;
        }

        if (run.First > 0 && Tokens.Of(part.Words[run.First - 1].Text) is [var before] && (TakesVerb.Contains(before) || Degrees.Contains(before)))
        {
            return null;
        }

        var left = WithGap(part, run);
        var kept = Tokens.ContentStems(left).ToHashSet();
        return kept.Count < LeastLeft || Tokens.ContentStems(missing).Any(kept.Contains) ? null : new LeftOut(left, run.First == 0 ? WordForms.Small(missing) : missing, run);
    }

    /// <summary>A sentence without what it ends with; null where that says nothing, or the rest says it.</summary>
    /// <param name="part">The sentence.</param>
    /// <param name="run">Its last words, or those up to a comma.</param>
    public static LeftOut? Ending(Sentence part, WordRun run)
    {
        var missing = string.Join(' ', part.Words.Skip(run.First).Take(run.Count).Select(w => w.Text)).TrimEnd('.', ',', ';', ':');
        var left = WithGap(part, run);
        var (kept, asked) = (Tokens.ContentStems(left).ToHashSet(), Tokens.ContentStems(missing));
        var isSaid = asked.Count == 0 || kept.Contains(asked[0]) || 2 * asked.Count(kept.Contains) > asked.Count;
        var isTooLittle = kept.Count + (asked.Count >= MostSaid ? 1 : 0) < LeastLeft;
        var saysNothing = Tokens.Of(missing) is var words && (words is ["the", "way" or "sake" or "case" or "rest", ..] or ["a", "lot" or "bit", ..] or ["an", "awful", "lot"] or ["a", _, "lot"] || words.All(w => Vague.Contains(w) || StopWords.Contains(w)));
        return isSaid || isTooLittle || saysNothing ? null : new LeftOut(left, missing, run);
    }

    private static string WithGap(Sentence part, WordRun run)
    {
        var close = part.Words[run.End - 1].Text[^1];
        return string.Join(' ', part.Words.Take(run.First).Select(w => w.Text).Append(CardContent.Gap + (close is '.' or ',' or ';' or ':' ? close.ToString() : "")).Concat(part.Words.Skip(run.End).Select(w => w.Text)));
    }

    /// <summary>Put in between commas, by itself or in a clause of its own: not what the sentence states.</summary>
    private static bool IsAside(Sentence part, WordRun run)
    {
        var words = part.Words;
        if (run.First > 0 && words[run.First - 1].Text.EndsWith(',') && words[run.End - 1].Text.EndsWith(','))
        {
            return true;
        }

        var opens = Enumerable.Range(1, run.First).LastOrDefault(i => i < run.First && words[i - 1].Text.EndsWith(',') && Tokens.Of(words[i].Text) is ["who" or "which" or "whose" or "where"], -1);
        return opens > 0 && !words.Skip(opens).Take(run.First - opens).Any(w => w.Text.EndsWith(',')) && words.Skip(run.End - 1).SkipLast(1).Any(w => w.Text.EndsWith(','));
    }

    /// <summary>With these the verb of the next words begins: the grammar took one for a thing.</summary>
    private static readonly HashSet<string> Helpers = ["can", "will", "may", "must", "might", "should", "would", "could", "is", "are", "was", "were", "has", "have", "had", "does", "do"];

    /// <summary>No clause, no comparison, and nothing that begins in the middle of a longer phrase.</summary>
    private static bool IsPhrase(IReadOnlyList<string> words) =>
        !Helpers.Contains(words[^1]) && !words.Any(w => w is "that" or "which" or "who" or "where" or "when" or "how" or "why" or "what" or "if" or "as" or "but" or "not" or "no" or "than" or "like" or "at" or "during") && !(words.Count < 3 && words.Contains("and"))
        && words[0] is not ("this" or "these" or "those" or "such" or "any" or "every" or "most" or "another" or "whatever") && !words.Contains("same") && !words.Any(w => w.EndsWith("'ve", StringComparison.Ordinal) || w.EndsWith("'re", StringComparison.Ordinal) || w.EndsWith("'d", StringComparison.Ordinal) || w.EndsWith("'ll", StringComparison.Ordinal)) && (words[0] is "a" or "an" or "the" || !BeforeThings.Contains(words[0])) && !words[^1].EndsWith("'s", StringComparison.Ordinal) && !words.Any(w => w.EndsWith("'s", StringComparison.Ordinal) && w[..^2] is "here" or "that" or "there" or "it" or "what" or "this" or "who" or "he" or "she");

    private static bool IsVague(IReadOnlyList<string> words) => Vague.Contains(words[0]) || Vague.Contains(words[^1]) || words.All(w => Vague.Contains(w) || StopWords.Contains(w));
}
