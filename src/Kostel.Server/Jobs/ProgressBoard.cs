using System.Collections.Concurrent;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Microsoft.AspNetCore.SignalR;

namespace Kostel.Server.Jobs;

/// <summary>How a lecture's transcription stands.</summary>
/// <param name="Fraction">Of this stage, 0 to 1.</param>
/// <param name="SecondsLeft">An estimate, once there is enough to go by.</param>
/// <param name="WordCount">Words recognised so far in this run.</param>
public sealed record Progress(string LectureId, JobStage Stage, JobState State, double Fraction, int? SecondsLeft, int WordCount, string? Problem);

/// <summary>Which lecture's text was changed, and its version now.</summary>
public sealed record TextChange(string LectureId, int Version);

/// <summary>Open pages listen here; nothing is sent to the server. Each hears what concerns its person.</summary>
internal sealed class ProgressHub : Hub
{
    /// <inheritdoc/>
    public override async Task OnConnectedAsync()
    {
        var asker = Context.GetHttpContext()!.RequestServices.GetRequiredService<Asker>();
        await Groups.AddToGroupAsync(Context.ConnectionId, Audience.Of(asker.PersonId), Context.ConnectionAborted);
    }
}

/// <summary>Whom a message concerns.</summary>
internal static class Audience
{
    /// <summary>A person, in all their windows.</summary>
    public static string Of(int personId) => $"person {personId}";

    /// <summary>Everybody who can see a lecture: for now the one person has all of them.</summary>
    public static IReadOnlyList<string> OfLecture(string lectureId) => [Of(PersonRow.TheOne)];
}

/// <summary>What is being worked on at this moment, told to every open page that it concerns.</summary>
internal sealed class ProgressBoard(IHubContext<ProgressHub> hub)
{
    private readonly ConcurrentDictionary<string, Progress> current = new();

    /// <summary>The latest report on a lecture, if any in this run of the program.</summary>
    public Progress? Of(string lectureId) => current.GetValueOrDefault(lectureId);

    /// <summary>Tells open pages that a lecture's text was changed, so that none shows an old one.</summary>
    public Task TextChanged(string lectureId, int version) => hub.Clients.Groups(Audience.OfLecture(lectureId)).SendAsync("text", new TextChange(lectureId, version));

    /// <summary>Notes and sends a report.</summary>
    public Task Report(Progress progress)
    {
        current[progress.LectureId] = progress;
        return hub.Clients.Groups(Audience.OfLecture(progress.LectureId)).SendAsync("progress", progress);
    }

    /// <summary>Tells how jobs ended that had no turn of their own, or no good end.</summary>
    public async Task Tell(IReadOnlyList<JobRow> jobs)
    {
        foreach (var job in jobs)
        {
            if (job.LectureId is { } lecture)
            {
                await Report(new Progress(lecture, job.Stage, job.State, 0, null, 0, job.State == JobState.Failed ? job.Problem : null));
            }
        }
    }
}
