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

/// <summary>Sheets of a lecture: made, changed, made again, taken back to what they were.</summary>
internal static class SheetEndpoints
{
    private const int MostEarlier = 50;

    public static void MapSheets(this IEndpointRouteBuilder app)
    {
        var sheets = app.MapGroup("/api/lectures/{id}/sheets");
        sheets.MapGet("", List).WithName("getSheets");
        sheets.MapPost("", Make).WithName("makeSheet");
        sheets.MapGet("pairs", Pairs).WithName("getComparedPairs");
        sheets.MapGet("{sheet:int}", Get).WithName("getSheet");
        sheets.MapPut("{sheet:int}", Change).WithName("changeSheet");
        sheets.MapPost("{sheet:int}/lines", AddLine).WithName("addSheetLine");
        sheets.MapGet("{sheet:int}/again", LookAgain).WithName("compareSheet");
        sheets.MapPost("{sheet:int}/again", MakeAgain).WithName("makeSheetAgain");
        sheets.MapGet("{sheet:int}/earlier", Earlier).WithName("getEarlierSheets");
        sheets.MapPost("{sheet:int}/earlier/{version:int}", GoBack).WithName("goBackToSheet");
        sheets.MapDelete("{sheet:int}", Delete).WithName("deleteSheet");
        sheets.MapPost("{sheet:int}/restore", Restore).WithName("restoreSheet");
        app.MapSheetExports();
        app.MapWrittenSheets();
    }

    private static async Task<Ok<List<SheetEntry>>> List(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        await context.FindLecture(id, cancel);
        var rows = await context.Sheets.AsNoTracking().Where(s => s.LectureId == id && s.OwnerId == asker.PersonId && s.DeletedAt == null).OrderByDescending(s => s.ChangedAt).ToListAsync(cancel);
        return TypedResults.Ok(rows.ConvertAll(s => new SheetEntry(s.Id, s.Form, s.Name, s.ChangedAt, s.Content.Lines().Count())));
    }

    private static async Task<Ok<SheetView>> Make(string id, NewSheet wanted, KostelContext context, StudyMaking study, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var from = new StudyStretch(wanted.Chapter, wanted.OfMarks);
        var made = await study.Sheet(lecture, wanted.Form, from, asker.PersonId, cancel, Things(wanted));
        if (wanted.Form != SheetForm.Own && made.HasNoLine())
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, made.Compared is null ? "There is nothing for such a sheet here. Nothing was changed." : "The lecture does not speak of both by these names. Nothing was changed.");
        }

        var now = time.GetUtcNow().UtcDateTime;
        var row = new SheetRow { LectureId = id, OwnerId = asker.PersonId, Form = wanted.Form, Name = SheetNames.Of(wanted.Form, made), Content = made, Chapter = wanted.Chapter, OfMarks = wanted.OfMarks, MadeAt = now, ChangedAt = now };
        context.Sheets.Add(row);
        await context.SaveChangesAsync(cancel);
        return await View(row, lecture, context, cancel);
    }

    private static IReadOnlyList<string>? Things(NewSheet wanted) => wanted.Form != SheetForm.Comparison ? null : [.. (wanted.Compared ?? []).Select(EntryRules.SheetName.Read)];

    private static async Task<Ok<List<ComparedPair>>> Pairs(string id, KostelContext context, StudyMaking study, CancellationToken cancel) =>
        TypedResults.Ok((await study.Pairs(await context.FindLecture(id, cancel), cancel)).Select(p => new ComparedPair(p.One, p.Other)).ToList());

    private static async Task<Ok<SheetView>> Get(string id, int sheet, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return await View(await context.FindSheet(id, sheet, asker, cancel), lecture, context, cancel);
    }

    private static async Task<Ok<SheetView>> Change(string id, int sheet, SheetChange change, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var row = change.Over ? await context.FindSheet(id, sheet, asker, cancel) : await At(change.Version, id, sheet, context, asker, cancel);
        if (change.Parts is null || change.Parts.Any(p => p is null || p.Lines?.Any(l => l is null) == true))
        {
            throw new NotValidException("A sheet is made of parts and lines.");
        }

        // What the person changed is the sheet as they saw it.
        var seen = row.Version == change.Version ? null : await context.EarlierSheets.AsNoTracking().FirstOrDefaultAsync(s => s.SheetId == row.Id && s.Version == change.Version, cancel);
        await Write(row, EntryRules.SheetName.Read(change.Name), SheetEditing.Edit(seen?.Content ?? row.Content, change.Parts), context, time, cancel);
        return await View(row, lecture, context, cancel);
    }

    /// <summary>Puts a passage at the end of a sheet, with where it is said.</summary>
    private static async Task<Ok<SheetView>> AddLine(string id, int sheet, NewSheetLine line, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var row = await context.FindSheet(id, sheet, asker, cancel);
        var source = Evidence.Between(await context.Transcript(lecture, cancel), line.StartMs, line.EndMs).In(id);
        var text = EntryRules.SheetCell.Read(string.IsNullOrWhiteSpace(line.Text) ? source.Quote : line.Text);
        var cells = row.Content.Columns.Select((_, i) => i == row.Content.Columns.Count - 1 ? text : "").ToList();
        var parts = row.Content.Parts.Count == 0 ? [new SheetPart("", [])] : row.Content.Parts.ToList();
        parts[^1] = parts[^1] with { Lines = [.. parts[^1].Lines, new SheetLine(cells, source, IsOwn: true)] };
        await Write(row, row.Name, row.Content with { Parts = parts }, context, time, cancel);
        return await View(row, lecture, context, cancel);
    }

    private static async Task<Ok<SheetAgain>> LookAgain(string id, int sheet, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return TypedResults.Ok(new SheetAgain((await Remade(await context.FindSheet(id, sheet, asker, cancel), lecture, study, asker, cancel)).Differences));
    }

    private static async Task<Ok<SheetView>> MakeAgain(string id, int sheet, SheetVersion on, KostelContext context, StudyMaking study, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var row = await At(on.Version, id, sheet, context, asker, cancel);
        await Write(row, row.Name, (await Remade(row, lecture, study, asker, cancel)).Sheet, context, time, cancel);
        return await View(row, lecture, context, cancel);
    }

    private static async Task<Ok<List<EarlierSheet>>> Earlier(string id, int sheet, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindSheet(id, sheet, asker, cancel);
        var earlier = await context.EarlierSheets.AsNoTracking().Where(s => s.SheetId == row.Id).OrderByDescending(s => s.Version).ToListAsync(cancel);
        return TypedResults.Ok(earlier.ConvertAll(s => new EarlierSheet(s.Version, s.At, s.Name, s.Content.Lines().Count())));
    }

    private static async Task<Ok<SheetView>> GoBack(string id, int sheet, int version, SheetVersion on, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var row = await At(on.Version, id, sheet, context, asker, cancel);
        var earlier = await context.EarlierSheets.AsNoTracking().FirstOrDefaultAsync(s => s.SheetId == row.Id && s.Version == version, cancel) ?? throw PlainProblemException.NotThere("earlier sheet");
        await Write(row, earlier.Name, earlier.Content, context, time, cancel);
        return await View(row, lecture, context, cancel);
    }

    private static async Task<NoContent> Delete(string id, int sheet, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        (await context.FindSheet(id, sheet, asker, cancel)).DeletedAt = time.GetUtcNow().UtcDateTime;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(string id, int sheet, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        await context.Sheets.Where(s => s.LectureId == id && s.OwnerId == me && s.Id == sheet).ExecuteUpdateAsync(s => s.SetProperty(r => r.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Today's sheet with the person's changes.</summary>
    private static async Task<RemadeSheet> Remade(SheetRow row, LectureRow lecture, StudyMaking study, Asker asker, CancellationToken cancel) => row.Form == SheetForm.Own
        ? new RemadeSheet(row.Content, [])
        : SheetRemaking.Of(row.Content, await study.Sheet(lecture, row.Form, new StudyStretch(row.Chapter, row.OfMarks), asker.PersonId, cancel, row.Content.Compared));

    private static async Task<SheetRow> At(int version, string id, int sheet, KostelContext context, Asker asker, CancellationToken cancel) =>
        await context.FindSheet(id, sheet, asker, cancel) is var row && row.Version == version ? row : throw PlainProblemException.ChangedElsewhere("sheet");

    /// <summary>Writes a sheet and keeps how it was.</summary>
    private static async Task Write(SheetRow row, string name, Sheet content, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        context.EarlierSheets.Add(new EarlierSheetRow { SheetId = row.Id, Version = row.Version, Name = row.Name, Content = row.Content, At = row.ChangedAt });
        (row.Name, row.Content, row.Version, row.ChangedAt) = (name, content, row.Version + 1, time.GetUtcNow().UtcDateTime);
        await context.SaveChangesAsync(cancel);
        await context.EarlierSheets.Where(s => s.SheetId == row.Id && s.Version < row.Version - MostEarlier).ExecuteDeleteAsync(cancel);
        await all.CommitAsync(cancel);
    }

    private static async Task<Ok<SheetView>> View(SheetRow row, LectureRow lecture, KostelContext context, CancellationToken cancel) =>
        TypedResults.Ok(SheetView.Of(row, new EvidenceViews(lecture.Id, await context.Transcript(lecture, cancel))));
}
