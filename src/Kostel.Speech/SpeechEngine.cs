using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Speech.Terms;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech;

/// <summary>The networks that turn sound into words, loaded once and shared by all recordings.</summary>
public sealed class SpeechEngine : IDisposable
{
    private readonly InferenceSession voiceActivity;
    private readonly SpeechNetwork network;

    private SpeechEngine(InferenceSession voiceActivity, SpeechNetwork network)
    {
        this.voiceActivity = voiceActivity;
        this.network = network;
    }

    /// <summary>Loads the networks.</summary>
    /// <exception cref="ModelProblemException">A model file is missing or damaged.</exception>
    public static SpeechEngine Load(ModelFolder models)
    {
        using var options = OnnxSessions.Options();
        return new SpeechEngine(
            new InferenceSession(models.PathOf("voice-activity.onnx"), options),
            new SpeechNetwork(
                models.PathOf("english-encoder.onnx"),
                models.PathOf("english-decoder.onnx"),
                TokenTable.Read(models.PathOf("token-table.js"))));
    }

    /// <summary>Recognises English.</summary>
    /// <param name="terms">Words of the subject to listen for.</param>
    public IRecogniser Recogniser(Accuracy accuracy, IReadOnlyList<CourseTerm> terms) =>
        new Recogniser(network, SearchOptions.For(accuracy), terms);

    /// <summary>A detector for one recording.</summary>
    public IVoiceActivityDetector ListenForVoice() => new SileroVoiceActivity(voiceActivity);

    /// <inheritdoc/>
    public void Dispose()
    {
        voiceActivity.Dispose();
        network.Dispose();
    }
}
