using System.Numerics.Tensors;
using MathNet.Numerics.LinearAlgebra;
using Complex = System.Numerics.Complex;

namespace Kostel.Core.Audio.Dereverberation;

/// <summary>
/// Takes what a room adds late off one band: what of each frame could be foretold from frames some time before it, by the filter
/// that foretells best where little is being said.
/// </summary>
/// <remarks>
/// Weighted prediction error, one microphone: T. Nakatani, T. Yoshioka, K. Kinoshita, M. Miyoshi, B.-H. Juang, "Speech
/// dereverberation based on variance-normalized delayed linear prediction", IEEE TASLP 18(7), 2010.
/// </remarks>
internal static class LateReverberation
{
    /// <summary>Frames the filter reaches back over; frames nearer than the delay are part of the sound itself.</summary>
    public const int Taps = 20, Delay = 2;

    /// <summary>Frames before those of interest that the filter needs.</summary>
    public const int History = Taps + Delay - 1;

    /// <summary>No frame counts as quieter than this part of the loudest.</summary>
    private const float Quietest = 1e-4f;

    /// <summary>Added to the diagonal, as a part of its mean, so that there is always a solution.</summary>
    private const double Regularisation = 1e-5;

    /// <summary>Frames that are worked on at a time: few enough that they stay close to the processor.</summary>
    private const int Chunk = 512;

    /// <summary>The band without its late reverberation.</summary>
    /// <param name="heard">With <see cref="History"/> frames before the first of interest.</param>
    /// <returns>The frames of interest.</returns>
    /// <remarks>
    /// The loudness of what is being said is taken to be that of what was heard. Finding the filter anew from what the first one
    /// left, as the authors do, read no better here (measured with two and three rounds).
    /// </remarks>
    public static Band Remove(Band heard) => Weights(heard.Over(History..)) is { } weights ? Without(heard, Filter(heard, weights)) : heard.Over(History..);

    /// <summary>One over the power of each frame; null when there is none.</summary>
    private static float[]? Weights(Band band)
    {
        var power = new float[band.Frames];
        TensorPrimitives.Multiply(band.Real, band.Real, power);
        TensorPrimitives.MultiplyAdd(band.Imaginary, band.Imaginary, power, power);
        var least = power.Length == 0 ? 0 : TensorPrimitives.Max<float>(power) * Quietest;
        if (!float.IsNormal(least) || !float.IsNormal(1 / least))
        {
            return null;
        }

        TensorPrimitives.Max(power, least, power);
        TensorPrimitives.Divide(1, power, power);
        return power;
    }

    /// <summary>The filter whose errors, weighted, are smallest.</summary>
    private static Complex[] Filter(Band heard, float[] weights)
    {
        // The products of each tap with those after it, and with the frames of interest as the last.
        var products = new Complex[Taps, Taps + 1];
        Span<float> real = stackalloc float[Chunk], imaginary = stackalloc float[Chunk];
        for (var start = 0; start < weights.Length; start += Chunk)
        {
            var length = Math.Min(Chunk, weights.Length - start);
            for (var i = 0; i < Taps; i++)
            {
                TensorPrimitives.Multiply(heard.Real.AsSpan(Before(i) + start, length), weights.AsSpan(start, length), real);
                TensorPrimitives.Multiply(heard.Imaginary.AsSpan(Before(i) + start, length), weights.AsSpan(start, length), imaginary);
                for (var j = i; j <= Taps; j++)
                {
                    var from = start + (j < Taps ? Before(j) : History);
                    products[i, j] += ComplexProducts.Sum(real[..length], imaginary[..length], heard.Real.AsSpan(from, length), heard.Imaginary.AsSpan(from, length));
                }
            }
        }

        var more = Enumerable.Range(0, Taps).Average(i => products[i, i].Real) * Regularisation;
        return Matrix<Complex>.Build
            .Dense(Taps, Taps, (i, j) => i == j ? products[i, i] + more : i < j ? products[i, j] : Complex.Conjugate(products[j, i]))
            .Solve(Vector<Complex>.Build.Dense(Taps, i => products[i, Taps]))
            .ToArray();
    }

    private static Band Without(Band heard, Complex[] filter)
    {
        var said = heard.Over(History..);
        for (var tap = 0; tap < Taps; tap++)
        {
            var (real, imaginary) = ((float)filter[tap].Real, (float)filter[tap].Imaginary);
            var before = new Range(Before(tap), Before(tap) + said.Frames);
            TensorPrimitives.MultiplyAdd(heard.Real.AsSpan(before), -real, said.Real, said.Real);
            TensorPrimitives.MultiplyAdd(heard.Imaginary.AsSpan(before), imaginary, said.Real, said.Real);
            TensorPrimitives.MultiplyAdd(heard.Real.AsSpan(before), -imaginary, said.Imaginary, said.Imaginary);
            TensorPrimitives.MultiplyAdd(heard.Imaginary.AsSpan(before), -real, said.Imaginary, said.Imaginary);
        }

        return said;
    }

    /// <summary>Where a tap's frames begin: before those of interest by the delay and the tap's number.</summary>
    private static int Before(int tap) => History - Delay - tap;
}
