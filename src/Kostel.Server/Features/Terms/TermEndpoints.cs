using Kostel.Core.Speech.Terms;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Terms;

/// <summary>The terms of a course as a list for editing: one a line, "written form = sounds like" where the spelling misleads.</summary>
/// <param name="Most">Terms that a list may have.</param>
/// <param name="Problems">Lines of the last change that were passed over, in plain words.</param>
/// <param name="Version">To be sent back with a change.</param>
public sealed record TermList(string Course, string Text, int Count, int Most, IReadOnlyList<string> Problems, int Version);

/// <summary>A new list of terms. <paramref name="Version"/> is the one that the change was made on.</summary>
public sealed record TermChange(string Text, int Version);

internal static class TermEndpoints
{
    public static void MapTerms(this IEndpointRouteBuilder app)
    {
        var terms = app.MapGroup("/api/courses/{course}/terms");
        terms.MapGet("", Get).WithName("getTerms");
        terms.MapPut("", Change).WithName("changeTerms");
    }

    private static async Task<Ok<TermList>> Get(string course, KostelContext context, CancellationToken cancel)
    {
        var row = await context.FindCourse(course, cancel);
        return TypedResults.Ok(View(row, await context.Terms(row.Id, cancel), []));
    }

    private static async Task<Ok<TermList>> Change(string course, TermChange change, KostelContext context, CancellationToken cancel)
    {
        var row = await context.FindCourse(course, cancel);
        if (row.TermsVersion != change.Version)
        {
            throw PlainProblemException.ChangedElsewhere("list of terms");
        }

        var parsed = CourseTerms.Parse(change.Text);
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        await context.ReplaceTerms(row, parsed.Terms, cancel);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        return TypedResults.Ok(View(row, parsed.Terms, parsed.Problems));
    }

    private static TermList View(CourseRow course, IReadOnlyList<CourseTerm> terms, IReadOnlyList<string> problems) =>
        new(course.Title, string.Join('\n', terms.Select(t => t.Line)), terms.Count, CourseTerms.Most, problems, course.TermsVersion);
}
