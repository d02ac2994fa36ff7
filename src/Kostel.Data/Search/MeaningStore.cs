using System.Globalization;
using Kostel.Core.Retrieval;
using Kostel.Core.Text;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data.Search;

/// <summary>Keeps what passages mean, and works it out anew for each lecture whose text has another version by now.</summary>
public static class MeaningStore
{
    /// <summary>The directions of all lectures' passages as their texts are now.</summary>
    /// <param name="known">What is in memory already.</param>
    /// <param name="canWrite">Whether what was worked out can be kept.</param>
    public static async Task<IReadOnlyList<LectureMeaning>> Meanings(
        this KostelContext context, IReadOnlyDictionary<string, LectureMeaning> known, WordVectors vectors, bool canWrite, CancellationToken cancel)
    {
        var table = string.Create(CultureInfo.InvariantCulture, $"{vectors.Count} x {vectors.Size}");
        var lectures = await context.Lectures.AsNoTracking().Where(l => l.MadeAt != null).Select(l => new { l.Id, l.TextVersion }).ToListAsync(cancel);
        var missing = lectures.Where(l => known.GetValueOrDefault(l.Id)?.TextVersion != l.TextVersion).ToDictionary(l => l.Id, l => l.TextVersion);
        var kept = missing.Count == 0 ? [] : await context.Kept(missing, table, known.Count == 0, cancel);
        var result = new List<LectureMeaning>();
        foreach (var lecture in lectures)
        {
            result.Add(!missing.ContainsKey(lecture.Id) ? known[lecture.Id] : kept.GetValueOrDefault(lecture.Id) ?? await context.WorkOut(lecture.Id, vectors, table, canWrite, cancel));
        }

        return result;
    }

    private static async Task<Dictionary<string, LectureMeaning>> Kept(this KostelContext context, Dictionary<string, int> versions, string table, bool all, CancellationToken cancel)
    {
        var ids = versions.Keys.ToList();
        var rows = await context.Meanings.AsNoTracking().Where(m => m.Table == table && (all || ids.Contains(m.LectureId))).ToListAsync(cancel);
        return rows.Where(m => versions.GetValueOrDefault(m.LectureId, -1) == m.TextVersion)
            .ToDictionary(m => m.LectureId, m => new LectureMeaning(m.LectureId, m.TextVersion, m.Keys.Split('\n'), LectureMeaning.Unpack(m.Directions)));
    }

    private static async Task<LectureMeaning> WorkOut(this KostelContext context, string id, WordVectors vectors, string table, bool canWrite, CancellationToken cancel)
    {
        // Text and version are of one moment: an edit between them would leave a text of an older version in the index for good.
        await using var reading = await context.Database.BeginTransactionAsync(System.Data.IsolationLevel.Serializable, cancel);
        var version = await context.Lectures.Where(l => l.Id == id).Select(l => l.TextVersion).FirstOrDefaultAsync(cancel);
        var passages = await context.Passages.AsNoTracking().Where(p => p.LectureId == id).OrderBy(p => p.Number).ToListAsync(cancel);
        var meaning = LectureMeaning.Of(id, version, passages.Select(p => (p.Key, string.Join(' ', p.Words.Select(w => w.Text)))), vectors);
        if (canWrite && passages.Count > 0)
        {
            await context.Meanings.Where(m => m.LectureId == id).ExecuteDeleteAsync(cancel);
            context.Meanings.Add(new MeaningRow { LectureId = id, TextVersion = version, Table = table, Keys = string.Join('\n', meaning.Keys), Directions = meaning.Pack() });
            await context.SaveChangesAsync(cancel);
            context.ChangeTracker.Clear();
        }

        await reading.CommitAsync(cancel);
        return meaning;
    }
}
