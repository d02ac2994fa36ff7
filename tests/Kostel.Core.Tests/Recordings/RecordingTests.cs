using Kostel.Core.Problems;
using Kostel.Core.Recordings;

namespace Kostel.Core.Tests.Recordings;

public sealed class RecordingTests
{
    [Theory]
    [InlineData(0, 0, PieceOrder.Take)]
    [InlineData(7, 7, PieceOrder.Take)]
    [InlineData(7, 6, PieceOrder.IsThere)]
    [InlineData(7, 0, PieceOrder.IsThere)]
    [InlineData(7, 8, PieceOrder.Missing)]
    public void A_piece_is_taken_in_its_turn_alone(int next, int number, PieceOrder expected) => Assert.Equal(expected, RecordedPiece.Order(next, number));

    [Fact]
    public void Samples_are_read_as_they_were_written() =>
        Assert.Equal([0f, 0.5f, -1f, 32_767 / 32_768f], RecordedPiece.Samples([0, 0, 0, 0x40, 0, 0x80, 0xff, 0x7f]));

    [Theory]
    [InlineData(0)]
    [InlineData(3)]
    [InlineData(RecordedPiece.MostBytes + 2)]
    public void What_is_no_piece_is_refused(int bytes) => Assert.Throws<NotValidException>(() => RecordedPiece.Samples(new byte[bytes]));

    // A Thursday.
    private static readonly DateTime Now = new(2026, 11, 26, 10, 15, 0);

    private static EarlierLecture Held(string course, int daysAgo, int hour) =>
        new(course, DateOnly.FromDateTime(Now).AddDays(-daysAgo), Now.Date.AddDays(-daysAgo).AddHours(hour));

    [Fact]
    public void The_course_of_this_day_and_hour_is_guessed()
    {
        var guess = CourseGuess.Of([Held("Tides", 7, 10), Held("Tides", 14, 11), Held("Knots", 7, 16), Held("Knots", 14, 16), Held("Soil", 6, 10)], Now);
        Assert.Equal(("Tides", "Tides, 26 November"), (guess.Course, guess.Title));
    }

    [Fact]
    public void What_was_held_on_another_day_or_long_ago_or_only_today_says_nothing()
    {
        Assert.Null(CourseGuess.Of([Held("Soil", 6, 10), Held("Tides", 70, 10), Held("Knots", 0, 9)], Now).Course);
        Assert.Equal("Lecture of 26 November", CourseGuess.Of([], Now).Title);
    }

    [Fact]
    public void Who_lost_the_thread_is_told_the_last_minutes_in_at_most_three_lines()
    {
        var words = Lecture.Words("Welcome everybody to the harbour evening and please find a seat now. ").Concat(Lecture.Words(
            "A spring tide is a tide with a large range. The spring tide comes two days after the full moon. A neap tide is a tide with a small range. "
            + "The neap tide comes after the half moon. So plan the spring tide with care. Between spring tide and neap tide there are seven days.", 200_000)).ToList();
        var thread = LostThread.Of(words, words[^1].EndMs, 3);
        Assert.InRange(thread.Lines.Count, 1, 3);
        Assert.All(thread.Lines, l => Assert.InRange(l.StartMs, 200_000, words[^1].EndMs));
        Assert.Contains(thread.About, a => a.Contains("spring tide", StringComparison.Ordinal));
    }

    [Fact]
    public void Words_of_no_length_and_out_of_turn_do_no_harm()
    {
        var words = Lecture.Words("Fog is a cloud that touches the ground. It forms over cold water. That is so because the air is cooled. These are two ways. It clears at noon.")
            .Select((w, i) => w with { StartMs = 5_000 - (i % 3), EndMs = 5_000 - (i % 3) }).ToList();
        Assert.NotEmpty(LostThread.Of(words, 6_000, 3).Lines);
    }

    [Fact]
    public void Where_nothing_was_understood_there_is_nothing_to_tell() => Assert.Empty(LostThread.Of([], 60_000, 3).Lines);

    [Fact]
    public void A_single_sentence_is_told_as_it_is() =>
        Assert.Equal("Yes.", Assert.Single(LostThread.Of(Lecture.Words("Yes."), 2_000, 3).Lines).Quote);
}
