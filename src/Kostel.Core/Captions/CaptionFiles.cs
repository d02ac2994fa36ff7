using System.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>Writes a transcript as text and as caption files.</summary>
public static class CaptionFiles
{
    /// <summary>SubRip, as written in common practice (no standard): numbered cues, comma before the milliseconds.</summary>
    public static string SubRip(Transcript transcript)
    {
        var text = new StringBuilder();
        var number = 0;
        foreach (var c in CaptionCutter.Cut(transcript))
        {
            text.Append(++number).Append('\n')
                .Append(Clock(c.StartMs, ',')).Append(" --> ").Append(Clock(c.EndMs, ',')).Append('\n')
                .AppendJoin('\n', c.Lines).Append("\n\n");
        }

        return text.ToString();
    }

    /// <summary>WebVTT (W3C): cue text with the characters that have a meaning there escaped; a voice span where several speak.</summary>
    public static string WebVtt(Transcript transcript)
    {
        var text = new StringBuilder("WEBVTT\n\n");
        foreach (var c in CaptionCutter.Cut(transcript))
        {
            text.Append(Clock(c.StartMs, '.')).Append(" --> ").Append(Clock(c.EndMs, '.')).Append('\n')
                .Append(c.Voice is null ? "" : $"<v {Escape(c.Voice)}>")
                .AppendJoin('\n', c.Lines.Select(Escape)).Append("\n\n");
        }

        return text.ToString();
    }

    /// <summary>Plain text: chapters as headings, one paragraph a passage, with a name before it where several speak.</summary>
    public static string Plain(Transcript transcript)
    {
        var text = new StringBuilder();
        var chapters = new Queue<Chapter>(transcript.Chapters);
        foreach (var p in transcript.Passages)
        {
            while (chapters.TryPeek(out var next) && next.StartMs <= p.StartMs)
            {
                text.Append(chapters.Dequeue().Title).Append("\n\n");
            }

            text.Append(transcript.NameOf(p) is { } name ? $"{name}: " : "").Append(p.Text).Append("\n\n");
        }

        return text.ToString().TrimEnd('\n') + "\n";
    }

    private static string Clock(int ms, char point) =>
        $"{ms / 3_600_000:00}:{ms / 60_000 % 60:00}:{ms / 1000 % 60:00}{point}{ms % 1000:000}";

    private static string Escape(string line) =>
        line.Replace("&", "&amp;", StringComparison.Ordinal).Replace("<", "&lt;", StringComparison.Ordinal).Replace(">", "&gt;", StringComparison.Ordinal);
}
