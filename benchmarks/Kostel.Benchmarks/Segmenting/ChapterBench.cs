using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Benchmarks.Segmenting;

/// <summary>How well texts are divided and how fast, as tables in Markdown.</summary>
internal static class ChapterBench
{
    private const string Outline = "== ";
    private const int HoursLong = 4;

    /// <summary>Joined texts, one JSON a line: how far each method is from where they were joined.</summary>
    public static void Joined(string name, IEnumerable<string> lines, WordKnowledge known)
    {
        var documents = lines.Select(l => JsonSerializer.Deserialize<Document>(l, JsonSerializerOptions.Web)!).ToList();
        (string Name, Func<Document, IReadOnlyList<int>> Find)[] ways =
        [
            ("number given", d => Find(d, known, d.Starts.Length)),
            ("number given, by words alone", d => Find(d, WordKnowledge.None, d.Starts.Length)),
            ("C99, number given", d => OlderMethods.C99(d.Sentences, d.Starts.Length)),
            ("number found", d => Even(d, known)),
            ("C99, number found", d => OlderMethods.C99(d.Sentences, null)),
            ("TextTiling", d => OlderMethods.TextTiling(d.Sentences)),
        ];
        foreach (var (way, find) in ways)
        {
            var found = documents.AsParallel().WithDegreeOfParallelism(2).Select(d => (d, Found: find(d))).ToList();
            Line($"| {name} | {way} | {found.Average(f => SegmentationError.Pk(f.d.Starts, f.Found, f.d.Sentences.Length)):0.000} | {found.Average(f => SegmentationError.WindowDiff(f.d.Starts, f.Found, f.d.Sentences.Length)):0.000} |");
        }
    }

    /// <summary>Lectures with outlines, a sentence a line: how far the chapters are from them, and what they are called.</summary>
    public static void Lectures(IEnumerable<string> paths, WordKnowledge known, bool withTitles)
    {
        var all = new List<double[]>();
        foreach (var path in paths)
        {
            var (lines, starts, _) = ReadOutlined(path);
            var text = LinedText.Read(string.Join('\n', lines))!;
            IReadOnlyList<Chapter> Find(WordKnowledge words, int? count) => new ChapterFinder(() => words).Find(text.Sentences, text.DurationMs, count);
            int[] Starts(IReadOnlyList<Chapter> chapters) => chapters.Select(c => text.Sentences.Count(s => s.StartMs < c.StartMs)).ToArray();
            var chapters = Find(known, null);
            double[] errors = [.. new[] { chapters, Find(known, starts.Count), Find(WordKnowledge.None, null) }.Select(c => SegmentationError.Pk(starts, Starts(c), lines.Count))];
            all.Add(errors);
            Line($"| {Path.GetFileNameWithoutExtension(path)} | {starts.Count} | {chapters.Count} | {errors[0]:0.000} | {errors[1]:0.000} | {errors[2]:0.000} |");
            if (withTitles)
            {
                Line($"| {string.Join(" · ", chapters.Select(c => c.Title))} | | | | | |");
            }
        }

        Line($"| **mean** | | | {all.Average(e => e[0]):0.000} | {all.Average(e => e[1]):0.000} | {all.Average(e => e[2]):0.000} |");
    }

    /// <summary>How long a lecture of four hours takes, put together of the sentences of others.</summary>
    public static void Long(IEnumerable<string> paths, WordKnowledge known)
    {
        var lines = paths.SelectMany(p => ReadOutlined(p).Lines).ToList();
        var random = new Random(3);
        var text = new List<string>();
        for (var ms = 0; ms < HoursLong * 3_600_000; ms += text[^1].Length * 70)
        {
            text.Add(lines[random.Next(lines.Count)]);
        }

        var read = LinedText.Read(string.Join('\n', text))!;
        foreach (var count in new int?[] { null, 30 })
        {
            new ChapterFinder(() => known).Find(read.Sentences, read.DurationMs, count);
            var watch = Stopwatch.StartNew();
            var chapters = new ChapterFinder(() => known).Find(read.Sentences, read.DurationMs, count);
            Line($"| {HoursLong} hours, {text.Count} sentences, {(count is null ? "number found" : $"{count} asked for")}: {chapters.Count} chapters | {watch.Elapsed.TotalSeconds:0.00} s |");
        }
    }

    private static List<int> Find(Document document, WordKnowledge known, int count)
    {
        var text = LinedText.Read(string.Join('\n', document.Sentences))!;
        return new ChapterFinder(() => known).Find(text.Sentences, text.DurationMs, count).Select(c => text.Sentences.Count(s => s.StartMs < c.StartMs)).ToList();
    }

    /// <summary>As many segments as are likeliest, without the lengths that chapters of lectures have.</summary>
    private static IReadOnlyList<int> Even(Document document, WordKnowledge known) =>
        new TopicSegmentation(document.Sentences, known.Vectors).Divide(new SegmentationEvidence(_ => 0, (from, to) => 3 + (3 * Math.Abs(Math.Log((to - from) / 7.0))), (_, _) => false));

    /// <summary>The lines of a lecture, before which of them a chapter begins, and what it was called when it was written.</summary>
    public static (List<string> Lines, List<int> Starts, List<string> Titles) ReadOutlined(string path)
    {
        List<string> lines = [], titles = [];
        List<int> starts = [];
        foreach (var line in File.ReadLines(path).Where(l => l.Trim().Length > 0))
        {
            if (line.StartsWith(Outline, StringComparison.Ordinal))
            {
                starts.Add(lines.Count);
                titles.Add(line[Outline.Length..].Trim());
            }
            else
            {
                lines.Add(line);
            }
        }

        return (lines, starts, titles);
    }

    private static void Line(FormattableString line) => Console.WriteLine(line.ToString(CultureInfo.InvariantCulture));

    private sealed record Document(string[] Sentences, int[] Starts);
}
