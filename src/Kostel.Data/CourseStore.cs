using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Data;

/// <summary>Courses by their title.</summary>
public static class CourseStore
{
    /// <summary>The course of a title, made at once when there is none yet; several that ask for the same new one get the same. Null for no title.</summary>
    public static async Task<CourseRow?> Course(this KostelContext context, string? title, CancellationToken cancel)
    {
        var wanted = title?.Trim();
        if (string.IsNullOrEmpty(wanted))
        {
            return null;
        }

        await context.Database.ExecuteSqlAsync($"INSERT INTO Courses (Title, TermsVersion) VALUES ({wanted}, 0) ON CONFLICT (Title) DO NOTHING", cancel);
        return await context.Courses.FirstAsync(c => c.Title == wanted, cancel);
    }
}
