using System.Text;
using Microsoft.AspNetCore.Mvc;
using YokePair.Core.Plans;
using YokePair.Data;

namespace YokePair.Web.House;

/// <summary>Phones in the house, as the main screen sees them.</summary>
/// <param name="Address">What a phone opens; null = the house is not open.</param>
/// <param name="IsPlain">Whether anyone on that network can read along.</param>
/// <param name="Phones">Those that were let in, the newest first.</param>
/// <param name="Waiting">Those that want in.</param>
public sealed record PhonePage(string? Address, bool IsPlain, IReadOnlyList<Phone> Phones, IReadOnlyList<WaitingPhone> Waiting);

/// <summary>A phone that was let in.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Name">What it is called.</param>
/// <param name="PairedAt">When, UTC.</param>
/// <param name="Until">How long it may, UTC; null = until it is sent away.</param>
public sealed record Phone(int Id, string Name, DateTime PairedAt, DateTime? Until);

/// <summary>A place that is offered to one phone.</summary>
/// <param name="Address">What the phone opens.</param>
/// <param name="Qr">The same as a picture, a data address.</param>
/// <param name="Until">Until when it is good, UTC.</param>
public sealed record PairingOffer(string Address, string Qr, DateTime Until);

/// <summary>A phone asks to be let in.</summary>
/// <param name="Secret">What it read off the main screen.</param>
/// <param name="Name">What it calls itself.</param>
public sealed record PairingRequest(string Secret, string Name);

/// <summary>What it is told.</summary>
/// <param name="Key">What it asks with how that stands.</param>
/// <param name="Code">What both screens show.</param>
public sealed record PairingBegun(string Key, string Code);

/// <summary>How it stands.</summary>
/// <param name="State">Waiting, let in or refused.</param>
/// <param name="Token">Once, when it is let in: what it shows from then on.</param>
public sealed record PairingAnswer(PairingState State, string? Token);

/// <summary>Letting phones in and sending them away.</summary>
internal static class PhoneEndpoints
{
    private const int MostLetters = 40;

    /// <summary>Over plain HTTP a token is good for a day.</summary>
    private static readonly TimeSpan PlainDay = TimeSpan.FromDays(1);

    public static void MapPhones(this IEndpointRouteBuilder api)
    {
        var phones = api.MapGroup("/phones");
        phones.MapGet("", Show).WithName("ShowPhones").Produces<PhonePage>();
        phones.MapPost("/pairings", Offer).WithName("OfferPairing").Produces<PairingOffer>().ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        phones.MapPost("/waiting/{id}", LetIn).WithName("LetPhoneIn").Produces<PhonePage>().ProducesProblem(StatusCodes.Status404NotFound);
        phones.MapDelete("/waiting/{id}", (string id, Pairings pairings) => pairings.Refuse(id) ? Results.NoContent() : Problems.NotFound("phone"))
            .WithName("RefusePhone").Produces(StatusCodes.Status204NoContent).ProducesProblem(StatusCodes.Status404NotFound);
        phones.MapDelete("/{id:int}", async (int id, PhoneStore store, CancellationToken cancel) =>
            await store.RemoveAsync(id, cancel) ? Results.NoContent() : Problems.NotFound("phone"))
            .WithName("SendPhoneAway").Produces(StatusCodes.Status204NoContent).ProducesProblem(StatusCodes.Status404NotFound);
        var house = api.MapGroup("/house/pairings");
        house.MapPost("", Ask).WithName("AskIn").Produces<PairingBegun>().ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        house.MapPost("/{key}", Stands)
            .WithName("AskWhetherIn").Produces<PairingAnswer>();
    }

    private static async Task<IResult> Show(PhoneStore store, Pairings pairings, [FromServices] HouseSettings? house, CancellationToken cancel) =>
        Results.Ok(await PageAsync(store, pairings, house, cancel));

    private static async Task<PhonePage> PageAsync(PhoneStore store, Pairings pairings, HouseSettings? house, CancellationToken cancel) => new(
        house is null ? null : new Uri(house.Address, "house").ToString(), house?.IsPlain == true,
        [.. (await store.AllAsync(cancel)).Select(p => new Phone(p.Id, p.Name, p.PairedAt, p.Until))], pairings.Waiting());

    private static IResult Stands(string key, Pairings pairings)
    {
        var (state, token) = pairings.Stands(key);
        return Results.Ok(new PairingAnswer(state, token));
    }

    private static IResult Offer(Pairings pairings, [FromServices] HouseSettings? house)
    {
        if (house is null)
            return Problems.Unprocessable("The house is not open.", [new PlanProblem("house", "start the program with --house, as its README says")]);
        var (secret, until) = pairings.Begin();
        // Behind the sign nothing is sent to a server, nor kept in its log.
        var address = new Uri(house.Address, $"house/pair#{secret}").ToString();
        var svg = Convert.ToBase64String(Encoding.UTF8.GetBytes(QrPicture.Of(address)));
        return Results.Ok(new PairingOffer(address, $"data:image/svg+xml;base64,{svg}", until.UtcDateTime));
    }

    private static IResult Ask(PairingRequest request, Pairings pairings)
    {
        if (string.IsNullOrWhiteSpace(request.Name) || request.Name.Length > MostLetters)
            return Problems.Unprocessable("The phone was not let in.", [new PlanProblem("name", $"say whose phone it is, in at most {MostLetters} letters")]);
        return pairings.Ask(request.Secret, request.Name.Trim()) is { } asking ? Results.Ok(new PairingBegun(asking.Key, asking.Phone.Code))
            : Problems.Unprocessable("The phone was not let in.", [new PlanProblem("secret", "is used up or too old; let the main screen show another")]);
    }

    private static async Task<IResult> LetIn(string id, PhoneStore store, Pairings pairings, [FromServices] HouseSettings? house, CancellationToken cancel)
    {
        if (pairings.Find(id) is not { } phone) return Problems.NotFound("phone");
        pairings.LetIn(id, await store.AddAsync(phone.Name, house?.IsPlain == true ? PlainDay : null, cancel));
        return Results.Ok(await PageAsync(store, pairings, house, cancel));
    }
}
