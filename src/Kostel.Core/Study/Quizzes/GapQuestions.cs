using Kostel.Core.Study.Facts;
using Kostel.Core.Study.Statements;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Questions from statements with a gap: the number is given or chosen, the phrase written or chosen.</summary>
internal static class GapQuestions
{
    private const int Wrong = 3, LeastWrong = 2, LongestWritten = 3, LongestChosen = 6;
    private const double WrittenLess = 0.05, PhraseLess = 0.03, Sure = 0.45;

    private static readonly HashSet<string> Roughly = ["about", "roughly", "nearly", "almost", "around", "some", "approximately", "hardly", "over", "under"];

    /// <summary>The forms in which the gap can be asked for.</summary>
    /// <param name="gap">The statement.</param>
    /// <param name="worth">What asking for it is worth.</param>
    /// <param name="wrong">Where wrong phrases come from.</param>
    /// <param name="wrongEndings">Where wrong endings come from.</param>
    /// <param name="numbers">All numbers of the lecture.</param>
    /// <param name="isTerm">Whether a phrase is one that a student would know by name.</param>
    /// <param name="random">Puts choices into an order.</param>
    public static IEnumerable<QuestionDraft> Of(FactGap gap, double worth, WrongChoices wrong, WrongEndings wrongEndings, IReadOnlyList<Quantity> numbers, Func<string, bool> isTerm, Random random)
    {
        if (gap.Number is { } number)
        {
            if (NumberAnswer.Read(gap.Missing).Value is not null && !gap.Missing.Contains(" or ", StringComparison.Ordinal) && !gap.Missing.Contains(" and ", StringComparison.Ordinal) && !gap.Missing.Contains(" to ", StringComparison.Ordinal))
            {
                var isRough = number.FirstWord > 0 && Tokens.Of(number.Sentence.Words[number.FirstWord - 1].Text).Any(Roughly.Contains);
                yield return Draft(new NumberQuestion(gap.Front, gap.Missing, isRough), gap, worth);
            }

            if (WrongChoices.ForNumber(gap, numbers, Wrong) is { Count: >= LeastWrong } others)
            {
                yield return Draft(Choice(gap, others, random), gap, worth);
            }

            yield break;
        }

        var words = gap.Missing.Split(' ').Length;
        if (words <= LongestChosen && (gap.IsEnding ? wrongEndings.For(gap, Wrong) : wrong.For(gap.Thing, gap.Front, Wrong)) is { Count: >= LeastWrong } phrases)
        {
            yield return Draft(Choice(gap, phrases, random), gap, worth - PhraseLess);
        }

        if (words <= LongestWritten && ((!gap.IsEnding && isTerm(gap.Missing)) || (gap.Chance >= Sure && !Tokens.Of(gap.Missing).Any(NumberWords.IsNumber))))
        {
            yield return Draft(new GapQuestion(gap.Front, gap.Missing), gap, worth - WrittenLess);
        }
    }

    private static ChoiceQuestion Choice(FactGap gap, IReadOnlyList<string> others, Random random) =>
        ChoiceQuestion.Shuffled(gap.Question ?? $"What belongs in the gap? {gap.Front}", WordForms.Capital(gap.Missing), others.Select(WordForms.Capital), random);

    private static QuestionDraft Draft(QuestionContent content, FactGap gap, double worth) => new(content, gap.Statement.Source) { Worth = worth, Asks = gap.Statement.Own };
}
