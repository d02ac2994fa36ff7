using System.Text;

namespace Kostel.Links.Looking;

/// <summary>What an answer turns out to be by its first bytes. What it says of itself counts only where these are silent.</summary>
internal enum ContentKind
{
    Recording,
    Page,
    Playlist,
    Xml,
    OtherText,
}

/// <summary>Tells contents apart.</summary>
internal static class ContentKinds
{
    /// <summary>The kind of content that begins so.</summary>
    /// <param name="first">Its first bytes.</param>
    /// <param name="type">Its media type as told, in small letters.</param>
    public static ContentKind Of(ReadOnlySpan<byte> first, string type)
    {
        var text = Encoding.UTF8.GetString(first).TrimStart('\uFEFF', ' ', '\t', '\r', '\n');
        if (text.StartsWith("#EXTM3U", StringComparison.Ordinal))
        {
            return ContentKind.Playlist;
        }

        if (Begins("<!doctype html") || Begins("<html") || (text.StartsWith('<') && type is "text/html" or "application/xhtml+xml"))
        {
            return ContentKind.Page;
        }

        if (Begins("<?xml") || Begins("<rss") || Begins("<feed") || Begins("<rdf"))
        {
            return text.Contains("<html", StringComparison.OrdinalIgnoreCase) ? ContentKind.Page : ContentKind.Xml;
        }

        return IsText(first) || (first.IsEmpty && type.StartsWith("text/", StringComparison.Ordinal)) ? ContentKind.OtherText : ContentKind.Recording;

        bool Begins(string opening) => text.StartsWith(opening, StringComparison.OrdinalIgnoreCase);
    }

    /// <summary>Whether bytes hold nothing that a text would not: recordings soon do.</summary>
    private static bool IsText(ReadOnlySpan<byte> first)
    {
        foreach (var b in first)
        {
            if (b < 0x20 && b is not (0x09 or 0x0A or 0x0C or 0x0D or 0x1B))
            {
                return false;
            }
        }

        return !first.IsEmpty;
    }
}
