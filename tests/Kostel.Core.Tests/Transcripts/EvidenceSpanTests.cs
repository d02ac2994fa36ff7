using Kostel.Core.Problems;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Transcripts;

public sealed class EvidenceSpanTests
{
    private static readonly Transcript Tides = new(
        "en", 9_000, [Speaker.Unnamed(1)], [Said("p1", 0, "The tide rises. It falls."), Said("p2", 4_000, "Ships wait.")], []);

    [Theory]
    [InlineData(0, 100, "The tide rises.", "p1")]
    [InlineData(250, 700, "The tide rises. It falls.", "p1")]
    [InlineData(600, 4_100, "It falls. Ships wait.", "p1")]
    [InlineData(4_000, 9_000, "Ships wait.", "p2")]
    public void Whole_sentences_are_taken_of_which_something_is_said_in_a_stretch(int from, int to, string quote, string passage)
    {
        var evidence = Evidence.Between(Tides, from, to);
        Assert.Equal((quote, passage), (evidence.Quote, evidence.PassageId));
        Assert.True(evidence.StartMs < to && evidence.EndMs > from);
    }

    [Theory]
    [InlineData(2_000, 3_000)]
    [InlineData(8_000, 9_000)]
    [InlineData(1_500, 1_000)]
    public void Where_nothing_is_said_that_is_told(int from, int to) => Assert.Throws<NotValidException>(() => Evidence.Between(Tides, from, to));

    private static Passage Said(string id, int startMs, string text)
    {
        var at = startMs - 200;
        return new Passage(id, "v1", startMs, startMs + 1_000, text.Split(' ').Select(w => new Word(w, at += 200, at + 180, 1)).ToList());
    }
}
