using YokePair.Core.Carry;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Starting;
using YokePair.Data.Csv;
using YokePair.Solving;
using YokePair.Web.Sessions;

namespace YokePair.Web.Board;

/// <summary>Bags: what is in which, and whether it goes in.</summary>
internal static class BagEndpoints
{
    private static readonly TimeSpan MostForInstead = TimeSpan.FromSeconds(2);

    public static void MapBags(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/assignments/{key}/bags");
        one.MapGet("", Show).WithName("ShowBags").Produces<BagDay>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/{place}/fit", Fit).WithName("FitBag").Produces<BagFitDay>().ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        one.MapGet("/styles", Styles).WithName("ShowStyles").Produces<IReadOnlyList<StyleDay>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/manifest", List).WithName("ShowManifest").Produces<Manifest>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/manifest.csv", Table).WithName("ManifestTable").ExcludeFromDescription();
    }

    private static async Task<IResult> Show(string key, string[]? pull, Days days, CancellationToken cancel) =>
        await days.FindAsync(key, pull, cancel) is { } session
            ? Results.Ok(BagDay.Of(session.Day, (await days.LockerAsync(cancel)).Things)) : Problems.NotFound("assignment");

    private static async Task<IResult> Styles(string key, Days days, CancellationToken cancel) =>
        await days.FindAsync(key, null, cancel) is { } session
            ? Results.Ok(OtherStyles.Of(session.Day, (await days.LockerAsync(cancel)).Things, cancel)) : Problems.NotFound("assignment");

    private static async Task<IResult> List(string key, Days days, CancellationToken cancel) =>
        await FindAsync(key, days, cancel) is { } manifest ? Results.Ok(manifest) : Problems.NotFound("assignment");

    private static async Task<IResult> Table(string key, Days days, CancellationToken cancel) =>
        await FindAsync(key, days, cancel) is { } manifest
            ? Results.File(PlainCsv.Of(manifest), "text/csv", $"{key}-manifest.csv") : Problems.NotFound("assignment");

    private static async Task<Manifest?> FindAsync(string key, Days days, CancellationToken cancel) =>
        await days.FindAsync(key, null, cancel) is { } session ? Manifest.Of(session.Day, (await days.LockerAsync(cancel)).Things) : null;

    /// <summary>Laid in three seconds, what would fit instead looked for in two more; whoever leaves the page ends it.</summary>
    private static async Task<IResult> Fit(string key, string place, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        if (session.Day.Plan.PlaceOf(place) is not { } bag) return Problems.NotFound("place");
        var things = (await days.LockerAsync(cancel)).Things;
        if (BagRoom.Of(session.Day.Plan, bag, things) is not { } room)
            return Problems.Unprocessable("Whether it goes in cannot be told.",
                [new PlanProblem("innerMm", "say how large it is inside: length, width and depth")]);
        var layout = await Task.Run(() => BagFit.Find(room, cancel), cancel);
        using var soon = CancellationTokenSource.CreateLinkedTokenSource(cancel);
        soon.CancelAfter(MostForInstead);
        return Results.Ok(await Task.Run(() => BagFitDay.Of(session.Day, layout, things, r => BagFit.Fits(r, soon.Token)), cancel));
    }
}
