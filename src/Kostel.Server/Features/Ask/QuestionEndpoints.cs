using Kostel.Core.Entries;
using Kostel.Core.Answers;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Data.Search;
using Kostel.Server.Features.Lectures;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>A question to a lecture.</summary>
/// <param name="After">The question that it may lean on ("and at neaps?"); null to take it by itself.</param>
public sealed record NewQuestion(string Text, int? After = null);

/// <summary>What a lecture says to a question.</summary>
/// <param name="Parts">What answers within each line, as letters of its words; empty where that is not known.</param>
/// <param name="Taken">Words that were taken from the question before.</param>
public sealed record AnswerView(AnswerState State, IReadOnlyList<EvidenceView> Lines, IReadOnlyList<QuotePart> Parts, IReadOnlyList<string> UnheardWords, IReadOnlyList<string> Taken);

/// <summary>A question with its answer.</summary>
public sealed record QuestionView(int Id, string Text, DateTime AskedAt, AnswerView Answer);

/// <summary>Questions to one lecture, which are kept, and to many.</summary>
internal static class QuestionEndpoints
{
    private const int MostOffered = 5;

    public static void MapQuestions(this IEndpointRouteBuilder app)
    {
        var questions = app.MapGroup("/api/lectures/{id}/questions");
        questions.MapGet("", List).WithName("getQuestions");
        questions.MapPost("", Ask).WithName("askQuestion");
        questions.MapGet("worth", Worth).WithName("getQuestionsWorthAsking");
        app.MapGet("/api/answer", AskLibrary).WithName("askLibrary");
    }

    private static async Task<Ok<List<QuestionView>>> List(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        var evidence = new EvidenceViews(id, await context.Transcript(lecture, cancel));
        var rows = await context.Questions.AsNoTracking().Where(q => q.LectureId == id && q.OwnerId == asker.PersonId).OrderByDescending(q => q.Id).ToListAsync(cancel);
        return TypedResults.Ok(rows.Select(q => View(q, evidence)).ToList());
    }

    private static async Task<Ok<QuestionView>> Ask(string id, NewQuestion question, KostelContext context, Asker asker, WordKnowledgeFiles words, TimeProvider time, CancellationToken cancel)
    {
        var text = EntryRules.Question.Read(question.Text);
        var lecture = await context.FindLecture(id, cancel);
        var transcript = await context.Transcript(lecture, cancel);
        var known = lecture.Language == SpokenLanguages.English ? words.Value : WordKnowledge.None;
        var before = question.After is { } after ? await context.Questions.AsNoTracking().FirstOrDefaultAsync(q => q.Id == after && q.LectureId == id && q.OwnerId == asker.PersonId, cancel) : null;
        var understood = FollowUp.Understood(text, before?.Answer.Understood ?? before?.Text, known);
        var answer = new AnswerFinder(transcript, known).Ask(understood ?? text).In(id) with { Understood = understood };
        var row = new QuestionRow { LectureId = id, OwnerId = asker.PersonId, Text = text, Answer = answer, AskedAt = time.GetUtcNow().UtcDateTime };
        context.Questions.Add(row);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(View(row, new EvidenceViews(id, transcript)));
    }

    /// <summary>Questions to begin with, each of which the lecture answers; none in languages whose sentences are not understood.</summary>
    private static async Task<Ok<IReadOnlyList<string>>> Worth(string id, KostelContext context, WordKnowledgeFiles words, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return TypedResults.Ok(lecture.Language == SpokenLanguages.English ? WorthAsking.Of(await context.Transcript(lecture, cancel), words.Value, MostOffered) : []);
    }

    /// <summary>Asks everything, or a course, or what was held in a span of days. Nothing is kept of it.</summary>
    private static async Task<Ok<LibraryAnswerView>> AskLibrary(
        LibraryAnswers answers, Asker asker, [FromQuery] string text, [FromQuery] string? lecture, [FromQuery] string? course, [FromQuery] DateOnly? from, [FromQuery] DateOnly? to, CancellationToken cancel) =>
        TypedResults.Ok(await answers.Ask(EntryRules.Question.Read(text), new SearchScope(asker.PersonId, lecture, course, from, to, null, null), cancel));

    private static QuestionView View(QuestionRow row, EvidenceViews evidence) =>
        new(row.Id, row.Text, row.AskedAt, new AnswerView(row.Answer.State, row.Answer.Lines.Select(evidence.Of).ToList(), row.Answer.Parts, row.Answer.UnheardWords, row.Answer.Understood is { } understood ? FollowUp.Taken(row.Text, understood) : []));
}
