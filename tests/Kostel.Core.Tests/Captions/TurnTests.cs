using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Captions;

/// <summary>Who speaks, as texts and captions write it that have no place for names.</summary>
public class TurnTests
{
    [Theory]
    [InlineData("Ines: Why does it leak?\nTom: The wall is old.\nIt is clay.\nInes: And the gate?\nTom: Oak.")]
    [InlineData("Ines: Why does it leak?\n\nTom: The wall is old.\nIt is clay.\n\nInes: And the gate?\n\nTom: Oak.")]
    [InlineData("[0:01] Ines: Why does it leak?\n[0:04] Tom: The wall is old. It is clay.\n[0:09] Ines: And the gate?\n[0:11] Tom: Oak.")]
    public void Names_before_turns_are_speakers_however_the_lines_are_divided(string text)
    {
        var read = PlainText.Read(text).Transcript;
        Assert.Equal(["Ines: Why does it leak?", "Tom: The wall is old. It is clay.", "Ines: And the gate?", "Tom: Oak."], Turns(read));
    }

    [Fact]
    public void A_paragraph_without_a_name_goes_on_with_the_one_before()
    {
        var read = PlainText.Read("DR BEND: The wall is old.\n\nIt is clay.\n\nSTUDENT 1: And the gate?\n\nDR BEND: Oak.\n\nSTUDENT 1: Why?").Transcript;
        Assert.Equal(["DR BEND: The wall is old.", "DR BEND: It is clay."], Turns(read).Take(2));
        Assert.Equal(["DR BEND", "STUDENT 1"], read.Speakers.Select(s => s.Name));
    }

    [Fact]
    public void A_short_turn_is_no_heading_and_a_name_may_stand_on_a_line_of_its_own()
    {
        var read = PlainText.Read("Ines:\nSo is it clay\n\nTom:\nYes\n\nInes:\nAnd how long does a wall of clay stand in the rain if nobody puts a roof over it?\n\nTom:\nA winter").Transcript;
        Assert.Equal(["Ines: So is it clay", "Tom: Yes", "Ines: And how long does a wall of clay stand in the rain if nobody puts a roof over it?", "Tom: A winter"], Turns(read));
    }

    [Fact]
    public void What_a_lecturer_says_before_a_colon_is_said()
    {
        const string Text = "Remember: water finds a way.\nNow the gate: it is oak.\nNote: oak swells.\nRemember: clay cracks.\nNote: frost lifts.";
        var read = PlainText.Read(Text).Transcript;
        Assert.Equal(string.Join(' ', Text.Split('\n')), string.Join(' ', read.Passages.Select(p => p.Text)));
        Assert.Equal(Speaker.Unnamed(1), Assert.Single(read.Speakers));
    }

    [Fact]
    public void A_time_on_a_line_of_its_own_belongs_to_what_is_below()
    {
        var read = PlainText.Read("0:00\nThe wall is old.\n0:07\nIt is clay.\n1:02\nThe gate is oak.");
        Assert.True(read.HasTimes);
        Assert.Equal([(0, "The wall is old."), (7_000, "It is clay."), (62_000, "The gate is oak.")], read.Transcript.Passages.Select(p => (p.StartMs, p.Text)));
    }

    [Fact]
    public void A_text_without_paragraphs_is_divided_at_sentences_into_some_that_can_be_read()
    {
        var text = string.Join('\n', Enumerable.Range(0, 60).Select(i => $"The wall of clay has a gate number {i}."));
        var passages = PlainText.Read(text).Transcript.Passages;
        Assert.All(passages, p => Assert.InRange(p.Words.Count, 1, 120));
        Assert.All(passages, p => Assert.EndsWith(".", p.Text, StringComparison.Ordinal));
        Assert.Equal(text.Replace('\n', ' '), string.Join(' ', passages.Select(p => p.Text)));
        Assert.Equal(passages.Count, passages.Select(p => p.Id).Distinct().Count());
    }

    [Theory]
    [InlineData("x.srt", "")]
    [InlineData("x.vtt", "WEBVTT\n\n")]
    public void Names_in_captions_are_voices_until_the_next(string name, string head)
    {
        var read = TranscriptFiles.Read(name, head + """
            00:00:01.000 --> 00:00:03.000
            Ines: Why does
            it leak?

            00:00:03.000 --> 00:00:05.000
            Tom: The wall

            00:00:05.000 --> 00:00:07.000
            is old. Ines: And the gate?

            00:00:07.000 --> 00:00:08.000
            Tom: Oak.

            00:00:09.000 --> 00:00:10.000
            Ines: Good.
            """).Transcript;
        Assert.Equal(["Ines: Why does it leak?", "Tom: The wall is old.", "Ines: And the gate?", "Tom: Oak.", "Ines: Good."], Turns(read));
    }

    [Fact]
    public void Captions_that_roll_up_are_read_once()
    {
        var read = WebVtt.Read("""
            WEBVTT

            00:00:00.000 --> 00:00:02.000 align:start
            the<00:00:00.500><c> wall</c>

            00:00:02.000 --> 00:00:02.010
            the wall

            00:00:02.010 --> 00:00:04.000
            the wall
            is<00:00:02.500><c> old</c>

            00:00:04.000 --> 00:00:04.010
            is old

            00:00:04.010 --> 00:00:06.000
            is old
            and<00:00:05.000><c> dry</c>

            00:00:06.000 --> 00:00:06.010
            and dry
            """);
        Assert.Equal("the wall is old and dry", string.Join(' ', read.Transcript.Passages.Select(p => p.Text)));
        Assert.Equal([0, 500, 2_010, 2_500, 4_010, 5_000], read.Transcript.Passages.SelectMany(p => p.Words).Select(w => w.StartMs));
        Assert.StartsWith("Line ", Assert.Single(read.Problems), StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_said_twice_in_captions_stays()
    {
        var read = SubRip.Read("1\n00:00:01,000 --> 00:00:02,000\nNever again.\n\n2\n00:00:02,000 --> 00:00:03,000\nNever again.\n\n3\n00:00:04,000 --> 00:00:05,000\nThat is all.\n");
        Assert.Equal("Never again. Never again. That is all.", string.Join(' ', read.Transcript.Passages.Select(p => p.Text)));
    }

    [Fact]
    public void Notes_of_sounds_and_signs_for_another_speaker_are_left_out_of_captions_and_told()
    {
        var read = SubRip.Read("1\n00:00:01,000 --> 00:00:02,000\n[soft music]\n\n2\n00:00:02,000 --> 00:00:03,000\n>> The wall (laughs) holds [1] year.\n\n3\n00:00:04,000 --> 00:00:05,000\n♪ All day ♪\n");
        Assert.Equal("The wall holds [1] year. All day", string.Join(' ', read.Transcript.Passages.Select(p => p.Text)));
        Assert.Contains("notes of sounds", Assert.Single(read.Problems), StringComparison.Ordinal);
    }

    private static IEnumerable<string> Turns(Transcript transcript) => transcript.Passages.Select(p => $"{transcript.Speakers.First(s => s.Id == p.SpeakerId).Name}: {p.Text}");
}
