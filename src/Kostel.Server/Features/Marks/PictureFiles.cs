using Kostel.Server.Http;

namespace Kostel.Server.Features.Marks;

/// <summary>Pictures that a person puts at a time: kept as they are, known by what they begin with and never by a name from outside.</summary>
internal static class PictureFiles
{
    private const int LargestBytes = 20 << 20;

    private static readonly (byte[] Begins, int At, string Ending, string Type)[] Kinds =
    [
        ([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A], 0, ".png", "image/png"),
        ([0xFF, 0xD8, 0xFF], 0, ".jpg", "image/jpeg"),
        ("GIF8"u8.ToArray(), 0, ".gif", "image/gif"),
        ("WEBP"u8.ToArray(), 8, ".webp", "image/webp"),
    ];

    /// <summary>Keeps a picture.</summary>
    /// <returns>The name of its file.</returns>
    public static async Task<string> Keep(string folder, Stream body, CancellationToken cancel)
    {
        var held = new MemoryStream();
        var buffer = new byte[1 << 16];
        int read;
        while ((read = await body.ReadAsync(buffer, cancel)) > 0)
        {
            if (held.Length + read > LargestBytes)
            {
                throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, "A picture may have up to 20 MB.");
            }

            held.Write(buffer, 0, read);
        }

        var bytes = held.ToArray();
        var kind = Kinds.FirstOrDefault(k => bytes.AsSpan().Length >= k.At + k.Begins.Length && bytes.AsSpan(k.At, k.Begins.Length).SequenceEqual(k.Begins));
        if (kind.Ending is null)
        {
            throw new PlainProblemException(StatusCodes.Status415UnsupportedMediaType, "This is no picture that Kostel can show: it takes PNG, JPEG, WebP and GIF.");
        }

        var name = $"{Guid.NewGuid():N}{kind.Ending}";
        Directory.CreateDirectory(Path.Combine(folder, "pictures"));
        await File.WriteAllBytesAsync(PathOf(folder, name), bytes, cancel);
        return name;
    }

    public static string PathOf(string folder, string name) => Path.Combine(folder, "pictures", Path.GetFileName(name));

    public static string TypeOf(string path) => Kinds.First(k => k.Ending == Path.GetExtension(path)).Type;
}
