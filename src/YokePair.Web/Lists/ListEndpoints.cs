using YokePair.Core.Lists;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Data;
using YokePair.Web.Sessions;

namespace YokePair.Web.Lists;

/// <summary>A line that is ticked or opened again.</summary>
/// <param name="Line">Its id.</param>
/// <param name="Done">Whether it is so now.</param>
/// <param name="Who">Who says so; null = nobody in particular.</param>
public sealed record TickRequest(string Line, bool Done, string? Who = null);

/// <summary>Somebody leaves for the job.</summary>
/// <param name="Words">What is typed where something is open that a picture hangs by.</param>
/// <param name="Who">Who leaves; null = nobody in particular.</param>
public sealed record DepartRequest(string? Words = null, string? Who = null);

/// <summary>The lists of a day, and what is ticked of them.</summary>
internal static class ListEndpoints
{
    private const int MostLetters = 200;

    public static void MapLists(this IEndpointRouteBuilder api)
    {
        var lists = api.MapGroup("/assignments/{key}/lists");
        lists.MapGet("", Show).WithName("ShowLists").Produces<CheckedLists>().ProducesProblem(StatusCodes.Status404NotFound);
        lists.MapPost("/ticks", Tick).WithName("TickLine").Produces<CheckedLists>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        lists.MapPost("/departures", Depart).WithName("LeaveHome").Produces<CheckedLists>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> Show(string key, Days days, RecordStore record, CancellationToken cancel) =>
        await FindAsync(key, days, record, cancel) is { } lists ? Results.Ok(lists) : Problems.NotFound("assignment");

    private static async Task<IResult> Tick(string key, TickRequest request, Days days, RecordStore record, TimeProvider clock, CancellationToken cancel)
    {
        if (request.Who?.Length > MostLetters) return Refused("who", $"is longer than {MostLetters} letters");
        if (await FindAsync(key, days, record, cancel) is not { } lists) return Problems.NotFound("assignment");
        if (lists.Kept(request.Line) is not { } kept) return Refused("line", "is not on any list now; the plan has changed: look at the list again");
        var fact = new Fact(request.Done ? FactKind.Ticked : FactKind.Unticked, request.Line, clock.GetUtcNow().UtcDateTime, key, Text(request.Who),
            Words: request.Done ? kept : null);
        return await AddAsync(fact, key, days, record, cancel);
    }

    private static async Task<IResult> Depart(
        string key, DepartRequest request, Days days, RecordStore record, TimeProvider clock, CancellationToken cancel)
    {
        if (request.Who?.Length > MostLetters) return Refused("who", $"is longer than {MostLetters} letters");
        if (await FindAsync(key, days, record, cancel) is not { } lists) return Problems.NotFound("assignment");
        if (lists.Phrase is { } phrase && Text(request.Words) != phrase) return Refused("words", $"Type in full: {phrase}");
        var fact = new Fact(FactKind.Departed, key, clock.GetUtcNow().UtcDateTime, key, Text(request.Who), Words: lists.Phrase);
        return await AddAsync(fact, key, days, record, cancel);
    }

    private static async Task<IResult> AddAsync(Fact fact, string key, Days days, RecordStore record, CancellationToken cancel)
    {
        await record.AddAsync([fact], _ => new CardRules(), id => id, cancel);
        return await Show(key, days, record, cancel);
    }

    private static async Task<CheckedLists?> FindAsync(string key, Days days, RecordStore record, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return null;
        var known = await record.LoadAsync(cancel);
        return CheckedLists.Of(session.Day, (await days.LockerAsync(cancel)).Things, key, known.Facts, known.States);
    }

    private static IResult Refused(string field, string why) => Problems.Unprocessable("This cannot be recorded.", [new PlanProblem(field, why)]);

    private static string? Text(string? typed) => string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
}
