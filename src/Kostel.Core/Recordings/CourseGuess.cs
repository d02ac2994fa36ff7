using System.Globalization;

namespace Kostel.Core.Recordings;

/// <summary>A lecture that was held earlier.</summary>
/// <param name="AddedAt">When it came in, of the person's own day.</param>
public sealed record EarlierLecture(string Course, DateOnly HeldOn, DateTime AddedAt);

/// <summary>Which course is likely held at a moment, and what its lecture is called.</summary>
/// <param name="Course">Null where nothing speaks for one.</param>
public sealed record CourseGuess(string? Course, string Title)
{
    /// <summary>A course is held on the same day of the week, at about the same hour, and was held lately (judgements).</summary>
    private const int Lately = 60, NearHours = 2;

    /// <summary>Guesses by what was held on this day of the week.</summary>
    /// <param name="earlier">All lectures that belong to a course.</param>
    /// <param name="now">The person's own day and hour.</param>
    public static CourseGuess Of(IEnumerable<EarlierLecture> earlier, DateTime now)
    {
        var today = DateOnly.FromDateTime(now);
        var course = earlier.Where(l => l.HeldOn < today && l.HeldOn.DayOfWeek == today.DayOfWeek && today.DayNumber - l.HeldOn.DayNumber <= Lately)
            .GroupBy(l => l.Course)
            .OrderByDescending(g => g.Sum(l => WasThen(l, now) ? 2 : 1)).ThenByDescending(g => g.Max(l => l.HeldOn)).Select(g => g.Key).FirstOrDefault();
        var day = now.ToString("d MMMM", CultureInfo.InvariantCulture);
        return new CourseGuess(course, course is null ? $"Lecture of {day}" : $"{course}, {day}");
    }

    /// <summary>One that came in on its own day came in about when it was held.</summary>
    private static bool WasThen(EarlierLecture lecture, DateTime now) =>
        DateOnly.FromDateTime(lecture.AddedAt) == lecture.HeldOn && Math.Abs((lecture.AddedAt.TimeOfDay - now.TimeOfDay).TotalHours) <= NearHours;
}
