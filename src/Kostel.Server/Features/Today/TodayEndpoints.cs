using Kostel.Data;
using Kostel.Server.Features.Library;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Today;

/// <summary>The first screen.</summary>
/// <param name="Due">Lectures with cards that are due, most due first.</param>
/// <param name="New">Lectures that nobody opened yet.</param>
/// <param name="Working">What is being transcribed, waits for it or failed.</param>
/// <param name="ReviewedToday">Reviews since midnight (UTC).</param>
public sealed record TodayView(
    int DueCount, int ReviewedToday, IReadOnlyList<LectureView> Due, IReadOnlyList<LectureView> New, IReadOnlyList<LectureView> Working, int LectureCount);

internal static class TodayEndpoints
{
    public static void MapToday(this IEndpointRouteBuilder app) => app.MapGet("/api/today", Get).WithName("getToday");

    private static async Task<Ok<TodayView>> Get(KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow().UtcDateTime;
        var lectures = await LectureViews.Load(context, board, now, l => l.DeletedAt == null, cancel);
        return TypedResults.Ok(new TodayView(
            lectures.Sum(l => l.DueCount),
            await context.Reviews.CountAsync(r => r.At >= now.Date, cancel),
            lectures.Where(l => l.DueCount > 0).OrderByDescending(l => l.DueCount).ToList(),
            lectures.Where(l => l.OpenedAt is null && l.Work is null).ToList(),
            lectures.Where(l => l.Work is not null).ToList(),
            lectures.Count));
    }
}
