using Kostel.Core.Study;
using Kostel.Core.Study.Made;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class MadeCorrectionTests
{
    private static readonly MadeThing Card = new(
        "card:1", "seas", "card", 0, ["What rises twice a day?", "the tied", "The tied rises twice a day."], [new Evidence("p1", 0, 5_000, "The tied rises twice a day.")]);

    [Fact]
    public void A_correction_reaches_every_text_of_a_thing_in_whole_words()
    {
        var change = MadeCorrection.Correct(Card, new Correction("tied", "tide"));
        Assert.Equal(["What rises twice a day?", "the tide", "The tide rises twice a day."], change.After);
        Assert.True(MadeCorrection.Correct(Card, new Correction("tie", "bow")).IsEmpty);
    }

    [Fact]
    public void A_change_that_is_turned_round_twice_is_the_same_again()
    {
        var change = MadeCorrection.Correct(Card, new Correction("tied", "tide"));
        Assert.Equal(Card.Texts, change.Reverse().After);
        Assert.Equal(change.After, change.Reverse().Reverse().After);
    }

    [Fact]
    public void New_words_of_the_source_are_taken_into_the_quotation_and_into_what_was_made_of_it()
    {
        var change = MadeCorrection.Renew(Card, new SourceCheck(Said("The tide rises twice a day.")));
        Assert.Equal(["What rises twice a day?", "the tide", "The tide rises twice a day."], change?.After);
    }

    [Fact]
    public void Nothing_changes_while_the_source_holds() =>
        Assert.True(MadeCorrection.Renew(Card, new SourceCheck(Said("The tied rises twice a day.")))?.IsEmpty);

    [Fact]
    public void Words_that_are_gone_altogether_cannot_be_taken() =>
        Assert.Null(MadeCorrection.Renew(Card, new SourceCheck(Said("The tide rises twice a day.", fromMs: 60_000))));

    [Fact]
    public void A_summary_stands_under_the_chapters_of_today()
    {
        IReadOnlyList<SummaryPart> made =
        [
            new("Opening", 0, [new Evidence("p1", 1_000, 2_000, "One."), new Evidence("p2", 11_000, 12_000, "Two.")]),
            new("Part 2", 20_000, [new Evidence("p3", 21_000, 22_000, "Three.")]),
        ];
        var renamed = SummaryHeadings.Under(made, [new Chapter("Why there are tides", 0, 20_000), new Chapter("Part 2", 20_000, 30_000)]);
        Assert.Equal(["Why there are tides", "Part 2"], renamed.Select(p => p.Chapter));
        var joined = SummaryHeadings.Under(made, [new Chapter("All of it", 0, 30_000)]);
        Assert.Equal(["One.", "Two.", "Three."], Assert.Single(joined).Lines.Select(l => l.Quote));
        var begun = SummaryHeadings.Under(made, [new Chapter("A", 0, 10_000), new Chapter("B", 10_000, 20_000), new Chapter("C", 20_000, 30_000)]);
        Assert.Equal([("A", 1), ("B", 1), ("C", 1)], begun.Select(p => (p.Chapter, p.Lines.Count)));
        Assert.Same(made, SummaryHeadings.Under(made, []));
    }

    private static Transcript Said(string text, int fromMs = 0)
    {
        var words = Lecture.Words(text, fromMs);
        return new Transcript("en", fromMs + 10_000, [new Speaker("v1", "Voice 1")], [new Passage("p1", "v1", words[0].StartMs, words[^1].EndMs, words)], []);
    }
}
