using System.Net.Mime;
using System.Text;
using Kostel.Core.Answers.Threads;
using Kostel.Core.Entries;
using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Documents;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>Another name of a thread.</summary>
public sealed record ThreadName(string Title);

/// <summary>Threads: questions that were asked one after the other, where they belong.</summary>
internal static class ThreadEndpoints
{
    private const int MostShown = 200;

    public static void MapThreads(this IEndpointRouteBuilder app)
    {
        var threads = app.MapGroup("/api/threads");
        threads.MapGet("", List).WithName("getThreads");
        threads.MapGet("{id:int}", Get).WithName("getThread");
        threads.MapPut("{id:int}", Rename).WithName("renameThread");
        threads.MapDelete("{id:int}", Delete).WithName("deleteThread");
        threads.MapPost("{id:int}/restore", Restore).WithName("restoreThread");
        threads.MapGet("{id:int}/export", Export).WithName("exportThread");
    }

    /// <summary>A thread of the person's that was not taken away.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public static async Task<ThreadRow> FindThread(this KostelContext context, int id, Asker asker, CancellationToken cancel) =>
        await context.Threads.FirstOrDefaultAsync(t => t.Id == id && t.OwnerId == asker.PersonId && t.DeletedAt == null, cancel) ?? throw PlainProblemException.NotThere("thread");

    /// <summary>Those of a lecture, of a course, or of everything; the last one used first.</summary>
    private static async Task<Ok<List<ThreadView>>> List([FromQuery] string? lecture, [FromQuery] string? course, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var place = await AskedPlace.Find(context, lecture, course, cancel);
        var courseId = place.Course?.Id;
        var rows = await context.Threads.AsNoTracking().Where(t => t.OwnerId == asker.PersonId && t.DeletedAt == null && t.LectureId == lecture && t.CourseId == courseId)
            .OrderByDescending(t => t.ChangedAt).Take(MostShown).Select(t => new { Thread = t, t.Questions.Count }).ToListAsync(cancel);
        return TypedResults.Ok(rows.ConvertAll(r => new ThreadView(r.Thread.Id, r.Thread.Title, r.Thread.IsNamed, r.Thread.LectureId, place.Course?.Title, r.Count, r.Thread.ChangedAt)));
    }

    private static async Task<Ok<WholeThread>> Get(int id, KostelContext context, ThreadViews views, Asker asker, CancellationToken cancel)
    {
        var thread = await context.FindThread(id, asker, cancel);
        return TypedResults.Ok(new WholeThread(await views.Of(thread, cancel), await Questions(thread, context, views, cancel)));
    }

    private static async Task<List<QuestionView>> Questions(ThreadRow thread, KostelContext context, ThreadViews views, CancellationToken cancel)
    {
        var questions = new List<QuestionView>();
        foreach (var row in await context.Questions.AsNoTracking().Where(q => q.ThreadId == thread.Id).OrderBy(q => q.Id).ToListAsync(cancel))
        {
            questions.Add(await views.Of(row, cancel));
        }

        return questions;
    }

    private static async Task<Ok<ThreadView>> Rename(int id, ThreadName name, KostelContext context, ThreadViews views, Asker asker, CancellationToken cancel)
    {
        var title = EntryRules.ThreadName.Read(name.Title);
        var thread = await context.FindThread(id, asker, cancel);
        (thread.Title, thread.IsNamed) = (title, true);
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(await views.Of(thread, cancel));
    }

    private static Task<NoContent> Delete(int id, KostelContext context, Asker asker, TimeProvider time, CancellationToken cancel) => SetDeleted(id, time.GetUtcNow().UtcDateTime, context, asker, cancel);

    private static Task<NoContent> Restore(int id, KostelContext context, Asker asker, CancellationToken cancel) => SetDeleted(id, null, context, asker, cancel);

    private static async Task<NoContent> SetDeleted(int id, DateTime? at, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var thread = await context.Threads.Include(t => t.Questions).FirstOrDefaultAsync(t => t.Id == id && t.OwnerId == asker.PersonId, cancel) ?? throw PlainProblemException.NotThere("thread");
        thread.DeletedAt = at;
        thread.Questions.ForEach(q => q.DeletedAt = at);
        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }

    private static async Task<FileContentHttpResult> Export(int id, [FromQuery] string format, HttpRequest request, KostelContext context, ThreadViews views, Asker asker, CancellationToken cancel)
    {
        var thread = await context.FindThread(id, asker, cancel);
        var view = await views.Of(thread, cancel);
        var place = thread.LectureId is { } lecture ? (await context.FindLecture(lecture, cancel)).Title : view.Course ?? "Everything";
        var paper = new ThreadPaper(thread.Title, place, (await Questions(thread, context, views, cancel)).ConvertAll(q => Paper(q, $"{request.Scheme}://{request.Host}/lecture/", thread.LectureId is null)));
        var name = FileNames.Of(thread.Title);
        switch (format)
        {
            case "md":
                return TypedResults.File(Encoding.UTF8.GetBytes(ThreadMarkdown.Write(paper)), "text/markdown; charset=utf-8", $"{name}.md");
            case "docx":
                using (var memory = new MemoryStream())
                {
                    DocxThread.Write(memory, paper);
                    return TypedResults.File(memory.ToArray(), "application/vnd.openxmlformats-officedocument.wordprocessingml.document", $"{name}.docx");
                }

            default:
                throw new NotValidException("A thread is taken away as md or docx.");
        }
    }

    private static PaperQuestion Paper(QuestionView question, string address, bool namesLectures)
    {
        var answer = question.Answer;
        var titles = answer.Lectures.ToDictionary(l => l.Id, l => l.Title);
        var sides = answer.Sides.Count > 0 ? answer.Sides.Select(s => new PaperPart(s.Name, s.Lines.Select(Line).ToList())).ToList() : [new PaperPart(null, answer.Lines.Select(Line).ToList())];
        return new PaperQuestion(question.Text, answer.State, question.AskedAt, sides)
        {
            Written = question.Written is { } w
                ? new PaperPart(
                    $"Written by {w.Model} at {w.Host}, of the passages named",
                    w.Sentences.Where(s => s.Doubts.Count == 0 && s.Passages.Count > 0).Select(s => Line(w.Passages[s.Passages[0]]) with { Quote = s.Text }).ToList())
                : null,
        };

        PaperLine Line(EvidenceView line) => new(
            line.StartMs, line.Quote, titles.ContainsKey(line.LectureId) ? $"{address}{line.LectureId}?t={line.StartMs / 1000}" : null, namesLectures ? titles.GetValueOrDefault(line.LectureId, "a lecture that is no longer here") : null);
    }
}
