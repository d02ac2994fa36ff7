using Kostel.Core.Text;

namespace Kostel.Core.Chapters;

/// <summary>In which direction the units of a lecture point, beside what they have in common.</summary>
internal sealed class SaidMeaning
{
    /// <summary>Sums of all units up to each.</summary>
    private readonly double[][] sums;

    public SaidMeaning(IReadOnlyList<IReadOnlyList<string>> units, WordVectors vectors)
    {
        sums = new double[units.Count + 1][];
        sums[0] = new double[vectors.Size];
        var own = new float[vectors.Size];
        for (var i = 0; i < units.Count; i++)
        {
            Array.Clear(own);
            foreach (var word in units[i].Where(w => !StopWords.Contains(w)))
            {
                vectors.AddTo(word, vectors.WeightOf(word), own);
            }

            sums[i + 1] = sums[i].Select((s, d) => s + own[d]).ToArray();
        }

        var mean = sums[^1].Select(s => s / Math.Max(1, units.Count)).ToArray();
        for (var i = 1; i < sums.Length; i++)
        {
            sums[i] = sums[i].Select((s, d) => s - (i * mean[d])).ToArray();
        }
    }

    /// <summary>How alike two runs of units point (the second ends are exclusive), from -1 to 1.</summary>
    public double Alike(int from, int to, int otherFrom, int otherTo)
    {
        double dot = 0, own = 1e-9, other = 1e-9;
        var (a, b, c, d) = (At(from), At(to), At(otherFrom), At(otherTo));
        for (var i = 0; i < a.Length; i++)
        {
            var (x, y) = (b[i] - a[i], d[i] - c[i]);
            dot += x * y;
            own += x * x;
            other += y * y;
        }

        return dot / Math.Sqrt(own * other);
    }

    private double[] At(int unit) => sums[Math.Clamp(unit, 0, sums.Length - 1)];
}
