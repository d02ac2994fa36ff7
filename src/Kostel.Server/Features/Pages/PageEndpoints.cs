using Kostel.Server.Http;
using Microsoft.Extensions.FileProviders;

namespace Kostel.Server.Features.Pages;

/// <summary>The front end: its files, and its one page at every address that is neither a file nor part of the API.</summary>
internal static class PageEndpoints
{
    private const string NoncePlace = "__nonce__";

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
            var page = Path.Combine(folder, "index.html");
            if (!File.Exists(page))
            {
                context.Response.StatusCode = StatusCodes.Status503ServiceUnavailable;
                await context.Response.WriteAsync("The front end is not built. ./kostel start builds it.");
                return;
            }

            context.Response.ContentType = "text/html; charset=utf-8";
            context.Response.Headers.CacheControl = "no-store";
            var html = await File.ReadAllTextAsync(page, context.RequestAborted);
            await context.Response.WriteAsync(html
                .Replace(NoncePlace, PageSecurity.Nonce(context), StringComparison.Ordinal)
                .Replace("</head>", Early(context.Request.Path, files) + "</head>", StringComparison.Ordinal));
        });
    }

    private static string Early(PathString address, EarlyFiles files) =>
        EarlyPage.At(address) is { } page ? files.Tags(page.Screen) + string.Concat(page.Asked.Select(Fetched)) : "";

    private static string Fetched(string address) => $"<link rel=\"preload\" as=\"fetch\" crossorigin=\"anonymous\" href=\"{address}\">";
}
