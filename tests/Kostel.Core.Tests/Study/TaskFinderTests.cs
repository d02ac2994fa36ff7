using Kostel.Core.Study.Tasks;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class TaskFinderTests
{
    /// <summary>A Tuesday.</summary>
    private static readonly DateOnly HeldOn = new(2026, 10, 13);

    [Theory]
    [InlineData("Please read chapter four by Thursday.", "by Thursday", "2026-10-15")]
    [InlineData("Your reports are due on the third of November.", "on the third of November", "2026-11-03")]
    [InlineData("I want you to bring a jar of soil next week.", "next week", "")]
    [InlineData("The deadline for the essay is January 9.", "January 9", "2027-01-09")]
    [InlineData("So, for next time, do exercises three to five.", "for next time", "")]
    [InlineData("You have to hand in the worksheet before the exam.", "before the exam", "")]
    [InlineData("Make sure you finish the drawings in two weeks.", "in two weeks", "2026-10-27")]
    [InlineData("Homework is on page twelve, and you bring it on Tuesday.", "on Tuesday", "2026-10-20")]
    public void What_the_listeners_were_asked_to_do_is_found_with_its_day(string said, string when, string day)
    {
        var task = Assert.Single(TaskFinder.Find(Said(said), HeldOn));
        Assert.Equal(when, task.When);
        Assert.Equal(day, task.Day?.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture) ?? "");
    }

    [Theory]
    [InlineData("You must never dig below the water.")]
    [InlineData("Take the lime and spread it in October.")]
    [InlineData("The tide is due to the moon.")]
    [InlineData("Could you read this by Thursday?")]
    [InlineData("You don't have to read chapter four by Thursday.")]
    [InlineData("On Monday the ship came home.")]
    [InlineData("You should measure the depth before the tide turns.")]
    [InlineData("There is no homework for next week.")]
    public void What_is_taught_is_no_task(string said) => Assert.Empty(TaskFinder.Find(Said(said), HeldOn));

    [Theory]
    [InlineData("by Tuesday", "2026-10-20")]
    [InlineData("on Wednesday", "2026-10-14")]
    [InlineData("next Friday", null)]
    [InlineData("tomorrow", "2026-10-14")]
    [InlineData("on 1 October", "2027-10-01")]
    [InlineData("By Thursday (15 October 2026)", "2026-10-15")]
    [InlineData("by the twenty-first of October", "2026-10-21")]
    [InlineData("on 31 February 2027", null)]
    public void A_day_to_come_is_the_next_of_its_name_and_none_is_guessed(string text, string? day) =>
        Assert.Equal(day, DueDay.Find(text, HeldOn)?.Day?.ToString("yyyy-MM-dd", System.Globalization.CultureInfo.InvariantCulture));

    [Fact]
    public void Without_the_day_of_the_lecture_only_a_full_date_is_one()
    {
        Assert.Null(DueDay.Find("by Thursday", null)!.Value.Day);
        Assert.Equal(new DateOnly(2026, 11, 3), DueDay.Find("on 3 November 2026", null)!.Value.Day);
    }

    private static Transcript Said(string text)
    {
        var words = text.Split(' ').Select((w, i) => new Word(w, i * 300, (i * 300) + 250, 1)).ToList();
        return new Transcript("en", words[^1].EndMs, [Speaker.Unnamed(1)], [new Passage("p1", "v1", 0, words[^1].EndMs, words)], [new Chapter("All", 0, words[^1].EndMs)]);
    }
}
