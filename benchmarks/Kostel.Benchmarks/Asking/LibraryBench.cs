using System.Globalization;
using System.Text.Json.Nodes;
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
        var titles = JsonNode.Parse(File.ReadAllText(Path.Combine(folder, "..", "library.json")))!.AsArray().Where(l => l!["transcript"] is not null).ToDictionary(l => Path.GetFileNameWithoutExtension((string)l!["transcript"]!), l => (string)l!["title"]!);
        Ask([.. sources.Select(s => s with { Title = titles[s.LectureId!] })], known, File.ReadLines(list).Select(l => l.Split('\t')).Where(l => l.Length == 2).Select(l => (l[0], l[1])), showsEach: true);
    }

    /// <summary>The same of written texts, called after their files.</summary>
    public static void OfTexts(IReadOnlyList<AskedText> texts, WordKnowledge known) => Ask(
        [.. texts.Select(t => new AskedSource(t.Name, t.Sentences, Path.GetFileName(t.Name).Replace('-', ' ')))], known, texts.SelectMany(t => t.Questions.Where(q => q.IsAnswered).Select(q => (t.Name, q.Text))), showsEach: false);

    private static void Ask(IReadOnlyList<AskedSource> sources, WordKnowledge known, IEnumerable<(string Lecture, string Text)> questions, bool showsEach)
    {
        var finder = new AnswerFinder(sources, known);
        var (right, among, asked, said, saidRight) = (0, 0, 0, 0, 0);
        foreach (var (lecture, text) in questions)
        {
            var answer = finder.Ask(text);
            asked++;
            right += answer.Lines.Count > 0 && answer.Lines[0].LectureId == lecture ? 1 : 0;
            said += answer.State == AnswerState.Said ? 1 : 0;
            saidRight += answer.State == AnswerState.Said && answer.Lines[0].LectureId == lecture ? 1 : 0;
            among += answer.Lines.Any(l => l.LectureId == lecture) ? 1 : 0;
            if (showsEach && (answer.Lines.Count == 0 || answer.Lines[0].LectureId != lecture))
            {
                Console.WriteLine($"  {lecture}: {text} -> {answer.Lines.FirstOrDefault()?.LectureId}: {answer.Lines.FirstOrDefault()?.Quote}");
            }
        }

        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"| {asked} questions over {sources.Count} lectures | right lecture first {100.0 * right / asked:0.0} % | in three {100.0 * among / asked:0.0} % | called said {said}, of the right lecture {saidRight} |"));
    }
}
