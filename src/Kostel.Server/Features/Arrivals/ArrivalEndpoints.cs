using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Library;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Arrivals;

/// <summary>Everything that is on its way in.</summary>
/// <param name="Working">Lectures that are fetched, transcribed or made something of, in the order in which they come; then those that came to nothing.</param>
/// <param name="Unfinished">Files that have not arrived whole, or wait for a decision.</param>
public sealed record ArrivalsView(IReadOnlyList<LectureView> Working, IReadOnlyList<UnfinishedUpload> Unfinished);

/// <summary>The list of what is on its way in.</summary>
internal static class ArrivalEndpoints
{
    public static void MapArrivals(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/arrivals", Get).WithName("getArrivals");
        app.MapPost("/api/lectures/{id}/first", MoveUp).WithName("moveUp");
    }

    private static async Task<Ok<ArrivalsView>> Get(KostelContext context, LectureViews views, UploadFiles uploads, CancellationToken cancel)
    {
        var lectures = await views.Load(l => l.DeletedAt == null && context.Jobs.Any(j => j.LectureId == l.Id && j.State != JobState.Done), cancel);
        var places = (await context.Jobs.AsNoTracking().Open().OrderByDescending(j => j.Priority).ThenBy(j => j.Id).Select(j => j.LectureId).ToListAsync(cancel))
            .Where(id => id is not null).Distinct().Select((id, place) => (Id: id!, Place: place)).ToDictionary(p => p.Id, p => p.Place);
        return TypedResults.Ok(new ArrivalsView(
            lectures.Where(l => l.Progress is not null)
                .OrderBy(l => l.Progress!.State == JobState.Running ? 0 : l.Progress.State == JobState.Waiting ? 1 : 2)
                .ThenBy(l => places.GetValueOrDefault(l.Id, int.MaxValue)).ToList(),
            await uploads.Unfinished(cancel)));
    }

    /// <summary>Puts what a lecture waits for before everything else that waits.</summary>
    private static async Task<NoContent> MoveUp(string id, KostelContext context, JobQueue queue, CancellationToken cancel)
    {
        await context.FindLecture(id, cancel);
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var highest = await context.Jobs.Open().MaxAsync(j => (int?)j.Priority, cancel) ?? 0;
        await context.Jobs.Open().Where(j => j.LectureId == id).ExecuteUpdateAsync(s => s.SetProperty(j => j.Priority, highest + 1), cancel);
        await all.CommitAsync(cancel);
        queue.Wake();
        return TypedResults.NoContent();
    }
}
