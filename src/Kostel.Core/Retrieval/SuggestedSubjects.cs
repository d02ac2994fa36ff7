using Kostel.Core.Chapters.Titles;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Retrieval;

/// <summary>Subjects that a lecture speaks of in several places: what could be looked for in it.</summary>
public static class SuggestedSubjects
{
    private const int Most = 8;
    private const double OfTwoWords = 1.6, Spread = 0.5;

    /// <summary>Phrases of the lecture, the most worthwhile first; none for a lecture without any that comes again.</summary>
    /// <param name="terms">Terms of its course: they come first where they are said.</param>
    public static IReadOnlyList<string> Of(Transcript transcript, IReadOnlyList<string> terms, WordKnowledge known)
    {
        var sentences = Sentences.Of(transcript.Passages);
        var phrases = transcript.Language == "en" && known.Lexicon.Count > 0 ? new EnglishPhrases(known.Lexicon).Of(sentences) : new PlainPhrases(transcript.Language).Of(sentences);
        var termStems = terms.Select(t => string.Join(' ', Tokens.ContentStems(t))).ToHashSet();
        var found = phrases.Where(p => p.Content.Count is > 0 and <= 3)
            .GroupBy(p => string.Join(' ', p.Content))
            .Where(g => g.Select(p => p.Sentence).Distinct().Count() > 1)
            .Select(g => (Stems: g.First().Content, Text: g.GroupBy(p => WordForms.Small(p.Text)).OrderByDescending(t => t.Count()).ThenBy(t => t.Key.Length).First().Key, Worth: Worth(g.ToList(), g.Key)))
            .OrderByDescending(s => s.Worth).ThenBy(s => s.Text, StringComparer.Ordinal);
        var chosen = new List<(IReadOnlyList<string> Stems, string Text)>();
        foreach (var (stems, text, _) in found)
        {
            // "spring tide" says what "tide" beside it would.
            if (chosen.Count < Most && !chosen.Exists(c => c.Stems.Intersect(stems).Count() >= Math.Min(c.Stems.Count, stems.Count)))
            {
                chosen.Add((stems, text));
            }
        }

        return chosen.ConvertAll(c => c.Text);

        double Worth(List<NamingPhrase> uses, string key)
        {
            var words = Tokens.Of(uses[0].Text).Where(w => !StopWords.Contains(w)).ToList();
            var rarity = words.Count == 0 ? 0 : words.Average(known.Vectors.WeightOf);
            var places = uses.ConvertAll(p => p.Sentence);
            var spread = sentences.Count < 2 ? 0 : (places.Max() - places.Min()) / (double)sentences.Count;
            return Math.Sqrt(uses.Count) * rarity * (words.Count > 1 ? OfTwoWords : 1) * (1 + (Spread * spread)) * (termStems.Contains(key) ? OfTwoWords : 1);
        }
    }
}
