using Kostel.Core.Transcripts;

namespace Kostel.Core.Captions;

/// <summary>A text that was brought in.</summary>
/// <param name="HasTimes">Whether the file says when things are said. Without, times are estimated from the length of the words.</param>
/// <param name="Title">The title that the file gives itself.</param>
/// <param name="Problems">What could not be read, each with its line; the rest was.</param>
public sealed record BroughtText(Transcript Transcript, bool HasTimes, IReadOnlyList<string> Problems, string? Title = null);

/// <summary>Lines and words of a text file.</summary>
internal static class TextLines
{
    /// <summary>The lines without their ends, whichever way they end; a byte order mark is dropped, and signs that are no text become spaces.</summary>
    public static IReadOnlyList<string> Of(string text)
    {
        var clean = text.TrimStart('\uFEFF').Replace("\r\n", "\n", StringComparison.Ordinal).Replace('\r', '\n');
        return string.Concat(clean.Select(c => char.IsControl(c) && c is not '\n' and not '\t' ? ' ' : c)).Split('\n').Select(l => l.TrimEnd()).ToList();
    }

    /// <summary>The words of a text.</summary>
    public static string[] Words(string text) => text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries);
}
