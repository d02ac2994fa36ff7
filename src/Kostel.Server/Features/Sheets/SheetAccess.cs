using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Sheets;

/// <summary>Reaching a sheet.</summary>
internal static class SheetAccess
{
    /// <summary>A person's sheet that was not taken away.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public static async Task<SheetRow> FindSheet(this KostelContext context, string id, int sheet, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        return await context.Sheets.FirstOrDefaultAsync(s => s.Id == sheet && s.LectureId == id && s.OwnerId == me && s.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("sheet");
    }
}
