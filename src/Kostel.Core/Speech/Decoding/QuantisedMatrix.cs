using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Kostel.Core.Speech.Decoding;

/// <summary>
/// A matrix of 8-bit weights, one row an output, for multiplying several vectors in one pass over the weights. The vectors are
/// rounded to whole numbers of up to 15 bits, each with a scale of its own, so that sums are exact and next to nothing is lost.
/// </summary>
public sealed class QuantisedMatrix
{
    private const int LargestWeight = 255, LargestActivation = 16_383;
    private const int Together = 4, BlockOutputs = 64;
    private readonly byte[] weights;
    private readonly int stride;
    private readonly int limit;

    /// <param name="weights">Output by output, <paramref name="inputs"/> numbers each.</param>
    /// <param name="scale">A weight is worth (number − zero point) × scale.</param>
    /// <exception cref="ArgumentException">The sizes do not fit.</exception>
    public QuantisedMatrix(ReadOnlySpan<byte> weights, int outputs, int inputs, float scale, byte zeroPoint)
    {
        if (weights.Length != (long)outputs * inputs || inputs == 0)
        {
            throw new ArgumentException($"{weights.Length} weights are not {outputs} × {inputs}.");
        }

        (Outputs, Inputs, Scale, ZeroPoint) = (outputs, inputs, scale, zeroPoint);
        stride = Lanes.Padded(inputs);
        limit = (int)Math.Min(LargestActivation, int.MaxValue / ((long)LargestWeight * inputs));
        this.weights = new byte[(long)outputs * stride];
        for (var o = 0; o < outputs; o++)
        {
            weights.Slice(o * inputs, inputs).CopyTo(this.weights.AsSpan(o * stride));
        }
    }

    /// <summary>Numbers that come out.</summary>
    public int Outputs { get; }

    /// <summary>Numbers that go in.</summary>
    public int Inputs { get; }

    /// <summary>What one step of a weight is worth.</summary>
    public float Scale { get; }

    /// <summary>The weight that is worth nothing.</summary>
    public byte ZeroPoint { get; }

    /// <summary>The weights that lead to one output, as real numbers.</summary>
    public void CopyRow(int output, Span<float> to)
    {
        for (var i = 0; i < Inputs; i++)
        {
            to[i] = (weights[(output * stride) + i] - ZeroPoint) * Scale;
        }
    }

    /// <summary>Multiplies.</summary>
    /// <param name="vectors">[rows × inputs].</param>
    /// <param name="results">[rows × outputs]; overwritten.</param>
    public void Multiply(ReadOnlySpan<float> vectors, int rows, Span<float> results)
    {
        var rounded = new RoundedVectors(vectors, rows, Inputs, stride, limit);
        if (rows == 1)
        {
            MultiplyOne(rounded, results);
        }
        else
        {
            // Block by block, so that a block that has been fetched serves all vectors.
            for (var from = 0; from < Outputs; from += BlockOutputs)
            {
                var to = Math.Min(Outputs, from + BlockOutputs);
                for (var first = 0; first < rows; first += Together)
                {
                    MultiplyFour(rounded, first, Math.Min(Together, rows - first), from, to, results);
                }
            }
        }

        rounded.Return();
    }

    /// <summary>One vector: four outputs at a time, so that the vector is read once for all of them.</summary>
    private void MultiplyOne(in RoundedVectors vectors, Span<float> results)
    {
        var (scale, correction) = (vectors.Scale(0) * Scale, vectors.Sum(0) * ZeroPoint);
        var to = results[..Outputs];
        var o = 0;
        ref var a = ref MemoryMarshal.GetReference(vectors.Row(0));
        ref var w = ref MemoryMarshal.GetArrayDataReference(weights);
        var step = (nuint)stride;
        for (; o + 4 <= to.Length; o += 4, w = ref Unsafe.Add(ref w, 4 * step))
        {
            Vector256<int> sum0 = default, sum1 = default, sum2 = default, sum3 = default;
            for (nuint i = 0; i < step; i += Lanes.Count)
            {
                var x = Vector256.LoadUnsafe(ref a, i);
                sum0 += Lanes.MultiplyAdd(Widened(ref w, i), x);
                sum1 += Lanes.MultiplyAdd(Widened(ref w, i + step), x);
                sum2 += Lanes.MultiplyAdd(Widened(ref w, i + (2 * step)), x);
                sum3 += Lanes.MultiplyAdd(Widened(ref w, i + (3 * step)), x);
            }

            var sums = Vector128.ConvertToSingle(Lanes.Sums(sum0, sum1, sum2, sum3) - Vector128.Create(correction));
            (sums * scale).CopyTo(to[o..]);
        }

        for (; o < to.Length; o++)
        {
            to[o] = (Sum(o, vectors.Row(0)) - correction) * scale;
        }
    }

    /// <summary>Up to four vectors: every weight is read once for all of them. Missing ones are zeros.</summary>
    private void MultiplyFour(in RoundedVectors vectors, int row, int count, int from, int to, Span<float> results)
    {
        ref var a = ref MemoryMarshal.GetReference(vectors.Row(row));
        ref var w = ref weights[(long)from * stride];
        var step = (nuint)stride;
        var outputs = Outputs;
        var scales = Vector128.Create(vectors.Scale(row), vectors.Scale(row + 1), vectors.Scale(row + 2), vectors.Scale(row + 3)) * Scale;
        var corrections = Vector128.Create(vectors.Sum(row), vectors.Sum(row + 1), vectors.Sum(row + 2), vectors.Sum(row + 3)) * ZeroPoint;
        var placed = results.Slice(row * outputs, count * outputs);
        var o = from;
        for (; o + 2 <= to; o += 2, w = ref Unsafe.Add(ref w, 2 * step))
        {
            Vector256<int> sum0 = default, sum1 = default, sum2 = default, sum3 = default;
            Vector256<int> sum4 = default, sum5 = default, sum6 = default, sum7 = default;
            for (nuint i = 0; i < step; i += Lanes.Count)
            {
                var x = Widened(ref w, i);
                var y = Widened(ref w, i + step);
                var v = Vector256.LoadUnsafe(ref a, i);
                sum0 += Lanes.MultiplyAdd(x, v);
                sum4 += Lanes.MultiplyAdd(y, v);
                v = Vector256.LoadUnsafe(ref a, i + step);
                sum1 += Lanes.MultiplyAdd(x, v);
                sum5 += Lanes.MultiplyAdd(y, v);
                v = Vector256.LoadUnsafe(ref a, i + (2 * step));
                sum2 += Lanes.MultiplyAdd(x, v);
                sum6 += Lanes.MultiplyAdd(y, v);
                v = Vector256.LoadUnsafe(ref a, i + (3 * step));
                sum3 += Lanes.MultiplyAdd(x, v);
                sum7 += Lanes.MultiplyAdd(y, v);
            }

            Place(placed, Vector128.ConvertToSingle(Lanes.Sums(sum0, sum1, sum2, sum3) - corrections) * scales, o);
            Place(placed, Vector128.ConvertToSingle(Lanes.Sums(sum4, sum5, sum6, sum7) - corrections) * scales, o + 1);
        }

        for (; o < to; o++)
        {
            for (var r = row; r < row + count; r++)
            {
                results[(r * outputs) + o] = (Sum(o, vectors.Row(r)) - (vectors.Sum(r) * ZeroPoint)) * (vectors.Scale(r) * Scale);
            }
        }

        void Place(Span<float> placed, Vector128<float> sums, int at)
        {
            for (var r = 0; r < count; r++, at += outputs)
            {
                placed[at] = sums[r];
            }
        }
    }

    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<short> Widened(ref byte weight, nuint at) =>
        Lanes.Widen(Vector128.LoadUnsafe(ref weight, at));

    /// <summary>One output that is left over.</summary>
    private int Sum(int output, ReadOnlySpan<short> vector)
    {
        var row = weights.AsSpan(output * stride, stride);
        var sum = 0;
        for (var i = 0; i < row.Length; i++)
        {
            sum += row[i] * vector[i];
        }

        return sum;
    }
}
