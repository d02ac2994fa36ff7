using Kostel.Data;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Library;

/// <summary>Everything in the library.</summary>
public sealed record LibraryView(IReadOnlyList<LectureView> Lectures, IReadOnlyList<string> Courses, IReadOnlyList<LectureView> Bin);

internal static class LibraryEndpoints
{
    public static void MapLibrary(this IEndpointRouteBuilder app) => app.MapGet("/api/library", Get).WithName("getLibrary");

    private static async Task<Ok<LibraryView>> Get(KostelContext context, ProgressBoard board, TimeProvider time, CancellationToken cancel)
    {
        var now = time.GetUtcNow().UtcDateTime;
        return TypedResults.Ok(new LibraryView(
            await LectureViews.Load(context, board, now, l => l.DeletedAt == null, cancel),
            context.Courses.Select(c => c.Title).OrderBy(t => t).ToList(),
            await LectureViews.Load(context, board, now, l => l.DeletedAt != null, cancel)));
    }
}
