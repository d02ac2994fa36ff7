using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;
using Kostel.Core.Text;

namespace Kostel.Core.Chapters.Titles;

/// <summary>What the beginning and the end of a lecture are: a welcome, a summing up, homework.</summary>
internal static partial class EdgeTitles
{
    private const int LongestSentences = 14;
    private const double CueShare = 0.25, SelfShare = 0.5;
    private const int CertainSentences = 7;

    /// <summary>The title of a first chapter that greets and says what comes; null for one that is about something.</summary>
    public static string? Opening(IReadOnlyList<Sentence> sentences)
    {
        var texts = sentences.Select(s => s.Text).ToList();
        var greets = texts.Take(6).Any(t => Greeting().IsMatch(t) || CallsIn().IsMatch(t));
        var plans = texts.Count(t => Plan().IsMatch(t));
        var about = texts.Count(t => SpeaksOfWhatComes(t) || CallsIn().IsMatch(t));
        var tellsOfSelf = texts.Count <= LongestSentences && texts.Take(2).Any(t => Thanking().IsMatch(t)) && texts.Count(t => Self().IsMatch(t)) >= texts.Count * SelfShare;
        return IsMostly(about, texts.Count) && (greets || plans > 1) ? (greets, plans > 0) switch
        {
            (true, true) => "Welcome and plan",
            (true, false) => "Welcome",
            _ => "What this lecture is about",
        }
        : tellsOfSelf ? "Introduction" : null;
    }

    /// <summary>The title of a last chapter that sums up, sets tasks or says goodbye; null for one that is about something.</summary>
    public static string? Closing(IReadOnlyList<Sentence> sentences)
    {
        var texts = sentences.Select(s => s.Text).ToList();
        var sums = texts.Count(t => Summing().IsMatch(t));
        var tasks = texts.Count(t => Tasks().IsMatch(t));
        var next = texts.Count(t => NextTime().IsMatch(t));
        var asks = texts.Count(t => Questions().IsMatch(t) || TakesQuestions().IsMatch(t));
        if (!IsMostly(texts.Count(t => TakesLeave(t) || TakesQuestions().IsMatch(t) || LastWords().IsMatch(t)), texts.Count))
        {
            return null;
        }

        List<string> parts = [];
        Add(sums, "summing up");
        Add(asks, "questions");
        Add(tasks, "homework");
        Add(tasks == 0 ? next : 0, "next time");
        return parts.Count == 0 ? texts.Exists(t => Goodbye().IsMatch(t) || LastWords().IsMatch(t)) ? "Closing words" : null : Text.WordForms.Capital(string.Join(" and ", parts.Take(2)));

        void Add(int count, string part)
        {
            if (count > 0)
            {
                parts.Add(part);
            }
        }
    }

    /// <summary>Whether a sentence greets, says what is to come, or is about the room and the papers.</summary>
    public static bool SpeaksOfWhatComes(string text) => Greeting().IsMatch(text) || Plan().IsMatch(text) || Housekeeping().IsMatch(text);

    /// <summary>Whether a sentence sums up, sets tasks, speaks of next time or says goodbye.</summary>
    public static bool TakesLeave(string text) => Summing().IsMatch(text) || Tasks().IsMatch(text) || NextTime().IsMatch(text) || Questions().IsMatch(text) || Goodbye().IsMatch(text);

    /// <summary>Whether so many cues make a chapter of so many sentences a beginning or an end, in whatever language.</summary>
    public static bool IsMostly(int cues, int sentences) =>
        cues > 0 && sentences <= LongestSentences && (sentences <= CertainSentences ? cues >= sentences * CueShare : cues >= sentences * CueShare * 1.4);

    private const string CanYouHear = "can (?:you|everybody|everyone) (?:all )?(?:hear|see) (?:me|the)";
    private const string Greetings = $@"\b(?:welcome|good (?:morning|afternoon|evening)|hello|nice to see you|{CanYouHear}|find a seat)\b|^(?:hi|hiya)\b";
    private const string Everyone = "(?:all|everyone|everybody)";
    private const string Calls = $"thanks for coming|come (?:closer|in, )|(?:morning|evening),? {Everyone}|(?:before we|shall we|let's) start";
    private const string Lasts = "that's me(?: done)?|(?:i|we)(?:'ll| will| shall| think)? (?:stop|finish) (?:here|there|now)";
    private const string Days = "today|tonight|this (?:morning|afternoon|evening|hour|lecture|course|talk|week)|(?:next|last) (?:time|week|evening)|in the next hour";
    private const string Will = "we'll|we will|we shall|i'll|i will|i'm (?:going to|gonna)|i shall|i should like to|we(?: a|')re going to";
    private const string Plans = $@"\b(?:{Days})\b.*\b(?:we|i|is|you)\b|\b(?:{Will})\b|^first .*\bthen\b|\bthe question (?:for|of)\b";
    private const string Rooms = "seats?|at the back|at the front|break|projector|lost \\w+ minutes";
    private const string Papers = "homework|sheets?|handout|somebody asked|shout if|interrupt|questions? at any time|course has|evenings?";
    private const string Sums = "sum(?:ming)? up|summari[sz]e|in summary|to conclude|in conclusion|take away|let me repeat";
    private const string Knows = "you should (?:now )?be able to|(?:we|you) have (?:now )?(?:seen|learned|learnt)|what (?:you|we) have (?:learned|seen)";
    private const string Asked = "homework|exercises?|for (?:next|the) (?:time|week|seminar|lecture)|do the sheet|on page \\w+|by then";
    private const string Please = "please (?:bring|read|measure|do|write|prepare|try)|read (?:the|chapter|pages?)|bring (?:a|an|it|your|boots|the)|i(?:'d| would) like one page";
    private const string Later = @"next (?:time|week|evening|lecture|session)|in (?:two|three) weeks|see you|on (?:mon|tues|wednes|thurs|fri)day";
    private const string Byes = "thank you|thanks|good ?night|goodbye|let's stop|i will stop|that is all|that's (?:all|it|about it|the lot)";

    /// <summary>What calls people in; where a chapter begins does not go by it.</summary>
    [GeneratedRegex($@"\b(?:{Calls})\b|^(?:morning|evening)(?:,| {Everyone})", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex CallsIn();

    /// <summary>What ends a talk; where a chapter begins does not go by it.</summary>
    [GeneratedRegex($@"\b(?:{Lasts})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex LastWords();

    [GeneratedRegex(@"\btake (?:your )?questions\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex TakesQuestions();

    [GeneratedRegex(Greetings, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Greeting();

    [GeneratedRegex(@"\b(?:thank you|thanks)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Thanking();

    [GeneratedRegex(@"\b(?:i|i'm|i've|i'd|i'll|my|me)\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Self();

    [GeneratedRegex(Plans, RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Plan();

    [GeneratedRegex($@"\b(?:{Papers}|{Rooms})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Housekeeping();

    [GeneratedRegex($@"\b(?:{Sums}|{Knows})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Summing();

    [GeneratedRegex($@"\b(?:{Asked}|{Please})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Tasks();

    [GeneratedRegex($@"\b(?:{Later})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex NextTime();

    [GeneratedRegex(@"\bany (?:more )?questions\b|\bquestions\?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Questions();

    [GeneratedRegex($@"\b(?:{Byes})\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Goodbye();
}
