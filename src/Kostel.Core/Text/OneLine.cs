namespace Kostel.Core.Text;

/// <summary>Texts of others, made fit for a line on a screen.</summary>
public static class OneLine
{
    /// <summary>The text with single spaces and without control characters, cut where it is too long and never within a character.</summary>
    public static string Of(string text, int most)
    {
        var clean = Of(text);
        return clean.Length <= most ? clean : clean[..(char.IsHighSurrogate(clean[most - 1]) ? most - 1 : most)].TrimEnd();
    }

    /// <summary>The text with single spaces and without control characters.</summary>
    public static string Of(string text) =>
        string.Join(' ', string.Concat(text.Where(c => !char.IsControl(c) || char.IsWhiteSpace(c))).Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries));
}
