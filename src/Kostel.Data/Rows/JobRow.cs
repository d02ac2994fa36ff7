namespace Kostel.Data.Rows;

/// <summary>What a job is doing.</summary>
public enum JobStage
{
    /// <summary>Looking at the file.</summary>
    Checking,

    /// <summary>Recognising what is said.</summary>
    Listening,

    /// <summary>Dividing it into passages and chapters.</summary>
    Arranging,

    /// <summary>Fetching it from the web.</summary>
    Fetching,

    /// <summary>Making something of what is there.</summary>
    Making,
}

/// <summary>How a job stands.</summary>
public enum JobState
{
    /// <summary>Waiting for its turn, or to go on after a restart.</summary>
    Waiting,

    /// <summary>At work.</summary>
    Running,

    /// <summary>Finished.</summary>
    Done,

    /// <summary>Ended by a problem; can be tried again.</summary>
    Failed,

    /// <summary>Stopped by the person; can be tried again.</summary>
    Cancelled,
}

/// <summary>Work that takes its time and survives a restart.</summary>
public sealed class JobRow
{
    public int Id { get; set; }

    /// <summary>Names who does it. One of a kind that this Kostel does not know is left waiting.</summary>
    public required string Kind { get; set; }

    /// <summary>The lecture that it is for; null for none.</summary>
    public string? LectureId { get; set; }

    /// <summary>What it was asked for, as its kind writes it down (<see cref="Stored.VersionedJson"/>).</summary>
    public required string Payload { get; set; }

    /// <summary>What is higher comes first; of the same the older.</summary>
    public int Priority { get; set; }

    /// <summary>The job that must be done before; null for none.</summary>
    public int? AfterId { get; set; }

    public JobStage Stage { get; set; }

    public JobState State { get; set; }

    /// <summary>What went wrong, in plain words.</summary>
    public string? Problem { get; set; }

    public DateTime CreatedAt { get; set; }

    public DateTime? EndedAt { get; set; }
}
