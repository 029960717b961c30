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
        WriteTimeoutResponse = context =>
            Results.Problem(statusCode: StatusCodes.Status503ServiceUnavailable,
                title: "This took too long and was given up. Nothing was changed; try again, or make the question smaller.").ExecuteAsync(context),
    };
}
