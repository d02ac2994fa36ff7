using Kostel.Core.Study.Facts;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Chapters.Titles;

/// <summary>The phrases of each chapter that could name it, and what is counted of each.</summary>
internal sealed class TitleCandidates
{
    private const int BeginningSentences = 4, LongestWords = 7;
    private const double Beginning = 1.5, Announced = 1.6, Defined = 2.5, SaidAgain = 0.35, MostSaidAgain = 4, Single = 0.75, LongerThanUsual = 0.85;

    /// <summary>What says something is worth more than what only names it.</summary>
    private const double StatementWorth = 3, AskedWorth = 3.5, DoingWorth = 1.2, PairWorth = 1.1;

    /// <summary>What is mentioned once is rarely what a chapter is about.</summary>
    private const double PartlyOnce = 0.55, AllOnce = 0.3;

    private readonly IReadOnlyList<IReadOnlyList<Sentence>> chapters;
    private readonly List<List<NamingPhrase>> phrases;
    private readonly bool isEnglish;

    public TitleCandidates(IReadOnlyList<IReadOnlyList<Sentence>> chapters, WordKnowledge known, string language)
    {
        (this.chapters, isEnglish) = (chapters, language == "en");
        phrases = chapters.Select(c => (isEnglish && known.Lexicon.Count > 0 ? new EnglishPhrases(known.Lexicon).Of(c).Concat(new ClausePhrases(known.Lexicon).Of(c)) : new PlainPhrases(language).Of(c)).ToList()).ToList();
        Weights = new ChapterWords(chapters, phrases, known.Vectors);
    }

    /// <summary>How much each word tells a chapter from the others.</summary>
    public ChapterWords Weights { get; }

    /// <summary>What a chapter defines, each term once.</summary>
    public IEnumerable<Definition> DefinedIn(int c) => isEnglish
        ? chapters[c].SelectMany(s => Clauses.Of(s).Prepend(s)).Where(QuotableSentence.IsHeardWell).Select(Definitions.Find).OfType<Definition>().DistinctBy(d => d.Term, StringComparer.OrdinalIgnoreCase)
        : [];

    /// <summary>The phrases of a chapter, the best first, each thing once.</summary>
    public List<(NamingPhrase Phrase, double Score)> Ranked(int c)
    {
        var chapter = chapters[c];
        var announced = isEnglish ? chapter.Take(BeginningSentences).Select(s => AskedTitles.Announced(s.Text)).OfType<string>().ToList() : [];
        var defined = DefinedIn(c).Select(d => Stems(d.Term)).ToList();
        var named = phrases[c].Where(p => p.Content.Count > 0).ToList();
        var said = named.CountBy(Key).ToDictionary();
        return named
            .Select(p => p with { IsAnnounced = announced.Any(a => a.Contains(p.Text, StringComparison.OrdinalIgnoreCase)), IsDefined = defined.Any(d => d.SequenceEqual(p.Content)) })
            .GroupBy(Key)
            .Select(g => g.OrderByDescending(p => p.IsDefined || p.IsAnnounced).First())
            .Select(p => (Phrase: p, Score: Score(p, chapter.Count, said[Key(p)], c)))
            .Where(p => p.Score > 0)
            .OrderByDescending(p => p.Score).ThenBy(p => p.Phrase.Sentence).ThenBy(p => p.Phrase.Text, StringComparer.Ordinal)
            .ToList();
    }

    /// <param name="sentences">How many the chapter has.</param>
    /// <param name="said">How often it is said in the chapter.</param>
    private double Score(NamingPhrase phrase, int sentences, int said, int c)
    {
        var distinct = phrase.Content.Distinct().ToList();
        var words = phrase.Text.Count(ch => ch == ' ') + 1;
        var again = distinct.Count(s => Weights.CountOf(c, s) > 1);
        return Told(phrase, distinct, c) * Weights.Centrality(c, phrase.Text)
            * FormWorth(phrase, words)
            * (1 + (SaidAgain * Math.Min(MostSaidAgain, said - 1)))
            * (phrase.IsDefined || phrase.IsAnnounced || again == distinct.Count ? 1 : again > 0 ? PartlyOnce : AllOnce)
            * (phrase.Sentence < Math.Min(BeginningSentences, 1 + (sentences / 3)) ? Beginning : 1)
            * (phrase.IsAnnounced ? Announced : 1)
            * (phrase.IsDefined ? Defined : 1);
    }

    /// <summary>How much of what the chapter is about the words tell; what states something has to be about one of its first words.</summary>
    private double Told(NamingPhrase phrase, List<string> distinct, int c)
    {
        var told = distinct.Sum(s => Weights.Of(c, s)) / Math.Sqrt(distinct.Count);
        return phrase.Form is not (PhraseForm.Statement or PhraseForm.Asked or PhraseForm.Doing) ? told
            : phrase.Form is PhraseForm.Doing ? (Weights.IsAmongFirst(c, phrase.Content[^1]) ? told : 0)
            : phrase.Content.Count > 1 && phrase.Content.Take(2).Any(s => Weights.IsAmongFirst(c, s)) ? told : 0;
    }

    private static double FormWorth(NamingPhrase phrase, int words) => phrase.Form switch
    {
        PhraseForm.Statement => StatementWorth,
        PhraseForm.Asked => AskedWorth,
        PhraseForm.Doing => DoingWorth,
        PhraseForm.Pair => PairWorth,
        _ => words == 1 ? Single : words > LongestWords - 2 ? LongerThanUsual : 1,
    };

    private static string Key(NamingPhrase phrase) => $"{phrase.Form is PhraseForm.Statement or PhraseForm.Asked} {string.Join(' ', phrase.Content)}";

    private static List<string> Stems(string phrase) => Tokens.Of(phrase).Where(w => !StopWords.Contains(w)).Select(Tokens.Stem).ToList();
}
