using System.Text.RegularExpressions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>A term and what the lecture says that it is.</summary>
/// <param name="Term">Without its article, as it was written ("spring tide").</param>
/// <param name="Article">"a", "an", "the" or nothing.</param>
/// <param name="Meaning">What it is, without a full stop ("a tide with a large range").</param>
/// <param name="TermIsAnswer">The sentence describes a thing and then names it ("… is called leaching").</param>
/// <param name="IsPlural">"Mottles are …".</param>
public sealed record Definition(string Term, string Article, string Meaning, bool TermIsAnswer, bool IsPlural, Sentence Sentence)
{
    /// <summary>The term with its article.</summary>
    public string Named => Article.Length == 0 ? Term : $"{Article} {Term}";
}

/// <summary>Finds the sentences that say what something is, by their form.</summary>
public static partial class Definitions
{
    private const int MostWords = 24;

    private static readonly HashSet<string> NoTerms =
    [
        "result", "answer", "question", "point", "reason", "name", "number", "main", "first", "second", "third", "last", "next", "other", "only",
        "same", "one", "such", "rest", "interesting", "thing", "method", "tool", "secret", "word", "example", "part", "way", "time", "idea",
        "people", "everything", "nothing", "something", "anything", "everybody", "nobody", "definition", "half", "quarter", "whole", "double", "twice", "water", "there", "here", "far", "near", "each", "every", "some", "many", "most", "all", "what", "where", "how", "who",
        "it", "this", "that", "these", "those", "they", "he", "she", "we", "you", "i", "in", "on", "at", "of", "for", "with", "by", "from", "to",
        "and", "but", "so", "if", "when", "because", "since", "while", "as", "though", "although", "unless", "until", "than", "like", "your", "our", "my", "his", "her", "their", "useful", "good", "great", "common",
        "do", "don't", "have", "let", "look", "see", "say", "take", "think", "imagine", "remember", "keep", "put",
    ];

    /// <summary>"The fourth thing" is no term.</summary>
    private static readonly HashSet<string> NoHeads = ["thing", "things", "one", "ones", "way", "ways", "point", "points", "reason", "reasons", "question", "answer", "idea", "exception", "opposite", "other"];

    /// <summary>The definition that a sentence gives, or null.</summary>
    public static Definition? Find(Sentence sentence)
    {
        var text = PauseInside().Replace(QuotableSentence.Untied(sentence.Text), m => m.Value[1..].ToLowerInvariant());
        return IsThing(text, sentence) ?? IsCalled(text, sentence) ?? WeCall(text, sentence) ?? SpokenDefinitions.Of(sentence);
    }

    private static Definition? IsThing(string text, Sentence sentence)
    {
        var m = ThingIs().Match(text);
        if (!m.Success)
        {
            return null;
        }

        var article = m.Groups["article"].Value.ToLowerInvariant();
        var term = article.Length == 0 ? WordForms.Small(m.Groups["term"].Value) : m.Groups["term"].Value;
        var meaning = SecondClause().Replace(m.Groups["meaning"].Value, "");
        return IsTerm(term) && IsWhole(meaning) && SaysWhich().IsMatch(meaning)
            ? new Definition(term, article, meaning, false, m.Groups["verb"].Value == "are", sentence)
            : null;
    }

    private static Definition? IsCalled(string text, Sentence sentence)
    {
        var m = ThingIsCalled().Match(text);
        if (!m.Success)
        {
            return null;
        }

        var meaning = m.Groups["meaning"].Value;
        meaning = meaning.StartsWith("Such ", StringComparison.Ordinal) ? WordForms.Capital(meaning[5..]) : meaning;
        var words = Tokens.Of(meaning);
        var describes = words.Count >= ShortestMeaning && IsWhole(meaning) && !OtherSubject().IsMatch(meaning) && !NoMeanings.Contains(words[0]) && words[^1] is not ("this" or "that" or "it" or "which" or "these" or "those" or "they");
        var term = m.Groups["term"].Value;
        return describes && IsTerm(term)
            ? new Definition(term, m.Groups["article"].Value, WordForms.Small(meaning.TrimEnd(',')), true, m.Groups["verb"].Value == "are", sentence)
            : null;
    }

    /// <summary>"We call that a topological map: what is connected with what is right, …"</summary>
    private static Definition? WeCall(string text, Sentence sentence)
    {
        var m = CalledWith().Match(text);
        var (term, meaning) = (m.Groups["term"].Value, m.Groups["meaning"].Value);
        return m.Success && IsTerm(term) && IsWhole(meaning) && Tokens.Of(meaning).Count >= ShortestMeaning && !Tokens.Of(meaning).Take(3).Any(w => w is "it" or "they" or "you" or "we" or "i" or "this" or "that")
            ? new Definition(term, m.Groups["article"].Value, meaning, false, term.EndsWith('s') && !term.EndsWith("ss", StringComparison.Ordinal), sentence)
            : null;
    }

    private const int ShortestMeaning = 4, LongestTerm = 4;

    /// <summary>Words with which no description of a thing begins.</summary>
    internal static readonly HashSet<string> NoMeanings = ["if", "when", "because", "so", "then", "there", "this", "that", "it", "these", "those", "they", "such", "which", "what", "put", "take", "let", "say", "go", "look", "make", "keep", "give", "add", "wait", "leave", "throw", "burn", "hold", "cut", "turn", "push", "pull", "press", "stir", "mix", "pour", "dip", "roll", "heat", "see", "watch", "feel", "notice", "hear", "it's", "that's", "there's", "they're"];

    /// <summary>Whether what a thing is said to be is told to its end.</summary>
    internal static bool IsWhole(string meaning)
    {
        var words = Tokens.Of(meaning);
        return words.Count <= MostWords && !QuotableSentence.BreaksOff(words) && !RunsOn().IsMatch(meaning);
    }

    /// <summary>Whether words can name a thing that one looks up.</summary>
    internal static bool IsTerm(string term)
    {
        var words = Tokens.Of(term);
        return words.Count is >= 1 and <= LongestTerm
            && !NoTerms.Contains(words[0]) && !NoHeads.Contains(words[^1])
            && !words.Any(w => NumberWords.IsNumber(w) || w is "and" or "or" or "is" or "are" or "not" or "that's" or "it's" or "there's" or "they're")
            && words.Any(w => w.Length > 2 && !StopWords.Contains(w));
    }

    private const string UpToFourWords = @"[\p{L}'’-]+(?: [\p{L}'’-]+){0,3}?";

    /// <summary>"is based on …" says what is done to a thing, not what it is.</summary>
    private const string NoMeaning = @"there\b|worst\b|best\b|most\b|only\b|one \p{L}+ \b|not\b|always\b|never\b|usually\b|often\b|sometimes\b|also\b|still\b|already\b|that\b|called\b|so\b|too\b|as\b|kept\b|held\b|full\b|\p{L}+ed (?:on|in|by|from|as|at|with)\b";

    /// <summary>"The thing most people forget", "the exception": what it is is not said.</summary>
    private const string NoKind = "(?:(?:a|an|the) )?(?:thing|exception|opposite|reverse|same|reason|answer)\\b";

    private const string Meaning = $"(?!{NoKind})(?:(?:a|an|the) )?(?!{NoMeaning})" + @"\p{L}[^.?!]{12,}";

    private const string Relation = "of|that|which|with|for|from|between|whose|in|when|where|at|on|to|by|below|above";

    [GeneratedRegex($"^(?:(?<article>A|An|The) )?(?<term>{UpToFourWords}),? (?<verb>is|are|means) (?<meaning>{Meaning})" + @"\.$")]
    private static partial Regex ThingIs();

    [GeneratedRegex(@"^(?:(?:a|an|the) [^,]*\b" + $"(?:{Relation})" + @"\b|[^,]{0,40}\b(?:that|which|whose)\b)", RegexOptions.IgnoreCase)]
    private static partial Regex SaysWhich();

    /// <summary>What belongs to a thing that was just named, and is no statement of its own.</summary>
    private const string NoRelative = @"(?:(?!\b(?:that|which|who|whom|whose|where|when|what|how)\b)[^,])*";

    private const string Stating = @"\b(?:is|are|was|were|has|have|had|can|will|must)\b";

    /// <summary>", and a foul stream is …", ", or peat has …": a second statement in the same sentence.</summary>
    [GeneratedRegex(
        @", and (?:(?:a|an|the|on|it|they)\b|[^,]*\b(?:is|are)\b).*$|, so .*$" + $"|, (?:and|but|or) {NoRelative}{Stating}.*$",
        RegexOptions.IgnoreCase)]
    private static partial Regex SecondClause();

    /// <summary>A capital in the middle where a sentence began that the recogniser did not divide.</summary>
    [GeneratedRegex(@"[\p{Ll},] (?:On|In|The|A|An|It|Go|If|When|This|That|So|But|And|You|We|They|There)\b")]
    private static partial Regex RunsOn();

    private const string Subjects = "this|such|that|these|those|the|an?|it|they|we|you";

    /// <summary>", such a tide": the name belongs to a later part only; "the first says, put …": somebody speaks.</summary>
    [GeneratedRegex($@", (?:{Subjects}|put|say|take|let|if|so|then|but)\b|\b(?:says?|said)\b", RegexOptions.IgnoreCase)]
    private static partial Regex OtherSubject();

    private const string WeCallIt = "(?:We|They|People) call (?:this|that|it|these|them|those)";

    [GeneratedRegex($@"^{WeCallIt} (?:(?<article>an?|the) )?(?<term>{UpToFourWords}): (?<meaning>[^?!:]+)\.$")]
    private static partial Regex CalledWith();

    /// <summary>A full stop where the speaker only paused.</summary>
    [GeneratedRegex(@"\. (is|are) called\b", RegexOptions.IgnoreCase)]
    private static partial Regex PauseInside();

    [GeneratedRegex(@"^(?<meaning>[^.?!]{12,}?),? (?<verb>is|are) called (?:(?<article>a|an|the) )?(?<term>[\p{L}'’ -]+)\.$")]
    private static partial Regex ThingIsCalled();
}
