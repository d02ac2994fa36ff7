using Kostel.Core.Study.Cards;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions whose answer is a sentence: the reason of something, or what follows from something, to be chosen among the reasons or consequences that the lecture gives of other things.</summary>
internal static class SentenceQuestions
{
    private const int Wrong = 3, LeastWrong = 2;
    private const double Worth = 0.85, MostLonger = 2;

    /// <summary>One for each card that has enough answers of its kind and of like length beside it, none of which speaks of the same.</summary>
    public static IEnumerable<QuestionDraft> Of(IEnumerable<CardDraft> cards, Random random)
    {
        foreach (var kind in cards.Select(c => (Card: c, Asks: c.Content as QuestionCard)).Where(c => c.Asks is not null).GroupBy(c => Kind(c.Asks!)).Where(g => g.Key.Length > 0))
        {
            foreach (var (card, asks) in kind)
            {
                var taken = Tokens.ContentStems($"{asks!.Question} {asks.Answer}").ToHashSet();
                var length = asks.Answer.Length;
                var others = kind.Select(o => o.Asks!.Answer).Where(a => a != asks.Answer && a.Length < MostLonger * length && length < MostLonger * a.Length)
                    .Where(a => Tokens.ContentStems(a).Distinct().ToList() is var stems && stems.Count(taken.Contains) * 2 < stems.Count)
                    .OrderBy(a => Math.Abs(a.Length - length)).Take(Wrong).ToList();
                if (others.Count >= LeastWrong)
                {
                    yield return new QuestionDraft(ChoiceQuestion.Shuffled(asks.Question, asks.Answer, others, random), card.Source) { Worth = Worth };
                }
            }
        }
    }

    /// <summary>What is asked for: answers of one kind are alike in form, and "Because …" stands among its like only.</summary>
    private static string Kind(QuestionCard asks) =>
        asks.Question.EndsWith(StatementCards.WhatFollows, StringComparison.Ordinal) ? StatementCards.WhatFollows
        : !asks.Question.EndsWith(Reason.Asking, StringComparison.Ordinal) && !asks.Question.StartsWith("Why ", StringComparison.Ordinal) ? ""
        : asks.Answer.StartsWith("Because ", StringComparison.Ordinal) ? "Because" : Reason.Asking;
}
