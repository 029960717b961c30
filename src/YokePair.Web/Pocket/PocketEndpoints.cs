using System.Globalization;
using System.Net.Mime;
using System.Text;
using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Pocket;
using YokePair.Web.Sessions;

namespace YokePair.Web.Pocket;

/// <summary>A card of paper and whose it is.</summary>
/// <param name="Person">Id of the person.</param>
/// <param name="Card">The card.</param>
public sealed record PersonCard(string Person, PaperCard Card);

/// <summary>What is taken along on the day: the card of paper, the file for a phone, and the same with replanning.</summary>
internal static class PocketEndpoints
{
    public static void MapPocket(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/assignments/{key}");
        one.MapGet("/pocket", Show).WithName("ShowPocket").Produces<PocketDay>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/pocket-file", File).WithName("PocketFile").Produces(StatusCodes.Status200OK, contentType: MediaTypeNames.Text.Html)
            .ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/paper", Paper).WithName("PaperCards").Produces(StatusCodes.Status200OK, contentType: MediaTypeNames.Text.Html)
            .ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/paper-cards", Cards).WithName("ShowPaperCards").Produces<IReadOnlyList<PersonCard>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/rest", Rest).WithName("ShowRestOfDay").Produces<RestOfDay>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
        one.MapGet("/questions", Ask).WithName("AskQuestions").Produces<IReadOnlyList<DayQuestion>>().ProducesProblem(StatusCodes.Status404NotFound);
        one.MapGet("/late", Late).WithName("BeLate").Produces<LateDay>().ProducesProblem(StatusCodes.Status404NotFound);
    }

    private static async Task<IResult> Show(string key, string person, Days days, PocketMemory memory, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        return memory.Of(session, person, cancel) is { } day ? Results.Ok(day) : Problems.NotFound("person");
    }

    private static async Task<IResult> File(
        string key, string person, bool? save, Days days, PocketMemory memory, PocketPage page, HttpContext http, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        if (memory.Of(session, person, cancel) is not { } day) return Problems.NotFound("person");
        if (!page.IsThere) return NotBuilt();
        if (save == true) http.Response.Headers.ContentDisposition = new ContentDisposition { FileName = $"{key}-{person}.html" }.ToString();
        return Html(http, page.Of(day), page.Policy(isPaper: false));
    }

    private static async Task<IResult> Paper(string key, string? person, Days days, PocketPage page, HttpContext http, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        List<string> people = [.. session.Plan.People.Select(p => p.Id).Where(id => person is null || id == person)];
        if (people.Count == 0) return Problems.NotFound("person");
        if (!page.IsThere) return NotBuilt();
        return Html(http, page.Of(people.SelectMany(p => PocketFiles.CardsOf(session.Whole, p)!)), page.Policy(isPaper: true));
    }

    private static async Task<IResult> Cards(string key, Days days, CancellationToken cancel) =>
        await days.FindAsync(key, null, cancel) is not { } session ? Problems.NotFound("assignment")
            : Results.Ok(session.Plan.People.SelectMany(p => PocketFiles.CardsOf(session.Whole, p.Id)!.Select(c => new PersonCard(p.Id, c))).ToList());

    private static async Task<IResult> Rest(
        string key, string person, DateTime now, string[]? pull, string[]? read, string? lateFrom, int? late, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        var readings = (read ?? []).Select(Read).ToList();
        if (readings.Contains(null)) return Problems.Unprocessable("This cannot be reckoned.",
            [new PlanProblem("read", "a figure is a body's id, a colon and what it shows: b1:0.4 of its battery, b1:150f frames of room")]);
        var day = lateFrom is not null && new SlideDay { From = lateFrom, Minutes = late ?? 0 }.Apply(session.Plan).Plan is { } slid
            ? session.Whole.Trying(slid, cancel) : session.Whole;
        var local = DateTime.SpecifyKind(now, DateTimeKind.Unspecified);
        return FromNow.Of(day, person, local, PullTexts.Read(session.Whole, pull), [.. readings.OfType<Reading>()]) is { } rest
            ? Results.Ok(rest) : Problems.NotFound("person");
    }

    /// <summary>A figure read off a camera; null where it is none.</summary>
    private static Reading? Read(string text)
    {
        var at = text.LastIndexOf(':');
        if (at < 1) return null;
        var (body, figure) = (text[..at], text[(at + 1)..]);
        if (figure.EndsWith('f'))
            return int.TryParse(figure[..^1], NumberStyles.None, CultureInfo.InvariantCulture, out var frames) ? new Reading(body, null, frames) : null;
        return double.TryParse(figure, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var share) && share <= 1
            ? new Reading(body, share, null) : null;
    }

    private static async Task<IResult> Ask(string key, string person, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        return Questions.Of(session.Whole, person) is { } asked ? Results.Ok(asked) : Problems.NotFound("person");
    }

    private static async Task<IResult> Late(string key, string from, int minutes, Days days, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        return Lateness.Of(session.Whole, from, minutes) is { } late ? Results.Ok(late) : Problems.NotFound("part");
    }

    private static IResult Html(HttpContext http, string html, string policy)
    {
        http.Response.Headers.ContentSecurityPolicy = policy;
        return Results.Text(html, MediaTypeNames.Text.Html, Encoding.UTF8);
    }

    private static IResult NotBuilt() => Results.Problem(statusCode: StatusCodes.Status404NotFound,
        title: "The page for phones is not built.", detail: "Run npm run build in web, as ./yoke run does.");
}
