using System.Text.Json;
using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Study.Routines;
using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Arriving;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace Kostel.Server.Features.Routines;

/// <summary>Sets of study material: kept by name, and made of a lecture in one go.</summary>
internal static class StudySetEndpoints
{
    private const string Setting = "study-sets";
    private const int MostSets = 30;

    public static void MapStudySets(this IEndpointRouteBuilder app)
    {
        app.MapGet("/api/study-sets", List).WithName("getStudySets");
        app.MapPut("/api/study-sets", Keep).WithName("keepStudySet");
        app.MapDelete("/api/study-sets", Forget).WithName("forgetStudySet");
        app.MapPost("/api/lectures/{id}/set", Make).WithName("makeStudySet");
    }

    private static async Task<Ok<IReadOnlyList<StudySet>>> List(KostelContext context, Asker asker, CancellationToken cancel) => TypedResults.Ok(await Kept(context, asker, cancel));

    private static async Task<Ok<IReadOnlyList<StudySet>>> Keep(StudySet set, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var kept = set with { Name = EntryRules.SetName.Read(set.Name), Sheets = Forms(set) };
        IReadOnlyList<StudySet> all = [.. (await Kept(context, asker, cancel)).Where(s => s.Name != kept.Name), kept];
        if (all.Count > MostSets)
        {
            throw new NotValidException($"More than {MostSets} are too many to choose from. Delete one first.");
        }

        await context.KeepSetting(asker.PersonId, Setting, JsonSerializer.Serialize(all, JsonSerializerOptions.Web), cancel);
        return TypedResults.Ok(all);
    }

    private static async Task<Ok<IReadOnlyList<StudySet>>> Forget([FromQuery] string name, KostelContext context, Asker asker, CancellationToken cancel)
    {
        IReadOnlyList<StudySet> left = (await Kept(context, asker, cancel)).Where(s => s.Name != name).ToList();
        await context.KeepSetting(asker.PersonId, Setting, JsonSerializer.Serialize(left, JsonSerializerOptions.Web), cancel);
        return TypedResults.Ok(left);
    }

    /// <summary>Puts in the queue that a set is made of a lecture. What is there already is not made twice.</summary>
    private static async Task<NoContent> Make(string id, StudySet set, KostelContext context, JobQueue queue, CancellationToken cancel)
    {
        var lecture = await context.FindLectureAtRest(id, cancel);
        if (set.MakesNothing())
        {
            throw new NotValidException("Choose what is to be made.");
        }

        if (lecture.MadeAt is null)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "There are no words yet to make anything of.");
        }

        queue.Enqueue(context, RoutineWork.Making, id, new RoutineTask(set.Summary, set.Cards, set.Quiz, Forms(set)), RoutineWork.Priority);
        await context.SaveChangesAsync(cancel);
        queue.Wake();
        return TypedResults.NoContent();
    }

    private static List<SheetForm> Forms(StudySet set) => (set.Sheets ?? []).Where(f => f.IsPlain()).Distinct().ToList();

    private static async Task<IReadOnlyList<StudySet>> Kept(KostelContext context, Asker asker, CancellationToken cancel) =>
        await context.Setting(asker.PersonId, Setting, cancel) is { } value ? JsonSerializer.Deserialize<List<StudySet>>(value, JsonSerializerOptions.Web) ?? [] : [];
}
