using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Speech.Terms;

namespace Kostel.Speech;

/// <summary>The networks that turn sound into words, loaded once and shared by all recordings.</summary>
public sealed class SpeechEngine : IDisposable
{
    private readonly VoiceWeights voiceActivity;
    private readonly SpeechNetwork network;

    private SpeechEngine(VoiceWeights voiceActivity, SpeechNetwork network)
    {
        this.voiceActivity = voiceActivity;
        this.network = network;
    }

    /// <summary>Loads the networks.</summary>
    /// <exception cref="ModelProblemException">A model file is missing or damaged.</exception>
    public static SpeechEngine Load(ModelFolder models)
    {
        return new SpeechEngine(
            VoiceModelFile.Read(models.PathOf("voice-activity.onnx")),
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
    public IVoiceActivityDetector ListenForVoice() => new VoiceNetwork(voiceActivity);

    /// <inheritdoc/>
    public void Dispose() => network.Dispose();
}
