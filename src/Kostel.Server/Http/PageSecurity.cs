using System.Security.Cryptography;

namespace Kostel.Server.Http;

/// <summary>A content security policy without any outside host; the page's own style element gets a nonce of its own each time.</summary>
internal sealed class PageSecurity(RequestDelegate next)
{
    private const string NonceItem = "nonce";

    public static string Nonce(HttpContext context) => (string)context.Items[NonceItem]!;

    public Task InvokeAsync(HttpContext context)
    {
        var nonce = Convert.ToBase64String(RandomNumberGenerator.GetBytes(16));
        context.Items[NonceItem] = nonce;
        var response = context.Response;

        // At the last moment: an answer that a failure began anew has them too.
        response.OnStarting(() =>
        {
            Write(response.Headers, nonce);
            return Task.CompletedTask;
        });
        return next(context);
    }

    private static void Write(IHeaderDictionary headers, string nonce)
    {
        headers.ContentSecurityPolicy =
            $"default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; style-src-attr 'unsafe-inline'; font-src 'self'; img-src 'self' data: blob:; "
            + "media-src 'self' blob:; connect-src 'self'; form-action 'self'; base-uri 'none'; frame-ancestors 'none'";
        headers.XContentTypeOptions = "nosniff";
        headers["Referrer-Policy"] = "no-referrer";
        headers["Cross-Origin-Opener-Policy"] = "same-origin";
        headers["Cross-Origin-Resource-Policy"] = "same-origin";
    }
}
