using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>How a transcript was made.</summary>
/// <param name="Accuracy">With which; without a meaning for a text that was brought in.</param>
/// <param name="By">The service or the file that it is from; null for this computer.</param>
/// <param name="At">When.</param>
public sealed record Provenance(Accuracy Accuracy, string? By, DateTime At);

/// <summary>A transcript with all that a lecture is told by it.</summary>
/// <param name="Notice">What there is to know about it.</param>
public sealed record InstalledTranscript(Transcript Transcript, string? Notice, Provenance Provenance)
{
    /// <summary>Whether its language was found out and not said by anybody.</summary>
    public bool LanguageIsGuessed { get; init; }

    /// <summary>Whether the recording has a picture; null to leave it as it is known.</summary>
    public bool? HasPicture { get; init; }
}

/// <summary>The one way in which a lecture gets another transcript, with everything that depends on it.</summary>
public static class TranscriptInstall
{
    /// <summary>
    /// Puts a transcript in place of the one that there is: what there was is kept among the earlier ones; language, length, notice and
    /// provenance of the lecture follow; its text has another version. In a transaction of the caller's.
    /// </summary>
    /// <param name="lecture">Read in the same transaction.</param>
    /// <returns>The text's version.</returns>
    public static async Task<int> InstallTranscript(this KostelContext context, LectureRow lecture, InstalledTranscript installed, CancellationToken cancel)
    {
        await context.KeepTranscript(lecture, cancel);
        var (accuracy, by, at) = installed.Provenance;
        (lecture.MadeWith, lecture.MadeBy, lecture.MadeAt) = (accuracy, by, at);
        (lecture.Language, lecture.LanguageIsGuessed) = (installed.Transcript.Language, installed.LanguageIsGuessed);
        (lecture.DurationMs, lecture.Notice) = (installed.Transcript.DurationMs, installed.Notice);
        lecture.HasPicture = installed.HasPicture ?? lecture.HasPicture;
        await context.ReplaceTranscript(lecture, installed.Transcript, cancel);
        return lecture.TextVersion;
    }

    /// <summary>Notes what a recording is. Where there is a transcript its own length stands until another is there.</summary>
    public static Task NoteRecording(this KostelContext context, string lectureId, int durationMs, bool hasPicture, CancellationToken cancel) =>
        context.Lectures.Where(l => l.Id == lectureId && l.MadeAt == null).ExecuteUpdateAsync(
            s => s.SetProperty(l => l.DurationMs, durationMs).SetProperty(l => l.HasPicture, hasPicture), cancel);

    /// <summary>Notes the language while the first transcript is written. An attempt at another transcript changes nothing until that is there.</summary>
    public static Task NoteLanguage(this KostelContext context, string lectureId, string language, bool isGuessed, string? notice, CancellationToken cancel) =>
        context.Lectures.Where(l => l.Id == lectureId && l.MadeAt == null).ExecuteUpdateAsync(
            s => s.SetProperty(l => l.Language, language).SetProperty(l => l.LanguageIsGuessed, isGuessed).SetProperty(l => l.Notice, notice), cancel);

    /// <summary>Keeps the transcript that a lecture has now, if it has one, among its earlier ones; at the next save.</summary>
    private static async Task KeepTranscript(this KostelContext context, LectureRow lecture, CancellationToken cancel)
    {
        if (!await context.Passages.AnyAsync(p => p.LectureId == lecture.Id, cancel))
        {
            return;
        }

        var transcript = await context.Transcript(lecture, cancel);
        context.EarlierTranscripts.Add(new EarlierTranscriptRow
        {
            LectureId = lecture.Id,
            Accuracy = lecture.MadeWith,
            MadeBy = lecture.MadeBy,
            MadeAt = lecture.MadeAt ?? lecture.AddedAt,
            WordCount = transcript.Passages.Sum(p => p.Words.Count),
            Notice = lecture.Notice,
            Transcript = transcript,
        });
    }

    /// <summary>Adds the rows of a transcript, in place of earlier ones and of the utterances it was made from.</summary>
    private static async Task ReplaceTranscript(this KostelContext context, LectureRow lecture, Transcript transcript, CancellationToken cancel)
    {
        var id = lecture.Id;
        await context.Utterances.Where(u => u.LectureId == id).ExecuteDeleteAsync(cancel);
        await context.Passages.Where(p => p.LectureId == id).ExecuteDeleteAsync(cancel);
        await context.Speakers.Where(s => s.LectureId == id).ExecuteDeleteAsync(cancel);
        await context.Chapters.Where(c => c.LectureId == id).ExecuteDeleteAsync(cancel);

        // Edits were made on the words that go; the edited text itself is kept among the earlier ones.
        await context.Edits.Where(e => e.LectureId == id).ExecuteDeleteAsync(cancel);
        await context.Originals.Where(o => o.LectureId == id).ExecuteDeleteAsync(cancel);
        context.Speakers.AddRange(transcript.Speakers.Select((s, i) => TranscriptStore.Row(id, i, s)));
        context.Passages.AddRange(transcript.Passages.Select((p, i) => TranscriptStore.Row(id, i, p)));
        context.Chapters.AddRange(transcript.Chapters.Select((c, i) => TranscriptStore.Row(id, i, c)));
        await context.SaveChangesAsync(cancel);
        await context.NextTextVersion(lecture, cancel);
    }
}
