using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Plans;

namespace YokePair.Web;

/// <summary>RFC 9457 problem details with the fields they speak of.</summary>
internal static class Problems
{
    /// <summary>A problem that lists what is wrong field by field.</summary>
    public static ProblemDetails Details(int status, string title, IReadOnlyList<PlanProblem> found) => new()
    {
        Status = status,
        Title = title,
        Detail = string.Join("\n", found.Take(20).Select(p => p.ToString())),
        Extensions = { ["errors"] = found.Take(20).ToArray() },
    };

    public static IResult Unprocessable(string title, IReadOnlyList<PlanProblem> found) =>
        Results.Problem(Details(StatusCodes.Status422UnprocessableEntity, title, found));

    public static IResult NotFound(string what) =>
        Results.Problem(statusCode: StatusCodes.Status404NotFound, title: $"There is no {what} here; it may have been removed.");
}
