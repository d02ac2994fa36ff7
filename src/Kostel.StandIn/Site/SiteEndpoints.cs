using System.Diagnostics;
using System.Globalization;
using Kostel.Core.Captions;
using Kostel.Core.Transcripts;

namespace Kostel.StandIn.Site;

/// <summary>A small web site for trying links and feeds out, on this computer.</summary>
internal static class SiteEndpoints
{
    private static readonly SemaphoreSlim Cutting = new(1);

    public static void MapSite(this IEndpointRouteBuilder app, SiteTalks talks)
    {
        app.MapGet("/", () => TypedResults.Content(SitePages.Index(SiteTroubles.All.Keys), "text/html; charset=utf-8"));
        app.MapGet("/talks/{way}", (string way, HttpContext context) => SitePages.Ways.FirstOrDefault(w => w.Way == way) is { Talk: { } talk }
            ? Results.Content(SitePages.Talk(way, Find(talks, talk)!, SiteTroubles.Origin(context)), "text/html; charset=utf-8")
            : Results.NotFound());
        app.MapGet("/player/{talk}", (string talk) => Of(talks, talk, t => Results.Content(SitePages.Player(t), "text/html; charset=utf-8")));
        app.MapGet("/oembed", (string talk, HttpContext context) => Of(talks, talk, t => Results.Json(new
        {
            version = "1.0",
            type = "rich",
            title = t.Title,
            html = $"<iframe src=\"{SiteTroubles.Origin(context)}/player/{t.Name}\"></iframe>",
        })));
        app.MapGet("/media/{talk}.opus", (string talk) => Of(talks, talk, t => Results.File(t.Path, t.Type, enableRangeProcessing: true, lastModified: File.GetLastWriteTimeUtc(t.Path))));
        app.MapGet("/captions/{talk}.vtt", (string talk) => Of(talks, talk, t => Results.Text(t.Captions, "text/vtt")));
        app.MapGet("/chapters/{talk}.vtt", (string talk) => Of(talks, talk, t => Results.Text(
            "WEBVTT\n\n" + string.Concat(t.Chapters.Select((c, i) =>
                $"{CaptionClock.Write(c.StartMs, '.')} --> {CaptionClock.Write(i + 1 < t.Chapters.Count ? t.Chapters[i + 1].StartMs : t.Transcript.DurationMs, '.')}\n{c.Title}\n\n")), "text/vtt")));
        app.MapGet("/chapters/{talk}.json", (string talk) => Of(talks, talk, t => Results.Json(new
        {
            version = "1.2.0",
            chapters = t.Chapters.Select(c => new { startTime = c.StartMs / 1000.0, title = c.Title }),
        })));
        app.MapGet("/feed.xml", (HttpContext context) => Feed(context, talks, "rss", SiteFeeds.Rss));
        app.MapGet("/feed.atom", (HttpContext context) => Feed(context, talks, "atom", SiteFeeds.Atom));
        app.MapPost("/publish", (string? name) => TypedResults.Ok(talks.PublishOneMore(name ?? "rss")));
        app.MapGet("/stream/{talk}/{file}", (string talk, string file, CancellationToken cancel) => Stream(talks, talk, file, cancel));
        app.MapGet("/trouble/{name}", (string name, HttpContext context) =>
            SiteTroubles.All.TryGetValue(name, out var trouble) ? trouble(context, talks) : Results.NotFound().ExecuteAsync(context));
    }

    /// <summary>A feed, or only that it has not changed.</summary>
    private static IResult Feed(HttpContext context, SiteTalks talks, string form, Func<IEnumerable<SiteTalk>, string, string> write)
    {
        var name = context.Request.Query["name"].ToString() is { Length: > 0 } own ? own : form;
        var shown = talks.PublishedBy(name).ToList();
        var tag = string.Create(CultureInfo.InvariantCulture, $"\"{name}-{shown.Count}\"");
        context.Response.Headers.ETag = tag;
        return context.Request.Headers.IfNoneMatch == tag
            ? Results.StatusCode(StatusCodes.Status304NotModified)
            : Results.Text(write(shown, SiteTroubles.Origin(context)), form == "rss" ? "application/rss+xml" : "application/atom+xml");
    }

    /// <summary>A talk cut into pieces, at the first time that it is asked for.</summary>
    private static async Task<IResult> Stream(SiteTalks talks, string talk, string file, CancellationToken cancel)
    {
        if (Find(talks, talk) is not { } found || Path.GetFileName(file) != file)
        {
            return Results.NotFound();
        }

        var folder = Path.Combine(Path.GetTempPath(), $"kostel-site-{Environment.ProcessId}", found.Name);
        await Cutting.WaitAsync(cancel);
        try
        {
            if (!File.Exists(Path.Combine(folder, "index.m3u8")))
            {
                Directory.CreateDirectory(folder);
                using var cut = Process.Start("ffmpeg", ["-v", "error", "-nostdin", "-i", found.Path, "-c:a", "aac", "-b:a", "48k", "-f", "hls", "-hls_time", "6", "-hls_playlist_type", "vod", Path.Combine(folder, "pieces.m3u8")]);
                await cut.WaitForExitAsync(cancel);
                await File.WriteAllTextAsync(Path.Combine(folder, "index.m3u8"), "#EXTM3U\n#EXT-X-STREAM-INF:BANDWIDTH=64000\npieces.m3u8\n", cancel);
            }
        }
        finally
        {
            Cutting.Release();
        }

        var path = Path.Combine(folder, file);
        return File.Exists(path) ? Results.File(path, file.EndsWith(".m3u8", StringComparison.Ordinal) ? "application/vnd.apple.mpegurl" : "video/mp2t") : Results.NotFound();
    }

    private static IResult Of(SiteTalks talks, string name, Func<SiteTalk, IResult> answer) => Find(talks, name) is { } talk ? answer(talk) : Results.NotFound();

    private static SiteTalk? Find(SiteTalks talks, string name) => talks.All.FirstOrDefault(t => t.Name == name);
}
