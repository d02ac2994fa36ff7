using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Server.Features.Uploads;
using Kostel.Server.Http;
using Kostel.Server.Shared;
using Kostel.Speech.Service;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Features.Record;

/// <summary>Makes lectures of recordings that were ended, with their marks at their seconds. What a kill interrupts is gone on with at the next start.</summary>
internal sealed class EndedRecordings(LibraryFolder library, UploadFiles files, LectureArrival arrival, ChapterFinder chapters, TimeProvider time) : IDisposable
{
    /// <summary>The start and a person who ends one may meet on the same row.</summary>
    private readonly SemaphoreSlim oneAtATime = new(1);

    /// <inheritdoc/>
    public void Dispose() => oneAtATime.Dispose();

    /// <summary>The sound of a recording becomes a file that has arrived; <see cref="FinishAll"/> makes it a lecture.</summary>
    public async Task KeepSound(KostelContext context, RecordingRow row)
    {
        WriteHeader(row);
        context.Uploads.Add(AsUpload(row));
        row.State = RecordingState.Ended;
        await context.SaveChangesAsync(CancellationToken.None);
    }

    /// <summary>Makes a lecture of the words alone.</summary>
    /// <exception cref="PlainProblemException">There is none.</exception>
    public async Task MakeOfText(KostelContext context, RecordingRow row, IReadOnlyList<Word> words, CancellationToken cancel)
    {
        if (words.Count == 0)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, "No word was understood, and the sound is not kept. Go on, or throw it away.");
        }

        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var lecture = new LectureRow
        {
            Id = row.Id,
            Title = row.Title,
            HeldOn = row.HeldOn,
            Course = await context.Course(row.Course, cancel),
            SourceName = "",
            Language = row.Language ?? SpokenLanguages.English,
            AddedAt = Now,
            HasSound = false,
        };
        context.Lectures.Add(lecture);
        await context.SaveChangesAsync(cancel);
        var made = TranscriptBuilder.Build([new Utterance(0, 0, row.Samples, HeardCorrections.In(words, row.Corrections))], Pcm.ToMs(row.Samples), lecture.Language, chapters: chapters);
        await context.InstallTranscript(lecture, new InstalledTranscript(made, "Written down while it was spoken; the sound was not kept.", new Provenance(Accuracy.Fast, null, Now)), cancel);
        AddMarks(context, row);
        context.Recordings.Remove(row);
        await arrival.EnqueueRest(context, lecture, lecture.Course?.Routine, after: null, cancel);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
    }

    /// <summary>Goes on with what was ended and is no lecture yet, because the program stopped.</summary>
    public async Task FinishAll(CancellationToken cancel)
    {
        using var alone = await oneAtATime.Turn(cancel);
        await using var context = library.CreateDbContext();
        foreach (var row in await context.Recordings.Where(r => r.State == RecordingState.Ended).ToListAsync(cancel))
        {
            if (await context.Uploads.AsNoTracking().FirstOrDefaultAsync(u => u.Id == row.Id, cancel) is { } upload)
            {
                await files.Finish(upload, cancel, evenIfSame: true);
            }

            IReadOnlyList<HeardCorrection>? corrections = row.Corrections.Count > 0 ? row.Corrections : null;
            if (await context.Lectures.Where(l => l.Id == row.Id).ExecuteUpdateAsync(s => s.SetProperty(l => l.HeardCorrections, corrections), cancel) > 0)
            {
                AddMarks(context, row);
                context.Recordings.Remove(row);
                await context.SaveChangesAsync(cancel);
            }
        }
    }

    private void WriteHeader(RecordingRow row)
    {
        var data = row.Samples * sizeof(short);
        using var file = new FileStream(library.Upload(row.Id), FileMode.Open, FileAccess.Write);
        file.SetLength(WaveFile.HeaderBytes + data);
        file.Write(WaveFile.Header(data));
        file.Flush(flushToDisk: true);
    }

    private UploadRow AsUpload(RecordingRow row) => new()
    {
        Id = row.Id,
        FileName = "recording.wav",
        Length = WaveFile.HeaderBytes + (row.Samples * sizeof(short)),
        Title = row.Title,
        HeldOn = row.HeldOn,
        Course = row.Course,
        Choice = new TranscriptionChoice(Accuracy.Accurate, row.Language),
        CreatedAt = row.StartedAt,
        TouchedAt = Now,
    };

    private void AddMarks(KostelContext context, RecordingRow row) => context.Marks.AddRange(row.Marks.Select(m => new MarkRow
    {
        LectureId = row.Id,
        OwnerId = row.OwnerId,
        Kind = m.Kind,
        StartMs = m.AtMs,
        EndMs = m.AtMs,
        Quote = "",
        Text = m.Text,
        Picture = m.Picture,
        MadeAt = Now,
    }));

    private DateTime Now => time.GetUtcNow().UtcDateTime;
}
