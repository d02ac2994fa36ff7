using System.IO.Compression;

namespace Kostel.StandIn.Site;

/// <summary>Addresses that are broken or hostile, each in its own way, which is what they are for.</summary>
internal static class SiteTroubles
{
    private const int Bomb = 256 << 20;

    /// <summary>The troubles by name.</summary>
    public static readonly IReadOnlyDictionary<string, Func<HttpContext, SiteTalks, Task>> All = new Dictionary<string, Func<HttpContext, SiteTalks, Task>>
    {
        ["endless-redirect"] = (c, _) => Redirect(c, $"/trouble/endless-redirect?step={Random.Shared.Next()}"),
        ["to-private"] = (c, _) => Redirect(c, "http://169.254.169.254/latest/"),
        ["to-this-computer"] = (c, _) => Redirect(c, "http://127.0.0.1:9/"),
        ["to-file"] = (c, _) => Redirect(c, "file:///etc/passwd"),
        ["wrong-type"] = (c, _) => Send(c, "audio/mpeg", "<!doctype html><title>Log in</title><p>Log in to listen."),
        ["huge"] = (c, _) => Huge(c, 3L << 40),
        ["three-gigabytes"] = (c, _) => Huge(c, 3L << 30),
        ["bomb"] = UnpacksTo,
        ["never-ends"] = NeverEnds,
        ["never-answers"] = (c, _) => Task.Delay(Timeout.Infinite, c.RequestAborted),
        ["stalls"] = Stalls,
        ["breaks-off"] = BreaksOff,
        ["log-in"] = (c, _) => Status(c, StatusCodes.Status401Unauthorized),
        ["forbidden"] = (c, _) => Status(c, StatusCodes.Status403Forbidden),
        ["gone"] = (c, _) => Status(c, StatusCodes.Status404NotFound),
        ["busy"] = (c, _) => Status(c, StatusCodes.Status503ServiceUnavailable),
        ["no-recording"] = (c, _) => Send(c, "text/html", SitePages.Page("Notes", "", "<h1>Notes</h1><p>Only words, and <a href=\"/\">a link</a>.</p>", "")),
        ["list-as-recording"] = (c, _) => Send(c, "audio/mpeg", "#EXTM3U\n#EXTINF:10,\nfile:///etc/passwd\n#EXT-X-ENDLIST\n"),
        ["encrypted-stream"] = (c, _) => Send(c, "application/vnd.apple.mpegurl", "#EXTM3U\n#EXT-X-KEY:METHOD=AES-128,URI=\"key\"\n#EXTINF:10,\na.ts\n#EXT-X-ENDLIST\n"),
        ["live-stream"] = (c, _) => Send(c, "application/vnd.apple.mpegurl", "#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXTINF:10,\na.ts\n"),
        ["feed-no-xml"] = (c, _) => Send(c, "application/rss+xml", "<?xml version=\"1.0\"?><rss><channel><title>Broken & open</channel>"),
        ["feed-entities"] = (c, _) => Send(c, "application/rss+xml", SiteFeeds.WithEntities),
        ["feed-long"] = (c, _) => Send(c, "application/rss+xml", SiteFeeds.Long(5_000, Origin(c))),
        ["feed-twice"] = (c, _) => Send(c, "application/rss+xml", SiteFeeds.Twice(Origin(c))),
    };

    public static string Origin(HttpContext context) => $"{context.Request.Scheme}://{context.Request.Host}";

    private static Task Redirect(HttpContext context, string to)
    {
        context.Response.Redirect(to);
        return Task.CompletedTask;
    }

    private static Task Status(HttpContext context, int status)
    {
        context.Response.StatusCode = status;
        return context.Response.WriteAsync("No.", context.RequestAborted);
    }

    private static Task Send(HttpContext context, string type, string text)
    {
        context.Response.ContentType = type;
        return context.Response.WriteAsync(text, context.RequestAborted);
    }

    /// <summary>Promises more than any disk has, and begins.</summary>
    private static async Task Huge(HttpContext context, long length)
    {
        context.Response.ContentType = "audio/mpeg";
        context.Response.ContentLength = length;
        await context.Response.Body.WriteAsync(new byte[1 << 16], context.RequestAborted);
        await context.Response.Body.FlushAsync(context.RequestAborted);
        await Task.Delay(Timeout.Infinite, context.RequestAborted);
    }

    /// <summary>A page of a few kilobytes that unpacks to hundreds of megabytes.</summary>
    private static async Task UnpacksTo(HttpContext context, SiteTalks talks)
    {
        context.Response.ContentType = "text/html";
        context.Response.Headers.ContentEncoding = "gzip";
        await using var packed = new GZipStream(context.Response.Body, CompressionLevel.SmallestSize);
        await packed.WriteAsync("<!doctype html><title>"u8.ToArray(), context.RequestAborted);
        var spaces = new byte[1 << 20];
        Array.Fill(spaces, (byte)' ');
        for (var sent = 0; sent < Bomb; sent += spaces.Length)
        {
            await packed.WriteAsync(spaces, context.RequestAborted);
        }
    }

    private static async Task NeverEnds(HttpContext context, SiteTalks talks)
    {
        context.Response.ContentType = "audio/mpeg";
        var noise = new byte[1 << 16];
        while (!context.RequestAborted.IsCancellationRequested)
        {
            Random.Shared.NextBytes(noise);
            await context.Response.Body.WriteAsync(noise, context.RequestAborted);
        }
    }

    private static async Task Stalls(HttpContext context, SiteTalks talks)
    {
        context.Response.ContentType = "audio/ogg";
        context.Response.ContentLength = talks.All[0].Bytes;
        await context.Response.Body.WriteAsync((await File.ReadAllBytesAsync(talks.All[0].Path, context.RequestAborted)).AsMemory(0, 8192), context.RequestAborted);
        await context.Response.Body.FlushAsync(context.RequestAborted);
        await Task.Delay(Timeout.Infinite, context.RequestAborted);
    }

    /// <summary>A recording of which every answer breaks off after a third; what is asked for by ranges comes on from there.</summary>
    private static async Task BreaksOff(HttpContext context, SiteTalks talks)
    {
        var bytes = await File.ReadAllBytesAsync(talks.All[0].Path, context.RequestAborted);
        var from = context.Request.Headers.Range.ToString() is ['b', 'y', 't', 'e', 's', '=', .. var range] && int.TryParse(range.TrimEnd('-'), out var start) ? start : 0;
        context.Response.ContentType = "audio/ogg";
        context.Response.Headers.ETag = "\"slip-1\"";
        context.Response.ContentLength = bytes.Length - from;
        if (from > 0)
        {
            context.Response.StatusCode = StatusCodes.Status206PartialContent;
            context.Response.Headers.ContentRange = $"bytes {from}-{bytes.Length - 1}/{bytes.Length}";
        }

        var piece = Math.Min(bytes.Length - from, (bytes.Length / 3) + 1);
        await context.Response.Body.WriteAsync(bytes.AsMemory(from, piece), context.RequestAborted);
        await context.Response.Body.FlushAsync(context.RequestAborted);
        if (from + piece < bytes.Length)
        {
            context.Abort();
        }
    }
}
