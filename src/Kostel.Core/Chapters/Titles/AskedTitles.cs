using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Chapters.Titles;

/// <summary>Titles out of what a lecturer asks or announces at the beginning of a chapter: "Why do soils become acid?" makes "Why soils become acid".</summary>
internal static partial class AskedTitles
{
    private const int LongestWords = 8, FewestWords = 3;

    private static readonly HashSet<string> Vague = ["it", "this", "that", "these", "those", "they", "them", "there", "he", "she", "him", "here", "anybody", "everybody", "people", "one", "i", "you", "your", "my", "us", "mean", "think", "happens", "happened", "happen"];

    /// <summary>What may stand for what the whole lecture is about: "how they find their way".</summary>
    private static readonly HashSet<string> Pointing = ["it", "they", "them", "you", "your", "one", "people", "there", "he", "she"];

    /// <summary>What a sentence asks, as a title; null where it asks nothing that stands by itself.</summary>
    /// <param name="mayPoint">Whether "they" and the like may stand in it.</param>
    public static string? Of(string sentence, Lexicon lexicon, bool mayPoint = false)
    {
        var text = Lead().Replace(sentence.Trim(), "");
        if (WhatIs().Match(text) is { Success: true } what && (IsClosed(what.Groups["thing"].Value, fewest: 1) || (mayPoint && what.Groups["thing"].Value is "they")))
        {
            return $"What {WordForms.Small(what.Groups["thing"].Value)} {what.Groups["verb"].Value}";
        }

        var title = HowTo().Match(text) is { Success: true } how ? $"How to {how.Groups["rest"].Value}"
            : CanOne().Match(text) is { Success: true } can ? $"{VerbForms.Gerund(can.Groups["verb"].Value.ToLowerInvariant())} {can.Groups["rest"].Value}"
            : null;
        return title is not null && IsClosed(title) ? WordForms.Capital(title)
            : AskedClauses.Of(text, lexicon) is { } asked && IsWhole(asked, mayPoint: mayPoint) ? WordForms.Capital(asked)
            : null;
    }

    /// <summary>What a sentence says is coming: "let us turn to the weather" makes "the weather"; null for nothing.</summary>
    public static string? Announced(string sentence) =>
        Turning().Match(Lead().Replace(sentence.Trim(), "")) is { Success: true } m && IsClosed(m.Groups["thing"].Value, fewest: 1) ? m.Groups["thing"].Value.Trim() : null;

    /// <summary>Nor does it break off: "the end of the"; a question may end so, "what glass is made of".</summary>
    private static bool IsClosed(string title, int fewest = FewestWords) => IsWhole(title, fewest) && !StopWordEnd().IsMatch(title);

    private static bool IsWhole(string title, int fewest = FewestWords, bool mayPoint = false)
    {
        var words = Tokens.Of(title);
        return words.Count >= fewest && words.Count <= LongestWords && !words.Skip(fewest == 1 ? 0 : 1).Any(w => Vague.Contains(w) && !(mayPoint && Pointing.Contains(w)))
            && (mayPoint || words.Any(w => !EnglishPhrases.SaysNothing(w)));
    }

    private const string Leading = @"^(?:(?:so|now|but|and|well|okay|ok|right|then|next|(?:the|my) question is)[\s,:]+)+";
    private const string WhatThing = @"^what (?<verb>is|are) (?<thing>(?:an? |the )?[\p{L}\- ]{3,40})\?$";
    private const string Rest = @"(?<rest>\p{L}[^,;:?]*)\?$";
    private const string One = "(?:we|you|i|one)";
    private const string Verbs = "turn to|come to|move on to|go on to|look at|talk about|speak about|speak of|take up|begin with|start with";
    private const string Who = @"\b(?:let(?:'s| us| me)|i(?:'ll| will| want to)?|we(?:'ll| will| shall)?) (?:now |then |next )?";
    private const string NextIs = "^(?:the (?:next|second|third|last|final) (?:thing|point|topic|subject|step|part) is)";
    private const string Word = "^(?:a|one) (?:final |last )?word (?:about|on)|^(?:what|how) about|^on to";
    private const string Thing = "(?<thing>[^,;:.?!]{3,50}?)(?=[,;:.?!]|$| which | that | because | since | where | when )";
    private const string Ends = @"\b(?:the|a|an|of|to|in|and|or|is|are|at|for|with|from|by|on|so|then|into|over|up|all|too)$";

    [GeneratedRegex(Leading, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Lead();

    [GeneratedRegex(WhatThing, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex WhatIs();

    [GeneratedRegex($"^how (?:do|can|should|does) {One} {Rest}", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex HowTo();

    [GeneratedRegex($@"^(?:can|could|may) {One} (?<verb>\p{{L}}{{3,}}) (?<rest>[^,;:?]{{3,}})\?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex CanOne();

    [GeneratedRegex($"(?:{Who}(?:{Verbs})|{Word}|{NextIs}) {Thing}", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Turning();

    [GeneratedRegex(Ends, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex StopWordEnd();
}
