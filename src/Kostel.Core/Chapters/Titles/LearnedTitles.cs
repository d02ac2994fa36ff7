using System.Text.RegularExpressions;
using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>The titles that chapters of an English lecture could have, the likeliest to be found good first; learned from titles that were read and judged (docs/chapters.md).</summary>
internal sealed partial class LearnedTitles(IReadOnlyList<IReadOnlyList<Sentence>> chapters, TitleCandidates candidates, WordKnowledge known)
{
    private const int FewestWords = 2, MostWords = 7;

    private readonly HashSet<string> invented = ConfirmedWords.Invented([.. chapters.SelectMany(c => c)], known).Select(w => w.Text.TrimEnd('.', ',', '?', '!')).ToHashSet(StringComparer.OrdinalIgnoreCase);

    private readonly TitlePool pool = new(chapters, candidates, known.Lexicon);
    private readonly TitleFeatures features = new(chapters, candidates.Weights, known);

    /// <summary>The titles of a chapter, the best first.</summary>
    public IEnumerable<string> Of(int c) => pool.Of(c)
        .Where(p => p.Text.Count(ch => ch == ' ') + 1 is >= FewestWords and <= MostWords)
        .Select(p => (Text: Shown(p), p.Sentence, Score: TitleWeights.Sum(features.Of(c, p))))
        .OrderBy(p => p.Text.Split(' ').Any(invented.Contains)).ThenByDescending(p => p.Score).ThenBy(p => p.Sentence).ThenBy(p => p.Text, StringComparer.Ordinal)
        .Select(p => p.Text);

    /// <summary>What is defined by several words is named by them: "Field capacity"; of one word there would be no title.</summary>
    private static string Shown(NamingPhrase phrase) => phrase.IsDefined && Defined().Match(phrase.Text) is { Success: true } m ? WordForms.Capital(m.Groups["term"].Value) : phrase.Text;

    [GeneratedRegex("^What (?:an? |the )?(?!(?:an?|the) )(?<term>[^ ]+ .+) (?:is|are)$", RegexOptions.CultureInvariant, PatternTime.Most)]
    private static partial Regex Defined();
}
