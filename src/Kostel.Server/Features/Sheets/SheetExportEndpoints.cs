using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Sheets;

/// <summary>A sheet as a file.</summary>
internal static class SheetExportEndpoints
{
    public static void MapSheetExports(this IEndpointRouteBuilder app) => app.MapGet("/api/lectures/{id}/sheets/{sheet:int}/export", Export).WithName("exportSheet");

    private static async Task<FileContentHttpResult> Export(
        string id, int sheet, string format, bool? links, HttpRequest request, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var row = await context.FindSheet(id, sheet, asker, cancel);
        var file = lecture.Paper(row.Name, row.Content, links == false ? null : $"{request.Scheme}://{request.Host}/lecture/{id}").Write(SheetFiles.FormatOf(format, row.Form == SheetForm.Tasks), lecture, time.GetUtcNow().UtcDateTime);
        return TypedResults.File(file.Content, file.Type, file.Name);
    }
}
