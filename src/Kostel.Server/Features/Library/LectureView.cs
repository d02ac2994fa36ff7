using System.Linq.Expressions;
using Kostel.Core.Audio;
using Kostel.Core.Study;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Languages;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Library;

/// <summary>A lecture as lists and headings show it.</summary>
/// <param name="LanguageIsGuessed">Nobody said so; the program found it out.</param>
/// <param name="MakesCards">Whether cards and quizzes can be made of its language.</param>
/// <param name="HasSound">False for a text without a recording.</param>
/// <param name="SourceAddress">Where on the web it comes from; null for a file.</param>
/// <param name="HasCopy">Whether a copy is played, because browsers do not play the file.</param>
/// <param name="CaptionStreams">Captions inside of its file.</param>
/// <param name="Progress">How its transcription stands; null when nothing is to be done.</param>
/// <param name="CardCount">Cards made from it.</param>
/// <param name="DueCount">Of these, how many are due now.</param>
/// <param name="PractisedCount">Of these, how many were reviewed at least once.</param>
/// <param name="HeardMs">How much of it the person has heard.</param>
/// <param name="IsCorrected">Whether its text was edited.</param>
public sealed record LectureView(
    string Id,
    string Title,
    DateOnly? HeldOn,
    string? Course,
    LanguageView Language,
    bool LanguageIsGuessed,
    bool MakesCards,
    int DurationMs,
    bool HasPicture,
    bool HasSound,
    string SourceName,
    string? SourceAddress,
    bool HasCopy,
    IReadOnlyList<CaptionStream> CaptionStreams,
    DateTime AddedAt,
    DateTime? OpenedAt,
    string? Notice,
    int Version,
    int ChapterCount,
    int CardCount,
    int DueCount,
    int PractisedCount,
    int HeardMs,
    bool IsCorrected,
    Progress? Progress);

/// <summary>Reads lectures for showing.</summary>
internal sealed class LectureViews(KostelContext context, ProgressBoard board, Asker asker, TimeProvider time)
{
    /// <summary>A lecture that is not in the bin.</summary>
    public async Task<LectureView> One(string id, CancellationToken cancel) =>
        (await Load(l => l.Id == id && l.DeletedAt == null, cancel)).FirstOrDefault() ?? throw PlainProblemException.NotThere("lecture");

    /// <summary>All lectures that a condition picks, as the person who asks sees them; the newest first.</summary>
    public async Task<List<LectureView>> Load(Expression<Func<LectureRow, bool>> which, CancellationToken cancel)
    {
        var (me, now) = (asker.PersonId, time.GetUtcNow().UtcDateTime);
        var lectures = await context.Lectures.AsNoTracking().Include(l => l.Course).Where(which)
            .OrderByDescending(l => l.HeldOn).ThenByDescending(l => l.AddedAt)
            .Select(l => new
            {
                Row = l,
                Chapters = context.Chapters.Count(c => c.LectureId == l.Id),
                Cards = context.Cards.Count(c => c.LectureId == l.Id),
                Due = context.Cards.Count(c => c.LectureId == l.Id && c.Memories.Any(m => m.OwnerId == me && m.DueAt <= now)),
                Practised = context.Cards.Count(c => c.LectureId == l.Id && c.Memories.Any(m => m.OwnerId == me && m.ReviewedAt != null)),
                Heard = context.Heard.Where(h => h.LectureId == l.Id && h.OwnerId == me).Select(h => h.HeardMs).FirstOrDefault(),
                IsCorrected = context.Edits.Any(e => e.LectureId == l.Id && !e.IsUndone),
                OpenedAt = context.Visits.Where(v => v.LectureId == l.Id && v.OwnerId == me).Select(v => (DateTime?)v.At).FirstOrDefault(),
                Job = context.Jobs.Where(j => j.LectureId == l.Id).OrderByDescending(j => j.Id).FirstOrDefault(),
            })
            .ToListAsync(cancel);
        return lectures.Select(l => new LectureView(
            l.Row.Id, l.Row.Title, l.Row.HeldOn, l.Row.Course?.Title, LanguageView.Of(l.Row.Language), l.Row.LanguageIsGuessed, StudyLanguages.MakesCards(l.Row.Language), l.Row.DurationMs, l.Row.HasPicture, l.Row.HasSound, l.Row.SourceName, l.Row.SourceAddress, l.Row.HasCopy, l.Row.CaptionStreams ?? [],
            l.Row.AddedAt, l.OpenedAt, l.Row.Notice, l.Row.Version, l.Chapters, l.Cards, l.Due, l.Practised, l.Heard, l.IsCorrected, ProgressOf(l.Row.Id, l.Job, l.Row.MadeAt is not null))).ToList();
    }

    private Progress? ProgressOf(string lectureId, JobRow? job, bool hasTranscript)
    {
        // A second attempt that was stopped leaves the first transcript: nothing is missing.
        if (job is null or { State: JobState.Done } || (job.State == JobState.Cancelled && hasTranscript))
        {
            return null;
        }

        var live = board.Of(lectureId);
        return job.State is JobState.Running or JobState.Waiting && live?.State is JobState.Running or JobState.Failed
            ? live
            : new Progress(lectureId, job.Stage, job.State, 0, null, 0, job.Problem);
    }
}
