using Kostel.Core.Speech.Terms;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Keeps the terms of courses.</summary>
public static class TermStore
{
    /// <summary>The terms of a course, in the order they were given.</summary>
    public static async Task<IReadOnlyList<CourseTerm>> Terms(this KostelContext context, int courseId, CancellationToken cancel) =>
        await context.Terms.AsNoTracking().Where(t => t.CourseId == courseId).OrderBy(t => t.Number)
            .Select(t => new CourseTerm(t.Written, t.SoundsLike)).ToListAsync(cancel);

    /// <summary>The terms to listen for in a lecture: those of its course.</summary>
    public static async Task<IReadOnlyList<CourseTerm>> Terms(this KostelContext context, LectureRow lecture, CancellationToken cancel) =>
        lecture.CourseId is { } course ? await context.Terms(course, cancel) : [];

    /// <summary>Puts a list in place of a course's terms; at the next save.</summary>
    public static async Task ReplaceTerms(this KostelContext context, CourseRow course, IReadOnlyList<CourseTerm> terms, CancellationToken cancel)
    {
        context.Terms.RemoveRange(await context.Terms.Where(t => t.CourseId == course.Id).ToListAsync(cancel));
        course.TermsVersion++;
        await context.SaveChangesAsync(cancel);
        context.Terms.AddRange(terms.Select((t, i) => new TermRow { CourseId = course.Id, Number = i, Written = t.Written, SoundsLike = t.SoundsLike }));
    }
}
