namespace Kostel.Core.Audio;

/// <summary>
/// The loudness of a recording in equal slices, for drawing: the root mean square of each slice of 50 ms as a byte,
/// on a square-root scale so that quiet speech is still seen. 20 bytes for a second of sound.
/// </summary>
public sealed class WaveformPeaks
{
    /// <summary>Length of a slice in milliseconds.</summary>
    public const int SliceMs = 50;

    private const int SliceSamples = Pcm.SampleRate * SliceMs / 1000;
    private readonly List<byte> slices = [];
    private double sum;
    private int count;

    /// <summary>Takes the next samples.</summary>
    public void Push(ReadOnlySpan<float> samples)
    {
        foreach (var s in samples)
        {
            sum += s * s;
            if (++count == SliceSamples)
            {
                Close();
            }
        }
    }

    /// <summary>All slices so far; an unfinished one counts as a whole one.</summary>
    public byte[] ToArray()
    {
        if (count > 0)
        {
            Close();
        }

        return [.. slices];
    }

    private void Close()
    {
        var rms = Math.Sqrt(sum / count);
        slices.Add((byte)Math.Clamp(Math.Round(Math.Sqrt(Math.Min(1, rms * 2)) * 255), 0, 255));
        (sum, count) = (0, 0);
    }
}
