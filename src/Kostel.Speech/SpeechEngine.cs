using System.Collections.Concurrent;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Decoding;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Speech.Terms;
using Kostel.Speech.Own;

namespace Kostel.Speech;

/// <summary>The networks that turn sound into words, loaded when they are first needed and shared by all recordings.</summary>
public sealed class SpeechEngine : IDisposable
{
    /// <summary>For each language the stem of its files, and the heads that run forward through the sound (measured).</summary>
    private static readonly Dictionary<string, (string Stem, AlignmentHeads Heads)> Known = new()
    {
        [SpokenLanguages.English] = ("english", new([(2, [0, 1]), (3, [0, 1, 2, 5, 6]), (4, [0, 1, 3, 6])])),
        [SpokenLanguages.Spanish] = ("spanish", new([(2, [7]), (3, [3]), (4, [2]), (5, [1, 2, 3, 4]), (6, [0, 2, 6])])),
    };

    private readonly ModelFolder models;
    private readonly VoiceWeights voiceActivity;
    private readonly TokenTable tokens;
    private readonly ConcurrentDictionary<string, Lazy<SpeechNetwork>> networks = new();

    private SpeechEngine(ModelFolder models)
    {
        this.models = models;
        voiceActivity = VoiceModelFile.Read(models.PathOf("voice-activity.onnx"));
        tokens = TokenTable.Read(models.PathOf("token-table.js"));
    }

    /// <summary>The languages whose networks are there, English first.</summary>
    public static IReadOnlyList<string> Languages(ModelFolder models) =>
        Known.Where(k => models.IsThere(Encoder(k.Value.Stem)) && models.IsThere(Decoder(k.Value.Stem))).Select(k => k.Key)
            .Concat(models.Own.All().Select(m => m.Language)).Distinct().ToList();

    /// <summary>Loads what all languages share.</summary>
    /// <exception cref="ModelProblemException">A model file is missing or damaged.</exception>
    public static SpeechEngine Load(ModelFolder models) => new(models);

    /// <summary>Recognises a language.</summary>
    /// <param name="terms">Words of the subject to listen for.</param>
    /// <param name="own">The name of weights that the person brought in; null for those that Kostel comes with, where it has the language.</param>
    /// <exception cref="ModelProblemException">The language is unknown, or one of its files is missing or damaged.</exception>
    public IRecogniser Recogniser(string language, Accuracy accuracy, IReadOnlyList<CourseTerm> terms, string? own = null) =>
        new Recogniser(own is null ? Network(language) : OwnNetwork(models.Own.Required(own)), SearchOptions.For(accuracy), terms);

    /// <summary>A detector for one recording.</summary>
    public IVoiceActivityDetector ListenForVoice() => new VoiceNetwork(voiceActivity);

    /// <summary>Finds out the language of a recording with the networks that are there.</summary>
    public LanguageFinder OpenLanguageFinder() => new(code => Recogniser(code, Accuracy.Fast, []), ListenForVoice);

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var network in networks.Values.Where(n => n.IsValueCreated))
        {
            network.Value.Dispose();
        }
    }

    /// <summary>The network of a language.</summary>
    internal SpeechNetwork Network(string language) =>
        Known.TryGetValue(language, out var known)
            ? networks.GetOrAdd(language, _ => new(() => Open(known.Stem, known.Heads))).Value
            : models.Own.All().FirstOrDefault(m => m.Language == language) is { } own
                ? OwnNetwork(own)
                : throw new ModelProblemException($"There is no speech model for {SpokenLanguages.NameOf(language)}. A transcription service may do it.");

    /// <summary>Weights that were removed and added anew are other ones: the day and the size tell them apart.</summary>
    private SpeechNetwork OwnNetwork(OwnModel own) => networks.GetOrAdd($"own {own.Name} {own.AddedOn} {own.Bytes}", _ => new(() => new SpeechNetwork(
        models.Own.PathOf(own, OwnModels.Encoder),
        models.Own.PathOf(own, OwnModels.Decoder),
        own.HasTokens ? TokenTable.Read(models.Own.PathOf(own, OwnModels.Tokens)) : tokens,
        own.Alignment))).Value;

    private SpeechNetwork Open(string stem, AlignmentHeads heads) => new(models.PathOf(Encoder(stem)), models.PathOf(Decoder(stem)), tokens, heads);

    private static string Encoder(string stem) => $"{stem}-encoder.onnx";

    private static string Decoder(string stem) => $"{stem}-decoder.onnx";
}
