using System.Buffers;
using System.Numerics.Tensors;

namespace Kostel.Core.Speech.Decoding;

/// <summary>Vectors rounded to whole numbers, each with its own scale, padded with zeros.</summary>
internal readonly ref struct RoundedVectors
{
    private readonly short[] values;
    private readonly float[] scales;
    private readonly int[] sums;
    private readonly int stride;

    /// <param name="vectors">[rows × inputs].</param>
    /// <param name="stride">Numbers a row takes, padding included.</param>
    /// <param name="limit">The largest whole number to round to.</param>
    public RoundedVectors(ReadOnlySpan<float> vectors, int rows, int inputs, int stride, int limit)
    {
        this.stride = stride;
        values = ArrayPool<short>.Shared.Rent(rows * stride);
        scales = ArrayPool<float>.Shared.Rent(rows);
        sums = ArrayPool<int>.Shared.Rent(rows);
        for (var r = 0; r < rows; r++)
        {
            var from = vectors.Slice(r * inputs, inputs);
            var to = values.AsSpan(r * stride, stride);
            to[inputs..].Clear();
            var largest = Math.Abs(TensorPrimitives.MaxMagnitude(from));
            var toWhole = largest > 0 ? limit / largest : 0;
            scales[r] = largest / limit;
            var sum = 0;
            for (var i = 0; i < from.Length; i++)
            {
                var whole = (int)MathF.Round(from[i] * toWhole);
                to[i] = (short)whole;
                sum += whole;
            }

            sums[r] = sum;
        }
    }

    /// <summary>One vector.</summary>
    public ReadOnlySpan<short> Row(int row) => values.AsSpan(row * stride);

    /// <summary>What one step of a vector's numbers is worth.</summary>
    public float Scale(int row) => scales[row];

    /// <summary>The sum of a vector's numbers.</summary>
    public int Sum(int row) => sums[row];

    /// <summary>Gives the memory back.</summary>
    public void Return()
    {
        ArrayPool<short>.Shared.Return(values);
        ArrayPool<float>.Shared.Return(scales);
        ArrayPool<int>.Shared.Return(sums);
    }
}
