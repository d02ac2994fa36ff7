using Kostel.Core.Text;

namespace Kostel.Core.Tests.Text;

public class TypingSlipsTests
{
    private static readonly WordKnowledge Known = WordKnowledge.None with
    {
        Lexicon = Lexicon.Read(new StringReader("temperature 9 0 0 0\nvalve 5 0 0 0\nseparate 0 5 5 0\ntrail 5 1 0 0\ntrial 5 0 0 0\nfield 5 1 0 0")),
        Vectors = WordVectors.Read(new MemoryStream(WordTable.Of(("trial", 1, 0), ("trail", 0, 1), ("field", 1, 1)))),
    };

    [Theory]
    [InlineData("temperture", "temperature")]
    [InlineData("temperatture", "temperature")]
    [InlineData("temperatrue", "temperature")]
    [InlineData("temperaturee", "temperature")]
    [InlineData("seperate", "separate")]
    [InlineData("feild", "field")]
    [InlineData("vavle", "valve")]
    public void One_slip_is_taken_for_the_word_that_is_meant(string typed, string meant) => Assert.Equal(meant, TypingSlips.Meant(typed, Known));

    [Fact]
    public void Of_several_the_most_frequent_is_meant() => Assert.Equal("trial", TypingSlips.Meant("triail", Known));

    [Theory]
    [InlineData("varves")]
    [InlineData("emperature")]
    [InlineData("tempratur")]
    [InlineData("fild")]
    [InlineData("")]
    public void What_may_be_another_word_stays(string typed) => Assert.Null(TypingSlips.Meant(typed, Known));

    [Fact]
    public void A_word_without_end_is_no_slip() => Assert.Null(TypingSlips.Meant(new string('e', 100_000), Known));
}
