using Kostel.Core.Entries;
using Kostel.Core.Marks;
using Kostel.Core.Audio;
using Kostel.Core.Problems;
using Kostel.Core.Recordings;
using Kostel.Core.Speech.Languages;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Record;

/// <summary>Recordings that are being made: begun, sent piece by piece, marked, taken up again, ended.</summary>
internal static class RecordEndpoints
{
    private const int MostMarks = 2_000, MostMinutes = 15, LongestLanguage = 8;

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
        recordings.MapGet("{id}/thread", Thread).WithName("getLostThread");
        recordings.MapPost("{id}/end", End).WithName("endRecording");
        recordings.MapDelete("{id}", Drop).WithName("dropRecording");
    }

    private static async Task<Ok<List<RecordingView>>> List(KostelContext context, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        await recordings.FinishEnded(cancel);
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
        TypedResults.Ok(await recordings.Text(await Find(id, context, asker, cancel), Math.Max(0, since), cancel));

    private static async Task<Ok<RecordingView>> Mark(string id, NewRecordedMark mark, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        var text = MarkEntries.Text(mark.Kind, mark.Text);
        return TypedResults.Ok(RecordingView.Of(await recordings.Change(
            id,
            asker.PersonId,
            row =>
            {
                if (row.Marks.Count >= MostMarks)
                {
                    throw new NotValidException($"A recording has at most {MostMarks} marks.");
                }

                // A piece may be on its way still: a mark may lie a little behind what has arrived.
                var at = Math.Clamp(mark.AtMs, 0, Pcm.ToMs(row.Samples) + 60_000);
                row.Marks = [.. row.Marks, new RecordedMark(mark.Kind, at, text)];
            },
            cancel)));
    }

    private static async Task<Ok<LostThreadView>> Thread(string id, int minutes, KostelContext context, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        var row = await Find(id, context, asker, cancel);
        var (words, tentative, _) = await recordings.Words(id, 0, cancel);
        return TypedResults.Ok(LostThreadView.Of(LostThread.Of([.. words, .. tentative], Pcm.ToMs(row.Samples), Math.Clamp(minutes, 1, MostMinutes))));
    }

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

    private static async Task<RecordingRow> Find(string id, KostelContext context, Asker asker, CancellationToken cancel)
    {
        var me = asker.PersonId;
        return await context.Recordings.AsNoTracking().FirstOrDefaultAsync(r => r.Id == id && r.OwnerId == me && r.State == RecordingState.Open, cancel) ?? throw PlainProblemException.NotThere("recording");
    }
}
