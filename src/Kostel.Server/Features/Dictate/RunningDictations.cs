using System.Collections.Concurrent;
using Kostel.Core.Recordings;
using Kostel.Core.Speech.Dictation;
using Kostel.Core.Speech.Terms;
using Kostel.Data;
using Kostel.Server.Http;
using Kostel.Server.Jobs;
using Kostel.Server.Shared;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Dictate;

/// <summary>What people are dictating. It lives in memory only: no sound and no word is kept.</summary>
internal sealed class RunningDictations(LibraryFolder library, LiveListening listening, ComputingHold hold, TimeProvider time)
{
    private const int Most = 8;

    /// <summary>One that nothing was heard of for so long is over.</summary>
    private static readonly TimeSpan Lasts = TimeSpan.FromMinutes(2);

    private readonly ConcurrentDictionary<string, Dictation> running = new();

    /// <summary>A dictation.</summary>
    internal sealed class Dictation(int person, string language, LiveHearing hearing)
    {
        public int Person => person;

        public string Language => language;

        public LiveHearing Hearing => hearing;

        public int NextPiece { get; set; }

        public long TouchedAt { get; set; }
    }

    /// <summary>Begins one.</summary>
    /// <param name="lectureId">Of whose course the terms are listened for; null for none.</param>
    public async Task<string> Begin(int person, string language, string? lectureId, CancellationToken cancel)
    {
        await EndStale();
        if (running.Count >= Most)
        {
            throw new PlainProblemException(StatusCodes.Status429TooManyRequests, "Dictation goes on in other windows. Stop it there first.");
        }

        await using var context = library.CreateDbContext();
        var courseId = lectureId is null ? null : await context.Lectures.Where(l => l.Id == lectureId).Select(l => l.CourseId).FirstOrDefaultAsync(cancel);
        var hearing = new LiveHearing([], 0, (_, _) => Task.CompletedTask);
        // Commands are listened for as terms are: what sounds like one is one.
        var commands = SpokenCommand.Of(language).SelectMany(c => c.Spoken).Select(s => new CourseTerm(s));
        listening.Begin(hearing, language, [.. commands, .. courseId is { } course ? await context.Terms(course, cancel) : []]);
        var id = LibraryFolder.NewId();
        running[id] = new Dictation(person, language, hearing) { TouchedAt = time.GetTimestamp() };
        return id;
    }

    /// <summary>Takes a piece that is the next one; another changes nothing.</summary>
    public Dictation Take(string id, int person, int number, byte[] piece)
    {
        var samples = RecordedPiece.Samples(piece);
        var dictation = Find(id, person);
        hold.Begin();
        lock (dictation)
        {
            dictation.TouchedAt = time.GetTimestamp();
            if (RecordedPiece.Order(dictation.NextPiece, number) == PieceOrder.Take)
            {
                dictation.NextPiece++;
                dictation.Hearing.Append(samples);
            }
        }

        return dictation;
    }

    /// <summary>Ends it; what was said last stands then too.</summary>
    public async Task<Dictation> End(string id, int person)
    {
        var dictation = Find(id, person);
        running.TryRemove(id, out _);
        await dictation.Hearing.End();
        hold.End();
        return dictation;
    }

    private async Task EndStale()
    {
        foreach (var (id, dictation) in running.Where(d => time.GetElapsedTime(d.Value.TouchedAt) > Lasts))
        {
            running.TryRemove(id, out _);
            await dictation.Hearing.End();
        }
    }

    private Dictation Find(string id, int person) =>
        running.GetValueOrDefault(id) is { } found && found.Person == person ? found : throw new PlainProblemException(StatusCodes.Status404NotFound, "This dictation is over. Begin it again.");
}
