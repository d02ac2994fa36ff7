using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Tasks;

/// <summary>Something that the listeners were asked to do.</summary>
/// <param name="What">What, in the words that were said.</param>
/// <param name="When">By when, as it was said; empty if it was not.</param>
/// <param name="Day">The day, where that is certain.</param>
/// <param name="Source">Where it is said.</param>
public sealed record LectureTask(string What, string When, DateOnly? Day, Evidence Source)
{
    /// <summary>By when, with the day.</summary>
    public string WhenText => Day is { } day ? string.Create(CultureInfo.InvariantCulture, $"{WordForms.Capital(When)} ({day:d MMMM yyyy})") : WordForms.Capital(When);
}

/// <summary>Finds what the listeners were asked to do: a request to them, or work that is due. What is only good advice, or a step of what is taught, has neither a day nor a word for work and is none.</summary>
public static partial class TaskFinder
{
    private const int Longest = 45;

    /// <summary>The tasks of a lecture in order.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="heldOn">The day of the lecture; null if it is not known.</param>
    public static IReadOnlyList<LectureTask> Find(Transcript transcript, DateOnly? heldOn)
    {
        var tasks = new List<LectureTask>();
        foreach (var sentence in Sentences.Of(transcript.Passages))
        {
            if (sentence.Words.Count > Longest || sentence.Text.EndsWith('?') || !QuotableSentence.IsHeardWell(sentence) || Denied().IsMatch(sentence.Text))
            {
                continue;
            }

            var when = DueDay.Find(sentence.Text, heldOn);
            var isAsked = Asked().IsMatch(sentence.Text);
            if ((isAsked && (when is not null || Work().IsMatch(sentence.Text))) || Due().IsMatch(sentence.Text))
            {
                var (from, to) = LeadIns.Around(sentence.Words);
                var clause = Clauses.Part(sentence, from, to);
                tasks.Add(new LectureTask(WordForms.Capital(clause.Text), when?.Words ?? "", when?.Day, Evidence.Of(sentence)));
            }
        }

        return tasks;
    }

    private const string Doing = "read|do|write|bring|hand|submit|send|finish|prepare|solve|work|learn|look|watch|listen|draw|collect|print|register|sign|upload|revise|choose|measure|try|"
        + "answer|complete|go|come|make|have|take|keep|practise|practice|compare|check|translate|memorise|memorize|study|email|e-mail|post|find|draft|ask|get|think";

    private const string Wanted = @"i(?:'d| would)? (?:want|like|need|expect|ask) (?:you|everyone|everybody|all of you|each of you)\b(?: all)?";

    private const string Duty = @"(?:you|everyone|everybody|all of you|each of you)(?:'ll| will)?(?: all)? (?:should|must|have to|has to|need to|needs to|are to|is to)";

    private const string Beginning = @"(?:^|[,;:]\s+)(?:(?:and|so|then|now|okay|right|well|also),?\s+)*";

    private const string Request = Beginning + "(?:please|" + Wanted + "|" + Duty + @"|make sure|don't forget|do not forget|remember to)\b";

    private const string Bare = @"\b(?:for|before|by|until)\b[^.]{0,40}, (?:please |could you |you )?(?:" + Doing + @")\b|^(?:" + Doing + @")\b";

    private const string Papers = "homework|assignments?|exercises?|exercise sheets?|worksheets?|essays?|reports?|problem sets?|coursework|term papers?|reading list";

    private const string OwnDay = @"\b(?:is|are|'s) due\b(?! to\b)[^.]*\b(?:on|by|in|next|before|tomorrow|at)\b";

    private const string Deadline = @"\b(?:deadline|hand-in date)\b[^.]{0,40}\bis\b|\b(?:homework|assignment)\b[^.]{0,30}\bis\b";

    private const string None = @"\byou (?:don't|do not|needn't|need not) (?:have|need)?\b|\bno homework\b|\bnothing to (?:do|hand)\b";

    [GeneratedRegex(Request + "|" + Bare, RegexOptions.IgnoreCase)]
    private static partial Regex Asked();

    [GeneratedRegex(@"\b(?:" + Papers + @"|hand(?:ed)? in|submit|read chapters?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Work();

    [GeneratedRegex(OwnDay + "|" + Deadline, RegexOptions.IgnoreCase)]
    private static partial Regex Due();

    [GeneratedRegex(None, RegexOptions.IgnoreCase)]
    private static partial Regex Denied();
}
