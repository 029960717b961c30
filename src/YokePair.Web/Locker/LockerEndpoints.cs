using Microsoft.AspNetCore.Http.HttpResults;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Data;
using YokePair.Data.Csv;
using YokePair.Web.Assignments;

namespace YokePair.Web.Locker;

/// <summary>The locker: seeing what is owned and what goes with what.</summary>
internal static class LockerEndpoints
{
    public static void MapLocker(this IEndpointRouteBuilder api)
    {
        var locker = api.MapGroup("/locker");
        locker.MapGet("", Show).WithName("ShowLocker").Produces<LockerPage>();
        locker.MapGet("/things/{id}", Detail).WithName("ShowThing").Produces<ThingDetail>().ProducesProblem(StatusCodes.Status404NotFound);
        locker.MapGet("/things/{id}/tag.svg", Tag).WithName("ThingTag").ExcludeFromDescription();
        locker.MapGet("/pair", Pair).WithName("AskPair").Produces<Compatible>().ProducesProblem(StatusCodes.Status404NotFound);
        locker.MapGet("/insurance", Insured).WithName("ShowInsurance").Produces<Insurance>();
        locker.MapGet("/insurance.csv", InsuranceTable).WithName("InsuranceTable").ExcludeFromDescription();
        locker.MapGet("/export.csv", ExportTable).WithName("ExportTable").ExcludeFromDescription();
        locker.MapGet("/export.json", ExportFile).WithName("ExportLocker").ExcludeFromDescription();
        locker.MapGet("/template.csv", (string? kind) => Results.File(LockerCsv.Template(kind), "text/csv", $"{kind ?? "locker"}-template.csv"))
            .WithName("Template").ExcludeFromDescription();
        locker.MapGet("/rows/{key}/raw", Raw).WithName("RawRow").ExcludeFromDescription();
        locker.MapDelete("/rows/{key}", Drop).WithName("DropRow").Produces<LockerChanged>().ProducesProblem(StatusCodes.Status404NotFound);
        locker.MapLockerChanges();
        locker.MapLockerImport();
    }

    private static async Task<Ok<LockerPage>> Show(
        DateOnly? day, string? body, LockerStore store, LockerLooks looks, PlanStore plans, AppSettings settings, TimeProvider clock, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        var on = day ?? DateOnly.FromDateTime(clock.GetLocalNow().DateTime);
        var through = locker.Things.OfType<Body>().FirstOrDefault(b => b.Id == body);
        var look = looks.At(locker, on, through);
        return TypedResults.Ok(new LockerPage(on, look.Report, look.Glass, through?.Id,
            locker.Revisions, locker.Undo, locker.Redo, StarterShelf.All,
                [.. (await plans.SummariesAsync(cancel)).Select(s => new AssignmentDay(s.Key, s.Name, s.Start is { } start
                ? DateOnly.FromDateTime(start) : null))], FigureCatalogue.All,
            DemoDays.HasLocker(settings), locker.Unreadable));
    }

    private static async Task<Ok<Insurance>> Insured(DateOnly? day, LockerStore store, TimeProvider clock, CancellationToken cancel) =>
        TypedResults.Ok(await InsuranceAsync(day, store, clock, cancel));

    private static async Task<IResult> InsuranceTable(DateOnly? day, LockerStore store, TimeProvider clock, CancellationToken cancel) =>
        Results.File(PlainCsv.Of(await InsuranceAsync(day, store, clock, cancel)), "text/csv", "insurance.csv");

    private static async Task<Insurance> InsuranceAsync(DateOnly? day, LockerStore store, TimeProvider clock, CancellationToken cancel) =>
        Insurance.Of((await store.ThingsAsync(cancel)).Things, day is { Year: > 1 } on ? on : DateOnly.FromDateTime(clock.GetLocalNow().DateTime));

    private static async Task<IResult> Detail(string id, LockerStore store, PlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        if (locker.Things.FirstOrDefault(t => t.Id == id) is not { } thing) return Problems.NotFound("thing");
        var compatibility = new Compatibility(locker.Things, locker.Pairs);
        var alone = Alone.Find(locker.Things, compatibility, DateOnly.FromDateTime(clock.GetLocalNow().DateTime)).FirstOrDefault(a => a.Id == id);
        return Results.Ok(new ThingDetail(id, ItemKinds.Of(thing), thing.Label, locker.Revisions[id], Figures(thing),
            [.. compatibility.Around(thing).OrderBy(x => x.Answer.Fit)
                .Select(x => new Neighbour(x.Other.Id, x.Other.Label, ItemKinds.Of(x.Other), x.Answer.Fit!.Value, x.Answer.Reason, x.Answer.By,
                x.Answer.Overruled))],
            [.. (await plans.UsingAsync([id], cancel)).Select(Named)],
            alone?.Idle ?? []));
    }

    private static List<FigureValue> Figures(Item thing)
    {
        var kind = ItemKinds.Of(thing);
        var json = FigureCatalogue.ToJson(thing);
        var essential = Typical.Essentials(kind).Select(e => e.Figure).ToHashSet(StringComparer.Ordinal);
        return
        [
            .. FigureCatalogue.Of(kind).OrderByDescending(f => essential.Contains(f.Name)).ThenBy(f => f.Kinds.Count)
                .Select(f => new FigureValue(f.Name, f.Words, f.Unit, f.Form, f.Options, f.Say(json[f.Name]), thing.Estimated?.Contains(f.Name) == true,
                    essential.Contains(f.Name))),
        ];
    }

    private static async Task<IResult> Pair(string a, string b, LockerStore store, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        return locker.Things.FirstOrDefault(t => t.Id == a) is { } one && locker.Things.FirstOrDefault(t => t.Id == b) is { } other
            ? Results.Ok(new Compatibility(locker.Things, locker.Pairs).Of(one, other))
            : Problems.NotFound("thing");
    }

    private static async Task<IResult> Tag(string id, HttpRequest request, LockerStore store, CancellationToken cancel)
    {
        if ((await store.LoadAsync(cancel)).Things.All(t => t.Id != id)) return Problems.NotFound("thing");
        return Results.Text(QrPicture.Of($"{request.Scheme}://{request.Host}/locker?thing={Uri.EscapeDataString(id)}"), "image/svg+xml");
    }

    private static async Task<IResult> ExportTable(LockerStore store, CancellationToken cancel) =>
        Results.File(LockerCsv.Write((await store.LoadAsync(cancel)).Things), "text/csv", "locker.csv");

    private static async Task<IResult> ExportFile(LockerStore store, CancellationToken cancel)
    {
        var locker = await store.LoadAsync(cancel);
        return Results.File(LockerFile.Write(locker.Things, locker.Pairs, locker.Kinds), "application/json", "locker.yoke-locker.json");
    }

    /// <summary>What is kept of a row, byte for byte, also where it cannot be read.</summary>
    private static async Task<IResult> Raw(string key, LockerStore store, CancellationToken cancel) =>
        await store.RawAsync(key, cancel) is { } bytes ? Results.File(bytes, "application/octet-stream", "row.raw.json") : Problems.NotFound("row");

    private static async Task<IResult> Drop(string key, LockerStore store, CancellationToken cancel) =>
        (await store.LoadAsync(cancel)).Unreadable.Any(u => u.Key == key) ? await LockerChanges.Made(store.DropAsync(key, cancel), [])
            : Problems.NotFound("unreadable row");

    internal static AssignmentDay Named(StoredPlan stored) =>
        new(stored.Key, stored.Plan.Assignment.Name, stored.Plan.Parts.Min(p => p.Start) is { } start ? DateOnly.FromDateTime(start) : null);
}
