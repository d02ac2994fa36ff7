using Kostel.Core.Links;
using Kostel.Core.Problems;

namespace Kostel.Core.Feeds;

/// <summary>A feed of recordings (RSS 2.0 or Atom 1.0).</summary>
/// <param name="Page">The page that it belongs to.</param>
/// <param name="Episodes">As the feed orders them, each identity once.</param>
/// <param name="Problems">What was passed over, in plain words.</param>
public sealed record Feed(string Title, Uri? Page, IReadOnlyList<Episode> Episodes, IReadOnlyList<string> Problems);

/// <summary>One recording of a feed.</summary>
/// <param name="Key">By what it is known again: what the feed says identifies it, else the recording's address.</param>
/// <param name="Published">When, if the feed says so.</param>
/// <param name="Media">Where the recording is.</param>
/// <param name="Bytes">As the feed says; null where it does not.</param>
/// <param name="DurationMs">As the feed says; null where it does not.</param>
/// <param name="Page">The page about it.</param>
/// <param name="Captions">Transcripts and captions that belong to it.</param>
/// <param name="Chapters">Where its chapters are, in the open JSON form.</param>
public sealed record Episode(
    string Key, string Title, DateTimeOffset? Published, Uri Media, string? MediaType, long? Bytes, int? DurationMs, Uri? Page, IReadOnlyList<CaptionLink> Captions, Uri? Chapters);

/// <summary>A text is no feed that Kostel can read; the message says where and why.</summary>
public sealed class FeedProblemException(string message, Exception? reason = null) : KnownProblemException(ProblemCodes.UnreadableFile, message, reason);
