using System.Numerics;
using Kostel.Core.Audio;
using Kostel.Core.Audio.Dereverberation;

namespace Kostel.Core.Tests.Audio.Dereverberation;

public class ShortTimeSpectraTests
{
    private const int Frame = ShortTimeSpectra.Frame, Hop = ShortTimeSpectra.Hop;

    [Theory]
    [InlineData(8)]
    [InlineData(9)]
    public void Spectra_give_the_sound_back(int frames)
    {
        var sound = Noise(Frame + ((frames - 1) * Hop));
        var back = new float[sound.Length];
        ShortTimeSpectra.AddTo(back, ShortTimeSpectra.Of(sound));

        // The first and the last samples lie in fewer windows than the others.
        for (var i = Frame - Hop; i < sound.Length - Frame + Hop; i++)
        {
            Assert.Equal(sound[i], back[i], 1e-5f);
        }
    }

    [Fact]
    public void A_band_alone_is_the_same_as_among_all()
    {
        var sound = Noise(5_000);
        var all = ShortTimeSpectra.Of(sound);
        foreach (var number in (int[])[0, 1, 77, 256])
        {
            var band = ShortTimeSpectra.BandOf(sound, number);
            Assert.Equal(all.Frames, band.Frames);
            for (var t = 0; t < band.Frames; t++)
            {
                Assert.Equal(all[number].Real[t], band.Real[t], 1e-4f);
                Assert.Equal(all[number].Imaginary[t], band.Imaginary[t], 1e-4f);
            }
        }
    }

    [Fact]
    public void A_tone_is_found_in_its_band()
    {
        var sound = Enumerable.Range(0, 4_000).Select(i => MathF.Sin(MathF.Tau * 1_000 * i / Pcm.SampleRate)).ToArray();
        var spectra = ShortTimeSpectra.Of(sound);
        var loudest = Enumerable.Range(0, ShortTimeSpectra.Bands).MaxBy(b => spectra[b].Power(3));
        Assert.Equal(1_000 * Frame / Pcm.SampleRate, loudest);
    }

    [Fact]
    public void Less_than_a_frame_has_no_spectrum()
    {
        Assert.Equal(0, ShortTimeSpectra.Of(new float[Frame - 1]).Frames);
        Assert.Equal(0, ShortTimeSpectra.BandOf([], 3).Frames);
    }

    [Theory]
    [InlineData(0)]
    [InlineData(1)]
    [InlineData(31)]
    [InlineData(64)]
    [InlineData(513)]
    public void Products_are_what_complex_numbers_give(int length)
    {
        var (a, b) = (Noise(2 * length), Noise(2 * length, seed: 2));
        var expected = Complex.Zero;
        for (var i = 0; i < length; i++)
        {
            expected += Complex.Conjugate(new Complex(a[i], a[length + i])) * new Complex(b[i], b[length + i]);
        }

        var sum = ComplexProducts.Sum(a.AsSpan(0, length), a.AsSpan(length), b.AsSpan(0, length), b.AsSpan(length));
        Assert.Equal(expected.Real, sum.Real, 1e-3);
        Assert.Equal(expected.Imaginary, sum.Imaginary, 1e-3);
    }

    private static float[] Noise(int length, int seed = 1)
    {
        var random = new Random(seed);
        return Enumerable.Range(0, length).Select(_ => (float)(random.NextDouble() - 0.5)).ToArray();
    }
}
