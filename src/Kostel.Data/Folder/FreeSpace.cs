namespace Kostel.Data.Folder;

/// <summary>Room on the disk that holds a folder.</summary>
public static class FreeSpace
{
    /// <summary>Bytes that can still be written; the largest number where that cannot be told.</summary>
    public static long At(string folder)
    {
        try
        {
            return new DriveInfo(folder).AvailableFreeSpace;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException or ArgumentException)
        {
            return long.MaxValue;
        }
    }
}
