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
}
