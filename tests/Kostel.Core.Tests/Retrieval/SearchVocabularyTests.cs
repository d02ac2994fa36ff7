using FsCheck.Xunit;
using Kostel.Core.Retrieval;

namespace Kostel.Core.Tests.Retrieval;

public sealed class SearchVocabularyTests
{
    private readonly SearchVocabulary words = new(new Dictionary<string, int>
    {
        ["tide"] = 40,
        ["tides"] = 20,
        ["tidal"] = 9,
        ["estuary"] = 4,
        ["estuaries"] = 2,
        ["neap"] = 5,
        ["neaps"] = 6,
        ["lime"] = 8,
        ["time"] = 90,
        ["buffering"] = 3,
        ["butfering"] = 1,
        ["wilting"] = 7,
    });

    [Fact]
    public void Every_form_of_a_word_is_found() => Assert.Equal(["estuary", "estuaries"], words.FormsOf("estuary"));

    [Fact]
    public void A_word_that_is_not_there_still_stands_for_itself() => Assert.Equal(["anchor"], words.FormsOf("anchor"));

    [Fact]
    public void Beginnings_come_by_how_frequent_they_are() => Assert.Equal(["tide", "tides", "tidal"], words.Beginning("tid"));

    [Theory]
    [InlineData("estaury", "estuary")]
    [InlineData("nepas", "neaps")]
    [InlineData("lyme", "lime")]
    public void A_slip_is_forgiven(string typed, string meant) => Assert.Equal(meant, words.SpelledLike(typed)[0]);

    [Theory]
    [InlineData("cat")]
    [InlineData("1842")]
    [InlineData("quotation")]
    public void Nothing_is_forced_on_what_is_unlike(string typed) => Assert.Empty(words.SpelledLike(typed));

    [Fact]
    public void What_sounds_alike_may_have_been_misheard() => Assert.Contains("wilting", words.SoundingLike("wielding"));

    [Fact]
    public void Only_words_that_occur_nowhere_are_spelled_anew()
    {
        var plan = SearchPlan.Of(SearchQuery.Read("estaury neap"), words);
        Assert.Equal([Taken.SpelledAlike, Taken.AsWritten], plan.Terms.Select(t => t.How));
        Assert.Empty(SearchPlan.Of(SearchQuery.Read("\"wielding\""), words).Sounds(words));
    }

    [Theory]
    [InlineData("ab", "ba", 1)]
    [InlineData("tide", "tide", 0)]
    [InlineData("kitten", "sitting", 3)]
    [InlineData("", "abc", 3)]
    public void Slips_are_counted(string a, string b, int slips) => Assert.Equal(slips, EditDistance.Between(a, b, 5));

    [Property]
    public bool Slips_are_the_same_from_either_side_and_bounded(string? a, string? b)
    {
        var (x, y) = (a ?? "", b ?? "");
        return EditDistance.Between(x, y, 3) == EditDistance.Between(y, x, 3) && EditDistance.Between(x, y, 3) <= 4 && EditDistance.Between(x, x, 3) == 0;
    }
}
