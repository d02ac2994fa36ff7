using Kostel.Core.Captions;
using Kostel.Core.Chapters;
using Kostel.Core.Lectures;
using Kostel.Server.Http;

namespace Kostel.Server.Shared;

/// <summary>Reads a text that a person brings in.</summary>
internal static class TextFiles
{
    /// <summary>How long a text may be.</summary>
    public const long LargestBytes = 60L << 20;

    /// <summary>Whether a file is a text by the ending of its name.</summary>
    public static bool IsText(string fileName) => TranscriptFiles.Endings.Contains(Path.GetExtension(fileName), StringComparer.OrdinalIgnoreCase);

    /// <summary>The whole text of a file or a request.</summary>
    public static async Task<string> ReadAll(Stream stream, CancellationToken cancel)
    {
        using var memory = new MemoryStream();
        var buffer = new byte[1 << 16];
        int read;
        while ((read = await stream.ReadAsync(buffer, cancel)) > 0)
        {
            memory.Write(buffer, 0, read);
            if (memory.Length > LargestBytes)
            {
                throw new PlainProblemException(StatusCodes.Status413PayloadTooLarge, "This file is too long for the text of a lecture.");
            }
        }

        try
        {
            return TextBytes.Read(memory.ToArray());
        }
        catch (FormatException e)
        {
            throw new PlainProblemException(StatusCodes.Status415UnsupportedMediaType, e.Message);
        }
    }

    /// <summary>Reads a text, or says in plain words why not.</summary>
    /// <param name="chapters">Finds the chapters of one that brings none.</param>
    public static BroughtText Read(string fileName, string text, ChapterFinder chapters)
    {
        try
        {
            return TranscriptFiles.Read(fileName, text, chapters);
        }
        catch (FormatException e)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, $"{fileName} could not be read. {e.Message}");
        }
    }

    /// <summary>What the file of a whole lecture says besides its words; null for any other text.</summary>
    public static KeptThings? ReadThings(string fileName, string text)
    {
        try
        {
            return Path.GetExtension(fileName).Equals(".json", StringComparison.OrdinalIgnoreCase) ? LectureFormat.ReadThings(text) : null;
        }
        catch (FormatException e)
        {
            throw new PlainProblemException(StatusCodes.Status422UnprocessableEntity, $"{fileName} could not be read. {e.Message}");
        }
    }

    /// <summary>What a person should know of a text that was brought in; null for nothing.</summary>
    public static string? Notice(BroughtText brought, bool isAligned)
    {
        var times = brought.HasTimes || isAligned ? "" : "This text says nothing of when things were said, so its times are estimated at the pace of talk. ";
        var problems = brought.Problems.Count == 0 ? "" : $"Not everything could be read: {string.Join(" ", brought.Problems.Take(3))}"
            + (brought.Problems.Count > 3 ? $" And {brought.Problems.Count - 3} more." : "");
        return (times + problems).Trim() is { Length: > 0 } notice ? notice : null;
    }
}
