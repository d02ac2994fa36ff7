using Kostel.Core.Speech.Decoding;

namespace Kostel.Core.Tests.Speech.Decoding;

public class SoundMemoryTests
{
    private const int Width = 16, HeadSize = 8;

    [Theory]
    [InlineData(1)]
    [InlineData(15)]
    [InlineData(16)]
    [InlineData(83)]
    [InlineData(700)]
    public void Attention_is_the_softmax_of_query_and_keys_over_the_values(int frames)
    {
        var random = new Random(frames);
        var (keys, values) = (Numbers(random, frames * Width), Numbers(random, frames * Width));
        var query = Numbers(random, HeadSize);
        var memory = new SoundMemory(Width, HeadSize);
        memory.Load(keys, values);
        for (var head = 0; head < Width / HeadSize; head++)
        {
            var result = new float[HeadSize];
            var shares = memory.Attend(head, query, result).ToArray();
            var (expectedShares, expected) = Plainly(head, frames, query, keys, values);
            Assert.Equal(frames, shares.Length);
            Assert.Equal(1, shares.Sum(), 0.001);
            Assert.All(shares.Zip(expectedShares), p => Assert.Equal(p.Second, p.First, 0.004));
            Assert.All(result.Zip(expected), p => Assert.Equal(p.Second, p.First, 0.02));
        }
    }

    [Fact]
    public void A_longer_utterance_after_a_shorter_one_and_a_shorter_after_that_leave_nothing_behind()
    {
        var random = new Random(5);
        var memory = new SoundMemory(Width, HeadSize);
        foreach (var frames in new[] { 20, 90, 7 })
        {
            var (keys, values) = (Numbers(random, frames * Width), Numbers(random, frames * Width));
            var query = Numbers(random, HeadSize);
            memory.Load(keys, values);
            var result = new float[HeadSize];
            memory.Attend(1, query, result);
            Assert.All(result.Zip(Plainly(1, frames, query, keys, values).Result), p => Assert.Equal(p.Second, p.First, 0.02));
        }
    }

    [Fact]
    public void Silence_without_any_difference_is_attended_to_evenly()
    {
        var memory = new SoundMemory(Width, HeadSize);
        memory.Load(new float[10 * Width], new float[10 * Width]);
        var result = new float[HeadSize];
        Assert.All(memory.Attend(0, new float[HeadSize], result).ToArray(), s => Assert.Equal(0.1f, s, 0.0001f));
        Assert.All(result, r => Assert.Equal(0f, r));
    }

    private static float[] Numbers(Random random, int count) =>
        Enumerable.Range(0, count).Select(_ => (float)((random.NextDouble() * 4) - 2)).ToArray();

    private static (double[] Shares, double[] Result) Plainly(int head, int frames, float[] query, float[] keys, float[] values)
    {
        var offset = head * HeadSize;
        var scores = Enumerable.Range(0, frames)
            .Select(f => Math.Exp(Enumerable.Range(0, HeadSize).Sum(d => (double)query[d] * keys[(f * Width) + offset + d])))
            .ToArray();
        var shares = scores.Select(s => s / scores.Sum()).ToArray();
        var result = Enumerable.Range(0, HeadSize)
            .Select(d => Enumerable.Range(0, frames).Sum(f => shares[f] * values[(f * Width) + offset + d]))
            .ToArray();
        return (shares, result);
    }
}
