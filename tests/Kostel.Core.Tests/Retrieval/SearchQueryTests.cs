using Kostel.Core.Retrieval;

namespace Kostel.Core.Tests.Retrieval;

public sealed class SearchQueryTests
{
    private static string Shown(string text, bool isTyping = false) =>
        string.Join(" | ", SearchQuery.Read(text, isTyping).Terms.Select(t => $"{(t.IsExact ? "=" : "")}{string.Join(' ', t.Words)}{(t.IsBeginning ? "*" : "")}"));

    [Theory]
    [InlineData("spring tides", "spring | tides")]
    [InlineData("\"rule of twelfths\" depth", "=rule of twelfths | depth")]
    [InlineData("“the tide” depth", "=the tide | depth")]
    [InlineData("semi* tide", "semi* | tide")]
    [InlineData("the tide of the sea", "tide | sea")]
    [InlineData("to be or not", "to | be | or | not")]
    [InlineData("café Ärger", "cafe | arger")]
    [InlineData("spring-tide 3.5", "spring tide | 3 5")]
    [InlineData("tide Tide TIDE", "tide")]
    [InlineData("\"never closed", "=never closed")]
    [InlineData("AND OR NEAR(tide) -lime", "near tide | lime")]
    public void What_is_typed_is_taken_apart(string text, string terms) => Assert.Equal(terms, Shown(text));

    [Theory]
    [InlineData("")]
    [InlineData("\"\"\"\"")]
    [InlineData("?!* -- ()")]
    [InlineData("🐚")]
    public void Signs_alone_are_nothing_to_look_for(string text) => Assert.True(SearchQuery.Read(text).IsEmpty);

    [Theory]
    [InlineData("tidal str", "tidal | str*")]
    [InlineData("tidal s", "tidal | s")]
    [InlineData("tidal str ", "tidal | str")]
    [InlineData("\"tidal str", "=tidal str")]
    public void The_word_that_is_being_typed_may_be_a_beginning(string text, string terms) => Assert.Equal(terms, Shown(text, isTyping: true));

    [Fact]
    public void A_long_text_is_cut_to_what_can_be_looked_for() =>
        Assert.InRange(SearchQuery.Read(string.Join(' ', Enumerable.Range(0, 5_000).Select(i => $"word{i}"))).Terms.Count, 1, 50);
}
