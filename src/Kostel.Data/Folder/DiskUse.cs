namespace Kostel.Data.Folder;

/// <summary>How much room things take on disk.</summary>
public static class DiskUse
{
    /// <summary>Bytes of a file, or of all files in a folder; 0 if it is not there.</summary>
    public static long Of(string path)
    {
        try
        {
            return File.Exists(path) ? new FileInfo(path).Length
                : Directory.Exists(path) ? new DirectoryInfo(path).EnumerateFiles("*", SearchOption.AllDirectories).Sum(f => f.Length)
                : 0;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // It goes away while it is counted.
            return 0;
        }
    }
}
