using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Spanish;

/// <summary>Study material of Spanish lectures, of the forms that their sentences carry: names, meanings, reasons, numbers. There are no statements with phrases left out, no orders and no several right ones.</summary>
internal static class SpanishStudy
{
    private const int Wrong = 3, LeastWrong = 2, Fewest = 3, Most = 4, LongestWritten = 3;
    private const double SameChapter = 0.3, SameKind = 0.15, AskedBefore = 10, Bonus = 1.2, SmallBonus = 0.6, LengthPrior = 4;

    /// <summary>The best cards, spread over the chapters, in the order of the lecture.</summary>
    public static IReadOnlyList<CardDraft> Cards(StudyGround ground, int count, Func<CardDraft, bool>? isWanted)
    {
        var worth = Worth(ground);
        var left = SpanishFacts.Of(ground.Sentences).DistinctBy(f => f.Front).Select(f => (Card: Card(f), Worth: worth(f.Sentence), Chapter: ground.ChapterAt(f.Sentence.StartMs))).Where(c => isWanted?.Invoke(c.Card) != false).ToList();
        var chosen = new List<(CardDraft Card, double Worth, int Chapter)>();
        while (chosen.Count < count && left.Count > 0)
        {
            var best = left.MaxBy(c => c.Worth - (SameChapter * chosen.Count(x => x.Chapter == c.Chapter)));
            chosen.Add(best);
            left.Remove(best);
        }

        return chosen.Select(c => c.Card).OrderBy(c => c.Source.StartMs).ToList();
    }

    /// <summary>Up to so many questions in the order of the lecture.</summary>
    public static IReadOnlyList<QuestionDraft> Questions(StudyGround ground, int count, int seed, IReadOnlyList<Evidence> asked, Func<QuestionDraft, bool>? isWanted)
    {
        var (facts, random) = (SpanishFacts.Of(ground.Sentences), new Random(seed));
        var left = facts.SelectMany(f => Asking(f, facts, random)).Append(Matching(facts, random)).OfType<QuestionDraft>().Where(q => q.Content.IsSound && isWanted?.Invoke(q) != false).ToList();
        var chosen = new List<QuestionDraft>();
        while (chosen.Count < count && left.Count > 0)
        {
            var best = left.MaxBy(q => q.Worth - (SameKind * chosen.Count(c => c.Content.Kind == q.Content.Kind)) - (AskedBefore * asked.Count(a => q.Places.Any(a.IsSamePlace))))!;
            chosen.Add(best);
            left.RemoveAll(best.Overlaps);
        }

        return chosen.OrderBy(q => q.Source.StartMs).ToList();
    }

    /// <summary>The sentences that can stand in a summary, with what each is worth.</summary>
    public static IReadOnlyList<(Sentence Sentence, double Worth, IReadOnlyDictionary<string, double> About)> Lines(StudyGround ground)
    {
        var worth = Worth(ground);
        return ground.Sentences.Where(SpanishSentence.StandsAlone)
            .Select(s => (s, worth(s) / 4, (IReadOnlyDictionary<string, double>)SpanishSentence.ContentWords(s.Text).Distinct().ToDictionary(w => w, _ => 0.5))).ToList();
    }

    /// <summary>How much a sentence says of what the lecture is about: by words that others say too, and by its form.</summary>
    private static Func<Sentence, double> Worth(StudyGround ground)
    {
        var words = ground.Sentences.ToDictionary<Sentence, Sentence, List<string>>(s => s, s => SpanishSentence.ContentWords(s.Text).Distinct().ToList(), (IEqualityComparer<Sentence>)ReferenceEqualityComparer.Instance);
        var spoken = words.Values.SelectMany(w => w).GroupBy(w => w).ToDictionary(g => g.Key, g => g.Count());
        return s => (words[s].Sum(w => Math.Log2(spoken[w])) / Math.Sqrt(words[s].Count + LengthPrior))
            + (SpanishFacts.Find(s)?.Form switch { SpanishForm.Name or SpanishForm.Meaning => Bonus, null => 0, _ => SmallBonus });
    }

    private static CardDraft Card(SpanishFact fact) => fact.Form == SpanishForm.Number
        ? new CardDraft(new GapCard(fact.Front, fact.Answer + "."), Evidence.Of(fact.Sentence))
        : CardDraft.Asking(fact.Front, fact.Answer + ".", Evidence.Of(fact.Sentence));

    private static IEnumerable<QuestionDraft?> Asking(SpanishFact fact, IReadOnlyList<SpanishFact> all, Random random)
    {
        var source = Evidence.Of(fact.Sentence);
        if (fact.Form == SpanishForm.Number)
        {
            yield return new QuestionDraft(new GapQuestion(fact.Front, fact.Answer), source) { Worth = 0.9 };
            var numbers = all.Where(o => o.Unit == fact.Unit && o.Answer != fact.Answer).Select(o => o.Answer).Distinct().Take(Wrong).ToList();
            yield return numbers.Count < LeastWrong ? null : new QuestionDraft(ChoiceQuestion.Shuffled(fact.Front, fact.Answer, numbers, random), source) { Worth = 1 };
            yield break;
        }

        var others = all.Where(o => o.Form == fact.Form && o.Term != fact.Term && o.Answer.Length < 2.5 * fact.Answer.Length && fact.Answer.Length < 2.5 * o.Answer.Length)
            .OrderBy(o => Math.Abs(o.Answer.Length - fact.Answer.Length)).Select(o => o.Answer).Distinct().Take(Wrong).ToList();
        yield return fact.Form == SpanishForm.Reason || others.Count < LeastWrong ? null : new QuestionDraft(ChoiceQuestion.Shuffled(fact.Front, fact.Answer, others, random), source) { Worth = 1.1 };
        yield return fact.Form == SpanishForm.Name && Tokens.Of(fact.Answer).Count <= LongestWritten ? new QuestionDraft(new ShortQuestion(fact.Front, fact.Answer), source) { Worth = 1 } : null;
    }

    private static QuestionDraft? Matching(IReadOnlyList<SpanishFact> facts, Random random)
    {
        var explained = facts.Where(f => f.Form == SpanishForm.Meaning).DistinctBy(f => f.Term!.ToLowerInvariant()).DistinctBy(f => f.Answer).Take(Most).ToList();
        if (explained.Count < Fewest)
        {
            return null;
        }

        var order = Enumerable.Range(0, explained.Count).ToArray();
        random.Shuffle(order);
        var places = explained.ConvertAll(f => Evidence.Of(f.Sentence));
        var content = new MatchQuestion("¿Qué es cada cosa?", [.. explained.Select(f => f.Term!)], [.. order.Select(o => explained[o].Answer)], [.. explained.Select((_, i) => Array.IndexOf(order, i))], places);
        return new QuestionDraft(content, places[0]) { Worth = 1.3 };
    }
}
