using System.Net;
using System.Text.Json;

namespace Kostel.StandIn.Site;

/// <summary>The pages of the site: the same talks, told about in every way in which pages tell programs of recordings.</summary>
internal static class SitePages
{
    /// <summary>All ways, with the talk that stands on each page.</summary>
    public static readonly IReadOnlyList<(string Way, string Says, string Talk)> Ways =
    [
        ("video-element", "an element that plays, with tracks", "moorings"),
        ("open-graph", "Open Graph", "barometer"),
        ("schema", "schema.org in JSON-LD, with captions and clips", "lights"),
        ("oembed", "oEmbed, and a player in a frame", "moorings"),
        ("head-link", "a link in the head", "barometer"),
        ("plain-link", "an ordinary link to the file", "lights"),
        ("stream", "a stream in pieces", "barometer"),
    ];

    public static string Index(IEnumerable<string> troubles) => Page(
        "The slip in the evening",
        "",
        $"""
        <h1>The slip in the evening</h1>
        <p>Short talks, each told about in another way. All of it is invented, and stands on this computer.</p>
        <ul>{string.Concat(Ways.Select(w => $"""<li><a href="/talks/{w.Way}">{w.Says}</a></li>"""))}<li><a href="/feed.xml">the feed</a></li></ul>
        <h2>Troubles</h2>
        <ul>{string.Concat(troubles.Select(t => $"""<li><a href="/trouble/{t}">{t}</a></li>"""))}</ul>
        """,
        """<link rel="alternate" type="application/rss+xml" href="/feed.xml">""");

    /// <summary>A page that tells of a talk in one way.</summary>
    public static string Talk(string way, SiteTalk talk, string origin)
    {
        var (media, title) = ($"/media/{talk.Name}.opus", WebUtility.HtmlEncode(talk.Title));
        var date = talk.Held.ToString("yyyy-MM-dd");
        var (head, body) = way switch
        {
            "video-element" => ($"""<meta property="article:published_time" content="{date}T18:00:00Z">""", $"""
                <h1>{title}</h1>
                <video controls poster="/picture.png"><source src="{media}" type="{talk.Type}">
                <track kind="captions" src="/captions/{talk.Name}.vtt" srclang="en" label="English">
                <track kind="chapters" src="/chapters/{talk.Name}.vtt"></video>
                """),
            "open-graph" => ($"""
                <meta property="og:title" content="{title}"><meta property="og:type" content="video.other">
                <meta property="og:audio" content="{origin}{media}"><meta property="og:audio:type" content="{talk.Type}">
                <meta property="og:image" content="{origin}/picture.png"><meta property="article:published_time" content="{date}">
                """, "<p>It plays in a program of the site's own.</p>"),
            "schema" => ($"""<script type="application/ld+json">{Schema(talk, origin)}</script>""", "<p>Only programs see what stands here.</p>"),
            "oembed" => ($"""<link rel="alternate" type="application/json+oembed" href="/oembed?talk={talk.Name}">""", $"<h1>{title}</h1><div id=\"player\"></div>"),
            "head-link" => ($"""<link rel="alternate" type="{talk.Type}" href="{media}">""", $"<h1>{title}</h1><time datetime=\"{date}\">{date}</time>"),
            "plain-link" => ("", $"<h1>{title}</h1><p>Held on <time datetime=\"{date}\">{date}</time>. <a href=\"{media}\">Download it</a>.</p>"),
            _ => ($"""<meta name="article:published_time" content="{date}">""", $"<h1>{title}</h1><video src=\"/stream/{talk.Name}/index.m3u8\"></video>"),
        };
        return Page(title, $"<p><a href=\"/\">All talks</a></p>", body, head);
    }

    /// <summary>The page that a frame shows.</summary>
    public static string Player(SiteTalk talk) => Page("Player", "", $"""<audio controls src="/media/{talk.Name}.opus"></audio>""", "");

    public static string Page(string title, string before, string body, string head) =>
        $"<!doctype html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>{title}</title>{head}</head><body>{before}{body}</body></html>\n";

    private static string Schema(SiteTalk talk, string origin) => JsonSerializer.Serialize(new Dictionary<string, object>
    {
        ["@context"] = "https://schema.org",
        ["@graph"] = new object[]
        {
            new Dictionary<string, object> { ["@type"] = "WebPage", ["name"] = "A page" },
            new Dictionary<string, object>
            {
                ["@type"] = "AudioObject",
                ["name"] = talk.Title,
                ["uploadDate"] = talk.Held.ToString("yyyy-MM-dd"),
                ["duration"] = $"PT{talk.Transcript.DurationMs / 1000}S",
                ["contentUrl"] = $"{origin}/media/{talk.Name}.opus",
                ["encodingFormat"] = talk.Type,
                ["thumbnailUrl"] = new[] { $"{origin}/picture.png" },
                ["caption"] = new Dictionary<string, object> { ["@type"] = "MediaObject", ["contentUrl"] = $"{origin}/captions/{talk.Name}.vtt", ["encodingFormat"] = "text/vtt", ["inLanguage"] = "en" },
                ["hasPart"] = talk.Chapters.Select(c => new Dictionary<string, object> { ["@type"] = "Clip", ["name"] = c.Title, ["startOffset"] = c.StartMs / 1000.0 }).ToList(),
            },
        },
    });
}
