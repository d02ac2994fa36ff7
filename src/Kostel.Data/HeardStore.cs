using Kostel.Core.Listening;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Keeps what was heard.</summary>
public static class HeardStore
{
    /// <summary>Two that lie so near were heard in one go: players tell where they are now and then.</summary>
    private const int NearMs = 1_500;

    /// <summary>What a person has heard of a lecture, in order and apart.</summary>
    public static async Task<IReadOnlyList<Stretch>> Heard(this KostelContext context, string lectureId, int ownerId, CancellationToken cancel) =>
        await context.Heard.AsNoTracking().Where(h => h.LectureId == lectureId && h.OwnerId == ownerId).Select(h => h.Stretches).FirstOrDefaultAsync(cancel) ?? [];

    /// <summary>Adds what was heard. In a transaction of the caller's.</summary>
    /// <returns>All that was heard by now.</returns>
    public static async Task<IReadOnlyList<Stretch>> AddHeard(this KostelContext context, LectureRow lecture, int ownerId, IEnumerable<Stretch> stretches, CancellationToken cancel)
    {
        var row = await context.Heard.FirstOrDefaultAsync(h => h.LectureId == lecture.Id && h.OwnerId == ownerId, cancel)
            ?? context.Heard.Add(new HeardRow { LectureId = lecture.Id, OwnerId = ownerId, Stretches = [] }).Entity;
        var inside = stretches.Select(s => new Stretch(Math.Clamp(s.StartMs, 0, lecture.DurationMs), Math.Clamp(s.EndMs, 0, lecture.DurationMs)));
        row.Stretches = Stretch.Union(row.Stretches.Concat(inside), NearMs);
        row.HeardMs = row.Stretches.Sum(s => s.LengthMs);
        await context.SaveChangesAsync(cancel);
        return row.Stretches;
    }
}
