using System.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Server.Tests;

public sealed class ConvertCommandTests : IDisposable
{
    private static readonly string Talk = Path.Combine(ServerProcess.Root, "demo", "transcripts", "08-harbour-pilot.json");
    private readonly string folder = Directory.CreateTempSubdirectory("kostel-convert-").FullName;

    [Theory]
    [InlineData("txt", "Welcome and plan\n\nVoice 1: Good evening")]
    [InlineData("md", "# 08-harbour-pilot\n\n## Welcome and plan\n\n**Voice 1:** Good evening")]
    [InlineData("srt", "1\n00:00:00,624 --> ")]
    [InlineData("vtt", "WEBVTT\n\n00:00:00.624 --> ")]
    [InlineData("chapters", "WEBVTT Chapters\n\n00:00:00.000 --> ")]
    [InlineData("tsv", "start\tend\tspeaker\tpassage\tchapter\ttext\n624\t")]
    [InlineData("json", "{\n \"format\": \"kostel-transcript\"")]
    [InlineData("pdf", "%PDF-")]
    [InlineData("docx", "PK")]
    public void Each_format_is_written(string format, string begins)
    {
        var to = Path.Combine(folder, "out");
        var (exit, _, errors) = CommandLine.Run("convert", Talk, "--to", format, "--out", to);
        Assert.Equal((0, ""), (exit, errors));
        Assert.StartsWith(begins, Encoding.Latin1.GetString(File.ReadAllBytes(to)), StringComparison.Ordinal);
    }

    [Fact]
    public void Captions_become_a_transcript_with_chapters_and_what_could_not_be_read_is_said()
    {
        var from = Path.Combine(folder, "talk.srt");
        File.WriteAllText(from, "1\nsoon --> later\nLost.\n\n2\n00:00:01,000 --> 00:00:03,000\nThe tide rises.\n");
        var (exit, output, errors) = CommandLine.Run("convert", from, "--to", "json");
        Assert.Equal(0, exit);
        Assert.Contains("Line 2: expected two times", errors, StringComparison.Ordinal);
        Assert.Equal("The tide rises.", Assert.Single(TranscriptFormat.Read(output).Passages).Text);
    }

    [Fact]
    public void A_part_is_cut_out_by_times_and_senseless_wishes_are_refused_in_words()
    {
        var part = CommandLine.Run("convert", Talk, "--to", "txt", "--from", "1:00", "--until", "1:30", "--times", "--no-speakers");
        Assert.Contains("[1:", part.Output, StringComparison.Ordinal);
        Assert.DoesNotContain("Good evening", part.Output, StringComparison.Ordinal);
        Assert.Contains("--from takes a time", CommandLine.Run("convert", Talk, "--to", "txt", "--from", "noon").Errors, StringComparison.Ordinal);
        Assert.Contains("Nothing is said", CommandLine.Run("convert", Talk, "--to", "txt", "--from", "9:00:00").Errors, StringComparison.Ordinal);
        Assert.NotEqual(0, CommandLine.Run("convert", Path.Combine(folder, "none.srt"), "--to", "txt").Exit);
    }

    public void Dispose() => Directory.Delete(folder, recursive: true);
}
