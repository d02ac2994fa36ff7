using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Search;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Search;

/// <summary>What a search can be narrowed by.</summary>
public sealed record SearchChoices(IReadOnlyList<string> Courses, IReadOnlyList<string> Speakers);

internal static class SearchEndpoints
{
    public static void MapSearch(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/search", Find).WithName("search");
        app.MapGet("/api/search/choices", Choices).WithName("getSearchChoices");
    }

    private static async Task<Ok<SearchView>> Find(
        SearchReading reading, Asker asker, [FromQuery] string text, [FromQuery] string? lecture, [FromQuery] string? course, [FromQuery] DateOnly? from, [FromQuery] DateOnly? to,
        [FromQuery] string? speaker, [FromQuery] string[]? kinds, [FromQuery] bool? typing, [FromQuery] bool? meaning, CancellationToken cancel)
    {
        var scope = new SearchScope(asker.PersonId, lecture, course, from, to, speaker, kinds?.Select(Kind).ToList());
        return TypedResults.Ok(await reading.Find(EntryRules.Search.Read(text), scope, typing ?? false, meaning ?? true, cancel));
    }

    private static IndexedKind Kind(string name) => Enum.TryParse<IndexedKind>(name, ignoreCase: true, out var kind) && Enum.IsDefined(kind)
        ? kind
        : throw new NotValidException("What is looked for is one of: passage, title, chapter, mark, card, summary, question, thread, term, course.");

    private static async Task<Ok<SearchChoices>> Choices(KostelContext context, CancellationToken cancel)
    {
        var courses = await context.Courses.Select(c => c.Title).OrderBy(t => t).ToListAsync(cancel);
        var names = await context.Speakers.Select(s => s.Name).Distinct().ToListAsync(cancel);
        return TypedResults.Ok(new SearchChoices(courses, names.Where(n => !Core.Transcripts.Speaker.IsUnnamed(n)).Order(StringComparer.CurrentCulture).ToList()));
    }
}
