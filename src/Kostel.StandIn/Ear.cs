using Kostel.Core.Speech;
using Kostel.Core.Transcripts;
using Kostel.Media;
using Kostel.Speech;

namespace Kostel.StandIn;

/// <summary>Hears a file with Kostel's own models.</summary>
internal sealed class Ear(ModelFolder models) : IDisposable
{
    private readonly Lazy<SpeechEngine> engine = new(() => SpeechEngine.Load(models));

    /// <summary>Codes of the languages that it understands.</summary>
    public IReadOnlyList<string> Languages => SpeechEngine.Languages(models);

    public async Task<IReadOnlyList<Word>> Hear(Stream sound, string language, CancellationToken cancel)
    {
        var file = Path.GetTempFileName();
        try
        {
            await using (var copy = File.Create(file))
            {
                await sound.CopyToAsync(copy, cancel);
            }

            var words = new List<Word>();
            using var voice = engine.Value.ListenForVoice();
            var pipeline = new TranscriptionPipeline(engine.Value.Recogniser(language, Accuracy.Fast, []), new(), parallel: 1);
            await foreach (var utterance in pipeline.Run(Recording.Decode(file, cancel), voice, 0, 0, null, cancel))
            {
                words.AddRange(utterance.Words);
            }

            return words;
        }
        finally
        {
            File.Delete(file);
        }
    }

    public void Dispose()
    {
        if (engine.IsValueCreated)
        {
            engine.Value.Dispose();
        }
    }
}
