using Kostel.Data.Stored;

namespace Kostel.Data.Tests;

public class VersionedJsonTests
{
    [Theory]
    [InlineData("")]
    [InlineData("plain")]
    [InlineData("{\"v\":1,\"is\":2}")]
    [InlineData("},\"is\":{ \u201Cé\u201D \n 雨")]
    public void What_is_written_is_read_as_it_was(string text) =>
        Assert.Equal(new Kept(text, [1, 2]).Numbers, VersionedJson.Read<Kept>(VersionedJson.Write(new Kept(text, [1, 2]))).Numbers);

    [Fact]
    public void It_says_of_which_form_it_is() => Assert.StartsWith("{\"v\":1,\"is\":{\"text\":\"a\"", VersionedJson.Write(new Kept("a", [])), StringComparison.Ordinal);

    [Fact]
    public void What_says_nothing_of_its_form_is_from_before_there_were_any()
    {
        Assert.Equal("a", VersionedJson.Read<Kept>("""{"text":"a","numbers":[1]}""").Text);
        Assert.Equal([3, 4], VersionedJson.Read<IReadOnlyList<int>>("[3,4]"));
    }

    [Fact]
    public void Members_that_are_not_known_are_passed_over_and_missing_ones_take_their_default()
    {
        var read = VersionedJson.Read<Kept>("""{"v":1,"is":{"text":"a","numbers":[],"colour":"red"}}""");
        Assert.Equal(("a", 7), (read.Text, read.Most));
    }

    [Fact]
    public void A_form_of_a_newer_Kostel_is_refused_in_words() =>
        Assert.Contains("newer Kostel", Assert.Throws<InvalidDataException>(() => VersionedJson.Read<Kept>("""{"v":9,"is":{"text":"a","numbers":[]}}""")).Message, StringComparison.Ordinal);

    private sealed record Kept(string Text, IReadOnlyList<int> Numbers, int Most = 7);
}
