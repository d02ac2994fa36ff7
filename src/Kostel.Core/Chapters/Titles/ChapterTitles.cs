using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>
/// Names chapters in the lecture's own words: the first and the last by what they are, the others by what is asked, said, explained or named
/// in them. Which of it was learned from titles that were judged (<see cref="LearnedTitles"/>); where kinds of words are not known, by the
/// phrases that stand in a chapter and not in the others.
/// </summary>
public sealed class ChapterTitles
{
    private const int LongestWords = 7, SeveralChapters = 4;

    /// <summary>Of so many sentences at most a beginning and an end are no more than that.</summary>
    private const int OnlyOpening = 3, OnlyClosing = 2;

    /// <summary>A second phrase is worth this part of the first, or is left out.</summary>
    private const double WorthAdding = 0.6, WorthAddingToOne = 0.2;

    private readonly IReadOnlyList<IReadOnlyList<Sentence>> chapters;
    private readonly bool isEnglish, isSpanish;
    private readonly TitleCandidates candidates;
    private readonly LearnedTitles? learned;

    private ChapterTitles(IReadOnlyList<IReadOnlyList<Sentence>> chapters, WordKnowledge known, string language)
    {
        (this.chapters, isEnglish, isSpanish) = (chapters, language == SpokenLanguages.English, language == SpokenLanguages.Spanish);
        candidates = new TitleCandidates(chapters, known, language);
        learned = isEnglish && known.Lexicon.Count > 0 ? new LearnedTitles(chapters, candidates, known) : null;
    }

    /// <summary>A title for each chapter, no two the same.</summary>
    /// <param name="given">Titles that some have already; empty for those that have none.</param>
    public static IReadOnlyList<string> For(IReadOnlyList<IReadOnlyList<Sentence>> chapters, WordKnowledge known, string language = "en", IReadOnlyList<string>? given = null)
    {
        var all = new ChapterTitles(chapters, known, language);
        var titles = new List<string>();
        for (var c = 0; c < chapters.Count; c++)
        {
            titles.Add(given?[c] is { Length: > 0 } own ? own : Unused(all.Wanted(c), [.. titles, .. given ?? []], () => all.Phrases(c)));
        }

        return titles;
    }

    /// <summary>What else a chapter could be called, the likeliest first: of several words, none that any chapter has, and each with something that its title and those before do not say.</summary>
    /// <param name="given">The titles of all chapters.</param>
    /// <param name="most">So many at most.</param>
    public static IReadOnlyList<string> Others(IReadOnlyList<IReadOnlyList<Sentence>> chapters, int chapter, WordKnowledge known, string language, IReadOnlyList<string> given, int most)
    {
        var all = new ChapterTitles(chapters, known, language);
        var (others, said) = (new List<string>(), Tokens.ContentStems(given[chapter]).ToHashSet());
        foreach (var title in all.Wanted(chapter).Concat(all.Phrases(chapter)).Where(t => t.Contains(' ', StringComparison.Ordinal)))
        {
            var stems = Tokens.ContentStems(title).ToHashSet();
            var isNew = stems.Count > 0 && stems.Count(said.Contains) * 2 <= stems.Count;
            if (others.Count < most && isNew && !given.Contains(title, StringComparer.OrdinalIgnoreCase))
            {
                others.Add(title);
                said.UnionWith(stems);
            }
        }

        return others;
    }

    /// <summary>What a chapter could be called, the likeliest first.</summary>
    private IEnumerable<string> Wanted(int c)
    {
        if (chapters.Count > 1 && (c == 0 ? Opening(chapters[c]) : c == chapters.Count - 1 ? Closing(chapters[c]) : null) is { } edge)
        {
            yield return edge;
        }

        foreach (var title in learned?.Of(c) ?? (isSpanish ? SpanishTitles.Of(chapters[c], word => candidates.Weights.Of(c, PlainPhrases.SpanishStem(word))) : []))
        {
            yield return title;
        }

        yield return Composed(candidates.Ranked(c), chapters[c], isEnglish);
    }

    private IEnumerable<string> Phrases(int c) => candidates.Ranked(c).Select(p => WordForms.Capital(p.Phrase.Text));

    /// <summary>A beginning or an end of a few sentences is no more than that, whatever is said in it.</summary>
    private bool IsOnlyEdge(IReadOnlyList<Sentence> chapter, int most) => chapters.Count >= SeveralChapters && chapter.Count <= most;

    private string? Opening(IReadOnlyList<Sentence> chapter) => isEnglish ? EdgeTitles.Opening(chapter) ?? (IsOnlyEdge(chapter, OnlyOpening) ? "Introduction" : null) : isSpanish ? SpanishTitles.Opening(chapter) : null;

    private string? Closing(IReadOnlyList<Sentence> chapter) => isEnglish ? EdgeTitles.Closing(chapter) ?? (IsOnlyEdge(chapter, OnlyClosing) ? "Closing words" : null) : isSpanish ? SpanishTitles.Closing(chapter) : null;

    /// <summary>The best phrase, with the next one where it is a single word or hardly better.</summary>
    private static string Composed(List<(NamingPhrase Phrase, double Score)> ranked, IReadOnlyList<Sentence> chapter, bool isEnglish)
    {
        if (ranked.Count == 0)
        {
            return "";
        }

        var (first, most) = ranked[0];
        var words = WordCount(first);
        var (second, score) = ranked.Skip(1).FirstOrDefault(p => p.Phrase.Form is PhraseForm.Thing or PhraseForm.ThingOf && !p.Phrase.Content.Intersect(first.Content).Any() && WordCount(p.Phrase) + words < LongestWords - 1);
        var isThing = first.Form == PhraseForm.Thing && words <= 2;
        return WordForms.Capital(isThing && second is not null && ((isEnglish && words == 1) || score >= most * (words == 1 ? WorthAddingToOne : WorthAdding)) ? $"{first.Text} {(isEnglish ? "and" : "y")} {Inside(second, chapter)}" : first.Text);
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
