using System.Diagnostics;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Features.Languages;
using Kostel.Speech;
using Kostel.Speech.Service;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs;

/// <summary>Transcribes one lecture in stages, committing every piece, and goes on where an earlier run stopped.</summary>
public sealed class LectureTranscriber(LibraryFolder library, ModelFolder models, ProgressBoard board, ServiceStore services, TimeProvider time) : IDisposable
{
    private readonly Lazy<SpeechEngine> engine = new(() => SpeechEngine.Load(models));

    /// <summary>Does all that is left to do.</summary>
    public async Task Run(int jobId, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var job = await context.Jobs.AsNoTracking().SingleAsync(j => j.Id == jobId, cancel);
        var lecture = await context.Lectures.AsNoTracking().SingleAsync(l => l.Id == job.LectureId, cancel);
        await Enter(context, job, JobStage.Checking, cancel);
        var facts = await Recording.Probe(library.Original(lecture.Id), cancel);
        if (job.OnlyVoices)
        {
            await FindVoicesAnew(context, job, lecture, cancel);
        }
        else
        {
            await Transcribe(context, job, lecture, facts, cancel);
        }

        await board.Report(new Progress(lecture.Id, job.Stage, JobState.Done, 1, 0, 0, null));
    }

    private async Task Transcribe(KostelContext context, JobRow job, LectureRow lecture, RecordingFacts facts, CancellationToken cancel)
    {
        if (lecture.MadeAt is null)
        {
            // Known from here on, however this attempt ends. Where there is a transcript its own length stands until another is there.
            await context.Lectures.Where(l => l.Id == lecture.Id && l.MadeAt == null).ExecuteUpdateAsync(
                s => s.SetProperty(l => l.DurationMs, facts.DurationMs).SetProperty(l => l.HasPicture, facts.HasPicture), cancel);
        }

        using var service = job.ByService ? await OpenService(context, cancel) : null;
        var (language, isGuessed, guess) = await FindLanguage(context, job, lecture, cancel);
        var mismatch = guess is null ? null : LanguageNotice.For(language, guess);
        if (lecture.MadeAt is null)
        {
            // Said while it is being written already. An attempt at another transcript changes nothing until that is there.
            await context.Lectures.Where(l => l.Id == lecture.Id && l.MadeAt == null).ExecuteUpdateAsync(
                s => s.SetProperty(l => l.Language, language).SetProperty(l => l.LanguageIsGuessed, isGuessed).SetProperty(l => l.Notice, mismatch), cancel);
        }

        await Enter(context, job, JobStage.Listening, cancel);
        IRecogniser recogniser = service is null
            ? engine.Value.Recogniser(language, job.Accuracy, await context.Terms(lecture, cancel))
            : new ServiceRecogniser(service.Client, language);
        var sound = await Listen(lecture, recogniser, language, facts, cancel);
        await WriteWhole(library.Peaks(lecture.Id), sound.Peaks.ToArray(), cancel);

        await Enter(context, job, JobStage.Arranging, cancel);
        var utterances = await context.Utterances(lecture.Id, cancel);
        var heardMs = Pcm.ToMs(sound.Clipping.Samples);
        var words = TranscriptBuilder.Words(utterances);
        var transcript = TranscriptBuilder.Build(utterances, heardMs, language, Diarisation.Of(words, sound.Voices, job.Voices));
        if (language == SpokenLanguages.English)
        {
            transcript = new Respell(await SpellingSetting.Read(context, cancel)).Apply(transcript);
        }

        var notice = mismatch
            ?? RecordingNotice.For(words, language, facts.DurationMs, heardMs, sound.Clipping.Share)
            ?? (guess is null ? null : LanguageNotice.ForNone(guess));
        await Store(context, job, async (now, row) =>
        {
            await context.KeepTranscript(row, cancel);
            (row.MadeWith, row.MadeBy, row.MadeAt) = (job.Accuracy, service?.Signature, now);
            (row.Language, row.LanguageIsGuessed) = (language, isGuessed);
            (row.DurationMs, row.HasPicture, row.Notice) = (heardMs, facts.HasPicture, notice);
            await context.ReplaceTranscript(row, transcript, cancel);
        }, cancel);
    }

    /// <summary>Stores what a job did, together with its end. The lecture is read in the same transaction: while the job ran it may have been renamed or moved.</summary>
    private async Task Store(KostelContext context, JobRow job, Func<DateTime, LectureRow, Task> store, CancellationToken cancel)
    {
        await using var all = await context.Database.BeginTransactionAsync(cancel);
        var now = time.GetUtcNow().UtcDateTime;
        await context.EndJob(job, now, cancel);
        var lecture = await context.Lectures.SingleAsync(l => l.Id == job.LectureId, cancel);
        await store(now, lecture);
        await context.SaveChangesAsync(cancel);
        await all.CommitAsync(cancel);
        await board.TextChanged(lecture.Id, lecture.TextVersion);
    }

    /// <summary>The language to transcribe in, and what a first hearing made of it.</summary>
    private async Task<(string Language, bool IsGuessed, LanguageGuess? Guess)> FindLanguage(KostelContext context, JobRow job, LectureRow lecture, CancellationToken cancel)
    {
        var here = SpeechEngine.Languages(models);
        var expected = job.Language ?? SpokenLanguages.English;
        var isAsked = job.Language is null;
        if (!here.Contains(expected) || job.LanguageIsGuessed)
        {
            return (expected, job.LanguageIsGuessed, null);
        }

        var guess = await engine.Value.OpenLanguageFinder().Find(() => Recording.Decode(library.Original(lecture.Id), cancel), [expected, .. here.Where(l => l != expected)], cancel);
        if (!isAsked)
        {
            return (expected, false, guess);
        }

        await context.KeepLanguage(job, guess.Language, here.Count > 1, cancel);
        return (guess.Language, job.LanguageIsGuessed, guess);
    }

    private async Task<OpenedService> OpenService(KostelContext context, CancellationToken cancel) =>
        await services.Read(context, cancel) is { IsOn: true } settings
            ? new OpenedService(new ServiceClient(settings.Place), settings.Signature)
            : throw new ServiceProblemException("The transcription service is switched off. Switch it on under Languages, or transcribe on this computer.");

    private sealed record OpenedService(ServiceClient Client, string Signature) : IDisposable
    {
        public void Dispose() => Client.Dispose();
    }

    /// <summary>Words and chapters stay; who has been given a name keeps it where most of their words stay theirs.</summary>
    private async Task FindVoicesAnew(KostelContext context, JobRow job, LectureRow lecture, CancellationToken cancel)
    {
        await Enter(context, job, JobStage.Listening, cancel);
        var meters = new SoundMeters();
        var total = Math.Max(1, Pcm.ToSample(lecture.DurationMs));
        long heard = 0, reported = 0;
        await foreach (var piece in meters.Noting(Recording.Decode(library.Original(lecture.Id), cancel), cancel))
        {
            heard += piece.Length;
            if (heard - reported >= Pcm.SampleRate * 60)
            {
                reported = heard;
                await board.Report(new Progress(lecture.Id, JobStage.Listening, JobState.Running, Math.Clamp(heard / (double)total, 0, 1), null, 0, null));
            }
        }

        await Enter(context, job, JobStage.Arranging, cancel);
        await Store(context, job, async (now, row) =>
        {
            var before = await context.Transcript(row, cancel);
            var voices = Diarisation.Of(before.Passages.SelectMany(p => p.Words).ToList(), meters.Voices, job.Voices);
            await context.Commit(row, before, SpeakerChange.Apply(before, voices), [], "voices told apart anew", now, cancel);
        }, cancel);
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
        await context.EnterStage(job, stage, cancel);
        await board.Report(new Progress(job.LectureId, stage, JobState.Running, 0, null, 0, null));
    }

    private async Task<SoundMeters> Listen(LectureRow lecture, IRecogniser recogniser, string language, RecordingFacts facts, CancellationToken cancel)
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
        var pipeline = new TranscriptionPipeline(recogniser, new SegmenterOptions(), Math.Max(1, Environment.ProcessorCount), WrittenForms.Of(language));
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
