using Kostel.Core.Links;

namespace Kostel.Data.Rows;

/// <summary>A feed of recordings that a person knows.</summary>
public sealed class FeedRow
{
    public int Id { get; set; }

    public required string Address { get; set; }

    public required string Title { get; set; }

    /// <summary>Where its lectures go; null for no course.</summary>
    public int? CourseId { get; set; }

    /// <summary>Whether new episodes come in by themselves.</summary>
    public bool IsFollowed { get; set; }

    /// <summary>What tells its content from a later one, as its server said (RFC 9110).</summary>
    public string? Tag { get; set; }

    /// <summary>The same by time.</summary>
    public string? ChangedAt { get; set; }

    /// <summary>When it was last asked…</summary>
    public DateTime CheckedAt { get; set; }

    /// <summary>…and when it will be.</summary>
    public DateTime NextAt { get; set; }

    /// <summary>Why it could not be read the last time, in plain words.</summary>
    public string? Problem { get; set; }
}

/// <summary>An episode of a feed.</summary>
public sealed class EpisodeRow
{
    public int FeedId { get; set; }

    /// <summary>By what it is known again.</summary>
    public required string Key { get; set; }

    /// <summary>Where it stood in the feed, the newest first.</summary>
    public int Number { get; set; }

    public required string Title { get; set; }

    public DateTime? PublishedAt { get; set; }

    public required string Media { get; set; }

    public string? Page { get; set; }

    public long? Bytes { get; set; }

    public int? DurationMs { get; set; }

    public string? ChapterFile { get; set; }

    public required IReadOnlyList<CaptionLink> Captions { get; set; }

    /// <summary>The lecture that it became; null if it was not brought in, or was thrown away.</summary>
    public string? LectureId { get; set; }

    /// <summary>Whether it came after the feed was first read, and nobody has seen it in its list.</summary>
    public bool IsNew { get; set; }
}
