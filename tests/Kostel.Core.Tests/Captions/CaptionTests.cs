using System.Text.Json;
using FsCheck.Xunit;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Captions;

public class CaptionTests
{
    private static readonly Transcript Lecture1 = Lecture.Of(Lecture.DemoParagraphs("09-fog"));

    [Fact]
    public void Captions_keep_the_rules_of_the_trade_and_lose_no_word()
    {
        var captions = CaptionCutter.Cut(Lecture1);
        Assert.All(captions, c => Assert.InRange(c.Lines.Count, 1, 2));
        Assert.All(captions.SelectMany(c => c.Lines), l => Assert.InRange(l.Length, 1, CaptionCutter.LineLength));
        Assert.All(captions, c => Assert.InRange(c.EndMs - c.StartMs, 1, 7_000));
        Assert.All(captions.Zip(captions.Skip(1)), p => Assert.True(p.First.EndMs <= p.Second.StartMs));
        Assert.Equal(
            string.Join(' ', Lecture1.Passages.Select(p => p.Text)),
            string.Join(' ', captions.SelectMany(c => c.Lines)));
    }

    /// <summary>Against the npm package node-webvtt 2.0, which reads strictly.</summary>
    [Fact]
    public void Another_reader_of_WebVTT_finds_the_same_cues()
    {
        var cues = JsonSerializer.Deserialize<Cue[]>(Reference.Run("webvtt.mjs", WebVtt.Write(Lecture1)), JsonSerializerOptions.Web)!;
        var captions = CaptionCutter.Cut(Lecture1);
        Assert.Equal(captions.Select(c => (c.StartMs, c.EndMs)), cues.Select(c => ((int)Math.Round(c.Start * 1000), (int)Math.Round(c.End * 1000))));
        Assert.Equal(captions.Select(c => string.Join('\n', c.Lines)), cues.Select(c => c.Text));
    }

    [Fact]
    public void Signs_that_mean_something_in_WebVTT_are_escaped() =>
        Assert.Contains("1 &lt; 2 &amp; 3 --&gt; 4", WebVtt.Write(Lecture.Of("1 < 2 & 3 --> 4")), StringComparison.Ordinal);

    [Fact]
    public void SubRip_numbers_its_cues_and_writes_a_comma_before_the_milliseconds()
    {
        var lines = SubRip.Write(Lecture1).Split('\n');
        Assert.Equal("1", lines[0]);
        Assert.Matches(@"^00:00:00,500 --> 00:00:0\d,\d{3}$", lines[1]);
    }

    [Fact]
    public void Plain_text_has_chapters_as_headings_and_a_paragraph_for_each_passage()
    {
        var paragraphs = PlainText.Write(Lecture1, new TextOptions()).Trim().Split("\n\n");
        Assert.Equal(Lecture1.Chapters.Count + Lecture1.Passages.Count, paragraphs.Length);
        Assert.Equal(Lecture1.Chapters[0].Title, paragraphs[0]);
    }

    [Property]
    public void Any_words_make_captions_in_order(string[] parts)
    {
        var text = string.Join(' ', (parts ?? []).Select(p => p?.Replace('\n', 'x').Trim()).Where(p => !string.IsNullOrEmpty(p)));
        var captions = text.Length == 0 ? [] : CaptionCutter.Cut(Lecture.Of(text));
        Assert.All(captions, c => Assert.True(c.StartMs < c.EndMs));
    }

    private sealed record Cue(double Start, double End, string Text);
}
