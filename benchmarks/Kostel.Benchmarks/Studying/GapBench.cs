using System.Globalization;
using Kostel.Core.Chapters;
using Kostel.Core.Grammar;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Studying;

/// <summary>Which gap of a statement is worth asking, learned from gaps that were read and judged, and how well that is told of texts left out.</summary>
internal static class GapBench
{
    private const double Penalty = 6;
    private const int FoldCount = 10, MostToJudge = 4;

    /// <summary>Prints each statement with what could be asked for in it.</summary>
    public static void Print(IEnumerable<string> files, IGrammar grammar, ChapterFinder finder, WordKnowledge known)
    {
        foreach (var file in files)
        {
            Console.WriteLine("== " + Path.GetFileNameWithoutExtension(file));
            foreach (var gaps in Gaps(file, grammar, finder, known).GroupBy(g => g.Gap.Statement).Select(g => g.Select(x => x.Gap).ToList()))
            {
                var statement = gaps[0].Statement;
                Console.WriteLine($"{statement.Sentence}\t{statement.Context}{(statement.Context.Length > 0 ? "// " : "")}{statement.Part.Text}\t{string.Join('\t', gaps.Select(g => g.Missing + (g.Question is null ? "" : " ?")))}");
            }
        }
    }

    /// <summary>Prints each statement with the gaps (G) and endings (E) that are likeliest to be good ones, to be judged.</summary>
    public static void ToJudge(IEnumerable<string> files, IGrammar grammar, ChapterFinder finder, WordKnowledge known)
    {
        foreach (var file in files)
        {
            var ground = new StudyGround(StudyText.Read(file, finder).Transcript, grammar, words: known);
            Console.WriteLine("== " + Path.GetFileNameWithoutExtension(file));
            foreach (var statement in ground.Asked)
            {
                var gaps = ground.Facts.All(statement).OrderByDescending(g => FactWorth.Probability(ground.Facts.FeaturesOf(g), GapWeights.Learned)).Take(MostToJudge).Select(g => g.Missing);
                var ends = ground.Facts.Endings(statement).OrderByDescending(g => FactWorth.Probability(ground.Facts.EndingFeaturesOf(g), EndingWeights.Learned)).Take(MostToJudge).Select(g => g.Missing);
                Console.WriteLine($"{statement.Sentence}\t{statement.Context}{(statement.Context.Length > 0 ? "// " : "")}{statement.Part.Text}\tG\t{string.Join('\t', gaps)}\tE\t{string.Join('\t', ends)}");
            }
        }
    }

    /// <summary>Prints what was learned and how well it holds for texts left out.</summary>
    /// <param name="areEndings">Those with which statements end, and not the things that they name.</param>
    public static void Learn(string judged, string folder, IGrammar grammar, ChapterFinder finder, WordKnowledge known, bool areEndings = false)
    {
        var verdicts = File.ReadLines(judged).Where(l => !l.StartsWith('#')).Select(l => l.Split('\t')).Where(l => l.Length == 4)
            .GroupBy(l => l[0]).ToDictionary(g => g.Key, g => g.DistinctBy(l => (l[1], l[2])).ToDictionary(l => (int.Parse(l[1], CultureInfo.InvariantCulture), l[2]), l => l[3] == "1"));
        var files = Directory.EnumerateFiles(folder, "*.txt", SearchOption.AllDirectories).Where(f => verdicts.ContainsKey(Path.GetFileNameWithoutExtension(f))).Order(StringComparer.Ordinal).ToList();
        var texts = files.ConvertAll(f => Gaps(f, grammar, finder, known, areEndings)
            .Select(g => (g.Gap, g.State, Verdict: verdicts[Path.GetFileNameWithoutExtension(f)].TryGetValue((g.Gap.Statement.Sentence, g.Gap.Missing), out var isGood) ? isGood : (bool?)null))
            .Where(g => g.Verdict is not null).Select(g => new Judged(g.Gap, g.State, g.Verdict!.Value)).ToList());
        var told = new List<(Judged Gap, double Chance)>();
        for (var fold = 0; fold < FoldCount; fold++)
        {
            var weights = Ridge.Logistic(texts.Where((_, i) => i % FoldCount != fold).SelectMany(t => t).Select(g => (g.State, g.IsGood)).ToList(), Penalty);
            told.AddRange(texts.Where((_, i) => i % FoldCount == fold).SelectMany(t => t).Select(g => (g, FactWorth.Probability(g.State, weights))));
        }

        var best = told.GroupBy(g => g.Gap.Gap.Statement, ReferenceEqualityComparer.Instance).Select(g => g.MaxBy(x => x.Chance)).ToList();
        var any = told.GroupBy(g => g.Gap.Gap.Statement, ReferenceEqualityComparer.Instance).Count(g => g.Any(x => x.Gap.IsGood));
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"{texts.Count} texts, {told.Count} gaps of {best.Count} statements, {100.0 * told.Count(g => g.Gap.IsGood) / told.Count:0} % judged good; {any} statements have a good one"));
        Console.WriteLine("| chance at least | statements asked | of these good | good ones found |\n|---|---|---|---|");
        foreach (var least in new[] { 0, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8 })
        {
            var asked = best.Where(b => b.Chance >= least).ToList();
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {least:0.0} | {asked.Count} | {100.0 * asked.Count(b => b.Gap.IsGood) / Math.Max(1, asked.Count):0.0} % | {100.0 * asked.Count(b => b.Gap.IsGood) / any:0.0} % |"));
        }

        var learned = Ridge.Logistic(texts.SelectMany(t => t).Select(g => (g.State, g.IsGood)).ToList(), Penalty);
        Console.WriteLine(string.Join('\n', (areEndings ? EndingFeatures.Names : GapFeatures.Names).Zip(learned).OrderBy(p => p.Second).Select(p => string.Create(CultureInfo.InvariantCulture, $"    {p.Second,7:0.000} {p.First}"))));
        Console.WriteLine(string.Join(", ", learned.Select(w => w.ToString("0.###", CultureInfo.InvariantCulture))));
    }

    private sealed record Judged(FactGap Gap, double[] State, bool IsGood);

    private static List<(FactGap Gap, double[] State)> Gaps(string file, IGrammar grammar, ChapterFinder finder, WordKnowledge known, bool areEndings = false)
    {
        var ground = new StudyGround(StudyText.Read(file, finder).Transcript, grammar, words: known);
        return areEndings ? ground.Asked.SelectMany(ground.Facts.Endings).Select(g => (g, ground.Facts.EndingFeaturesOf(g))).ToList()
            : ground.Asked.SelectMany(ground.Facts.All).Select(g => (g, ground.Facts.FeaturesOf(g))).ToList();
    }
}
