using Kostel.Core.Problems;

namespace Kostel.Core.Review;

/// <summary>The days by which a person learns: those of where they are, and who studies late may let a day begin later than at midnight.</summary>
/// <param name="Zone">Where the person is.</param>
/// <param name="BeginsAtHour">When a day begins, 0 to 8: at 4, three in the morning still belongs to the evening before.</param>
public sealed record StudyDays(TimeZoneInfo Zone, int BeginsAtHour)
{
    /// <summary>The latest hour at which a day may begin.</summary>
    public const int LatestHour = 8;

    /// <summary>An hour at which a day can begin.</summary>
    /// <exception cref="NotValidException">A day does not begin then.</exception>
    public static int BeginningAt(int hour) =>
        hour is >= 0 and <= LatestHour ? hour : throw new NotValidException($"A day begins between 0 and {LatestHour} o'clock.");

    /// <summary>The hour that a day begins at until somebody chooses.</summary>
    public const int UsualHour = 4;

    /// <summary>The day that a moment (UTC) belongs to.</summary>
    public DateOnly DayOf(DateTime utc) =>
        DateOnly.FromDateTime(TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), Zone).AddHours(-BeginsAtHour));

    /// <summary>The moment (UTC) at which a day begins. Where the clocks leave out that hour it begins when they go on; where they show it twice, the first time.</summary>
    public DateTime BeginningOf(DateOnly day)
    {
        var local = day.ToDateTime(new TimeOnly(BeginsAtHour, 0));
        while (Zone.IsInvalidTime(local))
        {
            local = local.AddMinutes(1);
        }

        var offset = Zone.IsAmbiguousTime(local) ? Zone.GetAmbiguousTimeOffsets(local).Max() : Zone.GetUtcOffset(local);
        return DateTime.SpecifyKind(local - offset, DateTimeKind.Utc);
    }

    /// <summary>Whole days from one moment to another, never fewer than none.</summary>
    public int Between(DateTime fromUtc, DateTime toUtc) => Math.Max(0, DayOf(toUtc).DayNumber - DayOf(fromUtc).DayNumber);
}
