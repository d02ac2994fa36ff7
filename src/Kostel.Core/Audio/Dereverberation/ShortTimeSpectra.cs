using System.Numerics.Tensors;
using MathNet.Numerics;
using MathNet.Numerics.IntegralTransforms;

namespace Kostel.Core.Audio.Dereverberation;

/// <summary>Short stretches of sound as spectra, band by band, and spectra as sound again.</summary>
/// <remarks>
/// Windowed stretches of 32 ms (Hann), one every 8 ms, as is usual for speech. The spectra of frame <c>t</c> are of the samples
/// that end with <c>(t + 1) * Hop</c>. Windowed again and added up they give the sound back, <c>Frame - Hop</c> samples later.
/// </remarks>
internal static class ShortTimeSpectra
{
    /// <summary>Samples.</summary>
    public const int Frame = 512, Hop = 128;

    /// <summary>From 0 Hz to half the rate of samples.</summary>
    public const int Bands = (Frame / 2) + 1;

    private static readonly float[] Hann = Window.HannPeriodic(Frame).Select(v => (float)v).ToArray();

    /// <summary>What the squares of windows that lie a hop apart add up to.</summary>
    private static readonly float Gain = TensorPrimitives.SumOfSquares<float>(Hann) / Hop;

    /// <summary>The spectra of all whole stretches.</summary>
    /// <param name="sound">Samples; the first frame is of the first <see cref="Frame"/>.</param>
    public static Spectra Of(ReadOnlySpan<float> sound)
    {
        var spectra = new Spectra(Frames(sound.Length));
        var two = new Complex32[Frame];
        for (var t = 0; t < spectra.Frames; t += 2)
        {
            // Two real stretches are one complex one: their spectra are its even and odd halves.
            var first = sound.Slice(t * Hop, Frame);
            var second = t + 1 < spectra.Frames ? sound.Slice((t + 1) * Hop, Frame) : default;
            for (var i = 0; i < Frame; i++)
            {
                two[i] = new Complex32(first[i] * Hann[i], second.IsEmpty ? 0 : second[i] * Hann[i]);
            }

            Fourier.Forward(two, FourierOptions.NoScaling);
            for (var band = 0; band < Bands; band++)
            {
                var (a, b) = (two[band], two[(Frame - band) % Frame].Conjugate());
                spectra[band].Real[t] = (a.Real + b.Real) / 2;
                spectra[band].Imaginary[t] = (a.Imaginary + b.Imaginary) / 2;
                if (!second.IsEmpty)
                {
                    spectra[band].Real[t + 1] = (a.Imaginary - b.Imaginary) / 2;
                    spectra[band].Imaginary[t + 1] = (b.Real - a.Real) / 2;
                }
            }
        }

        return spectra;
    }

    /// <summary>One band of the spectra of all whole stretches, for where only a few are needed.</summary>
    public static Band BandOf(ReadOnlySpan<float> sound, int number)
    {
        var band = new Band(new float[Frames(sound.Length)], new float[Frames(sound.Length)]);
        var cosine = Hann.Select((w, i) => (float)(w * Math.Cos(Math.Tau * number * i / Frame))).ToArray();
        var sine = Hann.Select((w, i) => (float)(w * -Math.Sin(Math.Tau * number * i / Frame))).ToArray();
        for (var t = 0; t < band.Frames; t++)
        {
            var stretch = sound.Slice(t * Hop, Frame);
            band.Real[t] = TensorPrimitives.Dot(stretch, cosine);
            band.Imaginary[t] = TensorPrimitives.Dot(stretch, sine);
        }

        return band;
    }

    /// <summary>Adds the sound of spectra to <paramref name="sound"/>, the first frame to its first <see cref="Frame"/> samples.</summary>
    public static void AddTo(Span<float> sound, Spectra spectra)
    {
        var two = new Complex32[Frame];
        var real = new float[Frame];
        var imaginary = new float[Frame];
        for (var t = 0; t < spectra.Frames; t += 2)
        {
            var both = t + 1 < spectra.Frames;
            for (var band = 0; band < Bands; band++)
            {
                var (re, im) = (spectra[band].Real[t], spectra[band].Imaginary[t]);
                var (re2, im2) = both ? (spectra[band].Real[t + 1], spectra[band].Imaginary[t + 1]) : default;
                two[band] = new Complex32(re - im2, im + re2);
                if (band is > 0 and < Bands - 1)
                {
                    two[Frame - band] = new Complex32(re + im2, re2 - im);
                }
            }

            Fourier.Inverse(two, FourierOptions.NoScaling);
            for (var i = 0; i < Frame; i++)
            {
                (real[i], imaginary[i]) = (two[i].Real / (Gain * Frame), two[i].Imaginary / (Gain * Frame));
            }

            Add(real, sound[(t * Hop)..]);
            if (both)
            {
                Add(imaginary, sound[((t + 1) * Hop)..]);
            }
        }
    }

    private static int Frames(int samples) => samples < Frame ? 0 : ((samples - Frame) / Hop) + 1;

    private static void Add(float[] frame, Span<float> to) => TensorPrimitives.MultiplyAdd<float>(frame, Hann, to[..Frame], to[..Frame]);
}
