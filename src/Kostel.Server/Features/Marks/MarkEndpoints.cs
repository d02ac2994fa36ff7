using Kostel.Core.Entries;
using Kostel.Core.Marks;
using Kostel.Core.Study;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Marks;

/// <summary>A mark for showing.</summary>
/// <param name="Now">What stands there today, where that is other than what was marked.</param>
/// <param name="HasPicture">Whether a picture belongs to it.</param>
public sealed record MarkView(
    int Id, MarkKind Kind, int StartMs, int EndMs, string Quote, string? Now, string Text, bool HasPicture, string? Resolved, DateTime MadeAt, int Version);

/// <summary>A new mark.</summary>
public sealed record NewMark(MarkKind Kind, int StartMs, int EndMs, string Quote, string Text);

/// <summary>A change of a mark. <paramref name="Version"/> is the one that it was made on.</summary>
/// <param name="Resolved">What was learned of something unclear; null leaves it open.</param>
public sealed record MarkChange(MarkKind Kind, string Text, string? Resolved, int Version);

/// <summary>What a person marks in a lecture.</summary>
internal static class MarkEndpoints
{
    public static void MapMarks(this IEndpointRouteBuilder app)
    {
        var marks = app.MapGroup("/api/lectures/{id}/marks");
        marks.MapGet("", List).WithName("getMarks");
        marks.MapPost("", Add).WithName("addMark");
        marks.MapPut("{mark:int}", Change).WithName("changeMark");
        marks.MapDelete("{mark:int}", Delete).WithName("deleteMark");
        marks.MapPost("{mark:int}/restore", Restore).WithName("restoreMark");
        marks.MapGet("{mark:int}/picture", Picture).WithName("getMarkPicture");
        marks.MapPost("picture", AddPicture).WithName("addPicture").ExcludeFromDescription().TakesUpTo(PictureFiles.LargestBytes + 1);
    }

    private static async Task<Ok<List<MarkView>>> List(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var rows = await context.MarksOf(id, asker.PersonId).ToListAsync(cancel);
        var check = rows.Exists(m => m.Quote.Length > 0) ? new SourceCheck(await context.Transcript(lecture, cancel)) : null;
        return TypedResults.Ok(rows.ConvertAll(m => View(m, check)));
    }

    private static async Task<Ok<MarkView>> Add(string id, NewMark mark, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var (start, end) = MarkEntries.Span(mark.StartMs, mark.EndMs, lecture.DurationMs);
        var row = new MarkRow
        {
            LectureId = id,
            OwnerId = asker.PersonId,
            Kind = mark.Kind,
            StartMs = start,
            EndMs = end,
            Quote = EntryRules.MarkedWords.Read(mark.Quote),
            Text = MarkEntries.Text(mark.Kind, mark.Text),
            MadeAt = time.GetUtcNow().UtcDateTime,
        };
        context.Marks.Add(row);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row, null));
    }

    private static async Task<Ok<MarkView>> Change(string id, int mark, MarkChange change, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var row = await Find(context, asker, id, mark, cancel);
        if (row.Version != change.Version)
        {
            throw PlainProblemException.ChangedElsewhere("mark");
        }

        (row.Kind, row.Text, row.Version) = (change.Kind, MarkEntries.Text(change.Kind, change.Text), row.Version + 1);
        row.Resolved = MarkEntries.Resolved(change.Kind, change.Resolved);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row, new SourceCheck(await context.Transcript(lecture, cancel))));
    }

    private static async Task<NoContent> Delete(string id, int mark, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        (await Find(context, asker, id, mark, cancel)).DeletedAt = time.GetUtcNow().UtcDateTime;
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<NoContent> Restore(string id, int mark, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        await context.Marks.Where(m => m.LectureId == id && m.OwnerId == me && m.Id == mark).ExecuteUpdateAsync(s => s.SetProperty(m => m.DeletedAt, (DateTime?)null), cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Takes a picture in the request's body and puts it at a time.</summary>
    private static async Task<Ok<MarkView>> AddPicture(
        string id, int atMs, HttpRequest request, KostelContext context, Asker asker, LibraryFolder library, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var name = await PictureFiles.Keep(library, id, request.Body, cancel);
        var (at, _) = MarkEntries.Span(atMs, atMs, lecture.DurationMs);
        var row = new MarkRow { LectureId = id, OwnerId = asker.PersonId, Kind = MarkKind.Note, StartMs = at, EndMs = at, Quote = "", Text = "", Picture = name, MadeAt = time.GetUtcNow().UtcDateTime };
        context.Marks.Add(row);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row, null));
    }

    private static async Task<PhysicalFileHttpResult> Picture(string id, int mark, KostelContext context, Asker asker, LibraryFolder library, CancellationToken cancel) =>
        PictureFiles.Give(library, id, (await Find(context, asker, id, mark, cancel)).Picture);

    private static async Task<MarkRow> Find(KostelContext context, Asker asker, string id, int mark, CancellationToken cancel) =>
        await context.Marks.FirstOrDefaultAsync(m => m.LectureId == id && m.OwnerId == asker.PersonId && m.Id == mark && m.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("mark");

    private static MarkView View(MarkRow m, SourceCheck? check)
    {
        var state = m.Quote.Length == 0 ? null : check?.Of(m.StartMs, m.EndMs, m.Quote);
        return new MarkView(m.Id, m.Kind, m.StartMs, m.EndMs, m.Quote, state is { Holds: false } ? state.NowText : null, m.Text, m.Picture is not null, m.Resolved, m.MadeAt, m.Version);
    }
}
