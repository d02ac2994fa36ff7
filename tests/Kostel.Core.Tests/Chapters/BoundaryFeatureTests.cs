using Kostel.Core.Chapters;
using Kostel.Core.Text;

namespace Kostel.Core.Tests.Chapters;

public sealed class BoundaryFeatureTests
{
    private static readonly string[] Talk =
    [
        "The copper kettle must be clean before the milk goes in.",
        "A kettle of copper spreads the heat over the milk.",
        "I once burnt a whole kettle of milk myself.",
        "Okay, so how is the rind washed?",
        "The rind takes salt from the brush.",
        "Salt dries the rind and keeps the mould away.",
    ];

    private static double Of(int i, string name, bool hasForm = true) => new BoundaryFeatures(Talk, WordVectors.None).Of(i, hasForm)[BoundaryFeatures.Names.ToList().IndexOf(name)];

    [Fact]
    public void There_is_a_weight_and_a_mean_for_all_that_is_counted()
    {
        Assert.Equal(BoundaryFeatures.Names.Count, ChapterWeights.Learned.Boundary.Length);
        Assert.Equal(BoundaryFeatures.Names.Count, ChapterWeights.Learned.Means.Length);
        Assert.Equal(ChapterLengths.Names.Count, ChapterWeights.Learned.Length.Length);
        Assert.Equal(BoundaryFeatures.Names.Count, new BoundaryFeatures(Talk, WordVectors.None).Of(1, true).Length);
    }

    [Theory]
    [InlineData(3, "opens with okay", 1)]
    [InlineData(2, "opens with okay", 0)]
    [InlineData(3, "asks", 1)]
    [InlineData(4, "asked before", 1)]
    [InlineData(3, "I before", 1)]
    [InlineData(4, "I two before", 1)]
    [InlineData(2, "opens with i", 1)]
    public void How_the_sentences_speak_is_counted(int i, string name, double expected) => Assert.Equal(expected, Of(i, name));

    [Fact]
    public void Words_that_end_tell_a_boundary_and_words_that_go_on_tell_none()
    {
        Assert.True(Of(3, "ended in four") > Of(2, "ended in four"));
        Assert.True(Of(3, "new and again") > Of(4, "new and again"));
        Assert.True(Of(3, "spans two") < Of(2, "spans two"));
        Assert.True(Of(3, "said before") < Of(1, "said before"));
    }

    [Theory]
    [InlineData("opens with okay")]
    [InlineData("asks")]
    [InlineData("said before")]
    [InlineData("length")]
    public void The_places_beside_a_place_are_counted_with_it(string name)
    {
        Assert.Equal(Of(3, name), Of(4, name + ", one earlier"));
        Assert.Equal(Of(3, name), Of(2, name + ", one later"));
    }

    [Fact]
    public void Nothing_is_known_beside_the_first_and_the_last_place()
    {
        Assert.True(double.IsNaN(Of(1, "length, one earlier")));
        Assert.True(double.IsNaN(Of(Talk.Length - 1, "length, one later")));
        Assert.True(double.IsNaN(Of(3, "asks, one later", hasForm: false)));
        Assert.False(double.IsNaN(Of(3, "said before, one later", hasForm: false)));
    }

    [Fact]
    public void What_is_not_known_says_nothing()
    {
        Assert.True(double.IsNaN(Of(3, "opens with okay", hasForm: false)));
        Assert.True(double.IsNaN(Of(3, "alike four")));
        Assert.Equal(0, ChapterWeights.Learned.OfBoundary(BoundaryFeatures.Names.Select(_ => double.NaN).ToArray()));
    }

    [Fact]
    public void A_turn_speaks_for_a_chapter_more_than_a_sentence_that_goes_on()
    {
        var features = new BoundaryFeatures(Talk, WordVectors.None);
        var scores = Enumerable.Range(1, Talk.Length - 1).Select(i => ChapterWeights.Learned.OfBoundary(features.Of(i, true))).ToList();
        Assert.Equal(scores.Max(), scores[2]);
    }

    [Fact]
    public void A_first_chapter_may_be_shorter_than_others()
    {
        var model = ChapterWeights.Learned;
        Assert.True(model.OfLength(20, 60, isEdge: true) > model.OfLength(20, 60, isEdge: false));
        Assert.True(model.OfLength(60, 60, isEdge: false) > model.OfLength(180, 60, isEdge: false));
    }
}
