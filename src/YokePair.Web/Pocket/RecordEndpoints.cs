using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Data;
using YokePair.Web.Sessions;

namespace YokePair.Web.Pocket;

/// <summary>A record as a phone gives it back.</summary>
/// <param name="Format">Always <c>yoke-pair/record</c>.</param>
/// <param name="Version">1.</param>
/// <param name="Assignment">Key of the assignment it is of.</param>
/// <param name="Facts">What was noted.</param>
public sealed record PhoneRecord(string Format, int Version, string Assignment, IReadOnlyList<PhoneFact> Facts);

/// <summary>Something noted on a phone.</summary>
/// <param name="Origin">Which phone noted it, and its number there.</param>
/// <param name="Kind">What happened: ticked, unticked, changed, failed, mended, slid, read, put.</param>
/// <param name="Thing">Id of what it happened to.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Who">Id of who noted it.</param>
/// <param name="Where">Of a card, the camera it went into.</param>
/// <param name="Words">What it was called.</param>
/// <param name="Left">Share of a full charge.</param>
public sealed record PhoneFact(
    string? Origin, string? Kind, string? Thing, DateTime? At, string? Who = null, string? Where = null, string? Words = null, double? Left = null);

/// <summary>What became of a record.</summary>
/// <param name="Added">How many facts are new.</param>
/// <param name="Known">How many were known.</param>
/// <param name="Refused">Those that cannot be so; the rest is kept all the same.</param>
public sealed record RecordGiven(int Added, int Known, IReadOnlyList<RefusedFact> Refused);

/// <summary>A fact that was not kept.</summary>
/// <param name="Number">Its place in what was sent, from 0.</param>
/// <param name="Why">Why.</param>
public sealed record RefusedFact(int Number, string Why);

/// <summary>What came home of a day.</summary>
/// <param name="Kind">What happened.</param>
/// <param name="At">When, UTC.</param>
/// <param name="Who">Who noted it.</param>
/// <param name="Words">What it was called.</param>
public sealed record DayFact(FactKind Kind, DateTime At, string? Who, string Words);

/// <summary>Records coming home.</summary>
internal static class RecordEndpoints
{
    private const string FormatName = "yoke-pair/record";
    private const int MostFacts = 5000, MostLetters = 300;

    /// <summary>What a phone notes; the rest is noted at the main screen.</summary>
    private static readonly FactKind[] Kinds =
        [FactKind.Ticked, FactKind.Unticked, FactKind.Changed, FactKind.Failed, FactKind.Mended, FactKind.Slid, FactKind.Read, FactKind.Put];

    public static void MapRecords(this IEndpointRouteBuilder api)
    {
        var records = api.MapGroup("/assignments/{key}/records");
        records.MapGet("", Show).WithName("ShowRecords").Produces<IReadOnlyList<DayFact>>().ProducesProblem(StatusCodes.Status404NotFound);
        records.MapPost("", Give).WithName("GiveRecordBack").Produces<RecordGiven>()
            .ProducesProblem(StatusCodes.Status404NotFound).ProducesProblem(StatusCodes.Status422UnprocessableEntity);
    }

    private static async Task<IResult> Show(string key, Days days, RecordStore record, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        var facts = (await record.LoadAsync(cancel)).Facts.Where(f => f.Day == key && f.Origin is not null).OrderBy(f => f.At);
        return Results.Ok(facts.Select(Told).ToList());

        DayFact Told(Fact fact) => new(
            fact.Kind, fact.At, session.Plan.PersonOf(fact.Who)?.Name ?? fact.Who, fact.Words ?? session.Plan.ItemOf(fact.Thing)?.Label ?? fact.Thing);
    }

    private static async Task<IResult> Give(string key, PhoneRecord given, Days days, RecordStore record, CancellationToken cancel)
    {
        if (await days.FindAsync(key, null, cancel) is not { } session) return Problems.NotFound("assignment");
        var wrong = Wrong(key, given).ToList();
        if (wrong.Count > 0) return Problems.Unprocessable("This record was not taken.", wrong);
        var refused = new List<RefusedFact>();
        var facts = new List<(int Number, Fact Fact)>();
        foreach (var (fact, n) in given.Facts.Select((f, n) => (f, n)))
            if (Read(key, fact) is { } read) facts.Add((n, read));
            else refused.Add(new RefusedFact(n, Damage(fact)));
        var rules = session.Plan.Rules.Cards;
        var outcome = await record.AddEachAsync([.. facts.Select(f => f.Fact)], _ => rules, id => session.Plan.ItemOf(id)?.Label ?? id, cancel);
        refused.AddRange(outcome.Refused.Select(r => new RefusedFact(facts.First(f => f.Fact.Origin == r.Fact.Origin).Number, r.Why)));
        return Results.Ok(new RecordGiven(outcome.Added, outcome.Known, [.. refused.OrderBy(r => r.Number)]));
    }

    private static IEnumerable<PlanProblem> Wrong(string key, PhoneRecord given)
    {
        if (given.Format != FormatName) yield return new PlanProblem("format", $"is \"{given.Format}\"; a record says \"{FormatName}\"");
        if (given.Version != 1) yield return new PlanProblem("version", $"is {given.Version}; this program reads version 1");
        if (given.Assignment != key) yield return new PlanProblem("assignment", $"is \"{given.Assignment}\"; give it back at that assignment");
        if (given.Facts.Count > MostFacts) yield return new PlanProblem("facts", $"are {given.Facts.Count}; a record has at most {MostFacts}");
    }

    /// <summary>The fact; null where it is damaged.</summary>
    private static Fact? Read(string key, PhoneFact fact) => Damage(fact).Length > 0 ? null : new Fact(
        KindOf(fact)!.Value, fact.Thing!, DateTime.SpecifyKind(fact.At!.Value.ToUniversalTime(), DateTimeKind.Utc), key, fact.Who, fact.Where,
        Words: fact.Words, Left: fact.Left, Origin: fact.Origin);

    private static string Damage(PhoneFact fact) => fact switch
    {
        { Origin: null or "" } => "origin is missing: nobody knows whether it was told before",
        { Thing: null or "" } => "thing is missing",
        { At: null } => "at is missing",
        { Left: < 0 or > 1 } => $"left is {fact.Left}; it is a share from 0 to 1",
        _ when KindOf(fact) is null => $"kind is \"{fact.Kind}\"; a phone notes {string.Join(", ", Kinds.Select(k => k.ToString().ToLowerInvariant()))}",
        _ when new[] { fact.Origin, fact.Thing, fact.Who, fact.Where, fact.Words }.Any(t => t?.Length > MostLetters) =>
            $"a text is longer than {MostLetters} letters",
        _ => "",
    };

    private static FactKind? KindOf(PhoneFact fact) =>
        fact.Kind is { } text && EnumText.Read<FactKind>(text, out var kind) && Kinds.Contains(kind) ? kind : null;
}
