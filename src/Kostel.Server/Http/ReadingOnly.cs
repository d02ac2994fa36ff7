using Kostel.Data;

namespace Kostel.Server.Http;

/// <summary>While the library is open for reading only, whatever would change it is refused with the reason.</summary>
internal sealed class ReadingOnly(RequestDelegate next, LibraryFolder library)
{
    public Task InvokeAsync(HttpContext context) =>
        library.OnlyForReading is not { } reason || HttpMethods.IsGet(context.Request.Method) || HttpMethods.IsHead(context.Request.Method)
        || HttpMethods.IsOptions(context.Request.Method) || context.Request.Path.StartsWithSegments("/hub")
            ? next(context)
            : throw new PlainProblemException(StatusCodes.Status507InsufficientStorage, reason);
}
