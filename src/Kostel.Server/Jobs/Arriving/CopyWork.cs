using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>A copy is wanted; there is nothing to choose.</summary>
internal sealed record CopyTask;

/// <summary>Makes a copy for playing of a recording that browsers do not play. The recording itself stays as it is.</summary>
internal sealed class CopyWork(LibraryFolder library) : IJobWork
{
    /// <summary>Making a copy.</summary>
    public static readonly JobKind<CopyTask> Copying = new("copy", JobLane.Computing);

    /// <inheritdoc/>
    public JobKind Kind => Copying;

    /// <inheritdoc/>
    public string Failure => "Something went wrong while a copy for playing was made. The recording is kept. Try again.";

    /// <inheritdoc/>
    public async Task Run(JobTurn turn, CancellationToken cancel)
    {
        await turn.Enter(JobStage.Making, cancel);
        var (original, copy) = (library.Original(turn.LectureId), library.Copy(turn.LectureId));
        string? problem = null;
        try
        {
            await Recording.Copy(original, await Recording.Probe(original, cancel), copy + ".new", cancel);
            File.Move(copy + ".new", copy, overwrite: true);
        }
        catch (MediaProblemException e)
        {
            // The text can be read all the same: this is said beside it, and holds nothing up.
            File.Delete(copy + ".new");
            problem = $"{e.Message} It can be read here, and not be heard.";
        }

        await turn.Finish(
            (context, _) => context.Lectures.Where(l => l.Id == turn.LectureId).ExecuteUpdateAsync(
                s => s.SetProperty(l => l.HasCopy, problem == null).SetProperty(l => l.Notice, l => problem ?? l.Notice), cancel),
            cancel);
    }
}
