using System.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>WebVTT (W3C, "WebVTT: The Web Video Text Tracks Format").</summary>
public static class WebVtt
{
    private const string ChapterHeader = "WEBVTT Chapters";

    /// <summary>Writes the captions of a transcript, with a voice span where several speak.</summary>
    public static string Write(Transcript transcript)
    {
        var text = new StringBuilder("WEBVTT\n\n");
        foreach (var c in CaptionCutter.Cut(transcript))
        {
            Times(text, c.StartMs, c.EndMs)
                .Append(c.Voice is null ? "" : $"<v {Escape(c.Voice)}>")
                .AppendJoin('\n', c.Lines.Select(Escape)).Append("\n\n");
        }

        return text.ToString();
    }

    /// <summary>Writes the chapters as a track of their own, for the kind "chapters".</summary>
    public static string WriteChapters(Transcript transcript) => WriteChapters(transcript.Chapters);

    /// <summary>Writes a track of chapters.</summary>
    public static string WriteChapters(IEnumerable<Chapter> chapters)
    {
        var text = new StringBuilder(ChapterHeader + "\n\n");
        foreach (var c in chapters)
        {
            Times(text, c.StartMs, c.EndMs).Append(Escape(c.Title)).Append("\n\n");
        }

        return text.ToString();
    }

    /// <summary>Whether a text is a track of chapters that <see cref="WriteChapters"/> wrote.</summary>
    public static bool IsChapters(string text) => text.TrimStart('\uFEFF').StartsWith(ChapterHeader, StringComparison.Ordinal);

    /// <summary>Reads a track of chapters.</summary>
    /// <exception cref="FormatException">There is none in it.</exception>
    public static IReadOnlyList<Chapter> ReadChapters(string text)
    {
        var (cues, problems) = Cues(text);
        var chapters = Voices(cues).Where(c => c.EndMs > c.StartMs && c.Words.Count > 0)
            .Select(c => new Chapter(string.Join(' ', c.Words.Select(w => w.Text)), c.StartMs, c.EndMs)).ToList();
        return chapters.Count > 0 ? chapters : throw new FormatException(problems.FirstOrDefault() ?? "Line 1: expected chapters with their times.");
    }

    /// <summary>Reads WebVTT: voices become speakers, times inside a cue times of words; notes, styles, regions and settings are passed over.</summary>
    /// <exception cref="FormatException">There is no caption in it.</exception>
    public static BroughtText Read(string text)
    {
        var (cues, problems) = Cues(text);
        return CueTranscript.Build(Voices(RawCues.OnlySaid(cues, problems)).ToList(), problems, "a line such as 00:01:02.500 --> 00:01:05.000");
    }

    private static IEnumerable<Cue> Voices(IEnumerable<RawCue> cues) => cues.SelectMany(c => CueText.Voices(c.Line, c.StartMs, c.EndMs, c.Text));

    private static (List<RawCue> Cues, List<string> Problems) Cues(string text)
    {
        var lines = TextLines.Of(text);
        var problems = new List<string>();
        var cues = new List<RawCue>();
        if (lines.Count == 0 || !(lines[0] == "WEBVTT" || lines[0].StartsWith("WEBVTT ", StringComparison.Ordinal) || lines[0].StartsWith("WEBVTT\t", StringComparison.Ordinal)))
        {
            problems.Add("Line 1: expected WEBVTT. The captions were read all the same.");
        }

        for (var i = 0; i < lines.Count; i++)
        {
            if (lines[i].StartsWith("NOTE", StringComparison.Ordinal) || lines[i] is "STYLE" or "REGION")
            {
                while (i < lines.Count && lines[i].Length > 0)
                {
                    i++;
                }
            }
            else if (CaptionClock.IsTiming(lines[i]))
            {
                var first = i + 1;
                var end = first;
                while (end < lines.Count && lines[end].Length > 0 && !lines[end].Contains("-->", StringComparison.Ordinal))
                {
                    end++;
                }

                if (CaptionClock.ReadSpan(lines[i]) is { } span)
                {
                    cues.Add(new RawCue(first, span.StartMs, span.EndMs, lines.Skip(first).Take(end - first).ToList()));
                }
                else
                {
                    problems.Add($"Line {i + 1}: expected two times such as 00:01:02.500 --> 00:01:05.000. This caption was left out.");
                }

                i = end - 1;
            }
        }

        return (cues, problems);
    }

    private static StringBuilder Times(StringBuilder text, int startMs, int endMs) =>
        text.Append(CaptionClock.Write(startMs, '.')).Append(" --> ").Append(CaptionClock.Write(endMs, '.')).Append('\n');

    private static string Escape(string line) =>
        line.Replace("&", "&amp;", StringComparison.Ordinal).Replace("<", "&lt;", StringComparison.Ordinal).Replace(">", "&gt;", StringComparison.Ordinal);
}
