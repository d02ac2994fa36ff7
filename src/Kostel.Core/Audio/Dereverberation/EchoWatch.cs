namespace Kostel.Core.Audio.Dereverberation;

/// <summary>Tells while sound comes in whether a room echoes so much that it should be said: two stretches one after the other have to be measured so.</summary>
public sealed class EchoWatch
{
    /// <summary>Twelve seconds: in less than eight a filter finds echo in anything.</summary>
    private const int Stretch = 12 * Pcm.SampleRate;

    // Two that take turns: one fills while the other is measured.
    private float[] heard = new float[Stretch], measured = new float[Stretch];
    private volatile bool isMeasuring;
    private int filled;
    private bool last;

    /// <summary>Whether the last two stretches echoed.</summary>
    public bool Echoes { get; private set; }

    /// <summary>Takes the next samples.</summary>
    /// <returns>Measures the stretch that is full with them, from any thread and without hurry; null while none is, or while an earlier one is still measured.</returns>
    public Action? Append(ReadOnlySpan<float> samples)
    {
        Action? measure = null;
        while (samples.Length > 0)
        {
            var some = samples[..Math.Min(samples.Length, Stretch - filled)];
            some.CopyTo(heard.AsSpan(filled));
            filled += some.Length;
            samples = samples[some.Length..];
            if (filled == Stretch)
            {
                filled = 0;
                if (!isMeasuring)
                {
                    (heard, measured, isMeasuring) = (measured, heard, true);
                    measure = Measure;
                }
            }
        }

        return measure;
    }

    private void Measure()
    {
        var echoes = EchoMeter.Reverberation(measured) >= EchoMeter.Room;
        (Echoes, last) = (echoes && last, echoes);
        isMeasuring = false;
    }
}
