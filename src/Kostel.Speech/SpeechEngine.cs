using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech;

/// <summary>The networks that turn sound into words, loaded once and shared by all recordings.</summary>
public sealed class SpeechEngine : IDisposable
{
    private readonly InferenceSession voiceActivity;
    private readonly AttentionRecogniser recogniser;

    private SpeechEngine(InferenceSession voiceActivity, AttentionRecogniser recogniser)
    {
        this.voiceActivity = voiceActivity;
        this.recogniser = recogniser;
    }

    /// <summary>Recognises English.</summary>
    public IRecogniser Recogniser => recogniser;

    /// <summary>Loads the networks.</summary>
    /// <exception cref="ModelProblemException">A model file is missing or damaged.</exception>
    public static SpeechEngine Load(ModelFolder models)
    {
        using var options = OnnxSessions.Options();
        return new SpeechEngine(
            new InferenceSession(models.PathOf("voice-activity.onnx"), options),
            new AttentionRecogniser(
                models.PathOf("english-encoder.onnx"),
                models.PathOf("english-decoder.onnx"),
                TokenTable.Read(models.PathOf("token-table.js"))));
    }

    /// <summary>A detector for one recording.</summary>
    public IVoiceActivityDetector ListenForVoice() => new SileroVoiceActivity(voiceActivity);

    /// <inheritdoc/>
    public void Dispose()
    {
        voiceActivity.Dispose();
        recogniser.Dispose();
    }
}
