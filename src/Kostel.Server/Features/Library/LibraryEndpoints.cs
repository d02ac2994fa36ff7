using Kostel.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Library;

/// <summary>Everything in the library.</summary>
public sealed record LibraryView(IReadOnlyList<LectureView> Lectures, IReadOnlyList<string> Courses, IReadOnlyList<LectureView> Bin);

internal static class LibraryEndpoints
{
    public static void MapLibrary(this IEndpointRouteBuilder app) => app.MapGet("/api/library", Get).WithName("getLibrary");

    private static async Task<Ok<LibraryView>> Get(KostelContext context, LectureViews views, CancellationToken cancel)
    {
        return TypedResults.Ok(new LibraryView(
            await views.Load(l => l.DeletedAt == null, cancel),
            context.Courses.Select(c => c.Title).OrderBy(t => t).ToList(),
            await views.Load(l => l.DeletedAt != null, cancel)));
    }
}
