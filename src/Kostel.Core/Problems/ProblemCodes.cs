namespace Kostel.Core.Problems;

/// <summary>The codes of problems, as they stand in the answers of the server (<c>code</c>, an extension member of RFC 9457).</summary>
public static class ProblemCodes
{
    /// <summary>What is asked for does not exist, or does not any more.</summary>
    public const string NotThere = "not-there";

    /// <summary>It was changed elsewhere since it was read.</summary>
    public const string ChangedElsewhere = "changed-elsewhere";

    /// <summary>A passage reads otherwise than where the edit was made.</summary>
    public const string PassageChanged = "passage-changed";

    /// <summary>The lecture is being worked on, and what is asked for would be lost under that.</summary>
    public const string AtWork = "at-work";

    /// <summary>A value is missing, too long or out of its range.</summary>
    public const string NotValid = "not-valid";

    /// <summary>The request itself could not be read.</summary>
    public const string Unreadable = "unreadable-request";

    /// <summary>A file that was brought in cannot be read, or is none of what Kostel reads.</summary>
    public const string UnreadableFile = "unreadable-file";

    /// <summary>A file belongs to something else than it was given for.</summary>
    public const string OtherRecording = "other-recording";

    /// <summary>More than is taken here.</summary>
    public const string TooLarge = "too-large";

    /// <summary>It makes no sense for what is there.</summary>
    public const string NotPossible = "not-possible";

    /// <summary>There is nothing to take back, or to do again.</summary>
    public const string NothingToDo = "nothing-to-do";

    /// <summary>An edit makes no sense for the text as it is.</summary>
    public const string EditRefused = "edit-refused";

    /// <summary>A recording cannot be read.</summary>
    public const string Media = "media";

    /// <summary>A model is missing or damaged.</summary>
    public const string Model = "model";

    /// <summary>What an address leads to cannot be fetched.</summary>
    public const string Link = "link";

    /// <summary>The transcription service does not do what it is asked.</summary>
    public const string Service = "service";

    /// <summary>A backup cannot be made or restored.</summary>
    public const string Backup = "backup";

    /// <summary>The library cannot be opened, or only for reading.</summary>
    public const string Library = "library";

    /// <summary>Whoever asks may not.</summary>
    public const string NotAllowed = "not-allowed";

    /// <summary>Somebody else has it at this moment; trying again soon helps.</summary>
    public const string Busy = "busy";

    /// <summary>No space is left.</summary>
    public const string DiskFull = "disk-full";

    /// <summary>A protocol of sending files was not kept to.</summary>
    public const string Protocol = "protocol";

    /// <summary>A mistake of Kostel itself.</summary>
    public const string Unexpected = "unexpected";
}
