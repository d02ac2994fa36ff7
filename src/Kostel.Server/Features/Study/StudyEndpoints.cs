using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Made;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;
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

/// <summary>A card of the person's own, at a place of the lecture.</summary>
public sealed record OwnCard(string Front, string Back, int StartMs, int EndMs);

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
    public static void MapStudy(this IEndpointRouteBuilder app)
    {
        var study = app.MapGroup("/api/lectures/{id}");
        study.MapGet("study", Get).WithName("getStudy");
        study.MapPost("summary", MakeSummary).WithName("makeSummary");
        study.MapPost("cards", MakeCards).WithName("makeCards");
        study.MapPost("cards/own", AddCard).WithName("addCard");
        study.MapPost("quiz", MakeQuiz).WithName("makeQuiz");
        app.MapPost("/api/quizzes/{quizId:int}/attempts", Take).WithName("takeQuiz");
    }

    private static async Task<Ok<StudyView>> Get(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
    }

    private static async Task<Ok<StudyView>> MakeSummary(string id, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel) =>
        await Made(await study.Summary(id, cancel), "a summary", id, context, asker, cancel);

    private static async Task<Ok<StudyView>> MakeCards(string id, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel) =>
        await Made(await study.Cards(id, cancel), "cards", id, context, asker, cancel);

    private static async Task<Ok<CardView>> AddCard(string id, OwnCard card, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var (front, back) = (EntryRules.CardSide.Read(card.Front), EntryRules.CardSide.Read(card.Back));
        var lecture = await context.FindLecture(id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var said = Sentences.Of(transcript.Passages).Where(s => s.EndMs > card.StartMs && s.StartMs < card.EndMs).ToList();
        if (said.Count == 0)
        {
            throw new NotValidException("Nothing is said there.");
        }

        var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel);
        if (there.Exists(c => c.Content.Front == front && c.Content.Back == back))
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "There is such a card already.");
        }

        var source = new Evidence(said[0].PassageId, said[0].StartMs, said[^1].EndMs, string.Join(' ', said.Select(s => s.Text)), id);
        var row = CardRow.Of(id, CardDraft.Asking(front, back, source), time.GetUtcNow().UtcDateTime);
        row.SourceKey = $"own-{Guid.NewGuid():N}";
        context.Cards.Add(row);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(CardView.Of(row, row.Memories[0], lecture, new EvidenceViews(id, transcript)));
    }

    /// <summary>Another quiz than the one that is shown. Pressing twice makes one: the second names a quiz that is not the newest any more.</summary>
    private static async Task<Ok<StudyView>> MakeQuiz(string id, NewQuiz wanted, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel) =>
        await Made(await study.Quiz(id, wanted.After, cancel), "a quiz", id, context, asker, cancel);

    private static async Task<Ok<StudyView>> Made(bool isThere, string what, string id, KostelContext context, Asker asker, CancellationToken cancel) => isThere
        ? await Get(id, context, asker, cancel)
        : throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, $"There is not enough in this lecture to make {what} of. Nothing was changed.");

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
}
