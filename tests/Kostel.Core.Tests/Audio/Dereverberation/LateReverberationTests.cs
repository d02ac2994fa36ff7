using System.Numerics;
using Kostel.Core.Audio.Dereverberation;

namespace Kostel.Core.Tests.Audio.Dereverberation;

public class LateReverberationTests
{
    private const int Frames = 3_000;

    [Fact]
    public void Most_of_what_follows_from_earlier_frames_is_taken_off()
    {
        var said = Said();
        var heard = new Complex[said.Length];
        for (var t = 0; t < said.Length; t++)
        {
            heard[t] = said[t] + (t < 6 ? 0 : (heard[t - 4] * new Complex(0.5, 0.2)) + (heard[t - 6] * -0.3));
        }

        var left = LateReverberation.Remove(Band(heard));
        Assert.Equal(Frames, left.Frames);
        var remains = Difference(left, said) / Difference(Band(heard).Over(LateReverberation.History..), said);
        Assert.True(remains < 0.35, $"{remains:0.00} remains");
    }

    [Fact]
    public void What_nothing_foretells_stays()
    {
        var said = Said();
        var left = LateReverberation.Remove(Band(said));
        Assert.True(Difference(left, said) < 0.05 * said.Sum(s => s.Magnitude * s.Magnitude));
    }

    [Fact]
    public void Frames_nearer_than_the_delay_are_part_of_the_sound()
    {
        var said = Said();
        var heard = said.Select((s, t) => s + (t < 1 ? 0 : said[t - 1] * 0.5)).ToArray();
        var left = LateReverberation.Remove(Band(heard));
        Assert.True(Difference(left, heard) < 0.1 * Difference(Band(heard).Over(LateReverberation.History..), said));
    }

    [Theory]
    [InlineData(0f)]
    [InlineData(1e-30f)]
    [InlineData(float.NaN)]
    [InlineData(float.PositiveInfinity)]
    public void What_cannot_be_reckoned_with_stays_as_it_is(float value)
    {
        var heard = new Band(Enumerable.Repeat(value, 60).ToArray(), new float[60]);
        Assert.Equal(heard.Real[LateReverberation.History..], LateReverberation.Remove(heard).Real);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(5)]
    public void Few_frames_are_no_reason_to_fail(int frames)
    {
        var left = LateReverberation.Remove(Band(Said()).Over(..(LateReverberation.History + frames)));
        Assert.Equal(frames, left.Frames);
        Assert.All(left.Real, v => Assert.True(float.IsFinite(v)));
    }

    /// <summary>Independent frames whose loudness comes and goes as that of speech does.</summary>
    private static Complex[] Said()
    {
        var random = new Random(3);
        double Next() => random.NextDouble() - 0.5;
        return Enumerable.Range(0, LateReverberation.History + Frames).Select(t => new Complex(Next(), Next()) * (t / 20 % 3 == 0 ? 1 : 0.05)).ToArray();
    }

    private static Band Band(Complex[] values) =>
        new(values.Select(v => (float)v.Real).ToArray(), values.Select(v => (float)v.Imaginary).ToArray());

    private static double Difference(Band left, Complex[] said) =>
        said.Skip(LateReverberation.History).Select((s, t) => Math.Pow((new Complex(left.Real[t], left.Imaginary[t]) - s).Magnitude, 2)).Sum();
}
