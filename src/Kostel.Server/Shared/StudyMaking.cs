using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>Makes summaries, cards and quizzes of a lecture. Each looks and adds in one transaction, so that whatever is asked how often is made once.</summary>
internal sealed class StudyMaking(KostelContext context, TimeProvider time)
{
    private const int CardsWanted = 10, QuestionsWanted = 6;

    /// <summary>A summary, where the newest says something else.</summary>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> Summary(string id, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var parts = Summarizer.Summarize(await context.Transcript(lecture, cancel)).Select(p => p.In(id)).ToList();
        if (parts.Count == 0)
        {
            return false;
        }

        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var newest = await context.Summaries.AsNoTracking().Where(s => s.LectureId == id).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel);
        if (newest is null || !newest.Parts.SelectMany(p => p.Lines).SequenceEqual(parts.SelectMany(p => p.Lines)))
        {
            context.Summaries.Add(new SummaryRow { LectureId = id, Parts = parts, MadeAt = Now });
            await context.SaveChangesAsync(cancel);
            await all.CommitAsync(cancel);
        }

        return true;
    }

    /// <summary>Cards, besides those that are there: these are kept with their reviews.</summary>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> Cards(string id, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var drafts = CardMaker.Make(await context.Transcript(lecture, cancel), CardsWanted);
        if (drafts.Count == 0)
        {
            return false;
        }

        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel);
        context.Cards.AddRange(drafts.Where(d => !there.Exists(c => d.AsksTheSameAs(c.SourceKey, c.Source))).DistinctBy(d => d.Key).Select(d => CardRow.Of(id, d, Now)));
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return true;
    }

    /// <summary>A quiz, where there is none yet.</summary>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> FirstQuiz(string id, CancellationToken cancel) =>
        await context.Quizzes.AnyAsync(q => q.LectureId == id, cancel) || await Quiz(id, after: null, cancel);

    /// <summary>Another quiz.</summary>
    /// <param name="after">The newest as it was known; where there is a newer one nothing is made.</param>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> Quiz(string id, int? after, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var earlier = await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == id).OrderBy(q => q.Id).ToListAsync(cancel);
        if (earlier.Count > 0 && earlier[^1].Id != after)
        {
            return true;
        }

        var asked = earlier.SelectMany(q => q.Questions).Select(q => q.Source).ToList();
        var questions = QuizMaker.Make(await context.Transcript(lecture, cancel), QuestionsWanted, seed: earlier.Count + 1, asked);
        if (questions.Count == 0)
        {
            return false;
        }

        await using var all = await context.Database.BeginTransactionAsync(cancel);
        if (await context.Quizzes.Where(q => q.LectureId == id).MaxAsync(q => (int?)q.Id, cancel) == earlier.LastOrDefault()?.Id)
        {
            context.Quizzes.Add(new QuizRow
            {
                LectureId = id,
                MadeAt = Now,
                Questions = questions.Select((q, i) => new QuizQuestionRow { Number = i, Content = q.Content, Source = q.Source.In(id) }).ToList(),
            });
            await context.SaveChangesAsync(cancel);
            await all.CommitAsync(cancel);
        }

        return true;
    }

    private DateTime Now => time.GetUtcNow().UtcDateTime;
}
