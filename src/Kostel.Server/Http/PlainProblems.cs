using Kostel.Core.Problems;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.EntityFrameworkCore;

namespace Kostel.Server.Http;

/// <summary>A request that cannot be granted, with the reason in plain words and a code for programs.</summary>
/// <param name="status">HTTP status.</param>
/// <param name="code">Of <see cref="ProblemCodes"/>; the usual one of the status if none is given.</param>
public sealed class PlainProblemException(int status, string detail, string? code = null) : KnownProblemException(code ?? UsualCode(status), detail)
{
    /// <summary>HTTP status.</summary>
    public int Status => status;

    /// <summary>404 for a thing that is not there.</summary>
    public static PlainProblemException NotThere(string thing) => new(StatusCodes.Status404NotFound, $"This {thing} is not there any more.");

    /// <summary>409 for an edit of something that was changed elsewhere meanwhile.</summary>
    public static PlainProblemException ChangedElsewhere(string thing) => new(
        StatusCodes.Status409Conflict,
        $"This {thing} was changed in another window meanwhile. Your change was not saved; the newer state is shown, so you can make it again.");

    private static string UsualCode(int status) => status switch
    {
        StatusCodes.Status400BadRequest => ProblemCodes.NotValid,
        StatusCodes.Status401Unauthorized or StatusCodes.Status403Forbidden => ProblemCodes.NotAllowed,
        StatusCodes.Status404NotFound => ProblemCodes.NotThere,
        StatusCodes.Status409Conflict => ProblemCodes.ChangedElsewhere,
        StatusCodes.Status412PreconditionFailed => ProblemCodes.Protocol,
        StatusCodes.Status413PayloadTooLarge => ProblemCodes.TooLarge,
        StatusCodes.Status415UnsupportedMediaType => ProblemCodes.UnreadableFile,
        StatusCodes.Status422UnprocessableEntity => ProblemCodes.NotPossible,
        StatusCodes.Status423Locked or StatusCodes.Status503ServiceUnavailable => ProblemCodes.Busy,
        StatusCodes.Status507InsufficientStorage => ProblemCodes.DiskFull,
        _ => ProblemCodes.Unexpected,
    };
}

/// <summary>Turns exceptions into problem details (RFC 9457) that say what happened, what was kept and what to do.</summary>
internal sealed class PlainProblems(IProblemDetailsService problems, ILogger<PlainProblems> log) : IExceptionHandler
{
    public const string DiskFull = "The disk is full. What was there is kept. Free some space, then try again.";

    public ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        var problem = exception as PlainProblemException ?? exception switch
        {
            DbUpdateConcurrencyException => PlainProblemException.ChangedElsewhere("page"),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } b => new(b.StatusCode, "This is more than Kostel takes here. Nothing was changed."),
            BadHttpRequestException b => new(b.StatusCode, $"The request could not be read{Where(b)}.", ProblemCodes.Unreadable),

            // A choice of kinds that names none.
            NotSupportedException { Source: "System.Text.Json" } => new(StatusCodes.Status400BadRequest, "The request could not be read: it does not say of which kind it is.", ProblemCodes.Unreadable),
            NotValidException n => new(StatusCodes.Status400BadRequest, n.Message, n.Code),
            KnownProblemException k => new(StatusCodes.Status422UnprocessableEntity, k.Message, k.Code),
            OperationCanceledException => new(StatusCodes.Status423Locked, "Another request took the place of this one."),
            _ when IsBusy(exception) => new(StatusCodes.Status503ServiceUnavailable, "The library is very busy at the moment. Nothing was changed; try again."),
            _ when IsDiskFull(exception) => new(StatusCodes.Status507InsufficientStorage, DiskFull),
            _ => new PlainProblemException(StatusCodes.Status500InternalServerError, "Something went wrong in Kostel itself. What was saved is kept. Try again."),
        };
        if (problem.Status == StatusCodes.Status500InternalServerError)
        {
            log.LogError(exception, "Unexpected problem at {Path}", httpContext.Request.Path);
        }

        httpContext.Response.StatusCode = problem.Status;
        return problems.TryWriteAsync(new ProblemDetailsContext
        {
            HttpContext = httpContext,
            ProblemDetails = new ProblemDetails { Status = problem.Status, Detail = problem.Message, Extensions = { ["code"] = problem.Code } },
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
