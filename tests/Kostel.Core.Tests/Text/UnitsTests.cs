using Kostel.Core.Text;

namespace Kostel.Core.Tests.Text;

public class UnitsTests
{
    [Theory]
    [InlineData("metres", "m", 1)]
    [InlineData("meter", "m", 1)]
    [InlineData("per cent", "%", 2)]
    [InlineData("cubic centimeters", "cm³", 2)]
    [InlineData("kilometres per hour", "km/h", 3)]
    [InlineData("degrees celsius", "°C", 2)]
    [InlineData("hertz", "Hz", 1)]
    [InlineData("degrees", "", 0)]
    [InlineData("square", "", 0)]
    [InlineData("metre per", "m", 1)]
    [InlineData("people", "", 0)]
    public void A_unit_has_its_symbol(string words, string symbol, int used) => Assert.Equal((symbol, used), Units.At(words.Split(' '), 0));

    [Theory]
    [InlineData("cm")]
    [InlineData("centimeters")]
    [InlineData("centimetre")]
    public void However_a_unit_is_written_it_is_one_word_for_comparison(string word) => Assert.Equal(Tokens.Stem("centimetres"), Tokens.Stem(word));

    [Theory]
    [InlineData("a")]
    [InlineData("w")]
    [InlineData("parameters")]
    public void What_only_looks_like_a_unit_is_none(string word) => Assert.Equal(word, Units.Comparable(word));

    [Fact]
    public void Numbers_with_separators_and_points_are_one_word() =>
        Assert.Equal(["up", "to", "2,000", "eggs", "or", "1.5", "or", "1", "2", "3"], Tokens.Of("Up to 2,000 eggs, or 1.5, or 1,2,3."));

    [Theory]
    [InlineData("2,000 eggs", "2000 eggs")]
    [InlineData("two thousand eggs", "2000 eggs")]
    [InlineData("1.80 m", "1.8 m")]
    public void A_number_is_the_same_in_words_and_figures(string text, string compared) =>
        Assert.Equal(compared, string.Join(' ', NumberWords.ToDigits(Tokens.Of(text))));
}
