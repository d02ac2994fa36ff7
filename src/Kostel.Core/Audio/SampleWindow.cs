namespace Kostel.Core.Audio;

/// <summary>The most recent stretch of a stream of samples, addressed by sample number; older samples are let go.</summary>
public sealed class SampleWindow(long start)
{
    private float[] buffer = new float[Pcm.SampleRate * 4];
    private int count;

    /// <summary>Number of the first sample still held.</summary>
    public long Start { get; private set; } = start;

    /// <summary>Number of the next sample to come.</summary>
    public long End => Start + count;

    /// <summary>Takes the next samples.</summary>
    public void Append(ReadOnlySpan<float> samples)
    {
        if (count + samples.Length > buffer.Length)
        {
            Array.Resize(ref buffer, Math.Max(buffer.Length * 2, count + samples.Length));
        }

        samples.CopyTo(buffer.AsSpan(count));
        count += samples.Length;
    }

    /// <summary>Samples from <paramref name="from"/> to <paramref name="to"/> (exclusive), as far as they are held.</summary>
    public ReadOnlySpan<float> Slice(long from, long to)
    {
        var first = (int)Math.Clamp(from - Start, 0, count);
        var last = (int)Math.Clamp(to - Start, first, count);
        return buffer.AsSpan(first, last - first);
    }

    /// <summary>Lets go of everything before a sample.</summary>
    public void DropBefore(long sample)
    {
        var drop = (int)Math.Clamp(sample - Start, 0, count);
        buffer.AsSpan(drop, count - drop).CopyTo(buffer);
        count -= drop;
        Start += drop;
    }
}
