using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Speakers;
using Kostel.Core.Transcripts;

namespace Kostel.Speech.Tests;

/// <summary>Who speaks, with real voices and the real recogniser.</summary>
public sealed class ConversationTests(Sound sound) : IClassFixture<Sound>
{
    private static readonly string[] Said =
    [
        "Good evening, and welcome to our little talk about bread. I have been looking forward to this all week.",
        "Thank you for having me. I have baked bread for twenty years, and every morning the dough is a little different.",
        "What do people get wrong when they bake at home for the first time?",
        "They are in a hurry. The dough needs time, and a cold kitchen needs more time than a warm one. Leave it alone.",
        "And how do you know that it is ready to go into the oven?",
        "You press it with a finger. If the hollow comes back slowly, it is ready. If it jumps back, wait a little longer.",
    ];

    /// <summary>NIST's diarisation error rate with a collar of 0.25 s, against where each turn was put.</summary>
    [Fact]
    public async Task Two_voices_that_take_turns_are_told_apart()
    {
        var (samples, turns) = await Talk("rms", "slt");
        var found = await Found(samples);
        Assert.Equal(2, found.Select(t => t.Voice).Distinct().Count());
        Assert.InRange(DiarisationError.Of(turns, found).Rate, 0, 0.1);
    }

    [Fact]
    public async Task One_voice_that_asks_and_answers_is_one()
    {
        var (samples, _) = await Talk("rms", "rms");
        Assert.Single((await Found(samples)).Select(t => t.Voice).Distinct());
    }

    private static async Task<(float[] Samples, IReadOnlyList<Turn> Turns)> Talk(params string[] voices)
    {
        var samples = new List<float>();
        var turns = new List<Turn>();
        foreach (var (i, text) in Said.Index())
        {
            var spoken = await Sound.Speak(text, voices[i % 2]);
            turns.Add(new Turn(Pcm.ToMs(samples.Count), Pcm.ToMs(samples.Count + spoken.Length), voices[i % 2]));
            samples.AddRange(spoken);
            samples.AddRange(new float[Pcm.ToSample(200)]);
        }

        return ([.. samples], turns);
    }

    private async Task<IReadOnlyList<Turn>> Found(float[] samples)
    {
        var meters = new SoundMeters();
        var words = new List<Word>();
        using var voice = sound.Engine.ListenForVoice();
        var pipeline = new TranscriptionPipeline(sound.Engine.Recogniser(SpokenLanguages.English, Accuracy.Fast, []), new SegmenterOptions(), 2);
        await foreach (var utterance in pipeline.Run(meters.Noting(Pieces(samples)), voice, 0, 0, null, TestContext.Current.CancellationToken))
        {
            words.AddRange(utterance.Words);
        }

        return Turn.Of(words.Zip(Diarisation.Of(words, meters.Voices), (w, v) => (w, $"{v}")));
    }

    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Pieces(float[] samples)
    {
        await Task.Yield();
        foreach (var piece in samples.Chunk(Pcm.SampleRate))
        {
            yield return piece;
        }
    }
}
