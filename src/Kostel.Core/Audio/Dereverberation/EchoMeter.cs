namespace Kostel.Core.Audio.Dereverberation;

/// <summary>Tells whether a room can be heard: how much softer the sound becomes when its late reverberation is taken off.</summary>
internal static class EchoMeter
{
    /// <summary>
    /// What is measured from here on is a room. Measured: speech without a room -0.07 to 0.01, noise up to 0.04, speech with a
    /// room's echo 0.22 to 0.39.
    /// </summary>
    public const double Room = 0.1;

    /// <summary>A band in every 500 Hz from 300 Hz to 4 kHz, where speech is strong.</summary>
    private const int First = 10, Last = 128, Step = 16;

    /// <summary>The mean of the natural logarithm of power with to power without, over frames and bands. About 0 without a room.</summary>
    /// <param name="sound">Begins with the <see cref="LateReverberation.History"/> frames before those that are measured.</param>
    public static double Reverberation(ReadOnlySpan<float> sound)
    {
        var (sum, count) = (0.0, 0L);
        for (var number = First; number < Last; number += Step)
        {
            var heard = ShortTimeSpectra.BandOf(sound, number);
            if (heard.Frames <= LateReverberation.History)
            {
                return 0;
            }

            var said = LateReverberation.Remove(heard);
            for (var t = 0; t < said.Frames; t++)
            {
                var (with, without) = (heard.Power(t + LateReverberation.History), said.Power(t));
                if (with > 0 && without > 0)
                {
                    sum += Math.Log(with / without);
                    count++;
                }
            }
        }

        return count == 0 ? 0 : sum / count;
    }
}
