using Kostel.Core.Audio;

namespace Kostel.Core.Listening;

/// <summary>How long listening takes.</summary>
public static class ListeningTime
{
    /// <summary>Milliseconds that stretches take at a speed.</summary>
    /// <param name="silences">To be passed over; none to hear everything.</param>
    public static int Of(IReadOnlyList<Stretch> stretches, IReadOnlyList<Silence> silences, double speed) =>
        (int)Math.Round((stretches.Sum(s => (long)s.LengthMs) - Stretch.SharedMs(stretches, silences.Select(s => new Stretch(s.StartMs, s.EndMs)).ToList())) / Math.Max(0.1, speed));
}
