using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Sheets;

/// <summary>Reaching a sheet, and showing it.</summary>
internal static class SheetAccess
{
    /// <summary>A person's sheet that was not taken away, of a lecture that was not.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public static async Task<SheetRow> FindSheet(this KostelContext context, int sheet, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        return await context.Sheets.FirstOrDefaultAsync(s => s.Id == sheet && s.OwnerId == me && s.DeletedAt == null && (s.LectureId == null || context.Lectures.Any(l => l.Id == s.LectureId && l.DeletedAt == null)), cancel)
            ?? throw PlainProblemException.NotThere("sheet");
    }

    /// <summary>A sheet beside what its lectures say today.</summary>
    public static async Task<SheetView> ViewSheet(this KostelContext context, SheetRow row, CancellationToken cancel)
    {
        var lectures = new QuotedLectures(context);
        var sources = row.Content.Sources().ToList();
        await lectures.Open(sources, row.LectureId, cancel);
        var course = row.CourseId is { } id ? await context.Courses.Where(c => c.Id == id).Select(c => c.Title).FirstAsync(cancel) : null;
        return SheetView.Of(row, course, lectures, sources);
    }

    /// <summary>Keeps a sheet that was made.</summary>
    public static async Task<SheetRow> AddSheet(this KostelContext context, SheetRow row, CancellationToken cancel)
    {
        context.Sheets.Add(row);
        await context.SaveChangesAsync(cancel);
        return row;
    }

    /// <summary>The sheets of a lecture or of a course, what was changed last first.</summary>
    public static async Task<List<SheetEntry>> ListSheets(this KostelContext context, System.Linq.Expressions.Expression<Func<SheetRow, bool>> of, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        var rows = await context.Sheets.AsNoTracking().Where(of).Where(s => s.OwnerId == me && s.DeletedAt == null).OrderByDescending(s => s.ChangedAt).ToListAsync(cancel);
        return rows.ConvertAll(s => new SheetEntry(s.Id, s.Form, s.Name, s.ChangedAt, s.Content.Lines().Count()));
    }
}
