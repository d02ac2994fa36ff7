using System.Text;

namespace Kostel.Core.Captions;

/// <summary>The text of a file's bytes, in the encodings that texts of lectures come in.</summary>
public static class TextBytes
{
    private const int LookedAt = 4_096;

    /// <summary>UTF-8; UTF-16 with a mark at its beginning; what is neither is taken for western European text of one byte a letter, as older programs write it.</summary>
    /// <exception cref="FormatException">It is no text.</exception>
    public static string Read(byte[] bytes)
    {
        if (bytes is [0xFF, 0xFE, ..] or [0xFE, 0xFF, ..])
        {
            return (bytes[0] == 0xFF ? Encoding.Unicode : Encoding.BigEndianUnicode).GetString(bytes, 2, bytes.Length - 2);
        }

        var start = bytes.AsSpan(0, Math.Min(bytes.Length, LookedAt));
        if (start.StartsWith("%PDF-"u8))
        {
            throw new FormatException("This is a PDF, not a plain text. Save its text first.");
        }

        if (start.Contains((byte)0))
        {
            throw new FormatException("This is no text: it has signs in it that no text has. Is it a recording?");
        }

        try
        {
            return new UTF8Encoding(false, throwOnInvalidBytes: true).GetString(bytes is [0xEF, 0xBB, 0xBF, ..] ? bytes[3..] : bytes);
        }
        catch (DecoderFallbackException)
        {
            return Encoding.Latin1.GetString(bytes);
        }
    }
}
