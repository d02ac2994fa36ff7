using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using Kostel.Core.Links;
using Kostel.Core.Text;

namespace Kostel.Core.Feeds;

/// <summary>Reads RSS 2.0 and Atom 1.0 (RFC 4287) with recordings in enclosures, and the transcript and chapter elements of Podcasting 2.0.</summary>
/// <remarks>Elements are known by their local names: feeds in the wild write their extensions under several namespaces.</remarks>
public static class FeedReader
{
    /// <summary>Episodes that are taken of a feed; later ones are passed over, and that is said.</summary>
    public const int MostEpisodes = 10_000;

    private const int LongestText = 64 << 20, LongestTitle = 200, LongestKey = 1_000;

    /// <summary>The feed.</summary>
    /// <param name="xml">Its text. No entity of a document type is read and nothing is fetched.</param>
    /// <param name="address">Where it comes from: relative addresses count from there.</param>
    /// <exception cref="FeedProblemException">It is no feed.</exception>
    public static Feed Read(Stream xml, Uri address)
    {
        var root = Load(xml).Root!;
        var isAtom = root.Name.LocalName == "feed";
        var channel = isAtom ? root : Child(root, "channel");
        if (channel is null)
        {
            throw new FeedProblemException($"This is XML, but no feed: it begins with <{root.Name.LocalName}> where <rss> or <feed> was expected.");
        }

        var items = (isAtom ? Children(channel, "entry") : Children(channel, "item").Concat(Children(root, "item"))).ToList();
        var problems = new List<string>();
        var episodes = new Dictionary<string, Episode>();
        var (twice, without) = (0, 0);
        foreach (var item in items.Take(MostEpisodes))
        {
            if (ReadEpisode(item, address) is not { } episode)
            {
                without++;
            }
            else if (!episodes.TryAdd(episode.Key, episode))
            {
                twice++;
            }
        }

        Say(problems, without, "{0} of its entries have no recording.");
        Say(problems, twice, "{0} of its episodes say that they are the same as another; the first of each was taken.");
        Say(problems, items.Count - MostEpisodes, $"It has more than {MostEpisodes} episodes; the last {{0}} were left out.");
        return new Feed(Line(Child(channel, "title")?.Value) is { Length: > 0 } title ? title : address.Host, PageOf(channel, address), [.. episodes.Values], problems);
    }

    private static XDocument Load(Stream xml)
    {
        var settings = new XmlReaderSettings { DtdProcessing = DtdProcessing.Ignore, XmlResolver = null, MaxCharactersInDocument = LongestText, MaxCharactersFromEntities = 1 };
        try
        {
            using var reader = XmlReader.Create(xml, settings);
            return XDocument.Load(reader);
        }
        catch (XmlException e)
        {
            throw new FeedProblemException($"This is no feed that can be read: line {e.LineNumber}, column {e.LinePosition} is not XML as it should be.", e);
        }
    }

    private static Episode? ReadEpisode(XElement item, Uri address)
    {
        var enclosure = Children(item, "enclosure").FirstOrDefault(IsRecording)
            ?? Children(item, "link").FirstOrDefault(l => (string?)l.Attribute("rel") == "enclosure" && IsRecording(l));
        if (enclosure is null || Link((string?)enclosure.Attribute("url") ?? (string?)enclosure.Attribute("href"), address) is not { } media)
        {
            return null;
        }

        var key = Line(Child(item, "guid")?.Value ?? Child(item, "id")?.Value);
        var title = Line(Child(item, "title")?.Value);
        return new Episode(
            key.Length is > 0 and <= LongestKey ? key : media.ToString(),
            title.Length > 0 ? title : media.Segments[^1],
            Date(Child(item, "pubDate")?.Value ?? Child(item, "published")?.Value ?? Child(item, "updated")?.Value),
            media,
            (string?)enclosure.Attribute("type"),
            long.TryParse((string?)enclosure.Attribute("length"), NumberStyles.None, CultureInfo.InvariantCulture, out var bytes) && bytes > 0 ? bytes : null,
            Duration(Child(item, "duration")?.Value),
            PageOf(item, address),
            Children(item, "transcript").Select(t => (Link: Link((string?)t.Attribute("url"), address), Element: t)).Where(t => t.Link is not null)
                .Select(t => new CaptionLink(t.Link!, (string?)t.Element.Attribute("type"), (string?)t.Element.Attribute("language"))).ToList(),
            Children(item, "chapters").Select(c => Link((string?)c.Attribute("url"), address)).FirstOrDefault(l => l is not null));
    }

    private static bool IsRecording(XElement enclosure) =>
        (string?)enclosure.Attribute("type") is not { Length: > 0 } type
        || type.StartsWith("audio/", StringComparison.OrdinalIgnoreCase) || type.StartsWith("video/", StringComparison.OrdinalIgnoreCase)
        || type.Contains("mpegurl", StringComparison.OrdinalIgnoreCase) || type.Equals("application/octet-stream", StringComparison.OrdinalIgnoreCase);

    private static Uri? PageOf(XElement item, Uri address) =>
        Children(item, "link").Where(l => (string?)l.Attribute("rel") is null or "alternate")
            .Select(l => Link((string?)l.Attribute("href") ?? l.Value, address)).FirstOrDefault(l => l is not null);

    private static Uri? Link(string? text, Uri address) =>
        text is { Length: > 0 and <= LinkAddress.Longest } && Uri.TryCreate(address, text.Trim(), out var link)
        && (link.Scheme == Uri.UriSchemeHttp || link.Scheme == Uri.UriSchemeHttps) && link.UserInfo.Length == 0 ? link : null;

    /// <summary>RFC 822 dates, whose zones may be names, and RFC 3339 ones.</summary>
    private static DateTimeOffset? Date(string? text)
    {
        var clean = Line(text);
        foreach (var (name, offset) in new[] { ("UT", "+0"), ("EST", "-5"), ("EDT", "-4"), ("CST", "-6"), ("CDT", "-5"), ("MST", "-7"), ("MDT", "-6"), ("PST", "-8"), ("PDT", "-7") })
        {
            clean = clean.EndsWith(" " + name, StringComparison.Ordinal) ? clean[..^name.Length] + offset + ":00" : clean;
        }

        return DateTimeOffset.TryParse(clean, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var date) ? date : null;
    }

    /// <summary>Seconds, or hours, minutes and seconds with colons.</summary>
    private static int? Duration(string? text)
    {
        var parts = Line(text).Split(':');
        var seconds = 0.0;
        foreach (var part in parts)
        {
            if (!double.TryParse(part, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number))
            {
                return null;
            }

            seconds = (seconds * 60) + number;
        }

        return parts.Length <= 3 && seconds is > 0 and < int.MaxValue / 1000 ? (int)(seconds * 1000) : null;
    }

    private static void Say(List<string> problems, int count, string what)
    {
        if (count > 0)
        {
            problems.Add(string.Format(CultureInfo.InvariantCulture, what, count));
        }
    }

    private static string Line(string? text) => OneLine.Of(text ?? "", LongestTitle);

    private static XElement? Child(XElement parent, string name) => Children(parent, name).FirstOrDefault();

    private static IEnumerable<XElement> Children(XElement parent, string name) => parent.Elements().Where(e => e.Name.LocalName == name);
}
