using Kostel.Core.Marks;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Reads marks.</summary>
public static class MarkStore
{
    /// <summary>A person's marks of a lecture that were not taken away, in order of time.</summary>
    public static IQueryable<MarkRow> MarksOf(this KostelContext context, string lectureId, int ownerId) =>
        context.Marks.AsNoTracking().Where(m => m.LectureId == lectureId && m.OwnerId == ownerId && m.DeletedAt == null).OrderBy(m => m.StartMs).ThenBy(m => m.Id);

    /// <summary>The same as the core knows them.</summary>
    public static async Task<List<Mark>> Marks(this KostelContext context, string lectureId, int ownerId, CancellationToken cancel) =>
        (await context.MarksOf(lectureId, ownerId).ToListAsync(cancel)).ConvertAll(m => new Mark(m.Kind, m.StartMs, m.EndMs, m.Quote, m.Text, m.Resolved));
}
