namespace Kostel.Server.Shared;

/// <summary>Names of files out of titles.</summary>
internal static class FileNames
{
    private const int Longest = 120;

    /// <summary>Letters, digits, hyphens, underscores and single spaces of a title; "lecture" where none are left.</summary>
    public static string Of(string title)
    {
        var clean = string.Join(' ', string.Concat(title.Select(c => char.IsLetterOrDigit(c) || c is '-' or ' ' or '_' ? c : ' ')).Split(' ', StringSplitOptions.RemoveEmptyEntries));
        return clean.Length == 0 ? "lecture" : clean[..Math.Min(Longest, clean.Length)];
    }
}
