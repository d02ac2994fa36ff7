using Kostel.Core.Grammar;

namespace Kostel.Core.Tests.Grammar;

public sealed class ConstituentTreeTests
{
    [Fact]
    public void Words_find_their_places_whatever_the_tree_puts_behind_them()
    {
        var tree = ConstituentTree.Read("(S (NP today 's.p lecture.n) (VP isn't.v (PP about (NP {the} metacentre{!<S-WORDS>}.n))) .)", "Today's lecture isn't about the metacentre.")!;
        Assert.Equal([0, 0, 1, 2, 3, 4, 5], tree.Leaves().Select(l => l.First));
        Assert.Equal(("S", 0, 6), (tree.Label, tree.First, tree.Count));
        var subject = tree.Parts[0];
        Assert.Equal(("NP", 0, 2), (subject.Label, subject.First, subject.End));
        Assert.Equal(["v"], tree.Leaves().Where(l => l.IsVerb).Select(l => l.Tag));
    }

    [Fact]
    public void Words_that_the_tree_left_out_are_passed_over() =>
        Assert.Equal([0, 4], ConstituentTree.Read("(S (NP they) (VP run.v))", "They sort of just run, like.")!.Leaves().Select(l => l.First));

    [Theory]
    [InlineData("")]
    [InlineData(")")]
    [InlineData("(S (NP a")]
    [InlineData("nothing")]
    public void What_is_no_tree_is_none(string brackets) => Assert.Null(ConstituentTree.Read(brackets, "a"));

    [Fact]
    public void A_number_with_a_point_is_one_word() => Assert.Equal(2, ConstituentTree.Read("(S (NP 3.5) (VP falls.v))", "3.5 falls.")!.Leaves().Count());
}
