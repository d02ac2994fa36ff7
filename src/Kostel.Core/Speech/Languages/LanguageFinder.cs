using Kostel.Core.Audio;
using Kostel.Core.Transcripts;

namespace Kostel.Core.Speech.Languages;

/// <summary>Finds out which language a recording is in, by letting each recogniser try its first half minute of speech.</summary>
/// <param name="recogniser">For a language's code.</param>
/// <param name="listen">A fresh detector.</param>
public sealed class LanguageFinder(Func<string, IRecogniser> recogniser, Func<IVoiceActivityDetector> listen)
{
    /// <summary>So much speech is tried…</summary>
    private const int EnoughMs = 30_000;

    /// <summary>…as long as it comes within this time.</summary>
    private const int LatestMs = 15 * 60_000;

    /// <summary>Tries the languages.</summary>
    /// <param name="sound">Opens the recording from its beginning.</param>
    /// <param name="languages">Codes; the first is what is expected.</param>
    public async Task<LanguageGuess> Find(Func<IAsyncEnumerable<ReadOnlyMemory<float>>> sound, IReadOnlyList<string> languages, CancellationToken cancel)
    {
        var (heard, spokenMs) = await Hear(sound, languages, cancel);
        return LanguageGuess.Of(heard, spokenMs, languages[0]);
    }

    /// <summary>What each language's recogniser makes of the first half minute of speech, and how much speech that was.</summary>
    public async Task<(IReadOnlyDictionary<string, IReadOnlyList<Word>> Heard, int SpokenMs)> Hear(
        Func<IAsyncEnumerable<ReadOnlyMemory<float>>> sound, IReadOnlyList<string> languages, CancellationToken cancel)
    {
        var spokenMs = 0;
        var heard = new Dictionary<string, IReadOnlyList<Word>>();
        foreach (var language in languages)
        {
            (heard[language], spokenMs) = await Try(language, sound(), cancel);
        }

        return (heard, spokenMs);
    }

    private async Task<(IReadOnlyList<Word> Words, int SpokenMs)> Try(string language, IAsyncEnumerable<ReadOnlyMemory<float>> sound, CancellationToken cancel)
    {
        var words = new List<Word>();
        var spoken = 0;
        using var voice = listen();
        await foreach (var utterance in new TranscriptionPipeline(recogniser(language), new SegmenterOptions(), parallel: 1).Run(Beginning(sound), voice, 0, 0, null, cancel))
        {
            words.AddRange(utterance.Words);
            spoken += Pcm.ToMs(utterance.EndSample - utterance.StartSample);
            if (spoken >= EnoughMs)
            {
                break;
            }
        }

        return (words, spoken);
    }

    private static async IAsyncEnumerable<ReadOnlyMemory<float>> Beginning(IAsyncEnumerable<ReadOnlyMemory<float>> sound)
    {
        long samples = 0;
        await foreach (var piece in sound)
        {
            yield return piece;
            samples += piece.Length;
            if (samples >= Pcm.ToSample(LatestMs))
            {
                yield break;
            }
        }
    }
}
