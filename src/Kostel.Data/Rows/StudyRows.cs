using Kostel.Core.Answers;
using Kostel.Core.Answers.Written;
using Kostel.Core.Review;
using Kostel.Core.Study;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Data.Rows;

/// <summary>Questions that were asked one after the other, of a lecture, of a course or of everything.</summary>
public sealed class ThreadRow
{
    public int Id { get; set; }

    /// <summary>Whose it is.</summary>
    public int OwnerId { get; set; } = PersonRow.TheOne;

    /// <summary>The lecture that was asked; null for several.</summary>
    public string? LectureId { get; set; }

    /// <summary>The course that was asked; null for a lecture or for everything.</summary>
    public int? CourseId { get; set; }

    /// <summary>What it is called: its first question, until the person gives it a name.</summary>
    public required string Title { get; set; }

    /// <summary>Whether the person gave it its name.</summary>
    public bool IsNamed { get; set; }

    public DateTime ChangedAt { get; set; }

    /// <summary>When it was taken away; it can be brought back.</summary>
    public DateTime? DeletedAt { get; set; }

    public List<QuestionRow> Questions { get; set; } = [];
}

/// <summary>A question of a thread, with its answer.</summary>
public sealed class QuestionRow
{
    public int Id { get; set; }

    public int ThreadId { get; set; }

    /// <summary>As of its thread, by which it is found.</summary>
    public string? LectureId { get; set; }

    /// <summary>As of its thread.</summary>
    public int? CourseId { get; set; }

    /// <summary>As of its thread.</summary>
    public DateTime? DeletedAt { get; set; }

    /// <summary>Who asked.</summary>
    public int OwnerId { get; set; } = PersonRow.TheOne;

    public required string Text { get; set; }

    public required Answer Answer { get; set; }

    /// <summary>What a model of the person's own wrote; null for nothing.</summary>
    public WrittenAnswer? Written { get; set; }

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

/// <summary>A sheet of a lecture or of a course, as it is now.</summary>
public sealed class SheetRow
{
    public int Id { get; set; }

    /// <summary>The lecture that it is of; null for a course.</summary>
    public string? LectureId { get; set; }

    /// <summary>The course that it is of; null for a lecture.</summary>
    public int? CourseId { get; set; }

    /// <summary>Whose it is.</summary>
    public int OwnerId { get; set; } = PersonRow.TheOne;

    public SheetForm Form { get; set; }

    public required string Name { get; set; }

    public required Sheet Content { get; set; }

    /// <summary>Where the chapter begins of which it was made; null for the whole lecture.</summary>
    public int? Chapter { get; set; }

    /// <summary>Whether it was made of what the person had marked.</summary>
    public bool OfMarks { get; set; }

    /// <summary>The subject of which it was made; null for anything.</summary>
    public string? Subject { get; set; }

    public DateTime MadeAt { get; set; }

    public DateTime ChangedAt { get; set; }

    /// <summary>When it was taken away; it can be brought back.</summary>
    public DateTime? DeletedAt { get; set; }

    /// <summary>Goes up with every change.</summary>
    public int Version { get; set; }
}

/// <summary>How a sheet was before a change.</summary>
public sealed class EarlierSheetRow
{
    public int SheetId { get; set; }

    /// <summary>The version that it had.</summary>
    public int Version { get; set; }

    public required string Name { get; set; }

    public required Sheet Content { get; set; }

    /// <summary>Since when it was so.</summary>
    public DateTime At { get; set; }
}

/// <summary>A card, as it is worded.</summary>
public sealed class CardRow
{
    /// <summary>A new card, due at once.</summary>
    public static CardRow Of(string lectureId, CardDraft draft, DateTime now) => new()
    {
        LectureId = lectureId,
        Content = draft.Content,
        Source = draft.Source.In(lectureId),
        SourceKey = draft.Key,
        CreatedAt = now,
        Memories = [new CardMemoryRow { OwnerId = PersonRow.TheOne, DueAt = now }],
    };

    public int Id { get; set; }

    public required string LectureId { get; set; }

    public required CardContent Content { get; set; }

    public required Evidence Source { get; set; }

    /// <summary>What it asks about, whatever its wording: a card is made once for each. Of a card from before there were keys it is made up of its number.</summary>
    public required string SourceKey { get; set; }

    public DateTime CreatedAt { get; set; }

    /// <summary>Goes up with every change of its wording.</summary>
    public int Version { get; set; }

    /// <summary>What is known of people's memory of it.</summary>
    public List<CardMemoryRow> Memories { get; set; } = [];
}

/// <summary>What a person has learned of a card, apart from how it is worded.</summary>
public sealed class CardMemoryRow
{
    public int CardId { get; set; }

    public int OwnerId { get; set; }

    /// <summary>Null until the first review.</summary>
    public double? Stability { get; set; }

    public double? Difficulty { get; set; }

    public DateTime DueAt { get; set; }

    public DateTime? ReviewedAt { get; set; }

    /// <summary>Goes up with every review, so that a card is not graded twice from two windows.</summary>
    public int Version { get; set; }

    /// <summary>As it is now.</summary>
    public CardState State
    {
        get => new(Stability, Difficulty, DueAt, ReviewedAt);
        set => (Stability, Difficulty, DueAt, ReviewedAt) = (value.Stability, value.Difficulty, value.DueAt, value.ReviewedAt);
    }
}

/// <summary>One review of a card.</summary>
public sealed class ReviewRow
{
    public int Id { get; set; }

    public int CardId { get; set; }

    /// <summary>Whose review.</summary>
    public int OwnerId { get; set; } = PersonRow.TheOne;

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

/// <summary>A question of a quiz.</summary>
public sealed class QuizQuestionRow
{
    public int QuizId { get; set; }

    public int Number { get; set; }

    public required QuestionContent Content { get; set; }

    public required Evidence Source { get; set; }

    /// <summary>Every place that it asks about.</summary>
    public IReadOnlyList<Evidence> Places() => Content.Places.Count > 0 ? Content.Places : [Source];
}

/// <summary>One run through a quiz.</summary>
public sealed class AttemptRow
{
    public int Id { get; set; }

    public int QuizId { get; set; }

    /// <summary>Who took it.</summary>
    public int OwnerId { get; set; } = PersonRow.TheOne;

    public DateTime FinishedAt { get; set; }

    /// <summary>What was answered to each question.</summary>
    public required IReadOnlyList<QuizAnswer> Choices { get; set; }

    public int RightCount { get; set; }
}
