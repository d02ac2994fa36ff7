namespace Kostel.Core.Text;

/// <summary>The names of months and weekdays, in small letters: in their order, and as alternatives of a pattern.</summary>
public static class CalendarWords
{
    /// <summary>The months as alternatives.</summary>
    public const string MonthNames = "january|february|march|april|may|june|july|august|september|october|november|december";

    /// <summary>The weekdays as alternatives, from Sunday as <see cref="DayOfWeek"/> counts.</summary>
    public const string DayNames = "sunday|monday|tuesday|wednesday|thursday|friday|saturday";

    /// <summary>From January.</summary>
    public static readonly string[] Months = MonthNames.Split('|');

    /// <summary>From Sunday.</summary>
    public static readonly string[] Weekdays = DayNames.Split('|');
}
