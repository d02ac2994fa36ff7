using Kostel.Data.Backup;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Http;

/// <summary>Something that cannot be done, with the reason in plain words.</summary>
public sealed class PlainProblemException(int status, string detail) : Exception(detail)
{
    /// <summary>HTTP status.</summary>
    public int Status => status;

    /// <summary>404 for a thing that is not there.</summary>
    public static PlainProblemException NotThere(string thing) => new(StatusCodes.Status404NotFound, $"This {thing} is not there any more.");

    /// <summary>409 for an edit of something that was changed elsewhere meanwhile.</summary>
    public static PlainProblemException ChangedElsewhere(string thing) => new(
        StatusCodes.Status409Conflict,
        $"This {thing} was changed in another window meanwhile. Your change was not saved; the newer state is shown, so you can make it again.");
}

/// <summary>Turns exceptions into problem details (RFC 9457) that say what happened, what was kept and what to do.</summary>
internal sealed class PlainProblems(IProblemDetailsService problems, ILogger<PlainProblems> log) : IExceptionHandler
{
    public const string DiskFull = "The disk is full. What was there is kept. Free some space, then try again.";

    public ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var (status, detail) = exception switch
        {
            PlainProblemException p => (p.Status, p.Message),
            DbUpdateConcurrencyException => (StatusCodes.Status409Conflict, PlainProblemException.ChangedElsewhere("page").Message),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } b => (b.StatusCode, "This is more than Kostel takes here. Nothing was changed."),
            BadHttpRequestException b => (b.StatusCode, $"The request could not be read{Where(b)}."),

            // A choice of kinds that names none.
            NotSupportedException { Source: "System.Text.Json" } => (StatusCodes.Status400BadRequest, "The request could not be read: it does not say of which kind it is."),
            BackupProblemException b => (StatusCodes.Status422UnprocessableEntity, b.Message),
            OperationCanceledException => (StatusCodes.Status423Locked, "Another request took the place of this one."),
            _ when IsBusy(exception) => (StatusCodes.Status503ServiceUnavailable, "The library is very busy at the moment. Nothing was changed; try again."),
            _ when IsDiskFull(exception) => (StatusCodes.Status507InsufficientStorage, DiskFull),
            _ => (StatusCodes.Status500InternalServerError, "Something went wrong in Kostel itself. What was saved is kept. Try again."),
        };
        if (status == StatusCodes.Status500InternalServerError)
        {
            log.LogError(exception, "Unexpected problem at {Path}", httpContext.Request.Path);
        }

        httpContext.Response.StatusCode = status;
        return problems.TryWriteAsync(new ProblemDetailsContext
        {
            HttpContext = httpContext,
            ProblemDetails = new ProblemDetails { Status = status, Detail = detail },
        });
    }

    /// <summary>The place in the body that could not be read.</summary>
    private static string Where(BadHttpRequestException e) =>
        e.InnerException is System.Text.Json.JsonException { Path: { Length: > 0 } path } ? $": something is missing or wrong at {path}" : "";

    private static bool IsBusy(Exception? e)
    {
        const int SqliteBusy = 5, SqliteLocked = 6;
        return e is not null && (e is Microsoft.Data.Sqlite.SqliteException { SqliteErrorCode: SqliteBusy or SqliteLocked } || IsBusy(e.InnerException));
    }

    /// <summary>Whether the cause is a disk without space, from the file system or from SQLite.</summary>
    public static bool IsDiskFull(Exception? e)
    {
        const int NoSpaceLeft = 28, SqliteFull = 13, SqliteInputOutput = 10;
        for (; e is not null; e = e.InnerException)
        {
            if ((e is IOException && (e.HResult & 0xFFFF) == NoSpaceLeft)
                || e is Microsoft.Data.Sqlite.SqliteException { SqliteErrorCode: SqliteFull or SqliteInputOutput })
            {
                return true;
            }
        }

        return false;
    }
}
