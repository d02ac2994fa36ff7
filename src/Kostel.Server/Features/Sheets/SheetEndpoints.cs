using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Sheets;

/// <summary>Sheets of a lecture or of a course: changed, made again, taken back to what they were.</summary>
internal static class SheetEndpoints
{
    private const int MostEarlier = 50;

    public static void MapSheets(this IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/sheets/{sheet:int}");
        sheets.MapGet("", Get).WithName("getSheet");
        sheets.MapPut("", Change).WithName("changeSheet");
        sheets.MapPost("lines", AddLine).WithName("addSheetLine");
        sheets.MapGet("pictures/{name}", GetPicture).WithName("getSheetPicture").ExcludeFromDescription();
        sheets.MapGet("again", LookAgain).WithName("compareSheet");
        sheets.MapPost("again", MakeAgain).WithName("makeSheetAgain");
        sheets.MapGet("earlier", Earlier).WithName("getEarlierSheets");
        sheets.MapPost("earlier/{version:int}", GoBack).WithName("goBackToSheet");
        sheets.MapDelete("", Delete).WithName("deleteSheet");
        sheets.MapPost("restore", Restore).WithName("restoreSheet");
        app.MapLectureSheets();
        app.MapCourseSheets();
        app.MapSheetExports();
        app.MapSheetCards();
        app.MapWrittenSheets();
    }

    private static async Task<Ok<SheetView>> Get(int sheet, KostelContext context, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(await context.ViewSheet(await context.FindSheet(sheet, asker, cancel), cancel));

    private static async Task<Ok<SheetView>> Change(int sheet, SheetChange change, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = change.Over ? await context.FindSheet(sheet, asker, cancel) : await At(change.Version, sheet, context, asker, cancel);
        if (change.Parts is null || change.Parts.Any(p => p is null || p.Lines?.Any(l => l is null) == true))
        {
            throw new NotValidException("A sheet is made of parts and lines.");
        }

        // What the person changed is the sheet as they saw it.
        var seen = row.Version == change.Version ? null : await context.EarlierSheets.AsNoTracking().FirstOrDefaultAsync(s => s.SheetId == row.Id && s.Version == change.Version, cancel);
        return await Write(row, EntryRules.SheetName.Read(change.Name), SheetEditing.Edit(seen?.Content ?? row.Content, change.Parts), context, time, cancel);
    }

    /// <summary>Puts a passage at the end of a sheet, with where it is said.</summary>
    private static async Task<Ok<SheetView>> AddLine(int sheet, NewSheetLine line, KostelContext context, LibraryFolder library, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await context.FindSheet(sheet, asker, cancel);
        var lecture = await context.FindLecture(row.LectureId ?? line.LectureId ?? throw new NotValidException("Say of which lecture the passage is."), cancel);
        if (row.CourseId is { } course && lecture.CourseId != course)
        {
            throw new NotValidException("This lecture does not belong to the course of the sheet.");
        }

        var transcript = await context.Transcript(lecture, cancel);
        var isPlace = line.Mark is not null || line.StartMs == line.EndMs;
        var source = (isPlace ? Evidence.At(Sentences.Of(transcript.Passages), Math.Clamp(line.StartMs, 0, lecture.DurationMs)) : Evidence.Between(transcript, line.StartMs, line.EndMs)).In(lecture.Id);
        var text = EntryRules.SheetCell.Read(string.IsNullOrWhiteSpace(line.Text) ? source.Quote.Length > 0 ? source.Quote : "Picture" : line.Text);
        var picture = line.Mark is { } mark ? await context.PictureOfMark(lecture.Id, asker.PersonId, mark, cancel) : line.WithPicture ? await PictureFiles.KeepStill(library, lecture, line.StartMs, cancel) : null;
        return await Write(row, row.Name, row.Content.With(source, text, picture), context, time, cancel);
    }

    private static async Task<PhysicalFileHttpResult> GetPicture(int sheet, string name, KostelContext context, LibraryFolder library, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindSheet(sheet, asker, cancel);
        var line = row.Content.Lines().FirstOrDefault(l => l.Picture == name);
        return PictureFiles.Give(library, line?.Source?.LectureId ?? row.LectureId ?? "", line?.Picture);
    }

    private static async Task<Ok<SheetAgain>> LookAgain(int sheet, KostelContext context, SheetMaking making, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(new SheetAgain((await making.Again(await context.FindSheet(sheet, asker, cancel), cancel)).Differences));

    private static async Task<Ok<SheetView>> MakeAgain(int sheet, SheetVersion on, KostelContext context, SheetMaking making, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await At(on.Version, sheet, context, asker, cancel);
        return await Write(row, row.Name, (await making.Again(row, cancel)).Sheet, context, time, cancel);
    }

    private static async Task<Ok<List<EarlierSheet>>> Earlier(int sheet, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindSheet(sheet, asker, cancel);
        var earlier = await context.EarlierSheets.AsNoTracking().Where(s => s.SheetId == row.Id).OrderByDescending(s => s.Version).ToListAsync(cancel);
        return TypedResults.Ok(earlier.ConvertAll(s => new EarlierSheet(s.Version, s.At, s.Name, s.Content.Lines().Count())));
    }

    private static async Task<Ok<SheetView>> GoBack(int sheet, int version, SheetVersion on, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var row = await At(on.Version, sheet, context, asker, cancel);
        var earlier = await context.EarlierSheets.AsNoTracking().FirstOrDefaultAsync(s => s.SheetId == row.Id && s.Version == version, cancel) ?? throw PlainProblemException.NotThere("earlier sheet");
        return await Write(row, earlier.Name, earlier.Content, context, time, cancel);
    }

    private static async Task<NoContent> Delete(int sheet, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        (await context.FindSheet(sheet, asker, cancel)).DeletedAt = time.GetUtcNow().UtcDateTime;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(int sheet, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        await context.Sheets.Where(s => s.OwnerId == me && s.Id == sheet).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    private static async Task<SheetRow> At(int version, int sheet, KostelContext context, Asker asker, CancellationToken cancel) =>
        await context.FindSheet(sheet, asker, cancel) is var row && row.Version == version ? row : throw PlainProblemException.ChangedElsewhere("sheet");

    /// <summary>Writes a sheet and keeps how it was.</summary>
    private static async Task<Ok<SheetView>> Write(SheetRow row, string name, Sheet content, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        context.EarlierSheets.Add(new EarlierSheetRow { SheetId = row.Id, Version = row.Version, Name = row.Name, Content = row.Content, At = row.ChangedAt });
        (row.Name, row.Content, row.Version, row.ChangedAt) = (name, content, row.Version + 1, time.GetUtcNow().UtcDateTime);
        await context.SaveChangesAsync(cancel);
        await context.EarlierSheets.Where(s => s.SheetId == row.Id && s.Version < row.Version - MostEarlier).ExecuteDeleteAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(await context.ViewSheet(row, cancel));
    }
}
