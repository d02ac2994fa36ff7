using Kostel.Core.Chapters;
using Kostel.Core.Links;

namespace Kostel.Links.Looking;

/// <summary>A recording that a page offers.</summary>
/// <param name="Type">Its media type, if the page says it.</param>
/// <param name="Worth">How sure it is that this is what the page is about; the highest is taken.</param>
internal sealed record OfferedMedia(Uri Address, string? Type, MediaWorth Worth);

/// <summary>Where on a page a recording was named, the surest last.</summary>
internal enum MediaWorth
{
    /// <summary>An ordinary link to a file with the ending of a recording.</summary>
    PlainLink,

    /// <summary>A link of the page's head.</summary>
    HeadLink,

    /// <summary>Open Graph.</summary>
    OpenGraph,

    /// <summary>An element that plays it.</summary>
    Element,

    /// <summary>schema.org, which is written for programs.</summary>
    Schema,
}

/// <summary>What a page says of the recording that it is about.</summary>
/// <param name="Media">The surest first, each address once.</param>
/// <param name="ChapterFile">Where its chapters are, if they stand in a file.</param>
/// <param name="Embedding">Where more can be asked (oEmbed).</param>
/// <param name="Frames">Pages shown inside of it, in which a player may be.</param>
/// <param name="Feeds">Feeds that it names.</param>
internal sealed record FoundPage(
    string Title,
    DateOnly? Date,
    int? DurationMs,
    Uri? Picture,
    IReadOnlyList<OfferedMedia> Media,
    IReadOnlyList<CaptionLink> Captions,
    IReadOnlyList<ChapterMark> Chapters,
    Uri? ChapterFile,
    Uri? Embedding,
    IReadOnlyList<Uri> Frames,
    IReadOnlyList<Uri> Feeds);
