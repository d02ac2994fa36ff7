namespace Kostel.Links.Fetching;

/// <summary>A file that grows beside where it belongs, with what tells its content from another's, until it is whole.</summary>
/// <param name="path">Where it belongs.</param>
internal sealed class PartFile(string path)
{
    private readonly string part = path + ".part", tag = path + ".part.tag";

    /// <summary>Bytes that are there.</summary>
    public long Length => new FileInfo(part) is { Exists: true } file ? file.Length : 0;

    /// <summary>What it was told to be the same by; null if nothing was.</summary>
    public string? Tag => File.Exists(tag) ? File.ReadAllText(tag) : null;

    /// <summary>Writes pieces as they come.</summary>
    /// <param name="goesOn">Behind what is there; else in its place.</param>
    /// <param name="name">What tells the content from another's.</param>
    public async Task Write(bool goesOn, string? name, IAsyncEnumerable<ReadOnlyMemory<byte>> pieces, CancellationToken cancel)
    {
        if (!goesOn)
        {
            File.Delete(tag);
        }

        await using var file = new FileStream(part, goesOn ? FileMode.Append : FileMode.Create, FileAccess.Write, FileShare.Read, 1, FileOptions.Asynchronous);
        if (!goesOn && name is not null)
        {
            await File.WriteAllTextAsync(tag, name, cancel);
        }

        await foreach (var piece in pieces)
        {
            await file.WriteAsync(piece, CancellationToken.None);
        }
    }

    /// <summary>Says that it is whole.</summary>
    public void Complete()
    {
        File.Move(part, path, overwrite: true);
        File.Delete(tag);
    }

    /// <summary>Forgets it.</summary>
    public void Drop()
    {
        File.Delete(part);
        File.Delete(tag);
    }
}
