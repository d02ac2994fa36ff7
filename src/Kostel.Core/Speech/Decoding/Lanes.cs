using System.Runtime.CompilerServices;
using System.Runtime.Intrinsics;
using System.Runtime.Intrinsics.X86;

namespace Kostel.Core.Speech.Decoding;

/// <summary>
/// Sixteen whole numbers at a time. Where the processor has the wide instructions these are single ones; elsewhere the
/// same is computed number by number, slower but equal.
/// </summary>
internal static class Lanes
{
    /// <summary>Numbers side by side.</summary>
    public const int Count = 16;

    /// <summary>The next multiple of <see cref="Count"/>.</summary>
    public static int Padded(int count) => (count + Count - 1) / Count * Count;

    /// <summary>Products of neighbours, added in pairs: a₀b₀ + a₁b₁, a₂b₂ + a₃b₃, …</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<int> MultiplyAdd(Vector256<short> a, Vector256<short> b) =>
        Avx2.IsSupported ? Avx2.MultiplyAddAdjacent(a, b) : MultiplyAddOneByOne(a, b);

    /// <summary>Sixteen bytes as whole numbers from 0 to 255.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<short> Widen(Vector128<byte> bytes) =>
        Avx2.IsSupported
            ? Avx2.ConvertToVector256Int16(bytes)
            : Vector256.Create(Vector128.WidenLower(bytes), Vector128.WidenUpper(bytes)).AsInt16();

    /// <summary>The sums of four vectors, side by side.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector128<int> Sums(Vector256<int> a, Vector256<int> b, Vector256<int> c, Vector256<int> d)
    {
        if (!Avx2.IsSupported)
        {
            return Vector128.Create(Vector256.Sum(a), Vector256.Sum(b), Vector256.Sum(c), Vector256.Sum(d));
        }

        var pairs = Avx2.HorizontalAdd(Avx2.HorizontalAdd(a, b), Avx2.HorizontalAdd(c, d));
        return pairs.GetLower() + pairs.GetUpper();
    }

    internal static Vector256<int> MultiplyAddOneByOne(Vector256<short> a, Vector256<short> b)
    {
        Span<int> sums = stackalloc int[Vector256<int>.Count];
        for (var i = 0; i < sums.Length; i++)
        {
            sums[i] = (a[2 * i] * b[2 * i]) + (a[(2 * i) + 1] * b[(2 * i) + 1]);
        }

        return Vector256.Create<int>(sums);
    }
}
