using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Data;

using YokePair.Web.Locker;

namespace YokePair.Web.Board;

/// <summary>Everything the day board shows, in one answer.</summary>
/// <param name="Key">Key of the assignment.</param>
/// <param name="Revision">Revision this is; an edit says which one it was made on.</param>
/// <param name="Plan">The plan.</param>
/// <param name="Report">The report with what is pulled gone, without events.</param>
/// <param name="Pull">What the pull does; null when nothing is pulled.</param>
/// <param name="Undo">What undo would take back.</param>
/// <param name="Redo">What redo would make again.</param>
public sealed record BoardView(string Key, int Revision, Plan Plan, Report Report, PullResult? Pull, string? Undo, string? Redo);

/// <summary>Every loss against every part.</summary>
public sealed record WhatIfView(string Name, IReadOnlyList<Part> Parts, WhatIfTable Table);

/// <summary>Edits made on one revision of a plan.</summary>
public sealed record EditRequest(int BaseRevision, IReadOnlyList<PlanEdit> Edits, IReadOnlyList<string>? Pull = null);

/// <summary>An undo or redo asked for on one revision of a plan.</summary>
public sealed record StepRequest(int BaseRevision, IReadOnlyList<string>? Pull = null);

/// <summary>The day board: seeing, editing, asking why.</summary>
internal static class BoardEndpoints
{
    public static void MapBoard(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/assignments/{key}");
        one.MapGet("/board", Show).WithName("ShowBoard").Produces<BoardView>().ProducesProblem(StatusCodes.Status404NotFound);
        Change(one.MapPost("/edits", Edit).WithName("EditPlan"));
        Change(one.MapPost("/undo", Undo).WithName("UndoEdit"));
        Change(one.MapPost("/redo", Redo).WithName("RedoEdit"));
        one.MapGet("/parts/{part}/needs/{need}", Explain).WithName("ExplainNeed").Produces<NeedExplanation>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/parts/{part}/needs/{need}/mends", Mends).WithName("MendNeed").Produces<IReadOnlyList<Mend>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapPost("/preview", Preview).WithName("PreviewEdits").Produces<BoardView>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status409Conflict).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        one.MapGet("/losses/{kind}/{id}/mends", LossMends).WithName("MendLoss").Produces<IReadOnlyList<Mend>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/losses/{kind}/{id}/parts/{part}/needs/{need}", LossChain).WithName("ExplainLoss").Produces<IReadOnlyList<string>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/what-if", WhatIf).WithName("WhatIf").Produces<WhatIfView>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/parts/{part}/choices", Choices).WithName("SetupChoices").Produces<IReadOnlyList<SetupChoice>>().ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static void Change(RouteHandlerBuilder route) =>
        route.Produces<BoardView>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status409Conflict).ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> Show(string key, string[]? pull, Days store, Verdicts verdicts, CancellationToken cancel) =>
        await store.FindAsync(key, cancel) is { } stored ? Results.Ok(View(stored, pull, verdicts)) : Problems.NotFound("assignment");

    private static async Task<IResult> Edit(string key, EditRequest request, PlanStore store, Days days, Verdicts verdicts, CancellationToken cancel)
    {
        var edits = await FoundAsync(request.Edits, days, cancel);
        return await AnswerAsync(await store.EditAsync(key, request.BaseRevision, edits, cancel), request.Pull, days, verdicts, cancel);
    }

    private static async Task<IResult> Undo(string key, StepRequest request, PlanStore store, Days days, Verdicts verdicts, CancellationToken cancel) =>
        await AnswerAsync(await store.UndoAsync(key, request.BaseRevision, cancel), request.Pull, days, verdicts, cancel);

    private static async Task<IResult> Redo(string key, StepRequest request, PlanStore store, Days days, Verdicts verdicts, CancellationToken cancel) =>
        await AnswerAsync(await store.RedoAsync(key, request.BaseRevision, cancel), request.Pull, days, verdicts, cancel);

    private static async Task<IResult> Explain(string key, string part, string need, string[]? pull, Days store, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        var explanation = new DayAnalysis(stored.Plan, PullTexts.Read(stored.Plan, pull)).Explain(part, need);
        return explanation is null ? Problems.NotFound("need") : Results.Ok(explanation);
    }

    private static async Task<IResult> Mends(string key, string part, string need, Days store, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        var mends = Mending.For(stored.Plan, part, need, await store.ThingsAsync(cancel));
        return mends is null ? Problems.NotFound("need") : Results.Ok(mends);
    }

    private static async Task<IResult> LossMends(string key, string kind, string id, Days store, CancellationToken cancel)
    {
        if (!Words.Read<LossKind>(kind, out var of)) return Problems.NotFound("loss");
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        var mends = Mending.ForLoss(stored.Plan, of, id, await store.ThingsAsync(cancel));
        return mends is null ? Problems.NotFound("loss") : Results.Ok(mends);
    }

    private static async Task<IResult> LossChain(string key, string kind, string id, string part, string need, Days store, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        return Words.Read<LossKind>(kind, out var of) && WhatIfTable.Chain(stored.Plan, of, id, part, need) is { } chain ? Results.Ok(chain) : Problems.NotFound("loss");
    }

    /// <summary>The board as it would be with edits, nothing of it kept; what is pulled has gone as things lie now.</summary>
    private static async Task<IResult> Preview(string key, EditRequest request, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        if (stored.Revision != request.BaseRevision) return Stale(new ChangeOutcome.Stale(stored.Revision, []));
        var result = EditResult.Apply(stored.Plan, await FoundAsync(request.Edits, days, cancel));
        if (result.Plan is not { } then) return Problems.Unprocessable("This cannot be done.", result.Problems);
        var report = new DayAnalysis(then, PullTest.AsThings(stored.Plan, PullTexts.Read(stored.Plan, request.Pull))).Report(withEvents: false);
        return Results.Ok(new BoardView(key, stored.Revision, then, report, null, stored.Undo, stored.Redo));
    }

    /// <summary>Edits with the things they take from the locker.</summary>
    private static async Task<List<PlanEdit>> FoundAsync(IReadOnlyList<PlanEdit> edits, Days days, CancellationToken cancel)
    {
        var found = new List<PlanEdit>();
        foreach (var edit in edits) found.Add(edit is PackThing pack ? pack with { Found = await days.ThingAsync(pack.Thing, cancel) } : edit);
        return found;
    }

    private static async Task<IResult> WhatIf(string key, Days store, CancellationToken cancel) =>
        await store.FindAsync(key, cancel) is { } stored
            ? Results.Ok(new WhatIfView(stored.Plan.Assignment.Name, [.. stored.Plan.Parts.OrderBy(p => p.Start)], WhatIfTable.Of(stored.Plan)))
            : Problems.NotFound("assignment");

    private static async Task<IResult> Choices(string key, string part, string person, string position, string? body, string[]? pull, Days store, CancellationToken cancel)
    {
        if (await store.FindAsync(key, cancel) is not { } stored) return Problems.NotFound("assignment");
        var choices = SetupChoices.For(stored.Plan, PullTexts.Read(stored.Plan, pull), part, person, position, body);
        return choices is null ? Problems.NotFound("part") : Results.Ok(choices);
    }

    private static async Task<IResult> AnswerAsync(ChangeOutcome outcome, IReadOnlyList<string>? pull, Days days, Verdicts verdicts, CancellationToken cancel) => outcome switch
    {
        ChangeOutcome.Done done => Results.Ok(View(await days.WithLockerAsync(done.Now, cancel), pull, verdicts)),
        ChangeOutcome.Stale stale => Stale(stale),
        ChangeOutcome.Refused refused => Problems.Unprocessable("This change was not made.", refused.Problems),
        _ => Problems.NotFound("assignment"),
    };

    private static IResult Stale(ChangeOutcome.Stale stale) => Results.Problem(
        statusCode: StatusCodes.Status409Conflict,
        title: "This plan was changed elsewhere, so your change was not made.",
        detail: stale.Changes.Count == 0 ? "It was replaced." : string.Join("\n", stale.Changes),
        extensions: new Dictionary<string, object?> { ["revision"] = stale.Revision, ["changes"] = stale.Changes });

    private static BoardView View(StoredPlan stored, IReadOnlyList<string>? pull, Verdicts verdicts)
    {
        var pulled = PullTexts.Read(stored.Plan, pull);
        var whole = verdicts.Of(stored);
        var report = pulled.Count == 0 ? whole : new DayAnalysis(stored.Plan, pulled).Report(withEvents: false);
        var result = pulled.Count == 0 ? null : PullTest.Compare(stored.Plan, pulled, whole, report);
        return new BoardView(stored.Key, stored.Revision, stored.Plan, report, result, stored.Undo, stored.Redo);
    }
}
