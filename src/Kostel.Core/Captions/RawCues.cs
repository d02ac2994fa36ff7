using System.Text.RegularExpressions;
using Kostel.Core.Text;

namespace Kostel.Core.Captions;

/// <summary>A caption as its lines stand in a file.</summary>
/// <param name="Line">Where, from 1.</param>
internal sealed record RawCue(int Line, int StartMs, int EndMs, IReadOnlyList<string> Lines)
{
    /// <summary>Its lines as one text.</summary>
    public string Text => string.Join('\n', Lines);
}

/// <summary>What captions show that nobody says: lines shown twice as they roll up, notes of sounds, signs for another speaker.</summary>
internal static partial class RawCues
{
    private const int FewestRolling = 4, OneIn = 3, TouchMs = 1_000;

    /// <summary>The captions with what is said in them, each line once; what was left out is added to the problems.</summary>
    public static IReadOnlyList<RawCue> OnlySaid(IReadOnlyList<RawCue> cues, List<string> problems) => WithoutSounds(Unrolled(cues, problems), problems);

    /// <summary>Captions that roll up show each line again above the next one: it is said once.</summary>
    private static IReadOnlyList<RawCue> Unrolled(IReadOnlyList<RawCue> cues, List<string> problems)
    {
        var shown = cues.Select(c => c.Lines.Select(Bare).Where(l => l.Length > 0).ToList()).ToList();
        var again = cues.Select((c, i) => i > 0 && c.StartMs - cues[i - 1].EndMs <= TouchMs ? Repeated(shown[i - 1], shown[i]) : 0).ToList();
        var rolling = again.Count(a => a > 0);
        if (rolling < FewestRolling || rolling * OneIn < cues.Count)
        {
            return cues;
        }

        problems.Add($"Line {cues[again.FindIndex(a => a > 0)].Line}: these captions show each line again above the next. Each was read once.");
        return cues.Select((c, i) => c with { Lines = c.Lines.Where(l => Bare(l).Length > 0).Skip(again[i]).ToList() }).ToList();
    }

    /// <summary>How many lines at the end of one caption stand at the beginning of the next.</summary>
    private static int Repeated(List<string> before, List<string> now)
    {
        var most = Math.Min(before.Count, now.Count);
        while (most > 0 && !before.TakeLast(most).SequenceEqual(now.Take(most)))
        {
            most--;
        }

        return most;
    }

    private static List<RawCue> WithoutSounds(IReadOnlyList<RawCue> cues, List<string> problems)
    {
        var notes = 0;
        var first = 0;
        var said = cues.Select(c => c with
        {
            Lines = c.Lines.Select(l => SpeakerSign().Replace(Sounds().Replace(l, m =>
            {
                first = notes++ == 0 ? c.Line : first;
                return " ";
            }), "")).ToList(),
        }).ToList();
        if (notes > 0)
        {
            problems.Add($"Line {first}: notes of sounds, such as [music], were left out ({notes} in all).");
        }

        return said;
    }

    private static string Bare(string line) => string.Join(' ', TextLines.Words(Tag().Replace(line, "")));

    [GeneratedRegex("<[^>]*>", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Tag();

    private const string Sound = "laughs?|laughter|laughing|applause|music|cheering|coughs?|sighs?|silence|pause";

    /// <summary>A few words in brackets, or one of the usual sounds in parentheses, and the sign of a song (common practice in captions, no source).</summary>
    [GeneratedRegex(@"\[\s*[\p{L}'’ -]{2,40}\s*\]|\(\s*(?:" + Sound + @")\s*\)|[♪♫]+", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Sounds();

    /// <summary>Two angles before a line: somebody else speaks.</summary>
    [GeneratedRegex(@"^\s*(?:>>+|(?:&gt;){2,})\s*", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex SpeakerSign();
}
