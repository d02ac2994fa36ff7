using Kostel.Core.Answers;
using Kostel.Core.Review;
using Kostel.Core.Study;
using Kostel.Core.Study.Summaries;

namespace Kostel.Data.Rows;

/// <summary>A question that was asked of a lecture, with its answer.</summary>
public sealed class QuestionRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    public required string Text { get; set; }

    public required Answer Answer { get; set; }

    public DateTime AskedAt { get; set; }
}

/// <summary>A summary of a lecture.</summary>
public sealed class SummaryRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    public required IReadOnlyList<SummaryPart> Parts { get; set; }

    public DateTime MadeAt { get; set; }
}

/// <summary>A card and what is known of the memory of it.</summary>
public sealed class CardRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    public required string Front { get; set; }

    public required string Back { get; set; }

    public required SourceSpan Source { get; set; }

    /// <summary>What it asks about, whatever its wording: a card is made once for each. Of a card from before there were keys it is made up of its number.</summary>
    public required string SourceKey { get; set; }

    /// <summary>Null until the first review.</summary>
    public double? Stability { get; set; }

    public double? Difficulty { get; set; }

    public DateTime DueAt { get; set; }

    public DateTime? ReviewedAt { get; set; }

    public DateTime CreatedAt { get; set; }

    /// <summary>Goes up with every review, so that a card is not graded twice from two windows.</summary>
    public int Version { get; set; }
}

/// <summary>One review of a card.</summary>
public sealed class ReviewRow
{
    public int Id { get; set; }

    public int CardId { get; set; }

    public RecallGrade Grade { get; set; }

    public DateTime At { get; set; }

    public double Stability { get; set; }

    public double Difficulty { get; set; }

    /// <summary>How the card stood before, so that the grade can be taken back; null for reviews from before this was kept.</summary>
    public CardState? Before { get; set; }
}

/// <summary>What was known of a card's memory at a moment.</summary>
public sealed record CardState(double? Stability, double? Difficulty, DateTime DueAt, DateTime? ReviewedAt);

/// <summary>A quiz made from a lecture.</summary>
public sealed class QuizRow
{
    public int Id { get; set; }

    public required string LectureId { get; set; }

    public DateTime MadeAt { get; set; }

    public List<QuizQuestionRow> Questions { get; set; } = [];
}

/// <summary>A choice question of a quiz.</summary>
public sealed class QuizQuestionRow
{
    public int QuizId { get; set; }

    public int Number { get; set; }

    public required string Stem { get; set; }

    public required IReadOnlyList<string> Choices { get; set; }

    public int Key { get; set; }

    public required SourceSpan Source { get; set; }
}

/// <summary>One run through a quiz.</summary>
public sealed class AttemptRow
{
    public int Id { get; set; }

    public int QuizId { get; set; }

    public DateTime FinishedAt { get; set; }

    /// <summary>The choice made at each question, -1 for none.</summary>
    public required IReadOnlyList<int> Choices { get; set; }

    public int RightCount { get; set; }
}

/// <summary>A thing to remember about this library.</summary>
public sealed class SettingRow
{
    public required string Name { get; set; }

    public required string Value { get; set; }
}
