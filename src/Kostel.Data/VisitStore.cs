using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Notes who opened what.</summary>
public static class VisitStore
{
    /// <summary>Notes that a person opened a lecture. Of a lecture that is not there nothing is noted.</summary>
    public static Task NoteVisit(this KostelContext context, string lectureId, int ownerId, DateTime at, CancellationToken cancel) => context.Database.ExecuteSqlAsync(
        $"INSERT INTO Visits (LectureId, OwnerId, At) SELECT Id, {ownerId}, {at} FROM Lectures WHERE Id = {lectureId} ON CONFLICT (LectureId, OwnerId) DO UPDATE SET At = excluded.At", cancel);
}
