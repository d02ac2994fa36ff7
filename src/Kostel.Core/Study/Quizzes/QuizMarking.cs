using Kostel.Core.Problems;

namespace Kostel.Core.Study.Quizzes;

/// <summary>Marks a run through a quiz.</summary>
public static class QuizMarking
{
    /// <summary>Stands for a question that was left open.</summary>
    public const int LeftOpen = -1;

    /// <summary>Sees to it that choices can be of a quiz: one for each question, each open or one that the question has.</summary>
    /// <exception cref="NotValidException">They cannot.</exception>
    public static void Require(IReadOnlyList<int> choices, IReadOnlyList<ChoiceQuestion> questions)
    {
        if (choices.Count != questions.Count || choices.Zip(questions).Any(c => c.First < LeftOpen || c.First >= c.Second.Choices.Count))
        {
            throw new NotValidException("The answers do not belong to this quiz.");
        }
    }

    /// <summary>How many choices are right.</summary>
    public static int RightCount(IReadOnlyList<int> choices, IReadOnlyList<ChoiceQuestion> questions) => choices.Zip(questions).Count(c => c.First == c.Second.Key);
}
