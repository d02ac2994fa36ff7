using Kostel.Core.Answers.Scopes;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Data.Search;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Ask;

/// <summary>What is asked: a lecture, a course, or everything where both are null.</summary>
internal sealed record AskedPlace(LectureRow? Lecture, CourseRow? Course)
{
    /// <summary>A place by what a request names.</summary>
    /// <exception cref="PlainProblemException">The lecture or the course is not there.</exception>
    public static async Task<AskedPlace> Find(KostelContext context, string? lecture, string? course, CancellationToken cancel) => new(
        lecture is null ? null : await context.FindLecture(lecture, cancel),
        lecture is not null || course is null ? null : await context.FindCourse(course, cancel));

    /// <summary>The place of a thread.</summary>
    public static async Task<AskedPlace> Of(KostelContext context, ThreadRow thread, CancellationToken cancel) => new(
        thread.LectureId is null ? null : await context.FindLecture(thread.LectureId, cancel),
        thread.CourseId is null ? null : await context.Courses.FirstAsync(c => c.Id == thread.CourseId, cancel));

    /// <summary>Its lectures, in the order in which they were held.</summary>
    public async Task<List<LectureRow>> Lectures(KostelContext context, CancellationToken cancel) => Lecture is not null
        ? [Lecture]
        : await context.Lectures.AsNoTracking().Where(l => l.DeletedAt == null && (Course == null || l.CourseId == Course.Id)).OrderBy(l => l.HeldOn).ThenBy(l => l.Title).ToListAsync(cancel);

    /// <summary>What there is to look in, by which a question is understood.</summary>
    public async Task<ScopeGround> Ground(KostelContext context, List<LectureRow> lectures, DateOnly today, CancellationToken cancel)
    {
        var ids = lectures.ConvertAll(l => l.Id);
        var speakers = await context.Speakers.AsNoTracking().Where(s => ids.Contains(s.LectureId)).Select(s => new { s.LectureId, s.Name }).ToListAsync(cancel);
        IReadOnlyList<Chapter> chapters = Lecture is null ? [] : (await context.Transcript(Lecture, cancel)).Chapters;
        return new ScopeGround(today, speakers.Select(s => s.Name).Distinct().ToList(), speakers.GroupBy(s => s.LectureId).Any(l => l.Count() > 1), Lecture is null, chapters, Lecture?.DurationMs ?? 0);
    }

    /// <summary>The same as what a search looks in.</summary>
    public SearchScope ForSearch(int ownerId) => new(ownerId, Lecture?.Id, Course?.Title, null, null, null, null);
}
