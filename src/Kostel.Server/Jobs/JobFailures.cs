using Kostel.Core.Problems;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>Notes why a job failed, in words for the person.</summary>
internal sealed class JobFailures(LibraryFolder library, ProgressBoard board, TimeProvider time, ILogger<JobFailures> log)
{
    /// <summary>Before what the disk refused is tried again.</summary>
    public static readonly TimeSpan Pause = TimeSpan.FromSeconds(2);

    /// <summary>Tells it, and notes it as soon as the disk takes that.</summary>
    /// <param name="unforeseen">What to say where the reason is none that was foreseen.</param>
    public async Task Note(JobRow job, Exception reason, string unforeseen, CancellationToken cancel)
    {
        if (reason is not KnownProblemException)
        {
            log.LogError(reason, "A job of kind {Kind} failed for {Lecture}", job.Kind, job.LectureId);
        }

        (job.State, job.Problem) = (JobState.Failed, reason switch
        {
            KnownProblemException => reason.Message,
            _ when PlainProblems.IsDiskFull(reason) => PlainProblems.DiskFull,
            _ => unforeseen,
        });
        await board.Tell([job]);
        while (!await TryNote(job, cancel))
        {
            // A full disk takes not even this note; wait until it does, rather than run the job in a circle.
            await Task.Delay(Pause, time, cancel);
        }
    }

    private async Task<bool> TryNote(JobRow job, CancellationToken cancel)
    {
        try
        {
            await using var context = library.CreateDbContext();
            await context.Jobs.Where(j => j.Id == job.Id && j.State != JobState.Cancelled).ExecuteUpdateAsync(
                s => s.SetProperty(j => j.State, JobState.Failed)
                    .SetProperty(j => j.Problem, job.Problem)
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
