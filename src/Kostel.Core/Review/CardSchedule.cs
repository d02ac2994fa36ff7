namespace Kostel.Core.Review;

/// <summary>What is known of a card's memory, and when it is due (UTC).</summary>
/// <param name="Memory">Null until the first review.</param>
public sealed record ScheduledCard(Memory? Memory, DateTime? ReviewedAt, DateTime DueAt);

/// <summary>When a card comes back after it was graded.</summary>
public static class CardSchedule
{
    /// <summary>After so long a forgotten card comes back in the same sitting.</summary>
    public static readonly TimeSpan SoonAgain = TimeSpan.FromMinutes(10);

    /// <summary>The card after a grade. A forgotten one is due soon again; any other at the beginning of one of the person's days.</summary>
    /// <returns>The card, and in how many days it is due: 0 for soon.</returns>
    public static (ScheduledCard Card, int InDays) After(ScheduledCard card, RecallGrade grade, DateTime now, StudyDays days)
    {
        var memory = card is { Memory: { } before, ReviewedAt: { } last } ? Fsrs.Next(before, days.Between(last, now), grade) : Fsrs.First(grade);
        if (grade == RecallGrade.Forgot)
        {
            return (new ScheduledCard(memory, now, now + SoonAgain), 0);
        }

        var interval = Fsrs.IntervalDays(memory.Stability);
        return (new ScheduledCard(memory, now, days.BeginningOf(days.DayOf(now).AddDays(interval))), interval);
    }
}
