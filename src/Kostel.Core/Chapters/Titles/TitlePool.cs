using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>What could name each chapter of an English lecture: of each form of phrase those that tell it best from the others.</summary>
internal sealed class TitlePool
{
    private const int LongestWords = 7, Joinable = 3;

    private static readonly Dictionary<PhraseForm, int> Most = new()
    {
        [PhraseForm.Thing] = 8,
        [PhraseForm.ThingOf] = 4,
        [PhraseForm.Pair] = 3,
        [PhraseForm.Doing] = 5,
        [PhraseForm.Statement] = 6,
        [PhraseForm.Asked] = 4,
        [PhraseForm.Question] = 4,
        [PhraseForm.Said] = 8,
        [PhraseForm.Explained] = 4,
        [PhraseForm.Predicate] = 4,
        [PhraseForm.Named] = 4,
        [PhraseForm.Joined] = 3,
    };

    private readonly IReadOnlyList<IReadOnlyList<Sentence>> chapters;
    private readonly TitleCandidates candidates;
    private readonly SpokenClauses spoken;

    public TitlePool(IReadOnlyList<IReadOnlyList<Sentence>> chapters, TitleCandidates candidates, Lexicon lexicon)
    {
        (this.chapters, this.candidates, spoken) = (chapters, candidates, new SpokenClauses(lexicon));
    }

    /// <summary>The phrases of a chapter, each title once.</summary>
    public IReadOnlyList<NamingPhrase> Of(int c)
    {
        var ranked = candidates.Ranked(c);
        var clauses = spoken.Of(chapters[c]).Select(p => (Phrase: p, Score: p.Content.Distinct().Sum(s => candidates.Weights.Of(c, s)) / Math.Sqrt(Math.Max(1, p.Content.Count))))
            .OrderByDescending(p => p.Score).ThenBy(p => p.Phrase.Sentence);
        var defined = candidates.DefinedIn(c).Where(d => !d.Term.Contains('\'', StringComparison.Ordinal)).Select(d => new NamingPhrase($"what {WordForms.Small(d.Named)} {(d.IsPlural ? "are" : "is")}", Tokens.ContentStems(d.Term), SentenceOf(c, d.Sentence), PhraseForm.Explained, IsDefined: true));
        return [.. ranked.Concat(clauses).Select(p => p.Phrase).Concat(defined).GroupBy(p => p.Form).SelectMany(g => g.Take(Most[g.Key]))
            .Concat(Joined(c, ranked))
            .Where(p => p.Content.Count > 0 || p.Form is PhraseForm.Question)
            .Select(p => p with { Text = WordForms.Capital(p.Text) })
            .DistinctBy(p => p.Text, StringComparer.OrdinalIgnoreCase)];
    }

    private int SentenceOf(int c, Sentence sentence) => Math.Max(0, chapters[c].ToList().FindIndex(s => s.StartMs <= sentence.StartMs && sentence.StartMs < s.EndMs));

    private IEnumerable<NamingPhrase> Joined(int c, List<(NamingPhrase Phrase, double Score)> ranked)
    {
        var things = ranked.Select(p => p.Phrase).Where(p => p.Form is PhraseForm.Thing or PhraseForm.ThingOf).ToList();
        var found = 0;
        for (var i = 0; i < Math.Min(Joinable, things.Count); i++)
        {
            for (var j = i + 1; j < Math.Min(2 * Joinable, things.Count) && found < Most[PhraseForm.Joined]; j++)
            {
                var (a, b) = (things[i], things[j]);
                if (!a.Content.Intersect(b.Content).Any() && a.Form == PhraseForm.Thing && WordCount(a) + WordCount(b) < LongestWords)
                {
                    found++;
                    yield return new NamingPhrase($"{a.Text} and {Inside(b, c)}", [.. a.Content, .. b.Content], Math.Min(a.Sentence, b.Sentence), PhraseForm.Joined);
                }
            }
        }
    }

    private static int WordCount(NamingPhrase phrase) => phrase.Text.Count(ch => ch == ' ') + 1;

    /// <summary>A phrase as it stands inside a title: with a small letter if its capital is that of its sentence.</summary>
    private string Inside(NamingPhrase phrase, int c) => chapters[c][phrase.Sentence].Text.StartsWith(phrase.Text, StringComparison.Ordinal) ? WordForms.Small(phrase.Text) : phrase.Text;
}
