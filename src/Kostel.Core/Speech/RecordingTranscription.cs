using Kostel.Core.Audio;
using Kostel.Core.Chapters;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Text;
using Kostel.Core.Transcripts;
using Kostel.Core.Transcripts.Edits;

namespace Kostel.Core.Speech;

/// <summary>How a recording is to be written down, apart from who recognises it.</summary>
/// <param name="Language">What is spoken.</param>
/// <param name="Voices">How many people speak; null to find out.</param>
/// <param name="Spelling">Of English.</param>
/// <param name="ExpectedMs">How long the file says it is.</param>
public sealed record TranscriptionPlan(LanguageChoice Language, int? Voices, Spelling Spelling, int ExpectedMs);

/// <summary>A transcript with what must be known of it.</summary>
/// <param name="Notice">In plain words; null when all is well.</param>
/// <param name="HeardMs">How much of the recording could be read.</param>
public sealed record TranscribedRecording(Transcript Transcript, string? Notice, int HeardMs);

/// <summary>The whole way from a recording's sound to its transcript, set up here once for whoever wants one.</summary>
/// <param name="recogniser">For the language of the plan.</param>
/// <param name="parallel">How many utterances are recognised side by side.</param>
/// <param name="chapters">Divides it.</param>
public sealed class RecordingTranscription(IRecogniser recogniser, TranscriptionPlan plan, int parallel, ChapterFinder? chapters = null)
{
    private readonly SoundMeters meters = new();

    /// <summary>What it is written in.</summary>
    public string Language => plan.Language.Language;

    /// <summary>The loudness of what was heard, 20 bytes a second.</summary>
    public byte[] Peaks() => meters.Peaks.ToArray();

    /// <summary>Recognises utterance by utterance.</summary>
    /// <param name="sound">16 kHz mono, from the start of the recording.</param>
    /// <param name="voice">A fresh detector.</param>
    /// <param name="resumeAt">Sound before this sample was transcribed earlier.</param>
    /// <param name="firstIndex">The number of the first utterance that comes out.</param>
    /// <param name="heard">Told now and then up to which sample the sound was listened to.</param>
    public IAsyncEnumerable<Utterance> Listen(
        IAsyncEnumerable<ReadOnlyMemory<float>> sound, IVoiceActivityDetector voice, long resumeAt, int firstIndex, Action<long>? heard, CancellationToken cancel) =>
        new TranscriptionPipeline(recogniser, new SegmenterOptions(), parallel, WrittenForms.Of(plan.Language.Language))
            .Run(meters.Noting(sound, cancel), voice, resumeAt, firstIndex, heard, cancel);

    /// <summary>Divides what was recognised into passages and chapters, by who speaks.</summary>
    /// <param name="utterances">All of the recording, also those that were recognised earlier.</param>
    /// <param name="known">What was found out about its language meanwhile; null for nothing more than was planned with.</param>
    /// <param name="slidesMs">When other slides come in its picture.</param>
    public TranscribedRecording Arrange(IReadOnlyList<Utterance> utterances, LanguageChoice? known = null, IReadOnlyList<int>? slidesMs = null)
    {
        var choice = known ?? plan.Language;
        var language = choice.Language;
        var heardMs = Pcm.ToMs(meters.Clipping.Samples);
        var words = TranscriptBuilder.Words(utterances);
        var transcript = TranscriptBuilder.Build(utterances, heardMs, language, Diarisation.Of(words, meters.Voices, plan.Voices), chapters, slidesMs);
        if (language == SpokenLanguages.English)
        {
            transcript = new Respell(plan.Spelling).Apply(transcript);
        }

        var notice = choice.Mismatch
            ?? RecordingNotice.For(words, language, plan.ExpectedMs, heardMs, meters.Clipping.Share)
            ?? choice.Doubt;
        return new TranscribedRecording(transcript, notice, heardMs);
    }
}
