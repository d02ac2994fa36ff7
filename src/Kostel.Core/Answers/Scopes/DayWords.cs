using System.Globalization;
using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Answers.Scopes;

/// <summary>Days as they are spoken of: "in October", "since 3 November", "last week". A month or a weekday is the last one that there was.</summary>
internal static partial class DayWords
{
    /// <summary>The span that is spoken of, and the words; null for none.</summary>
    public static (DateOnly? From, DateOnly? To, Match Match)? Find(string text, DateOnly today)
    {
        if (Between().Match(text) is { Success: true } between && Day(between.Groups["to"].Value, today) is { } to)
        {
            var from = Day(between.Groups["from"].Value, today)
                ?? (int.TryParse(between.Groups["from"].Value, CultureInfo.InvariantCulture, out var day) && day is > 0 && day <= to.Day ? new DateOnly(to.Year, to.Month, day) : null);
            return from is null ? null : (from, to, between);
        }

        if (Since().Match(text) is { Success: true } since && (Day(since.Groups["day"].Value, today) ?? Month(since.Groups["day"].Value, today)?.From) is { } first)
        {
            return since.Groups["how"].Value.ToLowerInvariant() is "since" or "from" or "after" ? (first, null, since) : (null, first.AddDays(-1), since);
        }

        if (On().Match(text) is { Success: true } on && Day(on.Groups["day"].Value, today) is { } only)
        {
            return (only, only, on);
        }

        if (Within().Match(text) is { Success: true } within && Span(within.Groups["span"].Value.ToLowerInvariant(), today) is var (a, b))
        {
            return (a, b, within);
        }

        return InMonth().Match(text) is { Success: true } inMonth && Month(inMonth.Groups["month"].Value, today) is var (start, end) ? (start, end, inMonth) : null;
    }

    private static DateOnly? Day(string words, DateOnly today)
    {
        var name = words.ToLowerInvariant();
        if (name is "today" or "yesterday")
        {
            return name == "today" ? today : today.AddDays(-1);
        }

        var weekday = Array.FindIndex(CalendarWords.Weekdays, w => name.EndsWith(w, StringComparison.Ordinal));
        if (weekday >= 0)
        {
            var back = ((int)today.DayOfWeek - weekday + 7) % 7;
            return today.AddDays(-back);
        }

        var month = Array.FindIndex(CalendarWords.Months, m => name.Contains(m, StringComparison.Ordinal));
        var numbers = Number().Matches(name).Select(m => int.Parse(m.Value, CultureInfo.InvariantCulture)).ToList();
        if (month < 0 || numbers.Count == 0 || !numbers.Exists(n => n is > 0 and <= 31))
        {
            return null;
        }

        var day = numbers.Find(n => n is > 0 and <= 31);
        var year = numbers.Find(n => n is >= 1990 and <= 2200) is var y and > 0 ? y : Passed(month + 1, day, today) ? today.Year : today.Year - 1;
        return day <= DateTime.DaysInMonth(year, month + 1) ? new DateOnly(year, month + 1, day) : null;
    }

    private static bool Passed(int month, int day, DateOnly today) => (month, day).CompareTo((today.Month, today.Day)) <= 0;

    private static (DateOnly From, DateOnly To)? Month(string words, DateOnly today)
    {
        var name = words.ToLowerInvariant();
        var month = Array.FindIndex(CalendarWords.Months, m => name.Contains(m, StringComparison.Ordinal)) + 1;
        if (month == 0)
        {
            return null;
        }

        var year = Number().Match(name) is { Success: true } named ? int.Parse(named.Value, CultureInfo.InvariantCulture) : month <= today.Month ? today.Year : today.Year - 1;
        return year is >= 1990 and <= 2200 ? (new DateOnly(year, month, 1), new DateOnly(year, month, DateTime.DaysInMonth(year, month))) : null;
    }

    private static (DateOnly From, DateOnly To)? Span(string words, DateOnly today)
    {
        var monday = today.AddDays(-(((int)today.DayOfWeek + 6) % 7));
        var first = new DateOnly(today.Year, today.Month, 1);
        return words switch
        {
            "this week" => (monday, today),
            "last week" => (monday.AddDays(-7), monday.AddDays(-1)),
            "this month" => (first, today),
            "last month" => (first.AddMonths(-1), first.AddDays(-1)),
            "this year" => (new DateOnly(today.Year, 1, 1), today),
            "last year" => (new DateOnly(today.Year - 1, 1, 1), new DateOnly(today.Year - 1, 12, 31)),
            _ => null,
        };
    }

    private const string Dated = $@"(?:the )?\d{{1,2}}(?:st|nd|rd|th)?(?: of)? (?:{CalendarWords.MonthNames})(?:,? \d{{4}})?";
    private const string MonthFirst = $@"(?:{CalendarWords.MonthNames}) (?:the )?\d{{1,2}}(?:st|nd|rd|th)?(?:,? \d{{4}})?";
    private const string AnyDay = $@"(?:{Dated}|{MonthFirst}|(?:last )?(?:{CalendarWords.DayNames})|yesterday|today)";

    [GeneratedRegex($@"\b(?:between|from) (?<from>{AnyDay}|\d{{1,2}}) (?:and|to|until|till) (?<to>{AnyDay})\b", RegexOptions.IgnoreCase)]
    private static partial Regex Between();

    [GeneratedRegex($@"\b(?<how>since|after|from|before|until) (?<day>{AnyDay}|(?:{CalendarWords.MonthNames})(?: \d{{4}})?)\b(?: on\b)?", RegexOptions.IgnoreCase)]
    private static partial Regex Since();

    [GeneratedRegex($@"\b(?:on |from )?(?<day>(?<=\bon ){AnyDay}|yesterday|today)\b", RegexOptions.IgnoreCase)]
    private static partial Regex On();

    [GeneratedRegex(@"\b(?:in |during )?(?<span>(?:this|last) (?:week|month|year))\b", RegexOptions.IgnoreCase)]
    private static partial Regex Within();

    [GeneratedRegex($@"\b(?:in|during) (?<month>(?:{CalendarWords.MonthNames})(?: \d{{4}})?)\b", RegexOptions.IgnoreCase)]
    private static partial Regex InMonth();

    [GeneratedRegex(@"\d+")]
    private static partial Regex Number();
}
