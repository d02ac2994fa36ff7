using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Made;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Features.Review;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Study;

/// <summary>What was made from a lecture so far.</summary>
/// <param name="SummaryKey">Names the summary for taking today's words into it.</param>
public sealed record StudyView(IReadOnlyList<SummaryPartView>? Summary, string? SummaryKey, IReadOnlyList<CardView> Cards, QuizView? Quiz);

/// <summary>A wish for another quiz.</summary>
/// <param name="After">The quiz that is shown; null for none.</param>
public sealed record NewQuiz(int? After = null);

/// <summary>A quiz as it is taken: without the keys.</summary>
/// <param name="AskedBefore">How many of its questions an earlier quiz asked already.</param>
public sealed record QuizView(int Id, IReadOnlyList<QuizQuestionView> Questions, AttemptView? LastAttempt, int AskedBefore);

/// <summary>A question of a quiz.</summary>
public sealed record QuizQuestionView(string Stem, IReadOnlyList<string> Choices);

/// <summary>The choices of one run, -1 for a question left open.</summary>
public sealed record NewAttempt(IReadOnlyList<int> Choices);

/// <summary>The result of one run, with where to listen again.</summary>
public sealed record AttemptView(int RightCount, DateTime FinishedAt, IReadOnlyList<MarkedAnswer> Answers);

/// <summary>An answer and the key.</summary>
public sealed record MarkedAnswer(int Choice, int Key, EvidenceView Source);

internal static class StudyEndpoints
{
    private const int CardsWanted = 10, QuestionsWanted = 6;

    public static void MapStudy(this IEndpointRouteBuilder app)
    {
        var study = app.MapGroup("/api/lectures/{id}");
        study.MapGet("study", Get).WithName("getStudy");
        study.MapPost("summary", MakeSummary).WithName("makeSummary");
        study.MapPost("cards", MakeCards).WithName("makeCards");
        study.MapPost("quiz", MakeQuiz).WithName("makeQuiz");
        app.MapPost("/api/quizzes/{quizId:int}/attempts", Take).WithName("takeQuiz");
    }

    private static async Task<Ok<StudyView>> Get(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
    }

    private static async Task<Ok<StudyView>> MakeSummary(string id, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var parts = Summarizer.Summarize(await context.Transcript(lecture, cancel)).Select(p => p.In(id)).ToList();
        NotEmpty(parts, "summary");
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var newest = await context.Summaries.AsNoTracking().Where(s => s.LectureId == id).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel);
        if (newest is null || !newest.Parts.SelectMany(p => p.Lines).SequenceEqual(parts.SelectMany(p => p.Lines)))
        {
            context.Summaries.Add(new SummaryRow { LectureId = id, Parts = parts, MadeAt = time.GetUtcNow().UtcDateTime });
            await context.SaveChangesAsync(cancel);
            await all.CommitAsync(cancel);
        }

        return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
    }

    /// <summary>Adds cards; one that is there already is kept with its reviews.</summary>
    private static async Task<Ok<StudyView>> MakeCards(string id, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var drafts = NotEmpty(CardMaker.Make(await context.Transcript(lecture, cancel), CardsWanted), "cards");

        // Looked up and added in one transaction: whatever is pressed how often, a card is made once.
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel);
        context.Cards.AddRange(drafts.Where(d => !there.Exists(c => d.AsksTheSameAs(c.SourceKey, c.Source))).DistinctBy(d => d.Key)
            .Select(d => CardRow.Of(id, d, time.GetUtcNow().UtcDateTime)));
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
    }

    /// <summary>Makes another quiz than the one that the page shows. What was not asked yet comes first. If there is another one already, that is shown.</summary>
    private static async Task<Ok<StudyView>> MakeQuiz(string id, NewQuiz wanted, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var earlier = await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == id).OrderBy(q => q.Id).ToListAsync(cancel);
        if (earlier.Count > 0 && earlier[^1].Id != wanted.After)
        {
            return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
        }

        var asked = earlier.SelectMany(q => q.Questions).Select(q => q.Source).ToList();
        var questions = NotEmpty(QuizMaker.Make(await context.Transcript(lecture, cancel), QuestionsWanted, seed: earlier.Count + 1, asked), "quiz");
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        if (await context.Quizzes.Where(q => q.LectureId == id).MaxAsync(q => (int?)q.Id, cancel) != earlier.LastOrDefault()?.Id)
        {
            return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
        }

        context.Quizzes.Add(new QuizRow
        {
            LectureId = id,
            MadeAt = time.GetUtcNow().UtcDateTime,
            Questions = questions.Select((q, i) => new QuizQuestionRow { Number = i, Content = q.Content, Source = q.Source.In(id) }).ToList(),
        });
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
    }

    private static async Task<Ok<AttemptView>> Take(int quizId, NewAttempt attempt, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var quiz = await context.Quizzes.AsNoTracking().Include(q => q.Questions).FirstOrDefaultAsync(q => q.Id == quizId, cancel)
            ?? throw PlainProblemException.NotThere("quiz");
        var questions = quiz.Questions.OrderBy(q => q.Number).ToList();
        var asked = questions.ConvertAll(q => (ChoiceQuestion)q.Content);
        QuizMarking.Require(attempt.Choices, asked);
        var row = new AttemptRow
        {
            QuizId = quizId,
            OwnerId = asker.PersonId,
            Choices = attempt.Choices,
            RightCount = QuizMarking.RightCount(attempt.Choices, asked),
            FinishedAt = time.GetUtcNow().UtcDateTime,
        };
        context.Attempts.Add(row);
        await context.SaveChangesAsync(cancel);
        var lecture = await context.FindLecture(quiz.LectureId, cancel);
        return TypedResults.Ok(Mark(row, questions, new EvidenceViews(lecture.Id, await context.Transcript(lecture, cancel))));
    }

    private static async Task<StudyView> View(LectureRow lecture, KostelContext context, int me, CancellationToken cancel)
    {
        var summary = await context.Summaries.AsNoTracking().Where(s => s.LectureId == lecture.Id).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel);
        var cards = await context.Cards.AsNoTracking().Include(c => c.Memories.Where(m => m.OwnerId == me)).Where(c => c.LectureId == lecture.Id).ToListAsync(cancel);
        var quizzes = await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == lecture.Id).OrderByDescending(q => q.Id).ToListAsync(cancel);
        var quiz = quizzes.FirstOrDefault();
        var asked = quizzes.Skip(1).SelectMany(q => q.Questions).Select(q => q.Source).ToList();
        var attempt = quiz is null
            ? null
            : await context.Attempts.AsNoTracking().Where(a => a.QuizId == quiz.Id && a.OwnerId == me).OrderByDescending(a => a.Id).FirstOrDefaultAsync(cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var evidence = new EvidenceViews(lecture.Id, transcript);
        return new StudyView(
            summary is null ? null : SummaryHeadings.Under(summary.Parts, transcript.Chapters).Select(p => SummaryPartView.Of(p, evidence)).ToList(),
            summary is null ? null : MadeThing.KeyOf("summary", summary.Id),
            cards.OrderBy(c => c.Source.StartMs).Select(c => CardView.Of(c, c.Memories[0], lecture, evidence)).ToList(),
            quiz is null ? null : View(quiz, attempt, quiz.Questions.Count(q => asked.Exists(q.Source.IsSamePlace)), evidence));
    }

    private static QuizView View(QuizRow quiz, AttemptRow? attempt, int askedBefore, EvidenceViews evidence)
    {
        var questions = quiz.Questions.OrderBy(q => q.Number).ToList();
        return new QuizView(
            quiz.Id,
            questions.Select(q => (ChoiceQuestion)q.Content).Select(q => new QuizQuestionView(q.Stem, q.Choices)).ToList(),
            attempt is null ? null : Mark(attempt, questions, evidence),
            askedBefore);
    }

    private static AttemptView Mark(AttemptRow attempt, List<QuizQuestionRow> questions, EvidenceViews evidence) => new(
        attempt.RightCount,
        attempt.FinishedAt,
        questions.Select((q, i) => new MarkedAnswer(attempt.Choices[i], ((ChoiceQuestion)q.Content).Key, evidence.Of(q.Source))).ToList());

    private static IReadOnlyList<T> NotEmpty<T>(IReadOnlyList<T> made, string what) => made.Count > 0
        ? made
        : throw new PlainProblemException(
            StatusCodes.Status422UnprocessableEntity,
            $"There is not enough in this lecture to make a {what} of. Nothing was changed.".Replace("a cards", "cards", StringComparison.Ordinal));
}
