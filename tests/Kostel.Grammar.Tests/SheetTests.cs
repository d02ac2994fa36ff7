using Kostel.Core.Captions;
using Kostel.Core.Study;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Transcripts;

namespace Kostel.Grammar.Tests;

public sealed class SheetTests : IDisposable
{
    private const string Rain = """
        A cistern is a vault that keeps the rain from the roof.
        A sump is the deepest place of a floor, in which water gathers.
        A cistern is rarely deeper than twelve metres, because the wall needs a scaffold.
        A cistern, for example the old one in the yard, has a ring of stone.
        First the top soil is cleared away.
        Then the shaft is dug by hand.
        Last the wall is laid from below.
        The rope holds ninety kilograms, and the bucket takes ten litres.
        """;

    private readonly GrammarProcess grammar = new();

    public void Dispose() => grammar.Dispose();

    [Theory]
    [InlineData(SheetForm.Points)]
    [InlineData(SheetForm.Outline)]
    [InlineData(SheetForm.Cues)]
    [InlineData(SheetForm.Terms)]
    [InlineData(SheetForm.Numbers)]
    [InlineData(SheetForm.Steps)]
    public void Every_form_has_rows_that_rest_on_the_lecture(SheetForm form)
    {
        var lecture = Read(Rain);
        var sheet = SheetMaker.Make(lecture, form, grammar);
        var check = new SourceCheck(lecture);
        Assert.NotEmpty(sheet.Parts.SelectMany(p => p.Lines));
        Assert.All(sheet.Parts.SelectMany(p => p.Lines), r => Assert.True(r.Cells.Count == sheet.Columns.Count && check.Of(r.Source!).Holds, r.Source!.Quote));
    }

    [Fact]
    public void Terms_have_their_number_and_their_example_and_steps_their_order()
    {
        var cistern = SheetMaker.Make(Read(Rain), SheetForm.Terms, grammar).Parts.SelectMany(p => p.Lines).First(r => r.Cells[0] == "Cistern").Cells;
        Assert.Equal("A vault that keeps the rain from the roof", cistern[1]);
        Assert.Contains("twelve metres", cistern[2], StringComparison.Ordinal);
        Assert.Contains("for example", cistern[3], StringComparison.Ordinal);
        Assert.Equal(["The top soil is cleared away", "The shaft is dug by hand", "The wall is laid from below"], SheetMaker.Make(Read(Rain), SheetForm.Steps, grammar).Parts.SelectMany(p => p.Lines).Select(r => r.Cells[0]));
    }

    [Theory]
    [InlineData(SheetForm.Points)]
    [InlineData(SheetForm.Cues)]
    [InlineData(SheetForm.Terms)]
    [InlineData(SheetForm.Steps)]
    public void A_welcome_has_nothing_for_one(SheetForm form) =>
        Assert.Empty(SheetMarkdown.Write(SheetMaker.Make(Read("Good evening everybody.\nPlease find a seat.\nIs it warm enough?\nThank you."), form, grammar)));

    [Fact]
    public void A_table_keeps_its_columns_whatever_is_said()
    {
        var row = new SheetLine(["a | b", "c\nd"], new Evidence("p1", 61_000, 62_000, "a"));
        Assert.Contains("| a \\| b | c d | 1:01 |", SheetMarkdown.Write(new Sheet(["Cue", "Note"], [new SheetPart("", [row])])));
    }

    private static Transcript Read(string text)
    {
        var sentences = LinedText.Read(text)!.Sentences;
        return new Transcript("en", sentences[^1].EndMs, [Speaker.Unnamed(1)], [.. sentences.Select((s, n) => new Passage($"p{n + 1}", "v1", s.StartMs, s.EndMs, s.Words))], [new Chapter("Wells", 0, sentences[^1].EndMs)]);
    }
}
