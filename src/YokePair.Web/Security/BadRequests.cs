using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Timeouts;
using YokePair.Core.Plans;

namespace YokePair.Web.Security;

/// <summary>How large a request may be.</summary>
internal static class RequestLimits
{
    public const long EditBytes = 64 * 1024;

    /// <summary>A little over a plan file, so that the reader itself can say what is too large.</summary>
    public const long ImportBytes = PlanFile.MaxBytes + 1024 * 1024;

    /// <summary>How long any answer may take; a search that streams how far it has come has its own limit.</summary>
    public static RequestTimeoutPolicy Usual { get; } = new()
    {
        Timeout = TimeSpan.FromSeconds(30),
        TimeoutStatusCode = StatusCodes.Status503ServiceUnavailable,
        WriteTimeoutResponse = context => Results.Problem(statusCode: StatusCodes.Status503ServiceUnavailable, title: "This took too long and was given up. Nothing was changed; try again, or make the question smaller.").ExecuteAsync(context),
    };
}

/// <summary>Turns requests that cannot be read into problems that say what is wrong with them.</summary>
internal sealed class BadRequests(IProblemDetailsService problems) : IExceptionHandler
{
    public async ValueTask<bool> TryHandleAsync(HttpContext httpContext, Exception exception, CancellationToken cancellationToken)
    {
        // System.Text.Json says NotSupported, not Json, of an edit that does not tell its type.
        var bad = exception as BadHttpRequestException ?? (exception is NotSupportedException { Source: "System.Text.Json" } ? new BadHttpRequestException(exception.Message, exception) : null);
        if (bad is null) return false;
        httpContext.Response.StatusCode = bad.StatusCode;
        var field = (bad.InnerException as JsonException)?.Path?.TrimStart('$').TrimStart('.') ?? "";
        return await problems.TryWriteAsync(new ProblemDetailsContext
        {
            HttpContext = httpContext,
            ProblemDetails = bad.StatusCode == StatusCodes.Status413PayloadTooLarge
                ? new() { Status = bad.StatusCode, Title = $"Too large. A plan file may have at most {PlanFile.MaxBytes / 1_000_000} MB, an edit {RequestLimits.EditBytes / 1000} kB." }
                : Problems.Details(bad.StatusCode, "The request could not be read.", [new PlanProblem(field, bad.InnerException?.Message ?? bad.Message)]),
        });
    }
}
