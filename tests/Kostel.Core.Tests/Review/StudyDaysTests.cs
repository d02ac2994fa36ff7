using FsCheck.Xunit;
using Kostel.Core.Review;

namespace Kostel.Core.Tests.Review;

public class StudyDaysTests
{
    private static readonly TimeZoneInfo Vienna = Zone(1, dst: true), Kolkata = Zone(5.5, dst: false), Auckland = Zone(12, dst: false), Denver = Zone(-7, dst: false);

    [Theory]
    [InlineData(0, "2026-03-10T23:30:00", "2026-03-11")]
    [InlineData(4, "2026-03-10T23:30:00", "2026-03-10")]
    [InlineData(4, "2026-03-11T02:59:00", "2026-03-10")]
    [InlineData(4, "2026-03-11T03:00:00", "2026-03-11")]
    public void Three_in_the_morning_is_still_yesterday_evening_for_who_studies_late(int beginsAt, string utc, string day) =>
        Assert.Equal(DateOnly.Parse(day), new StudyDays(Vienna, beginsAt).DayOf(DateTime.Parse(utc)));

    [Fact]
    public void The_days_are_those_of_where_the_person_is()
    {
        var evening = new DateTime(2026, 6, 1, 20, 0, 0, DateTimeKind.Utc);
        Assert.Equal(new DateOnly(2026, 6, 2), new StudyDays(Kolkata, 0).DayOf(evening));
        Assert.Equal(new DateOnly(2026, 6, 2), new StudyDays(Auckland, 4).DayOf(evening));
        Assert.Equal(new DateOnly(2026, 6, 1), new StudyDays(Denver, 4).DayOf(evening));
    }

    [Fact]
    public void A_day_begins_also_when_the_clocks_leave_its_hour_out_or_show_it_twice()
    {
        var days = new StudyDays(Vienna, 2);

        // 29 March: two o'clock is not there; the clocks go on at three, which is one o'clock UTC.
        Assert.Equal(new DateTime(2026, 3, 29, 1, 0, 0, DateTimeKind.Utc), days.BeginningOf(new DateOnly(2026, 3, 29)));

        // 25 October: two o'clock is there twice; the day begins the first time.
        Assert.Equal(new DateTime(2026, 10, 25, 0, 0, 0, DateTimeKind.Utc), days.BeginningOf(new DateOnly(2026, 10, 25)));
    }

    [Property]
    public bool The_beginning_of_a_day_belongs_to_it_and_the_moment_before_to_the_day_before(ushort dayNumber, byte hour)
    {
        var days = new StudyDays(Vienna, hour % (StudyDays.LatestHour + 1));
        var day = new DateOnly(2000, 1, 1).AddDays(dayNumber % 20_000);
        var begins = days.BeginningOf(day);
        return days.DayOf(begins) == day && days.DayOf(begins.AddTicks(-1)) == day.AddDays(-1);
    }

    [Fact]
    public void A_card_reviewed_late_at_night_and_again_next_day_counts_one_day_between()
    {
        var days = new StudyDays(Vienna, 4);
        var late = new DateTime(2026, 3, 11, 1, 30, 0, DateTimeKind.Utc);
        var (card, _) = CardSchedule.After(new ScheduledCard(null, null, late), RecallGrade.Recalled, late, days);
        Assert.Equal(days.BeginningOf(new DateOnly(2026, 3, 10).AddDays(days.Between(late, card.DueAt))), card.DueAt);

        var next = new DateTime(2026, 3, 11, 18, 0, 0, DateTimeKind.Utc);
        Assert.Equal(1, days.Between(late, next));
        var (again, inDays) = CardSchedule.After(card, RecallGrade.Recalled, next, days);
        Assert.Equal(Fsrs.Next(card.Memory!.Value, 1, RecallGrade.Recalled), again.Memory);
        Assert.Equal(days.BeginningOf(new DateOnly(2026, 3, 11).AddDays(inDays)), again.DueAt);
    }

    [Fact]
    public void A_forgotten_card_is_due_soon_again()
    {
        var now = new DateTime(2026, 3, 11, 1, 30, 0, DateTimeKind.Utc);
        var (card, inDays) = CardSchedule.After(new ScheduledCard(new Memory(3, 5), now.AddDays(-4), now), RecallGrade.Forgot, now, new StudyDays(Vienna, 4));
        Assert.Equal((now + CardSchedule.SoonAgain, 0), (card.DueAt, inDays));
    }

    /// <summary>A zone of our own, so that the tests need no table of zones; its summer is that of the European Union (Directive 2000/84/EC).</summary>
    private static TimeZoneInfo Zone(double hours, bool dst)
    {
        var offset = TimeSpan.FromHours(hours);
        if (!dst)
        {
            return TimeZoneInfo.CreateCustomTimeZone($"test {hours}", offset, null, null);
        }

        var spring = TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 2, 0, 0), 3, 5, DayOfWeek.Sunday);
        var autumn = TimeZoneInfo.TransitionTime.CreateFloatingDateRule(new DateTime(1, 1, 1, 3, 0, 0), 10, 5, DayOfWeek.Sunday);
        var rule = TimeZoneInfo.AdjustmentRule.CreateAdjustmentRule(DateTime.MinValue.Date, DateTime.MaxValue.Date, TimeSpan.FromHours(1), spring, autumn);
        return TimeZoneInfo.CreateCustomTimeZone($"test {hours} summer", offset, null, null, null, [rule]);
    }
}
