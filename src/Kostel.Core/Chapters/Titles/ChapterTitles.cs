using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>
/// Names chapters in the lecture's own words: by what is asked or announced as they begin, by what they define, and by the
/// phrases that stand in them and not in the others; the first and the last by what they are.
/// </summary>
public static class ChapterTitles
{
    /// <summary>So many sentences of a chapter say what it is about.</summary>
    private const int BeginningSentences = 4, StatingSentences = 3;

    private const int LongestWords = 7;

    /// <summary>A second phrase is worth this part of the first, or is left out.</summary>
    private const double WorthAdding = 0.6, WorthAddingToOne = 0.2;

    /// <summary>A title for each chapter, no two the same.</summary>
    /// <param name="given">Titles that some have already; empty for those that have none.</param>
    public static IReadOnlyList<string> For(IReadOnlyList<IReadOnlyList<Sentence>> chapters, WordKnowledge known, string language = "en", IReadOnlyList<string>? given = null)
    {
        var isEnglish = language == "en";
        var candidates = new TitleCandidates(chapters, known, language);
        var titles = new List<string>();
        for (var c = 0; c < chapters.Count; c++)
        {
            titles.Add(given?[c] is { Length: > 0 } own ? own : Unused(isEnglish ? Candidates(c).OfType<string>() : [Composed(c)], [.. titles, .. given ?? []], () => candidates.Ranked(c).Select(p => WordForms.Capital(p.Phrase.Text))));
        }

        return titles;

        IEnumerable<string?> Candidates(int c)
        {
            if (chapters.Count > 1)
            {
                yield return c == 0 ? EdgeTitles.Opening(chapters[c]) : c == chapters.Count - 1 ? EdgeTitles.Closing(chapters[c]) : null;
            }

            foreach (var sentence in chapters[c].Take(BeginningSentences))
            {
                yield return AskedTitles.Of(sentence.Text, known.Lexicon);
            }

            foreach (var sentence in chapters[c].Take(StatingSentences))
            {
                yield return StatedTitles.Of(sentence, known.Lexicon, stem => candidates.Weights.IsAmongFirst(c, stem));
            }

            yield return Composed(c);
        }

        string Composed(int c) => Compose(candidates.Ranked(c), language == "es" ? "y" : "and");
    }

    private static string Compose(List<(NamingPhrase Phrase, double Score)> ranked, string and)
    {
        if (ranked.Count == 0)
        {
            return "";
        }

        var (first, most) = ranked[0];
        var words = first.Text.Split(' ').Length;
        var (second, score) = ranked.Skip(1).FirstOrDefault(p => p.Phrase.Form is PhraseForm.Thing or PhraseForm.ThingOf && !p.Phrase.Content.Intersect(first.Content).Any() && p.Phrase.Text.Split(' ').Length + words < LongestWords - 1);
        var adds = second is not null && first.Form == PhraseForm.Thing && words <= 2 && score >= most * (words == 1 ? WorthAddingToOne : WorthAdding);
        return WordForms.Capital(adds ? $"{first.Text} {and} {WordForms.Small(second!.Text)}" : first.Text);
    }

    /// <summary>The first title that no earlier chapter has; where there is nothing to say, what the chapter is.</summary>
    private static string Unused(IEnumerable<string> wanted, List<string> taken, Func<IEnumerable<string>> more)
    {
        var found = wanted.Concat(more()).FirstOrDefault(t => t.Length > 0 && !taken.Contains(t, StringComparer.OrdinalIgnoreCase));
        return found ?? (taken.TrueForAll(t => t.Length == 0) ? "The whole recording" : Numbered(taken));
    }

    private static string Numbered(List<string> taken) =>
        Enumerable.Range(1, taken.Count + 1).Select(n => n == 1 ? "Further on" : $"Further on ({n})").First(t => !taken.Contains(t));
}
