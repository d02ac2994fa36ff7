using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Tasks;

/// <summary>Days to come as they are spoken of: "by Thursday", "in two weeks", "on the 3rd of May". A weekday is the next one that there is, a date the next of its name.</summary>
public static partial class DueDay
{
    private const int DaysOfWeek = 7;

    /// <summary>Where in a text a day to come is spoken of.</summary>
    /// <param name="text">What was said.</param>
    /// <param name="today">The day on which it was; null if it is not known, and then only a full date is one.</param>
    /// <returns>The words, and the day where it is certain; null for none.</returns>
    public static (string Words, DateOnly? Day)? Find(string text, DateOnly? today)
    {
        if (Dated().Match(text) is { Success: true } dated)
        {
            return (dated.Value, OfDate(dated, today));
        }

        if (Weekday().Match(text) is { Success: true } named)
        {
            // "Next Friday" is Friday of the next week to some and the next one to others: no day is made of it.
            return (named.Value, named.Groups["next"].Success || today is not { } day ? null : Coming(day, Array.IndexOf(CalendarWords.Weekdays, named.Groups["day"].Value.ToLowerInvariant())));
        }

        if (Tomorrow().Match(text) is { Success: true } tomorrow)
        {
            return (tomorrow.Value, today?.AddDays(1));
        }

        if (InWeeks().Match(text) is { Success: true } later)
        {
            var count = later.Groups["n"].Value.ToLowerInvariant();
            var number = Array.IndexOf(Counts, count) is > 0 and var n ? n : int.TryParse(count, CultureInfo.InvariantCulture, out var digits) ? digits : 1;
            return (later.Value, today?.AddDays(number * (later.Groups["unit"].Value.StartsWith("week", StringComparison.OrdinalIgnoreCase) ? DaysOfWeek : 1)));
        }

        return Sometime().Match(text) is { Success: true } sometime ? (sometime.Value, null) : null;
    }

    private static readonly string[] Counts = ["", "one", "two", "three", "four", "five", "six"];

    private static DateOnly Coming(DateOnly today, int weekday) => today.AddDays(((weekday - (int)today.DayOfWeek + DaysOfWeek - 1) % DaysOfWeek) + 1);

    private static DateOnly? OfDate(Match dated, DateOnly? today)
    {
        var month = Array.IndexOf(CalendarWords.Months, dated.Groups["month"].Value.ToLowerInvariant()) + 1;
        var word = dated.Groups["day"].Value.ToLowerInvariant();
        var day = int.TryParse(Digits().Match(word).Value, CultureInfo.InvariantCulture, out var n) ? n : Array.IndexOf(Ordinals, word.Replace(' ', '-')) + 1;
        if (day is < 1 or > 31 || (!dated.Groups["year"].Success && today is null))
        {
            return null;
        }

        var year = dated.Groups["year"].Success ? int.Parse(dated.Groups["year"].Value, CultureInfo.InvariantCulture)
            : (month, day).CompareTo((today!.Value.Month, today.Value.Day)) >= 0 ? today.Value.Year : today.Value.Year + 1;
        return day <= DateTime.DaysInMonth(year, month) ? new DateOnly(year, month, day) : null;
    }

    private static readonly string[] Ordinals = [.. OrdinalNames.Split('|')];

    private const string OrdinalNames = "first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|thirteenth|fourteenth|fifteenth|sixteenth|seventeenth|"
        + "eighteenth|nineteenth|twentieth|twenty-first|twenty-second|twenty-third|twenty-fourth|twenty-fifth|twenty-sixth|twenty-seventh|twenty-eighth|twenty-ninth|thirtieth|thirty-first";

    private const string By = @"(?:(?:by|before|until|for|on|due)\s+)?(?:the\s+)?";

    private const string Day = @"(?<day>\d{1,2}(?:st|nd|rd|th)?|(?:twenty|thirty)[\s-](?:first|second|third|fourth|fifth|sixth|seventh|eighth|ninth)|" + OrdinalNames + ")";

    private const string Year = @"(?:,?\s+(?<year>20\d\d))?";

    private const string DayOfMonth = Day + @"\s+(?:of\s+)?(?<month>" + CalendarWords.MonthNames + @")\b" + Year;

    private const string MonthAndDay = "(?<month>" + CalendarWords.MonthNames + @")\s+(?:the\s+)?" + Day + @"\b" + Year;

    [GeneratedRegex(@"\b" + By + "(?:" + DayOfMonth + "|" + MonthAndDay + ")", RegexOptions.IgnoreCase)]
    private static partial Regex Dated();

    private const string DayName = "(?:(?<next>next)|this|coming)?\\s*(?<day>" + CalendarWords.DayNames + ")";

    [GeneratedRegex(@"\b" + By + DayName + @"\b", RegexOptions.IgnoreCase)]
    private static partial Regex Weekday();

    [GeneratedRegex(@"\b" + By + @"tomorrow\b", RegexOptions.IgnoreCase)]
    private static partial Regex Tomorrow();

    private const string Count = @"(?<n>a|\d{1,2}|one|two|three|four|five|six)";

    [GeneratedRegex(@"\bin\s+" + Count + @"\s+(?<unit>weeks?|days?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex InWeeks();

    private const string Occasion = "lecture|class|lesson|seminar|session|tutorial|meeting|exam|test|examination|holidays?|break|lab|excursion|practical";

    private const string Until = @"\b(?:by|before|until|for|in)\s+(?:the\s+|our\s+|your\s+)?(?:next\s+)?";

    private const string NextTime = @"(?<=next\s)(?:week|time|month|term)";

    private const string Next = @"\bnext\s+(?:week|time|month|term|" + Occasion + ")";

    [GeneratedRegex("(?:" + Until + "(?:(?:" + Occasion + ")|" + NextTime + ")|" + Next + @")\b", RegexOptions.IgnoreCase)]
    private static partial Regex Sometime();

    [GeneratedRegex(@"^\d{1,2}")]
    private static partial Regex Digits();
}
