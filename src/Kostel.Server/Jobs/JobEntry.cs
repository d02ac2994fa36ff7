using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Data.Stored;

namespace Kostel.Server.Jobs;

/// <summary>Enters jobs in the queue.</summary>
internal static class JobEntry
{
    /// <summary>Enters a job, to be saved by the caller, who then calls <see cref="JobQueue.Wake"/>; what a job enters at its own end is seen without.</summary>
    /// <param name="lectureId">The lecture that it is for; null for none.</param>
    /// <param name="now">The present time.</param>
    /// <param name="priority">What is higher comes first.</param>
    /// <param name="after">A stored job that must be done before.</param>
    public static JobRow Enqueue<TPayload>(
        this KostelContext context, JobKind<TPayload> kind, string? lectureId, TPayload payload, DateTime now, int priority = 0, int? after = null)
        where TPayload : class =>
        context.Add(kind.Name, lectureId, VersionedJson.Write(payload), now, priority, after);

    /// <summary>Enters a job with what one of its kind was asked for.</summary>
    public static JobRow Add(this KostelContext context, string kind, string? lectureId, string payload, DateTime now, int priority, int? after)
    {
        var job = new JobRow { Kind = kind, LectureId = lectureId, Payload = payload, Priority = priority, AfterId = after, CreatedAt = now };
        context.Jobs.Add(job);
        return job;
    }
}
