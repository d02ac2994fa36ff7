using System.Globalization;
using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Segmenting;

/// <summary>
/// The weights of <see cref="ChapterModel"/>, learned from lectures with outlines so that the division that was written is the likeliest (a semi-Markov conditional random field;
/// the slope by forward and backward sums, steps after D. Kingma and J. Ba, "Adam", 2015), and how far what they find is from texts left out.
/// </summary>
internal sealed class ChapterLearning
{
    private const int Folds = 7, Steps = 200, GainCount = 3;
    private const double Penalty = 150, LengthPenalty = 0.3, Step = 0.05, Fading = 0.9, FadingSquares = 0.99;

    /// <summary>Gains are counted in tens, so that steps are alike.</summary>
    private const double Tens = 10;

    private readonly List<OutlinedText> texts;
    private readonly double[] means, scales;
    private readonly int boundaries, all;

    private ChapterLearning(List<OutlinedText> texts)
    {
        this.texts = texts;
        boundaries = BoundaryFeatures.Names.Count;
        all = boundaries + ChapterLengths.Names.Count + GainCount;
        var seen = texts.SelectMany(t => t.Boundaries.Skip(1)).ToList();
        means = Enumerable.Range(0, boundaries).Select(j => Known(j).Average()).ToArray();
        scales = Enumerable.Range(0, boundaries).Select(j => Math.Sqrt(Known(j).Average(x => Math.Pow(x - means[j], 2))) is > 0.02 and var scale ? 1 / scale : 0).ToArray();
        foreach (var own in seen)
        {
            for (var j = 0; j < boundaries; j++)
            {
                own[j] = double.IsNaN(own[j]) ? 0 : (own[j] - means[j]) * scales[j];
            }
        }

        IEnumerable<double> Known(int j) => seen.Select(x => x[j]).Where(x => !double.IsNaN(x));
    }

    /// <summary>Prints the weights of all texts, and of each text how far it is from its outline by the weights of the others.</summary>
    public static void Run(IEnumerable<string> paths, WordKnowledge known)
    {
        var learning = new ChapterLearning(paths.Select(p => OutlinedText.Read(p, known)).OfType<OutlinedText>().ToList());
        var parts = Enumerable.Range(0, Folds).AsParallel().AsOrdered().WithDegreeOfParallelism(2)
            .SelectMany(f => learning.Learn((_, i) => i % Folds != f) is var w ? learning.texts.Where((_, i) => i % Folds == f).Select(t => (Text: t, Found: learning.Best(t, w))) : []).ToList();
        foreach (var folder in parts.GroupBy(p => p.Text.Folder).OrderBy(g => g.Key, StringComparer.Ordinal))
        {
            Console.WriteLine(Row(folder.Key, folder.ToList()));
        }

        Console.WriteLine(Row("all", parts));
        learning.Print(learning.Learn((_, _) => true));
    }

    private static string Row(string name, IReadOnlyList<(OutlinedText Text, List<int> Found)> parts) => string.Create(
        CultureInfo.InvariantCulture,
        $"| {name} | {parts.Count} | {parts.Average(p => SegmentationError.Pk(p.Text.Starts, p.Found, p.Text.Count)):0.000} | {parts.Average(p => SegmentationError.WindowDiff(p.Text.Starts, p.Found, p.Text.Count)):0.000} | {parts.Sum(p => p.Text.Starts.Count)} | {parts.Sum(p => p.Found.Count)} | {parts.Sum(p => p.Found.Intersect(p.Text.Starts).Count())} |");

    private double[] Learn(Func<OutlinedText, int, bool> isOwn)
    {
        var own = texts.Where(isOwn).ToList();
        double[] weights = new double[all], pace = new double[all], squares = new double[all];
        (weights[^3], weights[^1]) = (0.5, 0.5);
        for (var step = 1; step <= Steps; step++)
        {
            var slope = new double[all];
            own.ForEach(t => AddSlope(t, weights, slope));
            for (var j = 0; j < all; j++)
            {
                slope[j] -= (j < boundaries ? Penalty : LengthPenalty) * weights[j];
                pace[j] = (Fading * pace[j]) + ((1 - Fading) * slope[j]);
                squares[j] = (FadingSquares * squares[j]) + ((1 - FadingSquares) * slope[j] * slope[j]);
                weights[j] += Step * (pace[j] / (1 - Math.Pow(Fading, step))) / (Math.Sqrt(squares[j] / (1 - Math.Pow(FadingSquares, step))) + 1e-8);
            }
        }

        return weights;
    }

    /// <summary>Adds how the likelihood of the outline changes with each weight: what is counted of it, less what is to be expected.</summary>
    private void AddSlope(OutlinedText text, double[] weights, double[] slope)
    {
        var scores = Scores(text, weights);
        var n = text.Count;
        double[] before = new double[n + 1], behind = new double[n + 1];
        for (var end = 1; end <= n; end++)
        {
            before[end] = LogSum(Enumerable.Range(0, end).Select(start => before[start] + scores[start][end - start - 1]));
        }

        for (var start = n - 1; start >= 0; start--)
        {
            behind[start] = LogSum(Enumerable.Range(start + 1, n - start).Select(end => behind[end] + scores[start][end - start - 1]));
        }

        for (var k = 0; k < text.Starts.Count; k++)
        {
            Add(text.Starts[k], k + 1 < text.Starts.Count ? text.Starts[k + 1] : n, 1);
        }

        for (var start = 0; start < n; start++)
        {
            for (var end = start + 1; end <= n; end++)
            {
                var chance = Math.Exp(before[start] + scores[start][end - start - 1] + behind[end] - before[n]);
                if (chance > 1e-7)
                {
                    Add(start, end, -chance);
                }
            }
        }

        void Add(int start, int end, double times)
        {
            for (var j = 0; start > 0 && j < boundaries; j++)
            {
                slope[j] += times * text.Boundaries[start][j];
            }

            var segment = text.Segments[start][end - start - 1];
            for (var j = 0; j < segment.Length; j++)
            {
                slope[boundaries + j] += times * segment[j];
            }
        }
    }

    private double[][] Scores(OutlinedText text, double[] weights) => text.Segments.Select((ends, start) =>
    {
        var opening = start == 0 ? 0 : text.Boundaries[start].Select((x, j) => x * weights[j]).Sum();
        return Array.ConvertAll(ends, segment => opening + segment.Select((x, j) => x * weights[boundaries + j]).Sum());
    }).ToArray();

    private List<int> Best(OutlinedText text, double[] weights)
    {
        var scores = Scores(text, weights);
        var best = Enumerable.Repeat(double.NegativeInfinity, text.Count + 1).ToArray();
        var from = new int[text.Count + 1];
        best[0] = 0;
        for (var end = 1; end <= text.Count; end++)
        {
            for (var start = 0; start < end; start++)
            {
                var score = best[start] + scores[start][end - start - 1];
                (best[end], from[end]) = score > best[end] ? (score, start) : (best[end], from[end]);
            }
        }

        var starts = new List<int>();
        for (var at = text.Count; at > 0;)
        {
            starts.Insert(0, at = from[at]);
        }

        return starts;
    }

    private static double LogSum(IEnumerable<double> logs)
    {
        var list = logs.ToList();
        var most = list.Max();
        return most + Math.Log(list.Sum(l => Math.Exp(l - most)));
    }

    private void Print(double[] weights)
    {
        Numbers("Means", means);
        Numbers("Boundary", weights.Take(boundaries).Select((w, j) => w * scales[j]));
        Numbers("Length", weights.Skip(boundaries).Take(ChapterLengths.Names.Count));
        Numbers("Gains", weights[^GainCount..].Select(w => w / Tens));
        Console.WriteLine(string.Join("; ", BoundaryFeatures.Names.Zip(weights).OrderByDescending(p => Math.Abs(p.Second)).Take(30).Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.First} {p.Second:0.00}"))));

        static void Numbers(string name, IEnumerable<double> numbers) => Console.WriteLine(name + ": " + string.Join(", ", numbers.Select(n => n.ToString("0.####", CultureInfo.InvariantCulture))));
    }

    /// <summary>A lecture with its outline and what is counted of it.</summary>
    /// <param name="Starts">The sentences with which its chapters begin.</param>
    /// <param name="Boundaries">For each sentence; the first is no boundary.</param>
    /// <param name="Segments">For each first sentence and each end, of the length and what holds together.</param>
    private sealed record OutlinedText(string Folder, IReadOnlyList<int> Starts, double[][] Boundaries, double[][][] Segments)
    {
        private const int FewestChapters = 3, FewestLines = 20;

        public int Count => Boundaries.Length;

        /// <summary>The text of a file; null for one with too few chapters to learn from.</summary>
        public static OutlinedText? Read(string path, WordKnowledge known)
        {
            var (lines, starts, _) = ChapterBench.ReadOutlined(path);
            if (starts.Count < FewestChapters || lines.Count < FewestLines)
            {
                return null;
            }

            var text = LinedText.Read(string.Join('\n', lines))!;
            var units = text.Sentences.Select(s => s.Text).ToList();
            var features = new BoundaryFeatures(units, known.Vectors);
            var topics = new TopicSegmentation(units, known.Vectors);
            var (_, expected, _) = ChapterLengths.Of(text.DurationMs);
            double Length(int start, int end) => (end == units.Count ? text.Sentences[^1].EndMs : text.Sentences[end].StartMs) - (start == 0 ? 0 : text.Sentences[start].StartMs);
            var segments = Enumerable.Range(0, units.Count).Select(start => topics.Gains(start).Select(g => Segment(start, g)).ToArray()).ToArray();
            return new OutlinedText(Path.GetFileName(Path.GetDirectoryName(path))!, starts, Enumerable.Range(0, units.Count).Select(i => i == 0 ? [] : features.Of(i, true)).ToArray(), segments);

            double[] Segment(int start, (int End, double Words, double Manner, double Meaning) gain)
            {
                var (longer, shorter, atEdge, square) = ChapterLengths.Of(Length(start, gain.End), expected, start == 0 || gain.End == units.Count);
                return [1, longer, shorter, atEdge, square, gain.Words / Tens, gain.Manner / Tens, gain.Meaning / Tens];
            }
        }
    }
}
