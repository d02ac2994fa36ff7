using Kostel.Core.Problems;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>What of a lecture study material is to be made of.</summary>
/// <param name="Chapter">Where the chapter begins; null for all of them.</param>
/// <param name="OfMarks">Only what the person marked.</param>
internal sealed record StudyStretch(int? Chapter = null, bool OfMarks = false)
{
    /// <summary>Tells which places are meant; null for all.</summary>
    /// <exception cref="NotValidException">There is no such chapter, or no mark.</exception>
    public async Task<Func<Evidence, bool>?> Of(string lectureId, Transcript transcript, KostelContext context, int person, CancellationToken cancel)
    {
        var chapter = Chapter is null ? null : transcript.Chapters.FirstOrDefault(c => c.StartMs == Chapter) ?? throw new NotValidException("The chapters were changed meanwhile. Choose one of those that there are now.");
        if (!OfMarks)
        {
            return chapter is null ? null : e => e.StartMs >= chapter.StartMs && e.StartMs < chapter.EndMs;
        }

        var marks = await context.Marks.AsNoTracking().Where(m => m.LectureId == lectureId && m.OwnerId == person).Select(m => new { m.StartMs, m.EndMs }).ToListAsync(cancel);
        return marks.Count == 0
            ? throw new NotValidException("Nothing is marked in this lecture yet.")
            : e => marks.Exists(m => e.StartMs < m.EndMs && m.StartMs < e.EndMs) && (chapter is null || (e.StartMs >= chapter.StartMs && e.StartMs < chapter.EndMs));
    }
}
