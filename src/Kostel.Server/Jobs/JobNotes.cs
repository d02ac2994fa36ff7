using Kostel.Data;
using Kostel.Data.Rows;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>A job that somebody stopped, seen by the job itself.</summary>
internal sealed class JobStoppedException() : Exception("The job was stopped.");

/// <summary>Writes down how a job stands. Each note is one statement on the row as it is at that moment, so that a job holds nothing that a person changes while it runs.</summary>
internal static class JobNotes
{
    /// <summary>Enters a stage.</summary>
    /// <exception cref="JobStoppedException">It was stopped meanwhile.</exception>
    public static async Task EnterStage(this KostelContext context, JobRow job, JobStage stage, CancellationToken cancel)
    {
        Wanted(await Open(context, job).ExecuteUpdateAsync(s => s.SetProperty(j => j.Stage, stage).SetProperty(j => j.State, JobState.Running), cancel));
        (job.Stage, job.State) = (stage, JobState.Running);
    }

    /// <summary>Notes the language that was found out; a restart goes on in the language that its first words were heard in.</summary>
    public static async Task KeepLanguage(this KostelContext context, JobRow job, string language, bool isGuessed, CancellationToken cancel)
    {
        (job.Language, job.LanguageIsGuessed) = (language, isGuessed);
        await Open(context, job).ExecuteUpdateAsync(s => s.SetProperty(j => j.Language, language).SetProperty(j => j.LanguageIsGuessed, isGuessed), cancel);
    }

    /// <summary>Notes that it is done; in the transaction that stores what it did.</summary>
    /// <exception cref="JobStoppedException">It was stopped meanwhile, and nothing may be stored.</exception>
    public static async Task EndJob(this KostelContext context, JobRow job, DateTime now, CancellationToken cancel) =>
        Wanted(await Open(context, job).ExecuteUpdateAsync(
            s => s.SetProperty(j => j.State, JobState.Done).SetProperty(j => j.Problem, (string?)null).SetProperty(j => j.EndedAt, now), cancel));

    /// <summary>Whether a lecture's job is waiting or at work.</summary>
    public static Task<bool> IsAtWork(this KostelContext context, string lectureId, CancellationToken cancel) =>
        context.Jobs.AnyAsync(j => j.LectureId == lectureId && (j.State == JobState.Waiting || j.State == JobState.Running), cancel);

    private static IQueryable<JobRow> Open(KostelContext context, JobRow job) =>
        context.Jobs.Where(j => j.Id == job.Id && (j.State == JobState.Waiting || j.State == JobState.Running));

    private static void Wanted(int rows)
    {
        if (rows == 0)
        {
            throw new JobStoppedException();
        }
    }
}
