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
    private const int MostMinutes = 15, LongestLanguage = 8, LongestQuestion = 1_000;

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
        recordings.MapPost("{id}/pictures", AddPicture).WithName("addRecordingPicture").ExcludeFromDescription().TakesUpTo(PictureFiles.LargestBytes + 1);
        recordings.MapGet("{id}/pictures/{number:int}", GetPicture).WithName("getRecordingPicture").ExcludeFromDescription();
        recordings.MapPost("{id}/corrections", Correct).WithName("correctRecording");
        recordings.MapPost("{id}/questions", Ask).WithName("askRecording");
        recordings.MapGet("{id}/thread", Thread).WithName("getLostThread");
        recordings.MapPost("{id}/end", End).WithName("endRecording");
        recordings.MapDelete("{id}", Drop).WithName("dropRecording");
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
        TypedResults.Ok(await recordings.Text(await Find(id, context, asker, cancel), Math.Max(0, since), cancel));

    private static async Task<Ok<RecordingView>> Mark(string id, NewRecordedMark mark, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        var text = MarkEntries.Text(mark.Kind, mark.Text);
        return TypedResults.Ok(RecordingView.Of(await recordings.Change(
            id, asker.PersonId, row => row.Marks = RecordedMark.Add(row.Marks, new RecordedMark(mark.Kind, RecordedMark.Within(mark.AtMs, Pcm.ToMs(row.Samples)), text)), cancel)));
    }

    /// <summary>Takes a picture in the request's body and puts it at a moment.</summary>
    private static async Task<Ok<RecordingView>> AddPicture(string id, int atMs, HttpRequest request, KostelContext context, RunningRecordings recordings, LibraryFolder library, Asker asker, CancellationToken cancel)
    {
        await Find(id, context, asker, cancel);
        var name = await PictureFiles.Keep(library, id, request.Body, cancel);
        return TypedResults.Ok(RecordingView.Of(await recordings.Change(
            id, asker.PersonId, row => row.Marks = RecordedMark.Add(row.Marks, new RecordedMark(MarkKind.Note, RecordedMark.Within(atMs, Pcm.ToMs(row.Samples)), "", name)), cancel)));
    }

    private static async Task<PhysicalFileHttpResult> GetPicture(string id, int number, KostelContext context, LibraryFolder library, Asker asker, CancellationToken cancel)
    {
        var row = await Find(id, context, asker, cancel);
        var path = row.Marks.ElementAtOrDefault(number)?.Picture is { } name ? PictureFiles.PathOf(library.LectureFolder(id), name) : null;
        return path is not null && File.Exists(path) ? TypedResults.PhysicalFile(path, PictureFiles.TypeOf(path)) : throw PlainProblemException.NotThere("picture");
    }

    /// <summary>Keeps what a person writes in place of what was heard.</summary>
    private static async Task<Ok<RecordingView>> Correct(string id, HeardCorrection correction, RunningRecordings recordings, Asker asker, CancellationToken cancel) =>
        TypedResults.Ok(RecordingView.Of(await recordings.Change(id, asker.PersonId, row => row.Corrections = HeardCorrections.Add(row.Corrections, correction), cancel)));

    /// <summary>Answers from this class so far, and where that does not say it from the earlier lectures of its course.</summary>
    private static async Task<Ok<HeardAnswerView>> Ask(
        string id, HeardQuestion question, KostelContext context, RunningRecordings recordings, Answering answering, WordKnowledgeFiles known, Asker asker, CancellationToken cancel)
    {
        var text = question.Text.Trim();
        if (text.Length is 0 or > LongestQuestion)
        {
            throw new NotValidException(text.Length == 0 ? "Ask something: the question is empty." : "This question is too long.");
        }

        var row = await Find(id, context, asker, cancel);
        var said = await Said(row, recordings, cancel);
        var here = new AnswerFinder([new AskedSource(id, said)], known.Value).Ask(text);
        if (here.State == AnswerState.Said || await context.Courses.AsNoTracking().FirstOrDefaultAsync(c => c.Title == row.Course, cancel) is not { } course)
        {
            return TypedResults.Ok(HeardAnswerView.Of(here, id, new Dictionary<string, string>()));
        }

        var (earlier, _) = await answering.Ask(new Asking(text, null, [], null, Compares: false), new AskedPlace(null, course), asker.PersonId, cancel);
        var titles = await context.Lectures.AsNoTracking().Where(l => l.CourseId == course.Id).ToDictionaryAsync(l => l.Id, l => l.Title, cancel);
        return TypedResults.Ok(HeardAnswerView.Of(earlier.State > here.State ? earlier : here, id, titles));
    }

    private static async Task<IReadOnlyList<Sentence>> Said(RecordingRow row, RunningRecordings recordings, CancellationToken cancel)
    {
        var (words, tentative, _) = await recordings.Words(row.Id, 0, cancel);
        var all = HeardCorrections.In([.. words, .. tentative], row.Corrections);
        return all.Count == 0 ? [] : Sentences.Of(TranscriptBuilder.Build([new Utterance(0, 0, row.Samples, all)], Math.Max(Pcm.ToMs(row.Samples), all[^1].EndMs)).Passages);
    }

    private static async Task<Ok<LostThreadView>> Thread(string id, int minutes, KostelContext context, RunningRecordings recordings, Asker asker, CancellationToken cancel)
    {
        var row = await Find(id, context, asker, cancel);
        var (words, tentative, _) = await recordings.Words(id, 0, cancel);
        return TypedResults.Ok(LostThreadView.Of(LostThread.Of(HeardCorrections.In([.. words, .. tentative], row.Corrections), Pcm.ToMs(row.Samples), Math.Clamp(minutes, 1, MostMinutes))));
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
