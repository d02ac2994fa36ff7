using System.Globalization;
using Kostel.Core.Answers.Written;
using Kostel.Core.Text;

namespace Kostel.Benchmarks.Asking;

/// <summary>
/// Measures the check of what a model wrote: sentences that are wrong in a way that is named, and faithful rewordings, each beside the passage that it
/// would rest on (<c>benchmarks/written</c>). The rules were set on one file; the other was not looked at.
/// </summary>
internal static class WrittenBench
{
    private sealed record Case(string Passage, string Text, string? Wrong);

    public static void Run(string folder, WordKnowledge known, bool shows)
    {
        Console.WriteLine("texts     wrong  caught        faithful  let through");
        foreach (var name in new[] { "known", "unseen" })
        {
            Measure(name, Read(Path.Combine(folder, name + ".txt")), new SentenceCheck(known), shows);
        }

        Console.WriteLine();
        Measure("by rule", Read(Path.Combine(folder, "unseen.txt")), new SentenceCheck(known with { Vectors = WordVectors.None, Relations = WordRelations.None }), shows: false);
    }

    private static void Measure(string name, List<Case> cases, SentenceCheck check, bool shows)
    {
        var checkedCases = cases.ConvertAll(c => (Case: c, Doubts: check.Of(c.Text, [c.Passage])));
        var wrong = checkedCases.FindAll(c => c.Case.Wrong is not null);
        var faithful = checkedCases.FindAll(c => c.Case.Wrong is null);
        Console.WriteLine(string.Create(
            CultureInfo.InvariantCulture, $"{name,-8} {wrong.Count,6}  {100.0 * wrong.Count(w => w.Doubts.Count > 0) / wrong.Count,5:0.0} %     {faithful.Count,8}  {100.0 * faithful.Count(f => f.Doubts.Count == 0) / faithful.Count,5:0.0} %"));
        if (name == "by rule")
        {
            return;
        }

        foreach (var kind in wrong.GroupBy(w => w.Case.Wrong).OrderBy(k => k.Key))
        {
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"           {kind.Key,-10} {kind.Count(w => w.Doubts.Count > 0),3} of {kind.Count(),3}"));
        }

        foreach (var kind in faithful.SelectMany(f => f.Doubts).GroupBy(d => d.Kind).OrderBy(k => k.Key))
        {
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"           held back though faithful: {kind.Key,-10} {kind.Count(),3}"));
        }

        if (!shows)
        {
            return;
        }

        foreach (var (c, doubts) in checkedCases.Where(c => c.Case.Wrong is not null == (c.Doubts.Count == 0)))
        {
            Console.WriteLine($"  {(c.Wrong is null ? "held back" : $"missed ({c.Wrong})")}: {c.Text} {string.Join("; ", doubts.Select(d => $"{d.Kind} {string.Join(",", d.Words)}"))}\n      {c.Passage}");
        }
    }

    private static List<Case> Read(string path)
    {
        var (cases, passage) = (new List<Case>(), "");
        foreach (var line in File.ReadLines(path))
        {
            switch (line)
            {
                case ['P', ' ', ..]:
                    passage = line[2..];
                    break;
                case ['+', ' ', ..]:
                    cases.Add(new Case(passage, line[2..], null));
                    break;
                case ['-', ' ', ..] when line.IndexOf(": ", StringComparison.Ordinal) is var at:
                    cases.Add(new Case(passage, line[(at + 2)..], line[2..at]));
                    break;
            }
        }

        return cases;
    }
}
