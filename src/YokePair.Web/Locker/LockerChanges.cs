using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.Locker;

/// <summary>Changing the locker: typed lines, figures, copies, deletions, pairs, undo.</summary>
internal static class LockerChanges
{
    private const int MostCopies = 200;

    public static void MapLockerChanges(this IEndpointRouteBuilder locker)
    {
        locker.MapPost("/read", Read).WithName("ReadLines").Produces<IReadOnlyList<QuickLine>>();
        Change(locker.MapPost("/things", Add).WithName("AddLines"));
        Change(locker.MapPost("/figures", SetFigures).WithName("SetFigures"));
        Change(locker.MapPost("/copies", Copy).WithName("CopyThing"));
        Change(locker.MapPost("/removals", Remove).WithName("RemoveThings"));
        Change(locker.MapPost("/boxes", KeepBox).WithName("KeepBox"));
        Change(locker.MapPost("/pair", SetPair).WithName("SetPair"));
        Change(locker.MapPost("/undo", (LockerStore store, CancellationToken cancel) => Step(store, true, cancel)).WithName("UndoLocker"));
        Change(locker.MapPost("/redo", (LockerStore store, CancellationToken cancel) => Step(store, false, cancel)).WithName("RedoLocker"));
    }

    private static void Change(RouteHandlerBuilder route) =>
        route.Produces<LockerChanged>().ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);

    private static async Task<IResult> Read(QuickText lines, LockerStore store, CancellationToken cancel) =>
        Results.Ok(QuickAdd.ReadAll(lines.Text, KnownWords.Of((await store.LoadAsync(cancel)).Things)));

    private static async Task<IResult> Add(QuickText lines, LockerStore store, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        var read = QuickAdd.ReadAll(lines.Text, KnownWords.Of(locker.Things));
        var wrong = read.SelectMany((l, i) => l.Problems.Select(p => p with { Line = i + 1 })
            .Concat(l.Missing.Select(m => new PlanProblem(m.Figure, $"{m.Question} Type it as {m.Example}", i + 1)))).ToList();
        if (wrong.Count > 0) return Problems.Unprocessable("Nothing was added: something is missing.", wrong);
        var things = WithIds(read.SelectMany(l => l.Things), locker);
        if (things.Count == 0) return Problems.Unprocessable("Nothing was added: there is no line.",
            [new PlanProblem("text", "type a line such as 24-70/2.8 K2 #3 820g")]);
        return await Made(store.ChangeAsync(things.Count == 1 ? $"{things[0].Label} added" : $"{things.Count} things added",
            [.. things.Select(t => new LockerChange(t.Id, null, t))], cancel), things.Select(t => t.Id));
    }

    private static List<Item> WithIds(IEnumerable<Item> things, StoredLocker locker)
    {
        var taken = locker.Things.Select(t => t.Id).ToHashSet(StringComparer.Ordinal);
        var made = new List<Item>();
        foreach (var thing in things)
        {
            var id = ItemIds.New(ItemKinds.Of(thing), thing.Label, taken);
            taken.Add(id);
            made.Add(thing with { Id = id });
        }
        return made;
    }

    private static async Task<IResult> SetFigures(FigureChange request, LockerStore store, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        var changes = new List<LockerChange>();
        foreach (var seen in request.Things)
        {
            if (locker.Things.FirstOrDefault(t => t.Id == seen.Id) is not { } thing) return Problems.NotFound("thing");
            var (changed, wrong) = LockerFigures.Change(thing, request.Set.Select(s => KeyValuePair.Create(s.Key, (string?)s.Value)));
            if (changed is null) return Problems.Unprocessable($"{thing.Label} was not changed.", wrong);
            changes.Add(new LockerChange(seen.Id, seen.Revision, changed));
        }
        changes.AddRange([.. Along(locker, changes)]);
        var what = string.Join(", ", request.Set.Keys);
        return await Made(store.ChangeAsync(changes.Count == 1 ? $"{changes[0].Now!.Label}: {what}" : $"{changes.Count} things: {what}", changes, cancel),
            changes.Select(c => c.Id));
    }

    /// <summary>A box that is lent, hired or in repair has what belongs in it along; each of that says so too.</summary>
    private static IEnumerable<LockerChange> Along(StoredLocker locker, IReadOnlyList<LockerChange> changes)
    {
        foreach (var box in changes.Select(c => c.Now).OfType<Case>().Where(c => c.Contents is not null))
        {
            var before = locker.Things.First(t => t.Id == box.Id);
            if ((before.Status, before.From, before.To) == (box.Status, box.From, box.To)) continue;
            foreach (var thing in locker.Things.Where(t => box.Contents!.Contains(t.Id) && !changes.Any(c => c.Id == t.Id)))
                yield return new LockerChange(thing.Id, locker.Revisions[thing.Id], thing with { Status = box.Status, From = box.From, To = box.To });
        }
    }

    /// <summary>Keeps a box with what belongs in it, so that other days can take it along as it is.</summary>
    private static async Task<IResult> KeepBox(KeptBox request, LockerStore store, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        var had = locker.Things.FirstOrDefault(t => t.Id == request.Id);
        if (had is not (null or Case)) return Problems.Unprocessable("The box was not kept.",
            [new PlanProblem("id", $"\"{request.Id}\" is the {had.Label} in the locker; give the box another name")]);
        List<string> own = [.. request.Contents.Distinct().Where(c => locker.Things.Any(t => t.Id == c))];
        if (own.Count == 0) return Problems.Unprocessable("The box was not kept.",
            [new PlanProblem("contents", "is nothing of your locker; put something of your own in it")]);
        var box = (had as Case ?? new Case { Id = request.Id }) with { Name = request.Name, Contents = own };
        var change = new LockerChange(box.Id, had is null ? null : locker.Revisions[box.Id], box);
        return await Made(store.ChangeAsync($"{box.Label} kept with {own.Count} things", [change], cancel), [box.Id]);
    }

    private static async Task<IResult> Copy(CopyRequest request, LockerStore store, CancellationToken cancel)
    {
        if (request.Copies is < 1 or > MostCopies) return Problems.Unprocessable("Nothing was copied.",
            [new PlanProblem("copies", $"is {request.Copies}; expected 1 to {MostCopies}")]);
        var locker = await store.LoadAsync(cancel);
        if (locker.Things.FirstOrDefault(t => t.Id == request.Id) is not { } thing) return Problems.NotFound("thing");
        var copies = WithIds(Duplicates.Of(thing, request.Copies, locker.Things), locker);
        return await Made(store.ChangeAsync($"{thing.Label} copied {request.Copies} times", [.. copies.Select(c => new LockerChange(c.Id, null, c))], cancel),
            copies.Select(c => c.Id));
    }

    private static async Task<IResult> Remove(RemoveRequest request, LockerStore store, PlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        var names = locker.Things.Where(t => request.Things.Any(s => s.Id == t.Id)).ToDictionary(t => t.Id, t => t.Label, StringComparer.Ordinal);
        if (request.Planned == WhenPlanned.Ask)
        {
            var planned = await plans.UsingAsync([.. names.Keys], cancel);
            if (planned.Count > 0) return Planned(planned, names.Keys);
        }
        var (days, problems) = request.Planned == WhenPlanned.TakeOut
            ? await plans.TakeOutAsync([.. names.Keys], DateOnly.FromDateTime(clock.GetLocalNow().DateTime), cancel)
            : ([], []);
        if (problems.Count > 0) return Problems.Unprocessable("It cannot be taken out of a day, so it was not deleted.", problems);
        return await Made(store.ChangeAsync(names.Count == 1 ? $"{names.Values.First()} deleted" : $"{names.Count} things deleted",
            [.. request.Things.Select(s => new LockerChange(s.Id, s.Revision, null))], cancel), request.Things.Select(t => t.Id), days);
    }

    /// <summary>Which days take it along, and what may be done about it.</summary>
    private static IResult Planned(IReadOnlyList<StoredPlan> days, IReadOnlyCollection<string> things)
    {
        var said = days.Select(d => (
            d.Plan.Assignment.Name, Things: string.Join(", ", d.Plan.Items.Where(i => things.Contains(i.Id)).Select(i => i.Label))));
        return Results.Problem(
            statusCode: StatusCodes.Status409Conflict,
            title: "It is planned, so it was not deleted.",
            detail: string.Join("\n", said.Select(d => $"{d.Name} takes {d.Things} along"))
                + "\nRetired, it stays there and is shown as missing. Taken out, it is left at home on every day yet to come.",
            extensions: new Dictionary<string, object?> { ["planned"] = true });
    }

    private static async Task<IResult> SetPair(PairRequest request, LockerStore store, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        if (request.A == request.B || locker.Things.FirstOrDefault(t => t.Id == request.A) is not { } a
            || locker.Things.FirstOrDefault(t => t.Id == request.B) is not { } b) return Problems.NotFound("pair of things");
        var rule = request.Fit is { } fit ? new PairRule { A = request.A, B = request.B, Fit = fit, Note = request.Note } : null;
        return await Made(store.SetPairAsync(a.Id, b.Id, rule, $"{a.Label} with {b.Label}", cancel), [a.Id, b.Id]);
    }

    private static Task<IResult> Step(LockerStore store, bool undo, CancellationToken cancel) => Made(store.StepAsync(undo, cancel), []);

    internal static async Task<IResult> Made(Task<LockerOutcome> change, IEnumerable<string> ids, IReadOnlyList<string>? days = null)
    {
        var outcome = await change;
        if (outcome.Refused is { } refused) return Problems.Unprocessable(refused, []);
        return outcome.Done
            ? Results.Ok(new LockerChanged([.. ids], outcome.Followed ?? days))
            : Results.Problem(statusCode: StatusCodes.Status409Conflict, title: "This was changed elsewhere, so your change was not made.",
                detail: $"Changed since you saw it: {string.Join(", ", outcome.Stale)}");
    }
}
