using FsCheck.Xunit;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Transcripts;

public class TranscriptTests
{
    private static readonly Transcript Small = Lecture.Of(
        "Slack water is short. It comes twice.", "The set of a stream is the direction toward which it flows.");

    [Fact]
    public void A_transcript_file_is_read_back_the_same()
    {
        var copy = TranscriptFormat.Read(TranscriptFormat.Write(Small));
        Assert.Equal(TranscriptFormat.Write(Small), TranscriptFormat.Write(copy));
        Assert.Equal(Small.Passages.Select(p => p.Text), copy.Passages.Select(p => p.Text));
    }

    [Fact]
    public void Times_have_three_decimals() => Assert.Contains("\"start\": 0.500,", TranscriptFormat.Write(Small), StringComparison.Ordinal);

    [Theory]
    [InlineData("{\"format\":\"other\"}", "kostel-transcript")]
    [InlineData("{\n \"format\": \"kostel-transcript\",\n oops", "Line 3")]
    [InlineData("{\"format\":\"kostel-transcript\",\"version\":9,\"passages\":[]}", "version 9")]
    [InlineData("", "Line 1")]
    public void A_damaged_file_is_refused_with_the_place(string json, string says) =>
        Assert.Contains(says, Assert.Throws<FormatException>(() => TranscriptFormat.Read(json)).Message, StringComparison.Ordinal);

    [Theory]
    [InlineData("water.", true)]
    [InlineData("water?\"", true)]
    [InlineData("Dr.", false)]
    [InlineData("J.", false)]
    [InlineData("4.7", false)]
    public void A_sentence_ends_with_its_punctuation(string word, bool ends) => Assert.Equal(ends, Sentences.ClosesSentence(word));

    [Property]
    public void Sentences_hold_every_word_of_their_passage_once(string[] parts)
    {
        var words = Lecture.Words(string.Join(' ', (parts ?? []).Where(p => !string.IsNullOrWhiteSpace(p)).Select(p => p.Replace(' ', '.'))));
        var passage = new Passage("p1", "v1", 0, 1, words);
        Assert.Equal(words, Sentences.Of(passage).SelectMany(s => s.Words));
    }

    [Property]
    public void Passages_hold_every_word_once_and_none_is_longer_than_120_words(byte[] lengths)
    {
        var text = string.Join(' ', (lengths ?? []).Select(n => string.Concat(Enumerable.Repeat("ebb ", n % 40)) + "tide."));
        var words = Lecture.Words(text);
        var passages = PassageBuilder.Build(words, "v1", new HashSet<int>());
        Assert.Equal(words, passages.SelectMany(p => p.Words));
        Assert.All(passages, p => Assert.InRange(p.Words.Count, 1, 120));
    }

    [Fact]
    public void A_passage_begins_where_a_chapter_does()
    {
        var words = Lecture.Words(string.Concat(Enumerable.Repeat("one two three four. ", 10)));
        var passages = PassageBuilder.Build(words, "v1", new HashSet<int> { words[8].StartMs });
        Assert.Equal(words[8].StartMs, passages[1].StartMs);
    }
}
