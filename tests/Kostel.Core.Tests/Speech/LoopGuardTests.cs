using Kostel.Core.Speech;

namespace Kostel.Core.Tests.Speech;

public class LoopGuardTests
{
    [Fact]
    public void A_sentence_is_kept_whole() => Assert.Equal(7, LoopGuard.Keep([5, 9, 5, 9, 4, 3, 8]));

    [Fact]
    public void Counting_aloud_is_no_loop() => Assert.Equal(8, LoopGuard.Keep([1, 2, 3, 3, 2, 1, 1, 1]));

    [Theory]
    [InlineData(1, 12)]
    [InlineData(3, 6)]
    [InlineData(12, 5)]
    public void A_group_that_repeats_to_the_end_is_kept_once(int period, int times)
    {
        var opening = new[] { 900, 901, 902 };
        var tokens = opening.Concat(Enumerable.Range(0, period * times).Select(i => i % period)).ToList();
        Assert.Equal(opening.Length + period, LoopGuard.Keep(tokens));
    }
}
