using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Kostel.Core.Audio;

/// <summary>Rows of weights and what is added to each result.</summary>
/// <param name="Weights">[outputs × inputs]; of a convolution over time [outputs × taps × channels].</param>
/// <param name="Bias">One an output.</param>
public sealed record WeightedSums(float[] Weights, float[] Bias)
{
    private const int Together = 4;

    /// <summary>Numbers that come out.</summary>
    public int Outputs => Bias.Length;

    /// <summary>Numbers that go in.</summary>
    public int Inputs => Weights.Length / Bias.Length;

    /// <summary>Applies it to several vectors, each <paramref name="step"/> numbers after the last.</summary>
    /// <param name="to">[count × outputs]; overwritten.</param>
    public void Apply(ReadOnlySpan<float> from, int step, int count, Span<float> to)
    {
        var inputs = Inputs;
        for (var o = 0; o < Outputs; o += Together)
        {
            // Four rows at a time stay at hand for all vectors.
            var rows = Weights.AsSpan(o * inputs, Math.Min(Together, Outputs - o) * inputs);
            for (var v = 0; v < count; v++)
            {
                var vector = from.Slice(v * step, inputs);
                var result = to[((v * Outputs) + o)..];
                if (rows.Length == Together * inputs)
                {
                    (Vector128.LoadUnsafe(ref Bias[o]) + FourSums(rows, vector)).CopyTo(result);
                    continue;
                }

                for (var r = 0; r * inputs < rows.Length; r++)
                {
                    result[r] = Bias[o + r] + Dot(rows.Slice(r * inputs, inputs), vector);
                }
            }
        }
    }

    private static Vector128<float> FourSums(ReadOnlySpan<float> rows, ReadOnlySpan<float> vector)
    {
        ref var w = ref MemoryMarshal.GetReference(rows);
        ref var x = ref MemoryMarshal.GetReference(vector);
        var length = (nuint)vector.Length;
        Vector256<float> sum0 = default, sum1 = default, sum2 = default, sum3 = default;
        nuint i = 0;
        for (; i + (nuint)Vector256<float>.Count <= length; i += (nuint)Vector256<float>.Count)
        {
            var v = Vector256.LoadUnsafe(ref x, i);
            sum0 = Vector256.MultiplyAddEstimate(Vector256.LoadUnsafe(ref w, i), v, sum0);
            sum1 = Vector256.MultiplyAddEstimate(Vector256.LoadUnsafe(ref w, i + length), v, sum1);
            sum2 = Vector256.MultiplyAddEstimate(Vector256.LoadUnsafe(ref w, i + (2 * length)), v, sum2);
            sum3 = Vector256.MultiplyAddEstimate(Vector256.LoadUnsafe(ref w, i + (3 * length)), v, sum3);
        }

        var rest = (int)i;
        return Vector128.Create(Vector256.Sum(sum0), Vector256.Sum(sum1), Vector256.Sum(sum2), Vector256.Sum(sum3))
            + Vector128.Create(
                Dot(rows[rest..vector.Length], vector[rest..]),
                Dot(rows[(vector.Length + rest)..(2 * vector.Length)], vector[rest..]),
                Dot(rows[((2 * vector.Length) + rest)..(3 * vector.Length)], vector[rest..]),
                Dot(rows[((3 * vector.Length) + rest)..], vector[rest..]));
    }

    private static float Dot(ReadOnlySpan<float> a, ReadOnlySpan<float> b)
    {
        var sum = 0f;
        for (var i = 0; i < a.Length; i++)
        {
            sum += a[i] * b[i];
        }

        return sum;
    }
}
