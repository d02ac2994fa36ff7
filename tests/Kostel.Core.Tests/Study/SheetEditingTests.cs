using FsCheck.Xunit;
using Kostel.Core.Problems;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Tests.Study;

public class SheetEditingTests
{
    private static readonly Sheet Wells = new(["Point"], [new SheetPart("Digging", [Line("The shaft is dug by hand.", 0), Line("It is three metres wide.", 10)]), new SheetPart("Lining", [Line("The wall is laid from below.", 20)])]);

    [Fact]
    public void A_line_that_is_worded_otherwise_and_moved_still_plays_where_it_was_said()
    {
        var after = SheetEditing.Edit(Wells, [new EditedPart("Digging", [new EditedLine(["It is 3 m wide."], 1)]), new EditedPart("Lining", [new EditedLine(["The wall is laid from below."], 2), new EditedLine(["The shaft is dug by hand."], 0)])]);
        Assert.Equal([10_000, 20_000, 0], after.Lines().Select(l => l.Source!.StartMs));
        Assert.Equal([true, false, false], after.Lines().Select(l => l.IsOwn));
        Assert.Empty(after.LeftOut!);
    }

    [Fact]
    public void What_is_taken_out_is_remembered_and_what_is_written_has_no_source()
    {
        var after = SheetEditing.Edit(Wells, [new EditedPart("My heading", [new EditedLine(["Ask about the rope."]), new EditedLine(["  "]), new EditedLine(["The shaft is dug by hand."], 0)])]);
        Assert.Equal([null, 0], after.Lines().Select(l => l.Source?.StartMs));
        Assert.True(after.Parts[0].IsOwn);
        Assert.Equal([10_000, 20_000], after.LeftOut!.Select(l => l.Source!.StartMs));
    }

    [Fact]
    public void Lines_that_are_not_of_the_sheet_are_refused()
    {
        Assert.Throws<NotValidException>(() => SheetEditing.Edit(Wells, [new EditedPart("", [new EditedLine(["a"], 3)])]));
        Assert.Throws<NotValidException>(() => SheetEditing.Edit(Wells, [new EditedPart("", [new EditedLine(["a"], 0), new EditedLine(["b"], 0)])]));
        Assert.Throws<NotValidException>(() => SheetEditing.Edit(Wells, [new EditedPart("", [new EditedLine(["a", "b"], 0)])]));
        Assert.Throws<NotValidException>(() => SheetEditing.Edit(Wells, [new EditedPart("", [new EditedLine([new string('a', 5_001)], 0)])]));
    }

    [Fact]
    public void Made_again_of_the_same_text_nothing_changes()
    {
        var again = SheetRemaking.Of(Wells, Wells);
        Assert.Empty(again.Differences);
        Assert.Equal(Wells.Texts(), again.Sheet.Texts());
    }

    [Fact]
    public void Made_again_what_was_worded_stays_what_was_taken_out_stays_out_and_the_rest_is_shown_before()
    {
        var mine = SheetEditing.Edit(Wells, [new EditedPart("How it is dug", [new EditedLine(["Dug by hand!"], 0), new EditedLine(["Ask about the rope."])]), new EditedPart("Lining", [new EditedLine(["The wall is laid from below."], 2)])]);
        var today = new Sheet(["Point"], [new SheetPart("Digging", [Line("The shaft was dug by hand.", 0), Line("It is three metres wide.", 10)]), new SheetPart("Lining", [Line("The wall is laid from above.", 20), Line("Lime seals it.", 30)])]);
        var again = SheetRemaking.Of(mine, today);
        Assert.Equal(["How it is dug", "Lining"], again.Sheet.Parts.Select(p => p.Heading));
        Assert.Equal(["Dug by hand!", "Ask about the rope.", "The wall is laid from above.", "Lime seals it."], again.Sheet.Lines().Select(l => l.Cells[0]));
        Assert.Equal([("The wall is laid from below.", "The wall is laid from above."), ("", "Lime seals it.")], again.Differences.Select(d => (d.Before?[0] ?? "", d.After?[0] ?? "")));
    }

    [Fact]
    public void Made_again_lines_of_the_person_survive_a_heading_that_is_gone()
    {
        var mine = SheetEditing.Edit(Wells, [new EditedPart("Digging", [new EditedLine(["The shaft is dug by hand."], 0)]), new EditedPart("Lining", [new EditedLine(["Ask about lime."]), new EditedLine(["The wall is laid from below."], 2)])]);
        var again = SheetRemaking.Of(mine, new Sheet(["Point"], [Wells.Parts[0]]));
        Assert.Contains("Ask about lime.", again.Sheet.Lines().Select(l => l.Cells[0]));
        Assert.Equal(["The wall is laid from below."], again.Differences.Where(d => d.After is null).Select(d => d.Before![0]));
    }

    /// <summary>Whatever a person does to a sheet, each line that was made plays its source or is among those that were taken out, and making again brings none of their words to harm.</summary>
    [Property]
    public bool After_any_change_each_line_has_its_source(byte[] order, byte[] worded, byte[] added)
    {
        var made = new Sheet(["Point"], [.. Enumerable.Range(0, 3).Select(p => new SheetPart($"Part {p}", [.. Enumerable.Range(0, 4).Select(l => Line($"Said {p}{l}.", (p * 40) + (l * 10)))]))]);
        var kept = order.Select(o => o % 12).Distinct().ToList();
        var lines = kept.Select(from => new EditedLine([worded.Contains((byte)from) ? $"Mine {from}." : $"Said {from / 4}{from % 4}."], from)).Concat(added.Select(a => new EditedLine([$"Own {a}."]))).ToList();
        var half = lines.Count / 2;
        var after = SheetEditing.Edit(made, [new EditedPart("Part 0", lines[..half]), new EditedPart("Mine", lines[half..])]);
        var again = SheetRemaking.Of(after, made);
        return after.Sources().Concat(after.LeftOut!.Select(l => l.Source!)).Select(s => s.StartMs).Order().SequenceEqual(made.Sources().Select(s => s.StartMs).Order())
            && again.Differences.Count == 0
            && after.Lines().Select(l => l.Cells[0]).Order().SequenceEqual(again.Sheet.Lines().Select(l => l.Cells[0]).Order())
            && again.Sheet.Lines().Where(l => l.Source is not null).All(l => after.Lines().Any(o => o.Source == l.Source && o.Cells[0] == l.Cells[0]));
    }

    [Fact]
    public void Texts_are_written_back_where_they_came_from()
    {
        var sheet = Wells with { Foot = Line("Wells need care.", 30).Source };
        Assert.Equal(sheet.Texts(), sheet.With(new Queue<string>(sheet.Texts())).Texts());
        Assert.Equal(["Digging", "THE SHAFT IS DUG BY HAND."], sheet.With(new Queue<string>(sheet.Texts().Select((t, i) => i == 1 ? t.ToUpperInvariant() : t))).Texts().Take(2));
    }

    [Fact]
    public void A_page_shows_signs_as_signs()
    {
        var html = SheetHtml.Write(new SheetPaper("<b>", "a & b", new Sheet(["Cue", "Note"], [new SheetPart("\"x\"", [new SheetLine(["<script>", "1\n2"], Line("q", 61).Source)])]).In("wells"), "http://localhost/lecture"));
        Assert.DoesNotContain("<script>", html, StringComparison.Ordinal);
        Assert.Contains("1<br>2", html, StringComparison.Ordinal);
        Assert.Contains("?t=61\">1:01</a>", html, StringComparison.Ordinal);
    }

    [Fact]
    public void A_line_with_a_picture_stays_when_its_words_go_and_one_that_was_taken_out_keeps_its_picture()
    {
        var sheet = new Sheet(["Note"], [new SheetPart("", [Line("The drawing.", 3) with { Picture = "a.png" }, Line("Another.", 9) with { Picture = "b.jpg" }])]);
        var after = SheetEditing.Edit(sheet, [new EditedPart("", [new EditedLine([""], From: 0), new EditedLine([" "])])]);
        Assert.Equal(("a.png", ""), (Assert.Single(after.Lines()).Picture, after.Lines().Single().Cells[0]));
        Assert.Equal(["a.png", "b.jpg"], after.Pictures());
    }

    [Fact]
    public void Of_a_course_only_what_rests_on_a_lecture_is_taken()
    {
        var (one, other) = (Line("One.", 3), Line("Two.", 5));
        var sheet = new Sheet(["Lecture", "Point"], [new SheetPart("Wells", [one with { Source = one.Source!.In("a") }, other with { Source = other.Source!.In("b") }, new SheetLine(["", "Mine."], IsOwn: true)])]);
        Assert.Equal("Two.", Assert.Single(sheet.RestingOn("b").Lines()).Cells[0]);
        Assert.Empty(sheet.RestingOn("c").Lines());
    }

    [Fact]
    public void A_picture_stands_on_the_page_itself_as_what_it_is()
    {
        var sheet = new Sheet(["Note"], [new SheetPart("", [Line("Drawn.", 3), Line("Shown.", 5), Line("Told.", 7)])]);
        var html = SheetHtml.Write(new SheetPaper("Wells", "", sheet) { PictureOf = l => l.Cells[0] switch { "Drawn." => [0x89, 0x50, 0x4E, 0x47], "Shown." => [0xFF, 0xD8, 0xFF], _ => null } });
        Assert.Contains("data:image/png;base64,iVBORw==", html, StringComparison.Ordinal);
        Assert.Contains("data:image/jpeg;base64,/9j/", html, StringComparison.Ordinal);
        Assert.Equal(2, html.Split("<img").Length - 1);
    }

    private static SheetLine Line(string text, int second) => new([text], new Evidence("p1", second * 1_000, (second * 1_000) + 5_000, text));
}
