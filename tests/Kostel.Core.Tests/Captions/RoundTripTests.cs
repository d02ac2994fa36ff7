using System.Text.Json;
using FsCheck.Xunit;
using Kostel.Core.Captions;
using Kostel.Core.Tests.Transcripts.Edits;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Captions;

/// <summary>What a format can hold is the same after writing, reading and writing again.</summary>
public class RoundTripTests
{
    private static readonly Transcript Start = Lecture.Of(Lecture.DemoParagraphs("09-fog"));

    [Property(MaxTest = 60)]
    public void Kostel_JSON_loses_nothing(int seed)
    {
        var t = Edited(seed);
        var copy = TranscriptFormat.Read(TranscriptFormat.Write(t));
        Assert.Equal(TranscriptFormat.Write(t), TranscriptFormat.Write(copy));
        Assert.Equal(JsonSerializer.Serialize(t.Speakers), JsonSerializer.Serialize(copy.Speakers));
    }

    [Property(MaxTest = 60)]
    public void SubRip_keeps_every_caption_with_its_time(int seed)
    {
        var written = SubRip.Write(Edited(seed));
        Assert.Equal(written, SubRip.Write(SubRip.Read(written).Transcript));
    }

    [Property(MaxTest = 60)]
    public void WebVTT_keeps_every_caption_with_its_time_and_voice(int seed)
    {
        var written = WebVtt.Write(Edited(seed));
        Assert.Equal(written, WebVtt.Write(WebVtt.Read(written).Transcript));
    }

    [Property(MaxTest = 60)]
    public void A_track_of_chapters_keeps_titles_and_times(int seed)
    {
        var t = Edited(seed);
        Assert.Equal(t.Chapters, WebVtt.ReadChapters(WebVtt.WriteChapters(t)));
        Assert.True(WebVtt.IsChapters(WebVtt.WriteChapters(t)));
        Assert.False(WebVtt.IsChapters(WebVtt.Write(t)));
    }

    [Property(MaxTest = 60)]
    public void Tab_separated_values_keep_sentences_times_speakers_passages_and_chapters(int seed)
    {
        var written = TabSeparated.Write(Edited(seed));
        Assert.Equal(written, TabSeparated.Write(TabSeparated.Read(written).Transcript));
    }

    [Property(MaxTest = 60)]
    public void Markdown_keeps_headings_names_questions_and_times_to_the_second(int seed)
    {
        var options = new TextOptions(Speakers: true, Times: true, Title: "Fog * and [ships]", Link: "http://127.0.0.1:5480/lecture/fog");
        var written = PlainText.WriteMarkdown(Edited(seed), options);
        var read = PlainText.Read(written);
        Assert.Equal("Fog * and [ships]", read.Title);
        Assert.Equal(written, PlainText.WriteMarkdown(read.Transcript, options));
    }

    [Fact]
    public void Plain_text_keeps_headings_names_and_times_to_the_second()
    {
        var t = Conversation();
        var options = new TextOptions(Speakers: true, Times: true);
        var written = PlainText.Write(t, options);
        Assert.Contains("[0:00] Ines: ", written, StringComparison.Ordinal);
        Assert.Equal(written, PlainText.Write(PlainText.Read(written).Transcript, options));
    }

    [Fact]
    public void Plain_text_without_times_is_read_at_the_pace_of_talk_and_says_so()
    {
        var read = PlainText.Read(PlainText.Write(Start, new TextOptions()));
        Assert.False(read.HasTimes);
        var words = read.Transcript.Passages.Sum(p => p.Words.Count);
        Assert.InRange(words / (read.Transcript.DurationMs / 60_000.0), 110, 180);
        Assert.Equal(Start.Passages.Select(p => p.Text), read.Transcript.Passages.Select(p => p.Text));
        Assert.Equal(Start.Chapters.Select(c => c.Title), read.Transcript.Chapters.Select(c => c.Title));
    }

    [Fact]
    public void A_colon_in_a_sentence_makes_no_speaker() =>
        Assert.Equal("Remember: the tide turns.", PlainText.Read("Remember: the tide turns.\n\nAnd it turns again.").Transcript.Passages[0].Text);

    private static Transcript Conversation()
    {
        var t = new SplitPassage("p1", Start.Passages[0].Text, 5).Apply(Start);
        t = new GivePassage(t.Passages[0].Id, null, "Ines").Apply(t);
        return new ChangeSpeaker("v1", "The pilot", null).Apply(t);
    }

    /// <summary>A transcript as it is after some work of a person.</summary>
    private static Transcript Edited(int seed)
    {
        var random = new Random(seed);
        var now = Start;
        for (var i = 0; i < 12; i++)
        {
            var next = RandomEdits.Try(now, RandomEdits.Draw(now, random));
            now = next.Passages.Count > 0 ? next : now;
        }

        return now;
    }
}
