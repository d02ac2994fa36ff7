using Kostel.Core.Transcripts;

namespace Kostel.Core.Audio;

/// <summary>A stretch in which nothing is said, in milliseconds.</summary>
public sealed record Silence(int StartMs, int EndMs);

/// <summary>Finds what can be skipped in a recording: pauses without words that are quiet as well, so that a demonstration is not skipped.</summary>
public static class Silences
{
    private const int ShortestMs = 900, KeptMs = 250, QuietAnyway = 24;

    /// <summary>About 18 dB below speech, on the square-root scale of the loudness.</summary>
    private const double QuietShare = 0.35;

    /// <summary>The silences, in order, with a quarter of a second left at both ends.</summary>
    /// <param name="loudness">As <see cref="WaveformPeaks"/> gives it, a byte for each 50 ms; empty where it is not known, and then no pause is taken for silent.</param>
    public static IReadOnlyList<Silence> Find(IEnumerable<Word> words, ReadOnlySpan<byte> loudness, int durationMs)
    {
        var found = new List<Silence>();
        var from = 0;
        var spoken = words.ToList();
        var quietBelow = QuietBelow(spoken, loudness);
        foreach (var word in spoken.Append(new Word("", durationMs, durationMs, 1)))
        {
            if (word.StartMs - from >= ShortestMs && IsQuiet(loudness, from + KeptMs, word.StartMs - KeptMs, quietBelow))
            {
                found.Add(new Silence(from + KeptMs, word.StartMs - KeptMs));
            }

            from = Math.Max(from, word.EndMs);
        }

        return found;
    }

    /// <summary>Quiet but for an instant in twenty: a cough or a chair is not worth waiting for.</summary>
    private static bool IsQuiet(ReadOnlySpan<byte> loudness, int fromMs, int toMs, int quietBelow)
    {
        var first = fromMs / WaveformPeaks.SliceMs;
        var last = Math.Min(toMs / WaveformPeaks.SliceMs, loudness.Length);
        var loud = 0;
        for (var i = first; i < last; i++)
        {
            loud += loudness[i] >= quietBelow ? 1 : 0;
        }

        return last > first && loud * 20 <= last - first;
    }

    private static int QuietBelow(List<Word> words, ReadOnlySpan<byte> loudness)
    {
        var slices = new List<byte>();
        foreach (var word in words)
        {
            var middle = (word.StartMs + word.EndMs) / 2 / WaveformPeaks.SliceMs;
            if (middle < loudness.Length)
            {
                slices.Add(loudness[middle]);
            }
        }

        slices.Sort();
        return slices.Count == 0 ? QuietAnyway : Math.Max(QuietAnyway, (int)(slices[slices.Count / 2] * QuietShare));
    }
}
