using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Use;
using YokePair.Data;
using YokePair.Web.Assignments;
using YokePair.Web.Sessions;

namespace YokePair.Web.Board;

/// <summary>What a need would come to, were it as it is typed.</summary>
/// <param name="Asked">What it would ask.</param>
/// <param name="Report">How it would stand.</param>
/// <param name="First">What one would choose; null when nothing is there to be weighed.</param>
public sealed record NeedTried(Asked Asked, NeedReport Report, Weighed? First);

/// <summary>A line of what is said of a need: why it stands as it does, then, where it is exposed, what would mend it.</summary>
/// <param name="Explanation">Why; null in the second line.</param>
/// <param name="Mends">What would mend it; null in the first line.</param>
public sealed record NeedAnswer(NeedExplanation? Explanation, IReadOnlyList<Mend>? Mends, Pinch? Pinch);

/// <summary>Everything the day board shows, in one answer.</summary>
/// <param name="Key">Key of the assignment.</param>
/// <param name="Revision">Revision this is; an edit says which one it was made on.</param>
/// <param name="Plan">The plan; null where the page has that revision already.</param>
/// <param name="Report">The report with what is pulled gone, without events.</param>
/// <param name="Pull">What the pull does; null when nothing is pulled.</param>
/// <param name="Undo">What undo would take back.</param>
/// <param name="Redo">What redo would make again.</param>
public sealed record BoardView(string Key, int Revision, Plan? Plan, Report Report, PullResult? Pull, string? Undo, string? Redo);

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
        one.MapGet("/parts/{part}/needs/{need}", Explain).WithName("ExplainNeed").Produces<NeedAnswer>(StatusCodes.Status200OK, Lines.ContentType)
            .ProducesProblem(StatusCodes.Status404NotFound);
        one.MapPost("/parts/{part}/needs/{need}/weigh", Weigh).WithName("WeighNeed").Produces<NeedTried>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        one.MapPost("/preview", Preview).WithName("PreviewEdits").Produces<BoardView>().ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status409Conflict).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        one.MapGet("/pinch", Most).WithName("WhatCarriesMost").Produces<Pinch>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/losses/{kind}/{id}/mends", LossMends).WithName("MendLoss").Produces<IReadOnlyList<Mend>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/losses/{kind}/{id}/parts/{part}/needs/{need}", LossChain).WithName("ExplainLoss").Produces<IReadOnlyList<string>>()
            .ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/what-if", WhatIf).WithName("WhatIf").Produces<WhatIfView>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/power", Power).WithName("ShowPower").Produces<PowerDay>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/cards", Cards).WithName("ShowCards").Produces<CardDay>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/parts/{part}/choices", Choices).WithName("SetupChoices").Produces<HandChoices>().ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static void Change(RouteHandlerBuilder route) =>
        route.Produces<BoardView>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> Show(string key, string[]? pull, int? have, Days days, Summaries summaries, CancellationToken cancel) =>
        await days.FindAsync(key, pull, cancel) is { } session ? Results.Ok(View(session, have, summaries)) : Problems.NotFound("assignment");

    private static async Task<IResult> Edit(string key, EditRequest request, PlanStore store, Days days, Summaries summaries, CancellationToken cancel)
    {
        var edits = await FoundAsync(request.Edits, days, cancel);
        var outcome = await store.EditAsync(key, request.BaseRevision, edits, await days.AheadAsync(key, cancel), cancel);
        return await AnswerAsync(outcome, request.Pull, days, summaries, cancel);
    }

    private static async Task<IResult> Undo(string key, StepRequest request, PlanStore store, Days days, Summaries summaries, CancellationToken cancel) =>
        await AnswerAsync(await store.UndoAsync(key, request.BaseRevision, await days.AheadAsync(key, cancel), cancel), request.Pull, days, summaries, cancel);

    private static async Task<IResult> Redo(string key, StepRequest request, PlanStore store, Days days, Summaries summaries, CancellationToken cancel) =>
        await AnswerAsync(await store.RedoAsync(key, request.BaseRevision, await days.AheadAsync(key, cancel), cancel), request.Pull, days, summaries, cancel);

    private static async Task<IResult> Explain(string key, string part, string need, string[]? pull, Days days, HttpContext http, CancellationToken cancel)
    {
        if (await days.FindAsync(key, pull, cancel) is not { } session) return Problems.NotFound("assignment");
        if (session.Day.Explain(part, need) is not { } why) return Problems.NotFound("need");
        var things = (await days.LockerAsync(cancel)).Things;
        await Lines.StreamAsync<NeedAnswer>(http, (tell, stop) =>
        {
            var pinch = Pinching.Of(session.Day, part, need);
            tell(new NeedAnswer(why, null, pinch));
            // What is offered mends the plan; what is pulled on trial is left aside.
            if (why.Report.Strands >= 2 && !session.Pulls) return;
            var mends = Mending.For(session.Whole, part, need, things, stop);
            var first = mends is [var mend, ..] && !session.Pulls && EditResult.Apply(session.Plan, mend.Edits).Plan is { } then ? (
                mend.Label, Then: Pinching.Of(session.Day.Trying(then, stop), part, need)) : default;
            tell(new NeedAnswer(null, mends, first.Then is { } mended ? pinch?.With(mended, first.Label) : null));
        }, cancel);
        return Results.Empty;
    }

    private static async Task<IResult> Weigh(string key, string part, string need, PutNeed typed, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        var result = EditResult.Apply(session.Plan, [typed]);
        if (result.Plan is not { } then) return Problems.Unprocessable("This cannot be reckoned.", result.Problems);
        return session.Whole.Trying(then, cancel).Explain(part, need) is { } why
            ? Results.Ok(new NeedTried(why.Asked, why.Report, why.Weighed is [var first, ..] ? first : null))
            : Problems.NotFound("need");
    }

    private static Task<IResult> Most(string key, string? part, string[]? pull, Days days, CancellationToken cancel) =>
        AskAsync(key, pull, days, "part", session => Pinching.Most(session.Day, part), cancel);

    private static async Task<IResult> LossMends(string key, string kind, string id, Days days, CancellationToken cancel)
    {
        if (!EnumText.Read<LossKind>(kind, out var of)) return Problems.NotFound("loss");
        var things = (await days.LockerAsync(cancel)).Things;
        return await AskAsync(key, null, days, "loss", session => Mending.ForLoss(session.Whole, of, id, things, cancel), cancel);
    }

    private static async Task<IResult> LossChain(string key, string kind, string id, string part, string need, Days days, CancellationToken cancel) =>
        EnumText.Read<LossKind>(kind, out var of)
            ? await AskAsync(key, null, days, "loss", session => WhatIfTable.Chain(session.Whole, of, id, part, need), cancel)
            : Problems.NotFound("loss");

    private static Task<IResult> WhatIf(string key, Days days, CancellationToken cancel) =>
        AskAsync(key, null, days, "assignment", session => new WhatIfView(session.Plan.Assignment.Name, [.. session.Plan.Parts.OrderBy(p => p.Start)],
            WhatIfTable.Of(session.Whole, cancel)), cancel);

    private static async Task<IResult> Power(string key, string[]? pull, string? use, Days days, PlanStore store, Summaries summaries,
        CancellationToken cancel)
    {
        var things = (await days.LockerAsync(cancel)).Things;
        List<DateTime> ends = [.. (await store.SummariesAsync(cancel)).Where(s => s.Key != key).Select(s => summaries.Of(s)?.End).OfType<DateTime>()];
        return await AskOfUseAsync(key, pull, use, days, (session, level) => PowerDay.Of(session.Day, things, level, ends), cancel);
    }

    private static async Task<IResult> Cards(string key, string[]? pull, string? use, Days days, CancellationToken cancel)
    {
        var things = (await days.LockerAsync(cancel)).Things;
        return await AskOfUseAsync(key, pull, use, days, (session, level) => CardDay.Of(session.Day, things, level), cancel);
    }

    /// <summary>What is asked of a slow, a likely or a busy day.</summary>
    private static async Task<IResult> AskOfUseAsync<T>(string key, string[]? pull, string? use, Days days, Func<Session, UseLevel, T> tell,
        CancellationToken cancel)
        where T : class =>
        EnumText.Read<UseLevel>(use ?? "high", out var level)
            ? await AskAsync(key, pull, days, "assignment", session => tell(session, level), cancel)
            : Problems.Unprocessable("This day cannot be told.", [EnumText.Unknown<UseLevel>("use", use!)]);

    private static Task<IResult> Choices(string key, string part, string person, string position, string? body, string[]? pull, Days days,
        CancellationToken cancel) =>
        AskAsync(key, pull, days, "part", session => SetupChoices.For(session.Day, part, person, position, body, cancel), cancel);

    private static async Task<IResult> Preview(string key, EditRequest request, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, request.Pull, cancel) is not { } session) return Problems.NotFound("assignment");
        if (session.Stored.Revision != request.BaseRevision) return Stale(new ChangeOutcome.Stale(session.Stored.Revision, []));
        var result = EditResult.Apply(session.Plan, await FoundAsync(request.Edits, days, cancel));
        if (result.Plan is not { } then) return Problems.Unprocessable("This cannot be done.", result.Problems);
        var report = session.Day.Trying(then, cancel).Report(withEvents: false);
        return Results.Ok(new BoardView(key, session.Stored.Revision, then, report, null, session.Stored.Undo, session.Stored.Redo));
    }

    /// <summary>Answers from the one analysis of the state that is asked of.</summary>
    private static async Task<IResult> AskAsync<T>(string key, string[]? pull, Days days, string asked, Func<Session, T?> answer,
        CancellationToken cancel) where T : class =>
        await days.FindAsync(key, pull, cancel) is not { } session ? Problems.NotFound("assignment") : answer(session) is { } found ? Results.Ok(found)
            : Problems.NotFound(asked);

    // An edit that packs a thing, or adds a part of a kind, names it; its figures are the locker's.
    private static async Task<List<PlanEdit>> FoundAsync(IReadOnlyList<PlanEdit> edits, Days days, CancellationToken cancel)
    {
        if (!edits.Any(e => e is PackThing or AddPart)) return [.. edits];
        var locker = await days.LockerAsync(cancel);
        return [.. edits.Select(e => e switch
        {
            PackThing pack => Found(pack, locker.Things),
            AddPart add => add with { Found = locker.Kinds.FirstOrDefault(k => k.Id == add.Kind) },
            _ => e,
        })];
    }

    private static PackThing Found(PackThing pack, IReadOnlyList<Item> things)
    {
        var thing = things.FirstOrDefault(t => t.Id == pack.Thing);
        return pack with { Found = thing, Inside = thing is Case { Contents: { } contents } ? [.. things.Where(t => contents.Contains(t.Id))] : [] };
    }

    private static async Task<IResult> AnswerAsync(ChangeOutcome outcome, IReadOnlyList<string>? pull, Days days, Summaries summaries,
        CancellationToken cancel) => outcome switch
        {
            ChangeOutcome.Done done => Results.Ok(View(await days.OfAsync(done.Now, pull, cancel), null, summaries)),
            ChangeOutcome.Stale stale => Stale(stale),
            ChangeOutcome.Refused refused => Problems.Unprocessable("This change was not made.", refused.Problems),
            _ => Problems.NotFound("assignment"),
        };

    private static IResult Stale(ChangeOutcome.Stale stale) => Results.Problem(
        statusCode: StatusCodes.Status409Conflict,
        title: "This plan was changed elsewhere, so your change was not made.",
        detail: stale.Changes.Count == 0 ? "It was replaced." : string.Join("\n", stale.Changes),
        extensions: new Dictionary<string, object?> { ["revision"] = stale.Revision, ["changes"] = stale.Changes });

    /// <summary>The board. Its plan goes along only where the page does not have that revision.</summary>
    private static BoardView View(Session session, int? have, Summaries summaries)
    {
        var stored = session.Stored;
        var pull = session.Pulls ? PullTest.Compare(session.Whole, session.Board, session.Day, session.Left) : null;
        summaries.Keep(session, session.Board);
        return new BoardView(stored.Key, stored.Revision, have == stored.Revision ? null : stored.Plan, session.Left, pull, stored.Undo, stored.Redo);
    }
}
