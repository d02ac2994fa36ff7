using Kostel.Speech;

namespace Kostel.Server.Jobs.Transcription;

/// <summary>The speech engine, loaded when it is first needed.</summary>
internal sealed class LoadedEngine(ModelFolder models) : IDisposable
{
    private readonly Lazy<SpeechEngine> engine = new(() => SpeechEngine.Load(models));

    /// <summary>The engine.</summary>
    /// <exception cref="ModelProblemException">A model file is missing or damaged.</exception>
    public SpeechEngine Value => engine.Value;

    /// <inheritdoc/>
    public void Dispose()
    {
        if (engine.IsValueCreated)
        {
            engine.Value.Dispose();
        }
    }
}
