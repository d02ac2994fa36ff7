using System.Xml;
using System.Xml.Linq;
using Kostel.Core.Links;
using Kostel.Core.Text;

namespace Kostel.Core.Feeds;

/// <summary>An entry of a list of feeds.</summary>
public sealed record FeedOutline(string Title, Uri Address);

/// <summary>Lists of feeds, read and written as OPML 2.0.</summary>
public static class Opml
{
    private const int LongestText = 8 << 20, LongestTitle = 200;

    /// <summary>Its feeds, wherever they stand in its folders, each once.</summary>
    /// <exception cref="FeedProblemException">It is no such list.</exception>
    public static IReadOnlyList<FeedOutline> Read(string text)
    {
        var settings = new XmlReaderSettings { DtdProcessing = DtdProcessing.Ignore, XmlResolver = null, MaxCharactersInDocument = LongestText, MaxCharactersFromEntities = 1 };
        try
        {
            using var reader = XmlReader.Create(new StringReader(text), settings);
            var root = XDocument.Load(reader).Root!;
            return root.Name.LocalName == "opml"
                ? root.Descendants().Where(e => e.Name.LocalName == "outline").Select(Outline).OfType<FeedOutline>().DistinctBy(o => o.Address).ToList()
                : throw new FeedProblemException($"This is no list of feeds: it begins with <{root.Name.LocalName}> where <opml> was expected.");
        }
        catch (XmlException e)
        {
            throw new FeedProblemException($"This is no list of feeds that can be read: line {e.LineNumber}, column {e.LinePosition} is not XML as it should be.", e);
        }
    }

    /// <summary>Writes a list.</summary>
    public static string Write(string title, IEnumerable<FeedOutline> feeds) =>
        new XDeclaration("1.0", "utf-8", null) + "\n" + new XElement(
            "opml",
            new XAttribute("version", "2.0"),
            new XElement("head", new XElement("title", title)),
            new XElement("body", feeds.Select(f => new XElement(
                "outline", new XAttribute("type", "rss"), new XAttribute("text", f.Title), new XAttribute("title", f.Title), new XAttribute("xmlUrl", f.Address.AbsoluteUri))))) + "\n";

    private static FeedOutline? Outline(XElement outline)
    {
        if ((string?)outline.Attribute("xmlUrl") is not { Length: > 0 and <= LinkAddress.Longest } text
            || !Uri.TryCreate(text.Trim(), UriKind.Absolute, out var address) || (address.Scheme != Uri.UriSchemeHttp && address.Scheme != Uri.UriSchemeHttps) || address.UserInfo.Length > 0)
        {
            return null;
        }

        var title = OneLine.Of((string?)outline.Attribute("title") ?? (string?)outline.Attribute("text") ?? "", LongestTitle);
        return new FeedOutline(title.Length > 0 ? title : address.Host, address);
    }
}
