using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Record;

/// <summary>Reaching a recording that is being made.</summary>
internal static class RecordingAccess
{
    /// <summary>A person's recording that has not ended.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public static async Task<RecordingRow> FindRecording(this KostelContext context, string id, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        return await context.Recordings.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id && r.OwnerId == me && r.State == RecordingState.Open, cancel) ?? throw PlainProblemException.NotThere("recording");
    }
}
