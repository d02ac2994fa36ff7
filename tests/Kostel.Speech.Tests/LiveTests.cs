using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Live;
using Kostel.Core.Transcripts;

namespace Kostel.Speech.Tests;

/// <summary>Live transcription with the real networks; how soon words come is measured, not tested.</summary>
public sealed class LiveTests(Sound sound) : IClassFixture<Sound>
{
    private const string Text = "The harbour is quiet in the morning, and the boats come home before the rain. In the evening the wind turns, and everybody looks at the sky.";

    [Fact]
    public async Task Speech_that_comes_piece_by_piece_becomes_the_words_of_the_whole()
    {
        var words = await Live(await Sound.Speak(Text));
        Assert.InRange(WordErrorRate.Compare(Text, string.Join(' ', words.Select(w => w.Text))).Total, 0, 4);
        Assert.Equal(words.Select(w => w.StartMs).Order(), words.Select(w => w.StartMs));
    }

    [Fact]
    public async Task Speech_that_breaks_off_in_a_word_gives_what_came_before()
    {
        var samples = await Sound.Speak(Text);
        var words = await Live(samples[..(samples.Length / 3)]);
        Assert.StartsWith("The harb", string.Join(' ', words.Select(w => w.Text)), StringComparison.Ordinal);
    }

    private async Task<List<Word>> Live(float[] samples)
    {
        var words = new List<Word>();
        using var voice = sound.Engine.ListenForVoice();
        var live = new LiveTranscription(sound.Engine.Recogniser(SpokenLanguages.English, Accuracy.Fast, []), new LiveOptions(Waiting: 3), TimeProvider.System);
        await foreach (var text in live.Run(Pieces(samples), voice, TestContext.Current.CancellationToken))
        {
            words.AddRange(text.Final);
        }

        return words;
    }

    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Pieces(float[] samples)
    {
        foreach (var piece in samples.Chunk((int)Pcm.ToSample(100)))
        {
            yield return piece;
            await Task.Yield();
        }
    }
}
