using Kostel.Server.Http;
using Microsoft.Extensions.FileProviders;

namespace Kostel.Server.Features.Pages;

/// <summary>The front end: its files, and its one page at every address that is neither a file nor part of the API.</summary>
internal static class PageEndpoints
{
    private const string NoncePlace = "__nonce__", Title = "<title>";

    public static void MapPages(this WebApplication app)
    {
        var settings = app.Services.GetRequiredService<ServerSettings>();
        var folder = Path.GetFullPath(settings.WebFolder);
        if (Directory.Exists(Path.Combine(folder, "assets")))
        {
            app.UseStaticFiles(new StaticFileOptions
            {
                FileProvider = new PhysicalFileProvider(Path.Combine(folder, "assets")),
                RequestPath = "/assets",
                OnPrepareResponse = c => c.Context.Response.Headers.CacheControl = "public, max-age=31536000, immutable",
            });
        }

        var files = new EarlyFiles(folder);
        app.Map("/api/{**rest}", () => TypedResults.NotFound()).ExcludeFromDescription();
        app.MapFallback(async (HttpContext context) =>
        {
            var frame = Path.Combine(folder, "index.html");
            if (!File.Exists(frame))
            {
                context.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
                await context.Response.WriteAsync("The front end is not built. ./kostel start builds it.");
                return;
            }

            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = "no-store";
            var html = await File.ReadAllTextAsync(frame, context.RequestAborted);
            var page = EarlyPage.At(context.Request.Path);
            await context.Response.WriteAsync(html
                .Replace(NoncePlace, PageSecurity.Nonce(context), StringComparison.Ordinal)
                .Replace(Title, Asked(page) + Title, StringComparison.Ordinal)
                .Replace("</head>", (page is null ? "" : files.Tags(page.Screen)) + "</head>", StringComparison.Ordinal));
        });
    }

    /// <summary>Before everything else: a browser fetches six things at a time, and what is asked for takes longer than a file.</summary>
    private static string Asked(EarlyPage? page) => string.Concat((page?.Asked ?? []).Select(Fetched));

    private static string Fetched(string address) => $"<link rel=\"preload\" as=\"fetch\" crossorigin=\"anonymous\" href=\"{address}\">";
}
