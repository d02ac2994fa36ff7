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
        if (!file.Exists)
        {
            throw new FormatException(Directory.Exists(file.FullName) ? $"{file.Name} is a folder." : $"There is no file {file.FullName}.");
        }

        if (!TranscriptFiles.Endings.Contains(file.Extension, StringComparer.OrdinalIgnoreCase))
        {
            throw new FormatException($"{file.Name} is not of a form that is read here. It takes {string.Join(", ", TranscriptFiles.Endings)}.");
        }

        if (file.Length > Largest)
        {
            throw new FormatException($"{file.Name} is too long for the text of a lecture.");
        }

        try
        {
            return TranscriptFiles.Read(file.Name, TextBytes.Read(await File.ReadAllBytesAsync(file.FullName, cancel)));
        }
        catch (FormatException e)
        {
            throw new FormatException($"{file.Name} could not be read. {e.Message}", e);
        }
    }
}
