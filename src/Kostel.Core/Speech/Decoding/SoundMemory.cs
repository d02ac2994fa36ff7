using System.Numerics.Tensors;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace Kostel.Core.Speech.Decoding;

/// <summary>
/// What one layer of the decoder knows of an utterance's sound: a key and a value for each frame, as whole numbers with one
/// scale for each of their components. A token's attention to it reads them once.
/// </summary>
internal sealed class SoundMemory(int width, int headSize)
{
    private const int KeyLimit = 8_191, QueryLimit = 4_095, ValueLimit = 16_383, ShareLimit = 32_767, ShareSum = 65_535;
    private readonly float[] keyScales = new float[width];
    private readonly float[] valueScales = new float[width];
    private readonly int[] pairs = new int[headSize / 2];
    private short[] keys = [];
    private short[] values = [];
    private short[] rounded = [];
    private float[] shares = [];
    private int frames;
    private int padded;

    /// <summary>Takes up an utterance.</summary>
    /// <param name="keyRows">[frames × width].</param>
    /// <param name="valueRows">[frames × width].</param>
    public void Load(ReadOnlySpan<float> keyRows, ReadOnlySpan<float> valueRows)
    {
        frames = keyRows.Length / width;
        padded = Lanes.Padded(frames);
        if (rounded.Length < padded)
        {
            keys = new short[width * padded];
            values = new short[width * padded];
            rounded = new short[padded];
            shares = new float[padded];
        }

        // Keys: two components of a frame stand side by side, so that a pair of products is added in one instruction.
        ScalesOf(keyRows, KeyLimit, keyScales);
        ScalesOf(valueRows, ValueLimit, valueScales);
        for (var f = 0; f < padded; f++)
        {
            for (var d = 0; d < width; d++)
            {
                var inside = f < frames;
                keys[((d / 2 * padded) + f) * 2 + (d % 2)] = inside ? Round(keyRows[(f * width) + d], keyScales[d]) : (short)0;
                values[(d * padded) + f] = inside ? Round(valueRows[(f * width) + d], valueScales[d]) : (short)0;
            }
        }
    }

    /// <summary>One head looks for what it needs.</summary>
    /// <param name="query">Its query, already divided by the root of the head's size.</param>
    /// <param name="result">The mean of the values, weighted by the shares.</param>
    /// <returns>Each frame's share; valid until the next call.</returns>
    public ReadOnlySpan<float> Attend(int head, ReadOnlySpan<float> query, Span<float> result)
    {
        var share = shares.AsSpan(0, frames);
        Compare(head, query);
        TensorPrimitives.Subtract(share, TensorPrimitives.Max(share), share);
        TensorPrimitives.Exp(share, share);
        var sum = TensorPrimitives.Sum(share);
        Collect(head, share, sum, result);
        TensorPrimitives.Divide(share, sum, share);
        return share;
    }

    private void Compare(int head, ReadOnlySpan<float> query)
    {
        var first = head * headSize;
        Span<float> scaled = stackalloc float[headSize];
        TensorPrimitives.Multiply(query, keyScales.AsSpan(first, headSize), scaled);
        var largest = Math.Abs(TensorPrimitives.MaxMagnitude(scaled));
        var toWhole = largest > 0 ? QueryLimit / largest : 0;
        for (var p = 0; p < pairs.Length; p++)
        {
            pairs[p] = (ushort)(short)MathF.Round(scaled[2 * p] * toWhole) | ((short)MathF.Round(scaled[(2 * p) + 1] * toWhole) << 16);
        }

        ref var key = ref MemoryMarshal.GetReference(keys.AsSpan(first / 2 * padded * 2));
        var toScore = Vector256.Create(largest / QueryLimit);
        var step = (nuint)padded * 2;
        for (var f = 0; f < padded; f += Lanes.Count)
        {
            Vector256<int> low = default, high = default;
            var at = (nuint)f * 2;
            foreach (var pair in pairs)
            {
                var q = Vector256.Create(pair).AsInt16();
                low += Lanes.MultiplyAdd(Vector256.LoadUnsafe(ref key, at), q);
                high += Lanes.MultiplyAdd(Vector256.LoadUnsafe(ref key, at + Lanes.Count), q);
                at += step;
            }

            (Vector256.ConvertToSingle(low) * toScore).CopyTo(shares, f);
            (Vector256.ConvertToSingle(high) * toScore).CopyTo(shares, f + (Lanes.Count / 2));
        }
    }

    /// <param name="share">Shares that add up to <paramref name="sum"/>; the largest is 1.</param>
    private void Collect(int head, ReadOnlySpan<float> share, float sum, Span<float> result)
    {
        var toWhole = Math.Min(ShareLimit, ShareSum / sum);
        for (var f = 0; f < share.Length; f++)
        {
            rounded[f] = (short)((share[f] * toWhole) + 0.5f);
        }

        rounded.AsSpan(share.Length, padded - share.Length).Clear();
        ref var r = ref MemoryMarshal.GetArrayDataReference(rounded);
        ref var v = ref MemoryMarshal.GetArrayDataReference(values);
        var step = (nuint)padded;
        var back = 1 / (toWhole * sum);
        for (var d = 0; d < headSize; d += 4)
        {
            var at = (nuint)((head * headSize) + d) * step;
            Vector256<int> sum0 = default, sum1 = default, sum2 = default, sum3 = default;
            for (nuint f = 0; f < step; f += Lanes.Count)
            {
                var s = Vector256.LoadUnsafe(ref r, f);
                sum0 += Lanes.MultiplyAdd(Vector256.LoadUnsafe(ref v, at + f), s);
                sum1 += Lanes.MultiplyAdd(Vector256.LoadUnsafe(ref v, at + f + step), s);
                sum2 += Lanes.MultiplyAdd(Vector256.LoadUnsafe(ref v, at + f + (2 * step)), s);
                sum3 += Lanes.MultiplyAdd(Vector256.LoadUnsafe(ref v, at + f + (3 * step)), s);
            }

            var sums = Vector128.ConvertToSingle(Lanes.Sums(sum0, sum1, sum2, sum3)) * back;
            for (var i = 0; i < 4; i++)
            {
                result[d + i] = sums[i] * valueScales[(head * headSize) + d + i];
            }
        }
    }

    private void ScalesOf(ReadOnlySpan<float> rows, int limit, float[] scales)
    {
        Array.Clear(scales);
        for (var f = 0; f < frames; f++)
        {
            TensorPrimitives.MaxMagnitude(scales, rows.Slice(f * width, width), scales);
        }

        for (var d = 0; d < width; d++)
        {
            scales[d] = Math.Max(Math.Abs(scales[d]), float.Epsilon * limit * 2) / limit;
        }
    }

    private static short Round(float value, float scale) => (short)MathF.Round(value / scale);
}
