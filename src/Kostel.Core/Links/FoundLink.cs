using Kostel.Core.Chapters;

namespace Kostel.Core.Links;

/// <summary>Captions or a transcript on the web.</summary>
/// <param name="Type">Its media type, if it was told.</param>
/// <param name="Language">ISO 639 code, if it was told.</param>
public sealed record CaptionLink(Uri Address, string? Type = null, string? Language = null);

/// <summary>What an address leads to.</summary>
public enum LinkKind
{
    /// <summary>A recording.</summary>
    Recording,

    /// <summary>A playlist of pieces of a recording (HTTP Live Streaming, RFC 8216).</summary>
    Stream,

    /// <summary>A feed of recordings.</summary>
    Feed,

    /// <summary>A page that does not say where its recording is: only the person's own downloader may know.</summary>
    Outside,
}

/// <summary>What was found behind an address, before anything of it is fetched.</summary>
/// <param name="Address">As it was given.</param>
/// <param name="Media">Where the recording itself is; for a feed, where that is.</param>
/// <param name="Title">Empty if nothing says one.</param>
/// <param name="Bytes">As told; null where it is not.</param>
/// <param name="Captions">What can be taken instead of transcribing.</param>
/// <param name="Chapters">Chapters that were found with it.</param>
public sealed record FoundLink(
    Uri Address, LinkKind Kind, Uri Media, string Title, DateOnly? Date, long? Bytes, int? DurationMs, Uri? Picture, IReadOnlyList<CaptionLink> Captions, IReadOnlyList<ChapterMark> Chapters)
{
    /// <summary>Whether nobody said the title but the address: what the recording says of itself counts more.</summary>
    public bool TitleIsGuessed { get; init; }
}
