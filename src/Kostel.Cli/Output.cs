namespace Kostel.Cli;

/// <summary>Where a result is to be written.</summary>
internal static class Output
{
    /// <summary>Finds out before the work is done whether its result can be kept.</summary>
    /// <exception cref="IOException">There is no such folder, or it is a folder.</exception>
    public static void Check(FileInfo? file)
    {
        if (file is null)
        {
            return;
        }

        if (Directory.Exists(file.FullName))
        {
            throw new IOException($"{file.FullName} is a folder. --out takes a file.");
        }

        if (file.Directory is { Exists: false } folder)
        {
            throw new IOException($"There is no folder {folder.FullName}, so nothing could be written there. Make it first, or choose another for --out.");
        }

        // A file that cannot be written is noticed now; one that is there keeps its text until there is another.
        var isNew = !file.Exists;
        using (new FileStream(file.FullName, FileMode.OpenOrCreate, FileAccess.Write))
        {
        }

        if (isNew)
        {
            file.Delete();
        }
    }
}
