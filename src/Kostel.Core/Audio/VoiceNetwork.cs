using System.Numerics.Tensors;

namespace Kostel.Core.Audio;

/// <summary>The weights of the network that hears whether somebody speaks.</summary>
/// <param name="Spectrum">From 256 samples to real parts, then imaginary ones.</param>
/// <param name="Convolutions">Over three frames each, in order.</param>
/// <param name="FromSound">Of the recurrent cell: input, forget, candidate and output gates one after the other.</param>
/// <param name="FromState">…from its own last state.</param>
/// <param name="Decision">From the state to one number.</param>
public sealed record VoiceWeights(
    WeightedSums Spectrum, IReadOnlyList<WeightedSums> Convolutions, WeightedSums FromSound, WeightedSums FromState, WeightedSums Decision);

/// <summary>
/// The Silero voice-activity network, version 5, at 16 kHz, in our own arithmetic: the runtime spends most of its time between
/// the network's many small steps. Windows of 512 samples, each seen with the 64 samples before it.
/// </summary>
/// <remarks>Long short-term memory: Hochreiter and Schmidhuber (1997), with forget gates. The rest was read off the model.</remarks>
public sealed class VoiceNetwork(VoiceWeights weights) : IVoiceActivityDetector
{
    private const int Window = 512, Context = 64, Mirrored = 64, Hop = 128, Frames = 4, Taps = 3;
    private static readonly int[] Strides = [1, 2, 2, 1];
    private readonly int bins = weights.Spectrum.Outputs / 2;
    private readonly float[] sound = new float[Context + Window + Mirrored];
    private readonly float[] spectrum = new float[Frames * weights.Spectrum.Outputs];
    private readonly float[][] layers = LayerBuffers(weights);
    private readonly float[] gates = new float[weights.FromSound.Outputs];
    private readonly float[] fromState = new float[weights.FromState.Outputs];
    private readonly float[] state = new float[weights.FromState.Inputs];
    private readonly float[] cell = new float[weights.FromState.Inputs];
    private readonly float[] heard = new float[1];

    /// <inheritdoc/>
    public int WindowSize => Window;

    /// <inheritdoc/>
    public float Next(ReadOnlySpan<float> window)
    {
        sound.AsSpan(Window, Context).CopyTo(sound);
        window.CopyTo(sound.AsSpan(Context));
        for (var i = 0; i < Mirrored; i++)
        {
            sound[Context + Window + i] = sound[Context + Window - 2 - i];
        }

        Magnitudes();
        var count = Frames;
        for (var l = 0; l < weights.Convolutions.Count; l++)
        {
            count = Convolve(weights.Convolutions[l], Strides[l], layers[l], count, layers[l + 1]);
        }

        Remember(Inside(layers[^1], weights.FromSound.Inputs));
        Span<float> shown = stackalloc float[state.Length];
        TensorPrimitives.Max(state, 0f, shown);
        weights.Decision.Apply(shown, 0, 1, heard);
        return 1 / (1 + MathF.Exp(-heard[0]));
    }

    /// <inheritdoc/>
    public void Dispose()
    {
    }

    /// <summary>Frames stand one after the other, with an empty one on either side for the convolutions.</summary>
    private static float[][] LayerBuffers(VoiceWeights weights)
    {
        var buffers = new List<float[]> { new float[(Frames + 2) * (weights.Spectrum.Outputs / 2)] };
        buffers.AddRange(weights.Convolutions.Select(c => new float[(Frames + 2) * c.Outputs]));
        return [.. buffers];
    }

    private static Span<float> Inside(float[] buffer, int channels) => buffer.AsSpan(channels, channels);

    private void Magnitudes()
    {
        weights.Spectrum.Apply(sound, Hop, Frames, spectrum);
        for (var f = 0; f < Frames; f++)
        {
            var parts = spectrum.AsSpan(2 * bins * f, 2 * bins);
            var magnitudes = layers[0].AsSpan((f + 1) * bins, bins);
            TensorPrimitives.Multiply(parts, parts, parts);
            TensorPrimitives.Add(parts[..bins], parts[bins..], magnitudes);
            TensorPrimitives.Sqrt(magnitudes, magnitudes);
        }
    }

    private static int Convolve(WeightedSums layer, int stride, float[] from, int frames, float[] to)
    {
        var channels = layer.Inputs / Taps;
        var results = ((frames - 1) / stride) + 1;
        from.AsSpan((frames + 1) * channels, channels).Clear();
        var result = to.AsSpan(layer.Outputs, results * layer.Outputs);
        layer.Apply(from, stride * channels, results, result);
        TensorPrimitives.Max(result, 0f, result);
        return results;
    }

    private void Remember(ReadOnlySpan<float> input)
    {
        weights.FromSound.Apply(input, 0, 1, gates);
        weights.FromState.Apply(state, 0, 1, fromState);
        TensorPrimitives.Add(gates, fromState, gates);
        var size = state.Length;
        var take = gates.AsSpan(0, size);
        var keep = gates.AsSpan(size, size);
        var candidate = gates.AsSpan(2 * size, size);
        var show = gates.AsSpan(3 * size, size);
        TensorPrimitives.Sigmoid(gates.AsSpan(0, 2 * size), gates);
        TensorPrimitives.Tanh(candidate, candidate);
        TensorPrimitives.Sigmoid(show, show);
        TensorPrimitives.Multiply(cell, keep, cell);
        TensorPrimitives.MultiplyAdd(take, candidate, cell, cell);
        TensorPrimitives.Tanh(cell, state);
        TensorPrimitives.Multiply(state, show, state);
    }
}
