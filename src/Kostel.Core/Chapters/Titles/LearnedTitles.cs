using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>The titles that chapters of an English lecture could have, the likeliest to be found good first; learned from titles that were read and judged (docs/chapters.md).</summary>
internal sealed class LearnedTitles(IReadOnlyList<IReadOnlyList<Sentence>> chapters, TitleCandidates candidates, WordKnowledge known)
{
    private const int FewestWords = 2, MostWords = 7;

    private readonly TitlePool pool = new(chapters, candidates, known.Lexicon);
    private readonly TitleFeatures features = new(chapters, candidates.Weights, known);

    /// <summary>The titles of a chapter, the best first.</summary>
    public IEnumerable<string> Of(int c) => pool.Of(c)
        .Where(p => p.Text.Count(ch => ch == ' ') + 1 is >= FewestWords and <= MostWords)
        .Select(p => (p.Text, p.Sentence, Score: TitleWeights.Sum(features.Of(c, p))))
        .OrderByDescending(p => p.Score).ThenBy(p => p.Sentence).ThenBy(p => p.Text, StringComparer.Ordinal)
        .Select(p => p.Text);
}
