using System.Numerics;
using System.Runtime.InteropServices;

namespace Kostel.Core.Audio.Dereverberation;

/// <summary>Products of complex numbers whose parts lie in a row each: where taking off a room's echo spends its time.</summary>
internal static class ComplexProducts
{
    /// <summary>The sum of the first's conjugates times the second. All rows have one length.</summary>
    public static Complex Sum(ReadOnlySpan<float> real, ReadOnlySpan<float> imaginary, ReadOnlySpan<float> otherReal, ReadOnlySpan<float> otherImaginary)
    {
        var a = MemoryMarshal.Cast<float, Vector<float>>(real);
        var b = MemoryMarshal.Cast<float, Vector<float>>(imaginary)[..a.Length];
        var c = MemoryMarshal.Cast<float, Vector<float>>(otherReal)[..a.Length];
        var d = MemoryMarshal.Cast<float, Vector<float>>(otherImaginary)[..a.Length];
        Vector<float> ac = default, bd = default, ad = default, bc = default;
        for (var i = 0; i < a.Length; i++)
        {
            ac = Vector.FusedMultiplyAdd(a[i], c[i], ac);
            bd = Vector.FusedMultiplyAdd(b[i], d[i], bd);
            ad = Vector.FusedMultiplyAdd(a[i], d[i], ad);
            bc = Vector.FusedMultiplyAdd(b[i], c[i], bc);
        }

        var sum = new Complex(Vector.Sum(ac) + Vector.Sum(bd), Vector.Sum(ad) - Vector.Sum(bc));
        for (var i = a.Length * Vector<float>.Count; i < real.Length; i++)
        {
            sum += new Complex((real[i] * otherReal[i]) + (imaginary[i] * otherImaginary[i]), (real[i] * otherImaginary[i]) - (imaginary[i] * otherReal[i]));
        }

        return sum;
    }
}
