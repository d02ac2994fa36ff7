using System.Diagnostics;
using System.Numerics.Tensors;
using Kostel.Core.Audio;
using Kostel.Core.Speech.Decoding;

namespace Kostel.Speech.Own;

/// <summary>What came of trying a recogniser.</summary>
/// <param name="Wrote">What it wrote.</param>
/// <param name="SpeedFactor">Seconds of sound in a second.</param>
internal sealed record TrialResult(string Wrote, AlignmentHeads Heads, double SpeedFactor);

/// <summary>Lets weights write a clip down, and measures on the way which heads tell where a word is said.</summary>
internal static class ModelTrial
{
    private const double FramesPerSecond = 41.5, Tolerance = 0.1;
    private const int MostTokens = 200;

    /// <summary>Tries.</summary>
    /// <param name="open">Opens the network with heads to go by.</param>
    /// <param name="clip">16 kHz mono, some seconds of speech.</param>
    /// <exception cref="ModelProblemException">Encoder and decoder do not belong together, or nothing was written.</exception>
    public static TrialResult Run(Func<AlignmentHeads, SpeechNetwork> open, DecoderWeights decoder, float[] clip, CancellationToken cancel)
    {
        using var network = open(new AlignmentHeads([]));
        var encoded = network.Encode(clip);
        var expected = clip.Length / (double)Pcm.SampleRate * FramesPerSecond;
        if (encoded.Width != decoder.Width || Math.Abs((encoded.Values.Length / (double)encoded.Width / expected) - 1) > Tolerance)
        {
            throw new ModelProblemException(
                $"Encoder and decoder do not belong together: expected were about {expected:0} steps of {decoder.Width} numbers for the clip, and the encoder gives {encoded.Values.Length / Math.Max(1, encoded.Width)} of {encoded.Width}.");
        }

        var clock = Stopwatch.StartNew();
        var session = network.OpenDecoder().Open();
        session.Begin(network.Encode(clip).Values);
        var tokens = Write(session);
        var speed = clip.Length / (double)Pcm.SampleRate / clock.Elapsed.TotalSeconds;
        var words = network.Tokens.Words(tokens);
        if (words.Count == 0)
        {
            throw new ModelProblemException("It wrote nothing down when it was tried on a clip of speech. Expected are weights of the same kind for this language.");
        }

        cancel.ThrowIfCancellationRequested();
        var watch = new HeadWatch();
        Follow(new Decoder(decoder, new AlignmentHeads([]), watch).Open(), encoded.Values, tokens);
        return new TrialResult(string.Join(' ', words.Select(w => w.Text)), HeadSurvey.Choose(watch.Shares), speed);
    }

    /// <summary>The likeliest token at every step.</summary>
    private static List<int> Write(DecoderSession session)
    {
        var tokens = new List<int>();
        var (beginning, token) = (-1, SearchOptions.StartToken);
        while (tokens.Count < MostTokens)
        {
            beginning = session.Extend([new Extension(beginning, token)]);
            token = TensorPrimitives.IndexOfMax(session.Scores(0));
            if (token == SearchOptions.EndToken)
            {
                break;
            }

            tokens.Add(token);
        }

        return tokens;
    }

    private static void Follow(DecoderSession session, float[] encoded, List<int> tokens)
    {
        session.Begin(encoded);
        var (beginning, token) = (-1, SearchOptions.StartToken);
        foreach (var next in tokens)
        {
            beginning = session.Extend([new Extension(beginning, token)]);
            token = next;
        }
    }
}
