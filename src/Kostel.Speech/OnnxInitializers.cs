using System.Buffers.Binary;
using System.Text;

namespace Kostel.Speech;

/// <summary>The stored numbers of an ONNX model, and which of them each integer multiplication uses.</summary>
internal sealed class OnnxInitializers
{
    private const int ModelGraph = 7, GraphNode = 1, GraphInitializer = 5;
    private const int NodeInput = 1, NodeOutput = 2, NodeOpType = 4, NodeAttribute = 5, AttributeTensor = 5, AttributeGraph = 6;
    private const int TensorDims = 1, TensorFloats = 4, TensorInts = 5, TensorName = 8, TensorRaw = 9;
    private readonly Dictionary<string, ReadOnlyMemory<byte>> tensors = [];
    private readonly Dictionary<string, string> weightOf = [];

    /// <summary>Reads a model.</summary>
    /// <exception cref="InvalidDataException">The bytes are no protocol buffer.</exception>
    public static OnnxInitializers Read(ReadOnlyMemory<byte> model)
    {
        var result = new OnnxInitializers();
        foreach (var field in ProtocolBuffer.Fields(model).Where(f => f.Number == ModelGraph))
        {
            result.ReadGraph(field.Payload);
        }

        return result;
    }

    /// <summary>The name of the stored matrix that the integer multiplication with this output multiplies by.</summary>
    public string WeightOf(string output) =>
        weightOf.TryGetValue(output, out var name) ? name : throw Missing(output);

    /// <summary>Whether there is an integer multiplication with this output.</summary>
    public bool Multiplies(string output) => weightOf.ContainsKey(output);

    /// <summary>A tensor's dimensions.</summary>
    public int[] Dimensions(string name)
    {
        var dims = new List<int>();
        foreach (var field in ProtocolBuffer.Fields(Tensor(name)).Where(f => f.Number == TensorDims))
        {
            // One varint a field, or several packed in one.
            var at = 0;
            var bytes = field.Payload.Span;
            while (at < bytes.Length)
            {
                dims.Add((int)ProtocolBuffer.ReadVarint(bytes, ref at));
            }
        }

        return [.. dims];
    }

    /// <summary>A tensor of floats.</summary>
    public float[] Floats(string name)
    {
        var bytes = Payload(name, TensorFloats).Span;
        var result = new float[bytes.Length / sizeof(float)];
        for (var i = 0; i < result.Length; i++)
        {
            result[i] = BinaryPrimitives.ReadSingleLittleEndian(bytes[(i * sizeof(float))..]);
        }

        return result;
    }

    /// <summary>A tensor of bytes.</summary>
    public ReadOnlyMemory<byte> Bytes(string name) => Payload(name, TensorInts);

    /// <summary>Whether there is a tensor of this name.</summary>
    public bool Has(string name) => tensors.ContainsKey(name);

    /// <summary>The names of all tensors.</summary>
    public IReadOnlyCollection<string> Names => tensors.Keys;

    private ReadOnlyMemory<byte> Payload(string name, int typedField)
    {
        var fields = ProtocolBuffer.Fields(Tensor(name)).ToList();
        var raw = fields.Find(f => f.Number == TensorRaw);
        return raw.Number == TensorRaw ? raw.Payload : fields.Find(f => f.Number == typedField) is { Number: > 0 } typed ? typed.Payload : throw Missing(name);
    }

    private ReadOnlyMemory<byte> Tensor(string name) =>
        tensors.TryGetValue(name, out var tensor) ? tensor : throw Missing(name);

    private void ReadGraph(ReadOnlyMemory<byte> graph)
    {
        foreach (var field in ProtocolBuffer.Fields(graph))
        {
            if (field.Number == GraphInitializer)
            {
                var name = ProtocolBuffer.Fields(field.Payload).First(f => f.Number == TensorName);
                tensors.TryAdd(Encoding.UTF8.GetString(name.Payload.Span), field.Payload);
            }
            else if (field.Number == GraphNode)
            {
                ReadNode(field.Payload);
            }
        }
    }

    private void ReadNode(ReadOnlyMemory<byte> node)
    {
        var inputs = new List<string>();
        string output = "", type = "";
        ReadOnlyMemory<byte>? constant = null;
        foreach (var field in ProtocolBuffer.Fields(node))
        {
            switch (field.Number)
            {
                case NodeInput:
                    inputs.Add(Encoding.UTF8.GetString(field.Payload.Span));
                    break;
                case NodeOutput:
                    output = Encoding.UTF8.GetString(field.Payload.Span);
                    break;
                case NodeOpType:
                    type = Encoding.UTF8.GetString(field.Payload.Span);
                    break;
                case NodeAttribute:
                    foreach (var part in ProtocolBuffer.Fields(field.Payload))
                    {
                        if (part.Number == AttributeGraph)
                        {
                            ReadGraph(part.Payload);
                        }
                        else if (part.Number == AttributeTensor)
                        {
                            constant = part.Payload;
                        }
                    }

                    break;
            }
        }

        if (type == "MatMulInteger" && inputs.Count > 1)
        {
            weightOf.TryAdd(output, inputs[1]);
        }
        else if (type == "Constant" && constant is { } tensor)
        {
            tensors.TryAdd(output, tensor);
        }
    }

    private static InvalidDataException Missing(string name) => new($"The model file has no '{name}'.");
}
