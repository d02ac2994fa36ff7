using System.Buffers;
using System.Numerics.Tensors;

namespace Kostel.Core.Speech.Decoding;

/// <summary>Vectors rounded to whole numbers, each with its own scale, padded with zeros to a multiple of four vectors.</summary>
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
        var filled = (rows + 3) / 4 * 4;
        values = ArrayPool<short>.Shared.Rent(filled * stride);
        scales = ArrayPool<float>.Shared.Rent(filled);
        sums = ArrayPool<int>.Shared.Rent(filled);
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

        values.AsSpan(rows * stride, (filled - rows) * stride).Clear();
        scales.AsSpan(rows, filled - rows).Clear();
        sums.AsSpan(rows, filled - rows).Clear();
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
