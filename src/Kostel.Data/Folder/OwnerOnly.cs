using System.Runtime.InteropServices;

namespace Kostel.Data.Folder;

/// <summary>Files that only the person who started Kostel can read.</summary>
public static partial class OwnerOnly
{
    private const UnixFileMode File600 = UnixFileMode.UserRead | UnixFileMode.UserWrite;
    private const UnixFileMode Folder700 = File600 | UnixFileMode.UserExecute;
    private const uint NotForOthers = 0b000_111_111;

    /// <summary>Whatever this process or one that it starts makes from now on is closed to others.</summary>
    public static void FromNowOn() => _ = SetMask(NotForOthers);

    /// <summary>Closes what is there already: folders 0700, files 0600. What cannot be changed stays as it is.</summary>
    public static void Close(string folder)
    {
        Set(folder, Folder700);
        foreach (var entry in new DirectoryInfo(folder).EnumerateFileSystemInfos("*", new EnumerationOptions { RecurseSubdirectories = true, AttributesToSkip = FileAttributes.ReparsePoint }))
        {
            Set(entry.FullName, entry is DirectoryInfo ? Folder700 : File600);
        }
    }

    private static void Set(string path, UnixFileMode mode)
    {
        try
        {
            if (File.GetUnixFileMode(path) != mode)
            {
                File.SetUnixFileMode(path, mode);
            }
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            // On a file system without rights of its own, or of another owner, the folder around it decides.
        }
    }

    [LibraryImport("libc", EntryPoint = "umask")]
    private static partial uint SetMask(uint mask);
}
