using System.Diagnostics;
using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Features.Languages;
using Kostel.Speech;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Transcription;

/// <summary>What a transcription is asked for.</summary>
/// <param name="LanguageIsGuessed">The language was not asked for but found out by an attempt that was interrupted.</param>
internal sealed record TranscriptionTask(TranscriptionChoice Choice, bool LanguageIsGuessed = false);

/// <summary>Transcribes a lecture's recording in stages, committing every piece, and goes on where an earlier run stopped.</summary>
internal sealed class TranscriptionWork(LibraryFolder library, ModelFolder models, LoadedEngine engine, RecogniserChoice recognisers, ProgressBoard board) : IJobWork
{
    /// <summary>A transcription.</summary>
    public static readonly JobKind<TranscriptionTask> Transcription = new("transcription", JobLane.Computing);

    /// <inheritdoc/>
    public JobKind Kind => Transcription;

    /// <inheritdoc/>
    public string Failure => "Something went wrong while this was transcribed. The recording and what was recognised so far are kept. Try again.";

    /// <inheritdoc/>
    public async Task Run(JobTurn turn, CancellationToken cancel)
    {
        var task = turn.Payload(Transcription);
        await turn.Enter(JobStage.Checking, cancel);
        await using var context = library.CreateDbContext();
        var lecture = await context.Lectures.AsNoTracking().SingleAsync(l => l.Id == turn.LectureId, cancel);
        var facts = await Recording.Probe(library.Original(lecture.Id), cancel);
        await context.NoteRecording(lecture.Id, facts.DurationMs, facts.HasPicture, cancel);
        using var recogniser = await recognisers.Open(context, task.Choice, cancel);
        var language = await FindLanguage(turn, task, lecture.Id, cancel);
        await context.NoteLanguage(lecture.Id, language.Language, language.IsGuessed, language.Mismatch, cancel);

        await turn.Enter(JobStage.Listening, cancel);
        var plan = new TranscriptionPlan(language, task.Choice.Voices, await SpellingSetting.Read(context, cancel), facts.DurationMs);
        var transcription = new RecordingTranscription(
            recogniser.For(language.Language, task.Choice.Accuracy, await context.Terms(lecture, cancel)), plan, Math.Max(1, Environment.ProcessorCount));
        await Listen(turn, transcription, facts, cancel);
        await WriteWhole(library.Peaks(lecture.Id), transcription.Peaks(), cancel);

        await turn.Enter(JobStage.Arranging, cancel);
        var made = transcription.Arrange(await context.Utterances(lecture.Id, cancel));
        var version = 0;
        await turn.Finish(
            async (now, at) => version = await now.InstallTranscript(
                await now.Lectures.SingleAsync(l => l.Id == lecture.Id, cancel),
                new InstalledTranscript(BroughtChapters.Into(made.Transcript, lecture.BroughtChapters), made.Notice, new Provenance(task.Choice.Accuracy, recogniser.Signature, at))
                {
                    LanguageIsGuessed = language.IsGuessed,
                    HasPicture = facts.HasPicture,
                },
                cancel),
            cancel);
        await board.TextChanged(lecture.Id, version);
    }

    /// <summary>The language to transcribe in. A restart goes on in the language that its first words were heard in.</summary>
    private async Task<LanguageChoice> FindLanguage(JobTurn turn, TranscriptionTask task, string lectureId, CancellationToken cancel)
    {
        if (task is { LanguageIsGuessed: true, Choice.Language: { } known })
        {
            return new LanguageChoice(known, IsGuessed: true, null);
        }

        var choice = await LanguageChoice.Make(
            task.Choice.Language,
            SpeechEngine.Languages(models),
            among => engine.Value.OpenLanguageFinder().Find(() => Recording.Decode(library.Original(lectureId), cancel), among, cancel));
        if (task.Choice.Language is null)
        {
            await turn.Keep(new TranscriptionTask(task.Choice with { Language = choice.Language }, choice.IsGuessed), cancel);
        }

        return choice;
    }

    private async Task Listen(JobTurn turn, RecordingTranscription transcription, RecordingFacts facts, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var done = await context.Utterances(turn.LectureId, cancel);
        var resumeAt = done.Count == 0 ? 0 : done[^1].EndSample;
        var words = done.Sum(u => u.Words.Count);
        var pace = new Pace(resumeAt, Math.Max(1, Pcm.ToSample(facts.DurationMs)));
        using var voice = engine.Value.ListenForVoice();
        await foreach (var utterance in transcription.Listen(
            Recording.Decode(library.Original(turn.LectureId), cancel), voice, resumeAt, done.Count, heard => _ = Report(heard), cancel))
        {
            await context.AddUtterance(turn.LectureId, utterance, cancel);
            context.ChangeTracker.Clear();
            words += utterance.Words.Count;
            await Report(utterance.EndSample);
        }

        Task Report(long heard) => turn.Report(pace.Fraction(heard), pace.SecondsLeft(heard), words);
    }

    /// <summary>A file is there whole or not at all.</summary>
    private static async Task WriteWhole(string path, byte[] bytes, CancellationToken cancel)
    {
        await File.WriteAllBytesAsync(path + ".new", bytes, cancel);
        File.Move(path + ".new", path, overwrite: true);
    }

    /// <summary>How fast it goes on.</summary>
    private sealed class Pace(long from, long total)
    {
        /// <summary>An estimate from less is none.</summary>
        private const int EnoughSeconds = 3;

        private readonly Stopwatch watch = Stopwatch.StartNew();

        public double Fraction(long heard) => Math.Clamp(heard / (double)total, 0, 1);

        public int? SecondsLeft(long heard) =>
            watch.Elapsed.TotalSeconds > EnoughSeconds && heard > from && total > heard
                ? (int)Math.Ceiling(watch.Elapsed.TotalSeconds / (heard - from) * (total - heard))
                : null;
    }
}
