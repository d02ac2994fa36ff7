using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>What a sentence could answer, by its form. Lists of words are common practice, no source.</summary>
internal sealed partial class SentenceForms(Sentence sentence)
{
    private readonly IReadOnlyList<string> words = Tokens.Of(sentence.Text);
    private Definition? definition;
    private bool hasLookedForDefinition;

    /// <summary>It ends with a question mark.</summary>
    public bool IsQuestion { get; } = sentence.Text.EndsWith('?');

    /// <summary>It says that something is asked, and leaves the answer to what follows.</summary>
    public bool Asks { get; } = sentence.Text.EndsWith('?') || Asking().IsMatch(sentence.Text);

    /// <summary>It is to be done by the listeners.</summary>
    public bool IsTask => Task().IsMatch(sentence.Text);

    /// <summary>It only names what comes, or is too short to stand alone.</summary>
    public bool OnlyNames => words.Count <= ShortestWhole || (words.Count <= LongestAnnouncement && Announcement().IsMatch(sentence.Text));

    /// <summary>It leads up to an answer and leaves it to what follows.</summary>
    public bool LeadsUp(Question question) => Asks || (OnlyNames && Fit(question) == 0);

    private const int ShortestWhole = 6, LongestAnnouncement = 11;

    /// <summary>It points to what was said before.</summary>
    public bool Leans => words.Take(3).Any(w => w is "it" or "this" or "these" or "they" or "that" or "such" or "their" or "its" or "he" or "she" or "them" or "those" or "there's" or "it's" or "that's");

    /// <summary>It says what something is.</summary>
    public Definition? Definition
    {
        get
        {
            if (!hasLookedForDefinition)
            {
                (definition, hasLookedForDefinition) = (Definitions.Find(sentence), true);
            }

            return definition;
        }
    }

    /// <summary>Whether it says what these words are: "A pivot is …", "… is called the pivot".</summary>
    public bool Names(IReadOnlyList<AskedWord> asked)
    {
        var stems = words.Select(w => Tokens.Stem(IrregularForms.BaseOf(w))).ToList();
        var places = asked.Select(a => stems.IndexOf(a.Stem)).ToList();
        if (places.Contains(-1) || places.Count == 0)
        {
            return false;
        }

        var (first, last) = (places.Min(), places.Max());
        var before = words.Take(first).LastOrDefault(w => w is not ("a" or "an" or "the"));
        var isShort = last - first < asked.Count + 1;
        return isShort && (before is "called" or "call" or "means" || (first <= MostBeforeName && last + 1 < words.Count && words[last + 1] is "is" or "are" or "means" or "was" or "were"));
    }

    private const int MostBeforeName = 2;

    /// <summary>How well it could answer a question of a kind, from 0 to 1; what any sentence can answer is worth nothing.</summary>
    public double Fit(Question question) => question.Wants switch
    {
        Wanted.Quantity => HasNumber(question) ? 1 : 0,
        Wanted.Reason => Reason().IsMatch(sentence.Text) ? 1 : Purpose().IsMatch(sentence.Text) ? 0.5 : 0,
        Wanted.Person => sentence.Words.Skip(1).Any(w => w.Text.Length > 1 && char.IsUpper(w.Text[0]) && !w.Text.StartsWith("I'", StringComparison.Ordinal)) ? 1 : Someone().IsMatch(sentence.Text) ? 0.6 : 0,
        Wanted.Time => Time().IsMatch(sentence.Text) ? 1 : words.Any(NumberWords.IsNumber) ? 0.4 : 0,
        Wanted.Place => Place().IsMatch(sentence.Text) ? 1 : 0,
        Wanted.Steps => Step().IsMatch(sentence.Text) ? 1 : 0,
        Wanted.Definition => Means().IsMatch(sentence.Text) ? 1 : 0,
        _ => 0,
    };

    /// <summary>Whether its number is of what was asked for.</summary>
    public bool FitsUnit(Question question) => question.Wants == Wanted.Quantity && question.Unit switch
    {
        Measured.Duration => Duration().IsMatch(sentence.Text),
        Measured.Length => Length().IsMatch(sentence.Text),
        Measured.Extent => Duration().IsMatch(sentence.Text) || Length().IsMatch(sentence.Text),
        Measured.Mass => Mass().IsMatch(sentence.Text),
        Measured.Speed => Speed().IsMatch(sentence.Text),
        Measured.Temperature => Temperature().IsMatch(sentence.Text),
        Measured.Frequency => Frequency().IsMatch(sentence.Text),
        Measured.Money => Money().IsMatch(sentence.Text),
        Measured.Share => Share().IsMatch(sentence.Text),
        _ => false,
    };

    /// <summary>A number that was not in the question already.</summary>
    public bool HasNumber(Question question) =>
        NumberWords.ToDigits(words).Any(w => char.IsDigit(w[0]) && !question.Words.Any(q => q.Stem == w)) || words.Any(w => Amounts.Contains(w)) || Frequency().IsMatch(sentence.Text);

    private static readonly HashSet<string> Amounts =
        ["half", "twice", "quarter", "double", "doubled", "doubles", "third", "thirds", "dozen", "dozens", "hundreds", "thousands", "millions", "none", "once", "both", "overnight", "nearly"];

    private const string Spans = "seconds?|minutes?|hours?|days?|weeks?|months?|years?|centur(?:y|ies)|decades?";
    private const string Units = Spans + "|nights?|overnight|winters?|summers?|lifetime";
    private const string Metres = "metres?|meters?|kilomet(?:re|er)s?|centimet(?:re|er)s?|millimet(?:re|er)s?|km|cm|mm";
    private const string Lengths = Metres + "|miles?|feet|foot|inch(?:es)?|yards?|light years?";
    private const string Seasons = "spring|summer|autumn|winter|morning|evening|night|noon";
    private const string Causes = "because|since|so that|in order to|therefore|due to|caused? by|otherwise|cause[sd]?";
    private const string ThatIsWhy = "that is why|that's why|which is why|for that reason|the reason";
    private const string Relatives = "man|woman|brother|sister|father|mother|boy|girl|they|he|she|somebody";
    private const string Workers = "king|doctor|keeper|nurse|engineer|owner|colleague|student|officer|professor|author|state|company";
    private const string Beginning = "when|until|till|before|after|as soon as|during|century|o'clock|today|\\d{3,4}";
    private const string Nearby = "in|on|at|under|above|below|behind|between|near|from|inside|outside|along|where";
    private const string Says = "says?|said|ask(?:s|ed)?|question is|question was|wonder(?:s|ed)?|know";
    private const string Several = "two|three|four|five|six|seven|several|some|these";
    private const string Counted = "things|ways|rules|reasons|kinds|types|steps|tasks|parts|questions|answers|points|words|figures|sorts";
    private const string Follows = "an? (?:order|example|rule|trick|list)|is this|like this|as follows|the following";
    private const string DaysBegin = "(?:next|the next|mon|tues|wednes|thurs|fri|satur|sun)";
    private const string Until = "(?:for|by|until) " + DaysBegin + "|next (?:week|time|lecture|session)|due on";
    private const string Ordered = "homework|exercise|please (?:bring|read|copy|write|look|prepare)";
    private const string Parts = "(?:third|quarter|fifth|sixth|eighth|tenth|twelfth|twentieth|hundredth)s?";
    private const string Repeated = "every|each|once|twice|times|never|always|daily|weekly|monthly|yearly";

    [GeneratedRegex($@"\b(?:{Says}) (?:why|how|what|whether|if|where|when|who)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Asking();

    [GeneratedRegex($@"\b(?:(?:{Several}) (?:\p{{L}}+ )?(?:{Counted})|{Follows})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Announcement();

    [GeneratedRegex($@"\b(?:{Until}|{Ordered})", RegexOptions.IgnoreCase)]
    private static partial Regex Task();

    [GeneratedRegex($@"\b(?:{Causes}|{ThatIsWhy})\b|^So\b", RegexOptions.IgnoreCase)]
    private static partial Regex Reason();

    [GeneratedRegex(@"\b(?:to \p{L}+|so|as|for|without|if|makes?|lets?|keeps?|prevents?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Purpose();

    [GeneratedRegex($@"\b(?:{Relatives}|{Workers})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Someone();

    [GeneratedRegex($@"\b(?:{Beginning}|{Seasons}|{CalendarWords.MonthNames}|{CalendarWords.DayNames}|{Units})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Time();

    [GeneratedRegex($@"\b(?:{Nearby}|north|south|east|west)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Place();

    [GeneratedRegex(@"\b(?:by \p{L}+ing|you \p{L}+|first|then|with an?|we \p{L}+|take|put|if you|until)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Step();

    [GeneratedRegex(@"\b(?:is|are|means|called|is when|that's|it's)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Means();

    [GeneratedRegex($@"\b(?:{Units})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Duration();

    [GeneratedRegex($@"\b(?:{Lengths})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Length();

    [GeneratedRegex(@"\b(?:grams?|kilos?|kilograms?|tons?|tonnes?|pounds?|kg|g)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Mass();

    [GeneratedRegex($@"\b(?:knots?|(?:{Lengths}) (?:an?|per|each|every) \p{{L}}+|times as fast|speed)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Speed();

    [GeneratedRegex(@"\b(?:degrees?|celsius|°C)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Temperature();

    [GeneratedRegex(@"\b(?:pounds?|euros?|dollars?|cents?|pence|penny|quid|francs?|crowns?|shillings?)\b|[£$€]", RegexOptions.IgnoreCase)]
    private static partial Regex Money();

    [GeneratedRegex($@"\b(?:per ?cent|half|out of|one in|{Parts})\b|%", RegexOptions.IgnoreCase)]
    private static partial Regex Share();

    [GeneratedRegex($@"\b(?:{Repeated}|(?:an?|per) (?:{Units}))\b", RegexOptions.IgnoreCase)]
    private static partial Regex Frequency();
}
