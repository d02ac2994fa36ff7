using Kostel.Core.Entries;
using Kostel.Core.Listening;
using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Library;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Courses;

/// <summary>A lecture's line of time, small.</summary>
/// <param name="ChapterStarts">In milliseconds.</param>
/// <param name="Marks">Where the person marked something.</param>
public sealed record LectureStave(string LectureId, IReadOnlyList<int> ChapterStarts, IReadOnlyList<Stretch> Heard, IReadOnlyList<Stretch> Marks);

/// <summary>A course with its lectures, the first first.</summary>
public sealed record CourseView(string Title, bool IsArchived, int TermCount, IReadOnlyList<LectureView> Lectures, IReadOnlyList<LectureStave> Staves);

/// <summary>What is to be changed of a course.</summary>
public sealed record CourseChange(string Title, bool IsArchived);

/// <summary>Courses in the order in which they are to stand.</summary>
public sealed record CourseOrder(IReadOnlyList<string> Titles);

internal static class CourseEndpoints
{
    public static void MapCourses(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/courses/order", Order).WithName("orderCourses");
        app.MapGet("/api/courses/{course}", Get).WithName("getCourse");
        app.MapPut("/api/courses/{course}", Change).WithName("changeCourse");
    }

    private static async Task<Ok<CourseView>> Get(string course, KostelContext context, LectureViews views, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindCourse(course, cancel);
        var lectures = await views.Load(l => l.CourseId == row.Id && l.DeletedAt == null, cancel);
        lectures.Reverse();
        var ids = lectures.ConvertAll(l => l.Id);
        var chapters = (await context.Chapters.AsNoTracking().Where(c => ids.Contains(c.LectureId)).OrderBy(c => c.StartMs).Select(c => new { c.LectureId, c.StartMs }).ToListAsync(cancel)).ToLookup(c => c.LectureId, c => c.StartMs);
        var heard = await context.Heard.AsNoTracking().Where(h => ids.Contains(h.LectureId) && h.OwnerId == asker.PersonId).ToDictionaryAsync(h => h.LectureId, h => h.Stretches, cancel);
        var marks = (await context.Marks.AsNoTracking().Where(m => ids.Contains(m.LectureId) && m.OwnerId == asker.PersonId && m.DeletedAt == null).Select(m => new { m.LectureId, m.StartMs, m.EndMs }).ToListAsync(cancel))
            .ToLookup(m => m.LectureId, m => new Stretch(m.StartMs, m.EndMs));
        return TypedResults.Ok(new CourseView(
            row.Title, row.ArchivedAt is not null, await context.Terms.CountAsync(t => t.CourseId == row.Id, cancel), lectures,
            ids.ConvertAll(id => new LectureStave(id, chapters[id].ToList(), heard.GetValueOrDefault(id, []), marks[id].ToList()))));
    }

    private static async Task<NoContent> Change(string course, CourseChange change, KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var row = await context.FindCourse(course, cancel);
        var title = EntryRules.Course.Read(change.Title);
        if (title.Length == 0)
        {
            throw new NotValidException("The name of a course cannot be empty.");
        }

        if (title != row.Title && await context.Courses.AnyAsync(c => c.Title == title, cancel))
        {
            throw new NotValidException($"There is a course “{title}” already. Move the lectures there instead.");
        }

        row.Title = title;
        row.ArchivedAt = change.IsArchived ? row.ArchivedAt ?? time.GetUtcNow().UtcDateTime : null;
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Those that are not named come after the others.</summary>
    private static async Task<NoContent> Order(CourseOrder order, KostelContext context, CancellationToken cancel)
    {
        var places = order.Titles.OfType<string>().Distinct().Index().ToDictionary(t => t.Item, t => t.Index);
        foreach (var row in await context.Courses.ToListAsync(cancel))
        {
            row.Place = places.GetValueOrDefault(row.Title, places.Count);
        }

        await context.SaveChangesAsync(cancel);
        return TypedResults.NoContent();
    }
}
