using Kostel.Core.Study.Summaries;
using Kostel.Server.Shared;

namespace Kostel.Server.Features.Study;

/// <summary>A chapter's part of a summary.</summary>
public sealed record SummaryPartView(string Chapter, int StartMs, IReadOnlyList<EvidenceView> Lines)
{
    /// <summary>The view of a part.</summary>
    internal static SummaryPartView Of(SummaryPart part, EvidenceViews evidence) => new(part.Chapter, part.StartMs, part.Lines.Select(evidence.Of).ToList());
}
