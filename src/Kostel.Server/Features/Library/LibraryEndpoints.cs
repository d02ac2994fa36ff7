using Kostel.Data;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Library;

/// <summary>Everything in the library.</summary>
/// <param name="Courses">In the person's own order; those that are out of the way are not among them.</param>
/// <param name="Archived">Courses that are out of the way.</param>
public sealed record LibraryView(IReadOnlyList<LectureView> Lectures, IReadOnlyList<string> Courses, IReadOnlyList<string> Archived, IReadOnlyList<LectureView> Bin);

internal static class LibraryEndpoints
{
    public static void MapLibrary(this IEndpointRouteBuilder app) => app.MapGet("/api/library", Get).WithName("getLibrary");

    private static async Task<Ok<LibraryView>> Get(KostelContext context, LectureViews views, CancellationToken cancel)
    {
        return TypedResults.Ok(new LibraryView(
            await views.Load(l => l.DeletedAt == null, cancel),
            await context.Courses.Where(c => c.ArchivedAt == null).OrderBy(c => c.Place).ThenBy(c => c.Title).Select(c => c.Title).ToListAsync(cancel),
            await context.Courses.Where(c => c.ArchivedAt != null).OrderBy(c => c.Title).Select(c => c.Title).ToListAsync(cancel),
            await views.Load(l => l.DeletedAt != null, cancel)));
    }
}
