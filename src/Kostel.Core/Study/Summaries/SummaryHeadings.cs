using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Summaries;

/// <summary>The lines of a summary under the chapters that a lecture has today.</summary>
public static class SummaryHeadings
{
    /// <summary>Each line under the chapter that holds its beginning; chapters without a line have no part. As it was made, if the lecture has no chapters.</summary>
    public static IReadOnlyList<SummaryPart> Under(IReadOnlyList<SummaryPart> parts, IReadOnlyList<Chapter> chapters) => chapters.Count == 0
        ? parts
        : parts.SelectMany(p => p.Lines)
            .GroupBy(l => chapters.LastOrDefault(c => c.StartMs <= l.StartMs) ?? chapters[0])
            .OrderBy(g => g.Key.StartMs)
            .Select(g => new SummaryPart(g.Key.Title, g.Key.StartMs, g.OrderBy(l => l.StartMs).ToList()))
            .ToList();
}
