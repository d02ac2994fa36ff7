using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>Which job is next.</summary>
internal static class JobChoice
{
    /// <summary>Jobs that are waiting or at work.</summary>
    public static IQueryable<JobRow> Open(this IQueryable<JobRow> jobs) => jobs.Where(j => j.State == JobState.Waiting || j.State == JobState.Running);

    /// <summary>Whether a lecture's job is waiting or at work.</summary>
    public static Task<bool> IsAtWork(this KostelContext context, string lectureId, CancellationToken cancel) =>
        context.Jobs.Open().AnyAsync(j => j.LectureId == lectureId, cancel);

    /// <summary>The next of some kinds: what is higher in priority, then the older. One that was running when the program stopped is simply the next; one that must wait for another is passed over.</summary>
    /// <param name="taken">Jobs that somebody is at already.</param>
    public static async Task<JobRow?> Next(this KostelContext context, IReadOnlyCollection<string> kinds, IReadOnlyCollection<int> taken, CancellationToken cancel) =>
        await context.Jobs.AsNoTracking().Open()
            .Where(j => kinds.Contains(j.Kind) && !taken.Contains(j.Id))
            .Where(j => j.AfterId == null || context.Jobs.Any(a => a.Id == j.AfterId && a.State == JobState.Done))
            .OrderByDescending(j => j.Priority).ThenBy(j => j.Id)
            .FirstOrDefaultAsync(cancel);

    /// <summary>Ends the jobs that waited for one which came to nothing, as that ended, and those that waited for them.</summary>
    /// <returns>The jobs that were ended.</returns>
    public static async Task<IReadOnlyList<JobRow>> EndFollowers(this KostelContext context, DateTime now, CancellationToken cancel)
    {
        var ended = new List<JobRow>();
        while (await Lost(context).ToListAsync(cancel) is { Count: > 0 } lost)
        {
            foreach (var (job, before) in lost.Select(l => (l.Job, l.Before)))
            {
                await context.Jobs.Open().Where(j => j.Id == job.Id).ExecuteUpdateAsync(
                    s => s.SetProperty(j => j.State, before.State).SetProperty(j => j.Problem, before.Problem).SetProperty(j => j.EndedAt, now), cancel);
                (job.State, job.Problem) = (before.State, before.Problem);
                ended.Add(job);
            }
        }

        return ended;
    }

    private static IQueryable<Follower> Lost(KostelContext context) =>
        from job in context.Jobs.AsNoTracking().Open()
        join before in context.Jobs.AsNoTracking() on job.AfterId equals before.Id
        where before.State == JobState.Failed || before.State == JobState.Cancelled
        select new Follower { Job = job, Before = before };

    private sealed class Follower
    {
        public required JobRow Job { get; init; }

        public required JobRow Before { get; init; }
    }
}
