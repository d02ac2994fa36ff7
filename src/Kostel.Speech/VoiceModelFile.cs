using Kostel.Core.Audio;

namespace Kostel.Speech;

/// <summary>Reads the weights of the voice-activity network out of its model file.</summary>
internal static class VoiceModelFile
{
    /// <summary>The half of the network for 16 kHz.</summary>
    private const string Half = "If_0_then_branch__Inline_0__";
    private const int Convolutions = 4, Frame = 256;

    /// <summary>Reads.</summary>
    /// <exception cref="InvalidDataException">It is another network.</exception>
    public static VoiceWeights Read(string path)
    {
        var stored = OnnxInitializers.Read(File.ReadAllBytes(path));
        var spectrum = stored.Floats(Half + "stft.forward_basis_buffer");
        return new VoiceWeights(
            new WeightedSums(spectrum, new float[spectrum.Length / Frame]),
            Enumerable.Range(0, Convolutions).Select(l => Convolution($"encoder.{l}.reparam_conv.")).ToList(),
            new WeightedSums(stored.Floats(Half + "decoder.rnn.weight_ih"), stored.Floats(Half + "decoder.rnn.bias_ih")),
            new WeightedSums(stored.Floats(Half + "decoder.rnn.weight_hh"), stored.Floats(Half + "decoder.rnn.bias_hh")),
            new WeightedSums(stored.Floats(Half + "decoder.decoder.2.weight"), stored.Floats(Half + "decoder.decoder.2.bias")));

        // Stored channel by channel; ours are frame by frame.
        WeightedSums Convolution(string name)
        {
            var weights = stored.Floats(Half + name + "weight");
            var shape = stored.Dimensions(Half + name + "weight");
            var (channels, taps) = (shape[1], shape[2]);
            var turned = new float[weights.Length];
            for (var i = 0; i < weights.Length; i++)
            {
                var (output, channel, tap) = (i / taps / channels, i / taps % channels, i % taps);
                turned[(((output * taps) + tap) * channels) + channel] = weights[i];
            }

            return new WeightedSums(turned, stored.Floats(Half + name + "bias"));
        }
    }
}
