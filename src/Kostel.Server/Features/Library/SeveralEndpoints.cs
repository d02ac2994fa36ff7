using System.IO.Compression;
using System.Text;
using Kostel.Core.Captions;
using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Speech;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Transcription;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Library;

/// <summary>Several lectures at once.</summary>
public sealed record SeveralLectures(IReadOnlyList<string> Ids);

/// <summary>Several lectures and the course they are to be in; empty for none.</summary>
public sealed record MovedLectures(IReadOnlyList<string> Ids, string? Course);

/// <summary>Several lectures and what their texts are taken away as: md, txt, vtt or srt.</summary>
public sealed record TakenLectures(IReadOnlyList<string> Ids, string Format);

/// <summary>How many of them something was done with; the others were not there, or it could not be done with them now.</summary>
public sealed record SeveralDone(int Done, int Left);

/// <summary>What is done with several lectures in one go.</summary>
internal static class SeveralEndpoints
{
    private const int Most = 5_000;

    private static readonly Dictionary<string, TextFormat> Formats = new() { ["md"] = TextFormat.Md, ["txt"] = TextFormat.Txt, ["vtt"] = TextFormat.Vtt, ["srt"] = TextFormat.Srt };

    public static void MapSeveral(this IEndpointRouteBuilder app)
    {
        var several = app.MapGroup("/api/library");
        several.MapPost("move", Move).WithName("moveLectures");
        several.MapPost("bin", Bin).WithName("binLectures");
        several.MapPost("restore", Restore).WithName("restoreLectures");
        several.MapPost("transcribe", Transcribe).WithName("transcribeLectures");
        several.MapPost("export", Export).WithName("exportLectures").ExcludeFromDescription();
    }

    private static async Task<Ok<SeveralDone>> Move(MovedLectures wanted, KostelContext context, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var course = await context.Course(EntryRules.Course.Read(wanted.Course), cancel);
        var id = course?.Id;
        var ids = Chosen(wanted.Ids);
        var done = await context.Lectures.Where(l => ids.Contains(l.Id) && l.DeletedAt == null)
            .ExecuteUpdateAsync(s => s.SetProperty(l => l.CourseId, id).SetProperty(l => l.Version, l => l.Version + 1), cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(new SeveralDone(done, ids.Count - done));
    }

    private static async Task<Ok<SeveralDone>> Bin(SeveralLectures wanted, KostelContext context, JobQueue queue, TimeProvider time, CancellationToken cancel)
    {
        var ids = Chosen(wanted.Ids);
        foreach (var id in await context.Jobs.Open().Where(j => j.LectureId != null && ids.Contains(j.LectureId)).Select(j => j.LectureId!).Distinct().ToListAsync(cancel))
        {
            await queue.Cancel(id, cancel);
        }

        var now = time.GetUtcNow().UtcDateTime;
        var done = await context.Lectures.Where(l => ids.Contains(l.Id) && l.DeletedAt == null).ExecuteUpdateAsync(s => s.SetProperty(l => l.DeletedAt, now), cancel);
        return TypedResults.Ok(new SeveralDone(done, ids.Count - done));
    }

    private static async Task<Ok<SeveralDone>> Restore(SeveralLectures wanted, KostelContext context, CancellationToken cancel)
    {
        var ids = Chosen(wanted.Ids);
        var done = await context.Lectures.Where(l => ids.Contains(l.Id) && l.DeletedAt != null).ExecuteUpdateAsync(s => s.SetProperty(l => l.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.Ok(new SeveralDone(done, ids.Count - done));
    }

    /// <summary>Puts those in the queue that have a recording and are not worked on. What they have stays until the new transcript is there.</summary>
    private static async Task<Ok<SeveralDone>> Transcribe(SeveralLectures wanted, KostelContext context, JobQueue queue, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var ids = Chosen(wanted.Ids);
        var busy = await context.Jobs.Open().Where(j => j.LectureId != null).Select(j => j.LectureId!).ToListAsync(cancel);
        var free = await context.Lectures.Where(l => ids.Contains(l.Id) && l.DeletedAt == null && l.HasSound && l.ContentHash != null && !busy.Contains(l.Id)).Select(l => l.Id).ToListAsync(cancel);
        await context.Utterances.Where(u => free.Contains(u.LectureId)).ExecuteDeleteAsync(cancel);
        foreach (var id in free)
        {
            queue.Enqueue(context, TranscriptionWork.Transcription, id, new TranscriptionTask(new TranscriptionChoice(Accuracy.Accurate)));
        }

        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        queue.Wake();
        return TypedResults.Ok(new SeveralDone(free.Count, ids.Count - free.Count));
    }

    /// <summary>Their texts in one archive, a folder for each course, written as it is sent.</summary>
    private static async Task<PushStreamHttpResult> Export(TakenLectures wanted, HttpContext http, KostelContext context, CancellationToken cancel)
    {
        if (!Formats.TryGetValue(wanted.Format, out var format))
        {
            throw new NotValidException("Several lectures are taken away as md, txt, vtt or srt.");
        }

        var ids = Chosen(wanted.Ids);
        var lectures = await context.Lectures.AsNoTracking().Include(l => l.Course).Where(l => ids.Contains(l.Id) && l.DeletedAt == null).OrderBy(l => l.HeldOn).ToListAsync(cancel);
        // The archive's writer writes some of its headers so.
        http.Features.Get<IHttpBodyControlFeature>()!.AllowSynchronousIO = true;
        return TypedResults.Stream(
            async stream =>
            {
                await using var archive = await ZipArchive.CreateAsync(stream, ZipArchiveMode.Create, leaveOpen: true, Encoding.UTF8, cancel);
                var taken = new HashSet<string>(StringComparer.OrdinalIgnoreCase);
                foreach (var lecture in lectures)
                {
                    var transcript = await context.Transcript(lecture, cancel);
                    var course = lecture.Course?.Title ?? "";
                    var stem = $"{(course.Length > 0 ? FileNames.Of(course) + "/" : "")}{FileNames.Of($"{lecture.HeldOn?.ToString("yyyy-MM-dd")} {lecture.Title}")}";
                    var name = Enumerable.Range(1, int.MaxValue).Select(n => $"{stem}{(n == 1 ? "" : $" {n}")}.{wanted.Format}").First(taken.Add);
                    await using var entry = await archive.CreateEntry(name).OpenAsync(cancel);
                    await entry.WriteAsync(Encoding.UTF8.GetBytes(TranscriptFiles.Write(transcript, format, new TextOptions(true, true, lecture.Title, null, course))), cancel);
                }
            },
            "application/zip",
            "lectures.zip");
    }

    private static List<string> Chosen(IReadOnlyList<string> ids) =>
        ids.Count <= Most ? ids.OfType<string>().Distinct().ToList() : throw new NotValidException($"Up to {Most} lectures can be chosen at once.");
}
