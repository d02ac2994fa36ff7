using Kostel.Core.Marks;
using Kostel.Core.Problems;

namespace Kostel.Core.Recordings;

/// <summary>What was marked while a recording ran.</summary>
/// <param name="AtMs">In the sound.</param>
/// <param name="Picture">The name of its picture's file; null where none belongs to it.</param>
public sealed record RecordedMark(MarkKind Kind, int AtMs, string Text, string? Picture = null)
{
    /// <summary>A recording has no more of them.</summary>
    private const int Most = 2_000;

    /// <summary>A piece of the sound may be on its way still: a mark may lie a little behind what has arrived.</summary>
    private const int AheadMs = 60_000;

    /// <summary>One more.</summary>
    /// <exception cref="NotValidException">There are as many as a recording may have.</exception>
    public static IReadOnlyList<RecordedMark> Add(IReadOnlyList<RecordedMark> all, RecordedMark one) =>
        all.Count < Most ? [.. all, one] : throw new NotValidException($"A recording has at most {Most} marks.");

    /// <summary>The moment of a mark, inside what is recorded.</summary>
    public static int Within(int atMs, int recordedMs) => Math.Clamp(atMs, 0, recordedMs + AheadMs);
}
