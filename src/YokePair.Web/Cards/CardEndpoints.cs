using YokePair.Core.Cards;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Data;
using YokePair.Web.Sessions;

namespace YokePair.Web.Cards;

/// <summary>A card as the record has it.</summary>
/// <param name="Card">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="State">What is so of it.</param>
/// <param name="DayName">What the assignment is called whose pictures are on it.</param>
/// <param name="Copies">Copies of its pictures, the card itself among them.</param>
/// <param name="Places">Places they have reached.</param>
/// <param name="MayClear">Whether it may be cleared.</param>
/// <param name="Phrase">What must be typed to clear it all the same.</param>
public sealed record RecordedCard(string Card, string Name, CardState State, string? DayName, int Copies, int Places, ClearAnswer MayClear, string Phrase);

/// <summary>The book of cards.</summary>
/// <param name="Cards">Every card of the locker, and every other that something is recorded of.</param>
/// <param name="Facts">What was recorded last, the newest first.</param>
public sealed record CardPages(IReadOnlyList<RecordedCard> Cards, IReadOnlyList<Fact> Facts);

/// <summary>Something that happened to a card.</summary>
/// <param name="Kind">What.</param>
/// <param name="Card">Id of the card.</param>
/// <param name="Day">Key of the assignment.</param>
/// <param name="Who">Who has it, or the copy, from then on.</param>
/// <param name="Where">The camera, what it lies in, or the drive a copy is on.</param>
/// <param name="With">Id of the card in the other slot.</param>
/// <param name="OnTheWay">Whether it has not arrived there.</param>
/// <param name="Words">What was typed to clear it all the same.</param>
public sealed record FactRequest(
    FactKind Kind, string Card, string? Day = null, string? Who = null, string? Where = null, string? With = null, bool OnTheWay = false, string? Words = null);

/// <summary>A join that was lived as planned.</summary>
/// <param name="Part">Id of the part before which cards were changed; null = after the last.</param>
public sealed record LivedRequest(string? Part = null);

/// <summary>The book of cards: what happened to each, and whether it may be cleared.</summary>
internal static class CardEndpoints
{
    private const int MostLetters = 200;

    public static void MapCards(this IEndpointRouteBuilder api)
    {
        api.MapGet("/cards", Show).WithName("ShowBook").Produces<CardPages>();
        api.MapPost("/cards/facts", Add).WithName("AddFact").Produces<CardPages>().ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        api.MapPost("/assignments/{key}/cards/lived", Lived).WithName("LivedAsPlanned").Produces<CardPages>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> Show(Book book, CancellationToken cancel) => Results.Ok(await book.PagesAsync(cancel));

    private static async Task<IResult> Add(FactRequest request, Book book, TimeProvider clock, CancellationToken cancel)
    {
        var (who, where, with, words) = (Text(request.Who), Text(request.Where), Text(request.With), Text(request.Words));
        if (new[] { ("card", request.Card), ("day", request.Day), ("who", who), ("where", where), ("with", with), ("words", words) }
                .FirstOrDefault(f => f.Item2?.Length > MostLetters) is { Item1: { } field })
            return Problems.Unprocessable("This cannot be recorded.", [new PlanProblem(field, $"is longer than {MostLetters} letters")]);
        if (Text(request.Card) is not { } card) return Problems.Unprocessable("This cannot be recorded.", [new PlanProblem("card", "names no card")]);
        if (!request.Kind.IsOfCards())
            return Problems.Unprocessable("This cannot be recorded.", [new PlanProblem("kind", "is nothing that happens to a card")]);
        var fact = new Fact(request.Kind, card, clock.GetUtcNow().UtcDateTime, Text(request.Day), who, where, with, request.OnTheWay, words);
        return await book.AddAsync([fact], cancel);
    }

    private static async Task<IResult> Lived(
        string key, LivedRequest request, Book book, RecordStore record, Days days, TimeProvider clock, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        if (request.Part is { } part && session.Plan.PartOf(part) is null) return Problems.NotFound("part");
        // What is lost is not found by a plan.
        var states = (await record.LoadAsync(cancel)).States;
        var moves = CardPlans.Of(session.Day).Moves.Where(m => m.Part == request.Part && states.GetValueOrDefault(m.Card)?.Condition != CardCondition.Lost)
            .ToList();
        if (moves.Count == 0) return Problems.Unprocessable("This cannot be recorded.", [new PlanProblem("part", "has no change of cards")]);
        var now = clock.GetUtcNow().UtcDateTime;
        return await book.AddAsync([.. moves.Select(m => FactOf(session.Plan, m, key, now))], cancel);
    }

    private static Fact FactOf(Plan plan, CardMove move, string day, DateTime now) => move.Kind switch
    {
        CardHolder.Camera => new Fact(FactKind.Put, move.Card, now, day,
            Where: plan.ItemOf(move.Where)?.Label ?? move.Where, With: move.With, IsJpeg: move.IsJpeg),
        CardHolder.Wallet => new Fact(FactKind.Taken, move.Card, now, day, plan.PersonOf(move.Where)?.Name ?? move.Where, "wallet"),
        _ => new Fact(FactKind.Taken, move.Card, now, day, plan.PlaceOf(move.Where)?.Person is { } owner ? plan.PersonOf(owner)?.Name : null,
            plan.PlaceOf(move.Where)?.Name ?? move.Where),
    };

    private static string? Text(string? typed) => string.IsNullOrWhiteSpace(typed) ? null : typed.Trim();
}
