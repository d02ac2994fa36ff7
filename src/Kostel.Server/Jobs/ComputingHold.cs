namespace Kostel.Server.Jobs;

/// <summary>Lets what is computed wait while somebody is recording: their text comes first. It lasts until nothing was heard of them for a while.</summary>
internal sealed class ComputingHold(TimeProvider time)
{
    /// <summary>A recording that is paused for longer lets the others go on.</summary>
    public static readonly TimeSpan Lasts = TimeSpan.FromSeconds(15);

    private long until;

    /// <summary>Whether it is to wait.</summary>
    public bool IsOn => time.GetTimestamp() < Interlocked.Read(ref until);

    /// <summary>From now on, for a while.</summary>
    public void Begin() => Interlocked.Exchange(ref until, time.GetTimestamp() + (long)(Lasts.TotalSeconds * time.TimestampFrequency));

    /// <summary>No longer.</summary>
    public void End() => Interlocked.Exchange(ref until, 0);
}
