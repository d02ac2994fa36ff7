using Kostel.Core.Marks;
using Kostel.Core.Study.Made;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Data.Rows;

/// <summary>An edit of a lecture's transcript, to be taken back and done again.</summary>
public sealed class EditRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    /// <summary>What it did, in plain words.</summary>
    public required string What { get; set; }

    public required TranscriptPatch Patch { get; set; }

    /// <summary>What it changed in cards and whatever else was made from the lecture.</summary>
    public IReadOnlyList<MadeChange> Made { get; set; } = [];

    public bool IsUndone { get; set; }

    public DateTime MadeAt { get; set; }
}

/// <summary>What the recogniser wrote, or what was brought in, kept from the first edit on.</summary>
public sealed class OriginalRow
{
    public required string LectureId { get; set; }

    public required Transcript Transcript { get; set; }
}

/// <summary>A mark of a person.</summary>
public sealed class MarkRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    /// <summary>Whose mark.</summary>
    public int OwnerId { get; set; } = PersonRow.TheOne;

    public MarkKind Kind { get; set; }

    public int StartMs { get; set; }

    /// <summary>The same as the start for a moment.</summary>
    public int EndMs { get; set; }

    public required string Quote { get; set; }

    public required string Text { get; set; }

    /// <summary>Name of a picture's file in the lecture's folder.</summary>
    public string? Picture { get; set; }

    /// <summary>What was learned of something unclear; null while it is open.</summary>
    public string? Resolved { get; set; }

    public DateTime MadeAt { get; set; }

    /// <summary>Set when it was taken away; it can be brought back.</summary>
    public DateTime? DeletedAt { get; set; }

    /// <summary>Goes up with every change.</summary>
    public int Version { get; set; }
}
