using Kostel.Core.Problems;
using Kostel.Core.Study;
using Kostel.Core.Study.Made;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Tests.Study;

public class LectureReplacementTests
{
    private static readonly Correction Correction = new("neep", "neap");

    [Fact]
    public void A_replacement_is_planned_lecture_by_lecture()
    {
        var place = new WordReplacement("p1", 0, 1, "neep", "neap");
        var planned = LectureReplacement.Plan(
            Correction,
            [new ChosenPlaces("a", [place]), new ChosenPlaces("b", []), new ChosenPlaces("a", [place])],
            [Thing("card:1", "c", "A neep tide?"), Thing("card:2", "a", "When is neep?")]);
        Assert.Equal(["a", "c"], planned.Select(p => p.LectureId));
        Assert.Equal((2, 1), (planned[0].Places, planned[0].Made.Count));
        Assert.Null(planned[1].Edit);
        Assert.Equal("a correction of what was made", planned[1].What);
        Assert.Equal(["A neap tide?"], Assert.Single(planned[1].Made).After);
    }

    [Fact]
    public void Nothing_chosen_is_nothing_planned() => Assert.Empty(LectureReplacement.Plan(Correction, [new ChosenPlaces("a", [])], []));

    [Fact]
    public void What_a_correction_would_change_is_shown_before_it_does()
    {
        var places = MadePlace.Find([Thing("card:2", "a", "Late", 9_000, "a neep tide"), Thing("card:1", "a", "neep", 1_000), Thing("quiz:1", "a", "spring", 10)], Correction);
        Assert.Equal(["card:1", "card:2"], places.Select(p => p.Key));
        Assert.Equal(("a neep tide", "a neap tide"), (places[1].Before, places[1].After));
    }

    [Fact]
    public void A_replacement_needs_something_to_look_for_and_may_take_it_away()
    {
        Assert.Throws<NotValidException>(() => LectureReplacement.Wanted(" ", "neap"));
        Assert.Equal(new Correction("neep", ""), LectureReplacement.Wanted(" neep ", ""));
    }

    private static MadeThing Thing(string key, string lecture, string text, int startMs = 0, string quote = "") =>
        new(key, lecture, key.Split(':')[0], startMs, [text, .. quote.Length > 0 ? new[] { quote } : []], []);
}
