using Kostel.Core.Speech;

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

/// <summary>The transcription of a lecture.</summary>
public sealed class JobRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    /// <summary>What it was asked for.</summary>
    public TranscriptionChoice Choice
    {
        get => new(Accuracy, Language, ByService, Voices);
        set => (Accuracy, Language, ByService, Voices) = (value.Accuracy, value.Language, value.ByService, value.Voices);
    }

    public Accuracy Accuracy { get; set; }

    public string? Language { get; set; }

    /// <summary>Whether the language was not asked for but found out.</summary>
    public bool LanguageIsGuessed { get; set; }

    public bool ByService { get; set; }

    public int? Voices { get; set; }

    /// <summary>The words stay; only who speaks is found out anew.</summary>
    public bool OnlyVoices { get; set; }

    public JobStage Stage { get; set; }

    public JobState State { get; set; }

    /// <summary>What went wrong, in plain words.</summary>
    public string? Problem { get; set; }

    public DateTime CreatedAt { get; set; }

    public DateTime? EndedAt { get; set; }
}
