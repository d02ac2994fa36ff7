namespace Kostel.Server.Jobs;

/// <summary>What jobs need and share.</summary>
internal enum JobLane
{
    /// <summary>The processor: one at a time, because recognition already uses all cores.</summary>
    Computing,

    /// <summary>The network: several wait for others side by side.</summary>
    Network,
}

/// <summary>A kind of job.</summary>
/// <param name="Name">Stands in the database, so it stays as it is.</param>
internal abstract record JobKind(string Name, JobLane Lane);

/// <summary>A kind of job and what one is asked for.</summary>
internal sealed record JobKind<TPayload>(string Name, JobLane Lane) : JobKind(Name, Lane)
    where TPayload : class;

/// <summary>Does the jobs of one kind. The queue knows no kind; it finds whoever does a job by this.</summary>
internal interface IJobWork
{
    /// <summary>Which jobs.</summary>
    JobKind Kind { get; }

    /// <summary>What to say of a failure that nobody foresaw: what is kept, and what to do.</summary>
    string Failure { get; }

    /// <summary>Does all that is left to do of a job, which may have been interrupted before, and ends it with <see cref="JobTurn.Finish"/>.</summary>
    Task Run(JobTurn turn, CancellationToken cancel);
}
