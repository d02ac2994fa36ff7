using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>A line of an answer: one or two sentences as they were said.</summary>
/// <param name="Text">The words of the lecture, unchanged.</param>
/// <param name="PassageId">The passage that holds the first of them.</param>
/// <param name="StartMs">Where they begin in the recording.</param>
/// <param name="EndMs">Where they end.</param>
/// <param name="Chapter">The title of the chapter they stand in.</param>
public sealed record EvidenceLine(string Text, string PassageId, int StartMs, int EndMs, string Chapter);

/// <summary>What a lecture says to a question.</summary>
/// <param name="IsSaid">Whether it answers it. When not, <paramref name="Lines"/> are the nearest passages and no answer.</param>
/// <param name="Lines">In the order of their weight.</param>
/// <param name="UnheardWords">Words of the question that are never said in the lecture.</param>
public sealed record Answer(bool IsSaid, IReadOnlyList<EvidenceLine> Lines, IReadOnlyList<string> UnheardWords);
