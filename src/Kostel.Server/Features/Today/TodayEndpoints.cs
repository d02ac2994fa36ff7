using Kostel.Core.Marks;
using Kostel.Data;
using Kostel.Server.Features.Library;
using Kostel.Server.Features.Settings;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Today;

/// <summary>The first screen.</summary>
/// <param name="Due">Lectures with cards that are due, most due first; not more than one looks through.</param>
/// <param name="DueLectures">How many there are.</param>
/// <param name="New">Lectures that nobody opened yet, in the order of the library; of many, those that were added last.</param>
/// <param name="NewCount">How many there are.</param>
/// <param name="Working">What is being transcribed, waits for it or failed.</param>
/// <param name="Unclear">Places that were marked as unclear and still are, the newest first; not more than fit a screen.</param>
/// <param name="UnclearCount">How many there are.</param>
/// <param name="Unfinished">Files that have not arrived whole.</param>
/// <param name="Day">The person's day, which may begin later than at midnight.</param>
/// <param name="ReviewedToday">Reviews since the person's day began.</param>
public sealed record TodayView(
    int DueCount,
    int ReviewedToday,
    IReadOnlyList<LectureView> Due,
    int DueLectures,
    IReadOnlyList<LectureView> New,
    int NewCount,
    IReadOnlyList<LectureView> Working,
    IReadOnlyList<UnclearPlace> Unclear,
    int UnclearCount,
    int LectureCount,
    IReadOnlyList<UnfinishedUpload> Unfinished,
    DateOnly Day);

/// <summary>A place of a lecture that somebody did not understand.</summary>
/// <param name="Id">The mark.</param>
/// <param name="Quote">The words there; empty for a moment.</param>
/// <param name="Text">What they asked themselves; may be empty.</param>
public sealed record UnclearPlace(int Id, string LectureId, string LectureTitle, int StartMs, string Quote, string Text);

internal static class TodayEndpoints
{
    private const int MostUnclear = 6, MostLectures = 8;

    public static void MapToday(this IEndpointRouteBuilder app) => app.MapGet("/api/today", Get).WithName("getToday");

    private static async Task<Ok<TodayView>> Get(KostelContext context, LectureViews views, UploadFiles uploads, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow().UtcDateTime;
        var me = asker.PersonId;
        var days = await context.Days(me, time, cancel);
        var dayBegan = days.BeginningOf(days.DayOf(now));
        var lectures = await views.Load(l => l.DeletedAt == null, cancel);
        var unclear = context.Marks.AsNoTracking()
            .Where(m => m.OwnerId == me && m.Kind == MarkKind.Unclear && m.Resolved == null && m.DeletedAt == null)
            .Join(context.Lectures.Where(l => l.DeletedAt == null), m => m.LectureId, l => l.Id, (Mark, Lecture) => new { Mark, Lecture });
        var places = await unclear.OrderByDescending(u => u.Mark.MadeAt).ThenBy(u => u.Mark.Id).Take(MostUnclear)
            .Select(u => new UnclearPlace(u.Mark.Id, u.Lecture.Id, u.Lecture.Title, u.Mark.StartMs, u.Mark.Quote, u.Mark.Text)).ToListAsync(cancel);
        var due = lectures.Where(l => l.DueCount > 0).OrderByDescending(l => l.DueCount).ToList();
        var unopened = lectures.Where(l => l.OpenedAt is null && l.Progress is null).ToList();

        // The library puts what has no day last: what was just brought in is not to be hidden by that.
        var latest = unopened.OrderByDescending(l => l.AddedAt).Take(MostLectures).Select(l => l.Id).ToHashSet();
        return TypedResults.Ok(new TodayView(
            due.Sum(l => l.DueCount),
            await context.Reviews.CountAsync(r => r.OwnerId == me && r.At >= dayBegan, cancel),
            due.Take(MostLectures).ToList(),
            due.Count,
            unopened.Where(l => latest.Contains(l.Id)).ToList(),
            unopened.Count,
            lectures.Where(l => l.Progress is not null).ToList(),
            places,
            await unclear.CountAsync(cancel),
            lectures.Count,
            await uploads.Unfinished(cancel),
            days.DayOf(now)));
    }
}
