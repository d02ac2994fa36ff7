using Kostel.Core.Speech;

namespace Kostel.Core.Tests.Speech;

public class WordErrorRateTests
{
    /// <summary>The worked example for NIST sclite's definition: one substitution and one deletion in six words.</summary>
    [Fact]
    public void The_worked_example_gives_two_sixths()
    {
        var errors = WordErrorRate.Compare("the cat sat on the mat", "the cat sit on mat");
        Assert.Equal((1, 1, 0, 6), (errors.Substitutions, errors.Deletions, errors.Insertions, errors.ReferenceWords));
        Assert.Equal(2 / 6.0, errors.Rate, 9);
    }

    [Fact]
    public void Case_and_punctuation_do_not_count() =>
        Assert.Equal(0, WordErrorRate.Compare("Mister Brekke said: low-water!", "mr. brekke said low water").Total);

    [Fact]
    public void Words_that_nobody_said_are_insertions() => Assert.Equal(2, WordErrorRate.Compare("slack water", "the slack water now").Insertions);

    [Fact]
    public void Nothing_against_nothing_is_right() => Assert.Equal(0, WordErrorRate.Compare("", "").Rate);
}
