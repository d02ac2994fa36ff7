using System.Globalization;
using Kostel.Core.Answers;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Asking;

/// <summary>Questions to all lectures of the demonstration at once, as the recogniser wrote them: how often the first line is of the lecture that answers.</summary>
internal static class LibraryBench
{
    public static void Run(string list, string folder, WordKnowledge known)
    {
        var sources = Directory.GetFiles(folder, "*-*.json").Where(f => !f.EndsWith("nubes.json", StringComparison.Ordinal)).Order()
            .Select(f => new AskedSource(Path.GetFileNameWithoutExtension(f), Sentences.Of(TranscriptFormat.Read(File.ReadAllText(f)).Passages))).ToList();
        var finder = new AnswerFinder(sources, known);
        var (right, among, asked) = (0, 0, 0);
        foreach (var line in File.ReadLines(list).Select(l => l.Split('\t')).Where(l => l.Length == 2))
        {
            var answer = finder.Ask(line[1]);
            asked++;
            right += answer.Lines.Count > 0 && answer.Lines[0].LectureId == line[0] ? 1 : 0;
            among += answer.Lines.Any(l => l.LectureId == line[0]) ? 1 : 0;
            if (answer.Lines.Count == 0 || answer.Lines[0].LectureId != line[0])
            {
                Console.WriteLine($"  {line[0]}: {line[1]} -> {answer.Lines.FirstOrDefault()?.LectureId}: {answer.Lines.FirstOrDefault()?.Quote}");
            }
        }

        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {asked} questions over {sources.Count} lectures | right lecture first {100.0 * right / asked:0.0} % | in three {100.0 * among / asked:0.0} % |"));
    }
}
