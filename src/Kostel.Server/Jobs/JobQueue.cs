using System.Data.Common;
using System.Linq.Expressions;
using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>Works off the jobs, each lane on its own, so that a download never waits for a recognition nor the other way round.</summary>
internal sealed class JobQueue(LibraryFolder library, IEnumerable<IJobWork> works, JobFailures failures, ProgressBoard board, ComputingHold hold, TimeProvider time, ILogger<JobQueue> log)
    : BackgroundService
{
    private static readonly Dictionary<JobLane, int> SideBySide = new() { [JobLane.Computing] = 1, [JobLane.Network] = 2 };

    private readonly Dictionary<string, IJobWork> works = works.ToDictionary(w => w.Kind.Name);
    private readonly Dictionary<JobLane, SemaphoreSlim> wake = Enum.GetValues<JobLane>().ToDictionary(l => l, _ => new SemaphoreSlim(0));
    private readonly Dictionary<int, CancellationTokenSource> running = [];
    private readonly SemaphoreSlim choosing = new(1);
    private readonly Lock gate = new();

    /// <summary>Says that there may be something to do.</summary>
    public void Wake()
    {
        foreach (var (lane, signal) in wake)
        {
            signal.Release(SideBySide[lane]);
        }
    }

    /// <summary>Puts a job in the queue (to be saved by the caller, who then calls <see cref="Wake"/>).</summary>
    /// <param name="lectureId">The lecture that it is for; null for none.</param>
    /// <param name="priority">What is higher comes first.</param>
    /// <param name="after">A stored job that must be done before.</param>
    public JobRow Enqueue<TPayload>(
        KostelContext context, JobKind<TPayload> kind, string? lectureId, TPayload payload, int priority = 0, int? after = null)
        where TPayload : class =>
        context.Enqueue(kind, lectureId, payload, time.GetUtcNow().UtcDateTime, priority, after);

    /// <summary>Puts what a lecture's last job was asked for in the queue once more, with all that came to nothing before it.</summary>
    /// <returns>False if its last job did not come to nothing.</returns>
    public async Task<bool> Retry(KostelContext context, string lectureId, CancellationToken cancel)
    {
        var last = await context.Jobs.AsNoTracking().Where(j => j.LectureId == lectureId).OrderByDescending(j => j.Id).FirstOrDefaultAsync(cancel);
        return last is { State: JobState.Failed or JobState.Cancelled } && await Anew(context, last, cancel) is not null;
    }

    /// <summary>Stops a lecture's jobs, at work or waiting. What was done so far is kept for another try.</summary>
    public Task Cancel(string lectureId, CancellationToken cancel) => Cancel(j => j.LectureId == lectureId, cancel);

    /// <summary>Stops all that waits or is at work.</summary>
    /// <returns>How many were stopped.</returns>
    public Task<int> CancelAll(CancellationToken cancel) => Cancel(_ => true, cancel);

    /// <inheritdoc/>
    protected override Task ExecuteAsync(CancellationToken stoppingToken) =>
        Task.WhenAll(SideBySide.SelectMany(lane => Enumerable.Range(0, lane.Value).Select(_ => WorkOff(lane.Key, stoppingToken))));

    private async Task<JobRow?> Anew(KostelContext context, JobRow job, CancellationToken cancel)
    {
        var before = job.AfterId is { } id ? await context.Jobs.AsNoTracking().FirstOrDefaultAsync(j => j.Id == id, cancel) : null;
        var after = before is { State: JobState.Failed or JobState.Cancelled } ? (await Anew(context, before, cancel))?.Id : job.AfterId;
        var again = context.Add(job.Kind, job.LectureId, job.Payload, time.GetUtcNow().UtcDateTime, job.Priority, after);
        await context.SaveChangesAsync(cancel);
        return again;
    }

    private async Task<int> Cancel(Expression<Func<JobRow, bool>> which, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var now = time.GetUtcNow().UtcDateTime;
        var stopped = new List<JobRow>();
        foreach (var job in await context.Jobs.AsNoTracking().Where(which).Open().ToListAsync(cancel))
        {
            // It may have ended since it was read; then it stays as it ended.
            if (await context.Jobs.Where(j => j.Id == job.Id).Open()
                .ExecuteUpdateAsync(s => s.SetProperty(j => j.State, JobState.Cancelled).SetProperty(j => j.EndedAt, now), cancel) > 0)
            {
                stopped.Add(job);
                job.State = JobState.Cancelled;
            }
        }

        stopped.AddRange(await context.EndFollowers(now, cancel));
        lock (gate)
        {
            foreach (var job in stopped)
            {
                running.GetValueOrDefault(job.Id)?.Cancel();
            }
        }

        await board.Tell(stopped);
        return stopped.Count;
    }

    private async Task WorkOff(JobLane lane, CancellationToken stopping)
    {
        var kinds = works.Values.Where(w => w.Kind.Lane == lane).Select(w => w.Kind.Name).ToList();
        while (!stopping.IsCancellationRequested)
        {
            (JobRow Job, CancellationTokenSource Cancel)? taken;
            if (lane == JobLane.Computing && hold.IsOn)
            {
                await wake[lane].WaitAsync(ComputingHold.Lasts, stopping);
                continue;
            }

            try
            {
                taken = await Take(kinds, stopping);
            }
            catch (Exception e) when (e is DbException or IOException or DbUpdateException)
            {
                // A full disk or a library that is busy for long does not end the queue.
                log.LogWarning(e, "The next job could not be taken; this is tried again.");
                await Task.Delay(JobFailures.Pause, time, stopping);
                continue;
            }

            if (taken is { } next)
            {
                await Work(next.Job, next.Cancel, stopping);
            }
            else
            {
                await wake[lane].WaitAsync(stopping);
            }
        }
    }

    /// <summary>Takes the next job, so that nobody else does.</summary>
    private async Task<(JobRow Job, CancellationTokenSource Cancel)?> Take(List<string> kinds, CancellationToken stopping)
    {
        await choosing.WaitAsync(stopping);
        try
        {
            await using var context = library.CreateDbContext();
            await board.Tell(await context.EndFollowers(time.GetUtcNow().UtcDateTime, stopping));
            int[] taken;
            lock (gate)
            {
                taken = [.. running.Keys];
            }

            if (await context.Next(kinds, taken, stopping) is not { } job)
            {
                return null;
            }

            var cancel = CancellationTokenSource.CreateLinkedTokenSource(stopping);
            lock (gate)
            {
                running[job.Id] = cancel;
            }

            return (job, cancel);
        }
        finally
        {
            choosing.Release();
        }
    }

    private async Task Work(JobRow job, CancellationTokenSource cancel, CancellationToken stopping)
    {
        var work = works[job.Kind];
        var turn = new JobTurn(job, library, board, time);
        try
        {
            await work.Run(turn, cancel.Token);
            if (job.State != JobState.Done)
            {
                throw new InvalidOperationException($"The work of kind {job.Kind} returned without ending its job: it has to call JobTurn.Finish.");
            }

            await turn.ReportDone();
        }
        catch (Exception e) when (e is JobStoppedException || (e is OperationCanceledException && cancel.IsCancellationRequested))
        {
            // Whoever stopped it has noted that; what the shutdown stops goes on at the next start.
        }
        catch (Exception e)
        {
            await failures.Note(job, e, work.Failure, stopping);
        }
        finally
        {
            lock (gate)
            {
                running.Remove(job.Id);
            }

            cancel.Dispose();

            // Something may have waited for it.
            Wake();
        }
    }
}
