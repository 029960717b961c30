using System.Globalization;
using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Advice;
using YokePair.Core.Plans;
using YokePair.Solving;
using YokePair.Web.Sessions;

namespace YokePair.Web.Proposals;

/// <summary>One line of an answer that comes as it is found: that it waits its turn, how far the search is, or in the last line what it found.</summary>
public sealed record SetupsAnswer(SearchProgress? Progress, SetupTrade? Found, bool? Waits = null);

/// <summary>The same of a search for what may stay at home.</summary>
public sealed record DeadWeightAnswer(DeadWeightProgress? Progress, DeadWeightProposal? Found, bool? Waits = null);

/// <summary>The same of a search for a kit.</summary>
public sealed record KitAnswer(KitProgress? Progress, KitProposal? Found, bool? Waits = null);

/// <summary>Searches that take longer than an edit. Each answers line by line; closing the connection stops it.</summary>
internal static class ProposalEndpoints
{
    public static void MapProposals(this IEndpointRouteBuilder api)
    {
        api.MapPost("/assignments/{key}/kit-proposal", Kit).WithName("ProposeKit").Produces<KitAnswer>(StatusCodes.Status200OK, Lines.ContentType)
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity).DisableRequestTimeout();
        api.MapPost("/assignments/{key}/dead-weight", Spare).WithName("ProposeDeadWeight")
            .Produces<DeadWeightAnswer>(StatusCodes.Status200OK, Lines.ContentType).ProducesProblem(StatusCodes.Status404NotFound).DisableRequestTimeout();
        api.MapPost("/assignments/{key}/setups-proposal", Setups).WithName("ProposeSetups").Produces<SetupsAnswer>(StatusCodes.Status200OK, Lines.ContentType)
            .ProducesProblem(StatusCodes.Status404NotFound).DisableRequestTimeout();
    }

    private static async Task<IResult> Kit(
        string key, string? survives, string? goal, bool? locker, bool? move, bool? free, [FromQuery] string[]? limit, Days store, Searches searches,
        HttpContext http, CancellationToken cancel)
    {
        if (await store.FindAsync(key, null, cancel) is not { } session) return Web.Problems.NotFound("assignment");
        var (limits, problems) = LimitsOf(session.Plan, limit ?? []);
        if (!EnumText.Read<FailureClass>(survives ?? "item", out var failures)) problems = [.. problems, EnumText.Unknown<FailureClass>("survives", survives!)];
        if (!EnumText.Read<KitGoal>(goal ?? "weight", out var least)) problems = [.. problems, EnumText.Unknown<KitGoal>("goal", goal!)];
        var wish = new KitWish(failures, least, locker != false, move == true, free == true, limits);
        var things = (await store.LockerAsync(cancel)).Things;
        if (problems.Count == 0) problems = KitProblem.Unkeepable(session.Plan, things, wish);
        if (problems.Count > 0) return Web.Problems.Unprocessable("No kit was looked for.", problems);
        return await searches.AnswerAsync(http, new KitAnswer(null, null, Waits: true), (tell, stop) =>
        {
            var progress = new Lines.Callback<KitProgress>(p => tell(new KitAnswer(p, null)));
            tell(new KitAnswer(null, LightestKit.Find(session.Plan, things, wish, progress, stop)));
        }, cancel);
    }

    private static async Task<IResult> Spare(string key, Days store, Searches searches, HttpContext http, CancellationToken cancel)
    {
        if (await store.FindAsync(key, null, cancel) is not { } session) return Web.Problems.NotFound("assignment");
        var things = (await store.LockerAsync(cancel)).Things;
        return await searches.AnswerAsync(http, new DeadWeightAnswer(null, null, Waits: true), (tell, stop) =>
        {
            var progress = new Lines.Callback<DeadWeightProgress>(p => tell(new DeadWeightAnswer(p, null)));
            tell(new DeadWeightAnswer(null, DeadWeight.Find(new DeadWeightProblem(session.Whole, things, stop), progress, stop)));
        }, cancel);
    }

    /// <summary>Reads <c>place:kilograms</c>.</summary>
    private static (List<CarryLimit> Limits, IReadOnlyList<PlanProblem> Problems) LimitsOf(Plan plan, string[] texts)
    {
        var limits = new List<CarryLimit>();
        var problems = new List<PlanProblem>();
        foreach (var text in texts)
        {
            var at = text.LastIndexOf(':');
            var id = at < 0 ? text : text[..at];
            if (plan.Places.All(p => p.Id != id) && plan.People.All(p => p.Id != id)) problems.Add(
                new PlanProblem("limit", $"there is no place and no person \"{id}\""));
            else if (at < 0 || !double.TryParse(text[(at + 1)..], CultureInfo.InvariantCulture, out var kg)
                || kg is < 0 or > 500) problems.Add(new PlanProblem("limit", $"for {id} is not a weight; give kilograms from 0 to 500"));
            else limits.Add(new CarryLimit(id, kg * 1000));
        }
        return (limits, problems);
    }

    private static async Task<IResult> Setups(
        string key, [FromQuery] string[]? part, [FromQuery] string[]? pin, [FromQuery] string[]? pull, Days store, Searches searches, HttpContext http,
        CancellationToken cancel)
    {
        if (await store.FindAsync(key, pull, cancel) is not { } session) return Web.Problems.NotFound("assignment");
        return await searches.AnswerAsync(http, new SetupsAnswer(null, null, Waits: true), (tell, stop) =>
        {
            var progress = new Lines.Callback<SearchProgress>(p => tell(new SetupsAnswer(p, null)));
            var problem = new SetupProblem(session.Day, part is { Length: > 0 } ? part : null, [.. (pin ?? []).Select(Hand)]);
            FewestChanges.Trades(problem, trade => tell(new SetupsAnswer(null, trade)), progress, stop);
        }, cancel);
    }

    /// <summary>Reads <c>person:position</c>.</summary>
    private static (string Person, string Position) Hand(string text) => text.IndexOf(':') is var at and > 0 ? (text[..at], text[(at + 1)..]) : (text, "");
}
