using Kostel.Core.Text;

namespace Kostel.Core.Tests.Text;

public class ReadabilityTests
{
    /// <summary>Worked by hand from the two formulas: 6 words and 6 syllables in a sentence; 3 words and 7 syllables.</summary>
    [Theory]
    [InlineData("The cat sat on the mat.", 6, 116.1, -1.4)]
    [InlineData("Gravity attracts water.", 3, 6.4, 13.1)]
    public void It_is_what_the_formulas_say(string text, int words, double ease, double grade)
    {
        var read = Readability.Of(text)!;
        Assert.Equal(words, read.Words);
        Assert.Equal(ease, read.Ease, 0.1);
        Assert.Equal(grade, read.Grade, 0.1);
    }

    [Fact]
    public void Longer_words_and_sentences_are_harder_and_nothing_has_no_measure()
    {
        Assert.True(Readability.Of("It rises. It falls. It is slack.")!.Grade < Readability.Of("The consequence of gravitational attraction, and of inertia, is a periodic elevation.")!.Grade);
        Assert.Null(Readability.Of(" … "));
    }
}
