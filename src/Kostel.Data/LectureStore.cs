using Kostel.Core.Lectures;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Gathers all that belongs to a lecture, and puts it where a lecture is new.</summary>
public static class LectureStore
{
    /// <summary>All that belongs to a lecture besides its words.</summary>
    /// <param name="context">The library.</param>
    /// <param name="lecture">With its course.</param>
    /// <param name="ownerId">Whose marks, questions and memory of cards.</param>
    /// <param name="picture">Gives the picture of a mark or card by the name of its file; null if it is gone.</param>
    public static async Task<KeptThings> Things(this KostelContext context, LectureRow lecture, int ownerId, Func<string, byte[]?> picture, CancellationToken cancel)
    {
        var id = lecture.Id;
        var marks = await context.MarksOf(id, ownerId).ToListAsync(cancel);
        var summaries = await context.Summaries.AsNoTracking().Where(s => s.LectureId == id).OrderBy(s => s.Id).ToListAsync(cancel);
        var sheets = await context.Sheets.AsNoTracking().Where(s => s.LectureId == id && s.OwnerId == ownerId && s.DeletedAt == null).OrderBy(s => s.Id).ToListAsync(cancel);
        var cards = await context.Cards.AsNoTracking().Include(c => c.Memories.Where(m => m.OwnerId == ownerId)).Where(c => c.LectureId == id).OrderBy(c => c.Id).ToListAsync(cancel);
        var ids = cards.ConvertAll(c => c.Id);
        var reviews = (await context.Reviews.AsNoTracking().Where(r => ids.Contains(r.CardId) && r.OwnerId == ownerId).OrderBy(r => r.Id).ToListAsync(cancel)).ToLookup(r => r.CardId);
        var questions = await context.Questions.AsNoTracking().Where(q => q.LectureId == id && q.OwnerId == ownerId && q.DeletedAt == null).OrderBy(q => q.Id).ToListAsync(cancel);
        var threads = await context.Threads.AsNoTracking().Where(t => t.LectureId == id && t.OwnerId == ownerId).ToDictionaryAsync(t => t.Id, t => t.Title, cancel);
        var numbers = questions.Select(q => q.ThreadId).Distinct().ToList();
        var quizzes = await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == id).OrderBy(q => q.Id).ToListAsync(cancel);
        var runs = quizzes.ConvertAll(q => q.Id);
        var attempts = (await context.Attempts.AsNoTracking().Where(a => runs.Contains(a.QuizId) && a.OwnerId == ownerId).OrderBy(a => a.Id).ToListAsync(cancel)).ToLookup(a => a.QuizId);
        return new KeptThings(
            new LectureFacts(lecture.Title, lecture.Course?.Title, lecture.HeldOn, lecture.Notice, lecture.MadeWith, lecture.MadeBy, lecture.MadeAt),
            marks.ConvertAll(m => new KeptMark(m.Kind, m.StartMs, m.EndMs, m.Quote, m.Text, m.MadeAt, m.Resolved, m.Picture is null ? null : picture(m.Picture))),
            summaries.ConvertAll(s => new KeptSummary(s.MadeAt, s.Parts.Select(p => p.In(null)).ToList())),
            cards.ConvertAll(c => (Card: c, c.Memories[0].State)).ConvertAll(c => new KeptCard(
                c.Card.SourceKey, c.Card.Content.Front, c.Card.Content.Back, c.Card.Source.In(null), c.Card.CreatedAt,
                c.State.DueAt, c.State.Stability, c.State.Difficulty, c.State.ReviewedAt,
                reviews[c.Card.Id].Select(r => new KeptReview(r.Grade, r.At, r.Stability, r.Difficulty)).ToList(),
                c.Card.Content.PictureFile is { } name ? picture(name) : null)),
            questions.ConvertAll(q => new KeptQuestion(q.Text, q.AskedAt, q.Answer.In(null), new KeptThread(numbers.IndexOf(q.ThreadId) + 1, threads[q.ThreadId]), q.Written?.In(null))),
            quizzes.ConvertAll(q => new KeptQuiz(
                q.MadeAt,
                q.Questions.OrderBy(x => x.Number).Select(x => KeptQuizQuestion.Of(x.Content, x.Source.In(null))).ToList(),
                attempts[q.Id].Select(a => new KeptAttempt(a.FinishedAt, a.Choices)).ToList())),
            sheets.ConvertAll(s => new KeptSheet(s.Form, s.Name, s.MadeAt, s.Content.In(null), Pictures(s.Content))));

        Dictionary<string, byte[]?>? Pictures(Core.Study.Sheets.Sheet sheet)
        {
            var found = sheet.Pictures().Distinct().Select(name => (Name: name, Bytes: picture(name))).Where(p => p.Bytes is not null).ToDictionary(p => p.Name, p => p.Bytes);
            return found.Count == 0 ? null : found;
        }
    }

    /// <summary>Adds what a file brought to a lecture that is new; in a transaction of the caller's.</summary>
    /// <param name="context">The library.</param>
    /// <param name="lectureId">The new lecture.</param>
    /// <param name="things">What was read.</param>
    /// <param name="pictures">For each of its marks the name of its picture's file, or null.</param>
    /// <param name="cardPictures">The same for each of its cards.</param>
    /// <param name="sheetPictures">For the name that a picture of its sheets has in the file the name of its own; without those that could not be kept.</param>
    public static async Task AddThings(
        this KostelContext context, string lectureId, KeptThings things, IReadOnlyList<string?> pictures, IReadOnlyList<string?> cardPictures, IReadOnlyDictionary<string, string> sheetPictures, CancellationToken cancel)
    {
        context.Marks.AddRange((things.Marks ?? []).Select((m, i) => new MarkRow
        {
            LectureId = lectureId,
            Kind = m.Kind,
            StartMs = m.StartMs,
            EndMs = m.EndMs,
            Quote = m.Quote,
            Text = m.Text,
            Resolved = m.Resolved,
            MadeAt = m.MadeAt,
            Picture = pictures[i],
        }));

        context.Summaries.AddRange((things.Summaries ?? []).Select(s => new SummaryRow { LectureId = lectureId, MadeAt = s.MadeAt, Parts = s.Parts.Select(p => p.In(lectureId)).ToList() }));
        context.Sheets.AddRange((things.Sheets ?? []).Select(s => new SheetRow { LectureId = lectureId, Form = s.Form, Name = s.Name, MadeAt = s.MadeAt, ChangedAt = s.MadeAt, Content = s.Content.In(lectureId).WithPictures(sheetPictures.GetValueOrDefault) }));
        context.Threads.AddRange((things.Questions ?? []).Select((q, i) => (Kept: q, Thread: q.Thread?.Number ?? -1 - i)).GroupBy(q => q.Thread).Select(thread => new ThreadRow
        {
            LectureId = lectureId,
            Title = thread.First().Kept.Thread?.Title ?? thread.First().Kept.Text,
            ChangedAt = thread.Max(q => q.Kept.AskedAt),
            Questions = thread.Select(q => new QuestionRow { LectureId = lectureId, Text = q.Kept.Text, AskedAt = q.Kept.AskedAt, Answer = q.Kept.Answer.In(lectureId), Written = q.Kept.Written?.In(lectureId) }).ToList(),
        }));
        var cards = (things.Cards ?? []).Zip(cardPictures, (c, picture) => (Card: c, Picture: picture)).DistinctBy(c => c.Card.Key).Select(c => (Kept: c.Card, Row: new CardRow
        {
            LectureId = lectureId,
            SourceKey = c.Card.Key,
            Content = CardContent.Of(c.Card.Front, c.Card.Back, c.Picture),
            Source = c.Card.Source.In(lectureId),
            CreatedAt = c.Card.CreatedAt,
            Memories = [new CardMemoryRow { OwnerId = PersonRow.TheOne, State = new CardState(c.Card.Stability, c.Card.Difficulty, c.Card.DueAt, c.Card.ReviewedAt) }],
        })).ToList();
        var quizzes = (things.Quizzes ?? []).Select(q => (Kept: q, Row: new QuizRow
        {
            LectureId = lectureId,
            MadeAt = q.MadeAt,
            Questions = q.Questions.Select((x, i) => new QuizQuestionRow { Number = i, Content = x.Content.In(lectureId), Source = x.Source.In(lectureId) }).ToList(),
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
            RightCount = QuizMarking.RightCount(a.Choices, q.Row.Questions.ConvertAll(x => x.Content)),
        })));
        await context.SaveChangesAsync(cancel);
    }
}
