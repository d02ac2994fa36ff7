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
    {
        Tokens = tokens;
        this.alignment = alignment;
        decoder = DecoderModelFile.Read(decoderPath);
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

    /// <inheritdoc/>
    public void Dispose() => encoder.Dispose();
}
