using System.Text.RegularExpressions;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Facts;

/// <summary>
/// Definitions as people give them when they speak freely: the thing first and then what it is ("The punty, that's a solid rod."), a question to oneself ("A flood, what is a flood, well, it's …"),
/// or what it is first and then its name ("Long rain over a large area, that's your winter flood."). The forms are common practice, no source.
/// </summary>
internal static partial class SpokenDefinitions
{
    private const int ShortestMeaning = 3, ShortestDescription = 4, LongestDescription = 14;

    private static readonly HashSet<string> Remarks = ["it", "thing", "point", "trick", "question", "problem", "reason", "rule", "one", "way", "lot", "pity", "shame", "fact", "answer", "secret", "beauty", "best", "worst", "nicest", "only", "same", "main", "whole", "first", "last", "next", "bit", "stuff", "devil"];

    private static readonly HashSet<string> OfTheSpeaker = ["i", "my", "me", "we", "our", "he", "she", "his", "her", "i'm", "i've"];

    /// <summary>The definition that a sentence gives in one of these forms, or null.</summary>
    public static Definition? Of(Sentence sentence)
    {
        var text = WordForms.Capital(Ties().Replace(sentence.Text.Trim(), ""));
        if ((AskedOneself().Match(text) is { Success: true } asked ? asked : ThingFirst().Match(text)) is { Success: true } thing)
        {
            var meaning = NextClause().Replace(thing.Groups["meaning"].Value, "");
            var term = thing.Groups["term"].Value;
            var article = thing.Groups["article"].Value.ToLowerInvariant();
            return Definitions.IsTerm(WordForms.Small(term)) && Definitions.IsWhole(meaning) && Tokens.Of(meaning).Count >= ShortestMeaning && !Tokens.Of(meaning).Take(ShortestMeaning).Any(Remarks.Contains) && !Tokens.Of(meaning).Any(OfTheSpeaker.Contains)
                ? new Definition(article.Length == 0 ? WordForms.Small(term) : term, article, meaning, false, thing.Groups["verb"].Value.EndsWith("re", StringComparison.Ordinal), sentence)
                : null;
        }

        if (NameLast().Match(text) is { Success: true } name)
        {
            var (description, term) = (name.Groups["meaning"].Value, name.Groups["term"].Value);
            var words = Tokens.Of(description);
            return Definitions.IsTerm(term) && words.Count is >= ShortestDescription and <= LongestDescription && !Definitions.NoMeanings.Contains(words[0]) && !words.Any(w => w is "it" or "they" or "this" or "that" or "these" or "i" or "we" or "he" or "she") && !Tokens.Of(term).Any(Remarks.Contains)
                ? new Definition(term, name.Groups["article"].Value, WordForms.Small(description), true, IsPlural: false, sentence)
                : null;
        }

        return null;
    }

    private const string TieWords = "so|and|but|now|then|well|okay|right|er|um|fine|good|great|lovely|nice|yes|no|exactly|perfect|thanks|sorry|true|sure";

    /// <summary>"Now the punty, …": what is spoken of is announced and said to be at once.</summary>
    [GeneratedRegex($"^(?:(?:{TieWords}),? )+", RegexOptions.IgnoreCase)]
    private static partial Regex Ties();

    private const string Article = "(?:(?<article>A|An|The) )?";

    private const string ToThreeWords = @"\p{L}[\p{L}'’-]*(?: [\p{L}'’-]+){0,2}";

    private const string Hesitating = "(?:well,? |er,? |um,? |oh,? |you know,? )*";

    private const string WhatIs = "(?:what is|what's|what are) (?:an? |the )?";

    private const string Kind = "(?:just |simply |basically )?(?:an?|the|where|when|what|how)";

    private const string IsCalled = "(?:that's|that is|it's) (?:your|called|what (?:we|you|they|people) call)";

    private const string Subjects = "i|we|you|my|our|your|they|it|the|a|an|he|she|that|this|there|with|in|on|then";

    private const string It = "(?<verb>it's|it is|that's|that is|they're|they are|those are)";

    [GeneratedRegex($"^(?:{Article}(?<term>{ToThreeWords}), ){WhatIs}" + @"\k<term>[,?] " + $"{Hesitating}{It} (?<meaning>[^.?!]+)" + @"\.$")]
    private static partial Regex AskedOneself();

    [GeneratedRegex($"^{Article}(?<term>{ToThreeWords}), {Hesitating}{It} (?<meaning>{Kind} [^.?!]+)" + @"\.$")]
    private static partial Regex ThingFirst();

    [GeneratedRegex($"^(?<meaning>[^,.?!]+), {Hesitating}{IsCalled} (?:(?<article>an?|the) )?(?<term>{ToThreeWords})" + @"\.$")]
    private static partial Regex NameLast();

    /// <summary>Where the speaker goes on to something else.</summary>
    [GeneratedRegex($", (?:(?:and|but|so) (?:{Subjects})|right|see|okay|you see|you know)" + @"\b.*$", RegexOptions.IgnoreCase)]
    private static partial Regex NextClause();
}
