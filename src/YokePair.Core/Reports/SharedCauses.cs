using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>What could take several things together.</summary>
public enum CauseKind
{
    /// <summary>A thing and its only backup lie in one bag.</summary>
    OneBag,

    /// <summary>Every light that stands off the camera speaks one radio system.</summary>
    OneRadio,

    /// <summary>Several heads hang on one pack.</summary>
    OnePack,

    /// <summary>A trigger fits the shoe of one body only.</summary>
    OneShoe,

    /// <summary>One charger for every battery of a type.</summary>
    OneCharger,

    /// <summary>One reader for all cards.</summary>
    OneReader,

    /// <summary>Cards bought together are all there is for a type of slot.</summary>
    OneLot,

    /// <summary>One adapter for several lenses.</summary>
    OneAdapter,
}

/// <summary>Several things that one cause could take together, called by its name.</summary>
/// <param name="Kind">What they share.</param>
/// <param name="Text">In words.</param>
/// <param name="Items">Ids of the things.</param>
public sealed record SharedCause(CauseKind Kind, string Text, IReadOnlyList<string> Items);

/// <summary>Finds them in a day.</summary>
public static class SharedCauses
{
    /// <summary>Every shared cause, those that could cost a picture that matters first.</summary>
    public static IReadOnlyList<SharedCause> Of(DayAnalysis day)
    {
        var plan = day.Plan;
        return [.. Bags(day), .. Adapters(plan), .. Radio(plan), .. Packs(plan), .. Shoes(plan), .. Chargers(plan), .. Readers(plan), .. Lots(plan)];
    }

    /// <summary>A pair that cuts a need and lies in one place: the one is all the backup the other has.</summary>
    private static IEnumerable<SharedCause> Bags(DayAnalysis day)
    {
        var kit = day.Kit;
        var pairs = new Dictionary<(int A, int B, int Place), List<string>>();
        foreach (var part in day.Parts)
            foreach (var need in part.Needs.Where(n => n.Need.Importance != Importance.Nice))
                foreach (var cut in need.Cuts.Where(c => c.Length == 2))
                    if (part.Ways.Layout.SourceOf(cut[0]) is var place && place >= 0 && place < kit.Plan.Places.Count && place == part.Ways.Layout.SourceOf(cut[1]))
                    {
                        var key = (cut[0], cut[1], place);
                        if (!pairs.TryGetValue(key, out var hit)) pairs.Add(key, hit = []);
                        hit.Add(need.Need.Label);
                    }
        return pairs.OrderByDescending(p => p.Value.Count).Select(p => new SharedCause(CauseKind.OneBag,
            $"The {kit.Items[p.Key.A].Label} and its only backup, the {kit.Items[p.Key.B].Label}, are both in the {Lower(kit.Plan.Places[p.Key.Place])}: {English.List([.. p.Value.Distinct().Take(3)])}{(p.Value.Distinct().Count() > 3 ? " and more" : "")}.",
            [kit.Items[p.Key.A].Id, kit.Items[p.Key.B].Id]));
    }

    private static string Lower(Place place) => (place.Name ?? place.Id) is var name && name.Length > 0 ? char.ToLowerInvariant(name[0]) + name[1..] : "";

    private static IEnumerable<SharedCause> Adapters(Plan plan)
    {
        foreach (var group in plan.Items.OfType<Adapter>().Where(a => !a.Doubtful).GroupBy(a => (a.LensMount, a.BodyMount)))
        {
            if (group.Count() > 1 || group.Key.LensMount is null) continue;
            var lenses = plan.Items.OfType<Lens>().Where(l => l.Mount == group.Key.LensMount && plan.Items.OfType<Body>().Any(b => b.Mount.Contains(group.Key.BodyMount!) && !b.Mount.Contains(l.Mount))).ToList();
            if (lenses.Count < 2) continue;
            var adapter = group.First();
            yield return new SharedCause(CauseKind.OneAdapter, $"The {adapter.Label} is the only sound adapter for {English.Number(lenses.Count)} lenses: {English.List([.. lenses.Select(l => l.Label)])}.", [adapter.Id, .. lenses.Select(l => l.Id)]);
        }
    }

    private static IEnumerable<SharedCause> Radio(Plan plan)
    {
        var flashes = plan.Parts.SelectMany(p => p.Lights ?? []).Select(l => l.Flash).OfType<string>().Distinct(StringComparer.Ordinal)
            .Select(id => plan.Items.First(i => i.Id == id)).ToList();
        var systems = plan.Parts.SelectMany(p => p.Lights ?? []).Where(l => l.Flash is not null)
            .Select(l => plan.Items.OfType<Trigger>().FirstOrDefault(t => t.Id == l.Receiver)?.Hears ?? plan.Items.OfType<Flash>().First(f => f.Id == l.Flash).RadioSystem)
            .Distinct(StringComparer.Ordinal).ToList();
        if (flashes.Count > 1 && systems is [{ } only])
            yield return new SharedCause(CauseKind.OneRadio, $"Every light that stands in a room hears radio {only} alone: {English.List([.. flashes.Select(f => f.Label)])}. If it is jammed, none fires.", [.. flashes.Select(f => f.Id)]);
    }

    private static IEnumerable<SharedCause> Packs(Plan plan) =>
        plan.Parts.SelectMany(p => (p.Lights ?? []).Where(l => l.Pack is not null && l.Flash is not null).GroupBy(l => l.Pack!).Where(g => g.Count() > 1).Select(g => (Part: p, Pack: g.Key, Heads: g.Select(l => l.Flash!).ToList())))
            .DistinctBy(x => x.Pack + string.Concat(x.Heads))
            .Select(x => new SharedCause(CauseKind.OnePack, $"{English.Capital(English.Number(x.Heads.Count))} heads hang on the {Label(plan, x.Pack)} in {x.Part.Label}.", [x.Pack, .. x.Heads]));

    private static IEnumerable<SharedCause> Shoes(Plan plan)
    {
        var bodies = plan.Items.OfType<Body>().ToList();
        if (bodies.Count < 2) yield break;
        foreach (var trigger in plan.Items.OfType<Trigger>().Where(t => t.Sends is not null))
            if (bodies.Where(b => Shoe.Fits(b, trigger.Shoe)).ToList() is [var only])
                yield return new SharedCause(CauseKind.OneShoe, $"The {trigger.Label} fits the shoe of the {only.Label} only.", [trigger.Id, only.Id]);
    }

    private static IEnumerable<SharedCause> Chargers(Plan plan)
    {
        foreach (var type in plan.Items.OfType<Battery>().Where(b => b.Type is not null).GroupBy(b => b.Type!).Where(g => g.Count() > 1))
            if (plan.Items.OfType<Charger>().Where(c => c.BatteryTypes?.Contains(type.Key) == true).ToList() is [var only])
                yield return new SharedCause(CauseKind.OneCharger, $"One charger, the {only.Label}, for {(type.Count() == 2 ? "both" : "all " + English.Number(type.Count()))} {type.Key} batteries.", [only.Id]);
    }

    private static IEnumerable<SharedCause> Readers(Plan plan)
    {
        if (plan.Items.OfType<CardReader>().ToList() is [var only] && plan.Items.OfType<Card>().Any())
            yield return new SharedCause(CauseKind.OneReader, $"One reader, the {only.Label}, for every card.", [only.Id]);
    }

    /// <summary>Cards of one type that came into use on one day are one lot as far as anybody can tell.</summary>
    private static IEnumerable<SharedCause> Lots(Plan plan)
    {
        foreach (var type in plan.Items.OfType<Card>().Where(c => c.Type is not null && c.CanRecord).GroupBy(c => c.Type!))
        {
            var slots = plan.Items.OfType<Body>().Count(b => b.Slots.Any(s => s.Type == type.Key));
            if (type.Count() > 1 && slots > 1 && type.Select(c => c.FirstUse).Distinct().ToList() is [{ } day])
                yield return new SharedCause(CauseKind.OneLot, FormattableString.Invariant($"All {English.Number(type.Count())} {type.Key} cards have been in use since {day:yyyy-MM-dd}: one lot, for {English.Number(slots)} bodies."), [.. type.Select(c => c.Id)]);
        }
    }

    private static string Label(Plan plan, string id) => plan.Items.FirstOrDefault(i => i.Id == id)?.Label ?? id;
}
