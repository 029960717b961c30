using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Wording;
using YokePair.Data;
using YokePair.Web.Locker;
using YokePair.Web.Security;

namespace YokePair.Web.Assignments;

/// <summary>An assignment in the list, with what the day is worth.</summary>
public sealed record AssignmentSummary(string Key, string Name, string? Kind, DateTime? Start, DateTime? End, int People, int Things, int Strands, VerdictText Verdict);

/// <summary>Where an added assignment is found.</summary>
public sealed record Added(string Key, string Name);

/// <summary>A plan, whole, with things that may be pulled from it.</summary>
public sealed record AnalysisRequest(Plan Plan, IReadOnlyList<Pulled>? Pulled = null);

/// <summary>Listing, importing and exporting assignments, and analysing a plan that is not kept.</summary>
internal static class AssignmentEndpoints
{
    public static void MapAssignments(this IEndpointRouteBuilder api)
    {
        api.MapGet("/assignments", List).WithName("ListAssignments");
        api.MapPost("/assignments/import", Import).WithName("ImportPlan").Accepts<Plan>("application/json").Produces<Added>(StatusCodes.Status201Created)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity).WithMetadata(new RequestSizeLimitAttribute(RequestLimits.ImportBytes));
        api.MapGet("/assignments/{key}/plan", Export).WithName("ExportPlan").Produces<Plan>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapGet("/demos", Demos).WithName("ListDemos");
        api.MapPost("/demos/{name}", OpenDemo).WithName("OpenDemo").Produces<Added>(StatusCodes.Status201Created).ProducesProblem(StatusCodes.Status404NotFound);
        api.MapPost("/analysis", AnalysePlan).WithName("AnalysePlan").Produces<Report>().ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .WithMetadata(new RequestSizeLimitAttribute(RequestLimits.ImportBytes));
    }

    private static async Task<Ok<List<AssignmentSummary>>> List(PlanStore store, Days days, CancellationToken cancel)
    {
        var list = new List<AssignmentSummary>();
        foreach (var stored in await store.ListAsync(cancel))
        {
            var plan = (await days.WithLockerAsync(stored, cancel)).Plan;
            var report = new DayAnalysis(plan).Report(withEvents: false);
            list.Add(new AssignmentSummary(stored.Key, plan.Assignment.Name, plan.Assignment.Kind, plan.Parts.Min(p => p.Start), plan.Parts.Max(p => p.End),
                plan.People.Count, plan.Items.Count, report.Parts.Select(p => p.Strands).DefaultIfEmpty(3).Min(), report.VerdictParts));
        }
        return TypedResults.Ok(list);
    }

    private static async Task<IResult> Import(HttpRequest request, PlanStore store, CancellationToken cancel)
    {
        using var body = new MemoryStream();
        await request.Body.CopyToAsync(body, cancel);
        return await AddAsync(body.ToArray(), store, cancel);
    }

    private static async Task<IResult> AddAsync(byte[] file, PlanStore store, CancellationToken cancel)
    {
        var reading = PlanFile.Read(file);
        var problems = reading.Plan is null ? reading.Problems : PlanCheck.Complete(reading.Plan);
        if (problems.Count > 0) return Problems.Unprocessable("This file is not a plan that can be kept. Nothing was imported.", problems);
        var stored = await store.AddAsync(reading.Plan!, cancel);
        return Results.Created($"/api/assignments/{stored.Key}/board", new Added(stored.Key, stored.Plan.Assignment.Name));
    }

    private static async Task<IResult> Export(string key, Days store, CancellationToken cancel) =>
        await store.FindAsync(key, cancel) is { } stored
            ? Results.File(PlanFile.Write(stored.Plan), "application/json", $"{key}.yoke.json")
            : Problems.NotFound("assignment");

    private static Ok<IReadOnlyList<string>> Demos(AppSettings settings) => TypedResults.Ok(DemoDays.Names(settings));

    private static async Task<IResult> OpenDemo(string name, AppSettings settings, PlanStore store, CancellationToken cancel) =>
        await DemoDays.ReadAsync(settings, name, cancel) is { } file ? await AddAsync(file, store, cancel) : Problems.NotFound("demo day");

    private static IResult AnalysePlan(AnalysisRequest request)
    {
        var problems = PlanCheck.Usable(request.Plan);
        return problems.Count > 0
            ? Problems.Unprocessable("This plan cannot be analysed.", problems)
            : Results.Json(new DayAnalysis(request.Plan, request.Pulled).Report(), PlanFile.ReportOptions);
    }
}
