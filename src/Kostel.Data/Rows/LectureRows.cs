using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Speech;
using Kostel.Core.Study.Routines;
using Kostel.Core.Transcripts.Edits;
using Kostel.Core.Transcripts;

namespace Kostel.Data.Rows;

/// <summary>A subject or module.</summary>
public sealed class CourseRow
{
    public int Id { get; set; }

    public required string Title { get; set; }

    /// <summary>Its place among the courses; of the same place by title.</summary>
    public int Place { get; set; }

    /// <summary>Set when it was put out of the way.</summary>
    public DateTime? ArchivedAt { get; set; }

    /// <summary>Goes up with every change of its terms.</summary>
    public int TermsVersion { get; set; }

    /// <summary>What is made when a lecture arrives; null for only its transcript.</summary>
    public Routine? Routine { get; set; }
}

/// <summary>A term of a course, to be listened for.</summary>
public sealed class TermRow
{
    public int CourseId { get; set; }

    public int Number { get; set; }

    public required string Written { get; set; }

    public string? SoundsLike { get; set; }
}

/// <summary>A recording that was brought in. Times of day are UTC; times in the recording are milliseconds.</summary>
public sealed class LectureRow
{
    /// <summary>Stands in addresses and names the lecture's folder: letters, digits and hyphens.</summary>
    public required string Id { get; set; }

    public required string Title { get; set; }

    public DateOnly? HeldOn { get; set; }

    public int? CourseId { get; set; }

    public CourseRow? Course { get; set; }

    /// <summary>The file's name where it came from, for showing only.</summary>
    public required string SourceName { get; set; }

    public long SourceBytes { get; set; }

    /// <summary>Where on the web it comes from: the page, where there is one. Null for a file.</summary>
    public string? SourceAddress { get; set; }

    /// <summary>By which the same recording is known again, whatever its name (SHA-256 of the file); null as long as it is not there.</summary>
    public string? ContentHash { get; set; }

    /// <summary>Chapters that came with it; null for none. They are kept when its transcript is made.</summary>
    public IReadOnlyList<ChapterMark>? BroughtChapters { get; set; }

    /// <summary>What a person wrote in place of what was heard while it was recorded; null for nothing. Its transcript keeps that.</summary>
    public IReadOnlyList<HeardCorrection>? HeardCorrections { get; set; }

    /// <summary>Captions inside of its file.</summary>
    public IReadOnlyList<CaptionStream>? CaptionStreams { get; set; }

    /// <summary>Whether there is a copy for playing, because browsers do not play the file itself.</summary>
    public bool HasCopy { get; set; }

    /// <summary>The code of what is spoken (ISO 639).</summary>
    public string Language { get; set; } = "en";

    /// <summary>Whether the program found that out by itself.</summary>
    public bool LanguageIsGuessed { get; set; }

    public int DurationMs { get; set; }

    /// <summary>How its transcript was made…</summary>
    public Accuracy MadeWith { get; set; }

    /// <summary>…and when; null as long as there is none.</summary>
    public DateTime? MadeAt { get; set; }

    /// <summary>By which service, when it was not this computer.</summary>
    public string? MadeBy { get; set; }

    public bool HasPicture { get; set; }

    /// <summary>False for a text that was brought in without a recording.</summary>
    public bool HasSound { get; set; } = true;

    /// <summary>Something to know about the result ("no speech was heard"), in plain words.</summary>
    public string? Notice { get; set; }

    public DateTime AddedAt { get; set; }

    /// <summary>Set while it lies in the bin.</summary>
    public DateTime? DeletedAt { get; set; }

    /// <summary>Goes up with every change of title, date or course.</summary>
    public int Version { get; set; }

    /// <summary>Goes up with every change of the transcript.</summary>
    public int TextVersion { get; set; }
}

/// <summary>Where a file is on its way in.</summary>
public sealed class UploadRow
{
    public required string Id { get; set; }

    public required string FileName { get; set; }

    public long Length { get; set; }

    public required string Title { get; set; }

    public DateOnly? HeldOn { get; set; }

    public string? Course { get; set; }

    public TranscriptionChoice Choice
    {
        get => new(Accuracy, Language, ByService, Voices, Model);
        set => (Accuracy, Language, ByService, Voices, Model) = (value.Accuracy, value.Language, value.ByService, value.Voices, value.Model);
    }

    public Accuracy Accuracy { get; set; }

    public string? Language { get; set; }

    public bool ByService { get; set; }

    public int? Voices { get; set; }

    /// <summary>A recogniser of the person's own, by its name.</summary>
    public string? Model { get; set; }

    public DateTime CreatedAt { get; set; }

    /// <summary>Whether the date is only that of the file.</summary>
    public bool HeldOnIsGuessed { get; set; }

    /// <summary>The lecture that has the same recording; then it waits to be told what to do.</summary>
    public string? SameAs { get; set; }

    /// <summary>When its last bytes came.</summary>
    public DateTime TouchedAt { get; set; }
}

/// <summary>Somebody who speaks.</summary>
public sealed class SpeakerRow
{
    public required string LectureId { get; set; }

    public int Number { get; set; }

    public required string Key { get; set; }

    public required string Name { get; set; }

    public bool Asks { get; set; }
}

/// <summary>A passage with its words.</summary>
public sealed class PassageRow
{
    public required string LectureId { get; set; }

    public int Number { get; set; }

    public required string Key { get; set; }

    public required string SpeakerKey { get; set; }

    public int StartMs { get; set; }

    public int EndMs { get; set; }

    public required IReadOnlyList<Word> Words { get; set; }
}

/// <summary>A transcript that was replaced by a newer one and is kept.</summary>
public sealed class EarlierTranscriptRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    public Accuracy Accuracy { get; set; }

    /// <summary>By which service, when it was not this computer.</summary>
    public string? MadeBy { get; set; }

    /// <summary>When it was made.</summary>
    public DateTime MadeAt { get; set; }

    public int WordCount { get; set; }

    /// <summary>What there was to know about it.</summary>
    public string? Notice { get; set; }

    public required Transcript Transcript { get; set; }
}

/// <summary>A chapter.</summary>
public sealed class ChapterRow
{
    public required string LectureId { get; set; }

    public int Number { get; set; }

    public required string Title { get; set; }

    public int StartMs { get; set; }

    public int EndMs { get; set; }
}

/// <summary>A recognised utterance of a transcription that is not finished: what a restart goes on from.</summary>
public sealed class UtteranceRow
{
    public required string LectureId { get; set; }

    public int Number { get; set; }

    public long StartSample { get; set; }

    public long EndSample { get; set; }

    public required IReadOnlyList<Word> Words { get; set; }
}
