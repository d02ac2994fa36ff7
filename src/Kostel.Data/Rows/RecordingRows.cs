using Kostel.Core.Recordings;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Data.Rows;

/// <summary>How a recording stands.</summary>
public enum RecordingState
{
    /// <summary>Pieces arrive, or it waits to be gone on with.</summary>
    Open,

    /// <summary>The person ended it; it becomes a lecture.</summary>
    Ended,
}

/// <summary>A recording that is being made, until it is a lecture with the same identifier.</summary>
public sealed class RecordingRow
{
    public required string Id { get; set; }

    public int OwnerId { get; set; } = PersonRow.TheOne;

    public required string Title { get; set; }

    public string? Course { get; set; }

    /// <summary>Null where nobody said.</summary>
    public string? Language { get; set; }

    /// <summary>Without it no sound is written to disk.</summary>
    public bool KeepsSound { get; set; }

    public RecordingState State { get; set; }

    /// <summary>The day on which it was begun, of the person's own.</summary>
    public DateOnly HeldOn { get; set; }

    public DateTime StartedAt { get; set; }

    /// <summary>When the last piece came.</summary>
    public DateTime TouchedAt { get; set; }

    /// <summary>The number of the piece that is waited for.</summary>
    public int NextPiece { get; set; }

    /// <summary>How many samples the pieces have together.</summary>
    public long Samples { get; set; }

    /// <summary>Who may send pieces: another window that takes it up gets another one.</summary>
    public required string Turn { get; set; }

    public IReadOnlyList<RecordedMark> Marks { get; set; } = [];

    /// <summary>What the person wrote in place of what was heard; what is heard stays as it is.</summary>
    public IReadOnlyList<HeardCorrection> Corrections { get; set; } = [];
}

/// <summary>Words of a recording that became certain together.</summary>
public sealed class RecordedWordsRow
{
    public required string RecordingId { get; set; }

    public int Number { get; set; }

    public required IReadOnlyList<Word> Words { get; set; }
}
