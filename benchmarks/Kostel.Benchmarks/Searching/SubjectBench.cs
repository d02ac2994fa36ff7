using System.Globalization;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Searching;

/// <summary>How well the passages that speak of a subject come first: mean average precision over written subjects, beside BM25 alone.</summary>
internal static class SubjectBench
{
    /// <param name="list">A subject a line: text, subject, lines that speak of it; a passage with one of them is right.</param>
    /// <param name="folder">Where the texts stand.</param>
    /// <param name="perPassage">Lines of a passage.</param>
    /// <param name="showsEach">Also prints each subject.</param>
    public static void Run(string list, string folder, int perPassage, WordKnowledge words, bool showsEach)
    {
        var all = new List<(double Track, double WithoutVectors, double Bm25)>();
        foreach (var line in File.ReadLines(list).Select(l => l.Split('\t')))
        {
            var passages = Passages(Path.Combine(folder, line[0] + ".txt"), perPassage);
            var right = Lines(line[2]).Select(n => (n - 1) / perPassage).ToHashSet();
            var bm25 = new Bm25Index(passages.ConvertAll(p => Tokens.ContentStems(p.Text))).Scores(Tokens.ContentStems(line[1]));
            var own = (
                Precision(new SubjectTrack(passages, words).Strengths(line[1]), right),
                Precision(new SubjectTrack(passages, WordKnowledge.None).Strengths(line[1]), right),
                Precision(bm25, right));
            all.Add(own);
            if (showsEach)
            {
                Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {line[0]} | {line[1]} | {own.Item1:0.00} | {own.Item2:0.00} | {own.Item3:0.00} |"));
            }
        }

        Console.WriteLine(string.Create(CultureInfo.InvariantCulture,
            $"| {Path.GetFileNameWithoutExtension(list)} | {all.Count} subjects | {all.Average(a => a.Track):0.000} | {all.Average(a => a.WithoutVectors):0.000} | {all.Average(a => a.Bm25):0.000} |"));
    }

    private static List<Passage> Passages(string file, int perPassage) => File.ReadLines(file).Where(l => l.Length > 0 && !l.StartsWith("==", StringComparison.Ordinal) && l != "---")
        .Chunk(perPassage).Select((lines, p) => new Passage($"p{p}", "v1", p * 9_000, (p * 9_000) + 8_900, lines.SelectMany(l => l.Split(' ', StringSplitOptions.RemoveEmptyEntries)).Select(w => new Word(w, p * 9_000, (p * 9_000) + 8_900, 1)).ToList())).ToList();

    private static IEnumerable<int> Lines(string ranges) => ranges.Split(',').Select(r => r.Split('-').Select(n => int.Parse(n, CultureInfo.InvariantCulture)).ToArray()).SelectMany(r => Enumerable.Range(r[0], r[^1] - r[0] + 1));

    /// <summary>Average precision; of equal scores the later comes first, so that nothing is won by giving none.</summary>
    private static double Precision(IReadOnlyList<double> scores, HashSet<int> right)
    {
        var order = Enumerable.Range(0, scores.Count).OrderByDescending(i => scores[i]).ThenBy(i => right.Contains(i)).ToList();
        var (found, sum) = (0, 0.0);
        for (var rank = 0; rank < order.Count; rank++)
        {
            if (right.Contains(order[rank]))
            {
                sum += ++found / (rank + 1.0);
            }
        }

        return sum / right.Count;
    }
}
