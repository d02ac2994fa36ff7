using Kostel.Core.Speech.Decoding;

namespace Kostel.Speech;

/// <summary>Takes the decoder's weights out of its ONNX file.</summary>
internal static class DecoderModelFile
{
    private const string QuantisedEnding = "_quantized";

    /// <summary>Reads the file.</summary>
    /// <exception cref="InvalidDataException">It is no such model.</exception>
    public static DecoderWeights Read(string path)
    {
        var model = OnnxInitializers.Read(File.ReadAllBytes(path));
        var layers = new List<DecoderLayer>();
        while (model.Has(Norm(layers.Count, "input_layernorm")))
        {
            layers.Add(Layer(model, layers.Count));
        }

        const string table = "model.decoder.embed_tokens.weight";
        return new DecoderWeights(
            Matrix(model, Present(model, "token table", $"{table}_merged_0{QuantisedEnding}", $"{table}{QuantisedEnding}"), transposed: false),
            layers,
            model.Floats("model.decoder.norm.weight_merged_0"),
            model.Floats(Present(model, "frequencies", "/model/decoder/rotary_emb/Cast_1_output_0", "onnx::Expand_272")));
    }

    /// <summary>Whichever of the names a file has: files of different make name the same thing differently.</summary>
    private static string Present(OnnxInitializers model, string what, params string[] names) =>
        names.FirstOrDefault(model.Has) ?? throw new InvalidDataException($"The model file has no {what}.");

    private static DecoderLayer Layer(OnnxInitializers model, int l)
    {
        QuantisedMatrix Named(params string[] parts) =>
            Matrix(model, model.WeightOf(parts.Select(p => $"/model/decoder/layers.{l}/{p}/MatMul_output_0_output_quantized").First(model.Multiplies)), transposed: true);
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

    private static string Norm(int l, string name) => $"model.decoder.layers.{l}.{name}.weight_merged_0";

    /// <param name="transposed">Whether the file stores [inputs × outputs].</param>
    private static QuantisedMatrix Matrix(OnnxInitializers model, string name, bool transposed)
    {
        var stem = name[..^QuantisedEnding.Length];
        var dims = model.Dimensions(name);
        var bytes = model.Bytes(name).Span;
        var (rows, columns) = (dims[0], dims[1]);
        var scale = model.Floats(stem + "_scale")[0];
        var zero = model.Bytes(stem + "_zero_point").Span[0];
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
