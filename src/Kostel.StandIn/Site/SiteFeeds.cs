using System.Xml.Linq;

namespace Kostel.StandIn.Site;

/// <summary>The feeds of the site.</summary>
internal static class SiteFeeds
{
    private static readonly XNamespace Extension = "https://podcastindex.org/namespace/1.0", AtomSpace = "http://www.w3.org/2005/Atom";

    /// <summary>RSS 2.0 with transcripts and chapters.</summary>
    public static string Rss(IEnumerable<SiteTalk> talks, string origin) => new XElement(
        "rss",
        new XAttribute("version", "2.0"),
        new XAttribute(XNamespace.Xmlns + "podcast", Extension),
        new XElement(
            "channel",
            new XElement("title", "Evenings on the slip"),
            new XElement("link", origin),
            new XElement("description", "Short talks by the harbour. Invented."),
            talks.Select(t => new XElement(
                "item",
                new XElement("title", t.Title),
                new XElement("guid", new XAttribute("isPermaLink", "false"), $"slip-{t.Name}"),
                new XElement("pubDate", t.Held.ToDateTime(new TimeOnly(18, 0), DateTimeKind.Utc).ToString("R")),
                new XElement("link", $"{origin}/talks/{SitePages.Ways.First(w => w.Talk == t.Name).Way}"),
                new XElement("enclosure", new XAttribute("url", $"{origin}/media/{t.Name}.opus"), new XAttribute("length", t.Bytes), new XAttribute("type", t.Type)),
                new XElement(Extension + "transcript", new XAttribute("url", $"{origin}/captions/{t.Name}.vtt"), new XAttribute("type", "text/vtt"), new XAttribute("language", "en")),
                new XElement(Extension + "chapters", new XAttribute("url", $"{origin}/chapters/{t.Name}.json"), new XAttribute("type", "application/json+chapters")))))).ToString();

    /// <summary>Atom 1.0.</summary>
    public static string Atom(IEnumerable<SiteTalk> talks, string origin) => new XElement(
        AtomSpace + "feed",
        new XElement(AtomSpace + "title", "Evenings on the slip"),
        new XElement(AtomSpace + "id", $"{origin}/feed.atom"),
        new XElement(AtomSpace + "link", new XAttribute("href", origin)),
        talks.Select(t => new XElement(
            AtomSpace + "entry",
            new XElement(AtomSpace + "title", t.Title),
            new XElement(AtomSpace + "id", $"urn:slip:{t.Name}"),
            new XElement(AtomSpace + "published", $"{t.Held:yyyy-MM-dd}T18:00:00Z"),
            new XElement(AtomSpace + "link", new XAttribute("rel", "enclosure"), new XAttribute("href", $"{origin}/media/{t.Name}.opus"), new XAttribute("type", t.Type), new XAttribute("length", t.Bytes))))).ToString();

    /// <summary>A feed of very many episodes.</summary>
    public static string Long(int episodes, string origin) => new XElement(
        "rss",
        new XElement("channel", new XElement("title", "Every evening there ever was"), Enumerable.Range(1, episodes).Select(i => new XElement(
            "item", new XElement("title", $"Evening {i}"), new XElement("guid", $"evening-{i}"), new XElement("enclosure", new XAttribute("url", $"{origin}/media/moorings.opus?evening={i}"), new XAttribute("type", "audio/ogg")))))).ToString();

    /// <summary>A feed of which two episodes say that they are the same.</summary>
    public static string Twice(string origin) => $"""
        <rss><channel><title>Twice</title>
        <item><title>First</title><guid>same</guid><enclosure url="{origin}/media/moorings.opus" type="audio/ogg"/></item>
        <item><title>Second</title><guid>same</guid><enclosure url="{origin}/media/barometer.opus" type="audio/ogg"/></item>
        </channel></rss>
        """;

    /// <summary>A feed that names a file of the reader's computer as an entity.</summary>
    public const string WithEntities = """
        <?xml version="1.0"?><!DOCTYPE rss [<!ENTITY secret SYSTEM "file:///etc/passwd">]>
        <rss><channel><title>&secret;</title></channel></rss>
        """;
}
