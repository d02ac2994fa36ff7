namespace Kostel.Links;

/// <summary>What is spent on an address at most (judgements: a page, a feed and a recording of any honest size fit).</summary>
public sealed record LinkLimits
{
    /// <summary>Until a connection stands.</summary>
    public TimeSpan Connect { get; init; } = TimeSpan.FromSeconds(15);

    /// <summary>Until an answer begins.</summary>
    public TimeSpan Answer { get; init; } = TimeSpan.FromSeconds(30);

    /// <summary>Between two pieces of an answer.</summary>
    public TimeSpan Silence { get; init; } = TimeSpan.FromSeconds(45);

    /// <summary>For a page or a feed altogether.</summary>
    public TimeSpan Page { get; init; } = TimeSpan.FromSeconds(60);

    /// <summary>For a recording that does not say how long it is.</summary>
    public TimeSpan Endless { get; init; } = TimeSpan.FromHours(12);

    /// <summary>Of a page, unpacked.</summary>
    public long PageBytes { get; init; } = 8L << 20;

    /// <summary>Of a feed, unpacked.</summary>
    public long FeedBytes { get; init; } = 48L << 20;

    /// <summary>Of a recording.</summary>
    public long RecordingBytes { get; init; } = 20L << 30;

    /// <summary>Of a recording that does not say how long it is.</summary>
    public long EndlessBytes { get; init; } = 4L << 30;

    /// <summary>From one address to the next.</summary>
    public int Redirects { get; init; } = 8;

    /// <summary>How often a recording that breaks off is taken up again without a byte more having come.</summary>
    public int Retries { get; init; } = 4;

    /// <summary>Before the first of these; each further waits twice as long.</summary>
    public TimeSpan RetryPause { get; init; } = TimeSpan.FromSeconds(1);
}
