using Kostel.Core.Answers;
using Kostel.Core.Answers.Scopes;
using Kostel.Core.Captions;
using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>A question to a lecture, to a course, or to everything.</summary>
/// <param name="Thread">The thread that it goes on; null for a new one.</param>
/// <param name="Lecture">The lecture that is asked, of a new thread.</param>
/// <param name="Course">The course that is asked, of a new thread.</param>
/// <param name="IsAlone">Not to be understood by the question before.</param>
/// <param name="FromMs">Only from here, of a lecture…</param>
/// <param name="ToMs">…to here.</param>
/// <param name="Compares">Each lecture by itself.</param>
public sealed record NewQuestion(
    string Text, int? Thread = null, string? Lecture = null, string? Course = null, bool IsAlone = false, int? FromMs = null, int? ToMs = null, bool Compares = false)
{
    /// <summary>What it says of where to look, and is not to be understood so.</summary>
    public IReadOnlyList<string> Off { get; init; } = [];

    internal List<ScopeKind> KindsOff => (Off ?? []).OfType<string>().Select(k => Enum.TryParse<ScopeKind>(k, ignoreCase: true, out var kind) && Enum.IsDefined(kind)
        ? kind
        : throw new NotValidException("What can be taken off is one of: days, lectures, speaker, stretch.")).ToList();
}

/// <summary>A question that was asked, with its thread.</summary>
public sealed record AskedView(ThreadView Thread, QuestionView Question);

/// <summary>An answer that nothing is kept of.</summary>
/// <param name="Asked">How many lectures were asked: all, or where there are many those that speak of it most.</param>
public sealed record PassingAnswer(AnswerView Answer, int Asked);

/// <summary>The place that a person chose as an answer.</summary>
public sealed record ChosenPlace(string Lecture, int StartMs, int EndMs);

/// <summary>Asking.</summary>
internal static class QuestionEndpoints
{
    private const int MostOffered = 5, LecturesOffered = 3;

    public static void MapQuestions(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/questions", Ask).WithName("askQuestion");
        app.MapPost("/api/questions/{question:int}/place", Choose).WithName("chooseAnswer");
        app.MapGet("/api/questions/worth", Worth).WithName("getQuestionsWorthAsking");
        app.MapGet("/api/answer", AskInPassing).WithName("askInPassing");
    }

    private static async Task<Ok<AskedView>> Ask(NewQuestion question, KostelContext context, Answering answering, ThreadViews views, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        var text = EntryRules.Question.Read(question.Text);
        var thread = question.Thread is { } id ? await context.FindThread(id, asker, cancel) : null;
        var place = thread is null ? await AskedPlace.Find(context, question.Lecture, question.Course, cancel) : await AskedPlace.Of(context, thread, cancel);
        var before = thread is null || question.IsAlone ? null : await context.Questions.AsNoTracking().Where(q => q.ThreadId == thread.Id).OrderByDescending(q => q.Id).FirstOrDefaultAsync(cancel);
        var (answer, _) = await answering.Ask(new Asking(text, before, question.KindsOff, Stretch(question), question.Compares), place, asker.PersonId, cancel);
        var now = time.GetUtcNow().UtcDateTime;
        if (thread is null)
        {
            thread = new ThreadRow { OwnerId = asker.PersonId, LectureId = place.Lecture?.Id, CourseId = place.Course?.Id, Title = text };
            context.Threads.Add(thread);
        }

        thread.ChangedAt = now;
        var row = new QuestionRow { LectureId = thread.LectureId, CourseId = thread.CourseId, OwnerId = asker.PersonId, Text = text, Answer = answer, AskedAt = now };
        thread.Questions.Add(row);
        await Keep(context, cancel);
        views.IsFresh = true;
        return TypedResults.Ok(new AskedView(await views.Of(thread, cancel), await views.Of(row, cancel)));
    }

    /// <summary>Lecture, course or thread can go while it is being asked.</summary>
    private static async Task Keep(KostelContext context, CancellationToken cancel)
    {
        try
        {
            await context.SaveChangesAsync(cancel);
        }
        catch (DbUpdateException)
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "What you asked was deleted in the meantime. Nothing was kept.");
        }
    }

    private static ScopePart? Stretch(NewQuestion question) => (question.FromMs, question.ToMs) switch
    {
        (null, null) => null,
        ( >= 0 and int from, int to) when to > from => new ScopePart(ScopeKind.Stretch, $"{CaptionClock.Short(from)} to {CaptionClock.Short(to)}") { StartMs = from, EndMs = to },
        _ => throw new NotValidException("A stretch ends after it begins."),
    };

    /// <summary>The person knows better: this place answers.</summary>
    private static async Task<Ok<QuestionView>> Choose(int question, ChosenPlace place, KostelContext context, ThreadViews views, Asker asker, CancellationToken cancel)
    {
        var row = await context.Questions.FirstOrDefaultAsync(q => q.Id == question && q.OwnerId == asker.PersonId && q.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("question");
        var lecture = await context.FindLecture(place.Lecture, cancel);
        if (row.LectureId is not null && row.LectureId != lecture.Id)
        {
            throw new NotValidException("This question was asked of another lecture.");
        }

        row.Answer = row.Answer.Chosen(Evidence.Between(await context.Transcript(lecture, cancel), place.StartMs, place.EndMs).In(lecture.Id));
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(await views.Of(row, cancel));
    }

    /// <summary>Questions to begin with, each of which is answered; none in languages whose sentences are not understood.</summary>
    private static async Task<Ok<List<string>>> Worth([FromQuery] string? lecture, [FromQuery] string? course, KostelContext context, WordKnowledgeFiles words, CancellationToken cancel)
    {
        var place = await AskedPlace.Find(context, lecture, course, cancel);
        var lectures = (await place.Lectures(context, cancel)).Where(l => l.Language == SpokenLanguages.English).TakeLast(LecturesOffered).ToList();
        var offered = new List<string>();
        foreach (var row in lectures)
        {
            offered.AddRange(WorthAsking.Of(await context.Transcript(row, cancel), words.Value, lectures.Count == 1 ? MostOffered : MostOffered / lectures.Count + 1));
        }

        return TypedResults.Ok(offered.Distinct().Take(MostOffered).ToList());
    }

    /// <summary>Asks without keeping anything: what a search shows beside what it found.</summary>
    private static async Task<Ok<PassingAnswer>> AskInPassing(
        Answering answering, KostelContext context, ThreadViews views, Asker asker, [FromQuery] string text, [FromQuery] string? lecture, [FromQuery] string? course, [FromQuery] DateOnly? from, [FromQuery] DateOnly? to,
        CancellationToken cancel)
    {
        var asked = EntryRules.Question.Read(text);
        var place = await AskedPlace.Find(context, lecture, course, cancel);
        views.IsFresh = true;
        var (answer, count) = await answering.Ask(new Asking(asked, null, [], null, Compares: false) { Days = from is null && to is null ? null : new ScopePart(ScopeKind.Days, "") { From = from, To = to } }, place, asker.PersonId, cancel);
        return TypedResults.Ok(new PassingAnswer(await views.Of(answer, lecture, asked, cancel), count));
    }
}
