using Kostel.Core.Text;

namespace Kostel.Benchmarks.Segmenting;

/// <summary>Two older ways to divide a text by its words, to compare with. Written from the papers.</summary>
internal static class OlderMethods
{
    /// <summary>
    /// M. Hearst, "TextTiling: segmenting text into multi-paragraph subtopic passages", 1997: cosine of blocks before and after
    /// each gap, depth of its valleys, cut where that is more than the mean less half a deviation. Blocks of sentences.
    /// </summary>
    public static IReadOnlyList<int> TextTiling(IReadOnlyList<string> sentences, int block = 3)
    {
        var bags = sentences.Select(Bag).ToList();
        var gaps = Enumerable.Range(1, Math.Max(0, bags.Count - 1)).Select(g => Cosine(Sum(bags, Math.Max(0, g - block), g), Sum(bags, g, Math.Min(bags.Count, g + block)))).ToArray();
        if (gaps.Length < 3)
        {
            return [0];
        }

        var smooth = gaps.Select((_, i) => gaps[Math.Max(0, i - 1)..Math.Min(gaps.Length, i + 2)].Average()).ToArray();
        var depths = smooth.Select((s, i) =>
        {
            var (left, right) = (i, i);
            while (left > 0 && smooth[left - 1] >= smooth[left])
            {
                left--;
            }

            while (right + 1 < smooth.Length && smooth[right + 1] >= smooth[right])
            {
                right++;
            }

            return smooth[left] - s + smooth[right] - s;
        }).ToArray();
        var mean = depths.Average();
        var cutoff = mean - (Math.Sqrt(depths.Average(d => (d - mean) * (d - mean))) / 2);
        return [0, .. Enumerable.Range(0, depths.Length).Where(i => depths[i] > cutoff && depths[i] > 0 && (i == 0 || smooth[i] <= smooth[i - 1]) && (i + 1 == smooth.Length || smooth[i] < smooth[i + 1])).Select(i => i + 1)];
    }

    /// <summary>F. Choi, "Advances in domain independent linear text segmentation", 2000 (C99): ranks of similarities in an 11 × 11 mask, divided so that the inside of the segments is densest.</summary>
    /// <param name="count">How many segments; null to stop where the gain in density falls off (mean and 1.2 deviations, as there).</param>
    public static IReadOnlyList<int> C99(IReadOnlyList<string> sentences, int? count)
    {
        const int Reach = 5;
        const double Deviations = 1.2;
        var n = sentences.Count;
        var bags = sentences.Select(Bag).ToList();
        var similar = new double[n, n];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j <= i; j++)
            {
                similar[i, j] = similar[j, i] = i == j ? 1 : Cosine(bags[i], bags[j]);
            }
        }

        // Prefix sums of the ranks, for the sum over any square on the diagonal.
        var sums = new double[n + 1, n + 1];
        for (var i = 0; i < n; i++)
        {
            for (var j = 0; j < n; j++)
            {
                int lower = 0, all = 0;
                for (var x = Math.Max(0, i - Reach); x <= Math.Min(n - 1, i + Reach); x++)
                {
                    for (var y = Math.Max(0, j - Reach); y <= Math.Min(n - 1, j + Reach); y++)
                    {
                        all++;
                        lower += similar[x, y] < similar[i, j] ? 1 : 0;
                    }
                }

                sums[i + 1, j + 1] = (lower / (double)Math.Max(1, all)) + sums[i, j + 1] + sums[i + 1, j] - sums[i, j];
            }
        }

        double Square(int from, int to) => sums[to, to] - sums[from, to] - sums[to, from] + sums[from, from];
        var starts = new List<int> { 0 };
        var steps = new List<(int At, double Density)>();
        double inside = Square(0, n), area = (double)n * n;
        var last = inside / area;
        while (starts.Count < n)
        {
            var best = (At: -1, Density: double.NegativeInfinity, Inside: 0.0, Area: 0.0);
            for (var s = 0; s < starts.Count; s++)
            {
                var (from, to) = (starts[s], s + 1 < starts.Count ? starts[s + 1] : n);
                var size = (double)(to - from);
                for (var at = from + 1; at < to; at++)
                {
                    var (left, right) = ((double)(at - from), (double)(to - at));
                    var now = inside - Square(from, to) + Square(from, at) + Square(at, to);
                    var room = area - (size * size) + (left * left) + (right * right);
                    if (now / room > best.Density)
                    {
                        best = (at, now / room, now, room);
                    }
                }
            }

            steps.Add((best.At, best.Density - last));
            (inside, area, last) = (best.Inside, best.Area, best.Density);
            starts.Add(best.At);
            starts.Sort();
        }

        var wanted = (count ?? 1) - 1;
        if (count is null)
        {
            var gains = steps.ConvertAll(s => s.Density);
            var smooth = gains.Select((_, i) => gains.Skip(Math.Max(0, i - 1)).Take(3).Average()).ToList();
            var mean = smooth.Average();
            var cutoff = mean + (Deviations * Math.Sqrt(smooth.Average(g => (g - mean) * (g - mean))));
            wanted = smooth.TakeWhile(g => g > cutoff).Count();
        }

        return [0, .. steps.Take(wanted).Select(s => s.At).Order()];
    }

    private static Dictionary<string, int> Bag(string sentence) => Tokens.ContentStems(sentence).GroupBy(s => s).ToDictionary(g => g.Key, g => g.Count());

    private static Dictionary<string, int> Sum(List<Dictionary<string, int>> bags, int from, int to) =>
        bags.Skip(from).Take(to - from).SelectMany(b => b).GroupBy(p => p.Key).ToDictionary(g => g.Key, g => g.Sum(p => p.Value));

    private static double Cosine(Dictionary<string, int> a, Dictionary<string, int> b)
    {
        var dot = a.Sum(p => p.Value * b.GetValueOrDefault(p.Key));
        return dot == 0 ? 0 : dot / Math.Sqrt(a.Values.Sum(v => v * v) * (double)b.Values.Sum(v => v * v));
    }
}
