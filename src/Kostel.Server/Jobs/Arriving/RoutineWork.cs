using Kostel.Core.Grammar;
using Kostel.Core.Study.Sheets;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Shared;
using Kostel.Speech;

namespace Kostel.Server.Jobs.Arriving;

/// <summary>What is to be made of a lecture's text.</summary>
internal sealed record RoutineTask(bool Summary, bool Cards, bool Quiz, IReadOnlyList<SheetForm>? Sheets = null);

/// <summary>Makes what a course's routine wants of a lecture. What is there already is not made twice.</summary>
internal sealed class RoutineWork(LibraryFolder library, IGrammar grammar, WordKnowledgeFiles words, TimeProvider time) : IJobWork
{
    /// <summary>Right after the transcript, before the next recording is begun: it takes seconds.</summary>
    public const int Priority = 100;

    /// <summary>Making study material.</summary>
    public static readonly JobKind<RoutineTask> Making = new("routine", JobLane.Computing);

    /// <inheritdoc/>
    public JobKind Kind => Making;

    /// <inheritdoc/>
    public string Failure => "Something went wrong while study material was made of this. The text is kept. Try again.";

    /// <inheritdoc/>
    public async Task Run(JobTurn turn, CancellationToken cancel)
    {
        var task = turn.Payload(Making);
        await turn.Enter(JobStage.Making, cancel);
        await using var context = library.CreateDbContext();
        Func<StudyMaking, Task>?[] steps =
        [
            task.Summary ? s => s.Summary(turn.LectureId, cancel) : null,
            .. (task.Sheets ?? []).Select<SheetForm, Func<StudyMaking, Task>>(f => s => s.FirstSheets(turn.LectureId, [f], cancel)),
            task.Cards ? s => s.Cards(turn.LectureId, cancel) : null,
            task.Quiz ? s => s.FirstQuiz(turn.LectureId, cancel) : null,
        ];
        var wanted = steps.OfType<Func<StudyMaking, Task>>().ToList();
        var progress = new MakingProgress(turn, time, wanted.Count);
        var study = new StudyMaking(context, progress.Watched(grammar, cancel), words, time);
        foreach (var make in wanted)
        {
            await make(study);
            await progress.Made();
        }

        await turn.Finish((_, _) => Task.CompletedTask, cancel);
    }
}
