using System.Buffers.Binary;
using System.Text;

namespace Kostel.Core.Tests.Text;

/// <summary>Small tables of word vectors, as they are fetched.</summary>
internal static class WordTable
{
    private const int Header = 20, Row = 6;
    private const float Scale = 0.01f;

    /// <summary>A table of words with two numbers each, in hundredths.</summary>
    public static byte[] Of(params (string Word, int X, int Y)[] rows)
    {
        var words = Encoding.UTF8.GetBytes(string.Join('\n', rows.Select(r => r.Word)));
        var bytes = new byte[Header + words.Length + (rows.Length * Row)];
        Encoding.ASCII.GetBytes("KOSTELV1").CopyTo(bytes, 0);
        BinaryPrimitives.WriteInt32LittleEndian(bytes.AsSpan(8), rows.Length);
        BinaryPrimitives.WriteInt32LittleEndian(bytes.AsSpan(12), 2);
        BinaryPrimitives.WriteInt32LittleEndian(bytes.AsSpan(16), words.Length);
        words.CopyTo(bytes, Header);
        var at = Header + words.Length;
        foreach (var (_, x, y) in rows)
        {
            BinaryPrimitives.WriteSingleLittleEndian(bytes.AsSpan(at), Scale);
            (bytes[at + 4], bytes[at + 5]) = ((byte)(sbyte)x, (byte)(sbyte)y);
            at += Row;
        }

        return bytes;
    }
}
