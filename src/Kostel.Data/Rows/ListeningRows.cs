using Kostel.Core.Listening;

namespace Kostel.Data.Rows;

/// <summary>What a person has heard of a lecture.</summary>
public sealed class HeardRow
{
    public required string LectureId { get; set; }

    public int OwnerId { get; set; }

    /// <summary>In order and apart.</summary>
    public required IReadOnlyList<Stretch> Stretches { get; set; }

    /// <summary>Their length together.</summary>
    public int HeardMs { get; set; }
}

/// <summary>A part of a listening plan.</summary>
/// <param name="Title">What it is, in the words of the moment when it was chosen.</param>
public sealed record PlanPart(string LectureId, int StartMs, int EndMs, string Title);

/// <summary>Parts of lectures that a person wants to listen to, in their order.</summary>
public sealed class PlanRow
{
    public int Id { get; set; }

    public int OwnerId { get; set; } = PersonRow.TheOne;

    public required string Title { get; set; }

    public required IReadOnlyList<PlanPart> Parts { get; set; }

    /// <summary>The part in which listening stopped, and the moment of its recording.</summary>
    public int Part { get; set; }

    public int AtMs { get; set; }

    public DateTime MadeAt { get; set; }

    /// <summary>Set when it was taken away; it can be brought back.</summary>
    public DateTime? DeletedAt { get; set; }
}
