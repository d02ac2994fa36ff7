using System.Globalization;
using Kostel.Core.Speech.Decoding;

namespace Kostel.Speech;

/// <summary>Takes the decoder's weights out of its ONNX file.</summary>
internal static class DecoderModelFile
{
    private const string QuantisedEnding = "_quantized", Layers = "model.decoder.layers.";

    /// <summary>Reads the file.</summary>
    /// <exception cref="InvalidDataException">It is no such model.</exception>
    public static DecoderWeights Read(string path) => Read(OnnxInitializers.Read(File.ReadAllBytes(path)));

    /// <summary>Reads the weights out of a file's tensors.</summary>
    /// <exception cref="InvalidDataException">It is no such model; the message says what was expected.</exception>
    public static DecoderWeights Read(OnnxInitializers model)
    {
        var layers = new List<DecoderLayer>();
        while (model.Has(Norm(layers.Count, "input_layernorm")))
        {
            layers.Add(Layer(model, layers.Count));
        }

        if (layers.Count == 0 || model.Names.Any(n => n.StartsWith(Layers, StringComparison.Ordinal) && NumberIn(n) >= layers.Count))
        {
            throw new InvalidDataException($"The model file has no '{Norm(layers.Count, "input_layernorm")}'.");
        }

        const string table = "model.decoder.embed_tokens.weight";
        var weights = new DecoderWeights(
            Matrix(model, Present(model, "token table", $"{table}_merged_0{QuantisedEnding}", $"{table}{QuantisedEnding}"), transposed: false),
            layers,
            model.Floats("model.decoder.norm.weight_merged_0"),
            model.Floats(Present(model, "frequencies", "/model/decoder/rotary_emb/Cast_1_output_0", "onnx::Expand_272")));
        return weights.Problem is { } problem ? throw new InvalidDataException($"The model file does not fit together: {problem}") : weights;
    }

    /// <summary>Whether a file holds tensors of a decoder of this kind, whole or not.</summary>
    public static bool IsOne(OnnxInitializers model) => model.Names.Any(n => n.StartsWith("model.decoder.", StringComparison.Ordinal));

    /// <summary>The number of the layer that a tensor's name speaks of.</summary>
    private static int NumberIn(string name) => int.TryParse(name[Layers.Length..].Split('.')[0], NumberStyles.None, CultureInfo.InvariantCulture, out var number) ? number : -1;

    /// <summary>Whichever of the names a file has: files of different make name the same thing differently.</summary>
    private static string Present(OnnxInitializers model, string what, params string[] names) =>
        names.FirstOrDefault(model.Has) ?? throw new InvalidDataException($"The model file has no {what}.");

    private static DecoderLayer Layer(OnnxInitializers model, int l)
    {
        QuantisedMatrix Named(params string[] parts) =>
            Matrix(model, model.WeightOf(Product(model, parts.Select(p => $"/model/decoder/layers.{l}/{p}/MatMul_output_0_output_quantized").ToArray())), transposed: true);
        float[] Bias(params string[] parts) =>
            model.Floats(Present(model, "bias", parts.Select(p => $"model.decoder.layers.{l}.mlp.{p}.bias_merged_0").ToArray()));
        return new DecoderLayer(
            model.Floats(Norm(l, "input_layernorm")),
            Named("self_attn/q_proj"),
            Named("self_attn/k_proj"),
            Named("self_attn/v_proj"),
            Named("self_attn/dense", "self_attn/o_proj"),
            model.Floats(Norm(l, "post_attention_layernorm")),
            Named("encoder_attn/q_proj"),
            Named("encoder_attn/k_proj"),
            Named("encoder_attn/v_proj"),
            Named("encoder_attn/dense", "encoder_attn/o_proj"),
            model.Floats(Norm(l, "final_layernorm")),
            Named("mlp/up_proj", "mlp/fc1"),
            Bias("up_proj", "fc1"),
            Named("mlp/down_proj", "mlp/fc2"),
            Bias("down_proj", "fc2"));
    }

    private static string Product(OnnxInitializers model, string[] names) =>
        names.FirstOrDefault(model.Multiplies) ?? throw new InvalidDataException($"The model file has no product '{names[0]}' of 8-bit numbers.");

    private static string Norm(int l, string name) => $"{Layers}{l}.{name}.weight_merged_0";

    /// <param name="transposed">Whether the file stores [inputs × outputs].</param>
    private static QuantisedMatrix Matrix(OnnxInitializers model, string name, bool transposed)
    {
        if (!name.EndsWith(QuantisedEnding, StringComparison.Ordinal))
        {
            throw new InvalidDataException($"The model file's '{name}' is not a matrix of 8-bit numbers.");
        }

        var stem = name[..^QuantisedEnding.Length];
        var dims = model.Dimensions(name);
        var bytes = model.Bytes(name).Span;
        if (dims is not [> 0 and var rows, > 0 and var columns] || (long)rows * columns != bytes.Length)
        {
            throw new InvalidDataException($"The model file's '{name}' says that it is {string.Join(" × ", dims)} numbers and holds {bytes.Length}.");
        }

        var scales = model.Floats(stem + "_scale");
        var zeros = model.Bytes(stem + "_zero_point").Span;
        if (scales.Length != 1 || zeros.Length < 1)
        {
            throw new InvalidDataException($"The model file's '{name}' has {scales.Length} scales; one for the whole matrix was expected.");
        }

        var (scale, zero) = (scales[0], zeros[0]);
        if (!transposed)
        {
            return new QuantisedMatrix(bytes, rows, columns, scale, zero);
        }

        var turned = new byte[bytes.Length];
        for (var r = 0; r < rows; r++)
        {
            for (var c = 0; c < columns; c++)
            {
                turned[(c * rows) + r] = bytes[(r * columns) + c];
            }
        }

        return new QuantisedMatrix(turned, columns, rows, scale, zero);
    }
}
