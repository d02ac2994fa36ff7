using System.Diagnostics;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>How long it will take until something is whole, by how fast it came so far.</summary>
internal sealed class ArrivalPace
{
    /// <summary>An estimate from less is none.</summary>
    private const int EnoughSeconds = 2;

    private readonly Stopwatch watch = Stopwatch.StartNew();
    private double? from;

    /// <summary>Seconds; null as long as there is not enough to go by.</summary>
    public int? SecondsLeft(double fraction)
    {
        from ??= fraction;
        var gained = fraction - from.Value;
        return watch.Elapsed.TotalSeconds > EnoughSeconds && gained > 0 ? (int)Math.Ceiling(watch.Elapsed.TotalSeconds / gained * (1 - fraction)) : null;
    }
}
