using Kostel.Core.Answers;
using Kostel.Core.Audio;
using Kostel.Core.Entries;
using Kostel.Core.Marks;
using Kostel.Core.Problems;
using Kostel.Core.Recordings;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
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

/// <summary>Recordings that are being made: begun, sent piece by piece, marked, taken up again, ended.</summary>
internal static class RecordEndpoints
{
    private const int LongestLanguage = 8;

    public static void MapRecordings(this IEndpointRouteBuilder app)
    {
        var recordings = app.MapGroup("/api/recordings");
        recordings.MapGet("", List).WithName("getRecordings");
        recordings.MapGet("guess", Guess).WithName("guessCourse");
        recordings.MapPost("", Begin).WithName("beginRecording");
        recordings.MapPost("{id}/turn", TakeUp).WithName("takeUpRecording");
        recordings.MapPost("{id}/pieces/{number:int}", TakePiece).WithName("sendPiece").ExcludeFromDescription().TakesUpTo(RecordedPiece.MostBytes + 1);
        recordings.MapGet("{id}/text", GetText).WithName("getRecordingText");
        recordings.MapPost("{id}/marks", Mark).WithName("markRecording");
        recordings.MapPost("{id}/corrections", Correct).WithName("correctRecording");
        recordings.MapPost("{id}/end", End).WithName("endRecording");
        recordings.MapDelete("{id}", Drop).WithName("dropRecording");
        app.MapRecordedPictures();
        app.MapSoFarHeard();
    }

    private static async Task<Ok<List<RecordingView>>> List(KostelContext context, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        var rows = await context.Recordings.AsNoTracking().Where(r => r.OwnerId == me && r.State == RecordingState.Open).OrderByDescending(r => r.StartedAt).ToListAsync(cancel);
        return TypedResults.Ok(rows.ConvertAll(RecordingView.Of));
    }

    private static async Task<Ok<CourseGuess>> Guess(KostelContext context, TimeProvider time, CancellationToken cancel)
    {
        var held = await context.Lectures.AsNoTracking().Where(l => l.DeletedAt == null && l.CourseId != null && l.HeldOn != null)
            .Select(l => new { l.Course!.Title, l.HeldOn, l.AddedAt }).ToListAsync(cancel);
        return TypedResults.Ok(CourseGuess.Of(held.Select(h => new EarlierLecture(h.Title, h.HeldOn!.Value, TimeZoneInfo.ConvertTimeFromUtc(h.AddedAt, time.LocalTimeZone))), time.GetLocalNow().DateTime));
    }

    private static async Task<Ok<RecordingView>> Begin(NewRecording wanted, RunningRecordings recordings, Asker asker, TimeProvider time, CancellationToken cancel)
    {
        if (!wanted.Agreed)
        {
            throw new NotValidException("Confirm first that those who are recorded agree.");
        }

        if (wanted.Language is { Length: > LongestLanguage })
        {
            throw new NotValidException("Kostel does not know this language.");
        }

        var course = EntryRules.Course.Read(wanted.Course ?? "");
        var now = time.GetUtcNow().UtcDateTime;
        var row = new RecordingRow
        {
            Id = LibraryFolder.NewId(),
            OwnerId = asker.PersonId,
            Title = EntryRules.Title.Read(wanted.Title),
            Course = course.Length == 0 ? null : course,
            Language = wanted.Language,
            KeepsSound = wanted.KeepsSound,
            HeldOn = wanted.HeldOn,
            StartedAt = now,
            TouchedAt = now,
            Turn = LibraryFolder.NewId(),
        };
        return TypedResults.Ok(RecordingView.Of(await recordings.Begin(row, cancel)));
    }

    /// <summary>Goes on with it in this window; another one that was sending is told.</summary>
    private static async Task<Ok<RecordingView>> TakeUp(string id, RunningRecordings recordings, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(RecordingView.Of(await recordings.Change(id, asker.PersonId, r => r.Turn = LibraryFolder.NewId(), cancel)));

    private static async Task<Ok<RecordingText>> TakePiece(string id, int number, string turn, int since, HttpRequest request, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        using var piece = new MemoryStream();
        await request.Body.CopyToAsync(piece, cancel);
        var row = await recordings.Take(id, turn, number, piece.ToArray(), asker.PersonId, cancel);
        return TypedResults.Ok(await recordings.Text(row, Math.Max(0, since), cancel));
    }

    private static async Task<Ok<RecordingText>> GetText(string id, int since, KostelContext context, RunningRecordings recordings, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(await recordings.Text(await context.FindRecording(id, asker, cancel), Math.Max(0, since), cancel));

    private static async Task<Ok<RecordingView>> Mark(string id, NewRecordedMark mark, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        var text = MarkEntries.Text(mark.Kind, mark.Text);
        return TypedResults.Ok(RecordingView.Of(await recordings.Change(
            id, asker.PersonId, row => row.Marks = RecordedMark.Add(row.Marks, new RecordedMark(mark.Kind, RecordedMark.Within(mark.AtMs, Pcm.ToMs(row.Samples)), text)), cancel)));
    }

    /// <summary>Takes a picture in the request's body and puts it at a moment.</summary>
    /// <summary>Keeps what a person writes in place of what was heard.</summary>
    private static async Task<Ok<RecordingView>> Correct(string id, HeardCorrection correction, RunningRecordings recordings, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(RecordingView.Of(await recordings.Change(id, asker.PersonId, row => row.Corrections = HeardCorrections.Add(row.Corrections, correction), cancel)));

    /// <summary>Answers from this class so far, and where that does not say it from the earlier lectures of its course.</summary>
    private static async Task<Ok<RecordedLecture>> End(string id, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        await recordings.End(id, asker.PersonId, cancel);
        return TypedResults.Ok(new RecordedLecture(id));
    }

    private static async Task<NoContent> Drop(string id, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        await recordings.Drop(id, asker.PersonId, cancel);
        return TypedResults.NoContent();
    }
}
