using System.Text.Json.Serialization;
using Kostel.Core.Answers;
using Kostel.Core.Answers.Written;
using Kostel.Core.Marks;
using Kostel.Core.Review;
using Kostel.Core.Speech;
using Kostel.Core.Study;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Lectures;

/// <summary>A lecture with everything that belongs to it but the recording: what a file can carry from one library to another.</summary>
public sealed record KeptLecture(Transcript Transcript, KeptThings Things);

/// <summary>What belongs to a lecture besides its words. Times of day are UTC.</summary>
public sealed record KeptThings(
    LectureFacts Lecture,
    IReadOnlyList<KeptMark>? Marks = null,
    IReadOnlyList<KeptSummary>? Summaries = null,
    IReadOnlyList<KeptCard>? Cards = null,
    IReadOnlyList<KeptQuestion>? Questions = null,
    IReadOnlyList<KeptQuiz>? Quizzes = null,
    IReadOnlyList<KeptSheet>? Sheets = null);

/// <summary>What is known of a lecture.</summary>
/// <param name="MadeBy">The service or the file that its text comes from; null for this program.</param>
public sealed record LectureFacts(
    string Title, string? Course = null, DateOnly? HeldOn = null, string? Notice = null, Accuracy MadeWith = Accuracy.Fast, string? MadeBy = null, DateTime? MadeAt = null);

/// <summary>A mark.</summary>
/// <param name="Picture">A picture that belongs to it, as it is in its file; base64 in a file of text.</param>
public sealed record KeptMark(MarkKind Kind, int StartMs, int EndMs, string Quote, string Text, DateTime MadeAt, string? Resolved = null, byte[]? Picture = null);

/// <summary>A summary.</summary>
public sealed record KeptSummary(DateTime MadeAt, IReadOnlyList<SummaryPart> Parts);

/// <summary>A sheet.</summary>
/// <param name="Pictures">The pictures of its lines by their names; null for none.</param>
public sealed record KeptSheet(SheetForm Form, string Name, DateTime MadeAt, Sheet Content, IReadOnlyDictionary<string, byte[]?>? Pictures = null);

/// <summary>A card with its reviews.</summary>
/// <param name="Key">What it asks about.</param>
/// <param name="Picture">What is shown with its question; null where nothing is.</param>
public sealed record KeptCard(
    string Key, string Front, string Back, Evidence Source, DateTime CreatedAt, DateTime DueAt, double? Stability = null, double? Difficulty = null, DateTime? ReviewedAt = null,
    IReadOnlyList<KeptReview>? Reviews = null, byte[]? Picture = null);

/// <summary>A review of a card.</summary>
public sealed record KeptReview(RecallGrade Grade, DateTime At, double Stability, double Difficulty);

/// <summary>A question that was asked, with its answer.</summary>
public sealed record KeptQuestion(string Text, DateTime AskedAt, Answer Answer, KeptThread? Thread = null, WrittenAnswer? Written = null);

/// <summary>The thread of a question: those of one number belong together.</summary>
public sealed record KeptThread(int Number, string Title);

/// <summary>A quiz with the runs through it.</summary>
public sealed record KeptQuiz(DateTime MadeAt, IReadOnlyList<KeptQuizQuestion> Questions, IReadOnlyList<KeptAttempt>? Attempts = null);

/// <summary>A question of a quiz.</summary>
/// <param name="Stem">What it asks.</param>
/// <param name="Choices">What is chosen from, where one thing is.</param>
/// <param name="Key">Which of them is right.</param>
/// <param name="Source">Where it is said.</param>
/// <param name="Asks">A question of another kind; null for a choice.</param>
public sealed record KeptQuizQuestion(string Stem, IReadOnlyList<string> Choices, int Key, Evidence Source, QuestionContent? Asks = null)
{
    /// <summary>What it asks, whatever its kind.</summary>
    [JsonIgnore]
    public QuestionContent Content => Asks ?? new ChoiceQuestion(Stem, Choices, Key);

    /// <summary>A question as it is kept.</summary>
    public static KeptQuizQuestion Of(QuestionContent content, Evidence source) =>
        content is ChoiceQuestion choice ? new(choice.Stem, choice.Choices, choice.Key, source) : new(content.Stem, content.Shown, 0, source, content.In(null));
}

/// <summary>A run through a quiz.</summary>
/// <param name="Choices">What was answered to each question.</param>
public sealed record KeptAttempt(DateTime FinishedAt, IReadOnlyList<QuizAnswer> Choices);
