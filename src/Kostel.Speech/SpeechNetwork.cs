using System.Runtime.InteropServices;
using Kostel.Core.Speech.Decoding;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech;

/// <summary>
/// The networks that read speech, shared by all that recognise: the encoder, run by ONNX Runtime; the weights of the decoder,
/// run by our own arithmetic; the table of text pieces.
/// </summary>
internal sealed class SpeechNetwork : IDisposable
{
    private static readonly string[] EncoderInputs = ["input_values"];
    private static readonly string[] EncoderOutputs = ["last_hidden_state"];

    private readonly InferenceSession encoder;
    private readonly DecoderWeights decoder;
    private readonly AlignmentHeads alignment;

    /// <param name="alignment">The layers and heads whose attention runs forward through the sound as the words do.</param>
    public SpeechNetwork(string encoderPath, string decoderPath, TokenTable tokens, AlignmentHeads alignment)
        : this(encoderPath, DecoderModelFile.Read(decoderPath), tokens, alignment)
    {
    }

    /// <param name="decoder">Weights that were read already.</param>
    public SpeechNetwork(string encoderPath, DecoderWeights decoder, TokenTable tokens, AlignmentHeads alignment)
    {
        Tokens = tokens;
        this.alignment = alignment;
        this.decoder = decoder;
        using var options = OnnxSessions.Options();
        encoder = new InferenceSession(encoderPath, options);
    }

    /// <summary>The pieces of text.</summary>
    public TokenTable Tokens { get; }

    /// <summary>The decoder's arithmetic for one thread.</summary>
    public Decoder OpenDecoder() => new(decoder, alignment);

    /// <summary>Listens to an utterance.</summary>
    public void Encode(ReadOnlyMemory<float> samples, DecoderSession session)
    {
        using var run = new RunOptions();
        using var input = OrtValue.CreateTensorValueFromMemory(OrtMemoryInfo.DefaultInstance, MemoryMarshal.AsMemory(samples), [1, samples.Length]);
        using var encoded = encoder.Run(run, EncoderInputs, [input], EncoderOutputs);
        session.Begin(encoded[0].GetTensorDataAsSpan<float>());
    }

    /// <summary>What the encoder gives for sound, and how many numbers stand for a moment.</summary>
    public (float[] Values, int Width) Encode(float[] samples)
    {
        using var run = new RunOptions();
        using var input = OrtValue.CreateTensorValueFromMemory(OrtMemoryInfo.DefaultInstance, samples.AsMemory(), [1, samples.Length]);
        using var encoded = encoder.Run(run, EncoderInputs, [input], EncoderOutputs);
        return (encoded[0].GetTensorDataAsSpan<float>().ToArray(), (int)encoded[0].GetTensorTypeAndShape().Shape[^1]);
    }

    /// <inheritdoc/>
    public void Dispose() => encoder.Dispose();
}
