using System.Text;
using Kostel.Core.Captions;
using Kostel.Core.Problems;
using Kostel.Core.Text;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Links.Fetching;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Automation;

/// <summary>What is wanted stands in the person's own file.</summary>
internal sealed record HandOutTask;

/// <summary>What was to be done after a lecture could not be done; the lecture itself is as it should be.</summary>
internal sealed class HandOutProblemException(string message) : KnownProblemException(ProblemCodes.NotPossible, message);

/// <summary>Writes a finished lecture's text and what was made of it to the person's folder, as texts, and runs the program that they want run then.</summary>
internal sealed class HandOutWork(LibraryFolder library, AutomationFile automation) : IJobWork
{
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(10);

    /// <summary>Handing out.</summary>
    public static readonly JobKind<HandOutTask> HandingOut = new("hand-out", JobLane.Network);

    /// <inheritdoc/>
    public JobKind Kind => HandingOut;

    /// <inheritdoc/>
    public string Failure => "Something went wrong while the texts of this lecture were written to your folder. The lecture is as it should be. Try again.";

    /// <inheritdoc/>
    public async Task Run(JobTurn turn, CancellationToken cancel)
    {
        await turn.Enter(JobStage.Making, cancel);
        var (settings, _) = automation.Read();
        if (settings.Out is { } folder)
        {
            var files = await Write(turn.LectureId, folder, cancel);
            if (settings.Afterwards is { Count: > 0 } command)
            {
                await OutsideProgram.Run(
                    [.. command, .. files], folder, Patience, what => new HandOutProblemException($"{command[0]}, which is to be run after each lecture, {what}"), cancel);
            }
        }

        await turn.Finish((_, _) => Task.CompletedTask, cancel);
    }

    private async Task<IReadOnlyList<string>> Write(string id, string folder, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var lecture = await context.Lectures.Include(l => l.Course).SingleAsync(l => l.Id == id, cancel);
        var place = Path.Combine(folder, FileNames.Of(lecture.Course?.Title ?? "Without a course"));
        Directory.CreateDirectory(place);
        var stem = Path.Combine(place, FileNames.Of($"{lecture.HeldOn?.ToString("yyyy-MM-dd")} {lecture.Title}"));
        var transcript = await context.Transcript(lecture, cancel);
        var files = new List<string> { await Keep($"{stem}.md", TranscriptFiles.Write(transcript, TextFormat.Md, new TextOptions(true, true, lecture.Title, null, lecture.Course?.Title ?? ""))) };
        if (await context.Summaries.Where(s => s.LectureId == id).OrderByDescending(s => s.Id).FirstOrDefaultAsync(cancel) is { } summary)
        {
            var text = new StringBuilder($"# {lecture.Title}: summary\n");
            foreach (var part in summary.Parts)
            {
                text.Append($"\n## {part.Chapter}\n\n").AppendJoin("", part.Lines.Select(l => $"- {CaptionClock.Short(l.StartMs)} {l.Quote}\n"));
            }

            files.Add(await Keep($"{stem}.summary.md", text.ToString()));
        }

        var cards = await context.Cards.Where(c => c.LectureId == id).ToListAsync(cancel);
        if (cards.Count > 0)
        {
            files.Add(await Keep($"{stem}.cards.tsv", string.Concat(cards.OrderBy(c => c.Source.StartMs).Select(c => $"{OneLine.Of(c.Content.Front)}\t{OneLine.Of(c.Content.Back)}\t{CaptionClock.Short(c.Source.StartMs)}\n"))));
        }

        return files;

        async Task<string> Keep(string path, string text)
        {
            await File.WriteAllTextAsync(path + ".new", text, cancel);
            File.Move(path + ".new", path, overwrite: true);
            return path;
        }
    }

    /// <summary>A name that any file system takes and that leads nowhere else.</summary>
}
