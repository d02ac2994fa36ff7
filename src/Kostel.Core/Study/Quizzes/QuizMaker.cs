using Kostel.Core.Grammar;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Spanish;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Makes questions of several kinds whose wrong choices come from the same lecture: its other terms, phrases and numbers.</summary>
/// <remarks>T. Haladyna, S. Downing and M. Rodriguez, "A review of multiple-choice item-writing guidelines", 2002.</remarks>
public static class QuizMaker
{
    private const int MostCards = 40, FewestKinds = 4, OftenEnough = 2, MostOthers = 3, LeastLetters = 4;
    private const double SameKind = 0.15, SameChapter = 0.08, AskedBefore = 10, NewKind = 0.2, LastNewKind = 3, MostlyNoun = 0.5, MostlyVerb = 0.5;

    /// <summary>Up to <paramref name="count"/> questions in the order of the lecture. The same lecture, seed and earlier questions give the same quiz.</summary>
    /// <param name="transcript">The lecture.</param>
    /// <param name="count">How many are wanted.</param>
    /// <param name="seed">Decides the order of choices.</param>
    /// <param name="asked">Where earlier quizzes asked; what was not asked yet, or less often, comes first.</param>
    /// <param name="grammar">Tells what is a phrase; without it fewer statements can be asked about.</param>
    /// <param name="isWanted">Which may be asked; null for all.</param>
    public static IReadOnlyList<QuestionDraft> Make(Transcript transcript, int count = 6, int seed = 1, IReadOnlyList<Evidence>? asked = null, IGrammar? grammar = null, Func<QuestionDraft, bool>? isWanted = null) =>
        Make(new StudyGround(transcript, grammar), count, seed, asked, isWanted);

    /// <summary>The same of what was worked out already.</summary>
    public static IReadOnlyList<QuestionDraft> Make(StudyGround ground, int count = 6, int seed = 1, IReadOnlyList<Evidence>? asked = null, Func<QuestionDraft, bool>? isWanted = null)
    {
        if (!StudyLanguages.MakesCards(ground.Transcript.Language))
        {
            return [];
        }

        if (StudyLanguages.IsSpanish(ground.Transcript.Language))
        {
            return SpanishStudy.Questions(ground, count, seed, asked ?? [], isWanted);
        }

        var left = Candidates(ground, new Random(seed)).Where(q => q.Content.IsSound && isWanted?.Invoke(q) != false).ToList();
        var chosen = new List<QuestionDraft>();
        while (chosen.Count < count && left.Count > 0)
        {
            var kinds = chosen.Select(c => c.Content.Kind).Distinct().Count();

            // Where there is room left only for the kinds that are missing, these it is.
            var newKind = kinds >= FewestKinds ? 0 : count - chosen.Count <= FewestKinds - kinds ? LastNewKind : NewKind;
            var best = left.MaxBy(q => q.Worth + (chosen.TrueForAll(c => c.Content.Kind != q.Content.Kind) ? newKind : 0) - (SameKind * chosen.Count(c => c.Content.Kind == q.Content.Kind)) - (SameChapter * chosen.Count(c => Chapter(c) == Chapter(q)))
                - (AskedBefore * (asked ?? []).Count(a => q.Places.Any(a.IsSamePlace))))!;
            chosen.Add(best);
            left.RemoveAll(best.Overlaps);
        }

        return chosen.OrderBy(q => q.Source.StartMs).ToList();

        int Chapter(QuestionDraft question) => ground.ChapterAt(question.Source.StartMs);
    }

    private static IEnumerable<QuestionDraft> Candidates(StudyGround ground, Random random)
    {
        var (sentences, facts) = (ground.Sentences, ground.Facts);
        var (statements, ill) = (ground.Asked.Where(facts.CanBeAsked).ToList(), ground.Statements.IllFormed);
        var matter = sentences.Where((s, i) => !facts.IsOfCourse(i) && !ill.Contains(i) && QuotableSentence.IsHeardWell(s)).ToList();
        var definitions = matter.SelectMany(s => Clauses.Of(s).Prepend(s)).Where(QuotableSentence.IsHeardWell).Select(Definitions.Find).OfType<Definition>().DistinctBy(d => d.Term).ToList();
        var askable = statements.Select(facts.All).ToList();
        var gaps = askable.Select(g => FactGaps.Good(g).FirstOrDefault()).OfType<FactGap>().ToList();
        var endings = statements.Select(facts.Endings).ToList();
        var wrongEndings = new WrongEndings(endings.SelectMany(FactGaps.Good), ground.Words);
        var phrases = KeyPhrases.Count(matter);
        var others = new OtherWords(ground.Words, sentences);
        var wrong = new WrongChoices([.. askable.SelectMany(FactGaps.Good).Where(g => g.Number is null && !IsDone(g.Thing)).Select(g => g.Thing).Concat(definitions.Select(d => new NamedThing(d.Term, d.Article, false))).DistinctBy(t => t.Name)], others);
        var numbers = matter.SelectMany(Quantities.Find).ToList();
        var spoken = OtherTerms(phrases, definitions, ground.Words.Lexicon);
        var cards = CardMaker.Make(ground, MostCards);
        return definitions.Select(d => TermQuestions.OfMeaning(d, definitions, LikeTerm(d), random))
            .Concat(definitions.Select(d => TermQuestions.OfTerm(d, definitions, random)))
            .Concat(cards.Select(TermQuestions.OfCard))
            .Concat(SentenceQuestions.Of(cards, statements, random))
            .Append(MatchQuestions.OfTerms(definitions, random))
            .Concat(MatchQuestions.OfNumbers(gaps, random))
            .Concat(wrongEndings.OfOneForm.SelectMany(e => MatchQuestions.OfGaps(e, WrongEndings.CanBeMixedUp, random)))
            .Concat(WrongChoices.OfOneForm(askable.SelectMany(FactGaps.Good).Where(g => !IsDone(g.Thing))).SelectMany(t => MatchQuestions.OfGaps(t, WrongChoices.CanBeMixedUp, random)))
            .Concat(OrderQuestions.Of(sentences, ground.Transcript.Chapters, facts.IsOfCourse, random))
            .Concat(statements.Select(s => SeveralQuestions.Of(s, wrong, random)))
            .Concat(askable.Zip(endings, (g, e) => g.Concat(e)).SelectMany(OfBest))
            .OfType<QuestionDraft>()
            .Select(q => q.Content is WrittenQuestion asks ? q with { Content = asks.WithAlso(others.Saying) } : q);

        // Of the same form as the term; where the lecture keeps speaking of too little, what else it names.
        List<string> LikeTerm(Definition d) =>
        [
            .. spoken.Where(t => t.IsPlural == d.IsPlural).OrderByDescending(t => others.Likeness(t, new NamedThing(d.Term, d.Article, false))).Select(t => t.Name)
                .Concat(wrong.For(new NamedThing(d.Term, d.Article, IsArticleOutside: true), d.Meaning, MostOthers)).Distinct(),
        ];

        // "Fall ill": the grammar took a verb for a thing.
        bool IsDone(NamedThing thing) => thing.Article.Length == 0 && thing.Name.Split(' ') is [var first, _, ..] && ground.Words.Lexicon.KindsOf(first.ToLowerInvariant()).VerbShare > MostlyVerb;

        // For the best gap there may be no wrong choices; then for the next one.
        IEnumerable<QuestionDraft> OfBest(IEnumerable<FactGap> ofStatement) =>
            FactGaps.Good(ofStatement).Where((g, i) => i == 0 || g.Number is null).Select(g => GapQuestions.Of(g, FactGaps.Worth(g), wrong, wrongEndings, numbers, IsTerm, random).ToList()).FirstOrDefault(q => q.Count > 0) ?? [];

        bool IsTerm(string phrase) => phrases.GetValueOrDefault(FactGaps.WithoutArticle(phrase)) is { } use && (use.IsDefined || use.Count >= OftenEnough);
    }

    /// <summary>Things that the lecture speaks of again and again without saying what they are: no quality ("immune") and no measure ("per cent").</summary>
    private static List<NamedThing> OtherTerms(Dictionary<string, PhraseUse> phrases, List<Definition> definitions, Lexicon lexicon)
    {
        var defined = definitions.SelectMany(d => Tokens.ContentStems(d.Term)).ToHashSet();
        return phrases
            .Where(p => p.Value is { Count: >= OftenEnough, IsDefined: false } && !Tokens.ContentStems(p.Key).All(defined.Contains))
            .OrderByDescending(p => p.Value.Count * p.Key.Split(' ').Length)
            .ThenBy(p => p.Key, StringComparer.Ordinal)
            .Select(p => new NamedThing(p.Key, "", false))
            .Where(t => lexicon.KindsOf(t.Head) is var kinds && (kinds.Total == 0 ? t.Head.Length >= LeastLetters : kinds.NounShare >= MostlyNoun) && !Quantities.IsMeasure(t.Head))
            .Take(12)
            .ToList();
    }
}
