namespace Kostel.StandIn;

/// <summary>Lets in who has the key.</summary>
internal sealed class Doorkeeper(string key)
{
    public Task LetIn(HttpContext context, RequestDelegate next)
    {
        if (context.Request.Headers.Authorization == $"Bearer {key}")
        {
            return next(context);
        }

        context.Response.StatusCode = StatusCodes.Status401Unauthorized;
        return context.Response.WriteAsJsonAsync(new { error = new { message = "The key is not known here." } });
    }
}
