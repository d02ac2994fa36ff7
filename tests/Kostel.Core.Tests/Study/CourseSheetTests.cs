using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Sheets.Courses;
using Kostel.Core.Study.Statements;

namespace Kostel.Core.Tests.Study;

/// <summary>One sheet over several lectures.</summary>
public class CourseSheetTests
{
    private static readonly string[] First =
    [
        "Welcome to the first lecture on bread.",
        "A leaven is a dough that ferments by itself with wild yeast.",
        "A leaven is fed with flour and water every twelve hours.",
        "The leaven rises best at a temperature of 26 degrees.",
        "Rye flour holds much more water than wheat flour does.",
        "A crust is the dry brown skin that a loaf gets in the oven.",
        "The oven is heated to 240 degrees before the loaf goes in.",
    ];

    private static readonly string[] Second =
    [
        "Good morning, we go on with bread today.",
        "A leaven is fed with flour and water every twelve hours.",
        "The leaven rises best at a temperature of 30 degrees.",
        "The leaven keeps for a week in a cold room without being fed.",
        "A crust cracks when the loaf cools down in a draught.",
        "Salt slows the yeast down and makes the dough firm.",
    ];

    private static Sheet Made(params (string Title, string[] Sentences)[] lectures) =>
        CourseSheets.Of([.. lectures.Select((l, i) => LectureReading.Of($"l{i}", l.Title, new StudyGround(Lecture.Of(l.Sentences))))]);

    [Fact]
    public void What_two_lectures_say_alike_stands_once_with_both()
    {
        var sheet = Made(("Monday", First), ("Tuesday", Second));
        var fed = Assert.Single(sheet.Lines(), l => l.Cells[1].Contains("every twelve hours", StringComparison.Ordinal));
        Assert.Equal("Monday; Tuesday", fed.Cells[0]);
        Assert.Equal("l0", fed.Source!.LectureId);
    }

    [Fact]
    public void Numbers_that_do_not_agree_stand_beside_each_other_and_first()
    {
        var part = Made(("Monday", First), ("Tuesday", Second)).Parts[0];
        Assert.Equal(CourseSheets.Differing, part.Heading);
        Assert.Equal(["Monday", "Tuesday"], part.Lines.Select(l => l.Cells[0]));
        Assert.Contains("26 degrees", part.Lines[0].Cells[1], StringComparison.Ordinal);
        Assert.Contains("30 degrees", part.Lines[1].Cells[1], StringComparison.Ordinal);
    }

    [Fact]
    public void The_same_matter_of_both_stands_together_and_what_only_one_speaks_of_under_its_lecture()
    {
        var sheet = Made(("Monday", First), ("Tuesday", Second));
        Assert.Contains(sheet.Parts, p => p.Heading is not ("Monday" or "Tuesday" or CourseSheets.Differing) && p.Lines.Select(l => l.Source!.LectureId).Distinct().Count() == 2);
        Assert.Contains(sheet.Parts, p => p.Heading == "Tuesday" && p.Lines.All(l => l.Source!.LectureId == "l1"));
        Assert.Equal(sheet.Lines().Count(), sheet.Sources().Distinct().Count());
    }

    [Fact]
    public void Two_things_with_numbers_of_their_own_do_not_differ()
    {
        var sheet = Made(
            ("One", ["A spring tide has a range of 5 metres in this harbour.", "The pilot waits for slack water before he turns the ship."]),
            ("Two", ["A neap tide has a range of 2 metres in this harbour.", "The pilot reads the table before he leaves the harbour."]));
        Assert.DoesNotContain(sheet.Parts, p => p.Heading == CourseSheets.Differing);
    }

    [Fact]
    public void A_denial_is_neither_the_same_nor_another_number()
    {
        var sheet = Made(("One", ["The leaven is fed with flour and water every twelve hours."]), ("Two", ["The leaven is never fed with flour and water every twelve hours."]));
        Assert.All(sheet.Lines(), l => Assert.DoesNotContain(";", l.Cells[0], StringComparison.Ordinal));
    }

    [Fact]
    public void Lectures_without_a_fact_give_an_empty_sheet_or_what_there_is()
    {
        Assert.True(Made(("Silence", []), ("Silence again", [])).HasNoLine());
        Assert.NotEmpty(Made(("Silence", []), ("Monday", First)).Parts);
    }

    [Fact]
    public void Made_again_a_line_of_one_lecture_is_not_taken_for_that_of_another_at_the_same_second()
    {
        var sheet = Made(("Monday", First), ("Tuesday", Second));
        Assert.Empty(SheetRemaking.Of(sheet, Made(("Monday", First), ("Tuesday", Second))).Differences);
        var without = Made(("Monday", First), ("Tuesday", ["Salt slows the yeast down and makes the dough firm."]));
        Assert.All(SheetRemaking.Of(sheet, without).Sheet.Lines().Where(l => l.Source!.LectureId == "l0"), l => Assert.Contains(First, f => f == l.Cells[1]));
    }
}
