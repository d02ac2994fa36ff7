using System.Globalization;
using System.Text;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Captions;

/// <summary>Tab-separated values (IANA text/tab-separated-values): a line a sentence, times in milliseconds.</summary>
public static class TabSeparated
{
    private static readonly string[] Columns = ["start", "end", "speaker", "passage", "chapter", "text"];

    /// <summary>Writes a transcript, with the names of the columns in the first line.</summary>
    public static string Write(Transcript transcript)
    {
        var names = transcript.Speakers.ToDictionary(s => s.Id, s => s.Name);
        var text = new StringBuilder().AppendJoin('\t', Columns).Append('\n');
        for (var i = 0; i < transcript.Passages.Count; i++)
        {
            var passage = transcript.Passages[i];
            var chapter = transcript.Chapters.LastOrDefault(c => c.StartMs <= passage.StartMs)?.Title ?? "";
            foreach (var s in Sentences.Of(passage))
            {
                text.Append(CultureInfo.InvariantCulture, $"{s.StartMs}\t{s.EndMs}\t{Field(names.GetValueOrDefault(passage.SpeakerId) ?? "")}\t{i + 1}\t{Field(chapter)}\t{Field(s.Text)}\n");
            }
        }

        return text.ToString();
    }

    /// <summary>Reads tab-separated values with at least the columns start, end and text, in any order.</summary>
    /// <exception cref="FormatException">It is no such file; the message names the line and what was expected.</exception>
    public static BroughtText Read(string text)
    {
        var lines = TextLines.Of(text);
        var header = lines[0].Split('\t').Select(c => c.Trim().ToLowerInvariant()).ToList();
        int Column(string name) => header.IndexOf(name);
        if (Column("start") < 0 || Column("end") < 0 || Column("text") < 0)
        {
            throw new FormatException("Line 1: expected the names of the columns, divided by tabs: start, end and text, and if wanted speaker, passage and chapter.");
        }

        var problems = new List<string>();
        var rows = new List<Row>();
        for (var i = 1; i < lines.Count; i++)
        {
            if (lines[i].Length == 0)
            {
                continue;
            }

            var fields = lines[i].Split('\t');
            string Of(string name) => Column(name) is var at && at >= 0 && at < fields.Length ? fields[at].Trim() : "";
            if (Ms(Of("start")) is not { } start || Ms(Of("end")) is not { } end)
            {
                problems.Add($"Line {i + 1}: expected a start and an end in milliseconds. This line was left out.");
                continue;
            }

            if (TextLines.Words(Of("text")) is { Length: > 0 } words)
            {
                rows.Add(new Row(i + 1, start, Math.Max(end, start + 1), Of("speaker"), Of("passage"), Of("chapter"), words));
            }
        }

        return rows.Count > 0
            ? Build(rows, problems)
            : throw new FormatException(problems.FirstOrDefault() ?? "Line 2: expected a line with start, end and text, but there is none.");
    }

    private static BroughtText Build(List<Row> rows, List<string> problems)
    {
        foreach (var late in rows.Zip(rows.Skip(1)).Where(p => p.Second.StartMs < p.First.StartMs).Select(p => p.Second))
        {
            problems.Add($"Line {late.Line}: begins before the line above it. They were put in order.");
        }

        rows = rows.OrderBy(r => r.StartMs).ToList();
        var speakers = NamedSpeakers.Of(rows.Select(r => r.Speaker));
        var passages = new List<Passage>();
        var chapters = new List<(string Title, int StartMs)>();
        for (var i = 0; i < rows.Count; i++)
        {
            var row = rows[i];
            var end = i + 1 < rows.Count ? Math.Clamp(row.EndMs, row.StartMs, rows[i + 1].StartMs) : row.EndMs;
            var words = WordFit.Share(row.Words, row.StartMs, end, opensCaption: false).ToList();
            var id = speakers[row.Speaker].Id;
            if (i > 0 && passages[^1].SpeakerId == id && row.Passage.Length > 0 && row.Passage == rows[i - 1].Passage)
            {
                passages[^1] = passages[^1] with { EndMs = end, Words = [.. passages[^1].Words, .. words] };
            }
            else
            {
                passages.Add(new Passage($"p{passages.Count + 1}", id, row.StartMs, end, words));
            }

            if (row.Chapter.Length > 0 && (chapters.Count == 0 || chapters[^1].Title != row.Chapter))
            {
                chapters.Add((row.Chapter, chapters.Count == 0 ? 0 : row.StartMs));
            }
        }

        var duration = passages[^1].EndMs;
        return new BroughtText(new Transcript("en", duration, speakers.Values.ToList(), passages, ChapterTiles.Of(chapters, duration)), HasTimes: true, problems.Take(20).ToList());
    }

    /// <summary>Whole numbers are milliseconds, others seconds; times with colons are taken too.</summary>
    private static int? Ms(string field)
    {
        const double MostMs = 360_000_000;
        if (field.Contains(':', StringComparison.Ordinal))
        {
            return CaptionClock.Read(field);
        }

        var isWhole = field.All(char.IsAsciiDigit);
        return double.TryParse(field, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var value) && value * (isWhole ? 1 : 1000) <= MostMs
            ? (int)Math.Round(isWhole ? value : value * 1000)
            : null;
    }

    private static string Field(string text) => text.Replace('\t', ' ').Replace('\n', ' ');

    private sealed record Row(int Line, int StartMs, int EndMs, string Speaker, string Passage, string Chapter, string[] Words);
}
