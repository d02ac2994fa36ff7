using Kostel.Core.Lectures;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Gathers all that belongs to a lecture, and puts it where a lecture is new.</summary>
public static class LectureStore
{
    /// <summary>All that belongs to a lecture besides its words.</summary>
    /// <param name="context">The library.</param>
    /// <param name="lecture">With its course.</param>
    /// <param name="picture">Gives a mark's picture by the name of its file; null if it is gone.</param>
    public static async Task<KeptThings> Things(this KostelContext context, LectureRow lecture, Func<string, byte[]?> picture, CancellationToken cancel)
    {
        var id = lecture.Id;
        var marks = await context.Marks.AsNoTracking().Where(m => m.LectureId == id && m.DeletedAt == null).OrderBy(m => m.StartMs).ThenBy(m => m.Id).ToListAsync(cancel);
        var summaries = await context.Summaries.AsNoTracking().Where(s => s.LectureId == id).OrderBy(s => s.Id).ToListAsync(cancel);
        var cards = await context.Cards.AsNoTracking().Where(c => c.LectureId == id).OrderBy(c => c.Id).ToListAsync(cancel);
        var ids = cards.ConvertAll(c => c.Id);
        var reviews = (await context.Reviews.AsNoTracking().Where(r => ids.Contains(r.CardId)).OrderBy(r => r.Id).ToListAsync(cancel)).ToLookup(r => r.CardId);
        var questions = await context.Questions.AsNoTracking().Where(q => q.LectureId == id).OrderBy(q => q.Id).ToListAsync(cancel);
        var quizzes = await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == id).OrderBy(q => q.Id).ToListAsync(cancel);
        var runs = quizzes.ConvertAll(q => q.Id);
        var attempts = (await context.Attempts.AsNoTracking().Where(a => runs.Contains(a.QuizId)).OrderBy(a => a.Id).ToListAsync(cancel)).ToLookup(a => a.QuizId);
        return new KeptThings(
            new LectureFacts(lecture.Title, lecture.Course?.Title, lecture.HeldOn, lecture.Notice, lecture.MadeWith, lecture.MadeBy, lecture.MadeAt),
            marks.ConvertAll(m => new KeptMark(m.Kind, m.StartMs, m.EndMs, m.Quote, m.Text, m.MadeAt, m.Resolved, m.Picture is null ? null : picture(m.Picture))),
            summaries.ConvertAll(s => new KeptSummary(s.MadeAt, s.Parts)),
            cards.ConvertAll(c => new KeptCard(
                c.SourceKey, c.Front, c.Back, c.Source, c.CreatedAt, c.DueAt, c.Stability, c.Difficulty, c.ReviewedAt,
                reviews[c.Id].Select(r => new KeptReview(r.Grade, r.At, r.Stability, r.Difficulty)).ToList())),
            questions.ConvertAll(q => new KeptQuestion(q.Text, q.AskedAt, q.Answer)),
            quizzes.ConvertAll(q => new KeptQuiz(
                q.MadeAt,
                q.Questions.OrderBy(x => x.Number).Select(x => new KeptQuizQuestion(x.Stem, x.Choices, x.Key, x.Source)).ToList(),
                attempts[q.Id].Select(a => new KeptAttempt(a.FinishedAt, a.Choices)).ToList())));
    }

    /// <summary>Adds what a file brought to a lecture that is new; in a transaction of the caller's.</summary>
    /// <param name="context">The library.</param>
    /// <param name="lectureId">The new lecture.</param>
    /// <param name="things">What was read.</param>
    /// <param name="picture">Keeps a picture and gives the name of its file; null if it is none.</param>
    public static async Task AddThings(this KostelContext context, string lectureId, KeptThings things, Func<byte[], Task<string?>> picture, CancellationToken cancel)
    {
        foreach (var m in things.Marks ?? [])
        {
            context.Marks.Add(new MarkRow
            {
                LectureId = lectureId,
                Kind = m.Kind,
                StartMs = m.StartMs,
                EndMs = m.EndMs,
                Quote = m.Quote,
                Text = m.Text,
                Resolved = m.Resolved,
                MadeAt = m.MadeAt,
                Picture = m.Picture is null ? null : await picture(m.Picture),
            });
        }

        context.Summaries.AddRange((things.Summaries ?? []).Select(s => new SummaryRow { LectureId = lectureId, MadeAt = s.MadeAt, Parts = s.Parts }));
        context.Questions.AddRange((things.Questions ?? []).Select(q => new QuestionRow { LectureId = lectureId, Text = q.Text, AskedAt = q.AskedAt, Answer = q.Answer }));
        var cards = (things.Cards ?? []).DistinctBy(c => c.Key).Select(c => (Kept: c, Row: new CardRow
        {
            LectureId = lectureId,
            SourceKey = c.Key,
            Front = c.Front,
            Back = c.Back,
            Source = c.Source,
            CreatedAt = c.CreatedAt,
            DueAt = c.DueAt,
            Stability = c.Stability,
            Difficulty = c.Difficulty,
            ReviewedAt = c.ReviewedAt,
        })).ToList();
        var quizzes = (things.Quizzes ?? []).Select(q => (Kept: q, Row: new QuizRow
        {
            LectureId = lectureId,
            MadeAt = q.MadeAt,
            Questions = q.Questions.Select((x, i) => new QuizQuestionRow { Number = i, Stem = x.Stem, Choices = x.Choices, Key = x.Key, Source = x.Source }).ToList(),
        })).ToList();
        context.Cards.AddRange(cards.Select(c => c.Row));
        context.Quizzes.AddRange(quizzes.Select(q => q.Row));
        await context.SaveChangesAsync(cancel);
        context.Reviews.AddRange(cards.SelectMany(c => (c.Kept.Reviews ?? []).Select(r => new ReviewRow
        {
            CardId = c.Row.Id,
            Grade = r.Grade,
            At = r.At,
            Stability = r.Stability,
            Difficulty = r.Difficulty,
        })));
        context.Attempts.AddRange(quizzes.SelectMany(q => (q.Kept.Attempts ?? []).Select(a => new AttemptRow
        {
            QuizId = q.Row.Id,
            FinishedAt = a.FinishedAt,
            Choices = a.Choices,
            RightCount = a.Choices.Where((c, i) => c == q.Kept.Questions[i].Key).Count(),
        })));
        await context.SaveChangesAsync(cancel);
    }
}
