using Kostel.Core.Speech;
using Kostel.Core.Speech.Speakers;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Jobs.Transcription;
using Kostel.Server.Shared;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Kostel.Server.Features.Lectures;

/// <summary>How many people speak; null to find out.</summary>
public sealed record VoiceCount(int? Voices);

/// <summary>Who speaks in a lecture: telling them apart anew. They are named by an edit.</summary>
internal static class SpeakerEndpoints
{
    public static void MapSpeakers(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/lectures/{id}/voices", FindAnew).WithName("findVoicesAnew");
    }

    /// <summary>The words stay as they are; only who says them is found out once more, which takes seconds.</summary>
    private static async Task<NoContent> FindAnew(
        string id, VoiceCount wanted, KostelContext context, JobQueue queue, ProgressBoard board, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = await context.FindLectureAtRest(id, cancel);
        if (lecture.MadeAt is null)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, "There is no transcript yet.");
        }

        var choice = new TranscriptionChoice(lecture.MadeWith, lecture.Language, Voices: wanted.Voices).Required();
        queue.Enqueue(context, VoicesWork.Voices, id, new VoicesTask(choice.Voices));
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        await board.Report(new Progress(id, JobStage.Checking, JobState.Waiting, 0, null, 0, null));
        queue.Wake();
        return TypedResults.NoContent();
    }
}
