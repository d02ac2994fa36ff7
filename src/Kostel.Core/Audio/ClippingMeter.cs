namespace Kostel.Core.Audio;

/// <summary>Tells how much of a recording was too loud for the device that made it: there the sound stands still at its limit.</summary>
public sealed class ClippingMeter
{
    /// <summary>What reaches this is at the limit.</summary>
    private const float Limit = 0.97f;

    /// <summary>A loud sound touches the limit for a sample or two.</summary>
    private const int ShortestRun = 3;

    private long clipped;
    private int run;

    /// <summary>How many samples were heard.</summary>
    public long Samples { get; private set; }

    /// <summary>The share of samples that were cut off, 0 to 1.</summary>
    public double Share => Samples == 0 ? 0 : clipped / (double)Samples;

    /// <summary>Takes the next samples.</summary>
    public void Push(ReadOnlySpan<float> piece)
    {
        Samples += piece.Length;
        foreach (var sample in piece)
        {
            run = Math.Abs(sample) >= Limit ? run + 1 : 0;
            clipped += run < ShortestRun ? 0 : run == ShortestRun ? ShortestRun : 1;
        }
    }
}
