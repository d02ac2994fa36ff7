using System.Diagnostics;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Numbers;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Speech;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>Transcribes one lecture in stages, committing every piece, and goes on where an earlier run stopped.</summary>
public sealed class LectureTranscriber(LibraryFolder library, ModelFolder models, ProgressBoard board, TimeProvider time) : IDisposable
{
    private readonly Lazy<SpeechEngine> engine = new(() => SpeechEngine.Load(models));

    /// <summary>Does all that is left to do.</summary>
    public async Task Run(int jobId, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var job = await context.Jobs.SingleAsync(j => j.Id == jobId, cancel);
        var lecture = await context.Lectures.SingleAsync(l => l.Id == job.LectureId, cancel);
        await Enter(context, job, JobStage.Checking, cancel);
        var facts = await Recording.Probe(library.Original(lecture.Id), cancel);
        (lecture.DurationMs, lecture.HasPicture, lecture.Notice) = (facts.DurationMs, facts.HasPicture, null);

        await Enter(context, job, JobStage.Listening, cancel);
        var sound = await Listen(lecture, job, facts, cancel);
        await WriteWhole(library.Peaks(lecture.Id), sound.Peaks.ToArray(), cancel);

        await Enter(context, job, JobStage.Arranging, cancel);
        var utterances = await context.Utterances(lecture.Id, cancel);
        var heardMs = Pcm.ToMs(sound.Clipping.Samples);
        var voices = Diarisation.Of(TranscriptBuilder.Words(utterances), sound.Voices);
        var transcript = TranscriptBuilder.Build(utterances, heardMs, lecture.Language, voices);
        lecture.Notice = RecordingNotice.For(transcript.Passages.SelectMany(p => p.Words).ToList(), facts.DurationMs, heardMs, sound.Clipping.Share);
        lecture.DurationMs = heardMs;
        (job.State, job.Problem, job.EndedAt) = (JobState.Done, null, time.GetUtcNow().UtcDateTime);
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        await context.KeepTranscript(lecture, cancel);
        (lecture.MadeWith, lecture.MadeAt) = (job.Accuracy, job.EndedAt);
        await context.ReplaceTranscript(lecture.Id, transcript, cancel);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        await board.Report(new Progress(lecture.Id, job.Stage, JobState.Done, 1, 0, utterances.Sum(u => u.Words.Count), null));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        if (engine.IsValueCreated)
        {
            engine.Value.Dispose();
        }
    }

    private async Task Enter(KostelContext context, JobRow job, JobStage stage, CancellationToken cancel)
    {
        (job.Stage, job.State) = (stage, JobState.Running);
        await context.SaveChangesAsync(cancel);
        await board.Report(new Progress(job.LectureId, stage, JobState.Running, 0, null, 0, null));
    }

    private async Task<SoundMeters> Listen(LectureRow lecture, JobRow job, RecordingFacts facts, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var done = await context.Utterances(lecture.Id, cancel);
        var resumeAt = done.Count == 0 ? 0 : done[^1].EndSample;
        var words = done.Sum(u => u.Words.Count);
        var total = Math.Max(1, Pcm.ToSample(facts.DurationMs));
        var meters = new SoundMeters();
        var sound = meters.Noting(Recording.Decode(library.Original(lecture.Id), cancel), cancel);
        var watch = Stopwatch.StartNew();
        using var voice = engine.Value.ListenForVoice();
        var pipeline = new TranscriptionPipeline(engine.Value.Recogniser(lecture.Language, job.Accuracy, await context.Terms(lecture, cancel)), new SegmenterOptions(), Math.Max(1, Environment.ProcessorCount), WrittenNumbers.Of);
        await foreach (var utterance in pipeline.Run(sound, voice, resumeAt, done.Count, heard => _ = Report(heard), cancel))
        {
            await context.AddUtterance(lecture.Id, utterance, cancel);
            context.ChangeTracker.Clear();
            words += utterance.Words.Count;
            await Report(utterance.EndSample);
        }

        return meters;

        Task Report(long heard)
        {
            var worked = heard - resumeAt;
            var left = total - heard;
            const int EnoughSeconds = 3;
            var secondsLeft = watch.Elapsed.TotalSeconds > EnoughSeconds && worked > 0 && left > 0
                ? (int?)Math.Ceiling(watch.Elapsed.TotalSeconds / worked * left)
                : null;
            return board.Report(new Progress(
                lecture.Id, JobStage.Listening, JobState.Running, Math.Clamp(heard / (double)total, 0, 1), secondsLeft, words, null));
        }
    }

    /// <summary>A file is there whole or not at all.</summary>
    private static async Task WriteWhole(string path, byte[] bytes, CancellationToken cancel)
    {
        await File.WriteAllBytesAsync(path + ".new", bytes, cancel);
        File.Move(path + ".new", path, overwrite: true);
    }
}
