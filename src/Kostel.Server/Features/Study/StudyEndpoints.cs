using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Study.Cards;
using Kostel.Core.Study.Made;
using Kostel.Core.Study.Quizzes;
using Kostel.Core.Study.Summaries;
using Kostel.Core.Text;
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
/// <param name="Reading">How long the summary is, and how easily it is read; null of a language that there is no measure for.</param>
public sealed record StudyView(IReadOnlyList<SummaryPartView>? Summary, string? SummaryKey, SummaryReading? Reading, IReadOnlyList<CardView> Cards, QuizView? Quiz);

/// <summary>How long a summary is, and how easily it is read.</summary>
/// <param name="Ease">From 0, hard, to 100, easy.</param>
/// <param name="SchoolYear">The year of school in which it is read.</param>
public sealed record SummaryReading(int Words, int Ease, int SchoolYear)
{
    internal static SummaryReading? Of(SummaryRow? summary, string language) =>
        summary is not null && language == SpokenLanguages.English && Readability.Of(string.Join(' ', summary.Parts.SelectMany(p => p.Lines).Select(l => l.Quote))) is { } read
            ? new SummaryReading(read.Words, (int)Math.Clamp(Math.Round(read.Ease), 0, 100), Math.Max(1, (int)Math.Round(read.Grade)))
            : null;
}

/// <summary>A wish for another quiz.</summary>
/// <param name="After">The quiz that is shown; null for none.</param>
/// <param name="Count">How many questions.</param>
/// <param name="Kinds">Of which kinds: choice, several, gap, short, number, order, match; null for all.</param>
/// <param name="Chapter">Where the chapter begins that they are to come from; null for all.</param>
/// <param name="OfMarks">Only from what the person marked.</param>
/// <param name="Subject">Only where this is spoken of; null for anything.</param>
public sealed record NewQuiz(int? After = null, int Count = StudyMaking.QuestionsWanted, IReadOnlyList<string>? Kinds = null, int? Chapter = null, bool OfMarks = false, string? Subject = null)
{
    private const int MostQuestions = 60;

    internal WantedQuiz Wanted => Count is < 1 or > MostQuestions
        ? throw new NotValidException($"A quiz has from 1 to {MostQuestions} questions.")
        : new WantedQuiz(After, Count, Kinds is { Count: > 0 } ? Kinds : null, new StudyStretch(Chapter, OfMarks, Subject));
}

/// <summary>A wish for a summary.</summary>
/// <param name="Length">line, short, half or page; null for some sentences of each chapter.</param>
/// <param name="Minutes">So many minutes to read, instead.</param>
/// <param name="Chapter">Where the chapter begins that it is to be of; null for all.</param>
/// <param name="OfMarks">Only of what the person marked.</param>
/// <param name="Subject">Only where this is spoken of; null for anything.</param>
/// <param name="MarksFirst">Whether what the person marked comes before all else.</param>
public sealed record WantedSummary(string? Length = null, int? Minutes = null, int? Chapter = null, bool OfMarks = false, string? Subject = null, bool MarksFirst = false)
{
    private const int MostMinutes = 30;

    internal int? Words => this switch
    {
        { Minutes: < 1 or > MostMinutes } => throw new NotValidException($"A summary takes from 1 to {MostMinutes} minutes to read."),
        { Minutes: { } minutes } => SummaryLengths.WordsToRead(minutes),
        { Length: null or "" } => null,
        { Length: var name } => name.All(char.IsAsciiLetter) && Enum.TryParse<SummaryLength>(name, ignoreCase: true, out var length) ? SummaryLengths.Words(length) : throw new NotValidException("A summary is a line, short, half a page or a page."),
    };
}

/// <summary>A card of the person's own, at a place of the lecture.</summary>
/// <param name="Mark">The mark whose picture is shown with the question; null for none.</param>
/// <param name="WithPicture">Whether what the video shows at that place is shown with the question.</param>
public sealed record OwnCard(string Front, string Back, int StartMs, int EndMs, int? Mark = null, bool WithPicture = false);

/// <summary>A quiz as it is taken: without the keys.</summary>
/// <param name="AskedBefore">How many of its questions an earlier quiz asked already.</param>
public sealed record QuizView(int Id, IReadOnlyList<QuizQuestionView> Questions, AttemptView? LastAttempt, int AskedBefore);

/// <summary>A question of a quiz.</summary>
/// <param name="Kind">choice, several, gap, short, number, order or match.</param>
/// <param name="Stem">What it asks.</param>
/// <param name="Shown">What is chosen from, put in order or matched; none where the answer is written.</param>
/// <param name="Sides">What the shown things are matched with.</param>
public sealed record QuizQuestionView(string Kind, string Stem, IReadOnlyList<string> Shown, IReadOnlyList<string> Sides);

/// <summary>An answer to a question of a quiz.</summary>
/// <param name="Chosen">The places of what was chosen, in the order that was given; for each thing to match its partner's; empty for a question left open.</param>
/// <param name="Text">What was written.</param>
public sealed record GivenAnswer(IReadOnlyList<int> Chosen, string? Text = null)
{
    internal static GivenAnswer Of(QuizAnswer answer) => new(answer.Chosen, answer.Text);

    internal QuizAnswer Answer => new(Chosen ?? [], string.IsNullOrWhiteSpace(Text) ? null : Text.Trim());
}

/// <summary>The answers of one run, one for each question.</summary>
public sealed record NewAttempt(IReadOnlyList<GivenAnswer> Answers);

/// <summary>The result of one run, with where to listen again.</summary>
public sealed record AttemptView(int RightCount, DateTime FinishedAt, IReadOnlyList<MarkedAnswer> Answers);

/// <summary>An answer and the one that is right.</summary>
/// <param name="Sources">Where it is said; for things that are matched a place for each.</param>
/// <param name="Also">Other words that would have been right too.</param>
public sealed record MarkedAnswer(GivenAnswer Given, GivenAnswer Solution, bool IsRight, IReadOnlyList<EvidenceView> Sources, IReadOnlyList<string> Also);

internal static class StudyEndpoints
{
    public static void MapStudy(this IEndpointRouteBuilder app)
    {
        var study = app.MapGroup("/api/lectures/{id}");
        study.MapGet("study", Get).WithName("getStudy");
        study.MapPost("summary", MakeSummary).WithName("makeSummary");
        study.MapGet("summary/export", ExportSummary).WithName("exportSummary");
        study.MapPost("cards", MakeCards).WithName("makeCards");
        study.MapPost("cards/own", AddCard).WithName("addCard");
        study.MapPost("quiz", MakeQuiz).WithName("makeQuiz");
        app.MapCardDrafts();
        app.MapCardLists();
        app.MapPost("/api/quizzes/{quizId:int}/attempts", Take).WithName("takeQuiz");
    }

    private static async Task<Ok<StudyView>> Get(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return TypedResults.Ok(await View(lecture, context, asker.PersonId, cancel));
    }

    private static async Task<Ok<StudyView>> MakeSummary(string id, WantedSummary? wanted, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel) =>
        await Made(await study.Summary(id, cancel, wanted?.Words, new StudyStretch(wanted?.Chapter, wanted?.OfMarks == true, wanted?.Subject), asker.PersonId, wanted?.MarksFirst == true), "a summary", id, context, asker, cancel);

    private static async Task<FileContentHttpResult> ExportSummary(string id, string format, bool? links, HttpRequest request, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var summary = await context.Summaries.AsNoTracking().Where(s => s.LectureId == id).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel) ?? throw PlainProblemException.NotThere("summary");
        var file = lecture.Paper("Summary", summary.AsSheet(), links == false ? null : $"{request.Scheme}://{request.Host}/lecture").Write(SheetFiles.FormatOf(format, isTasks: false), lecture, time.GetUtcNow().UtcDateTime);
        return TypedResults.File(file.Content, file.Type, file.Name);
    }

    private static async Task<Ok<StudyView>> MakeCards(string id, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel) =>
        await Made(await study.Cards(id, cancel), "cards", id, context, asker, cancel);

    private static async Task<Ok<CardView>> AddCard(string id, OwnCard card, KostelContext context, LibraryFolder library, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var (front, back) = (EntryRules.CardSide.Read(card.Front), EntryRules.CardSide.Read(card.Back));
        var lecture = await context.FindLecture(id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var source = (card.Mark is null ? Evidence.Between(transcript, card.StartMs, card.EndMs) : Evidence.At(Sentences.Of(transcript.Passages), card.StartMs)).In(id);
        var there = await context.Cards.AsNoTracking().Where(c => c.LectureId == id).ToListAsync(cancel);
        var ofMark = card.Mark is { } mark ? await context.PictureOfMark(id, asker.PersonId, mark, cancel) : null;
        if (there.Exists(c => c.Content.Front == front && c.Content.Back == back && c.Content.PictureFile == ofMark))
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "There is such a card already.");
        }

        var picture = ofMark ?? (card.WithPicture ? await PictureFiles.KeepStill(library, lecture, card.StartMs, cancel) : null);
        var row = CardRow.Of(id, new CardDraft(CardContent.Of(front, back, picture), source), time.GetUtcNow().UtcDateTime);
        row.SourceKey = $"own-{Guid.NewGuid():N}";
        context.Cards.Add(row);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(CardView.Of(row, row.Memories[0], lecture, new EvidenceViews(id, transcript)));
    }

    /// <summary>Another quiz than the one that is shown. Pressing twice makes one: the second names a quiz that is not the newest any more.</summary>
    private static async Task<Ok<StudyView>> MakeQuiz(string id, NewQuiz wanted, KostelContext context, StudyMaking study, Asker asker, CancellationToken cancel) =>
        await Made(await study.Quiz(id, wanted.Wanted, asker.PersonId, cancel), "a quiz", id, context, asker, cancel);

    private static async Task<Ok<StudyView>> Made(bool isThere, string what, string id, KostelContext context, Asker asker, CancellationToken cancel) => isThere
        ? await Get(id, context, asker, cancel)
        : throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, $"There is not enough in this lecture to make {what} of. Nothing was changed.");

    private static async Task<Ok<AttemptView>> Take(int quizId, NewAttempt attempt, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var quiz = await context.Quizzes.AsNoTracking().Include(q => q.Questions).FirstOrDefaultAsync(q => q.Id == quizId, cancel)
            ?? throw PlainProblemException.NotThere("quiz");
        var questions = quiz.Questions.OrderBy(q => q.Number).ToList();
        var asked = questions.ConvertAll(q => q.Content);
        var answers = (attempt.Answers ?? []).Select(a => a?.Answer ?? QuizAnswer.Open).ToList();
        QuizMarking.Require(answers, asked);
        var row = new AttemptRow
        {
            QuizId = quizId,
            OwnerId = asker.PersonId,
            Choices = answers,
            RightCount = QuizMarking.RightCount(answers, asked),
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
        var asked = quizzes.Skip(1).SelectMany(q => q.Questions).SelectMany(q => q.Places()).ToList();
        var attempt = quiz is null
            ? null
            : await context.Attempts.AsNoTracking().Where(a => a.QuizId == quiz.Id && a.OwnerId == me).OrderByDescending(a => a.Id).FirstOrDefaultAsync(cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var evidence = new EvidenceViews(lecture.Id, transcript);
        return new StudyView(
            summary is null ? null : SummaryHeadings.Under(summary.Parts, transcript.Chapters).Select(p => SummaryPartView.Of(p, evidence)).ToList(),
            summary is null ? null : MadeThing.KeyOf("summary", summary.Id),
            SummaryReading.Of(summary, transcript.Language),
            cards.OrderBy(c => c.Source.StartMs).Select(c => CardView.Of(c, c.Memories[0], lecture, evidence)).ToList(),
            quiz is null ? null : View(quiz, attempt, quiz.Questions.Count(q => q.Places().Any(p => asked.Exists(p.IsSamePlace))), evidence));
    }

    private static QuizView View(QuizRow quiz, AttemptRow? attempt, int askedBefore, EvidenceViews evidence)
    {
        var questions = quiz.Questions.OrderBy(q => q.Number).ToList();
        return new QuizView(
            quiz.Id,
            questions.Select(q => q.Content).Select(q => new QuizQuestionView(q.Kind, q.Stem, q.Shown, q.Sides)).ToList(),
            attempt is null ? null : Mark(attempt, questions, evidence),
            askedBefore);
    }

    private static AttemptView Mark(AttemptRow attempt, List<QuizQuestionRow> questions, EvidenceViews evidence) => new(
        attempt.RightCount,
        attempt.FinishedAt,
        questions.Select((q, i) => new MarkedAnswer(
            GivenAnswer.Of(attempt.Choices[i]), GivenAnswer.Of(q.Content.Solution), q.Content.IsRight(attempt.Choices[i]), q.Places().Select(evidence.Of).ToList(), (q.Content as WrittenQuestion)?.Also ?? [])).ToList());
}
