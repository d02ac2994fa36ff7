using Kostel.Core.Transcripts;

namespace Kostel.Core.Study;

/// <summary>Where in a lecture a piece of study material comes from.</summary>
/// <param name="PassageId">The passage.</param>
/// <param name="StartMs">Where to begin listening.</param>
/// <param name="EndMs">Where the source ends.</param>
/// <param name="Quote">The words of the lecture.</param>
public sealed record SourceSpan(string PassageId, int StartMs, int EndMs, string Quote)
{
    /// <summary>The span of a sentence.</summary>
    public static SourceSpan Of(Sentence sentence) => new(sentence.PassageId, sentence.StartMs, sentence.EndMs, sentence.Text);

    /// <summary>Whether this is in the main the same place of the lecture as another: more than half of what the two cover together is covered by both.
    /// A new transcription, or a correction, moves borders a little; what is said there stays.</summary>
    public bool IsSamePlace(SourceSpan other) =>
        2 * (Math.Min(EndMs, other.EndMs) - Math.Max(StartMs, other.StartMs)) > Math.Max(EndMs, other.EndMs) - Math.Min(StartMs, other.StartMs);
}
