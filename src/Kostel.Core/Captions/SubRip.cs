using System.Text;
using System.Text.RegularExpressions;
using Kostel.Core.Transcripts;
using Kostel.Core.Text;

namespace Kostel.Core.Captions;

/// <summary>SubRip, as written in common practice (no standard): numbered cues, comma before the milliseconds.</summary>
public static partial class SubRip
{
    /// <summary>Writes the captions of a transcript. The format has no place for names.</summary>
    public static string Write(Transcript transcript)
    {
        var text = new StringBuilder();
        var number = 0;
        foreach (var c in CaptionCutter.Cut(transcript))
        {
            text.Append(++number).Append('\n')
                .Append(CaptionClock.Write(c.StartMs, ',')).Append(" --> ").Append(CaptionClock.Write(c.EndMs, ',')).Append('\n')
                .AppendJoin('\n', c.Lines).Append("\n\n");
        }

        return text.ToString();
    }

    /// <summary>Reads SubRip: numbers, hours and empty lines may be missing; what cannot be read is passed over and named with its line.</summary>
    /// <exception cref="FormatException">There is no caption in it.</exception>
    public static BroughtText Read(string text)
    {
        var lines = TextLines.Of(text);
        var problems = new List<string>();
        var cues = new List<RawCue>();
        for (var i = 0; i < lines.Count; i++)
        {
            if (!CaptionClock.IsTiming(lines[i]))
            {
                continue;
            }

            if (CaptionClock.ReadSpan(lines[i]) is not { } span)
            {
                problems.Add($"Line {i + 1}: expected two times such as 00:01:02,500 --> 00:01:05,000. This caption was left out.");
                continue;
            }

            cues.Add(new RawCue(i + 1, span.StartMs, span.EndMs, TextOf(lines, i + 1).Select(l => Tags().Replace(l, "")).ToList()));
        }

        var said = RawCues.OnlySaid(cues, problems).Select(c => new Cue(c.Line, c.StartMs, c.EndMs, null, CueText.Words(c.Text))).ToList();
        return CueTranscript.Build(said, problems, "a line such as 00:01:02,500 --> 00:01:05,000");
    }

    /// <summary>The lines up to the next caption: its number and the empty line before it do not belong.</summary>
    private static IEnumerable<string> TextOf(IReadOnlyList<string> lines, int from)
    {
        var end = from;
        while (end < lines.Count && !CaptionClock.IsTiming(lines[end]))
        {
            end++;
        }

        if (end < lines.Count && end > from && lines[end - 1].Trim() is { Length: > 0 } number && number.All(char.IsAsciiDigit))
        {
            end--;
        }

        return lines.Skip(from).Take(end - from);
    }

    /// <summary>Styles that players know: tags of a single word, and places in braces.</summary>
    [GeneratedRegex(@"</?(?:b|i|u|s|font)(?:\s[^>\n]*)?>|\{\\[^}\n]*\}", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Tags();
}
