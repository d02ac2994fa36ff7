using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Writing;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Sheets;

/// <summary>The sheets of a course, an empty one, and one made of its lectures: lecture by lecture it is told how far that is.</summary>
internal static class CourseSheetEndpoints
{
    private const int FewestLectures = 2;

    public static void MapCourseSheets(this IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/courses/{course}/sheets");
        sheets.MapGet("", List).WithName("getCourseSheets");
        sheets.MapPost("", Make).WithName("makeCourseSheet").Produces<CourseSheetPiece>(StatusCodes.Status200OK, "application/x-ndjson");
        sheets.MapPost("own", MakeOwn).WithName("makeOwnCourseSheet");
    }

    /// <summary>An empty one, for passages of any lecture of the course.</summary>
    private static async Task<Ok<SheetView>> MakeOwn(string course, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var id = (await context.FindCourse(course, cancel)).Id;
        var sheet = await context.AddSheet(Row(id, SheetForm.Own, SheetMaker.Empty, asker, time), cancel);
        return TypedResults.Ok(await context.ViewSheet(sheet, cancel));
    }

    private static SheetRow Row(int course, SheetForm form, Sheet content, Asker asker, TimeProvider time)
    {
        var now = time.GetUtcNow().UtcDateTime;
        return new SheetRow { CourseId = course, OwnerId = asker.PersonId, Form = form, Name = SheetNames.Of(form), Content = content, MadeAt = now, ChangedAt = now };
    }

    private static async Task<Ok<List<SheetEntry>>> List(string course, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var id = (await context.FindCourse(course, cancel)).Id;
        return TypedResults.Ok(await context.ListSheets(s => s.CourseId == id, asker, cancel));
    }

    private static async Task Make(string course, NewCourseSheet? wanted, HttpContext http, KostelContext context, SheetMaking making, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await context.FindCourse(course, cancel);
        var lectures = await making.LecturesOf(row.Id, wanted?.LectureIds, cancel);
        if (lectures.Count < FewestLectures)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "A course sheet is made of at least two lectures with a text. Nothing was changed.");
        }

        http.Response.ContentType = "application/x-ndjson";
        var made = await making.OfCourse(lectures, wanted?.LectureIds, read => http.Send(new CourseSheetPiece(read, lectures.Count), cancel), cancel);
        if (made.HasNoLine())
        {
            await http.Send(new CourseSheetPiece(lectures.Count, lectures.Count, Problem: "There is nothing for such a sheet in these lectures. Nothing was changed."), cancel);
            return;
        }

        var sheet = await context.AddSheet(Row(row.Id, SheetForm.Course, made, asker, time), cancel);
        await http.Send(new CourseSheetPiece(lectures.Count, lectures.Count, await context.ViewSheet(sheet, cancel)), cancel);
    }
}
