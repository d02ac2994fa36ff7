using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Transcripts.Edits;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Kostel.Server.Features.Languages;
using Kostel.Speech;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Transcription;

/// <summary>What a transcription is asked for.</summary>
/// <param name="LanguageIsGuessed">The language was not asked for but found out by an attempt that was interrupted.</param>
/// <param name="FindsChaptersAnew">Chapters that a person made or changed are not kept.</param>
internal sealed record TranscriptionTask(TranscriptionChoice Choice, bool LanguageIsGuessed = false, bool FindsChaptersAnew = false);

/// <summary>Transcribes a lecture's recording in stages, committing every piece, and goes on where an earlier run stopped.</summary>
internal sealed class TranscriptionWork(LibraryFolder library, ModelFolder models, LoadedEngine engine, ChapterFinder chapters, RecogniserChoice recognisers, ProgressBoard board, TimeProvider time) : IJobWork
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
        var spelling = await SpellingSetting.Read(context, cancel);
        var terms = await context.Terms(lecture, cancel);
        var language = await Expected(context, task, lecture, cancel);
        RecordingTranscription transcription;
        while (true)
        {
            await context.NoteLanguage(lecture.Id, language.Language, language.IsGuessed, language.Mismatch, cancel);
            await turn.Enter(JobStage.Listening, cancel);
            transcription = new RecordingTranscription(
                recogniser.For(language.Language, task.Choice.Accuracy, terms), new TranscriptionPlan(language, task.Choice.Voices, spelling, facts.DurationMs), Math.Max(1, Environment.ProcessorCount), chapters);
            var heard = await Listen(turn, transcription, facts, task, language, cancel);
            var isRight = heard.Language == language.Language;
            language = heard;
            if (isRight)
            {
                break;
            }
        }

        await WriteWhole(library.Peaks(lecture.Id), transcription.Peaks(), cancel);

        await turn.Enter(JobStage.Arranging, cancel);
        var slides = facts.HasPicture ? await MovingPicture.SlideChangesOf(library.Original(lecture.Id), facts.DurationMs, cancel) : [];
        var made = transcription.Arrange(await context.Utterances(lecture.Id, cancel), language, slides);
        var version = 0;
        await turn.Finish(
            async (now, at) =>
            {
                var row = await now.Lectures.SingleAsync(l => l.Id == lecture.Id, cancel);
                row.BroughtChapters = task.FindsChaptersAnew ? null : await now.OwnChapters(row, cancel);
                version = await now.InstallTranscript(
                    row,
                    new InstalledTranscript(BroughtChapters.Into(HeardCorrections.Into(made.Transcript, row.HeardCorrections ?? []), row.BroughtChapters, chapters), made.Notice, new Provenance(task.Choice.Accuracy, recogniser.Signature, at))
                    {
                        LanguageIsGuessed = language.IsGuessed,
                        HasPicture = facts.HasPicture,
                    },
                    cancel);
            },
            cancel);
        await board.TextChanged(lecture.Id, version);
    }

    /// <summary>The language to begin in: what was asked for or found out before a restart, else what the last lecture of the course was in.</summary>
    private async Task<LanguageChoice> Expected(KostelContext context, TranscriptionTask task, LectureRow lecture, CancellationToken cancel)
    {
        if (task.Choice.Model is { } own)
        {
            return new LanguageChoice(models.Own.Required(own).Language, IsGuessed: false, null);
        }

        if (task.Choice.Language is { } known)
        {
            return new LanguageChoice(known, task.LanguageIsGuessed, null);
        }

        var before = await context.Lectures.Where(l => l.CourseId != null && l.CourseId == lecture.CourseId && l.Id != lecture.Id && l.MadeAt != null)
            .OrderByDescending(l => l.MadeAt).Select(l => l.Language).FirstOrDefaultAsync(cancel);
        return new LanguageChoice(before is not null && SpeechEngine.Languages(models).Contains(before) ? before : SpokenLanguages.English, IsGuessed: false, null);
    }

    /// <summary>Writes down what is said, and finds out meanwhile whether it is in this language.</summary>
    /// <returns>What came out. Where nobody chose and it is another language, this ends as soon as that is known.</returns>
    private async Task<LanguageChoice> Listen(
        JobTurn turn, RecordingTranscription transcription, RecordingFacts facts, TranscriptionTask task, LanguageChoice language, CancellationToken cancel)
    {
        await using var context = library.CreateDbContext();
        var here = SpeechEngine.Languages(models);
        var isKnown = language.Guess is not null || task.Choice.Model is not null || task.LanguageIsGuessed || !here.Contains(language.Language);
        using var hearing = new FirstHearing(engine, library.Original(turn.LectureId), [language.Language, .. here.Where(l => l != language.Language)], cancel);
        var done = await context.Utterances(turn.LectureId, cancel);
        var resumeAt = done.Count == 0 ? 0 : done[^1].EndSample;
        var words = done.Sum(u => u.Words.Count);
        var pace = new Pace(time);
        var total = Math.Max(1.0, Pcm.ToSample(facts.DurationMs));
        using var voice = engine.Value.ListenForVoice();
        await foreach (var utterance in transcription.Listen(
            Recording.Decode(library.Original(turn.LectureId), cancel), voice, resumeAt, done.Count, heard => _ = Report(heard), cancel))
        {
            await context.AddUtterance(turn.LectureId, utterance, cancel);
            context.ChangeTracker.Clear();
            words += utterance.Words.Count;
            await Report(utterance.EndSample);
            if (isKnown)
            {
                continue;
            }

            _ = hearing.Begin();
            if (hearing.SoFar is { } guess)
            {
                isKnown = true;
                language = await Heard(guess);
                if (language.Language != transcription.Language)
                {
                    return language;
                }
            }
        }

        return isKnown ? language : await Heard(await hearing.Begin());

        Task Report(long heard)
        {
            var fraction = Math.Clamp(heard / total, 0, 1);
            return turn.Report(fraction, pace.SecondsLeft(fraction), words);
        }

        async Task<LanguageChoice> Heard(LanguageGuess guess)
        {
            var choice = LanguageChoice.Of(task.Choice.Language, here, guess);
            if (choice.Language != transcription.Language)
            {
                // What was written so far is nonsense in another language. It goes before the new one is noted: a restart between the two begins anew.
                await context.Utterances.Where(u => u.LectureId == turn.LectureId).ExecuteDeleteAsync(cancel);
            }

            await context.NoteLanguage(turn.LectureId, choice.Language, choice.IsGuessed, choice.Mismatch, cancel);
            if (task.Choice.Language is null)
            {
                // A restart goes on in the language that was found out.
                await turn.Keep(task with { Choice = task.Choice with { Language = choice.Language }, LanguageIsGuessed = choice.IsGuessed }, cancel);
            }

            return choice;
        }
    }

    /// <summary>A file is there whole or not at all.</summary>
    private static async Task WriteWhole(string path, byte[] bytes, CancellationToken cancel)
    {
        await File.WriteAllBytesAsync(path + ".new", bytes, cancel);
        File.Move(path + ".new", path, overwrite: true);
    }
}
