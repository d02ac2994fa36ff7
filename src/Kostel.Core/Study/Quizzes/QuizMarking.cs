using Kostel.Core.Problems;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Marks a run through a quiz.</summary>
public static class QuizMarking
{
    /// <summary>Sees to it that answers can be of a quiz: one for each question, each open or one that the question takes.</summary>
    /// <exception cref="NotValidException">They cannot.</exception>
    public static void Require(IReadOnlyList<QuizAnswer> answers, IReadOnlyList<QuestionContent> questions)
    {
        if (!Fit(answers, questions))
        {
            throw new NotValidException("The answers do not belong to this quiz.");
        }
    }

    /// <summary>Whether answers can be of a quiz.</summary>
    public static bool Fit(IReadOnlyList<QuizAnswer> answers, IReadOnlyList<QuestionContent> questions) => answers.Count == questions.Count && answers.Zip(questions).All(a => a.Second.Takes(a.First));

    /// <summary>How many answers are right.</summary>
    public static int RightCount(IReadOnlyList<QuizAnswer> answers, IReadOnlyList<QuestionContent> questions) => answers.Zip(questions).Count(a => a.Second.IsRight(a.First));
}
