using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions whose answer is a sentence: the reason of something, or what follows from something, to be chosen among the reasons or consequences that the lecture gives of other things, or among what else it states.</summary>
internal static class SentenceQuestions
{
    private const string Because = "Because";
    private const int Wrong = 3, LeastWrong = 2;
    private const double Worth = 0.85, MostLonger = 2;

    /// <summary>With these a statement is told from a reason, or points to what is not there.</summary>
    private static readonly HashSet<string> Pointing = ["it", "they", "this", "that", "these", "those", "its", "their", "them", "he", "she", "because", "so", "why", "if", "when", "i", "you", "we"];

    /// <summary>One for each card that has enough answers of its kind and of like length beside it, none of which speaks of the same. Where too few reasons are given, other things that are stated stand in for them.</summary>
    /// <param name="cards">The questions.</param>
    /// <param name="statements">What the lecture states.</param>
    /// <param name="random">Puts choices into an order.</param>
    public static IEnumerable<QuestionDraft> Of(IEnumerable<CardDraft> cards, IReadOnlyList<Statement> statements, Random random)
    {
        var stated = statements.Where(s => s.Before.Count == 0 && s.Grammar is { IsWhole: true } grammar && MainClause.Of(grammar)?.Subject.First == 0 && !s.IsIllFormed && !Tokens.Of(s.Part.Text).Any(Pointing.Contains)).ToList();
        foreach (var kind in cards.Select(c => (Card: c, Asks: c.Content as QuestionCard)).Where(c => c.Asks is not null).GroupBy(c => Kind(c.Asks!)).Where(g => g.Key.Length > 0))
        {
            foreach (var (card, asks) in kind)
            {
                var taken = Tokens.ContentStems($"{asks!.Question} {asks.Answer}").ToHashSet();
                var length = asks.Answer.Length;
                var others = Fitting(kind.Select(o => o.Asks!.Answer)).Take(Wrong).ToList();
                if (others.Count < Wrong && kind.Key != StatementCards.WhatFollows)
                {
                    var away = stated.Where(s => s.Source.EndMs <= card.Source.StartMs || s.Source.StartMs >= card.Source.EndMs).Select(s => kind.Key == Because ? $"{Because} {WordForms.Small(s.Part.Text)}" : s.Part.Text);
                    others = [.. others.Concat(Fitting(away).Where(a => !others.Contains(a))).Take(Wrong)];
                }

                if (others.Count >= LeastWrong)
                {
                    yield return new QuestionDraft(ChoiceQuestion.Shuffled(asks.Question, asks.Answer, others, random), card.Source) { Worth = Worth };
                }

                IEnumerable<string> Fitting(IEnumerable<string> answers) => answers.Where(a => a != asks.Answer && a.Length < MostLonger * length && length < MostLonger * a.Length)
                    .Where(a => Tokens.ContentStems(a).Distinct().ToList() is var stems && stems.Count(taken.Contains) * 2 < stems.Count)
                    .OrderBy(a => Math.Abs(a.Length - length));
            }
        }
    }

    /// <summary>What is asked for: answers of one kind are alike in form, and "Because …" stands among its like only.</summary>
    private static string Kind(QuestionCard asks) =>
        asks.Question.EndsWith(StatementCards.WhatFollows, StringComparison.Ordinal) ? StatementCards.WhatFollows
        : !asks.Question.EndsWith(Reason.Asking, StringComparison.Ordinal) && !asks.Question.StartsWith("Why ", StringComparison.Ordinal) ? ""
        : asks.Answer.StartsWith($"{Because} ", StringComparison.Ordinal) ? Because : Reason.Asking;
}
