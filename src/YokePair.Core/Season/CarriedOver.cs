using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Record;
using YokePair.Core.Wording;

namespace YokePair.Core.Season;

/// <summary>What one assignment leaves for another.</summary>
public enum CarriedKind
{
    /// <summary>Things that another assignment has at the same time.</summary>
    Promised,

    /// <summary>Cards with pictures that are not safe.</summary>
    Cards,

    /// <summary>Batteries and packs that are not full.</summary>
    Charge,

    /// <summary>Things lent, hired or in repair.</summary>
    Away,

    /// <summary>Things that go back, or come back.</summary>
    Return,

    /// <summary>Things to be serviced.</summary>
    Service,
}

/// <summary>Something that carries over from one assignment to the next.</summary>
/// <param name="Kind">What it is.</param>
/// <param name="Said">What is so.</param>
/// <param name="Things">Ids of what it is about.</param>
/// <param name="IsTrouble">Whether the next assignment goes without something as it stands.</param>
/// <param name="Other">Key of the other assignment that has it; null = none.</param>
public sealed record CarriedOver(CarriedKind Kind, IReadOnlyList<TextPiece> Said, IReadOnlyList<string> Things, bool IsTrouble, string? Other = null);

/// <summary>An assignment as the season sees it.</summary>
/// <param name="Key">Its key.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Start">When it starts.</param>
/// <param name="End">When it ends.</param>
public sealed record SeasonAssignment(string Key, string Name, DateTime Start, DateTime End)
{
    /// <summary>Hours it takes to get from one assignment to another.</summary>
    public const double RoadHours = 1;

    /// <summary>Whether another goes on at the same time, or with less between them than it takes to get there.</summary>
    public bool Meets(SeasonAssignment other) => Key != other.Key && Start < other.End.AddHours(RoadHours) && other.Start < End.AddHours(RoadHours);
}

/// <summary>Finds what carries over.</summary>
public static class CarryingOver
{
    private const int MostNamed = 4;
    private const double NightHours = 20;

    /// <summary>Everything that is to be known before an assignment, from the one before it on.</summary>
    /// <param name="before">The assignment before; null = there is none.</param>
    /// <param name="next">The assignment.</param>
    /// <param name="day">Its day.</param>
    /// <param name="locker">Everything owned.</param>
    /// <param name="book">What is so of each card.</param>
    /// <param name="isFirst">Whether it is the next assignment of all: what the record says now is what it finds.</param>
    public static IReadOnlyList<CarriedOver> Of(
        SeasonAssignment? before, SeasonAssignment next, DayAnalysis day, IReadOnlyList<Item> locker, CardBook book, bool isFirst)
    {
        var plan = day.Whole;
        return
        [
            .. Promised(plan), .. isFirst ? Cards(plan, book) : [], .. before is null ? [] : SameCards(before, next, plan, locker),
            .. Charge(before, next, day, locker, isFirst), .. Away(plan, next), .. Dates(before, next, locker),
        ];
    }

    /// <summary>The first thing in the way of the next assignment, and how many assignments after it have something in theirs.</summary>
    /// <param name="assignments">How many assignments there are, the past ones too.</param>
    /// <param name="next">The next; null = none is ahead.</param>
    /// <param name="lines">What carries over before it and before each after it.</param>
    public static IReadOnlyList<TextPiece> Sentence(int assignments, SeasonAssignment? next, IReadOnlyList<IReadOnlyList<CarriedOver>> lines)
    {
        if (next is null || lines.Count == 0) return [new(assignments == 0 ? "No assignment is planned yet."
            : "No assignment is ahead. What the past ones teach is below.")];
        var trouble = lines[0].Where(l => l.IsTrouble).ToList();
        var later = lines.Skip(1).Count(g => g.Any(l => l.IsTrouble));
        List<TextPiece> said = trouble.Count == 0 ? [new($"Nothing stands in the way of {next.Name}.")] : [new($"Before {next.Name}: "), .. trouble[0].Said];
        if (trouble.Count > 1) said.Add(new($" {English.Capital(English.Count(trouble.Count - 1, "more thing is", "more things are"))} open."));
        if (later > 0) said.Add(
            new($" {English.Capital(English.Count(later, "later assignment goes", "later assignments go"))} without something as it stands."));
        return said;
    }

    private static IEnumerable<CarriedOver> Promised(Plan plan) =>
        (plan.Promised?.Where(p => plan.ItemOf(p.Key) is not null).GroupBy(p => p.Value) ?? [])
            .Select(g => new CarriedOver(CarriedKind.Promised,
                [new($"{Names(plan, [.. g.Select(p => p.Key)])} {(g.Count() == 1 ? "is" : "are")} promised to {g.Key.Name} at the same time: "
                    + "this assignment goes without.")],
                [.. g.Select(p => p.Key)], true, g.Key.Assignment));

    private static IEnumerable<CarriedOver> Cards(Plan plan, CardBook book)
    {
        var cards = plan.Items.OfType<Card>().Where(c => book[c.Id].HoldsPictures).ToList();
        var mayClear = cards.ToLookup(c => book.MayClear(c.Id, plan.Rules.Cards).May);
        List<Card> free = [.. mayClear[true]], held = [.. mayClear[false]];
        if (held.Count > 0)
        {
            var least = held.Select(c => book.Count(c.Id)).MinBy(c => c.Copies);
            yield return new CarriedOver(CarriedKind.Cards, [new($"{Names(plan, [.. held.Select(c => c.Id)])} {(held.Count == 1 ? "is" : "are")} not free: "
                + $"{English.Count(least.Copies, "copy", "copies")} of {plan.Rules.Cards.CopiesAsked} so far.")], [.. held.Select(c => c.Id)], true);
        }
        if (free.Count > 0)
            yield return new CarriedOver(CarriedKind.Cards, [new($"{Names(plan, [.. free.Select(c => c.Id)])} may be cleared: "
                + "copies enough are verified.")], [.. free.Select(c => c.Id)], false);
    }

    /// <summary>Cards that two assignments take on one evening and the next day are free only once they are copied in between.</summary>
    private static IEnumerable<CarriedOver> SameCards(SeasonAssignment before, SeasonAssignment next, Plan plan, IReadOnlyList<Item> locker)
    {
        var hours = (next.Start - before.End).TotalHours;
        if (hours is < 0 or > NightHours || plan.Items.OfType<Card>().Where(c => c.CanRecord && locker.Any(l => l.Id == c.Id))
            .ToList() is not { Count: > 0 } cards)
            yield break;
        yield return new CarriedOver(CarriedKind.Cards, [new(
            $"{before.Name} ends {English.Tenths(Math.Round(hours))} hours before: a card it fills is free here only "
            + $"once {English.Count(plan.Rules.Cards.CopiesAsked, "copy is", "copies are")} verified.")], [.. cards.Select(c => c.Id)], false, before.Key);
    }

    /// <summary>What was left in batteries, and what the night between gets full.</summary>
    private static IEnumerable<CarriedOver> Charge(SeasonAssignment? before, SeasonAssignment next, DayAnalysis day, IReadOnlyList<Item> locker, bool isFirst)
    {
        var plan = day.Whole;
        var low = isFirst ? plan.Left?.Where(l => l.Value < 0.95 && plan.ItemOf(l.Key) is not null).OrderBy(l => l.Value).Select(l => l.Key).ToList() ?? []
            : [];
        if (low.Count > 0)
            yield return new CarriedOver(CarriedKind.Charge, [new($"{Names(plan, low)} {(low.Count == 1 ? "is" : "are")} not charged.")], low, true);
        if (before is null || (next.Start - before.End).TotalHours is < 0 or > NightHours) yield break;
        var nights = ChargingNights.Of(plan, [.. PowerPlans.ByDay(day)], locker, otherEnds: [before.End]).Where(n => !n.IsBetween || n.Off <= next.Start);
        foreach (var night in nights.Where(n => n.Wanted > 0))
            yield return new CarriedOver(CarriedKind.Charge,
                [new($"The night after {before.Name} charges {night.Full} of {night.Wanted} {night.Type} by "), new("", Time: night.Off),
                    new(night.Short > 0 ? $": {English.Number(night.Short)} too few, for want of bays or hours." : ".")], [], night.Short > 0, before.Key);
    }

    private static IEnumerable<CarriedOver> Away(Plan plan, SeasonAssignment next)
    {
        var day = DateOnly.FromDateTime(next.Start);
        return plan.Items.Where(i => i.WhyAway(day) is not null)
            .Select(i => new CarriedOver(CarriedKind.Away, [new($"The {i.Label} is {i.WhyAway(day)}.")], [i.Id], true));
    }

    /// <summary>What has a date between the two assignments.</summary>
    private static IEnumerable<CarriedOver> Dates(SeasonAssignment? before, SeasonAssignment next, IReadOnlyList<Item> locker)
    {
        var (from, to) = (DateOnly.FromDateTime(before?.Start ?? next.Start.AddDays(-14)), DateOnly.FromDateTime(next.Start));
        foreach (var item in locker.Where(i => i.To is { } last && last >= from && last < to))
            if (item.Status switch
            {
                Availability.RentedIn => "goes back",
                Availability.Lent or Availability.RentedOut => "comes back",
                Availability.InRepair => "comes out of repair",
                _ => null,
            } is { } what)
                yield return new CarriedOver(CarriedKind.Return, [new($"The {item.Label} {what} on {English.Date(item.To!.Value)}.")], [item.Id], false);
        foreach (var item in locker.Where(i => i.ServiceDue is { } due && due >= from && due <= to))
            yield return new CarriedOver(CarriedKind.Service,
                [new($"The {item.Label} is due for service on {English.Date(item.ServiceDue!.Value)}.")], [item.Id], false);
    }

    private static string Names(Plan plan, IReadOnlyList<string> ids) =>
        English.List(English.Few([.. ids.Select(id => plan.ItemOf(id)?.Label ?? id)], MostNamed));
}
