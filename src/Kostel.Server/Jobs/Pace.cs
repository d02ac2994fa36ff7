namespace Kostel.Server.Jobs;

/// <summary>How long something will take yet, by how fast it went lately: what came before (models being loaded, a slow connection) says nothing of what is to come.</summary>
internal sealed class Pace(TimeProvider time)
{
    /// <summary>An estimate from less is none.</summary>
    private static readonly TimeSpan Enough = TimeSpan.FromSeconds(3);

    /// <summary>How far back is looked.</summary>
    private static readonly TimeSpan Lately = TimeSpan.FromSeconds(25);

    private readonly Queue<(long At, double Fraction)> seen = new();

    /// <summary>Seconds until all is done; null as long as there is not enough to go by.</summary>
    /// <param name="fraction">How much is done, 0 to 1.</param>
    public int? SecondsLeft(double fraction)
    {
        var now = time.GetTimestamp();
        while (seen.TryPeek(out var oldest) && time.GetElapsedTime(oldest.At, now) > Lately && seen.Count > 1)
        {
            seen.Dequeue();
        }

        seen.Enqueue((now, fraction));
        var (at, from) = seen.Peek();
        var elapsed = time.GetElapsedTime(at, now);
        return elapsed >= Enough && fraction > from ? (int)Math.Ceiling(elapsed.TotalSeconds / (fraction - from) * (1 - fraction)) : null;
    }
}
