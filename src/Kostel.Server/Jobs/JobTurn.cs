using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Data.Stored;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>A job that somebody stopped, seen by the job itself.</summary>
internal sealed class JobStoppedException() : Exception("The job was stopped.");

/// <summary>
/// A job's turn: what its work may say of it. Each note is one statement on the row as it is at that moment, so that a job holds nothing
/// that a person changes while it runs.
/// </summary>
/// <param name="job">As it was when its turn came.</param>
internal sealed class JobTurn(JobRow job, LibraryFolder library, ProgressBoard board, TimeProvider time)
{
    /// <summary>The lecture that the job is for.</summary>
    /// <exception cref="InvalidOperationException">It is for none.</exception>
    public string LectureId => job.LectureId ?? throw new InvalidOperationException($"A job of kind {job.Kind} is for no lecture.");

    /// <summary>What is asked for.</summary>
    public TPayload Payload<TPayload>(JobKind<TPayload> kind)
        where TPayload : class =>
        job.Kind == kind.Name ? VersionedJson.Read<TPayload>(job.Payload) : throw new InvalidOperationException($"A job of kind {job.Kind} is none of kind {kind.Name}.");

    /// <summary>Enters a stage.</summary>
    /// <exception cref="JobStoppedException">It was stopped meanwhile.</exception>
    public async Task Enter(JobStage stage, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        Wanted(await Open(context).ExecuteUpdateAsync(s => s.SetProperty(j => j.Stage, stage).SetProperty(j => j.State, JobState.Running), cancel));
        (job.Stage, job.State) = (stage, JobState.Running);
        await Report(0);
    }

    /// <summary>Tells open pages how far it is.</summary>
    /// <param name="fraction">Of the stage, 0 to 1.</param>
    /// <param name="secondsLeft">Null as long as there is not enough to go by.</param>
    public Task Report(double fraction, int? secondsLeft = null, int wordCount = 0) => Report(JobState.Running, fraction, secondsLeft, wordCount);

    /// <summary>Notes what was found out about what is asked for, so that a restart goes on from there.</summary>
    public async Task Keep<TPayload>(TPayload payload, CancellationToken cancel)
        where TPayload : class
    {
        job.Payload = VersionedJson.Write(payload);
        await using var context = library.CreateDbContext();
        await Open(context).ExecuteUpdateAsync(s => s.SetProperty(j => j.Payload, job.Payload), cancel);
    }

    /// <summary>Stores what the job did together with its end, in one transaction.</summary>
    /// <param name="store">What is read here is as it is at the end: while the job ran, much may have been changed.</param>
    /// <exception cref="JobStoppedException">It was stopped meanwhile; nothing is stored.</exception>
    public async Task Finish(Func<KostelContext, DateTime, Task> store, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var now = time.GetUtcNow().UtcDateTime;
        Wanted(await Open(context).ExecuteUpdateAsync(
            s => s.SetProperty(j => j.State, JobState.Done).SetProperty(j => j.Problem, (string?)null).SetProperty(j => j.EndedAt, now), cancel));
        await store(context, now);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        job.State = JobState.Done;
    }

    /// <summary>Says that it is done, once everything that follows from it has been said.</summary>
    public Task ReportDone() => Report(JobState.Done, 1, 0, 0);

    private Task Report(JobState state, double fraction, int? secondsLeft, int wordCount) =>
        job.LectureId is { } lecture ? board.Report(new Progress(lecture, job.Stage, state, fraction, secondsLeft, wordCount, null)) : Task.CompletedTask;

    private IQueryable<JobRow> Open(KostelContext context) => context.Jobs.Where(j => j.Id == job.Id && (j.State == JobState.Waiting || j.State == JobState.Running));

    private static void Wanted(int rows)
    {
        if (rows == 0)
        {
            throw new JobStoppedException();
        }
    }
}
