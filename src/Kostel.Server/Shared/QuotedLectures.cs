using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>A lecture that something quotes. One that is gone is not among them.</summary>
public sealed record QuotedLecture(string Id, string Title, DateOnly? HeldOn, bool HasSound);

/// <summary>Shows evidence of several lectures beside what they say today.</summary>
internal sealed class QuotedLectures(KostelContext context)
{
    private readonly Dictionary<string, (LectureRow Row, Func<Evidence, EvidenceView> View)?> lectures = [];

    /// <summary>Whether what is shown was found a moment ago: then it needs no comparison with what is said today.</summary>
    public bool IsFresh { get; set; }

    /// <summary>Makes ready to show these.</summary>
    public async Task Open(IEnumerable<Evidence> lines, string? lectureId, CancellationToken cancel)
    {
        foreach (var id in lines.Select(l => l.LectureId ?? lectureId).OfType<string>().Distinct().Where(id => !lectures.ContainsKey(id)))
        {
            var found = await context.Lectures.AsNoTracking().FirstOrDefaultAsync(l => l.Id == id && l.DeletedAt == null, cancel);
            lectures[id] = found is null ? null : (found, IsFresh ? await Fresh(id, cancel) : new EvidenceViews(id, await context.Transcript(found, cancel)).Of);
        }
    }

    /// <summary>Evidence that was made ready; of a lecture that is gone as it was quoted.</summary>
    public EvidenceView View(Evidence line, string? lectureId = null) =>
        (line.LectureId ?? lectureId) is { } id && lectures[id] is { } at ? at.View(line) : new EvidenceView(line.LectureId ?? "", line.StartMs, line.EndMs, line.Quote, "", null);

    /// <summary>The lectures of these.</summary>
    public IReadOnlyList<QuotedLecture> Of(IEnumerable<Evidence> lines, string? lectureId = null) =>
        [.. lines.Select(l => l.LectureId ?? lectureId).OfType<string>().Distinct().Select(id => lectures[id]).OfType<(LectureRow Row, Func<Evidence, EvidenceView>)>().Select(l => new QuotedLecture(l.Row.Id, l.Row.Title, l.Row.HeldOn, l.Row.HasSound))];

    private async Task<Func<Evidence, EvidenceView>> Fresh(string id, CancellationToken cancel)
    {
        var chapters = await context.Chapters.AsNoTracking().Where(c => c.LectureId == id).OrderBy(c => c.StartMs).Select(c => new { c.StartMs, c.Title }).ToListAsync(cancel);
        return line => new EvidenceView(id, line.StartMs, line.EndMs, line.Quote, chapters.LastOrDefault(c => c.StartMs <= line.StartMs)?.Title ?? "", null);
    }
}
