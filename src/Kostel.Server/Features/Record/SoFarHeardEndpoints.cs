using Kostel.Core.Answers;
using Kostel.Core.Audio;
using Kostel.Core.Problems;
using Kostel.Core.Recordings;
using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Ask;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Kostel.Speech;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Record;

/// <summary>What of a recording was heard so far: asked, and its last minutes in short.</summary>
internal static class SoFarHeardEndpoints
{
    private const int MostMinutes = 15, LongestQuestion = 1_000;

    public static void MapSoFarHeard(this IEndpointRouteBuilder app)
    {
        app.MapPost("/api/recordings/{id}/questions", Ask).WithName("askRecording");
        app.MapGet("/api/recordings/{id}/thread", Thread).WithName("getLostThread");
    }

    private static async Task<Ok<HeardAnswerView>> Ask(
        string id, HeardQuestion question, KostelContext context, RunningRecordings recordings, Answering answering, WordKnowledgeFiles known, Asker asker, CancellationToken cancel)
    {
        var text = question.Text.Trim();
        if (text.Length is 0 or > LongestQuestion)
        {
            throw new NotValidException(text.Length == 0 ? "Ask something: the question is empty." : "This question is too long.");
        }

        var row = await context.FindRecording(id, asker, cancel);
        var said = await Said(row, recordings, cancel);
        var here = new AnswerFinder([new AskedSource(id, said)], known.Value).Ask(text);
        if (here.State == AnswerState.Said || await context.Courses.AsNoTracking().FirstOrDefaultAsync(c => c.Title == row.Course, cancel) is not { } course)
        {
            return TypedResults.Ok(HeardAnswerView.Of(here, id, new Dictionary<string, string>()));
        }

        var (earlier, _) = await answering.Ask(new Asking(text, null, [], null, Compares: false), new AskedPlace(null, course), asker.PersonId, cancel);
        var titles = await context.Lectures.AsNoTracking().Where(l => l.CourseId == course.Id).ToDictionaryAsync(l => l.Id, l => l.Title, cancel);
        return TypedResults.Ok(HeardAnswerView.Of(here.OrSurer(earlier), id, titles));
    }

    private static async Task<IReadOnlyList<Sentence>> Said(RecordingRow row, RunningRecordings recordings, CancellationToken cancel)
    {
        var (words, tentative, _) = await recordings.Words(row.Id, 0, cancel);
        var all = HeardCorrections.In([.. words, .. tentative], row.Corrections);
        return all.Count == 0 ? [] : Sentences.Of(TranscriptBuilder.Build([new Utterance(0, 0, row.Samples, all)], Math.Max(Pcm.ToMs(row.Samples), all[^1].EndMs)).Passages);
    }

    private static async Task<Ok<LostThreadView>> Thread(string id, int minutes, KostelContext context, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        var row = await context.FindRecording(id, asker, cancel);
        var (words, tentative, _) = await recordings.Words(id, 0, cancel);
        return TypedResults.Ok(LostThreadView.Of(LostThread.Of(HeardCorrections.In([.. words, .. tentative], row.Corrections), Pcm.ToMs(row.Samples), Math.Clamp(minutes, 1, MostMinutes))));
    }
}
