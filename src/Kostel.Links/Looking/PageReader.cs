using System.Globalization;
using AngleSharp.Dom;
using AngleSharp.Html.Parser;
using Kostel.Core.Chapters;
using Kostel.Core.Links;
using Kostel.Core.Text;

namespace Kostel.Links.Looking;

/// <summary>Reads off a page what open metadata says of a recording: elements that play, Open Graph, schema.org in JSON-LD, oEmbed and links of the head.</summary>
/// <remarks>HTML Living Standard; ogp.me; schema.org VideoObject, AudioObject and Clip; oembed.com (discovery). Nothing of the page is run or loaded.</remarks>
internal static class PageReader
{
    private const int LongestTitle = 200, MostLinks = 40;
    private static readonly string[] Endings = [".mp3", ".m4a", ".mp4", ".m4v", ".ogg", ".oga", ".ogv", ".opus", ".webm", ".wav", ".flac", ".aac", ".mov", ".mkv", ".m3u8"];

    /// <summary>What the page says.</summary>
    /// <param name="html">Its text.</param>
    /// <param name="address">Where it was found; relative addresses count from there, or from what it says itself.</param>
    public static FoundPage Read(string html, Uri address)
    {
        var page = new HtmlParser().ParseDocument(html);
        var origin = page.QuerySelector("base[href]")?.GetAttribute("href") is { } said && Uri.TryCreate(address, said, out var other) && IsWeb(other) ? other : address;
        var schema = page.QuerySelectorAll("script[type='application/ld+json']").Select(s => SchemaRecording.Find(s.TextContent)).FirstOrDefault(s => s is not null);
        return new FoundPage(
            Title(page, schema),
            Date(schema?.Text("uploadDate") ?? schema?.Text("datePublished") ?? Meta(page, "article:published_time") ?? Meta(page, "video:release_date") ?? page.QuerySelector("time[datetime]")?.GetAttribute("datetime")),
            schema?.DurationMs ?? (int.TryParse(Meta(page, "video:duration") ?? Meta(page, "music:duration"), NumberStyles.None, CultureInfo.InvariantCulture, out var seconds) && seconds < int.MaxValue / 1000 ? seconds * 1000 : null),
            new[] { schema?.Text("thumbnailUrl"), Meta(page, "og:image:secure_url"), Meta(page, "og:image"), page.QuerySelector("video[poster]")?.GetAttribute("poster") }.Select(p => Link(p, origin)).FirstOrDefault(p => p is not null),
            Media(page, schema, origin),
            Captions(page, schema, origin),
            schema is null ? [] : ChapterFiles.Ordered(schema.Chapters()),
            page.QuerySelectorAll("track[kind=chapters][src]").Select(t => Link(t.GetAttribute("src"), origin)).FirstOrDefault(l => l is not null),
            page.QuerySelectorAll("link[type='application/json+oembed'][href]").Select(l => Link(l.GetAttribute("href"), origin)).FirstOrDefault(l => l is not null),
            Links(new[] { schema?.Text("embedUrl"), TypeOf(page, "og:video") is "text/html" ? Meta(page, "og:video:secure_url") ?? Meta(page, "og:video") : null }.Concat(page.QuerySelectorAll("iframe[src]").Select(f => f.GetAttribute("src"))), origin),
            Links(page.QuerySelectorAll("link[rel~=alternate][href]").Where(l => l.GetAttribute("type") is "application/rss+xml" or "application/atom+xml").Select(l => l.GetAttribute("href")), origin));
    }

    /// <summary>Pages shown inside of a piece of HTML, as oEmbed sends one.</summary>
    public static IReadOnlyList<Uri> FramesOf(string html, Uri address) =>
        Links(new HtmlParser().ParseDocument(html).QuerySelectorAll("iframe[src], video[src], audio[src], source[src]").Select(f => f.GetAttribute("src")), address);

    private static string Title(IDocument page, SchemaRecording? schema) =>
        new[] { schema?.Text("name"), Meta(page, "og:title"), page.QuerySelector("h1")?.TextContent, page.Title }
            .Select(t => OneLine.Of(t ?? "", LongestTitle)).FirstOrDefault(t => t.Length > 0) ?? "";

    private static List<OfferedMedia> Media(IDocument page, SchemaRecording? schema, Uri origin)
    {
        var offered = new List<OfferedMedia>();
        Offer(schema?.Text("contentUrl"), schema?.Text("encodingFormat"), MediaWorth.Schema);
        foreach (var element in page.QuerySelectorAll("video, audio"))
        {
            Offer(element.GetAttribute("src"), null, MediaWorth.Element);
            foreach (var source in element.QuerySelectorAll("source[src]"))
            {
                Offer(source.GetAttribute("src"), source.GetAttribute("type"), MediaWorth.Element);
            }
        }

        foreach (var kind in new[] { "og:video", "og:audio" })
        {
            var type = TypeOf(page, kind);
            if (type is not "text/html")
            {
                Offer(Meta(page, kind + ":secure_url") ?? Meta(page, kind + ":url") ?? Meta(page, kind), type, MediaWorth.OpenGraph);
            }
        }

        foreach (var link in page.QuerySelectorAll("link[rel~=alternate][href], link[rel~=enclosure][href]").Where(l => IsRecording(l.GetAttribute("type"))))
        {
            Offer(link.GetAttribute("href"), link.GetAttribute("type"), MediaWorth.HeadLink);
        }

        foreach (var link in page.QuerySelectorAll("a[href]").Where(a => HasEnding(a.GetAttribute("href"))).Take(MostLinks))
        {
            Offer(link.GetAttribute("href"), link.GetAttribute("type"), MediaWorth.PlainLink);
        }

        return offered.OrderByDescending(o => o.Worth).DistinctBy(o => o.Address).ToList();

        void Offer(string? text, string? type, MediaWorth worth)
        {
            if (Link(text, origin) is { } link)
            {
                offered.Add(new OfferedMedia(link, type?.Split(';')[0].Trim().ToLowerInvariant(), worth));
            }
        }
    }

    private static List<CaptionLink> Captions(IDocument page, SchemaRecording? schema, Uri origin)
    {
        var tracks = page.QuerySelectorAll("track[src]").Where(t => t.GetAttribute("kind") is null or "captions" or "subtitles")
            .Select(t => (t.GetAttribute("src")!, (string?)null, t.GetAttribute("srclang")));
        return tracks.Concat(schema?.Captions() ?? [])
            .Select(c => (Link: Link(c.Item1, origin), Type: c.Item2, Language: c.Item3))
            .Where(c => c.Link is not null)
            .Select(c => new CaptionLink(c.Link!, c.Type, c.Language))
            .DistinctBy(c => c.Address).Take(MostLinks).ToList();
    }

    private static string? Meta(IDocument page, string name) =>
        page.QuerySelectorAll("meta[content]").FirstOrDefault(m => (m.GetAttribute("property") ?? m.GetAttribute("name")) == name)?.GetAttribute("content");

    private static string? TypeOf(IDocument page, string kind) => Meta(page, kind + ":type")?.Split(';')[0].Trim().ToLowerInvariant();

    private static bool IsRecording(string? type) => type is not null
        && (type.StartsWith("audio/", StringComparison.OrdinalIgnoreCase) || type.StartsWith("video/", StringComparison.OrdinalIgnoreCase) || type.Contains("mpegurl", StringComparison.OrdinalIgnoreCase));

    private static bool HasEnding(string? link) => link?.Split('?', '#')[0] is { } path && Endings.Any(e => path.EndsWith(e, StringComparison.OrdinalIgnoreCase));

    private static DateOnly? Date(string? text) =>
        DateTimeOffset.TryParse(text, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal, out var date) ? DateOnly.FromDateTime(date.Date) : null;

    private static List<Uri> Links(IEnumerable<string?> texts, Uri origin) => texts.Select(t => Link(t, origin)).OfType<Uri>().Distinct().Take(MostLinks).ToList();

    private static Uri? Link(string? text, Uri origin) =>
        text is { Length: > 0 and <= LinkAddress.Longest } && Uri.TryCreate(origin, text.Trim(), out var link) && IsWeb(link) ? link : null;

    private static bool IsWeb(Uri link) => (link.Scheme == Uri.UriSchemeHttp || link.Scheme == Uri.UriSchemeHttps) && link.UserInfo.Length == 0;
}
