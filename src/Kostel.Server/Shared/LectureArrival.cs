using System.Security.Cryptography;
using Kostel.Core.Study.Routines;
using Kostel.Core.Speech;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Automation;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Arriving;
using Kostel.Server.Jobs.Transcription;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>A recording that is there, looked at.</summary>
/// <param name="Hash">By which it is known again.</param>
/// <param name="Facts">Null where they cannot be told; its transcription says then why.</param>
internal sealed record ArrivedRecording(string Hash, RecordingFacts? Facts);

/// <summary>What happens with every recording that arrives, by whatever way: it is looked at, and what is to be made of it is put in the queue.</summary>
internal sealed class LectureArrival(AutomationFile automation, TimeProvider time)
{
    private const int MostInRow = 1 << 20;

    /// <summary>Looks at a file.</summary>
    public static async Task<ArrivedRecording> Examine(string path, CancellationToken cancel)
    {
        await using var file = new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.Read, MostInRow, FileOptions.Asynchronous | FileOptions.SequentialScan);
        var hash = Convert.ToHexStringLower(await SHA256.HashDataAsync(file, cancel));
        return new ArrivedRecording(hash, await Recording.TryProbe(path, cancel));
    }

    /// <summary>A lecture that has the same recording, in the bin too; null for none.</summary>
    public static Task<LectureRow?> SameAs(KostelContext context, ArrivedRecording arrived, string lectureId, CancellationToken cancel) =>
        context.Lectures.AsNoTracking().Where(l => l.ContentHash == arrived.Hash && l.Id != lectureId).OrderBy(l => l.DeletedAt != null).ThenBy(l => l.AddedAt).FirstOrDefaultAsync(cancel);

    /// <summary>Notes on a lecture what its recording is and says.</summary>
    /// <param name="titleIsGuessed">The file's own title counts more than the present one.</param>
    /// <param name="dayIsGuessed">The file's own date counts more than the present one.</param>
    public static void Note(LectureRow lecture, ArrivedRecording arrived, bool titleIsGuessed, bool dayIsGuessed)
    {
        lecture.ContentHash = arrived.Hash;
        if (arrived.Facts is not { } facts)
        {
            return;
        }

        (lecture.DurationMs, lecture.HasPicture) = (facts.DurationMs, facts.HasPicture);
        lecture.Title = titleIsGuessed ? facts.Tags.Title ?? lecture.Title : lecture.Title;
        lecture.HeldOn = dayIsGuessed ? facts.Tags.Date ?? lecture.HeldOn : lecture.HeldOn;
        lecture.BroughtChapters ??= facts.Tags.Chapters.Count > 1 ? facts.Tags.Chapters : null;
        lecture.CaptionStreams = facts.Tags.Captions.Count > 0 ? facts.Tags.Captions : null;
    }

    /// <summary>Puts in the queue what a recording that has arrived is for, to be saved by the caller: a copy for playing where one is needed, its transcript, and what its course's routine makes of that.</summary>
    /// <param name="lecture">With its course; saved already.</param>
    /// <param name="choice">How to transcribe it; null where there is a transcript already.</param>
    public async Task Enqueue(KostelContext context, LectureRow lecture, ArrivedRecording arrived, TranscriptionChoice? choice, CancellationToken cancel)
    {
        if (arrived.Facts is { } facts && !BrowserPlayback.Plays(facts))
        {
            context.Enqueue(CopyWork.Copying, lecture.Id, new CopyTask(), Now);
        }

        int? after = null;
        if (choice is not null)
        {
            // A file that says in which language it is, is believed where the person did not say.
            var language = choice.Language ?? arrived.Facts?.Tags.Language;
            var job = context.Enqueue(TranscriptionWork.Transcription, lecture.Id, new TranscriptionTask(choice with { Language = language }), Now);
            await context.SaveChangesAsync(cancel);
            after = job.Id;
        }

        await EnqueueRest(context, lecture, lecture.Course?.Routine, after, cancel);
    }

    /// <summary>Puts in the queue what comes after a lecture's text: what a routine makes of it, and handing all of it out.</summary>
    /// <param name="after">The job that the text comes from; null where it is there.</param>
    /// <returns>Whether there is anything to do.</returns>
    public async Task<bool> EnqueueRest(KostelContext context, LectureRow lecture, Routine? routine, int? after, CancellationToken cancel)
    {
        var isAny = false;
        if (routine is { Makes: true })
        {
            var making = context.Enqueue(RoutineWork.Making, lecture.Id, new RoutineTask(routine.Summary, routine.Cards, routine.Quiz, routine.Sheets), Now, RoutineWork.Priority, after);
            await context.SaveChangesAsync(cancel);
            (after, isAny) = (making.Id, true);
        }

        if (automation.Read().Settings.Out is not null)
        {
            context.Enqueue(HandOutWork.HandingOut, lecture.Id, new HandOutTask(), Now, after: after);
            isAny = true;
        }

        return isAny;
    }

    private DateTime Now => time.GetUtcNow().UtcDateTime;
}
