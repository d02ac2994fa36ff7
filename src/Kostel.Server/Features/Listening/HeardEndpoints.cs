using Kostel.Core.Listening;
using Kostel.Data;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Listening;

/// <summary>What a person has heard of a lecture.</summary>
internal static class HeardEndpoints
{
    /// <summary>More at once come from no player.</summary>
    private const int MostAtOnce = 1_000;

    public static void MapHeard(this IEndpointRouteBuilder app)
    {
        var heard = app.MapGroup("/api/lectures/{id}/heard");
        heard.MapGet("", Get).WithName("getHeard");
        heard.MapPost("", Add).WithName("addHeard");
    }

    private static async Task<Ok<IReadOnlyList<Stretch>>> Get(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        await context.FindLecture(id, cancel);
        return TypedResults.Ok(await context.Heard(id, asker.PersonId, cancel));
    }

    private static async Task<Ok<IReadOnlyList<Stretch>>> Add(string id, List<Stretch?> stretches, KostelContext context, Asker asker, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLecture(id, cancel);
        var heard = await context.AddHeard(lecture, asker.PersonId, stretches.OfType<Stretch>().Take(MostAtOnce), cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(heard);
    }
}
