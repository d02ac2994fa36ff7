namespace Kostel.Data.Folder;

/// <summary>Keeps files of a library from being removed while somebody copies them, also between processes.</summary>
public static class LibraryFiles
{
    private static readonly TimeSpan Pause = TimeSpan.FromMilliseconds(200);

    /// <summary>Holds the files until it is disposed. Many may copy at a time; who removes is alone, and waits for them.</summary>
    public static async Task<IDisposable> Hold(string folder, bool isToRemove, CancellationToken cancel)
    {
        var path = Path.Combine(folder, "kostel.files");
        while (true)
        {
            cancel.ThrowIfCancellationRequested();
            try
            {
                if (!File.Exists(path))
                {
                    await using var made = new FileStream(path, FileMode.OpenOrCreate, FileAccess.Write, FileShare.ReadWrite);
                }

                return isToRemove
                    ? new FileStream(path, FileMode.Open, FileAccess.ReadWrite, FileShare.None)
                    : new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.Read);
            }
            catch (IOException e) when ((e.HResult & 0xFFFF) == LibraryLock.WouldBlock)
            {
                await Task.Delay(Pause, cancel);
            }
            catch (Exception e) when (!isToRemove && e is IOException or UnauthorizedAccessException)
            {
                // Where no file can be made, none is removed either.
                return new MemoryStream();
            }
        }
    }
}
