using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.Security;

/// <summary>
/// Turns what goes wrong into problems that say what it is and what to do: requests that cannot be read, days that cannot be read, a disk
/// that cannot be written to.
/// </summary>
internal sealed class Faults(IProblemDetailsService problems) : IExceptionHandler
{
    private const string Unchanged = "Nothing of this change was kept; all that was kept before is there.";

    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        if (Said(exception) is not { } said) return false;
        httpContext.Response.StatusCode = said.Status!.Value;
        return await problems.TryWriteAsync(new ProblemDetailsContext { HttpContext = httpContext, ProblemDetails = said });
    }

    /// <summary>Says in words what a bare status says by its number.</summary>
    public static void Named(ProblemDetailsContext context)
    {
        if (context.ProblemDetails is { Detail: null, Title: { } title } bare && title == ReasonPhrases.GetReasonPhrase(bare.Status ?? 0))
            bare.Title = bare.Status switch
            {
                StatusCodes.Status404NotFound => "There is nothing at this address.",
                StatusCodes.Status405MethodNotAllowed => "This address is not asked in this way.",
                StatusCodes.Status415UnsupportedMediaType => "This is not of the type that is read here; send JSON as application/json.",
                StatusCodes.Status500InternalServerError => $"Something went wrong here, which is a fault of the program. {Unchanged}",
                _ => title,
            };
    }

    private static ProblemDetails? Said(Exception exception) => exception switch
    {
        BadHttpRequestException bad => Bad(bad),
        // System.Text.Json says NotSupported, not Json, of an edit that does not tell its type.
        NotSupportedException { Source: "System.Text.Json" } => Bad(new BadHttpRequestException(exception.Message, exception)),
        UnreadableDayException day => Problems.Details(
            StatusCodes.Status422UnprocessableEntity, "This day is kept, but cannot be read. Save its file from the list of days, or delete it there.",
            [new PlanProblem("", day.Why)]),
        RegexMatchTimeoutException => Short(StatusCodes.Status422UnprocessableEntity, "This text is too hard to read; make it shorter, a line for each thing."),
        SqliteException sqlite => Disk(sqlite.SqliteErrorCode),
        DbUpdateException { InnerException: SqliteException sqlite } => Disk(sqlite.SqliteErrorCode),
        IOException => Short(StatusCodes.Status503ServiceUnavailable, $"The disk could not be written to. {Unchanged}"),
        OperationCanceledException => Short(StatusCodes.Status503ServiceUnavailable, $"This was given up before it was done. {Unchanged}"),
        _ => null,
    };

    private static ProblemDetails Bad(BadHttpRequestException bad)
    {
        var field = (bad.InnerException as JsonException)?.Path?.TrimStart('$').TrimStart('.') ?? "";
        return bad.StatusCode switch
        {
            StatusCodes.Status413PayloadTooLarge =>
                Short(bad.StatusCode,
                    $"Too large. A plan file may have at most {PlanFile.MaxBytes / 1_000_000} MB, an edit {RequestLimits.EditBytes / 1000} kB."),
            StatusCodes.Status415UnsupportedMediaType =>
                Short(bad.StatusCode, "This is no JSON by what it says of itself; send it as application/json in UTF-8."),
            _ => Problems.Details(bad.StatusCode, "The request could not be read.", [new PlanProblem(field, bad.InnerException?.Message ?? bad.Message)]),
        };
    }

    /// <summary>What SQLite says of the disk, in words (https://sqlite.org/rescode.html).</summary>
    private static ProblemDetails Disk(int code) => code switch
    {
        5 or 6 => Short(StatusCodes.Status503ServiceUnavailable, $"Another program is at work in the database. {Unchanged} End it and try again."),
        8 or 14 => Short(StatusCodes.Status503ServiceUnavailable,
            $"The database may not be written to. {Unchanged} Give its folder back to its owner and try again."),
        13 => Short(StatusCodes.Status507InsufficientStorage, $"The disk is full. {Unchanged} Make room on it and try again."),
        11 or 26 => Short(StatusCodes.Status503ServiceUnavailable,
            "The database is damaged in a place this asked for. End the program, keep the folder, and take the newest copy with ./yoke restore FILE."),
        _ => Short(StatusCodes.Status503ServiceUnavailable, $"The database could not be written to. {Unchanged} Look after the disk and try again."),
    };

    private static ProblemDetails Short(int status, string title) => new() { Status = status, Title = title };
}
