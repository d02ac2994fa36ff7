namespace Kostel.Core.Study.Sheets;

/// <summary>What kind of picture bytes are, by how they begin (PNG: ISO/IEC 15948, 5.2; everything else that Kostel keeps is JPEG).</summary>
public static class PictureTypes
{
    private static ReadOnlySpan<byte> Png => [0x89, 0x50, 0x4E, 0x47];

    /// <summary>The media type.</summary>
    public static string Of(byte[] picture) => picture.AsSpan().StartsWith(Png) ? "image/png" : "image/jpeg";
}
