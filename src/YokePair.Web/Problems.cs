using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;
using YokePair.Core.Swaps;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

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
