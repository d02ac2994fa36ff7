using Microsoft.AspNetCore.Http.Features;

namespace Kostel.Server.Http;

/// <summary>How much a request may carry. Few addresses take more than a page's worth; those say so.</summary>
internal static class BodyLimits
{
    /// <summary>For everything that is not said otherwise.</summary>
    public const long Usual = 8 << 20;

    /// <summary>Another limit for an address; null for one that bounds what it takes itself.</summary>
    public static RouteHandlerBuilder TakesUpTo(this RouteHandlerBuilder endpoint, long? bytes) => endpoint.WithMetadata(new Limit(bytes));

    /// <summary>Sets the limit of the address that was found.</summary>
    public static Task Apply(HttpContext context, RequestDelegate next)
    {
        if (context.GetEndpoint()?.Metadata.GetMetadata<Limit>() is { } limit && context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } size)
        {
            size.MaxRequestBodySize = limit.Bytes;
        }

        return next(context);
    }

    private sealed record Limit(long? Bytes);
}
