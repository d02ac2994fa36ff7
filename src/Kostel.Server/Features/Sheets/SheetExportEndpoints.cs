using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Sheets;

/// <summary>A sheet as a file.</summary>
internal static class SheetExportEndpoints
{
    public static void MapSheetExports(this IEndpointRouteBuilder app) => app.MapGet("/api/sheets/{sheet:int}/export", Export).WithName("exportSheet");

    private static async Task<FileContentHttpResult> Export(
        int sheet, string format, bool? links, HttpRequest request, KostelContext context, LibraryFolder library, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await context.FindSheet(sheet, asker, cancel);
        var link = links == false ? null : $"{request.Scheme}://{request.Host}/lecture";
        var (form, now) = (SheetFiles.FormatOf(format, row.Form == SheetForm.Tasks), time.GetUtcNow().UtcDateTime);
        return row.LectureId is { } id ? Of(await context.FindLecture(id, cancel)) : OfCourse(await context.Courses.FirstAsync(c => c.Id == row.CourseId, cancel));

        FileContentHttpResult Of(LectureRow lecture) => File(lecture.Paper(row.Name, row.Content, link, library).Write(form, lecture, now));
        FileContentHttpResult OfCourse(CourseRow course) => File(course.Paper(row.Name, row.Content, link, library).Write(form, course, now));
        static FileContentHttpResult File(OutFile file) => TypedResults.File(file.Content, file.Type, file.Name);
    }
}
