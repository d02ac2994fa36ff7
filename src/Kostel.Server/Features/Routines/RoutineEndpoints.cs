using Kostel.Core.Study.Routines;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Transcription;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Routines;

/// <summary>What came of running a routine over lectures that are there.</summary>
/// <param name="Lectures">How many it is run over.</param>
/// <param name="Transcribed">Of these, how many had no transcript and get one first.</param>
public sealed record RoutineRun(int Lectures, int Transcribed);

/// <summary>What is made by itself when a lecture arrives in a course.</summary>
internal static class RoutineEndpoints
{
    public static void MapRoutines(this IEndpointRouteBuilder app)
    {
        var routine = app.MapGroup("/api/courses/{course}/routine");
        routine.MapGet("", Get).WithName("getRoutine");
        routine.MapPut("", Change).WithName("changeRoutine");
        routine.MapPost("run", Run).WithName("runRoutine");
    }

    private static async Task<Ok<Routine>> Get(string course, KostelContext context, CancellationToken cancel) =>
        TypedResults.Ok((await context.FindCourse(course, cancel)).Routine ?? Routine.OnlyTranscript);

    private static async Task<Ok<Routine>> Change(string course, Routine routine, KostelContext context, CancellationToken cancel)
    {
        var row = await context.FindCourse(course, cancel);
        row.Routine = routine with { Choice = routine.Choice.Required() };
        await context.SaveChangesAsync(cancel);
        return TypedResults.Ok(row.Routine);
    }

    /// <summary>Runs the routine over the lectures that are in the course already. Those that are worked on are left to that.</summary>
    private static async Task<Ok<RoutineRun>> Run(string course, KostelContext context, LectureArrival arrival, JobQueue queue, TimeProvider time, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var row = await context.FindCourse(course, cancel);
        var routine = row.Routine ?? Routine.OnlyTranscript;
        var busy = (await context.Jobs.Open().Where(j => j.LectureId != null).Select(j => j.LectureId!).ToListAsync(cancel)).ToHashSet();
        var lectures = (await context.Lectures.Include(l => l.Course).Where(l => l.CourseId == row.Id && l.DeletedAt == null).OrderBy(l => l.HeldOn).ToListAsync(cancel)).Where(l => !busy.Contains(l.Id)).ToList();
        var (run, transcribed) = (0, 0);
        foreach (var lecture in lectures)
        {
            int? after = null;
            if (lecture.MadeAt is null && lecture.HasSound && lecture.ContentHash is not null)
            {
                var job = queue.Enqueue(context, TranscriptionWork.Transcription, lecture.Id, new TranscriptionTask(routine.Choice));
                await context.SaveChangesAsync(cancel);
                (after, transcribed) = (job.Id, transcribed + 1);
            }

            run += await arrival.EnqueueRest(context, lecture, routine, after, cancel) || after is not null ? 1 : 0;
        }

        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        queue.Wake();
        return TypedResults.Ok(new RoutineRun(run, transcribed));
    }
}
