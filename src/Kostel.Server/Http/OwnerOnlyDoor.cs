using Kostel.Core.Problems;
using Kostel.Data.Folder;
using Kostel.Data.Rows;

namespace Kostel.Server.Http;

/// <summary>The one checkpoint of all addresses: lets in who started Kostel, and says to the rest of the program who that is: by the key of a printed address once, then by cookie; a program by an Authorization header.</summary>
internal sealed class OwnerOnlyDoor(RequestDelegate next, DoorKey door, DoorSetting setting)
{
    private const string KeyName = "key";
    private const string Scheme = "Bearer ";

    /// <summary>The longest that browsers keep a cookie.</summary>
    private static readonly TimeSpan Lasts = TimeSpan.FromDays(400);

    public async Task InvokeAsync(HttpContext context)
    {
        var request = context.Request;
        if (request.Query[KeyName].ToString() is { Length: > 0 } key && HttpMethods.IsGet(request.Method) && door.Opens(key))
        {
            context.Response.Cookies.Append(door.Cookie, door.Pass, new CookieOptions
            {
                HttpOnly = true,
                SameSite = SameSiteMode.Lax,
                MaxAge = Lasts,
                Path = "/",
            });
            context.Response.Headers.CacheControl = "no-store";

            // The key leaves the address bar, and with it the history.
            context.Response.Redirect(request.Path + QueryString.Create(request.Query.Where(q => q.Key != KeyName)));
            return;
        }

        if (!setting.AsksForKey || door.IsPass(request.Cookies[door.Cookie]) || IsPass(request.Headers.Authorization.ToString()))
        {
            // Whoever has the key is the one person that there is.
            context.RequestServices.GetRequiredService<Asker>().Is(PersonRow.TheOne);
            await next(context);
            return;
        }

        if (request.Query.ContainsKey(KeyName) && HttpMethods.IsGet(request.Method))
        {
            await Refuse(context, "This address was used already, and opens Kostel only once. Type ./kostel open for a new one.");
            return;
        }

        await Refuse(context, "Kostel answers only to who started it. Type ./kostel open, and use the address that it prints.");
    }

    private bool IsPass(string header) => header.StartsWith(Scheme, StringComparison.OrdinalIgnoreCase) && door.IsPass(header[Scheme.Length..]);

    private static Task Refuse(HttpContext context, string reason)
    {
        context.Response.StatusCode = StatusCodes.Status401Unauthorized;
        context.Response.Headers.WWWAuthenticate = "Bearer";
        context.Response.Headers.CacheControl = "no-store";
        if (context.Request.Path.StartsWithSegments("/api") || context.Request.Path.StartsWithSegments("/hub"))
        {
            return context.RequestServices.GetRequiredService<IProblemDetailsService>().WriteAsync(new ProblemDetailsContext
            {
                HttpContext = context,
                ProblemDetails = { Status = StatusCodes.Status401Unauthorized, Detail = reason, Extensions = { ["code"] = ProblemCodes.NotAllowed } },
            }).AsTask();
        }

        context.Response.ContentType = "text/html; charset=utf-8";
        return context.Response.WriteAsync(PlainPage.Of("This Kostel is somebody's", reason, PageSecurity.Nonce(context)));
    }
}
