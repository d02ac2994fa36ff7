using Kostel.Core.Study.Facts;
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

    private const double Beginning = 1.5, Announced = 1.6, Defined = 2.5, SaidAgain = 0.35, MostSaidAgain = 4, Single = 0.75, LongerThanUsual = 0.85;

    /// <summary>A second phrase is worth this part of the first, or is left out.</summary>
    private const double WorthAdding = 0.6, WorthAddingToOne = 0.2;

    /// <summary>What is mentioned once is rarely what a chapter is about.</summary>
    private const double PartlyOnce = 0.55, AllOnce = 0.3;

    /// <summary>A title for each chapter, no two the same.</summary>
    /// <param name="given">Titles that some have already; empty for those that have none.</param>
    public static IReadOnlyList<string> For(IReadOnlyList<IReadOnlyList<Sentence>> chapters, WordKnowledge known, string language = "en", IReadOnlyList<string>? given = null)
    {
        var isEnglish = language == "en";
        var phrases = chapters.Select(c => (isEnglish && known.Lexicon.Count > 0 ? new EnglishPhrases(known.Lexicon).Of(c) : new PlainPhrases(language).Of(c)).ToList()).ToList();
        var weights = new ChapterWords(chapters, phrases, known.Vectors);
        var titles = new List<string>();
        for (var c = 0; c < chapters.Count; c++)
        {
            titles.Add(given?[c] is { Length: > 0 } own ? own : Unused(isEnglish ? Candidates(c).OfType<string>() : [Composed(c)], [.. titles, .. given ?? []], () => Ranked(c).Select(p => WordForms.Capital(p.Phrase.Text))));
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
                yield return StatedTitles.Of(sentence, known.Lexicon, stem => weights.IsAmongFirst(c, stem));
            }

            yield return Composed(c);
        }

        List<(NamingPhrase Phrase, double Score)> Ranked(int c) => Rank(chapters[c], phrases[c], weights, c, isEnglish);

        string Composed(int c) => Compose(Ranked(c), language == "es" ? "y" : "and");
    }

    /// <summary>The best phrases first, each thing once.</summary>
    private static List<(NamingPhrase Phrase, double Score)> Rank(IReadOnlyList<Sentence> chapter, List<NamingPhrase> phrases, ChapterWords weights, int c, bool isEnglish)
    {
        var announced = isEnglish ? chapter.Take(BeginningSentences).Select(s => AskedTitles.Announced(s.Text)).OfType<string>().ToList() : [];
        var defined = isEnglish
            ? chapter.SelectMany(s => Clauses.Of(s).Prepend(s)).Where(QuotableSentence.IsHeardWell).Select(Definitions.Find).OfType<Definition>().Select(d => Stems(d.Term)).ToList()
            : [];
        var said = phrases.CountBy(Key).ToDictionary();
        return phrases
            .Where(p => p.Content.Count > 0)
            .Select(p => p with { IsAnnounced = announced.Any(a => a.Contains(p.Text, StringComparison.OrdinalIgnoreCase)), IsDefined = defined.Any(d => d.SequenceEqual(p.Content)) })
            .GroupBy(Key)
            .Select(g => g.OrderByDescending(p => p.IsDefined || p.IsAnnounced).First())
            .Select(p => (Phrase: p, Score: Score(p, chapter, said[Key(p)], weights, c)))
            .Where(p => p.Score > 0)
            .OrderByDescending(p => p.Score).ThenBy(p => p.Phrase.Sentence).ThenBy(p => p.Phrase.Text, StringComparer.Ordinal)
            .ToList();
    }

    private static string Key(NamingPhrase phrase) => string.Join(' ', phrase.Content);

    /// <param name="said">How often it is said in the chapter.</param>
    private static double Score(NamingPhrase phrase, IReadOnlyList<Sentence> chapter, int said, ChapterWords weights, int c)
    {
        var distinct = phrase.Content.Distinct().ToList();
        var sum = distinct.Sum(s => weights.Of(c, s));
        var words = phrase.Text.Count(ch => ch == ' ') + 1;
        return sum / Math.Sqrt(distinct.Count) * weights.Centrality(c, phrase.Text)
            * (words == 1 ? Single : words > LongestWords - 2 ? LongerThanUsual : 1)
            * (1 + (SaidAgain * Math.Min(MostSaidAgain, said - 1)))
            * (phrase.IsDefined || phrase.IsAnnounced || distinct.TrueForAll(s => weights.CountOf(c, s) > 1) ? 1 : distinct.Exists(s => weights.CountOf(c, s) > 1) ? PartlyOnce : AllOnce)
            * (phrase.Sentence < Math.Min(BeginningSentences, 1 + (chapter.Count / 3)) ? Beginning : 1)
            * (phrase.IsAnnounced ? Announced : 1)
            * (phrase.IsDefined ? Defined : 1);
    }

    private static string Compose(List<(NamingPhrase Phrase, double Score)> ranked, string and)
    {
        if (ranked.Count == 0)
        {
            return "";
        }

        var (first, most) = ranked[0];
        var words = first.Text.Split(' ').Length;
        var (second, score) = ranked.Skip(1).FirstOrDefault(p => !p.Phrase.Content.Intersect(first.Content).Any() && p.Phrase.Text.Split(' ').Length + words < LongestWords - 1);
        var adds = second is not null && words <= 2 && score >= most * (words == 1 ? WorthAddingToOne : WorthAdding);
        return WordForms.Capital(adds ? $"{first.Text} {and} {WordForms.Small(second!.Text)}" : first.Text);
    }

    private static List<string> Stems(string phrase) => Tokens.Of(phrase).Where(w => !StopWords.Contains(w)).Select(Tokens.Stem).ToList();

    /// <summary>The first title that no earlier chapter has; where there is nothing to say, what the chapter is.</summary>
    private static string Unused(IEnumerable<string> wanted, List<string> taken, Func<IEnumerable<string>> more)
    {
        var found = wanted.Concat(more()).FirstOrDefault(t => t.Length > 0 && !taken.Contains(t, StringComparer.OrdinalIgnoreCase));
        return found ?? (taken.TrueForAll(t => t.Length == 0) ? "The whole recording" : Numbered(taken));
    }

    private static string Numbered(List<string> taken) =>
        Enumerable.Range(1, taken.Count + 1).Select(n => n == 1 ? "Further on" : $"Further on ({n})").First(t => !taken.Contains(t));
}
