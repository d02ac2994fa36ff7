namespace Kostel.Core.Marks;

/// <summary>What a person marks a place for.</summary>
public enum MarkKind
{
    /// <summary>It matters.</summary>
    Key,

    /// <summary>Not understood yet; open until it is resolved.</summary>
    Unclear,

    /// <summary>To be known for the exam.</summary>
    Exam,

    /// <summary>A note of one's own, or a picture.</summary>
    Note,

    /// <summary>A label of one's own on a passage, for later sorting; the text is the label.</summary>
    Label,
}

/// <summary>A span or moment of a lecture that a person marked.</summary>
/// <param name="EndMs">The same as the start for a moment.</param>
/// <param name="Quote">The words that stood there when it was marked; empty for a moment.</param>
/// <param name="Text">What the person wrote; for a label its name.</param>
/// <param name="Resolved">What was learned of something unclear; null while it is open.</param>
public sealed record Mark(MarkKind Kind, int StartMs, int EndMs, string Quote, string Text, string? Resolved);
