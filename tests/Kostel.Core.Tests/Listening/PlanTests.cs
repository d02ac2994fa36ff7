using FsCheck.Xunit;
using Kostel.Core.Audio;
using Kostel.Core.Listening;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Listening;

public sealed class PlanTests
{
    /// <summary>Three sentences of four words of half a second: 0 to 2 s, 2 to 4 s, 4 to 6 s; silence up to 20 s.</summary>
    private static readonly Transcript Text = new(
        "en", 20_000, [Speaker.Unnamed(1)],
        [new Passage("p1", "v1", 0, 5_900, "One two three four. Five six seven eight. Nine ten eleven twelve.".Split(' ').Select((w, i) => new Word(w, i * 500, (i * 500) + 400, 1)).ToList())],
        [new Chapter("All", 0, 20_000)]);

    [Fact]
    public void No_sentence_is_cut()
    {
        var part = Assert.Single(WholeSentences.Around([new Stretch(2_700, 3_000)], Text));
        Assert.InRange(part.StartMs, 1_500, 2_000);
        Assert.InRange(part.EndMs, 3_900, 4_200);
    }

    [Fact]
    public void A_sentence_that_is_only_touched_is_left_out() =>
        Assert.InRange(Assert.Single(WholeSentences.Around([new Stretch(2_000, 4_050)], Text)).EndMs, 3_900, 4_300);

    [Fact]
    public void Small_gaps_are_bridged_and_what_lies_outside_is_cut_off() =>
        Assert.Equal([new Stretch(0, 20_000)], WholeSentences.Around([new Stretch(-500, 1_000), new Stretch(4_500, 9_000), new Stretch(11_000, 99_000)], Text));

    [Fact]
    public void A_stretch_of_silence_stays_as_it_is() => Assert.Equal([new Stretch(9_000, 12_000)], WholeSentences.Around([new Stretch(9_000, 12_000)], Text));

    [Fact]
    public void Listening_takes_less_without_silences_and_faster() =>
        Assert.Equal(4_000, ListeningTime.Of([new Stretch(0, 10_000)], [new Silence(6_000, 8_000), new Silence(9_500, 30_000)], 1.875));

    [Fact]
    public void What_carries_most_in_the_time_is_chosen() =>
        Assert.Equal([1, 2], PlanProposal.Choose([new(10, 60_000), new(8, 30_000), new(7, 30_000), new(1, 10_000)], 60_000));

    [Theory]
    [InlineData(0)]
    [InlineData(-5)]
    [InlineData(500)]
    public void Where_nothing_fits_nothing_is_chosen(int budgetMs) => Assert.Empty(PlanProposal.Choose([new(1, 5_000)], budgetMs));

    [Property]
    public bool The_time_is_kept((byte Value, ushort Takes)[] some, ushort budget)
    {
        var all = (some ?? []).Select(s => new Candidate(s.Value, s.Takes * 10)).ToList();
        return PlanProposal.Choose(all, budget * 50).Sum(i => all[i].TakesMs) <= budget * 50;
    }

    [Fact]
    public void A_definition_weighs_more_than_talk()
    {
        static double Weigh(string text) => ChapterWeight.Of([Lecture.Sentence(text)], []);
        Assert.True(Weigh("Capillary rise is the movement of water upward through narrow pores.") > 2 * Weigh("Well, that was quite a day, and it rained."));
    }
}
