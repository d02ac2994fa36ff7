using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Transcripts;

public sealed class HeardCorrectionsTests
{
    /// <summary>Words of 300 ms each, one every 400 ms.</summary>
    private static List<Word> Said(string text, int fromMs = 0) => text.Split(' ').Select((t, i) => new Word(t, fromMs + (i * 400), fromMs + (i * 400) + 300, 0.5)).ToList();

    private static string Text(IEnumerable<Word> words) => string.Join(' ', words.Select(w => w.Text));

    [Fact]
    public void What_a_person_wrote_stands_in_what_is_recognised_later_though_the_words_and_their_times_are_others()
    {
        var live = Said("The sprig ties rise twice");
        var corrections = HeardCorrections.Add([], new HeardCorrection(live[1].StartMs, live[2].EndMs, "spring tides"));
        Assert.Equal("The spring tides rise twice", Text(HeardCorrections.In(live, corrections)));
        var later = TranscriptBuilder.Build([new Utterance(0, 0, 0, Said("The spree ties rise twice", 60))], 3_000);
        var kept = HeardCorrections.Into(later, corrections);
        Assert.Equal("The spring tides rise twice", kept.Passages.Single().Text);
        Assert.Equal([0.5, 1, 1, 0.5, 0.5], kept.Passages.Single().Words.Select(w => w.Confidence));
    }

    [Fact]
    public void Stops_and_capitals_of_the_later_hearing_stay()
    {
        var words = HeardCorrections.In(Said("Sprig ties, they rise"), [new HeardCorrection(0, 700, "spring tides")]);
        Assert.Equal("Spring tides, they rise", Text(words));
    }

    [Fact]
    public void What_was_not_said_goes_and_what_was_not_heard_comes_in_at_its_moment()
    {
        var said = Said("Fog is um thick");
        Assert.Equal("Fog is thick", Text(HeardCorrections.In(said, [new HeardCorrection(800, 1_100, "")])));
        var rest = Said("Fog rises.").Concat(Said("Then it goes.", 5_000)).ToList();
        var words = HeardCorrections.In(rest, [new HeardCorrection(2_000, 3_000, "Very slowly.")]);
        Assert.Equal("Fog rises. Very slowly. Then it goes.", Text(words));
        Assert.All(words.Zip(words.Skip(1)), w => Assert.True(w.First.StartMs <= w.Second.StartMs));
    }

    [Fact]
    public void A_passage_of_which_nothing_is_left_goes_and_none_is_lost_where_there_is_none()
    {
        var transcript = TranscriptBuilder.Build([new Utterance(0, 0, 0, Said("Um er"))], 2_000);
        Assert.Empty(HeardCorrections.Into(transcript, [new HeardCorrection(0, 2_000, "")]).Passages);
        var empty = transcript with { Passages = [] };
        Assert.Same(empty, HeardCorrections.Into(empty, [new HeardCorrection(0, 500, "Fog")]));
    }

    [Fact]
    public void A_later_correction_of_the_same_stretch_takes_the_place_of_the_earlier_one()
    {
        var all = HeardCorrections.Add(HeardCorrections.Add([], new HeardCorrection(400, 700, "tied")), new HeardCorrection(0, 1_100, "The\ttides  rise"));
        Assert.Equal(new HeardCorrection(0, 1_100, "The tides rise"), Assert.Single(all));
    }

    [Theory]
    [InlineData(-1, 500)]
    [InlineData(500, 400)]
    [InlineData(0, 200_000)]
    public void A_stretch_that_is_none_is_refused(int startMs, int endMs) =>
        Assert.Throws<NotValidException>(() => HeardCorrections.Add([], new HeardCorrection(startMs, endMs, "Fog")));
}
