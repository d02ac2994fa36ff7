using Kostel.Core.Grammar;
using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Statements;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public sealed class ComparisonsTests
{
    private const string Yeasts =
        "A top yeast is a yeast that works near the surface. Top yeast likes a warm cellar of about 20 degrees. A bottom yeast is a yeast that sinks to the floor of the tank. "
        + "Bottom yeast works at 9 degrees and takes three weeks. It needs that time because the cold slows every cell down. Top yeast and bottom yeast both eat the same sugar. "
        + "The brewery has a red door that nobody paints any more. Bottom yeast gives a clean taste without fruit. Top yeast gives a taste of pears and cloves.";

    private static readonly Transcript Talk = Said(Yeasts);

    private static Transcript Said(string text) =>
        TranscriptBuilder.Build([new Utterance(0, 0, 0, text.Split(' ').Select((w, i) => new Word(w, i * 400, (i * 400) + 300, 1)).ToList())], 200_000);

    private static Sheet Made(params string[] of) => SheetMaker.Make(Talk, SheetForm.Comparison, NoGrammar.Instance, compared: of);

    private static List<(string Heading, string Of, string Said)> Lines(Sheet sheet) => sheet.Parts.SelectMany(p => p.Lines.Select(l => (p.Heading, l.Cells[0], l.Cells[1]))).ToList();

    [Fact]
    public void Two_things_stand_beside_each_other_by_what_they_are_their_numbers_and_the_rest()
    {
        var lines = Lines(Made("top yeast", "bottom yeast"));
        Assert.Contains(lines, l => l.Heading == "What it is" && l.Of == "Top yeast" && l.Said.Contains("near the surface", StringComparison.Ordinal));
        Assert.Contains(lines, l => l.Heading == "What it is" && l.Of == "Bottom yeast" && l.Said.Contains("sinks", StringComparison.Ordinal));
        Assert.Contains(lines, l => l.Heading == "In numbers" && l.Of == "Bottom yeast" && l.Said.Contains("9 degrees", StringComparison.Ordinal));
        Assert.Contains(lines, l => l.Of == "Both" && l.Said.Contains("same sugar", StringComparison.Ordinal));
        Assert.DoesNotContain(lines, l => l.Said.Contains("red door", StringComparison.Ordinal));
    }

    [Fact]
    public void What_points_back_to_one_of_them_comes_with_what_it_points_to()
    {
        var line = Assert.Single(Lines(Made("top yeast", "bottom yeast")), l => l.Said.Contains("slows every cell", StringComparison.Ordinal));
        Assert.Equal("Bottom yeast", line.Of);
        Assert.Contains("three weeks", line.Said, StringComparison.Ordinal);
    }

    [Fact]
    public void Every_line_is_said_where_it_plays()
    {
        var text = string.Join(' ', Talk.Passages.Select(p => p.Text));
        Assert.All(Made("top yeast", "bottom yeast").Lines(), l => Assert.Contains(l.Source!.Quote, text, StringComparison.Ordinal));
    }

    [Fact]
    public void Of_what_the_lecture_does_not_speak_of_nothing_is_made_and_one_thing_is_no_comparison()
    {
        Assert.Empty(Made("top yeast", "sourdough").Parts);
        Assert.Throws<NotValidException>(() => Made("top yeast", "the top yeasts"));
        Assert.Throws<NotValidException>(() => Made("top yeast"));
    }

    [Fact]
    public void Another_use_of_a_thing_s_word_is_not_the_thing()
    {
        var talk = Said("High water is the top of a tide. Low water is the bottom of a tide. Springs and winter storms come with low air pressure and a wind of 40 knots. High and low water are six hours apart.");
        var lines = Lines(SheetMaker.Make(talk, SheetForm.Comparison, NoGrammar.Instance, compared: ["high water", "low water"]));
        Assert.DoesNotContain(lines, l => l.Said.Contains("pressure", StringComparison.Ordinal));
        Assert.Contains(lines, l => l.Of == "Both" && l.Said.Contains("six hours", StringComparison.Ordinal));
    }

    [Fact]
    public void Things_that_ask_to_be_compared_are_kinds_of_the_same() =>
        Assert.Contains(Comparisons.Pairs(new StudyGround(Talk, NoGrammar.Instance)), p => string.Join(' ', new[] { p.One, p.Other }.Order()) == "bottom yeast top yeast");
}
