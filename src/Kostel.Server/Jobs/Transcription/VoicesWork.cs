using Kostel.Core.Audio;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Transcripts;
using Kostel.Data;
using Kostel.Data.Rows;
using Kostel.Media;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Jobs.Transcription;

/// <summary>How many people speak; null to find out.</summary>
internal sealed record VoicesTask(int? Voices);

/// <summary>Tells anew who speaks when. Words and chapters stay; who has been given a name keeps it where most of their words stay theirs.</summary>
internal sealed class VoicesWork(LibraryFolder library, ProgressBoard board) : IJobWork
{
    private const int ReportEverySeconds = 60;

    /// <summary>Telling voices apart.</summary>
    public static readonly JobKind<VoicesTask> Voices = new("voices", JobLane.Computing);

    /// <inheritdoc/>
    public JobKind Kind => Voices;

    /// <inheritdoc/>
    public string Failure => "Something went wrong while voices were told apart. The text is as it was. Try again.";

    /// <inheritdoc/>
    public async Task Run(JobTurn turn, CancellationToken cancel)
    {
        var wanted = turn.Payload(Voices).Voices;
        await turn.Enter(JobStage.Checking, cancel);
        var facts = await Recording.Probe(library.Original(turn.LectureId), cancel);
        await turn.Enter(JobStage.Listening, cancel);
        var meters = new SoundMeters();
        var total = Math.Max(1, Pcm.ToSample(facts.DurationMs));
        long heard = 0, reported = 0;
        await foreach (var piece in meters.Noting(Recording.Decode(library.Original(turn.LectureId), cancel), cancel))
        {
            heard += piece.Length;
            if (heard - reported >= Pcm.SampleRate * ReportEverySeconds)
            {
                reported = heard;
                await turn.Report(Math.Clamp(heard / (double)total, 0, 1));
            }
        }

        await turn.Enter(JobStage.Arranging, cancel);
        var version = 0;
        await turn.Finish(
            async (context, now) =>
            {
                var lecture = await context.Lectures.SingleAsync(l => l.Id == turn.LectureId, cancel);
                var before = await context.Transcript(lecture, cancel);
                var voices = Diarisation.Of(before.Passages.SelectMany(p => p.Words).ToList(), meters.Voices, wanted);
                await context.Commit(lecture, before, SpeakerChange.Apply(before, voices), [], "voices told apart anew", now, cancel);
                version = lecture.TextVersion;
            },
            cancel);
        await board.TextChanged(turn.LectureId, version);
    }
}
