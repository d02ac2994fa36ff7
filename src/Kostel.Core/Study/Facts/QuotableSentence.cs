using System.Text.RegularExpressions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>Whether a sentence can be taken out of its lecture and still be understood.</summary>
public static partial class QuotableSentence
{
    /// <summary>Words of a sentence that can be quoted by itself.</summary>
    private const int Shortest = 5, Longest = 34;

    /// <summary>Below this the recogniser was unsure of a word, and nothing to be learned should rest on it.</summary>
    public const double SureEnough = 0.45;

    private static readonly HashSet<string> PointsElsewhere =
    [
        "this", "these", "those", "such", "here", "we", "i", "our", "my", "me", "us", "ours", "tonight", "today", "tomorrow", "yesterday",
        "please", "let", "let's", "he", "she", "his", "her", "above", "i'm", "we'll", "i'll", "example", "welcome", "thank", "everybody",
        "everyone", "somebody", "somewhere", "evening", "exercise",
    ];

    private static readonly HashSet<string> LeavesOpen =
        ["of", "the", "a", "an", "and", "or", "to", "in", "for", "with", "by", "from", "at", "on", "is", "are", "that", "which", "than", "as"];

    private static readonly HashSet<string> Pronouns = ["it", "they", "them", "its", "their", "itself", "themselves", "one", "ones", "both", "others"];

    private static readonly HashSet<string> PointingOpeners =
    [
        "that", "then", "first", "second", "third", "last", "other", "others", "result", "two", "same", "next", "there", "too", "also",
        "it's", "that's", "neither", "either", "each", "another", "what", "which", "how", "why", "who", "if", "because", "nothing", "nobody",
    ];

    /// <summary>The sentence without the word that only ties it to the one before ("So", "And", "But", "Now").</summary>
    public static string Untied(string sentence) => WordForms.Capital(Ties().Replace(sentence.Trim(), ""));

    /// <summary>Whether nothing in it points to what was said before or to the occasion, and every word in it was heard well.</summary>
    public static bool IsSelfContained(Sentence sentence) => StandsAlone(sentence, allowCondition: false);

    /// <summary>The same for "If …, …" and "When …, …", which are understood when both halves are.</summary>
    public static bool IsSelfContainedCondition(Sentence sentence) =>
        Untied(sentence.Text).Split(' ')[0] is "If" or "When" && StandsAlone(sentence, allowCondition: true);

    private static bool StandsAlone(Sentence sentence, bool allowCondition)
    {
        var text = Untied(sentence.Text);
        var words = Tokens.Of(text);
        return words.Count is >= Shortest and <= Longest
            && text.EndsWith('.')
            && !sentence.Words.SkipLast(1).Any(w => Sentences.ClosesSentence(w.Text))
            && IsHeardWell(sentence)
            && !PointsWithThat().IsMatch(text)
            && !BreaksOff(words)
            && !Unsaid.IsIn(words)
            && (!PointingOpeners.Contains(words[0]) || (allowCondition && words[0] is "if"))
            && !(words[0] is "the" or "a" && words.Count > 1 && PointingOpeners.Contains(words[1]))
            && !words.Any(PointsElsewhere.Contains)
            && !words.Take(4).Any(w => Pronouns.Contains(w) && w != "one");
    }

    /// <summary>Whether the last word leaves the sentence open: the recogniser took a pause for its end.</summary>
    public static bool BreaksOff(IReadOnlyList<string> words) => words.Count == 0 || LeavesOpen.Contains(words[^1]);

    /// <summary>Whether no word was doubtful and none looks like letters read out one by one; what a person wrote ("V times I") is as it should be.</summary>
    public static bool IsHeardWell(Sentence sentence) =>
        sentence.Words.All(w => w.Confidence >= SureEnough && !(w.Confidence < 1 && SpelledOut().IsMatch(w.Text)));

    /// <summary>"Now to the spring tides, …": what is spoken of next.</summary>
    private const string Announcement = @"(?:now (?:to )?the [\p{L} ]{3,24}|(?:two|three|four|five|a few) (?:more )?words(?: first)?),\s+";

    private const string TieWords = "so|and|but|now|therefore|well|of course|finally|for most purposes|remember that|notice that|remember|you see that|in practice";

    private const string Tie = $"(?:(?:{TieWords})" + @",?\s+)";

    [GeneratedRegex($"^(?:{Announcement}{Tie}*|{Tie}+)", RegexOptions.IgnoreCase)]
    private static partial Regex Ties();

    [GeneratedRegex(@"\b(?:in|at|of|from|by|with|for|than|on) that\b", RegexOptions.IgnoreCase)]
    private static partial Regex PointsWithThat();

    [GeneratedRegex(@"^(?:\p{L}[.\-]){2,}|^\p{L}\.$|-\p{L}-\p{L}|^[b-hj-zB-HJ-Z]$")]
    private static partial Regex SpelledOut();
}
