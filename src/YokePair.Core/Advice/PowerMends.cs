using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>Edits after which the charge of a day reaches further, proved by planning it with them.</summary>
/// <param name="Label">What they do, in words.</param>
/// <param name="Edits">The edits; made together, undone together.</param>
/// <param name="StillShort">How many batteries or sets of that type are short with them; 0 = enough, whichever dies.</param>
public sealed record PowerMend(string Label, IReadOnlyList<PlanEdit> Edits, int StillShort)
{
    private const int BodiesTried = 3;

    /// <summary>Mends of every type that is short: one's own things first, then fewer changes, another camera, and what one would have to get.</summary>
    /// <param name="day">The day.</param>
    /// <param name="locker">What else one owns.</param>
    public static IReadOnlyList<PowerMend> For(DayAnalysis day, IReadOnlyList<Item> locker)
    {
        var lack = PowerPlans.Lack(day);
        return [.. lack.WithoutOne.SelectMany(type => For(day, locker, lack, type)).DistinctBy(m => m.Label)];
    }

    private static IEnumerable<PowerMend> For(DayAnalysis day, IReadOnlyList<Item> locker, PowerLack lack, PowerType type)
    {
        var plan = day.Plan;
        var candidates = Packs(plan, locker, lack, type)
            .Concat(Chargers(plan, locker, lack, type))
            .Concat(plan.Rules.FreshBeforeOnce && type.Each is null ? [Of("Change as rarely as can be", new SetRules { FreshBeforeOnce = false })] : [])
            .Concat(InTheBreak(plan, locker, lack, type))
            .Concat(OtherBodies(plan, lack, type))
            .Concat(Borrows(plan, lack, type));
        DayVerdict? before = null;
        foreach (var (label, edits) in candidates)
        {
            if (EditResult.Apply(plan, edits).Plan is not { } tried) continue;
            var then = day.Trying(tried);
            var left = PowerPlans.Lack(then);
            var missing = left.WithoutOne.FirstOrDefault(t => t.Type == type.Type)?.Short ?? 0;
            if (missing >= type.Short || left.Short.Count > lack.Short.Count) continue;
            if (left.WithoutOne.Sum(t => t.Short) >= lack.WithoutOne.Sum(t => t.Short)) continue;
            if (edits is [Mount, ..] && !DayVerdict.Of(then).IsNowhereWorseThan(before ??= DayVerdict.Of(day))) continue;
            yield return new PowerMend(label, edits, missing);
            if (missing == 0 && edits is [PackThing, ..]) yield break;
        }
    }

    private static (string Label, IReadOnlyList<PlanEdit> Edits) Of(string label, params IReadOnlyList<PlanEdit> edits) => (label, edits);

    private static IEnumerable<(string Label, IReadOnlyList<PlanEdit> Edits)> Packs(
        Plan plan, IReadOnlyList<Item> locker, PowerLack lack, PowerType type)
    {
        List<Item> own = [.. locker.Where(i => i is Battery { Charged: true } or Cells { Charged: true } && i.ChargeType() == type.Type && !i.Doubtful
            && Sourcing.IsFree(plan, i))];
        if (own.Count == 0 || PlaceFor(plan, lack, type) is not { } place) yield break;
        List<Item> some = [.. own.Take(type.Short)];
        var into = plan.PlaceOf(place)!.Name ?? place;
        yield return Of($"Take {English.List([.. some.Select(i => i.Label)])} along as well; into {into}",
            [.. some.Select(i => new PackThing { Thing = i.Id, Place = place, Found = i })]);
    }

    /// <summary>Of several days, one's own charger that stays at home: in the night between it would charge too.</summary>
    private static IEnumerable<(string Label, IReadOnlyList<PlanEdit> Edits)> Chargers(
        Plan plan, IReadOnlyList<Item> locker, PowerLack lack, PowerType type)
    {
        if (Day.Stretches(plan).Count == 1 || PlaceFor(plan, lack, type) is not { } place) yield break;
        if (locker.OfType<Charger>().FirstOrDefault(c => c.Takes(type.Type) && Sourcing.IsFree(plan, c)) is { } own)
            yield return Of($"Take {own.Label} along for the night between; into {plan.PlaceOf(place)!.Name ?? place}",
                new PackThing { Thing = own.Id, Place = place, Found = own });
    }

    /// <summary>A part without pictures before it goes dark, with a charger that is along or at home: is there a socket?</summary>
    private static IEnumerable<(string Label, IReadOnlyList<PlanEdit> Edits)> InTheBreak(
        Plan plan, IReadOnlyList<Item> locker, PowerLack lack, PowerType type)
    {
        if (type.Each is not null) yield break;
        var along = plan.Items.OfType<Charger>().Any(c => c.Takes(type.Type));
        var own = along ? null : locker.OfType<Charger>().FirstOrDefault(c => c.Takes(type.Type) && Sourcing.IsFree(plan, c));
        if (!along && own is null) yield break;
        List<Part> order = [.. Day.InOrder(plan)];
        var dark = Dark(lack, type).Select(s => order.FindIndex(p => p.Id == s.Part)).DefaultIfEmpty(0).Max();
        foreach (var part in order.Take(dark).Where(p => p.Socket != true && p.Needs.Count == 0))
        {
            List<PlanEdit> edits = [new SetPart { Part = part.Id, Socket = true }];
            if (own is not null && PlaceFor(plan, lack, type) is { } place) edits.Add(new PackThing { Thing = own.Id, Place = place, Found = own });
            yield return Of($"Charge {type.Type} in {part.Label}, if there is a socket{(own is null ? "" : $"; take {own.Label} along")}", [.. edits]);
        }
    }

    /// <summary>Another camera, which takes other batteries, with the same glass in the hand whose camera goes dark.</summary>
    private static IEnumerable<(string Label, IReadOnlyList<PlanEdit> Edits)> OtherBodies(Plan plan, PowerLack lack, PowerType type)
    {
        var dark = Dark(lack, type).FirstOrDefault(s => plan.ItemOf(s.Device) is Body);
        if (dark is null || plan.PartOf(dark.Part) is not { } part) yield break;
        if (part.Setups.FirstOrDefault(s => s.Body == dark.Device) is not { Lens: { } lens } setup) yield break;
        foreach (var body in plan.Items.OfType<Body>().Where(b => b.BatteryType != type.Type && !b.Doubtful && !part.SetsUp(b.Id)).Take(BodiesTried))
            if (plan.ItemOf(lens) is Lens glass && body.Mount.Contains(glass.Mount))
                yield return Of($"{body.Label} instead of {plan.ItemOf(dark.Device)!.Label} in {part.Label}",
                    new Mount { Part = part.Id, Person = setup.Person, Position = setup.Position, Body = body.Id, Lens = lens });
    }

    private static IEnumerable<(string Label, IReadOnlyList<PlanEdit> Edits)> Borrows(Plan plan, PowerLack lack, PowerType type)
    {
        var edits = ToBorrow(plan, lack, type);
        if (edits is not [BorrowThing { Item.Place: { } place }, ..]) yield break;
        var what = type.Each is null ? type.Type : $"{(type.Short == 1 ? "set" : "sets")} of {type.Type}";
        yield return Of($"Borrow, rent or buy {English.Number(type.Short)} {what}; into {plan.PlaceOf(place)!.Name ?? place}", edits);
    }

    /// <summary>As many of a type as are short, to be had from somewhere; none where there is no place for them.</summary>
    internal static IReadOnlyList<PlanEdit> ToBorrow(Plan plan, PowerLack lack, PowerType type)
    {
        if (PlaceFor(plan, lack, type) is not { } place) return [];
        return Sourcing.Borrow(plan, type.Short, type.Type, id => type.Each is { } each
            ? new Cells { Id = id, Name = $"{type.Type} set, to get", Type = type.Type, CellCount = each, Place = place }
            : new Battery { Id = id, Name = $"{type.Type}, to get", Type = type.Type, Place = place });
    }

    private static string? PlaceFor(Plan plan, PowerLack lack, PowerType type) =>
        Sourcing.PlaceFor(plan, i => i.ChargeType() == type.Type, Dark(lack, type).FirstOrDefault()?.Device);

    private static IEnumerable<PowerShort> Dark(PowerLack lack, PowerType type) => lack.Short.Concat(type.WithoutOne).Where(s => s.Type == type.Type);
}
