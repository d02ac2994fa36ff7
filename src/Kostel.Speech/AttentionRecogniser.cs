using System.Numerics.Tensors;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Speech;

/// <summary>
/// An encoder and a decoder with attention that write one utterance token by token, greedily. The decoder's caches go from
/// step to step without being copied, and the attention it pays to the sound gives the time of each word.
/// </summary>
internal sealed class AttentionRecogniser : IRecogniser, IDisposable
{
    private const int StartToken = 1, EndToken = 2, Layers = 6, Heads = 8, HeadSize = 36;
    private const double TokensPerSecond = 6.5, FramesPerSecond = 41.5;
    private const int ShortestSamples = Pcm.SampleRate / 10;

    /// <summary>The decoder's layers and heads whose attention runs forward through the sound as the words do (measured).</summary>
    private static readonly (int Layer, int[] Heads)[] AlignmentHeads = [(2, [0, 1]), (3, [0, 1, 2, 5, 6]), (4, [0, 1, 3, 6])];

    private static readonly string[] CacheParts = ["decoder.key", "decoder.value", "encoder.key", "encoder.value"];
    private static readonly string[] PresentNames = Names("present");
    private static readonly string[] PastNames = Names("past_key_values");
    private static readonly string[] AttentionNames = AlignmentHeads.Select(h => $"attention.{h.Layer}").ToArray();
    private static readonly string[] DecoderInputs = ["input_ids", "encoder_hidden_states", "use_cache_branch", .. PastNames];
    private static readonly string[] FirstOutputs = ["logits", .. AttentionNames, .. PresentNames];
    private static readonly string[] NextOutputs = ["logits", .. AttentionNames, .. PresentNames.Where(n => n.Contains(".decoder."))];
    private static readonly string[] EncoderInputs = ["input_values"];
    private static readonly string[] EncoderOutputs = ["last_hidden_state"];

    private readonly InferenceSession encoder;
    private readonly InferenceSession decoder;
    private readonly TokenTable tokens;

    public AttentionRecogniser(string encoderPath, string decoderPath, TokenTable tokens)
    {
        this.tokens = tokens;
        using var options = OnnxSessions.Options();
        encoder = new InferenceSession(encoderPath, options);
        var model = OnnxGraph.ExposeFromBranches(
            File.ReadAllBytes(decoderPath),
            AlignmentHeads.Select(h => ($"/model/decoder/layers.{h.Layer}/encoder_attn/Softmax_output_0", $"attention.{h.Layer}")).ToList());
        decoder = new InferenceSession(model, options);
    }

    /// <inheritdoc/>
    public Recognition Recognise(ReadOnlyMemory<float> samples, CancellationToken cancel)
    {
        if (samples.Length < ShortestSamples)
        {
            return Recognition.Nothing;
        }

        using var run = new RunOptions();
        using var input = OrtValue.CreateTensorValueFromMemory(samples.ToArray(), [1, samples.Length]);
        using var encoded = encoder.Run(run, EncoderInputs, [input], EncoderOutputs);
        var (written, probabilities, attention) = Decode(run, encoded[0], samples.Length, cancel);
        var keep = LoopGuard.Keep(written);
        var pieces = tokens.Pieces(written.GetRange(0, keep), probabilities.GetRange(0, keep));
        var starts = WordAligner.TokenStarts(attention);
        return new Recognition(WordAligner.Words(
            pieces.Select(p => p.Piece).ToList(),
            pieces.Select(p => starts[p.FirstToken]).ToList(),
            1000 / FramesPerSecond,
            Pcm.ToMs(samples.Length)));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        encoder.Dispose();
        decoder.Dispose();
    }

    private (List<int> Written, List<double> Probabilities, List<float[]> Attention) Decode(
        RunOptions run, OrtValue encoded, int sampleCount, CancellationToken cancel)
    {
        var most = Math.Max(6, (int)(sampleCount / (double)Pcm.SampleRate * TokensPerSecond));
        var written = new List<int>(most);
        var probabilities = new List<double>(most);
        var attention = new List<float[]>(most);
        var id = new long[] { StartToken };
        var useCache = new bool[1];
        using var idValue = OrtValue.CreateTensorValueFromMemory(id, [1, 1]);
        using var useCacheValue = OrtValue.CreateTensorValueFromMemory(useCache, [1]);
        using var empty = OrtValue.CreateTensorValueFromMemory(Array.Empty<float>(), [1, Heads, 0, HeadSize]);

        IDisposableReadOnlyCollection<OrtValue>? first = null;
        IDisposableReadOnlyCollection<OrtValue>? last = null;
        try
        {
            var past = Enumerable.Repeat(empty, PastNames.Length).ToArray();
            for (var step = 0; step <= most; step++)
            {
                cancel.ThrowIfCancellationRequested();
                var outputs = decoder.Run(
                    run, DecoderInputs, [idValue, encoded, useCacheValue, .. past], step == 0 ? FirstOutputs : NextOutputs);
                if (step > 1)
                {
                    last!.Dispose();
                }

                last = outputs;
                first ??= outputs;
                KeepCaches(past, outputs, step == 0);
                var (token, probability) = Best(outputs[0].GetTensorDataAsSpan<float>());
                if (token == EndToken || step == most)
                {
                    break;
                }

                attention.Add(Attention(outputs));
                written.Add(token);
                probabilities.Add(probability);
                if (written.Count % 16 == 0 && LoopGuard.Keep(written) < written.Count)
                {
                    break;
                }

                id[0] = token;
                useCache[0] = true;
            }
        }
        finally
        {
            if (!ReferenceEquals(first, last))
            {
                last?.Dispose();
            }

            first?.Dispose();
        }

        return (written, probabilities, attention);
    }

    /// <summary>Points the next step's inputs at this step's outputs. The keys and values of the sound stay those of the first step.</summary>
    private static void KeepCaches(OrtValue[] past, IReadOnlyList<OrtValue> outputs, bool isFirst)
    {
        var next = 1 + AttentionNames.Length;
        for (var i = 0; i < past.Length; i++)
        {
            if (isFirst || PastNames[i].Contains(".decoder."))
            {
                past[i] = outputs[next++];
            }
        }
    }

    private static (int Token, double Probability) Best(ReadOnlySpan<float> logits)
    {
        var best = TensorPrimitives.IndexOfMax(logits);
        var top = logits[best];
        double sum = 0;
        foreach (var l in logits)
        {
            if (l > top - 20)
            {
                sum += Math.Exp(l - top);
            }
        }

        return (best, 1 / sum);
    }

    private static float[] Attention(IReadOnlyList<OrtValue> outputs)
    {
        float[]? mean = null;
        for (var l = 0; l < AlignmentHeads.Length; l++)
        {
            var weights = outputs[1 + l].GetTensorDataAsSpan<float>();
            var frames = weights.Length / Heads;
            mean ??= new float[frames];
            foreach (var head in AlignmentHeads[l].Heads)
            {
                TensorPrimitives.Add(mean, weights.Slice(head * frames, frames), mean);
            }
        }

        return mean!;
    }

    private static string[] Names(string prefix) =>
        Enumerable.Range(0, Layers)
            .SelectMany(l => CacheParts.Select(part => $"{prefix}.{l}.{part}"))
            .ToArray();
}
