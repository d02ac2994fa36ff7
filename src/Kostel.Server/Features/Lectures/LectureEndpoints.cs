using System.Globalization;
using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Entries;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Features.Library;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Lectures;

/// <summary>What is to be changed of a lecture. <paramref name="Version"/> is the one that the change was made on.</summary>
public sealed record LectureChange(string Title, DateOnly? HeldOn, string? Course, int Version);

internal static class LectureEndpoints
{
    public static void MapLectures(this IEndpointRouteBuilder app)
    {
        var lectures = app.MapGroup("/api/lectures/{id}");
        lectures.MapGet("", Get).WithName("getLecture");
        lectures.MapPost("opened", Opened).WithName("noteOpened");
        lectures.MapPut("", Change).WithName("changeLecture");
        lectures.MapDelete("", Delete).WithName("deleteLecture");
        lectures.MapPost("restore", Restore).WithName("restoreLecture");
        lectures.MapGet("media", Media).WithName("getMedia");
        lectures.MapGet("peaks", GetPeaks).WithName("getPeaks");
        lectures.MapGet("chapters/{startMs:int}/picture", Still).WithName("getChapterPicture");
        lectures.MapGet("chapters/{startMs:int}/titles", OtherTitles).WithName("getOtherTitles");
    }

    private static async Task<Ok<LectureView>> Get(string id, LectureViews views, CancellationToken cancel) => TypedResults.Ok(await views.One(id, cancel));

    /// <summary>Notes that somebody opened the lecture. Apart from reading it, which never needs to write.</summary>
    private static async Task<NoContent> Opened(string id, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        await context.NoteVisit(id, asker.PersonId, time.GetUtcNow().UtcDateTime, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<Ok<LectureView>> Change(
        string id, LectureChange change, KostelContext context, LectureViews views, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLecture(id, cancel);
        if (lecture.Version != change.Version)
        {
            throw PlainProblemException.ChangedElsewhere("lecture");
        }

        (lecture.Title, lecture.HeldOn, lecture.Version) = (EntryRules.Title.Read(change.Title), change.HeldOn, lecture.Version + 1);
        lecture.Course = await context.Course(EntryRules.Course.Read(change.Course), cancel);
        lecture.CourseId = lecture.Course?.Id;
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(await views.One(id, cancel));
    }

    private static async Task<NoContent> Delete(string id, KostelContext context, JobQueue queue, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        await queue.Cancel(id, cancel);
        lecture.DeletedAt = time.GetUtcNow().UtcDateTime;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(string id, KostelContext context, CancellationToken cancel)
    {
        await context.Lectures.Where(l => l.Id == id).ExecuteUpdateAsync(s => s.SetProperty(l => l.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<PhysicalFileHttpResult> Media(string id, KostelContext context, LibraryFolder library, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var (path, type) = lecture.HasCopy && File.Exists(library.Copy(id)) ? (library.Copy(id), lecture.HasPicture ? "video/mp4" : "audio/mp4") : (library.Original(id), MediaTypes.Of(lecture.SourceName, lecture.HasPicture));
        return File.Exists(path)
            ? TypedResults.PhysicalFile(path, type, enableRangeProcessing: true)
            : throw PlainProblemException.NotThere("recording");
    }

    /// <summary>A small picture of what is seen where a chapter begins.</summary>
    private static async Task<PhysicalFileHttpResult> Still(string id, int startMs, KostelContext context, ChapterStills stills, HttpResponse response, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var chapter = lecture.HasPicture ? (await context.Transcript(lecture, cancel)).Chapters.FirstOrDefault(c => c.StartMs == startMs) : null;
        try
        {
            var path = chapter is null ? throw PlainProblemException.NotThere("picture") : await stills.Of(id, chapter, cancel);
            response.Headers.CacheControl = "private, max-age=86400";
            return TypedResults.PhysicalFile(path, "image/jpeg");
        }
        catch (Exception e) when (e is MediaProblemException or IOException or UnauthorizedAccessException)
        {
            throw PlainProblemException.NotThere("picture");
        }
    }

    /// <summary>What else the chapter that begins at a moment could be called, by what is said in it, the likeliest first.</summary>
    private static async Task<Ok<IReadOnlyList<string>>> OtherTitles(string id, int startMs, KostelContext context, ChapterFinder chapters, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        return TypedResults.Ok(chapters.OtherTitles(transcript.Chapters, startMs, Sentences.Of(transcript.Passages), lecture.Language));
    }

    /// <summary>The loudness of a part of the recording, a byte for each slice, 0 for silence: as fine as it is to be drawn. How long a slice is and where the first begins stand in the head.</summary>
    private static async Task<FileContentHttpResult> GetPeaks(
        string id, KostelContext context, LibraryFolder library, HttpResponse response, [FromQuery] int? fromMs, [FromQuery] int? toMs, [FromQuery] int? most, CancellationToken cancel)
    {
        await context.FindLecture(id, cancel);
        var peaks = await LecturePeaks.Read(library, id, cancel);
        var detail = PeakDetail.Of(peaks, fromMs ?? 0, toMs ?? int.MaxValue, most ?? peaks.Length);
        response.Headers["Kostel-Slice-Ms"] = detail.SliceMs.ToString(CultureInfo.InvariantCulture);
        response.Headers["Kostel-From-Ms"] = detail.FromMs.ToString(CultureInfo.InvariantCulture);
        return TypedResults.File(detail.Loudness, "application/octet-stream");
    }
}
