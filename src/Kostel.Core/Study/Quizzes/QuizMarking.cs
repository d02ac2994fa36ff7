namespace Kostel.Core.Study.Quizzes;

/// <summary>Marks a run through a quiz.</summary>
public static class QuizMarking
{
    /// <summary>Stands for a question that was left open.</summary>
    public const int LeftOpen = -1;

    /// <summary>Whether choices can be of a quiz: one for each question, each open or one that the question has.</summary>
    /// <param name="choiceCounts">How many choices each question has.</param>
    public static bool Fits(IReadOnlyList<int> choices, IReadOnlyList<int> choiceCounts) =>
        choices.Count == choiceCounts.Count && choices.Zip(choiceCounts).All(c => c.First >= LeftOpen && c.First < c.Second);

    /// <summary>How many choices are right.</summary>
    public static int RightCount(IReadOnlyList<int> choices, IReadOnlyList<int> keys) => choices.Zip(keys).Count(c => c.First == c.Second);
}
