using Kostel.Core.Grammar;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Sheets;
using Kostel.Core.Study.Statements;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Speech;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>Which quiz is wanted.</summary>
/// <param name="After">The newest as it was known; where there is a newer one nothing is made.</param>
/// <param name="Count">How many questions.</param>
/// <param name="Kinds">Of which kinds; null for all.</param>
/// <param name="From">Of what; null for the whole lecture.</param>
internal sealed record WantedQuiz(int? After, int Count = StudyMaking.QuestionsWanted, IReadOnlyList<string>? Kinds = null, StudyStretch? From = null);

/// <summary>Makes summaries, cards and quizzes of a lecture. Each looks and adds in one transaction, so that whatever is asked how often is made once.</summary>
internal sealed class StudyMaking(KostelContext context, IGrammar grammar, WordKnowledgeFiles words, TimeProvider time)
{
    public const int CardsWanted = 10, QuestionsWanted = 12;

    private StudyGround? ground;

    /// <summary>A summary, where the newest says something else.</summary>
    /// <param name="room">Of so many words at most; null for some sentences of each chapter.</param>
    /// <param name="marksFirst">Whether what the person marked comes before all else.</param>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> Summary(string id, CancellationToken cancel, int? room = null, StudyStretch? from = null, int person = PersonRow.TheOne, bool marksFirst = false)
    {
        var lecture = await context.FindLecture(id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var isWanted = await (from ?? new StudyStretch()).Of(id, transcript, context, words.Value, person, cancel);
        var isFirst = marksFirst ? await StudyStretch.MarkedFirst(id, context, person, cancel) : null;
        var made = room is null && isWanted is null
            ? Summarizer.Summarize(GroundOf(transcript), isFirst)
            : Summarizer.Summarize(GroundOf(transcript), room ?? SummaryLengths.Words(SummaryLength.Short), isWanted, isFirst);
        var parts = made.Select(p => p.In(id)).ToList();
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

    /// <summary>A sheet as it is made of a lecture today; without a line where there is nothing for it.</summary>
    public async Task<Sheet> Sheet(LectureRow lecture, SheetForm form, StudyStretch from, int person, CancellationToken cancel, IReadOnlyList<string>? compared = null)
    {
        var transcript = await context.Transcript(lecture, cancel);
        var made = SheetMaker.Make(GroundOf(transcript), form, await from.Of(lecture.Id, transcript, context, words.Value, person, cancel), lecture.HeldOn, compared);
        return made.In(lecture.Id);
    }

    /// <summary>Things of a lecture that ask to be compared.</summary>
    public async Task<IReadOnlyList<(string One, string Other)>> Pairs(LectureRow lecture, CancellationToken cancel) => Comparisons.Pairs(GroundOf(await context.Transcript(lecture, cancel)));

    /// <summary>Sheets of these forms, where there is none of the form yet. A form that the lecture has nothing for is passed over.</summary>
    public async Task FirstSheets(string id, IReadOnlyList<SheetForm> forms, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        foreach (var form in forms.Where(f => f.IsPlain()).Distinct())
        {
            if (!await context.Sheets.AnyAsync(s => s.LectureId == id && s.Form == form, cancel) && await Sheet(lecture, form, new StudyStretch(), PersonRow.TheOne, cancel) is var sheet && !sheet.HasNoLine())
            {
                context.Sheets.Add(new SheetRow { LectureId = id, Form = form, Name = SheetNames.Of(form), Content = sheet, MadeAt = Now, ChangedAt = Now });
                await context.SaveChangesAsync(cancel);
            }
        }
    }

    /// <summary>Cards, besides those that are there: these are kept with their reviews.</summary>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> Cards(string id, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var drafts = CardMaker.Make(GroundOf(await context.Transcript(lecture, cancel)), CardsWanted);
        if (drafts.Count == 0)
        {
            return false;
        }

        await Add(id, drafts, cancel);
        return true;
    }

    /// <summary>Cards that could be added: none that is there already, in this lecture or in another one of its course.</summary>
    public async Task<IReadOnlyList<CardDraft>> Drafts(LectureRow lecture, int count, StudyStretch from, int person, CancellationToken cancel)
    {
        var transcript = await context.Transcript(lecture, cancel);
        var isWanted = await from.Of(lecture.Id, transcript, context, words.Value, person, cancel);
        var course = lecture.CourseId;
        var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == lecture.Id || (course != null && context.Lectures.Any(l => l.Id == c.LectureId && l.CourseId == course && l.DeletedAt == null))).ToListAsync(cancel);
        var asked = new AskedFacts(there.Select(c => c.Content));
        return CardMaker.Make(GroundOf(transcript), count, d => isWanted?.Invoke(d.Source) != false && !there.Exists(c => c.LectureId == lecture.Id && d.AsksTheSameAs(c.SourceKey, c.Source)) && !asked.Hold(d.Content));
    }

    /// <summary>Adds cards, besides those that are there.</summary>
    public Task Add(string id, IReadOnlyList<CardDraft> drafts, CancellationToken cancel) => Add([(id, drafts)], cancel);

    /// <summary>The same for several lectures: all are added or none.</summary>
    public async Task Add(IReadOnlyList<(string LectureId, IReadOnlyList<CardDraft> Drafts)> made, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        foreach (var (id, drafts) in made)
        {
            var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel);
            context.Cards.AddRange(drafts.Where(d => !there.Exists(c => d.AsksTheSameAs(c.SourceKey, c.Source))).DistinctBy(d => d.Key).Select(d => CardRow.Of(id, d, Now)));
        }

        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
    }

    /// <summary>A quiz, where there is none yet.</summary>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> FirstQuiz(string id, CancellationToken cancel) =>
        await context.Quizzes.AnyAsync(q => q.LectureId == id, cancel) || await Quiz(id, new WantedQuiz(null), PersonRow.TheOne, cancel);

    /// <summary>Another quiz.</summary>
    /// <returns>False if there is not enough in the lecture.</returns>
    public async Task<bool> Quiz(string id, WantedQuiz wanted, int person, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var earlier = await context.Quizzes.AsNoTracking().Include(q => q.Questions).Where(q => q.LectureId == id).OrderBy(q => q.Id).ToListAsync(cancel);
        if (earlier.Count > 0 && earlier[^1].Id != wanted.After)
        {
            return true;
        }

        var asked = earlier.SelectMany(q => q.Questions).SelectMany(q => q.Places()).ToList();
        var transcript = await context.Transcript(lecture, cancel);
        var isWanted = await (wanted.From ?? new StudyStretch()).Of(id, transcript, context, words.Value, person, cancel);
        var questions = QuizMaker.Make(GroundOf(transcript), wanted.Count, seed: earlier.Count + 1, asked, q => wanted.Kinds?.Contains(q.Content.Kind) != false && isWanted?.Invoke(q.Source) != false);
        if (questions.Count == 0)
        {
            return false;
        }

        await AddQuiz(id, earlier.LastOrDefault()?.Id, questions, cancel);
        return true;
    }

    /// <summary>Cards of what stands on a sheet of a lecture: none that is there already, however it was reworded. Up to so many.</summary>
    public async Task<IReadOnlyList<CardDraft>> SheetDrafts(LectureRow lecture, Sheet sheet, int most, CancellationToken cancel)
    {
        var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == lecture.Id).ToListAsync(cancel);
        var language = (await context.Transcript(lecture, cancel)).Language;
        return SheetStudy.Cards(sheet, language, there.Select(c => c.Content), grammar, words.Value).Where(d => !there.Exists(c => d.AsksTheSameAs(c.SourceKey, c.Source))).Take(most).ToList();
    }

    /// <summary>A quiz of what stands on a sheet of a lecture, in place of the one that is shown.</summary>
    /// <returns>False if not enough stands there.</returns>
    public async Task<bool> SheetQuiz(LectureRow lecture, Sheet sheet, CancellationToken cancel)
    {
        var id = lecture.Id;
        var earlier = await context.Quizzes.AsNoTracking().Where(q => q.LectureId == id).OrderBy(q => q.Id).Select(q => (int?)q.Id).ToListAsync(cancel);
        var language = (await context.Transcript(lecture, cancel)).Language;
        var questions = SheetStudy.Questions(sheet, language, QuestionsWanted, seed: earlier.Count + 1, grammar, words.Value);
        if (questions.Count == 0)
        {
            return false;
        }

        await AddQuiz(id, earlier.LastOrDefault(), questions, cancel);
        return true;
    }

    /// <summary>Adds a quiz, unless another one came meanwhile.</summary>
    /// <param name="after">The newest as it was known; null for none.</param>
    private async Task AddQuiz(string id, int? after, IReadOnlyList<QuestionDraft> questions, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        if (await context.Quizzes.Where(q => q.LectureId == id).MaxAsync(q => (int?)q.Id, cancel) == after)
        {
            context.Quizzes.Add(new QuizRow
            {
                LectureId = id,
                MadeAt = Now,
                Questions = questions.Select((q, i) => new QuizQuestionRow { Number = i, Content = q.Content.In(id), Source = q.Source.In(id) }).ToList(),
            });
            await context.SaveChangesAsync(cancel);
            await all.CommitAsync(cancel);
        }
    }

    /// <summary>The ground of a transcript, worked out once for all that is made of it.</summary>
    private StudyGround GroundOf(Transcript transcript) => ground is not null && ReferenceEquals(ground.Transcript, transcript) ? ground : ground = new StudyGround(transcript, grammar, words: words.Value);

    private DateTime Now => time.GetUtcNow().UtcDateTime;
}
