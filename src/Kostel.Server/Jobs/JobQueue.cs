using System.Linq.Expressions;
using Kostel.Core.Speech;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Http;
using Kostel.Speech;
using Kostel.Speech.Service;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>
/// Works off the jobs one after the other, the oldest first. A job that was running when the program stopped is simply the
/// next to run. Every lecture's recognition already uses all cores, so two at a time would only make both late.
/// </summary>
public sealed class JobQueue(LibraryFolder library, LectureTranscriber transcriber, ProgressBoard board, TimeProvider time, ILogger<JobQueue> log)
    : BackgroundService
{
    private readonly SemaphoreSlim wake = new(0);
    private readonly Lock gate = new();
    private string? currentLecture;
    private CancellationTokenSource? current;

    /// <summary>Says that there may be something to do.</summary>
    public void Wake() => wake.Release();

    /// <summary>Puts a lecture in the queue (to be saved by the caller, who then calls <see cref="Wake"/>).</summary>
    public JobRow Enqueue(KostelContext context, string lectureId, TranscriptionChoice choice, bool onlyVoices = false)
    {
        var job = new JobRow { LectureId = lectureId, Choice = choice, OnlyVoices = onlyVoices, CreatedAt = time.GetUtcNow().UtcDateTime };
        context.Jobs.Add(job);
        return job;
    }

    /// <summary>Stops a lecture's job, at work or waiting. What was recognised is kept for another try.</summary>
    public Task Cancel(string lectureId, CancellationToken cancel) => Cancel(j => j.LectureId == lectureId, cancel);

    /// <summary>Stops all that waits or is at work.</summary>
    /// <returns>How many were stopped.</returns>
    public Task<int> CancelAll(CancellationToken cancel) => Cancel(_ => true, cancel);

    private async Task<int> Cancel(Expression<Func<JobRow, bool>> which, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var now = time.GetUtcNow().UtcDateTime;
        var stopped = new List<JobRow>();
        foreach (var job in await context.Jobs.AsNoTracking().Where(which).Where(j => j.State == JobState.Waiting || j.State == JobState.Running).ToListAsync(cancel))
        {
            // It may have ended since it was read; then it stays as it ended.
            if (await context.Jobs.Where(j => j.Id == job.Id && (j.State == JobState.Waiting || j.State == JobState.Running))
                .ExecuteUpdateAsync(s => s.SetProperty(j => j.State, JobState.Cancelled).SetProperty(j => j.EndedAt, now), cancel) > 0)
            {
                stopped.Add(job);
            }
        }

        lock (gate)
        {
            if (stopped.Exists(j => j.LectureId == currentLecture))
            {
                current?.Cancel();
            }
        }

        foreach (var job in stopped)
        {
            await board.Report(new Progress(job.LectureId, job.Stage, JobState.Cancelled, 0, null, 0, null));
        }

        return stopped.Count;
    }

    /// <inheritdoc/>
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        while (!stoppingToken.IsCancellationRequested)
        {
            if (await Next(stoppingToken) is { } job)
            {
                await Work(job, stoppingToken);
            }
            else
            {
                await wake.WaitAsync(stoppingToken);
            }
        }
    }

    private async Task<JobRow?> Next(CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        return await context.Jobs.AsNoTracking()
            .Where(j => j.State == JobState.Waiting || j.State == JobState.Running)
            .OrderBy(j => j.Id)
            .FirstOrDefaultAsync(cancel);
    }

    private async Task Work(JobRow job, CancellationToken stopping)
    {
        using var cancel = CancellationTokenSource.CreateLinkedTokenSource(stopping);
        lock (gate)
        {
            (currentLecture, current) = (job.LectureId, cancel);
        }

        try
        {
            await transcriber.Run(job.Id, cancel.Token);
        }
        catch (Exception e) when (e is JobStoppedException || (e is OperationCanceledException && cancel.IsCancellationRequested))
        {
            // Whoever stopped it has noted that; what the shutdown stops goes on at the next start.
        }
        catch (Exception e)
        {
            await Fail(job, e, stopping);
        }
        finally
        {
            lock (gate)
            {
                (currentLecture, current) = (null, null);
            }
        }
    }

    private async Task Fail(JobRow job, Exception reason, CancellationToken cancel)
    {
        var problem = reason switch
        {
            MediaProblemException or ModelProblemException or ServiceProblemException => reason.Message,
            _ when PlainProblems.IsDiskFull(reason) => PlainProblems.DiskFull,
            _ => "Something went wrong while this was transcribed. The recording and what was recognised so far are kept. Try again.",
        };
        if (reason is not (MediaProblemException or ModelProblemException or ServiceProblemException))
        {
            log.LogError(reason, "The transcription of {Lecture} failed", job.LectureId);
        }

        await board.Report(new Progress(job.LectureId, job.Stage, JobState.Failed, 0, null, 0, problem));
        while (!await TryNote(job.Id, problem, cancel))
        {
            // A full disk takes not even this note; wait until it does, rather than run the job in a circle.
            await Task.Delay(TimeSpan.FromSeconds(2), time, cancel);
        }
    }

    private async Task<bool> TryNote(int jobId, string problem, CancellationToken cancel)
    {
        try
        {
            await using var context = library.CreateDbContext();
            await context.Jobs.Where(j => j.Id == jobId && j.State != JobState.Cancelled).ExecuteUpdateAsync(
                s => s.SetProperty(j => j.State, JobState.Failed)
                    .SetProperty(j => j.Problem, problem)
                    .SetProperty(j => j.EndedAt, time.GetUtcNow().UtcDateTime),
                cancel);
            return true;
        }
        catch (Exception e) when (PlainProblems.IsDiskFull(e))
        {
            return false;
        }
    }
}
