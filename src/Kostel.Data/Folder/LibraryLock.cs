using Kostel.Core.Problems;

namespace Kostel.Data.Folder;

/// <summary>The library cannot be opened, with the reason in plain words.</summary>
public sealed class LibraryProblemException(string message) : KnownProblemException(ProblemCodes.Library, message);

/// <summary>That a library has one owner: a lock that the operating system holds as long as the process lives, and lets go however it ends.</summary>
public sealed class LibraryLock : IDisposable
{
    /// <summary>What the operating system answers where somebody else has a lock.</summary>
    internal const int WouldBlock = 11;

    private const string LockFile = "kostel.lock";
    private readonly FileStream held;

    private LibraryLock(FileStream held) => this.held = held;

    /// <summary>Takes the lock of a library.</summary>
    /// <exception cref="LibraryProblemException">Another process has it; says which.</exception>
    /// <exception cref="IOException">The file system takes no files.</exception>
    public static LibraryLock Take(string folder)
    {
        // A file of a full disk may still be opened if it is there; it is never written to, and never removed.
        try
        {
            return new LibraryLock(new FileStream(Path.Combine(folder, LockFile), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None));
        }
        catch (IOException e) when ((e.HResult & 0xFFFF) == WouldBlock)
        {
            throw new LibraryProblemException($"This library is open already{Opened.Read(folder)?.InWords}. Use that one, or end it first. Nothing was changed.");
        }
    }

    /// <summary>Whether a process has a library at this moment.</summary>
    public static bool IsHeld(string folder)
    {
        if (!File.Exists(Path.Combine(folder, LockFile)))
        {
            return false;
        }

        try
        {
            using (Take(folder))
            {
                return false;
            }
        }
        catch (LibraryProblemException)
        {
            return true;
        }
        catch (IOException)
        {
            return false;
        }
    }

    /// <inheritdoc/>
    public void Dispose() => held.Dispose();
}

/// <summary>Which process has a library open, written down for those who come later.</summary>
/// <param name="ProcessId">Of the server.</param>
/// <param name="Address">Where it answers.</param>
/// <param name="Run">Names this run of the program.</param>
public sealed record Opened(int ProcessId, string Address, string Run)
{
    /// <summary>In the middle of a sentence.</summary>
    public string InWords => $": process {ProcessId} has it, at {Address}";

    /// <summary>Who has it, as far as is written down.</summary>
    public static Opened? Read(string folder)
    {
        try
        {
            return File.ReadAllLines(PathIn(folder)) is [var process, var address, var run] && int.TryParse(process, out var id) ? new Opened(id, address, run) : null;
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            return null;
        }
    }

    /// <summary>Writes it down.</summary>
    public void Write(string folder) => File.WriteAllLines(PathIn(folder), [$"{ProcessId}", Address, Run]);

    private static string PathIn(string folder) => Path.Combine(folder, "kostel.opened");
}
