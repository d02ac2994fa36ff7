namespace Kostel.Core.Audio;

/// <summary>A part of a recording's loudness, as coarse as it is to be drawn.</summary>
/// <param name="SliceMs">How much time each byte stands for.</param>
/// <param name="Loudness">As <see cref="WaveformPeaks"/> has it; 0 where at least half of a slice is silence.</param>
public sealed record PeakDetail(int FromMs, int SliceMs, byte[] Loudness)
{
    /// <summary>On the scale of <see cref="WaveformPeaks"/>.</summary>
    private const byte QuietBelow = 24;

    /// <summary>Slices are put together two and two until there are few enough, so that neighbouring parts of one drawing fit each other.</summary>
    /// <param name="peaks">Of the whole recording.</param>
    /// <param name="most">Bytes, at least 1.</param>
    public static PeakDetail Of(ReadOnlySpan<byte> peaks, int fromMs, int toMs, int most)
    {
        var first = Math.Clamp(fromMs / WaveformPeaks.SliceMs, 0, peaks.Length);
        var last = Math.Clamp((int)Math.Ceiling(toMs / (double)WaveformPeaks.SliceMs), first, peaks.Length);
        var together = 1;
        while ((last - first + together - 1) / together > Math.Max(1, most))
        {
            together *= 2;
        }

        first -= first % together;
        var slices = new byte[(last - first + together - 1) / together];
        for (var i = 0; i < slices.Length; i++)
        {
            slices[i] = Mean(peaks[(first + (i * together))..Math.Min(peaks.Length, first + ((i + 1) * together))]);
        }

        return new PeakDetail(first * WaveformPeaks.SliceMs, together * WaveformPeaks.SliceMs, slices);
    }

    private static byte Mean(ReadOnlySpan<byte> slices)
    {
        var (sum, quiet) = (0, 0);
        foreach (var slice in slices)
        {
            sum += slice;
            quiet += slice < QuietBelow ? 1 : 0;
        }

        return slices.Length == 0 || quiet * 2 >= slices.Length ? (byte)0 : (byte)(sum / slices.Length);
    }
}
