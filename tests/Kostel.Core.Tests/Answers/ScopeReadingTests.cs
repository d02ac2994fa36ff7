using Kostel.Core.Answers.Scopes;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Answers;

public sealed class ScopeReadingTests
{
    /// <summary>A Friday.</summary>
    private static readonly DateOnly Today = new(2026, 11, 27);

    private static readonly ScopeGround Course = new(Today, ["Vera Holm", "Dr Tamm", "Voice 1"], HasInterview: true, HasSeveral: true, [], 0);

    private static readonly ScopeGround Lecture = new(
        Today, ["Voice 1"], HasInterview: false, HasSeveral: false, [new Chapter("Welcome", 0, 60_000), new Chapter("The rule of twelfths", 60_000, 300_000), new Chapter("Rivers", 300_000, 600_000)], 600_000);

    [Theory]
    [InlineData("What did we hear about fog since 3 November?", "2026-11-03", null, "What did we hear about fog?")]
    [InlineData("What was said about fog since the 3rd of November 2025?", "2025-11-03", null, "What was said about fog?")]
    [InlineData("What was said about fog before December 24?", null, "2025-12-23", "What was said about fog?")]
    [InlineData("In October, what was said about fog?", "2026-10-01", "2026-10-31", "What was said about fog?")]
    [InlineData("What did the lectures in December say about fog?", "2025-12-01", "2025-12-31", "What did the lectures say about fog?")]
    [InlineData("What was said last week about fog?", "2026-11-16", "2026-11-22", "What was said about fog?")]
    [InlineData("What did we hear yesterday?", "2026-11-26", "2026-11-26", "What did we hear?")]
    [InlineData("What was said on Monday about fog?", "2026-11-23", "2026-11-23", "What was said about fog?")]
    [InlineData("What was said between 3 and 10 November about fog?", "2026-11-03", "2026-11-10", "What was said about fog?")]
    [InlineData("What was said about fog this month?", "2026-11-01", "2026-11-27", "What was said about fog?")]
    public void Days_of_lectures_are_understood(string text, string? from, string? to, string left)
    {
        var read = ScopeReading.Read(text, Course, []);
        var part = Assert.Single(read.Parts);
        Assert.Equal((ScopeKind.Days, from, to, left), (part.Kind, part.From?.ToString("yyyy-MM-dd"), part.To?.ToString("yyyy-MM-dd"), read.Text));
    }

    [Theory]
    [InlineData("What do bees eat in October?")]
    [InlineData("What happens in May to the colony?")]
    [InlineData("Which tide comes first?")]
    [InlineData("What is the last thing to check?")]
    public void What_is_asked_about_is_no_place_to_look_in(string text)
    {
        var read = ScopeReading.Read(text, Course, []);
        Assert.Equal((text, 0), (read.Text, read.Parts.Count));
    }

    [Theory]
    [InlineData("How deep is it in the last two lectures?", 2, "the last 2 lectures")]
    [InlineData("In the last lecture, how deep was it?", 1, "the last lecture")]
    [InlineData("How deep was it in the first 3 sessions?", -3, "the first 3 lectures")]
    public void The_last_lectures_are_understood(string text, int latest, string words)
    {
        var part = Assert.Single(ScopeReading.Read(text, Course, []).Parts);
        Assert.Equal((latest, words), (part.Latest, part.Words));
    }

    [Theory]
    [InlineData("What did Vera say about fog?", "Vera Holm", "What about fog?")]
    [InlineData("Does Dr Tamm recommend lime?", "Dr Tamm", "Lime?")]
    [InlineData("According to Vera Holm, how deep is the channel?", "Vera Holm", "How deep is the channel?")]
    public void A_speaker_is_known_by_a_part_of_the_name(string text, string speaker, string left)
    {
        var read = ScopeReading.Read(text, Course, []);
        Assert.Equal((speaker, left), (Assert.Single(read.Parts).Speaker, read.Text));
    }

    [Fact]
    public void A_guest_is_the_one_who_does_not_ask()
    {
        Assert.False(Assert.Single(ScopeReading.Read("What did the guest say about fog?", Course, []).Parts).Asks);
        Assert.True(Assert.Single(ScopeReading.Read("What did the interviewer say about fog?", Course, []).Parts).Asks);
        Assert.Empty(ScopeReading.Read("What did the guest say about fog?", Lecture, []).Parts);
    }

    [Theory]
    [InlineData("What is said in chapter 3 about the flood?", 300_000, 600_000)]
    [InlineData("What is fast in the chapter on twelfths?", 60_000, 300_000)]
    [InlineData("What was said in the last two minutes?", 480_000, int.MaxValue)]
    [InlineData("What was said in the first 5 minutes?", 0, 300_000)]
    public void A_stretch_of_a_lecture_is_understood(string text, int from, int to)
    {
        var part = Assert.Single(ScopeReading.Read(text, Lecture, []).Parts);
        Assert.Equal((ScopeKind.Stretch, from, to), (part.Kind, part.StartMs, part.EndMs));
    }

    [Fact]
    public void What_is_taken_off_stays_in_the_question()
    {
        const string Text = "What did Vera say about fog in the last lecture?";
        Assert.Equal(2, ScopeReading.Read(Text, Course, []).Parts.Count);
        var read = ScopeReading.Read(Text, Course, [ScopeKind.Speaker, ScopeKind.Lectures]);
        Assert.Equal((Text, 0), (read.Text, read.Parts.Count));
    }

    [Fact]
    public void Several_parts_are_understood_together()
    {
        var read = ScopeReading.Read("What did Vera say about fog since 3 November in the last two lectures?", Course, []);
        Assert.Equal([ScopeKind.Speaker, ScopeKind.Lectures, ScopeKind.Days], read.Parts.Select(p => p.Kind));
        Assert.Equal("What about fog?", read.Text);
    }

    [Fact]
    public void Of_several_lectures_those_are_left_that_were_held_then()
    {
        (string Id, DateOnly? HeldOn)[] lectures = [("undated", null), ("a", new(2026, 10, 1)), ("b", new(2026, 11, 1)), ("c", new(2026, 11, 8))];
        Assert.Equal(["b", "c"], WithinScope.Of(lectures, [new ScopePart(ScopeKind.Days, "") { From = new(2026, 10, 15) }]));
        Assert.Equal(["c"], WithinScope.Of(lectures, [new ScopePart(ScopeKind.Lectures, "") { Latest = 1 }]));
        Assert.Equal(["b"], WithinScope.Of(lectures, [new ScopePart(ScopeKind.Days, "") { From = new(2026, 10, 15) }, new ScopePart(ScopeKind.Lectures, "") { Latest = -1 }]));
    }

    [Fact]
    public void Who_asks_in_an_interview_is_told_by_the_questions()
    {
        var transcript = Talk(("v1", "How deep is it? And how wide?"), ("v2", "It is deep. It is wide. It is long."), ("v1", "Why is that? I see."), ("v2", "Because of the river."));
        var guest = WithinScope.Of("x", transcript, [new ScopePart(ScopeKind.Speaker, "the guest") { Asks = false }]);
        Assert.Equal("It is deep. It is wide. It is long. Because of the river.", string.Join(' ', guest.Sentences.Select(s => s.Text)));
        Assert.Empty(WithinScope.Of("x", Talk(("v1", "It is deep."), ("v2", "It is wide.")), [new ScopePart(ScopeKind.Speaker, "the guest") { Asks = false }]).Sentences);
    }

    private static Transcript Talk(params (string Speaker, string Text)[] turns)
    {
        var at = 0;
        var passages = turns.Select((t, i) => new Passage($"p{i}", t.Speaker, at, at + 1_000, t.Text.Split(' ').Select(w => new Word(w, at += 10, at + 9, 1)).ToList())).ToList();
        return new Transcript("en", 100_000, [Speaker.Unnamed(1), Speaker.Unnamed(2)], passages, []);
    }
}
