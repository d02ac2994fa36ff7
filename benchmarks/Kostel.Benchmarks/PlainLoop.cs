using System.Numerics.Tensors;
using System.Threading.Channels;
using Kostel.Core.Audio;
using Kostel.Core.Speech;
using Kostel.Core.Speech.Languages;
using Kostel.Core.Transcripts;
using Kostel.Speech;
using Microsoft.ML.OnnxRuntime;

namespace Kostel.Benchmarks;

/// <summary>
/// What everything is compared with: the same two networks run by ONNX Runtime as they come, one token after another, the
/// likeliest each time. Word times are spread evenly.
/// </summary>
public sealed class PlainLoop : IRecogniser, IDisposable
{
    private const int StartToken = 1, EndToken = 2, Heads = 8;
    private const double TokensPerSecond = 6.5;
    private static readonly string[] CacheParts = ["decoder.key", "decoder.value", "encoder.key", "encoder.value"];
    private readonly int headSize;
    private readonly string[] pastNames;
    private readonly string[] decoderInputs;
    private readonly string[] decoderOutputs;
    private readonly InferenceSession encoder;
    private readonly InferenceSession decoder;
    private readonly TokenTable tokens;

    /// <summary>Loads the networks.</summary>
    public PlainLoop(ModelFolder models, string language = SpokenLanguages.English)
    {
        using var options = new SessionOptions { IntraOpNumThreads = 1, LogSeverityLevel = OrtLoggingLevel.ORT_LOGGING_LEVEL_ERROR };
        var (stem, layers) = language == SpokenLanguages.Spanish ? ("spanish", 8) : ("english", 6);
        headSize = language == SpokenLanguages.Spanish ? 52 : 36;
        pastNames = Names("past_key_values", layers);
        decoderInputs = ["input_ids", "encoder_hidden_states", "use_cache_branch", .. pastNames];
        decoderOutputs = ["logits", .. Names("present", layers)];
        encoder = new InferenceSession(models.PathOf($"{stem}-encoder.onnx"), options);
        decoder = new InferenceSession(models.PathOf($"{stem}-decoder.onnx"), options);
        tokens = TokenTable.Read(models.PathOf("token-table.js"));
    }

    /// <inheritdoc/>
    public Task Work(ChannelReader<SpokenUtterance> queue, CancellationToken cancel) => new OneByOneRecogniser(Recognise).Work(queue, cancel);

    private Recognition Recognise(ReadOnlyMemory<float> samples, CancellationToken cancel)
    {
        if (samples.Length < Pcm.SampleRate / 10)
        {
            return Recognition.Nothing;
        }

        var most = Math.Max(6, (int)(samples.Length / (double)Pcm.SampleRate * TokensPerSecond));
        var written = new List<int>();
        Run(samples, (scores, _) =>
        {
            var best = TensorPrimitives.IndexOfMax(scores);
            if (best == EndToken || written.Count == most)
            {
                return null;
            }

            written.Add(best);
            return best;
        });
        var text = string.Concat(tokens.Pieces(written, written.ConvertAll(_ => 1.0)).Select(p => p.Piece.Text)).Replace('▁', ' ').Trim();
        var words = text.Split(' ', StringSplitOptions.RemoveEmptyEntries);
        var ms = Pcm.ToMs(samples.Length);
        return new Recognition(words.Select((w, i) => new Word(w, i * ms / words.Length, (i + 1) * ms / words.Length, 1)).ToList());
    }

    /// <summary>Runs the loop.</summary>
    /// <param name="next">Given the scores of all tokens and the step, says which token comes next; null ends.</param>
    public void Run(ReadOnlyMemory<float> samples, NextToken next)
    {
        using var run = new RunOptions();
        using var input = OrtValue.CreateTensorValueFromMemory(samples.ToArray(), [1, samples.Length]);
        using var encoded = encoder.Run(run, ["input_values"], [input], ["last_hidden_state"]);
        using var empty = OrtValue.CreateTensorValueFromMemory(Array.Empty<float>(), [1, Heads, 0, headSize]);
        var past = Enumerable.Repeat(empty, pastNames.Length).ToArray();
        IDisposable? first = null, last = null;
        int? token = StartToken;
        for (var step = 0; token is not null; step++)
        {
            using var id = OrtValue.CreateTensorValueFromMemory(new long[] { token.Value }, [1, 1]);
            using var cached = OrtValue.CreateTensorValueFromMemory(new[] { step > 0 }, [1]);
            var outputs = decoder.Run(run, decoderInputs, [id, encoded[0], cached, .. past], decoderOutputs);
            if (step > 1)
            {
                last?.Dispose();
            }

            (first, last) = (first ?? outputs, outputs);
            for (var i = 0; i < past.Length; i++)
            {
                if (step == 0 || pastNames[i].Contains(".decoder."))
                {
                    past[i] = outputs[1 + i];
                }
            }

            token = next(outputs[0].GetTensorDataAsSpan<float>(), step);
        }

        last?.Dispose();
        first?.Dispose();
    }

    /// <summary>Chooses the next token.</summary>
    public delegate int? NextToken(ReadOnlySpan<float> scores, int step);

    /// <inheritdoc/>
    public void Dispose()
    {
        encoder.Dispose();
        decoder.Dispose();
    }

    private static string[] Names(string prefix, int layers) =>
        Enumerable.Range(0, layers).SelectMany(l => CacheParts.Select(part => $"{prefix}.{l}.{part}")).ToArray();
}
