using Kostel.Core.Study;
using Kostel.Core.Study.Summaries;

namespace Kostel.Server.Features.Study;

/// <summary>Where something comes from.</summary>
/// <param name="Quote">The words that it was made from.</param>
/// <param name="Now">What is said there by today's transcript, where that is something else; null while the source holds.</param>
public sealed record SourceView(int StartMs, int EndMs, string Quote, string? Now)
{
    /// <summary>The view of a source.</summary>
    public static SourceView Of(SourceSpan source, SourceCheck check)
    {
        var state = check.Of(source);
        return new SourceView(source.StartMs, source.EndMs, source.Quote, state.Holds ? null : state.NowText);
    }
}

/// <summary>A chapter's part of a summary.</summary>
public sealed record SummaryPartView(string Chapter, int StartMs, IReadOnlyList<SourceView> Lines)
{
    /// <summary>The view of a part.</summary>
    public static SummaryPartView Of(SummaryPart part, SourceCheck check) => new(part.Chapter, part.StartMs, part.Lines.Select(l => SourceView.Of(l, check)).ToList());
}
