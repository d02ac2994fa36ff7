using Kostel.Core.Study;
using Kostel.Core.Transcripts;

namespace Kostel.Server.Shared;

/// <summary>Evidence for showing.</summary>
/// <param name="Quote">The words that a thing was made from.</param>
/// <param name="Chapter">The chapter that holds their beginning today; empty for none.</param>
/// <param name="Now">What is said there by today's transcript, where that is something else; null while the evidence holds.</param>
public sealed record EvidenceView(string LectureId, int StartMs, int EndMs, string Quote, string Chapter, string? Now);

/// <summary>Looks at evidence beside the transcript that there is today.</summary>
internal sealed class EvidenceViews(string lectureId, Transcript transcript)
{
    private readonly SourceCheck check = new(transcript);

    /// <summary>The view of evidence.</summary>
    public EvidenceView Of(Evidence evidence)
    {
        var state = check.Of(evidence);
        var chapter = transcript.Chapters.LastOrDefault(c => c.StartMs <= evidence.StartMs)?.Title ?? "";
        return new EvidenceView(evidence.LectureId ?? lectureId, evidence.StartMs, evidence.EndMs, evidence.Quote, chapter, state.Holds ? null : state.NowText);
    }
}
