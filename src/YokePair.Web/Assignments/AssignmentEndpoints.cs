using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Wording;
using YokePair.Data;
using YokePair.Web.Security;
using YokePair.Web.Sessions;

namespace YokePair.Web.Assignments;

/// <summary>An assignment in the list, with what the day is worth: of one that is over or put away the headline alone.</summary>
public sealed record AssignmentSummary(string Key, string Name, string? Kind, DateTime? Start, DateTime? End, int? People, int? Things, int? Strands,
    VerdictText? Verdict, Shelf Shelf, string? Unreadable);

/// <summary>Where an added assignment is found.</summary>
public sealed record Added(string Key, string Name);

/// <summary>Where an assignment is to go.</summary>
public sealed record ShelveRequest(Shelf Shelf);

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
        api.MapPut("/assignments/{key}/shelf", Shelve).WithName("ShelveAssignment").Produces<Added>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapGet("/assignments/{key}/plan", Export).WithName("ExportPlan").Produces<Plan>().ProducesProblem(StatusCodes.Status404NotFound);
        api.MapGet("/assignments/{key}/raw", Raw).WithName("RawPlan").ExcludeFromDescription();
        api.MapGet("/demos", Demos).WithName("ListDemos");
        api.MapPost("/demos/{name}", OpenDemo).WithName("OpenDemo").Produces<Added>(StatusCodes.Status201Created)
            .ProducesProblem(StatusCodes.Status404NotFound);
        api.MapPost("/analysis", AnalysePlan).WithName("AnalysePlan").Produces<Report>().ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .WithMetadata(new RequestSizeLimitAttribute(RequestLimits.ImportBytes));
    }

    // The list waits a moment for verdicts that are being worked out, and no longer: one hard plan must not keep the others from being seen.
    private static readonly TimeSpan Patience = TimeSpan.FromMilliseconds(100);

    private static async Task<Ok<List<AssignmentSummary>>> List(
        PlanStore store, LockerStore lockers, Summaries summaries, TimeProvider clock, CancellationToken cancel)
    {
        var locker = await lockers.RevisionAsync(cancel);
        var today = clock.GetLocalNow().Date;
        var stored = await store.SummariesWithDeletedAsync(cancel);
        var missing = stored.Where(s => s.Shelf != Shelf.Deleted && !IsFresh(s) && summaries.Fault(s.Key, s.Revision) is null)
            .Select(s => summaries.WorkOut(s.Key)).ToList();
        if (missing.Count > 0)
        {
            await Task.WhenAny(Task.WhenAll(missing), Task.Delay(Patience, cancel));
            stored = await store.SummariesWithDeletedAsync(cancel);
        }
        return TypedResults.Ok(stored.Select(Summarised).ToList());

        // What is known; the verdict only where it is that of the plan as it is now.
        AssignmentSummary Summarised(StoredSummary s)
        {
            var known = summaries.Of(s);
            var shown = IsFresh(s) ? known : null;
            var isDone = s.Shelf != Shelf.Current || known?.End < today;
            return new(s.Key, s.Name, known?.Kind, s.Start, known?.End, known?.People, known?.Things, shown?.Strands,
                isDone && shown is not null ? shown.Verdict with { Details = [] } : shown?.Verdict, s.Shelf, summaries.Fault(s.Key, s.Revision));
        }

        // A day that is over, or archived, keeps the verdict it had: what the locker says since was not so then.
        bool IsFresh(StoredSummary of) => of.SummaryOf is { } state && state.Revision == of.Revision
            && (state.Locker == locker || of.Shelf == Shelf.Archived || summaries.Of(of)?.End < today);
    }

    private static async Task<IResult> Shelve(string key, ShelveRequest request, PlanStore store, UsedStore used, CancellationToken cancel)
    {
        if (await store.ShelveAsync(key, request.Shelf, cancel) is not { } name) return Problems.NotFound("assignment");
        // What is archived is kept light: the figures of its pictures stay, what each of them told goes.
        if (request.Shelf == Shelf.Archived) await used.LightenAsync(key, cancel);
        return Results.Ok(new Added(key, name));
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
        var problems = reading.Plan is { } plan ? [.. PlanCheck.Complete(plan), .. PlanLimits.Beyond(plan)] : reading.Problems;
        if (problems.Count == 0 && PlanFile.Unkeepable(PlanFile.Write(reading.Plan!)) is { } large)
            problems = [large with { Message = $"the plan {large.Message}" }];
        if (problems.Count > 0) return Problems.Unprocessable("This file is not a plan that can be kept. Nothing was imported.", problems);
        var stored = await store.AddAsync(reading.Plan!, cancel);
        return Results.Created($"/api/assignments/{stored.Key}/board", new Added(stored.Key, stored.Plan.Assignment.Name));
    }

    private static async Task<IResult> Export(string key, Days days, CancellationToken cancel) =>
        await days.FindAsync(key, null, cancel) is { } session
            ? Results.File(PlanFile.Write(session.Plan), "application/json", $"{key}.yoke.json")
            : Problems.NotFound("assignment");

    /// <summary>What is kept of an assignment, byte for byte, also where it cannot be read.</summary>
    private static async Task<IResult> Raw(string key, PlanStore store, CancellationToken cancel) =>
        await store.RawAsync(key, cancel) is { } bytes ? Results.File(bytes, "application/octet-stream", $"{key}.raw.json") : Problems.NotFound("assignment");

    private static Ok<IReadOnlyList<string>> Demos(AppSettings settings) => TypedResults.Ok(DemoDays.Names(settings));

    private static async Task<IResult> OpenDemo(string name, AppSettings settings, PlanStore store, CancellationToken cancel) =>
        await DemoDays.ReadAsync(settings, name, cancel) is { } file ? await AddAsync(file, store, cancel) : Problems.NotFound("demo day");

    private static IResult AnalysePlan(AnalysisRequest request, CancellationToken cancel)
    {
        var problems = PlanCheck.Usable(request.Plan);
        return problems.Count > 0
            ? Problems.Unprocessable("This plan cannot be analysed.", problems)
            : Results.Json(new DayAnalysis(request.Plan, request.Pulled, cancel: cancel).Report(), PlanFile.ReportOptions);
    }
}
