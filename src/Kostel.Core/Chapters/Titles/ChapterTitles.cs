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

        string Composed(int c) => Compose(candidates.Ranked(c), chapters[c], candidates.DefinedIn(c), isEnglish);
    }

    /// <summary>The best phrase; one word by itself says too little, so it is told what is said of it.</summary>
    private static string Compose(List<(NamingPhrase Phrase, double Score)> ranked, IReadOnlyList<Sentence> chapter, IEnumerable<Definition> defined, bool isEnglish)
    {
        if (ranked.Count == 0)
        {
            return "";
        }

        var (first, most) = ranked[0];
        var words = WordCount(first);
        var (second, score) = ranked.Skip(1).FirstOrDefault(p => p.Phrase.Form is PhraseForm.Thing or PhraseForm.ThingOf && !p.Phrase.Content.Intersect(first.Content).Any() && WordCount(p.Phrase) + words < LongestWords - 1);
        var isThing = first.Form == PhraseForm.Thing && words <= 2;
        return isEnglish && isThing && words == 1 && (second is null || score < most * WorthAddingToOne) && SaidOf(first, ranked, defined) is { } said ? said
            : WordForms.Capital(isThing && second is not null && ((isEnglish && words == 1) || score >= most * (words == 1 ? WorthAddingToOne : WorthAdding)) ? $"{first.Text} {(isEnglish ? "and" : "y")} {Inside(second, chapter)}" : first.Text);
    }

    /// <summary>What is said of a thing: what it is, a statement about it, a phrase that it is part of; null for nothing of these.</summary>
    private static string? SaidOf(NamingPhrase thing, List<(NamingPhrase Phrase, double Score)> ranked, IEnumerable<Definition> defined)
    {
        bool IsAbout(NamingPhrase phrase) => thing.Content.All(phrase.Content.Contains);
        var definition = defined.FirstOrDefault(d => Tokens.ContentStems(d.Term) is var stems && stems.SequenceEqual(thing.Content));
        var phrase = ranked.Select(p => p.Phrase).Where(p => p.Form is PhraseForm.Statement or PhraseForm.Asked).FirstOrDefault(IsAbout)
            ?? ranked.Select(p => p.Phrase).Where(p => p.Form is PhraseForm.ThingOf).FirstOrDefault(IsAbout);
        return definition is not null ? $"What {WordForms.Small(definition.Named)} {(definition.IsPlural ? "are" : "is")}" : phrase is null ? null : WordForms.Capital(phrase.Text);
    }

    /// <summary>A phrase as it stands inside a title: with a small letter if its capital is that of its sentence.</summary>
    private static string Inside(NamingPhrase phrase, IReadOnlyList<Sentence> chapter) =>
        chapter[phrase.Sentence].Text.StartsWith(phrase.Text, StringComparison.Ordinal) ? WordForms.Small(phrase.Text) : phrase.Text;

    private static int WordCount(NamingPhrase phrase) => phrase.Text.Count(ch => ch == ' ') + 1;

    /// <summary>The first title that no earlier chapter has; where there is nothing to say, what the chapter is.</summary>
    private static string Unused(IEnumerable<string> wanted, List<string> taken, Func<IEnumerable<string>> more)
    {
        var found = wanted.Concat(more()).FirstOrDefault(t => t.Length > 0 && !taken.Contains(t, StringComparer.OrdinalIgnoreCase));
        return found ?? (taken.TrueForAll(t => t.Length == 0) ? "The whole recording" : Numbered(taken));
    }

    private static string Numbered(List<string> taken) =>
        Enumerable.Range(1, taken.Count + 1).Select(n => n == 1 ? "Further on" : $"Further on ({n})").First(t => !taken.Contains(t));
}
