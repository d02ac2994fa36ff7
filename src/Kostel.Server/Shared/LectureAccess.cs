using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Shared;

/// <summary>Reaching a lecture or a course, for every feature that works on one.</summary>
internal static class LectureAccess
{
    /// <summary>A lecture that is there and not in the bin, with its course.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public static async Task<LectureRow> FindLecture(this KostelContext context, string id, CancellationToken cancel) =>
        await context.Lectures.Include(l => l.Course).FirstOrDefaultAsync(l => l.Id == id && l.DeletedAt == null, cancel)
        ?? throw PlainProblemException.NotThere("lecture");

    /// <summary>A course by its title.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public static async Task<CourseRow> FindCourse(this KostelContext context, string title, CancellationToken cancel) =>
        await context.Courses.FirstOrDefaultAsync(c => c.Title == title, cancel) ?? throw PlainProblemException.NotThere("course");

    /// <summary>A lecture, refused while a job is at it: what a person changes would be lost under that. In the transaction of the change.</summary>
    /// <exception cref="PlainProblemException">There is none, or it is worked on.</exception>
    public static async Task<LectureRow> FindLectureAtRest(this KostelContext context, string id, CancellationToken cancel)
    {
        var lecture = await context.FindLecture(id, cancel);
        return await context.IsAtWork(id, cancel)
            ? throw new PlainProblemException(
                StatusCodes.Status409Conflict, "This lecture is being transcribed at the moment. Wait until that is done, or stop it.", ProblemCodes.AtWork)
            : lecture;
    }
}
