using Kostel.Core.Captions;

namespace Kostel.Cli;

/// <summary>Reads the text of a lecture from a file of any form that Kostel takes.</summary>
internal static class TextFile
{
    private const long Largest = 60L << 20;

    /// <summary>Reads a file by the ending of its name, and says what is wrong with it by its name.</summary>
    /// <exception cref="FormatException">It is no text, or not of this form.</exception>
    public static async Task<BroughtText> Read(FileInfo file, CancellationToken cancel)
    {
        try
        {
            return TranscriptFiles.Read(file.Name, await ReadAll(file, cancel), KnownWords.Chapters);
        }
        catch (FormatException e) when (e is not UnreadableFileException)
        {
            throw new FormatException($"{file.Name} could not be read. {e.Message}", e);
        }
    }

    /// <summary>Reads a plain text with a sentence on each line; null for any other file.</summary>
    /// <exception cref="FormatException">It is no text.</exception>
    public static async Task<LinedText?> Lined(FileInfo file, CancellationToken cancel) =>
        file.Extension.Equals(".txt", StringComparison.OrdinalIgnoreCase) ? LinedText.Read(await ReadAll(file, cancel)) : null;

    private static async Task<string> ReadAll(FileInfo file, CancellationToken cancel)
    {
        if (!file.Exists)
        {
            throw new UnreadableFileException(Directory.Exists(file.FullName) ? $"{file.Name} is a folder." : $"There is no file {file.FullName}.");
        }

        if (!TranscriptFiles.Endings.Contains(file.Extension, StringComparer.OrdinalIgnoreCase))
        {
            throw new UnreadableFileException($"{file.Name} is not of a form that is read here. It takes {string.Join(", ", TranscriptFiles.Endings)}.");
        }

        return file.Length > Largest
            ? throw new UnreadableFileException($"{file.Name} is too long for the text of a lecture.")
            : TextBytes.Read(await File.ReadAllBytesAsync(file.FullName, cancel));
    }

    /// <summary>What is wrong with the file itself and is said as it is.</summary>
    private sealed class UnreadableFileException(string message) : FormatException(message);
}
