using System.Text;

namespace Kostel.Speech;

/// <summary>
/// Gives an ONNX model more outputs by rewriting its protocol buffer: values computed inside the branches of its <c>If</c>
/// nodes become outputs of the whole graph. Field numbers are those of the published onnx.proto.
/// </summary>
internal static class OnnxGraph
{
    private const int ModelGraph = 7, GraphNode = 1, GraphOutput = 12, NodeOutput = 2, NodeOpType = 4, NodeAttribute = 5, AttributeGraph = 6;

    /// <summary>The model with, for each pair, the inner value <c>Inner</c> as an output named <c>Outer</c>.</summary>
    /// <exception cref="InvalidDataException">The bytes are no protocol buffer.</exception>
    public static byte[] ExposeFromBranches(byte[] model, IReadOnlyList<(string Inner, string Outer)> outputs) =>
        Rewrite(model, ModelGraph, graph => ExposeInGraph(graph, outputs));

    private static byte[] ExposeInGraph(ReadOnlyMemory<byte> graph, IReadOnlyList<(string Inner, string Outer)> outputs)
    {
        var withNodes = Rewrite(graph, GraphNode, node => IsIf(node) ? ExposeInNode(node, outputs) : node.ToArray());
        return Append(withNodes, outputs.Select(o => Field(GraphOutput, FloatValue(o.Outer))));
    }

    private static byte[] ExposeInNode(ReadOnlyMemory<byte> node, IReadOnlyList<(string Inner, string Outer)> outputs)
    {
        var branches = Rewrite(node, NodeAttribute, attribute =>
            Rewrite(attribute, AttributeGraph, branch =>
                Append(branch.ToArray(), outputs.Select(o => Field(GraphOutput, FloatValue(o.Inner))))));
        return Append(branches, outputs.Select(o => Field(NodeOutput, Encoding.UTF8.GetBytes(o.Outer))));
    }

    private static bool IsIf(ReadOnlyMemory<byte> node) =>
        Fields(node).Any(f => f.Number == NodeOpType && Encoding.UTF8.GetString(f.Payload.Span) == "If");

    /// <summary>A ValueInfoProto: a tensor of floats of any shape.</summary>
    private static byte[] FloatValue(string name)
    {
        var tensor = new byte[] { 0x08, 0x01 };
        var type = Field(1, tensor);
        return [.. Field(1, Encoding.UTF8.GetBytes(name)), .. Field(2, type)];
    }

    private static byte[] Rewrite(ReadOnlyMemory<byte> message, int number, Func<ReadOnlyMemory<byte>, byte[]> change)
    {
        using var result = new MemoryStream(message.Length + 1024);
        foreach (var field in Fields(message))
        {
            result.Write(field.Number == number && field.IsBytes ? Field(number, change(field.Payload)) : field.Whole.Span);
        }

        return result.ToArray();
    }

    private static byte[] Append(byte[] message, IEnumerable<byte[]> fields) => [.. message, .. fields.SelectMany(f => f)];

    private static byte[] Field(int number, byte[] payload)
    {
        var field = new List<byte>(payload.Length + 8);
        WriteVarint(field, ((ulong)number << 3) | 2);
        WriteVarint(field, (ulong)payload.Length);
        field.AddRange(payload);
        return [.. field];
    }

    private static void WriteVarint(List<byte> to, ulong value)
    {
        for (; value >= 0x80; value >>= 7)
        {
            to.Add((byte)(value | 0x80));
        }

        to.Add((byte)value);
    }

    private static IEnumerable<(int Number, bool IsBytes, ReadOnlyMemory<byte> Payload, ReadOnlyMemory<byte> Whole)> Fields(ReadOnlyMemory<byte> message)
    {
        var at = 0;
        while (at < message.Length)
        {
            var start = at;
            var tag = ReadVarint(message.Span, ref at);
            var payloadStart = at;
            var length = (tag & 7) switch
            {
                0 => SkipVarint(message.Span, at),
                1 => 8,
                5 => 4,
                2 => ReadLength(message.Span, ref at, out payloadStart),
                var kind => throw new InvalidDataException($"The model file is damaged: wire type {kind} at byte {start}."),
            };
            if (payloadStart + length > message.Length)
            {
                throw new InvalidDataException($"The model file is cut off at byte {message.Length}.");
            }

            at = payloadStart + length;
            yield return ((int)(tag >> 3), (tag & 7) == 2, message.Slice(payloadStart, length), message[start..at]);
        }
    }

    private static int ReadLength(ReadOnlySpan<byte> bytes, ref int at, out int payloadStart)
    {
        var length = ReadVarint(bytes, ref at);
        payloadStart = at;
        return length <= int.MaxValue ? (int)length : throw new InvalidDataException("The model file is damaged: a field is too long.");
    }

    private static int SkipVarint(ReadOnlySpan<byte> bytes, int at)
    {
        var start = at;
        ReadVarint(bytes, ref at);
        return at - start;
    }

    private static ulong ReadVarint(ReadOnlySpan<byte> bytes, ref int at)
    {
        ulong value = 0;
        for (var shift = 0; shift < 64; shift += 7)
        {
            if (at >= bytes.Length)
            {
                break;
            }

            var b = bytes[at++];
            value |= (ulong)(b & 0x7F) << shift;
            if (b < 0x80)
            {
                return value;
            }
        }

        throw new InvalidDataException($"The model file is damaged at byte {at}.");
    }
}
