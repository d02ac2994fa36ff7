namespace Kostel.Server.Http;

/// <summary>Answers only requests to this machine by a name it expects. What another site's page sends, or opens a connection with, is refused,
/// whatever the method: a WebSocket begins as a GET.</summary>
internal sealed class LocalOnly(RequestDelegate next)
{
    private static readonly string[] OwnNames = ["127.0.0.1", "localhost", "[::1]"];

    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        var isOwnName = OwnNames.Contains(request.Host.Host, StringComparer.OrdinalIgnoreCase);
        if (!isOwnName || !ComesFromOwnPage(request))
        {
            context.Response.StatusCode = StatusCodes.Status403Forbidden;
            return context.Response.WriteAsync("Kostel answers only its own pages on this machine.");
        }

        return next(context);
    }

    private static bool ComesFromOwnPage(HttpRequest request)
    {
        var origin = request.Headers.Origin.ToString();
        if (origin.Length > 0 && origin != $"{request.Scheme}://{request.Host}")
        {
            return false;
        }

        // A link from elsewhere may open a page of the program; it may not fetch anything.
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        return site is "" or "same-origin" or "none" || (HttpMethods.IsGet(request.Method) && request.Headers["Sec-Fetch-Mode"] == "navigate" && !request.Path.StartsWithSegments("/api"));
    }
}
