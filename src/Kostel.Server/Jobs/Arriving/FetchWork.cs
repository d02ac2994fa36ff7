using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Links;
using Kostel.Core.Speech;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Links;
using Kostel.Links.Fetching;
using Kostel.Media;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>What becomes of captions that were found with a recording.</summary>
public enum CaptionUse
{
    /// <summary>They are left there.</summary>
    None,

    /// <summary>They are the lecture's text, and nothing is transcribed.</summary>
    Instead,

    /// <summary>They are kept among the earlier texts, to compare with.</summary>
    Beside,
}

/// <summary>What is to be fetched, and what is known of it.</summary>
/// <param name="Media">Where the recording is.</param>
/// <param name="Captions">Where its captions are; null for none.</param>
/// <param name="TitleIsGuessed">The recording's own title counts more.</param>
/// <param name="DayIsGuessed">The recording's own date counts more.</param>
internal sealed record FetchTask(
    string Media, CaptionLink? Captions, CaptionUse Use, IReadOnlyList<ChapterMark> Chapters, bool TitleIsGuessed, bool DayIsGuessed, TranscriptionChoice Choice)
{
    /// <summary>A file with its chapters, where they are not known yet.</summary>
    public string? ChapterFile { get; init; }

    /// <summary>Whether the person's own downloader fetches it.</summary>
    public bool ByDownloader { get; init; }
}

/// <summary>Fetches a lecture's recording from the web, and puts in the queue what is to be made of it.</summary>
internal sealed class FetchWork(LibraryFolder library, WebAccess web, LectureArrival arrival, ChapterFinder chapters, ProgressBoard board, TimeProvider time) : IJobWork
{
    private static readonly TimeSpan ReportEvery = TimeSpan.FromMilliseconds(500);

    /// <summary>Fetching.</summary>
    public static readonly JobKind<FetchTask> Fetching = new("fetch", JobLane.Network);

    /// <inheritdoc/>
    public JobKind Kind => Fetching;

    /// <inheritdoc/>
    public string Failure => "Something went wrong while this was fetched. What had arrived is kept. Try again.";

    /// <inheritdoc/>
    public async Task Run(JobTurn turn, CancellationToken cancel)
    {
        var task = turn.Payload(Fetching);
        await turn.Enter(JobStage.Fetching, cancel);
        var original = library.Original(turn.LectureId);
        if (!File.Exists(original))
        {
            library.MakeLectureFolder(turn.LectureId);
            await (task.ByDownloader ? Outside(new Uri(task.Media), original, cancel) : Fetch(turn, new Uri(task.Media), original, cancel));
        }

        if (task.ChapterFile is { } file && task.Chapters.Count == 0)
        {
            task = task with { Chapters = await web.Looker.Chapters(new Uri(file), cancel) };
        }

        var captions = task.Use == CaptionUse.None || task.Captions is null ? null : await ReadCaptions(task.Captions, cancel);
        var arrived = await LectureArrival.Examine(original, cancel);
        await turn.Finish((context, now) => Store(context, turn.LectureId, task, arrived, captions, now, cancel), cancel);
        if (captions is not null && task.Use == CaptionUse.Instead)
        {
            await board.TextChanged(turn.LectureId, version: 1);
        }
    }

    private Task Outside(Uri page, string original, CancellationToken cancel) =>
        web.Downloader?.Fetch(page, original, cancel) ?? throw new LinkProblemException("Your downloader is not named in automation.json any more.");

    private async Task Fetch(JobTurn turn, Uri media, string original, CancellationToken cancel)
    {
        var pace = new Pace(time);
        var reported = DateTime.MinValue;
        void Report(FetchProgress progress)
        {
            if (DateTime.UtcNow - reported > ReportEvery)
            {
                reported = DateTime.UtcNow;
                _ = turn.Report(progress.Fraction, pace.SecondsLeft(progress.Fraction));
            }
        }

        if (await web.Recordings.Fetch(media, original, Report, cancel))
        {
            return;
        }

        var stream = await web.Streams.Fetch(media, original + ".stream", Report, cancel);
        if (stream.Sound is null)
        {
            File.Move(stream.Path, original);
            return;
        }

        await Recording.Join(stream.Path, stream.Sound, original + ".joined", cancel);
        File.Move(original + ".joined", original);
        File.Delete(stream.Path);
        File.Delete(stream.Sound);
    }

    /// <summary>Captions; null where they cannot be had or read, because then the recording is transcribed all the same.</summary>
    private async Task<BroughtText?> ReadCaptions(CaptionLink link, CancellationToken cancel)
    {
        try
        {
            return await web.Captions(link, cancel);
        }
        catch (Exception e) when (e is LinkProblemException or PlainProblemException)
        {
            return null;
        }
    }

    private async Task Store(KostelContext context, string id, FetchTask task, ArrivedRecording arrived, BroughtText? captions, DateTime now, CancellationToken cancel)
    {
        var lecture = await context.Lectures.Include(l => l.Course).SingleAsync(l => l.Id == id, cancel);
        lecture.BroughtChapters = task.Chapters.Count > 1 ? task.Chapters : null;
        lecture.SourceBytes = new FileInfo(library.Original(id)).Length;
        LectureArrival.Note(lecture, arrived, task.TitleIsGuessed, task.DayIsGuessed);
        if (await LectureArrival.SameAs(context, arrived, id, cancel) is { } same)
        {
            lecture.Notice = $"The library has the same recording already{(same.DeletedAt is null ? "" : ", in the bin")}: “{same.Title}”.";
        }

        await context.SaveChangesAsync(cancel);
        if (captions is null)
        {
            await arrival.Enqueue(context, lecture, arrived, task.Choice, cancel);
            return;
        }

        var language = task.Choice.Language ?? Core.Speech.Languages.SpokenLanguages.CodeOf(task.Captions!.Language) ?? lecture.Language;
        var text = BroughtChapters.Into(captions.Transcript with { Language = language, DurationMs = Math.Max(captions.Transcript.DurationMs, lecture.DurationMs) }, lecture.BroughtChapters, chapters);
        var notice = lecture.Notice ?? TextFiles.Notice(captions, isAligned: false);
        await context.InstallTranscript(lecture, new InstalledTranscript(text, notice, new Provenance(task.Choice.Accuracy, "captions", now)), cancel);
        await context.SaveChangesAsync(cancel);
        await arrival.Enqueue(context, lecture, arrived, task.Use == CaptionUse.Beside ? task.Choice : null, cancel);
    }
}
