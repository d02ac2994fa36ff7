using System.Globalization;
using Kostel.Benchmarks.Asking;
using Kostel.Core.Answers;
using Kostel.Core.Chapters.Titles;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Segmenting;

/// <summary>Learns which of the phrases of a chapter names it well, from titles that were read and judged: a softmax over them, so that a good one comes first.</summary>
internal static class TitleLearning
{
    private const int Folds = 10, Rounds = 300;
    private const double Step = 0.3, Shrinking = 0.003;

    private sealed record Example(string Text, List<(string Title, double[] Counts, bool IsGood)> Titles);

    public static void Run(string judged, string folder, WordKnowledge known)
    {
        var examples = Read(judged, folder, known);
        Console.WriteLine($"{examples.Count} chapters, {examples.Sum(e => e.Titles.Count)} titles, {examples.Sum(e => e.Titles.Count(t => t.IsGood))} good; a good one in {examples.Count(e => e.Titles.Exists(t => t.IsGood))}");
        var texts = examples.Select(e => e.Text).Distinct().Order(StringComparer.Ordinal).ToList();
        var good = Enumerable.Range(0, Folds).Sum(f =>
        {
            var weights = Learn(examples.Where(e => texts.IndexOf(e.Text) % Folds != f).ToList());
            return examples.Count(e => texts.IndexOf(e.Text) % Folds == f && Best(e, weights).IsGood);
        });
        Console.WriteLine($"of texts left out in turn the first is good in {good} of {examples.Count}");
        var learned = Learn(examples);
        Console.WriteLine("[" + string.Join(", ", learned.Select(w => w.ToString("0.###", CultureInfo.InvariantCulture))) + "],");
        Console.WriteLine("// " + string.Join(", ", TitleFeatures.Names.Zip(learned).OrderByDescending(p => Math.Abs(p.Second)).Select(p => string.Create(CultureInfo.InvariantCulture, $"{p.First} {p.Second:0.##}"))));
    }

    private static (string Title, double[] Counts, bool IsGood) Best(Example example, double[] weights) => example.Titles.MaxBy(t => AnswerModel.Sum(weights, t.Counts));

    private static List<Example> Read(string judged, string folder, WordKnowledge known)
    {
        var examples = new List<Example>();
        foreach (var text in File.ReadLines(judged).Where(l => !l.StartsWith('#')).Select(l => l.Split('\t')).GroupBy(l => l[0]))
        {
            var (sentences, starts) = TitleBench.Chapters(text, folder);
            var chapters = TitleBench.Divided(sentences, starts);
            var candidates = new TitleCandidates(chapters, known, "en");
            var pool = new TitlePool(chapters, candidates, known.Lexicon);
            var features = new TitleFeatures(chapters, candidates.Weights, known);
            foreach (var chapter in text.GroupBy(v => v[1]))
            {
                var verdicts = chapter.DistinctBy(v => v[3], StringComparer.OrdinalIgnoreCase).ToDictionary(v => v[3], v => v[4] == "1", StringComparer.OrdinalIgnoreCase);
                var c = starts.IndexOf(int.Parse(chapter.Key, CultureInfo.InvariantCulture) - 1);
                var titles = pool.Of(c).Where(p => verdicts.ContainsKey(p.Text)).Select(p => (p.Text, features.Of(c, p), verdicts[p.Text])).ToList();
                if (titles.Count > 0)
                {
                    examples.Add(new Example(text.Key, titles));
                }
            }
        }

        return examples;
    }

    private static double[] Learn(List<Example> examples)
    {
        var usable = examples.Where(e => e.Titles.Exists(t => t.IsGood) && e.Titles.Exists(t => !t.IsGood)).ToList();
        var weights = new double[TitleFeatures.Names.Length];
        var squares = new double[weights.Length];
        for (var round = 0; round < Rounds; round++)
        {
            var slope = new double[weights.Length];
            foreach (var e in usable)
            {
                var scores = e.Titles.ConvertAll(t => AnswerModel.Sum(weights, t.Counts));
                var most = scores.Max();
                var all = scores.ConvertAll(s => Math.Exp(s - most));
                var (sum, right) = (all.Sum(), all.Where((_, i) => e.Titles[i].IsGood).Sum());
                for (var i = 0; i < all.Count; i++)
                {
                    var pull = (e.Titles[i].IsGood ? all[i] / right : 0) - (all[i] / sum);
                    for (var w = 0; w < weights.Length; w++)
                    {
                        slope[w] += pull * e.Titles[i].Counts[w];
                    }
                }
            }

            AnswerLearning.Climb(weights, squares, slope, usable.Count, Step, Shrinking);
        }

        return weights;
    }
}
