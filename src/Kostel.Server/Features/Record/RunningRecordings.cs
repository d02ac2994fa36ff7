using System.Collections.Concurrent;
using Kostel.Core.Audio;
using Kostel.Core.Audio.Dereverberation;
using Kostel.Core.Problems;
using Kostel.Core.Recordings;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Kostel.Speech.Service;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Record;

/// <summary>
/// Takes recordings in piece by piece, and hears what is said in them. The file is written first, then the row: after a kill at any moment the row says what is there,
/// and what lies behind that in the file is written over.
/// </summary>
internal sealed class RunningRecordings(
    LibraryFolder library, EndedRecordings ended, LiveListening listening, ComputingHold hold, JobQueue queue, TimeProvider time)
{
    private readonly ConcurrentDictionary<string, Running> running = new();

    /// <summary>A recording of this run of the program.</summary>
    private sealed class Running
    {
        public SemaphoreSlim Gate { get; } = new(1);

        public LiveHearing? Hearing { get; set; }

        public EchoWatch Echo { get; } = new();
    }

    /// <summary>Begins one.</summary>
    public async Task<RecordingRow> Begin(RecordingRow row, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        context.Recordings.Add(row);
        await context.SaveChangesAsync(cancel);
        return row;
    }

    /// <summary>Takes a piece that is the next one; one that is there already, or that comes too early, changes nothing.</summary>
    /// <param name="turn">Who sends it.</param>
    /// <exception cref="PlainProblemException">The recording was ended, or goes on in another window; or there is no room.</exception>
    public async Task<RecordingRow> Take(string id, string turn, int number, byte[] piece, int person, CancellationToken cancel)
    {
        var samples = RecordedPiece.Samples(piece);
        hold.Begin();
        using var mine = await Gate(id, cancel);
        await using var context = library.CreateDbContext();
        var row = await Find(context, id, person, cancel);
        if (row.Turn != turn)
        {
            throw new PlainProblemException(StatusCodes.Status409Conflict, "This recording goes on in another window.");
        }

        if (RecordedPiece.Order(row.NextPiece, number) != PieceOrder.Take)
        {
            return row;
        }

        if (!RecordedPiece.Fits(row.Samples, samples.Length))
        {
            throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, $"A recording has at most {RecordedPiece.MostHours} hours. Finish it and begin another one; all of it is kept.");
        }

        var hearing = await Hearing(row, context, cancel);
        if (row.KeepsSound)
        {
            await Write(row, piece, cancel);
        }

        (row.NextPiece, row.Samples, row.TouchedAt) = (row.NextPiece + 1, row.Samples + samples.Length, Now);
        await context.SaveChangesAsync(CancellationToken.None);
        hearing.Append(samples);
        if (running[id].Echo.Append(samples) is { } measure)
        {
            _ = Task.Run(measure, CancellationToken.None);
        }

        return row;
    }

    /// <summary>How it stands.</summary>
    /// <param name="since">The number of the first word that is wanted.</param>
    public async Task<RecordingText> Text(RecordingRow row, int since, CancellationToken cancel)
    {
        var (words, tentative, problem) = await Words(row.Id, since, cancel);
        return new RecordingText(row.NextPiece, Pcm.ToMs(row.Samples), words, tentative, problem, running.GetValueOrDefault(row.Id)?.Echo.Echoes == true);
    }

    /// <summary>Its words from a number on.</summary>
    public async Task<(IReadOnlyList<Word> Standing, IReadOnlyList<Word> Tentative, string? Problem)> Words(string id, int since, CancellationToken cancel)
    {
        if (running.GetValueOrDefault(id)?.Hearing is { } hearing)
        {
            var (standing, tentative) = hearing.Since(since);
            return (standing, tentative, hearing.Problem);
        }

        await using var context = library.CreateDbContext();
        return ((await Stored(context, id, cancel)).Skip(since).ToList(), [], null);
    }

    /// <summary>Ends it and makes it a lecture, with its marks at their seconds.</summary>
    /// <exception cref="PlainProblemException">Nothing was recorded.</exception>
    public async Task End(string id, int person, CancellationToken cancel)
    {
        using (await Gate(id, cancel))
        {
            await using var context = library.CreateDbContext();
            var row = await Find(context, id, person, cancel);
            if (running.GetValueOrDefault(id) is { Hearing: { } hearing } own)
            {
                await hearing.End();

                // Where it is gone on with after all, what comes then is heard anew.
                own.Hearing = null;
            }

            if (row.Samples == 0)
            {
                throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "Nothing was recorded yet. Go on, or throw it away.");
            }

            if (row.KeepsSound && File.Exists(library.Upload(id)))
            {
                await ended.KeepSound(context, row);
            }
            else
            {
                await ended.MakeOfText(context, row, await Stored(context, row.Id, cancel), cancel);
            }
        }

        await ended.FinishAll(CancellationToken.None);
        running.TryRemove(id, out _);
        hold.End();
        queue.Wake();
    }

    /// <summary>Throws it away with all that was kept of it.</summary>
    public async Task Drop(string id, int person, CancellationToken cancel)
    {
        using var mine = await Gate(id, cancel);
        await using var context = library.CreateDbContext();
        var row = await Find(context, id, person, cancel);
        if (running.GetValueOrDefault(id)?.Hearing is { } hearing)
        {
            await hearing.End();
        }

        File.Delete(library.Upload(id));
        if (Directory.Exists(library.LectureFolder(id)))
        {
            // Pictures that were taken while it ran.
            Directory.Delete(library.LectureFolder(id), recursive: true);
        }

        context.Recordings.Remove(row);
        await context.SaveChangesAsync(cancel);
        running.TryRemove(id, out _);
        hold.End();
    }

    /// <summary>Changes what is known of it, one after the other.</summary>
    public async Task<RecordingRow> Change(string id, int person, Action<RecordingRow> change, CancellationToken cancel)
    {
        using var mine = await Gate(id, cancel);
        await using var context = library.CreateDbContext();
        var row = await Find(context, id, person, cancel);
        change(row);
        await context.SaveChangesAsync(cancel);
        return row;
    }

    private static async Task<RecordingRow> Find(KostelContext context, string id, int person, CancellationToken cancel) =>
        await context.Recordings.FirstOrDefaultAsync(r => r.Id == id && r.OwnerId == person && r.State == RecordingState.Open, cancel) ?? throw PlainProblemException.NotThere("recording");

    private static async Task<IReadOnlyList<Word>> Stored(KostelContext context, string id, CancellationToken cancel) =>
        (await context.RecordedWords.AsNoTracking().Where(w => w.RecordingId == id).OrderBy(w => w.Number).ToListAsync(cancel)).SelectMany(w => w.Words).ToList();

    private Task<IDisposable> Gate(string id, CancellationToken cancel) => running.GetOrAdd(id, _ => new Running()).Gate.Turn(cancel);

    private async Task<LiveHearing> Hearing(RecordingRow row, KostelContext context, CancellationToken cancel)
    {
        var own = running[row.Id];
        if (own.Hearing is { } there)
        {
            return there;
        }

        var course = await context.Courses.AsNoTracking().FirstOrDefaultAsync(c => c.Title == row.Course, cancel);
        var terms = course is null ? [] : await context.Terms(course.Id, cancel);
        var hearing = new LiveHearing(await Stored(context, row.Id, cancel), row.Samples, (number, words) => Keep(row.Id, number, words));
        listening.Begin(hearing, row.Language, terms);
        return own.Hearing = hearing;
    }

    private async Task Keep(string id, int number, IReadOnlyList<Word> words)
    {
        await using var context = library.CreateDbContext();
        if (await context.Recordings.AnyAsync(r => r.Id == id))
        {
            context.RecordedWords.Add(new RecordedWordsRow { RecordingId = id, Number = number, Words = words });
            await context.SaveChangesAsync();
        }
    }

    private async Task Write(RecordingRow row, byte[] piece, CancellationToken cancel)
    {
        await using var file = new FileStream(library.Upload(row.Id), FileMode.OpenOrCreate, FileAccess.Write, FileShare.Read, 1, FileOptions.Asynchronous);
        var at = WaveFile.HeaderBytes + (row.Samples * sizeof(short));
        file.SetLength(at);
        file.Position = at;
        try
        {
            await file.WriteAsync(piece, cancel);
            file.Flush(flushToDisk: true);
        }
        catch (IOException)
        {
            throw new PlainProblemException(StatusCodes.Status507InsufficientStorage, "The disk is full. What was recorded so far is kept. Free some space, and it goes on.");
        }
    }

    private DateTime Now => time.GetUtcNow().UtcDateTime;
}
