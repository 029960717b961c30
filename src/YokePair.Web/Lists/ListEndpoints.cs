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

/// <summary>Somebody leaves for the assignment.</summary>
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

    private static async Task<IResult> Show(string key, Days days, RecordStore record, ListMemory memory, CancellationToken cancel) =>
        await memory.FindAsync(key, days, record, cancel) is { } found ? Answer(key, found) : Problems.NotFound("assignment");

    private static async Task<IResult> Tick(
        string key, TickRequest request, Days days, RecordStore record, ListMemory memory, TimeProvider clock, CancellationToken cancel)
    {
        if (request.Who?.Length > MostLetters) return Refused("who", $"is longer than {MostLetters} letters");
        if (await memory.FindAsync(key, days, record, cancel) is not { } found) return Problems.NotFound("assignment");
        if (found.Lists.SelectMany(l => l.Lines).FirstOrDefault(l => l.Id == request.Line) is not { } line)
            return Refused("line", "is not on any list now; the plan has changed: look at the list again");
        var kept = request.Done ? CheckedLine.Kept(found.Day.Plan, line) : null;
        var kind = request.Done ? FactKind.Ticked : FactKind.Unticked;
        return await AddAsync(key, new Fact(kind, line.Id, Now(clock), key, Text(request.Who), Words: kept), found, record, cancel);
    }

    private static async Task<IResult> Depart(
        string key, DepartRequest request, Days days, RecordStore record, ListMemory memory, TimeProvider clock, CancellationToken cancel)
    {
        if (request.Who?.Length > MostLetters) return Refused("who", $"is longer than {MostLetters} letters");
        if (await memory.FindAsync(key, days, record, cancel) is not { } found) return Problems.NotFound("assignment");
        var phrase = CheckedLists.PhraseFor(found.Day.Plan, found.Lists, TickBook.Of(found.Facts, key));
        if (phrase is not null && Text(request.Words) != phrase) return Refused("words", $"Type in full: {phrase}");
        return await AddAsync(key, new Fact(FactKind.Departed, key, Now(clock), key, Text(request.Who), Words: phrase), found, record, cancel);
    }

    private static async Task<IResult> AddAsync(string key, Fact fact, ListsFound found, RecordStore record, CancellationToken cancel)
    {
        await record.AddAsync([fact], _ => new CardRules(), id => id, cancel);
        return Answer(key, found with { Facts = (await record.LoadAsync(cancel)).Facts });
    }

    private static IResult Answer(string key, ListsFound found) => Results.Ok(CheckedLists.Of(found.Day, found.Lists, key, found.Facts));

    private static DateTime Now(TimeProvider clock) => clock.GetUtcNow().UtcDateTime;

    private static IResult Refused(string field, string why) => Problems.Unprocessable("This cannot be recorded.", [new PlanProblem(field, why)]);

    private static string? Text(string? typed) => string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
}
