namespace Kostel.Data.Rows;

/// <summary>Somebody who uses the library. What belongs to a person (marks, reviews, runs through quizzes, questions, what was opened, settings) names its owner;
/// what belongs to a lecture (its text, chapters, cards as they are worded) does not.</summary>
public sealed class PersonRow
{
    /// <summary>The one person that there is for now.</summary>
    public const int TheOne = 1;

    public int Id { get; set; }
}

/// <summary>That a person opened a lecture.</summary>
public sealed class VisitRow
{
    public required string LectureId { get; set; }

    public int OwnerId { get; set; }

    /// <summary>The last time.</summary>
    public DateTime At { get; set; }
}
