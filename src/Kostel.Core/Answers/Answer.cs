using Kostel.Core.Transcripts;

namespace Kostel.Core.Answers;

/// <summary>What a lecture says to a question.</summary>
/// <param name="IsSaid">Whether it answers it. When not, <paramref name="Lines"/> are the nearest passages and no answer.</param>
/// <param name="Lines">One or two sentences each, in the order of their weight.</param>
/// <param name="UnheardWords">Words of the question that are never said in the lecture.</param>
public sealed record Answer(bool IsSaid, IReadOnlyList<Evidence> Lines, IReadOnlyList<string> UnheardWords)
{
    /// <summary>The same as an answer of a lecture.</summary>
    public Answer In(string? lectureId) => this with { Lines = Lines.Select(l => l.In(lectureId)).ToList() };
}
