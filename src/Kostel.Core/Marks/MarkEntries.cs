using Kostel.Core.Entries;
using Kostel.Core.Problems;

namespace Kostel.Core.Marks;

/// <summary>What a person can enter for a mark.</summary>
public static class MarkEntries
{
    /// <summary>The span of a mark, kept inside its lecture.</summary>
    public static (int StartMs, int EndMs) Span(int startMs, int endMs, int durationMs)
    {
        var start = Math.Clamp(startMs, 0, Math.Max(0, durationMs));
        return (start, Math.Clamp(endMs, start, Math.Max(start, durationMs)));
    }

    /// <summary>What is written to a mark: a label's name, or a note.</summary>
    /// <exception cref="NotValidException">It is too long, or a label has no name.</exception>
    public static string Text(MarkKind kind, string text) => (kind == MarkKind.Label ? EntryRules.Label : EntryRules.Note).Read(text);

    /// <summary>What was learned of something unclear; null leaves it open. Only what is unclear can be resolved.</summary>
    /// <exception cref="NotValidException">It is too long.</exception>
    public static string? Resolved(MarkKind kind, string? resolved) => resolved is null || kind != MarkKind.Unclear ? null : EntryRules.Learned.Read(resolved);
}
