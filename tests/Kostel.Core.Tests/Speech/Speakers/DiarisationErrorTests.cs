using FsCheck.Xunit;
using Kostel.Core.Speech.Speakers;

namespace Kostel.Core.Tests.Speech.Speakers;

public class DiarisationErrorTests
{
    private static readonly Turn[] Said = [new(0, 10_000, "Ada"), new(10_000, 20_000, "Ben"), new(22_000, 32_000, "Ada")];

    [Fact]
    public void The_same_turns_by_other_names_are_no_error() =>
        Assert.Equal(0, DiarisationError.Of(Said, Said.Select(t => t with { Voice = t.Voice + "?" }).ToList()).Rate);

    /// <summary>Worked by hand: 30 s of speech, without collar. One second is missed, two are heard in the silence, three go to the wrong voice.</summary>
    [Fact]
    public void Missed_false_and_confused_speech_are_counted_apart()
    {
        Turn[] found = [new(1_000, 13_000, "1"), new(13_000, 22_000, "2"), new(22_000, 32_000, "1")];
        var error = DiarisationError.Of(Said, found, collarMs: 0);
        Assert.Equal((1 / 30.0, 2 / 30.0, 3 / 30.0), (error.Missed, error.FalseAlarm, error.Confused));
    }

    /// <summary>Within a quarter of a second of a border nothing counts: 28.5 s remain (two borders coincide), of which 0.75 s are missed.</summary>
    [Fact]
    public void Around_borders_nothing_is_counted()
    {
        Turn[] found = [new(1_000, 10_200, "1"), new(10_200, 20_100, "2"), new(22_000, 32_000, "1")];
        Assert.Equal(0.75 / 28.5, DiarisationError.Of(Said, found).Rate, 9);
    }

    [Fact]
    public void A_voice_that_was_divided_counts_with_its_larger_part()
    {
        Turn[] found = [new(0, 10_000, "1"), new(10_000, 20_000, "2"), new(22_000, 26_000, "3"), new(26_000, 32_000, "1")];
        Assert.Equal(4 / 30.0, DiarisationError.Of(Said, found, collarMs: 0).Confused, 9);
    }

    [Fact]
    public void The_pairing_is_the_best_one_and_not_the_first_that_looks_good()
    {
        Turn[] said = [new(0, 6_000, "a"), new(6_000, 11_000, "b"), new(11_000, 16_000, "a")];
        Turn[] found = [new(0, 6_000, "x"), new(6_000, 11_000, "x"), new(11_000, 16_000, "y")];

        // "x" with "a" is 6 s and leaves "b" with nothing; "x" with "b" and "y" with "a" is 10 s.
        Assert.Equal(6 / 16.0, DiarisationError.Of(said, found, collarMs: 0).Confused, 9);
    }

    [Fact]
    public void A_reference_without_speech_is_refused() => Assert.Throws<ArgumentException>(() => DiarisationError.Of([], Said));

    [Fact]
    public void Turns_are_read_back_from_their_file_the_same() =>
        Assert.Equal(Said, Rttm.Read(Rttm.Write("talk", Said)));

    [Fact]
    public void Names_with_spaces_are_written_as_one_word() =>
        Assert.Contains(" Voice_2 <NA> <NA>\n", Rttm.Write("a talk", [new Turn(0, 1_500, "Voice 2")]), StringComparison.Ordinal);

    [Theory]
    [InlineData("SPEAKER talk 1 zero 1.0 <NA> <NA> a <NA> <NA>")]
    [InlineData("SPEAKER talk 1 0.5")]
    [InlineData("SPEAKER talk 1 0.5 99999999999999 <NA> <NA> a <NA> <NA>")]
    public void A_line_that_is_not_as_it_should_be_is_named(string line) =>
        Assert.StartsWith("Line 2:", Assert.Throws<FormatException>(() => Rttm.Read($";; a comment\n{line}\n")).Message, StringComparison.Ordinal);

    [Property]
    public void What_was_found_is_never_better_than_right(byte[] lengths)
    {
        var at = 0;
        var found = lengths.Select((l, i) => new Turn(at, at += l * 20, $"{i % 3}")).Where(t => t.EndMs > t.StartMs).ToList();
        Assert.InRange(DiarisationError.Of(Said, found).Rate, 0, 1 + (at / 28_500.0));
    }
}
