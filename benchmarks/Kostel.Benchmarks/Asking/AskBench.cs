using System.Globalization;
using Kostel.Core.Answers;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Asking;

/// <summary>How often the sentence that answers a written question is among the lines that come back, and how often "said" and "doesn't say" are true.</summary>
internal static class AskBench
{
    private const int Lines = 3;

    /// <param name="list">A question a line: text, question, lines of the text that answer it; "-" where none does.</param>
    /// <param name="folder">Where the texts stand.</param>
    /// <param name="showsEach">Also prints each question with what came first.</param>
    public static void Run(string list, string folder, bool showsEach)
    {
        var asked = new List<(bool IsAnswered, bool IsSaid, bool IsFirst, bool IsAmong)>();
        foreach (var text in File.ReadLines(list).Select(l => l.Split('\t')).GroupBy(l => l[0]))
        {
            var lines = File.ReadLines(Path.Combine(folder, text.Key + ".txt")).Where(l => l.Trim().Length > 0 && !l.StartsWith("==", StringComparison.Ordinal));
            var read = LinedText.Read(string.Join('\n', lines))!;
            var passages = read.Sentences.Chunk(4).Select((s, i) => new Passage($"p{i}", "v1", s[0].StartMs, s[^1].EndMs, s.SelectMany(x => x.Words).ToList())).ToList();
            var finder = new AnswerFinder(new Transcript("en", read.DurationMs, [Speaker.Unnamed(1)], passages, []));
            foreach (var question in text)
            {
                var right = question[2] == "-" ? [] : Ranges(question[2]).ToHashSet();
                var answer = finder.Ask(question[1]);
                var found = answer.Lines.Take(Lines).Select(l => read.Sentences.Index().Where(s => s.Item.StartMs < l.EndMs && s.Item.EndMs > l.StartMs).Select(s => s.Index + 1).ToList()).ToList();
                asked.Add((right.Count > 0, answer.IsSaid, found.Count > 0 && found[0].Exists(right.Contains), found.Exists(f => f.Exists(right.Contains))));
                if (showsEach)
                {
                    Console.WriteLine($"| {question[1]} | {question[2]} | {(answer.IsSaid ? "said" : "not")} | {(asked[^1].IsFirst ? "first" : asked[^1].IsAmong ? "among" : "")} | {answer.Lines.FirstOrDefault()?.Quote} |");
                }
            }
        }

        var (answered, said, not) = (asked.Where(a => a.IsAnswered).ToList(), asked.Where(a => a.IsSaid).ToList(), asked.Where(a => !a.IsSaid).ToList());
        Row("answering sentence first", answered.Count(a => a.IsFirst), answered.Count, "75 %");
        Row("answering sentence among the first three", answered.Count(a => a.IsAmong), answered.Count, "90 %");
        Row("told that it is not said, though it is", answered.Count(a => !a.IsSaid), answered.Count, "");
        Row("of what is called said, right", said.Count(a => a.IsAnswered && a.IsAmong), said.Count, "90 %");
        Row("of what is called not said, true", not.Count(a => !a.IsAnswered), not.Count, "95 %");
    }

    private static void Row(string what, int part, int all, string goal) =>
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {what} | {100.0 * part / Math.Max(1, all):0} % ({part} of {all}) | {goal} |"));

    private static IEnumerable<int> Ranges(string ranges) =>
        ranges.Split(',').Select(r => r.Split('-').Select(n => int.Parse(n, CultureInfo.InvariantCulture)).ToArray()).SelectMany(r => Enumerable.Range(r[0], r[^1] - r[0] + 1));
}
