using Kostel.Core.Text;

namespace Kostel.Core.Tests.Text;

public class TextTests
{
    /// <summary>Against the npm package wink-porter2-stemmer 2.0, on the 10,000 most frequent words of the Brown corpus.</summary>
    [Fact]
    public void Stems_are_those_of_the_reference_on_ten_thousand_words()
    {
        var pairs = Reference.Lines("porter2.mjs").Select(l => l.Split('\t')).ToList();
        Assert.Equal(10_000, pairs.Count);
        Assert.Empty(pairs.Where(p => Porter2.Stem(p[0]) != p[1]).Select(p => $"{p[0]}: {Porter2.Stem(p[0])}, reference {p[1]}"));
    }

    [Fact]
    public void Words_keep_their_apostrophes_and_decimal_points() =>
        Assert.Equal(["the", "pilot's", "draught", "is", "1.5", "m"], Tokens.Of("The pilot’s draught is 1.5 m."));

    [Theory]
    [InlineData("three point six metres", "3.6 metres")]
    [InlineData("twenty four hours and fifty minutes", "24 hours and 50 minutes")]
    [InlineData("one hundred and seventy two", "172")]
    [InlineData("one thousand eight hundred and fifty two metres", "1852 metres")]
    [InlineData("zero point nine", "0.9")]
    [InlineData("one two three three two one", "1 2 3 3 2 1")]
    [InlineData("ten and two", "10 and 2")]
    [InlineData("4 hundred", "400")]
    [InlineData("a hundred and eighty litres", "180 litres")]
    [InlineData("a thousand years", "1000 years")]
    [InlineData("a few hundred people", "a few hundred people")]
    [InlineData("no number", "no number")]
    public void Spoken_numbers_become_digits(string spoken, string digits) =>
        Assert.Equal(digits, string.Join(' ', NumberWords.ToDigits(Tokens.Of(spoken))));
}
