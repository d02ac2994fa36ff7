using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>
/// What is asked, said, explained and called something in few words, as people speak: "how do they find their way about?", "the split follows
/// the fibre", "that's where most of the flavour comes from", "it's full of gas", "we call it the feeding buzz". It may point to what the lecture is about.
/// </summary>
internal sealed partial class SpokenClauses(Lexicon lexicon)
{
    private const int FewestWords = 3, LongestWords = 7, LongestEmpty = 4;
    private const double SometimesVerb = 0.3;

    private static readonly HashSet<string> NoBeginning = ["which", "who", "whom", "whose", "that", "that's", "this", "these", "those", "there", "there's", "here", "here's", "he", "he's", "she", "she's", "i", "i'm", "i've", "i'd", "i'll", "let", "let's", "don't", "please", "or", "than", "of", "if", "did", "do", "does", "is", "are", "was", "can", "could", "would", "will", "has", "have", "what", "why", "how", "where", "mind", "maybe", "perhaps", "say", "yes", "no", "sorry", "thanks", "for", "with", "to", "by", "from", "about", "at", "like", "hereinafter"];
    /// <summary>What is done all day and tells no subject.</summary>
    private static readonly HashSet<string> Everyday = ["know", "knows", "need", "needs", "find", "go", "goes", "get", "gets", "want", "wants", "think", "thinks", "say", "says", "see", "sees", "come", "comes", "tell", "tells", "mean", "means", "use", "happens", "help", "helps", "why", "how", "some", "something", "somebody", "anything", "anybody"];

    private static readonly HashSet<string> NoEnd = ["the", "a", "an", "and", "or", "but", "is", "are", "was", "were", "has", "have", "had", "can", "could", "will", "would", "must", "should", "may", "might", "does", "do", "did", "very", "too", "not", "be", "so", "because", "if", "when", "that", "which", "who", "than", "my", "your", "his", "her", "its", "our", "their", "i", "we", "they", "er", "um", "like", "more", "say", "mean", "know", "think", "it's", "that's", "for", "with", "to", "into", "at", "as"];
    private static readonly HashSet<string> NoPredicate = ["not", "just", "only", "like", "called", "got", "to", "about", "what", "what's", "where", "how", "why", "when", "that", "because", "going", "very", "really", "quite", "so", "too", "also", "been", "always", "never", "my", "your", "his", "her", "me", "you", "us", "there", "here", "in", "on", "at", "all", "still", "no", "nothing", "something", "easy", "hard", "true", "right", "good", "nice", "fine", "lovely", "as", "more", "less", "i", "if", "than", "gonna", "one", "worth", "up", "by", "another"];

    /// <summary>The phrases of a chapter, in the order in which they are said.</summary>
    public IEnumerable<NamingPhrase> Of(IReadOnlyList<Sentence> sentences) =>
        sentences.SelectMany((sentence, at) => sentence.WeakestConfidence < QuotableSentence.SureEnough ? [] : In(sentence.Text).DistinctBy(p => p.Text).Select(p => Phrase(p.Text, p.Form, at)));

    private IEnumerable<(string Text, PhraseForm Form)> In(string sentence)
    {
        if (sentence.EndsWith('?'))
        {
            if (AskedTitles.Of(sentence, lexicon, mayPoint: true) is { } asked && !AsksNothing(asked))
            {
                yield return (asked, PhraseForm.Question);
            }

            yield break;
        }

        foreach (Match m in Called().Matches(sentence))
        {
            if (Tokens.Of(m.Groups["thing"].Value) is [var first, .., var last] words ? !StopWords.Contains(first) && !StopWords.Contains(last) && !words.Any(w => NumberWords.IsNumber(w) || Being().IsMatch(w)) : Definitions.IsTerm(m.Groups["thing"].Value))
            {
                yield return (m.Groups["thing"].Value, PhraseForm.Named);
            }
        }

        foreach (var piece in sentence.Split([',', ';', ':', '–', '—', '.', '!', '…', '"', '“', '”'], StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
        {
            if (WhatThing().Match(piece) is { Success: true } thing && Definitions.IsTerm(thing.Groups["thing"].Value))
            {
                yield return ($"what {thing.Groups["article"].Value}{thing.Groups["thing"].Value} {(thing.Groups["verb"].Value.EndsWith('e') ? "are" : "is")}", PhraseForm.Explained);
            }
            else if (Explaining().Match(piece) is { Success: true } explained && !Naming().IsMatch(explained.Value) && Whole($"{explained.Groups["asks"].Value} {UpToJoin(explained.Groups["rest"].Value)}", LongestWords + 1) is { } what)
            {
                yield return (what, PhraseForm.Explained);
            }

            var clause = Lead().Replace(piece, "");
            if (BeingSomething().Match(clause) is { Success: true } being && Predicate(being.Groups["rest"].Value) is { } predicate)
            {
                yield return (predicate, PhraseForm.Predicate);
            }

            if (!NoBeginning.Contains(First(clause)) && !HasNoSubject(piece, clause) && !OnlyNames().IsMatch(clause) && Whole(clause, LongestWords) is { } said)
            {
                yield return (said, PhraseForm.Said);
            }
        }
    }

    /// <summary>A clause that is neither long nor broken off and has a verb; else null.</summary>
    private string? Whole(string clause, int longest)
    {
        var words = Tokens.Of(clause);
        return words.Count >= FewestWords && words.Count <= longest && !NoEnd.Contains(words[^1]) && !clause.Any(char.IsDigit) && words.Any(IsVerb) && words.Any(w => !EnglishPhrases.SaysNothing(w)) ? clause : null;
    }

    /// <summary>"Who knows why?", "How do you go on?": whoever reads that knows nothing.</summary>
    private static bool AsksNothing(string asked) => Tokens.Of(asked) is { Count: <= LongestEmpty } words && words.Skip(1).All(w => StopWords.Contains(w) || Everyday.Contains(w));

    /// <summary>What goes on with the subject of what stood before: ", and had a surface of gravel", ", doesn't cover a racecourse".</summary>
    private static bool HasNoSubject(string piece, string clause) =>
        First(clause) is var first && (Being().IsMatch(first) || first.EndsWith("n't", StringComparison.Ordinal) || (piece.Length > clause.Length && IrregularForms.IsPast(first) && Tokens.Of(clause) is [_, "the" or "a" or "an" or "it" or "them" or "their" or "his" or "her" or "its", ..]));

    private static string? Predicate(string rest)
    {
        var words = Tokens.Of(rest);
        return words.Count is >= 2 and < LongestWords && !NoPredicate.Contains(words[0]) && !NoEnd.Contains(words[^1]) && !rest.Any(char.IsDigit) && words.Any(w => !EnglishPhrases.SaysNothing(w))
            ? words[0] is "a" or "an" && words.Count > 2 ? rest[(rest.IndexOf(' ', StringComparison.Ordinal) + 1)..] : rest
            : null;
    }

    private static string UpToJoin(string rest) => Join().Match(rest) is { Success: true } join ? rest[..join.Index] : rest;

    private static string First(string clause) => Tokens.Of(clause) is [var first, ..] ? first : "";

    private bool IsVerb(string word) =>
        word.Contains('\'') || Being().IsMatch(word) || IrregularForms.IsPast(word) || lexicon.IsVerbForm(word, "ed") || lexicon.KindsOf(word).VerbShare > SometimesVerb;

    private static NamingPhrase Phrase(string text, PhraseForm form, int at) =>
        new(text, Tokens.Of(text).Where(w => !EnglishPhrases.SaysNothing(w)).Select(Tokens.Stem).ToList(), at, form);

    private const string Leads = "so|now|but|and|well|okay|ok|right|then|yeah|first|finally|because|also|er|um|actually|basically|you see|i mean|you know";
    private const string Before = "(?:and |but |so |now |okay )*";
    private const string OneThing = @"(?<article>(?:an? |the )?)(?<thing>\p{L}[\p{L}'-]*(?: [\p{L}'-]+)?)";
    private const string Explains = "that's|that is|this is|here's|it's|is|shows?|see|tells?|told|know|explains?|find out|understand|about|learn|learned|remember|on|of|at";
    private const string Things = @"(?<thing>\p{L}[\p{L}'-]*(?: [\p{L}'-]+){0,3}?)(?=[,;:.!?…]|$| and | because | which | that | when | if | but | so | in )";

    [GeneratedRegex($@"\b(?:called|call(?: it| that| this| them| these| those)?|known as) (?:the |an? )?{Things}", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Called();

    [GeneratedRegex($@"(?:^(?:and |but |so )?|\b(?:{Explains}) )(?<asks>where|how|why|what|when|what's) (?<rest>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Explaining();

    /// <summary>"So what is a glaze, it's glass."</summary>
    [GeneratedRegex($"^{Before}what(?<verb>'s| is| are|'re) {OneThing}$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex WhatThing();

    [GeneratedRegex(@"^(?:it|they|that)(?:'s|'re| is| are) (?<rest>.+)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex BeingSomething();

    /// <summary>"We call that the lift": what it is called is a title by itself.</summary>
    [GeneratedRegex(@"^(?:we|you|they|people|i) (?:\w+ )?call\b|\bcall(?:ed)? (?:it|that|this|them)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex OnlyNames();

    /// <summary>"… what's called the literal rule": it is the name that is a title.</summary>
    [GeneratedRegex(@"\bwhat(?:'s| is| was|'re| are) (?:called|known as)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Naming();

    [GeneratedRegex(@" (?:because|and|but|so|if|which|while|until|till|unless|is that|is|are)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Join();

    [GeneratedRegex($@"^(?:(?:{Leads})[\s,:]+)+", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Lead();

    [GeneratedRegex(@"^(?:is|are|was|were|has|have|had|can|could|will|would|must|should|may|might|does|do|did)$", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Being();
}
