using Kostel.Core.Speech;
using Kostel.Core.Speech.Speakers;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Lectures;

/// <summary>What a speaker is called from now on.</summary>
public sealed record SpeakerName(string Name);

/// <summary>How many people speak; null to find out.</summary>
public sealed record VoiceCount(int? Voices);

/// <summary>Who speaks in a lecture: naming them, and telling them apart anew.</summary>
internal static class SpeakerEndpoints
{
    private const int LongestName = 80;

    public static void MapSpeakers(this IEndpointRouteBuilder app)
    {
        var lecture = app.MapGroup("/api/lectures/{id}");
        lecture.MapPut("speakers/{key}", Name).WithName("nameSpeaker");
        lecture.MapPost("voices", FindAnew).WithName("findVoicesAnew");
    }

    private static async Task<NoContent> Name(string id, string key, SpeakerName wanted, KostelContext context, CancellationToken cancel)
    {
        await LectureEndpoints.Find(context, id, cancel);
        var name = string.Join(' ', wanted.Name.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
        if (name.Length is 0 or > LongestName || name.Any(char.IsControl))
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, $"A name has 1 to {LongestName} characters.");
        }

        if (await context.Speakers.AnyAsync(s => s.LectureId == id && s.Key != key && s.Name == name, cancel))
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, $"Another speaker of this lecture is called {name} already.");
        }

        var changed = await context.Speakers.Where(s => s.LectureId == id && s.Key == key).ExecuteUpdateAsync(s => s.SetProperty(r => r.Name, name), cancel);
        return changed == 0 ? throw PlainProblemException.NotThere("speaker") : TypedResults.NoContent();
    }

    /// <summary>The words stay as they are; only who says them is found out once more, which takes seconds.</summary>
    private static async Task<NoContent> FindAnew(
        string id, VoiceCount wanted, KostelContext context, JobQueue queue, ProgressBoard board, CancellationToken cancel)
    {
        var lecture = await LectureEndpoints.Find(context, id, cancel);
        await TranscriptEndpoints.RefuseWhileAtWork(context, id, cancel);
        var choice = new TranscriptionChoice(lecture.MadeWith, lecture.Language, Voices: wanted.Voices);
        if (!choice.IsSound || lecture.MadeAt is null)
        {
            throw new PlainProblemException(StatusCodes.Status400BadRequest, lecture.MadeAt is null
                ? "There is no transcript yet."
                : $"There can be 1 to {Diarisation.MostVoices} voices.");
        }

        queue.Enqueue(context, id, choice, onlyVoices: true);
        await context.SaveChangesAsync(cancel);
        await board.Report(new Progress(id, JobStage.Checking, JobState.Waiting, 0, null, 0, null));
        queue.Wake();
        return TypedResults.NoContent();
    }
}
