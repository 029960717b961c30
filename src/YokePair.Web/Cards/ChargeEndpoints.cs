using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Record;
using YokePair.Core.Use;
using YokePair.Data;
using YokePair.Web.Sessions;

namespace YokePair.Web.Cards;

/// <summary>Things that were charged.</summary>
/// <param name="Things">Their ids; null = all that are not full as the day begins.</param>
public sealed record ChargedRequest(IReadOnlyList<string>? Things = null);

/// <summary>What was recorded.</summary>
/// <param name="Facts">How many facts.</param>
public sealed record Noted(int Facts);

/// <summary>What one assignment leaves for the next.</summary>
internal static class ChargeEndpoints
{
    private const int MostThings = 500;

    public static void MapCharge(this IEndpointRouteBuilder api)
    {
        var power = api.MapGroup("/assignments/{key}/power");
        power.MapPost("/lived", Lived).WithName("NoteWhatIsLeft").Produces<Noted>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        power.MapPost("/charged", Charged).WithName("NoteCharged").Produces<Noted>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    /// <summary>The day went as is likely: what everything used is left with.</summary>
    private static async Task<IResult> Lived(string key, Days days, RecordStore record, TimeProvider clock, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        var now = clock.GetUtcNow().UtcDateTime;
        var left = PowerPlans.Of(session.Day, UseLevel.Likely).AtTheEnd;
        return await AddAsync([.. left.Select(l => new Fact(FactKind.Changed, l.Thing, now, key, Left: l.Left))], record, cancel);
    }

    private static async Task<IResult> Charged(string key, ChargedRequest request, Days days, RecordStore record, TimeProvider clock, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        var things = request.Things ?? [.. session.Plan.Left?.Keys ?? []];
        if (things.Count > MostThings || things.FirstOrDefault(t => session.Plan.ItemOf(t) is null) is not null)
            return Problems.Unprocessable("This cannot be recorded.",
                [new PlanProblem("things", $"name something that is not packed, or are more than {MostThings}")]);
        var now = clock.GetUtcNow().UtcDateTime;
        return await AddAsync([.. things.Select(t => new Fact(FactKind.Charged, t, now, key))], record, cancel);
    }

    private static async Task<IResult> AddAsync(IReadOnlyList<Fact> facts, RecordStore record, CancellationToken cancel)
    {
        await record.AddAsync(facts, _ => new CardRules(), id => id, cancel);
        return Results.Ok(new Noted(facts.Count));
    }
}
