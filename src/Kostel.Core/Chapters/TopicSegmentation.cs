using System.Numerics.Tensors;
using Kostel.Core.Text;

namespace Kostel.Core.Chapters;

/// <summary>What speaks for and against a boundary beside the words themselves, in nats.</summary>
/// <param name="Boundary">What it costs to begin a segment at this unit; negative where something speaks for it.</param>
/// <param name="Length">What a segment from one unit to another (exclusive) costs for its length; infinite where it is too long or too short.</param>
/// <param name="IsTooLong">Whether a segment, and every longer one from the same start, is refused.</param>
public sealed record SegmentationEvidence(Func<int, double> Boundary, Func<int, int, double> Length, Func<int, int, bool> IsTooLong)
{
    /// <summary>How much what holds a segment together counts beside that.</summary>
    public GainWeights Gains { get; init; } = GainWeights.Whole;
}

/// <summary>How much it counts that a segment's words, its manner and its meaning hold together.</summary>
public sealed record GainWeights(double Words, double Manner, double Meaning)
{
    /// <summary>As the model has them.</summary>
    public static GainWeights Whole { get; } = new(1, 1, 1);

    /// <summary>The weighed sum.</summary>
    internal double Of((int End, double Words, double Manner, double Meaning) gain) => (Words * gain.Words) + (Manner * gain.Manner) + (Meaning * gain.Meaning);
}

/// <summary>
/// Divides a sequence of short texts where the subject changes: the division of greatest probability under a model in which
/// each segment has words, a direction of meaning and a manner of speaking (who is spoken of) of its own.
/// </summary>
/// <remarks>
/// Words: a Dirichlet compound multinomial for each segment, as in J. Eisenstein and R. Barzilay, "Bayesian unsupervised topic
/// segmentation", 2008. Meaning: the segment's mean as a normal variable of which each word is an observation. The search over
/// all divisions: dynamic programming, as in M. Utiyama and H. Isahara, 2001. The weights were chosen on joined texts of Brown
/// (docs/chapters.md).
/// </remarks>
public sealed class TopicSegmentation
{
    /// <summary>What is expected of each word before any is seen, and how much more of frequent ones.</summary>
    private const double WordPrior = 0.35, Zipf = 0.4, ZipfRank = 3_000, ZipfFlat = 300;

    /// <summary>The rank of a word that has no vector: rare.</summary>
    private const int UnknownRank = 60_000;

    private const double MannerPrior = 0.35;

    /// <summary>How far words scatter around their segment's meaning, how much the segments' meanings differ beside that, the
    /// directions that count, and how much all of this says beside the words.</summary>
    private const double Scatter = 0.02, MeaningSpread = 0.13, Directions = 36, MeaningWeight = 0.4;

    /// <summary>Who is spoken of: a story about "she" and a rule about "you" differ by that alone.</summary>
    private static readonly Dictionary<string, string> Manners = "i i me i my i myself i i'm i we we us we our we you you your you he he him he his he himself he she she her she herself she they they them they their they"
        .Split(' ').Chunk(2).ToDictionary(p => p[0], p => p[1]);

    private readonly Counts words, manners;
    private readonly double[][] meanings;
    private readonly double[] weights;

    /// <param name="units">Sentences, or pieces of where there are none.</param>
    public TopicSegmentation(IReadOnlyList<string> units, WordVectors vectors)
    {
        var tokens = units.Select(Tokens.Of).ToList();
        var ranks = new Dictionary<string, int>();
        var ids = new Dictionary<string, int>();
        var said = tokens.Select(t => t.Where(w => !StopWords.Contains(w)).Select(w => Note(Tokens.Stem(w), w)).ToArray()).ToArray();
        var prior = new double[ids.Count];
        foreach (var (stem, id) in ids)
        {
            prior[id] = WordPrior * Math.Pow(ZipfRank / (ranks[stem] + ZipfFlat), Zipf);
        }

        words = new Counts(said, prior);
        var kinds = Manners.Values.Distinct().ToList();
        manners = new Counts(tokens.Select(t => t.Where(Manners.ContainsKey).Select(w => kinds.IndexOf(Manners[w])).ToArray()).ToArray(), kinds.ConvertAll(_ => MannerPrior).ToArray());
        (meanings, weights) = Meanings(tokens, vectors);

        int Note(string stem, string word)
        {
            var place = vectors.PlaceOf(word);
            ranks[stem] = Math.Min(ranks.GetValueOrDefault(stem, UnknownRank), place < 0 ? UnknownRank : place);
            return ids.TryGetValue(stem, out var id) ? id : ids[stem] = ids.Count;
        }
    }

    /// <summary>How many units there are.</summary>
    public int Count => weights.Length - 1;

    /// <summary>Finds the best division.</summary>
    /// <param name="segments">How many segments; null for as many as are likeliest.</param>
    /// <returns>The first units of all segments, beginning with 0; empty for no units.</returns>
    public IReadOnlyList<int> Divide(SegmentationEvidence evidence, int? segments = null)
    {
        if (Count == 0)
        {
            return [];
        }

        // Layer 0 holds the start alone where the number is given; without a number one layer holds everything.
        var layers = segments is { } wanted ? Math.Clamp(wanted, 1, Count) : 0;
        var best = new double[layers + 1, Count + 1];
        var from = new int[layers + 1, Count + 1];
        for (var k = 0; k <= layers; k++)
        {
            for (var i = 0; i <= Count; i++)
            {
                best[k, i] = double.PositiveInfinity;
            }
        }

        best[0, 0] = 0;
        for (var start = 0; start < Count; start++)
        {
            var opening = start == 0 ? 0 : evidence.Boundary(start);
            foreach (var gain in Gains(start))
            {
                var end = gain.End;
                if (evidence.IsTooLong(start, end))
                {
                    break;
                }

                var cost = opening + evidence.Length(start, end) - evidence.Gains.Of(gain);
                if (layers == 0)
                {
                    Take(0, 0, start, end, cost);
                    continue;
                }

                for (var k = 0; k < layers; k++)
                {
                    Take(k, k + 1, start, end, cost);
                }
            }
        }

        return Back(from, best, layers);

        void Take(int before, int after, int start, int end, double cost)
        {
            if (best[before, start] + cost < best[after, end])
            {
                best[after, end] = best[before, start] + cost;
                from[after, end] = start;
            }
        }
    }

    /// <summary>How much likelier a segment is than its words one by one.</summary>
    internal double Gain(int start, int end) => GainWeights.Whole.Of(Gains(start).ElementAt(end - start - 1));

    /// <summary>The same for every end after a start, by what holds it together.</summary>
    internal IEnumerable<(int End, double Words, double Manner, double Meaning)> Gains(int start)
    {
        words.Begin();
        manners.Begin();
        for (var end = start + 1; end <= Count; end++)
        {
            words.Add(end - 1);
            manners.Add(end - 1);
            yield return (end, words.Gain, manners.Gain, Meaning(start, end));
        }
    }

    private double Meaning(int start, int end)
    {
        var weight = weights[end] - weights[start];
        if (weight <= 0)
        {
            return 0;
        }

        var length = TensorPrimitives.Distance<double>(meanings[start], meanings[end]);
        var square = length * length;
        var spread = 1 + (weight * MeaningSpread);
        return MeaningWeight * ((0.5 * square * MeaningSpread / (Scatter * spread)) - (Directions / 2 * Math.Log(spread)));
    }

    /// <summary>Sums of the vectors of all units up to each, less what they have in common, and of their weights.</summary>
    private static (double[][] Meanings, double[] Weights) Meanings(List<IReadOnlyList<string>> tokens, WordVectors vectors)
    {
        var sums = new double[tokens.Count + 1][];
        var weights = new double[tokens.Count + 1];
        sums[0] = new double[vectors.Size];
        var own = new float[vectors.Size];
        for (var i = 0; i < tokens.Count; i++)
        {
            Array.Clear(own);
            weights[i + 1] = weights[i];
            foreach (var word in tokens[i].Where(w => !StopWords.Contains(w)))
            {
                var weight = vectors.WeightOf(word);
                weights[i + 1] += vectors.AddTo(word, weight, own) ? weight : 0;
            }

            sums[i + 1] = sums[i].Select((s, d) => s + own[d]).ToArray();
        }

        var mean = sums[^1].Select(s => s / Math.Max(1e-9, weights[^1])).ToArray();
        return (sums.Select((s, i) => s.Select((x, d) => x - (weights[i] * mean[d])).ToArray()).ToArray(), weights);
    }

    private int[] Back(int[,] from, double[,] best, int layers)
    {
        var starts = new List<int>();
        if (layers > 0)
        {
            // Where so many are not to be had, as many as are.
            var k = layers;
            while (k > 1 && double.IsPositiveInfinity(best[k, Count]))
            {
                k--;
            }

            for (var at = Count; k > 0 && at > 0; k--)
            {
                starts.Add(at = from[k, at]);
            }
        }
        else
        {
            for (var at = double.IsPositiveInfinity(best[0, Count]) ? 0 : Count; at > 0;)
            {
                starts.Add(at = from[0, at]);
            }
        }

        starts.Reverse();
        return starts.Count > 0 && starts[0] == 0 ? [.. starts] : [0];
    }

    /// <summary>Counts of what stands in a segment that grows unit by unit, and how much likelier it is to come together than apart.</summary>
    private sealed class Counts(int[][] units, double[] prior)
    {
        private readonly int[] seen = new int[prior.Length];
        private readonly Stack<int> touched = new();
        private readonly double[] logs = Array.ConvertAll(prior, Math.Log);
        private readonly double[] totals = Totals(prior.Sum(), units.Sum(u => u.Length));
        private int total;

        public double Gain { get; private set; }

        /// <summary>Begins a new segment.</summary>
        public void Begin()
        {
            while (touched.TryPop(out var item))
            {
                seen[item] = 0;
            }

            (total, Gain) = (0, 0);
        }

        public void Add(int unit)
        {
            foreach (var item in units[unit])
            {
                var count = seen[item]++;
                if (count == 0)
                {
                    touched.Push(item);
                }
                else
                {
                    Gain += Math.Log(prior[item] + count) - logs[item];
                }

                Gain -= totals[total++];
            }
        }

        /// <summary>What each further item costs, whatever it is.</summary>
        private static double[] Totals(double all, int most) => Enumerable.Range(0, most).Select(t => Math.Log((all + t) / all)).ToArray();
    }
}
