using System.Globalization;
using System.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters;

/// <summary>Chapters in the metadata file that FFmpeg writes and reads ("ffmetadata", version 1), to be put into a recording with it.</summary>
public static class FfMetadata
{
    private const string Header = ";FFMETADATA1", Section = "[CHAPTER]", Special = "=;#\\\n";

    /// <summary>Whether a text is one.</summary>
    public static bool IsOne(string text) => text.TrimStart('\uFEFF').StartsWith(Header, StringComparison.Ordinal);

    /// <summary>Writes chapters, times in milliseconds.</summary>
    public static string Write(IEnumerable<Chapter> chapters)
    {
        var text = new StringBuilder(Header).Append('\n');
        foreach (var c in chapters)
        {
            text.Append(CultureInfo.InvariantCulture, $"\n{Section}\nTIMEBASE=1/1000\nSTART={c.StartMs}\nEND={c.EndMs}\ntitle={Escape(c.Title)}\n");
        }

        return text.ToString();
    }

    /// <summary>Its chapters in their order; what is no chapter is passed over.</summary>
    /// <exception cref="FormatException">There is none.</exception>
    public static IReadOnlyList<ChapterMark> Read(string text)
    {
        var chapters = new List<ChapterMark>();
        Dictionary<string, string>? open = null;
        foreach (var line in Lines(text).Append(Section))
        {
            if (line.StartsWith('['))
            {
                if (open is not null && Chapter(open) is { } chapter)
                {
                    chapters.Add(chapter);
                }

                open = line.Equals(Section, StringComparison.OrdinalIgnoreCase) ? new(StringComparer.OrdinalIgnoreCase) : null;
            }
            else if (open is not null && FirstSign(line) is > 0 and var at)
            {
                open[line[..at]] = Unescape(line[(at + 1)..]);
            }
        }

        return chapters.Count > 0 ? chapters : throw new FormatException("Expected chapters, and found other metadata.");
    }

    /// <summary>The number of a start counts in its time base; without one, in billionths of a second.</summary>
    private static ChapterMark? Chapter(Dictionary<string, string> fields)
    {
        const long Billion = 1_000_000_000;
        var parts = fields.GetValueOrDefault("TIMEBASE", $"1/{Billion}").Split('/');
        if (parts.Length != 2 || !Number(parts[0], out var numerator) || !Number(parts[1], out var denominator) || denominator == 0 || !Number(fields.GetValueOrDefault("START", ""), out var start))
        {
            return null;
        }

        var ms = start * 1000m * numerator / denominator;
        return ms is >= 0 and < int.MaxValue ? new ChapterMark(fields.GetValueOrDefault("title", ""), (int)Math.Round(ms)) : null;
    }

    private static bool Number(string text, out long number) => long.TryParse(text, NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out number) && Math.Abs(number) < 1_000_000_000_000_000;

    /// <summary>Lines without comments; one that ends in a backslash goes on in the next.</summary>
    private static IEnumerable<string> Lines(string text)
    {
        var open = new StringBuilder();
        foreach (var line in text.TrimStart('\uFEFF').Replace("\r\n", "\n", StringComparison.Ordinal).Split('\n'))
        {
            open.Append(line);
            if (line.Length > 0 && line.Length - line.TrimEnd('\\').Length is var slashes && slashes % 2 == 1)
            {
                open.Append('\n');
                continue;
            }

            var whole = open.ToString();
            open.Clear();
            if (whole.Length > 0 && whole[0] is not (';' or '#'))
            {
                yield return whole;
            }
        }
    }

    private static int FirstSign(string line)
    {
        for (var i = 0; i < line.Length; i++)
        {
            if (line[i] == '=')
            {
                return i;
            }

            i += line[i] == '\\' ? 1 : 0;
        }

        return -1;
    }

    private static string Escape(string text) => string.Concat(text.Select(c => Special.Contains(c, StringComparison.Ordinal) ? $"\\{c}" : c.ToString()));

    private static string Unescape(string text)
    {
        var plain = new StringBuilder();
        for (var i = 0; i < text.Length; i++)
        {
            i += text[i] == '\\' && i + 1 < text.Length ? 1 : 0;
            plain.Append(text[i]);
        }

        return plain.ToString();
    }
}
