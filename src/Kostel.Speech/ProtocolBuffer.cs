namespace Kostel.Speech;

/// <summary>Walks through a protocol buffer, the format of ONNX files, without knowing its messages.</summary>
internal static class ProtocolBuffer
{
    /// <summary>The fields of a message: their numbers and what they hold (a number's bytes, or the bytes of a string or message).</summary>
    /// <exception cref="InvalidDataException">The bytes are no protocol buffer.</exception>
    public static IEnumerable<(int Number, ReadOnlyMemory<byte> Payload)> Fields(ReadOnlyMemory<byte> message)
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
            yield return ((int)(tag >> 3), message.Slice(payloadStart, length));
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

    /// <summary>A number of seven bits a byte, the lowest first.</summary>
    public static ulong ReadVarint(ReadOnlySpan<byte> bytes, ref int at)
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
