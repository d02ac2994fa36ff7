namespace Kostel.Server.Http;

/// <summary>Answers only requests to this machine by a name it expects, and takes changes only from its own pages.</summary>
internal sealed class LocalOnly(RequestDelegate next)
{
    private static readonly string[] OwnNames = ["127.0.0.1", "localhost", "[::1]"];

    public Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        var isOwnName = OwnNames.Contains(request.Host.Host, StringComparer.OrdinalIgnoreCase);
        if (!isOwnName || (!IsReading(request) && !ComesFromOwnPage(request)))
        {
            context.Response.StatusCode = StatusCodes.Status403Forbidden;
            return context.Response.WriteAsync("Kostel answers only its own pages on this machine.");
        }

        return next(context);
    }

    private static bool IsReading(HttpRequest request) =>
        HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method);

    private static bool ComesFromOwnPage(HttpRequest request)
    {
        var site = request.Headers["Sec-Fetch-Site"].ToString();
        if (site.Length > 0 && site is not ("same-origin" or "none"))
        {
            return false;
        }

        var origin = request.Headers.Origin.ToString();
        return origin.Length == 0 || origin == $"{request.Scheme}://{request.Host}";
    }
}
