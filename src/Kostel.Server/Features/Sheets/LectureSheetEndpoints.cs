using Kostel.Core.Entries;
using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Sheets;

/// <summary>The sheets of a lecture, and another one.</summary>
internal static class LectureSheetEndpoints
{
    public static void MapLectureSheets(this IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/lectures/{id}/sheets");
        sheets.MapGet("", List).WithName("getSheets");
        sheets.MapPost("", Make).WithName("makeSheet");
        sheets.MapGet("pairs", Pairs).WithName("getComparedPairs");
    }

    private static async Task<Ok<List<SheetEntry>>> List(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        await context.FindLecture(id, cancel);
        return TypedResults.Ok(await context.ListSheets(s => s.LectureId == id, asker, cancel));
    }

    private static async Task<Ok<SheetView>> Make(string id, NewSheet wanted, KostelContext context, StudyMaking study, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var from = new StudyStretch(wanted.Chapter, wanted.OfMarks, wanted.Subject);
        var made = await study.Sheet(lecture, wanted.Form, from, asker.PersonId, cancel, Things(wanted));
        if (wanted.Form != SheetForm.Own && made.HasNoLine())
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, made.Compared is null ? "There is nothing for such a sheet here. Nothing was changed." : "The lecture does not speak of both by these names. Nothing was changed.");
        }

        var now = time.GetUtcNow().UtcDateTime;
        var row = await context.AddSheet(new SheetRow { LectureId = id, OwnerId = asker.PersonId, Form = wanted.Form, Name = SheetNames.Of(wanted.Form, made), Content = made, Chapter = wanted.Chapter, OfMarks = wanted.OfMarks, Subject = wanted.Subject, MadeAt = now, ChangedAt = now }, cancel);
        return TypedResults.Ok(await context.ViewSheet(row, cancel));
    }

    private static IReadOnlyList<string>? Things(NewSheet wanted) => wanted.Form != SheetForm.Comparison ? null : [.. (wanted.Compared ?? []).Select(EntryRules.SheetName.Read)];

    private static async Task<Ok<List<ComparedPair>>> Pairs(string id, KostelContext context, StudyMaking study, CancellationToken cancel) =>
        TypedResults.Ok((await study.Pairs(await context.FindLecture(id, cancel), cancel)).Select(p => new ComparedPair(p.One, p.Other)).ToList());
}
