using YokePair.Core.Basics;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A thing as the locker shows it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Kind">Its kind.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Number">Number painted on it.</param>
/// <param name="Line">The figures that matter, in one line.</param>
/// <param name="Owner">Whose it is.</param>
/// <param name="Status">Whether it can be had.</param>
/// <param name="Away">Why it is not here on the day; null when it is.</param>
/// <param name="AgeYears">Years since its first use.</param>
/// <param name="Alone">Why its loss is replaced by nothing; null when it is.</param>
/// <param name="Warnings">What else should be known: doubtful, weak, due for service, estimates.</param>
/// <param name="WeightG">Weight, grams; null = not known.</param>
/// <param name="Level">For a battery, its health (0 when not charged); for a card, 1 clear, 0 otherwise.</param>
/// <param name="State">For a battery: charged or flat; for a card: its state.</param>
/// <param name="Slots">For a body, the types of its card slots.</param>
/// <param name="Type">Type of battery, cells or card.</param>
/// <param name="Estimates">How many of its figures are typical ones.</param>
/// <param name="Keep">Whether it always comes along, or stays at home; null = as the needs have it.</param>
public sealed record ThingView(
    string Id,
    string Kind,
    string Name,
    int? Number,
    string Line,
    string? Owner,
    Availability Status,
    string? Away,
    double? AgeYears,
    string? Alone,
    IReadOnlyList<string> Warnings,
    double? WeightG,
    double? Level,
    string? State,
    IReadOnlyList<string>? Slots,
    string? Type,
    int Estimates,
    Keep? Keep);

/// <summary>What a body can be used with.</summary>
/// <param name="Id">Body id.</param>
/// <param name="Glass">How many lenses go on it directly.</param>
/// <param name="Adapted">How many through an adapter.</param>
/// <param name="Batteries">Batteries of its type that are here.</param>
/// <param name="CardsBySlot">Cards that are here, by slot.</param>
/// <param name="Flashes">Flashes that fit its shoe.</param>
/// <param name="Triggers">Triggers that fit its shoe.</param>
/// <param name="Lacks">What it has too little of, in words.</param>
/// <param name="Burst">How long it shoots at its full speed, raw to every slot; null where a figure for that is missing.</param>
public sealed record BodyOutfit(
    string Id, int Glass, int Adapted, int Batteries, IReadOnlyList<int> CardsBySlot, int Flashes, int Triggers, IReadOnlyList<string> Lacks, BodyBurst? Burst);

/// <summary>A body's longest burst with the slowest of the cards that are here for each slot.</summary>
/// <param name="Fps">Frames a second.</param>
/// <param name="Seconds">Until the buffer is full; null = never.</param>
/// <param name="ClearSeconds">Until a full buffer is written away.</param>
public sealed record BodyBurst(double Fps, double? Seconds, double ClearSeconds);

/// <summary>What a locker says about itself on a day.</summary>
/// <param name="Things">Everything, by kind, number and name.</param>
/// <param name="Alone">What stands alone, with what would lie idle without it.</param>
/// <param name="Bodies">What each body can be used with.</param>
/// <param name="Headline">The whole in a sentence.</param>
public sealed record LockerReport(IReadOnlyList<ThingView> Things, IReadOnlyList<AloneThing> Alone, IReadOnlyList<BodyOutfit> Bodies, string Headline)
{
    /// <summary>Makes it.</summary>
    public static LockerReport Of(IReadOnlyList<Item> things, Compatibility compatibility, DateOnly day)
    {
        var alone = Locker.Alone.Find(things, compatibility, day);
        var why = alone.ToDictionary(a => a.Id, a => a.Why, StringComparer.Ordinal);
        var kinds = FigureCatalogue.Kinds.Select((k, i) => (k, i)).ToDictionary(x => x.k, x => x.i);
        var views = things.Select(t => View(t, day, why.GetValueOrDefault(t.Id)))
            .OrderBy(v => kinds[v.Kind]).ThenBy(v => v.Type, StringComparer.Ordinal).ThenBy(v => v.Number ?? int.MaxValue)
                .ThenBy(v => v.Name, StringComparer.OrdinalIgnoreCase).ToList();
        var here = compatibility.Alike(things.Where(t => t.IsHere(day)));
        return new LockerReport(views, alone, [.. things.OfType<Body>().Where(b => b.IsHere(day)).Select(b => Outfit(b, here, compatibility))],
            Summarise(views, alone));
    }

    private static string Summarise(List<ThingView> views, IReadOnlyList<AloneThing> alone)
    {
        if (views.Count == 0) return "Nothing in the locker yet.";
        var away = views.Count(v => v.Away is not null && v.Status is not (Availability.Retired or Availability.Lost));
        var single = alone.Count == 0 ? "Nothing stands alone: whatever you lose, something here stands in"
            : $"{English.Capital(English.Number(alone.Count))} {(alone.Count == 1 ? "thing is" : "things are")} alone of "
                + $"{(alone.Count == 1 ? "its" : "their")} kind";
        return away == 0 ? single + "." : $"{single}; {English.Number(away)} {(away == 1 ? "is" : "are")} not here on the day.";
    }

    private static ThingView View(Item item, DateOnly day, string? alone)
    {
        var warnings = new List<string>();
        if (item.Doubtful) warnings.Add("sometimes works");
        if (item is Battery { Health: { } health and < 0.8 }) warnings.Add(FormattableString.Invariant($"{health * 100:0} % health"));
        if (item is Body { Slots.Count: < 2 }) warnings.Add("one slot only");
        if (item.ServiceDue is { } due && due <= day) warnings.Add($"service due {English.Date(due)}");
        return new ThingView(
            item.Id, ItemKinds.Of(item), item.Label, item.Number, ThingLine.Of(item), item.Owner, item.Status ?? Availability.Ready, item.WhyAway(day),
            item.FirstUse is { } first ? Math.Round((day.DayNumber - first.DayNumber) / 365.25, 1) : null,
            alone, warnings, item.WeightG,
            item switch { Battery b => b.Charged ? b.Health ?? 1 : 0, Cells c => c.Charged ? 1 : 0, Card c => c.State == Card.Clear ? 1 : 0, _ => null },
            item switch { Battery b => b.Charged ? "charged" : "flat", Cells c => c.Charged ? "charged" : "flat", Card c => c.State, _ => null },
            item is Body body ? [.. body.Slots.Select(s => s.Type ?? "")] : null,
            item switch { Battery b => b.Type, Cells c => c.Type, Card c => c.Type, _ => null },
            item.Estimated?.Count ?? 0, item.Keep);
    }

    private static BodyOutfit Outfit(Body body, IReadOnlyList<IReadOnlyList<Item>> here, Compatibility compatibility)
    {
        var around = here.Where(alike => alike[0].Id != body.Id).Select(alike => (Alike: alike, Answer: compatibility.Of(body, alike[0])))
            .Where(x => x.Answer.Works)
            .SelectMany(x => x.Alike.Select(thing => (Thing: thing, x.Answer))).ToList();
        var lenses = around.Where(x => x.Thing is Lens).ToList();
        var batteries = around.Where(x => x.Thing is Battery).Sum(x => x.Thing.Count ?? 1);
        var cards = body.Slots.Select(s => around.Where(x => x.Thing is Card c && c.Type == s.Type).Sum(x => x.Thing.Count ?? 1)).ToList();
        var lacks = new List<string>();
        if (lenses.Count == 0) lacks.Add("no glass fits");
        if (batteries == 0) lacks.Add($"no {body.BatteryType} here");
        else if (batteries == 1) lacks.Add($"one {body.BatteryType} only");
        for (var i = 0; i < cards.Count; i++)
            if (cards[i] == 0) lacks.Add($"no {body.Slots[i].Type} card for slot {i + 1}");
        if (body.Slots.Count < 2) lacks.Add("one slot: no second record");
        return new BodyOutfit(body.Id, lenses.Count(l => l.Answer.By is null), lenses.Count(l => l.Answer.By is not null), batteries, cards,
            around.Count(x => x.Thing is Flash), around.Count(x => x.Thing is Trigger), lacks, BurstOf(body, [.. around.Select(x => x.Thing).OfType<Card>()]));
    }

    private static BodyBurst? BurstOf(Body body, List<Card> cards)
    {
        if (body is not { Fps: > 0, BufferMegabytes: { } buffer, RawMegabytes: { } raw, Slots.Count: > 0 }) return null;
        // One does not choose the card by the burst: the slowest of its type is what one has.
        var speeds = body.Slots.Select(slot => cards.Where(c => c.Type == slot.Type).Select(c => c.WriteMegabytesPerSecond)
            .Append(slot.WriteMegabytesPerSecond).Min()).ToList();
        if (speeds.Exists(s => s is null)) return null;
        var burst = Burst.Length(body.Fps, buffer, raw, [.. speeds.Select(s => new SlotWrite(raw, s!.Value))]);
        return new BodyBurst(body.Fps, double.IsPositiveInfinity(burst.SecondsUntilFull) ? null : burst.SecondsUntilFull, burst.SecondsToClear);
    }
}

/// <summary>The figures of a thing that one wants to see at a glance.</summary>
internal static class ThingLine
{
    public static string Of(Item item)
    {
        IEnumerable<string?> parts = item switch
        {
            Body b => [$"{English.Tenths(b.Megapixels)} MP {(b.Crop == 1 ? "full frame" : $"crop {English.Tenths(b.Crop)}")}",
                FormattableString.Invariant($"deliver to {b.IsoCeiling:0}"), string.Join('+', b.Slots.Select(s => s.Type)), string.Join(", ", b.Mount),
                b.BatteryType, b.Silent ? "silent" : null],
            Lens l => [l.Mount, $"{English.Tenths(l.Magnification)}×", l.TakesConverter ? "takes converter" : null, l.FilterThreadMm is { } t
                ? $"ø{English.Tenths(t)}" : null],
            Adapter a => [$"{a.LensMount} → {a.BodyMount}"],
            Converter c => [$"{English.Tenths(c.Factor)}×", c.Mount],
            Tube t => [$"{English.Tenths(t.ExtensionMm)} mm", t.Mount],
            Flash f => [f.GuideNumber is { } gn ? $"GN {English.Tenths(gn)}" : null, f.CellsType, f.RadioSystem, f.CanSend == true ? "sends" : null,
                f.CanHear == true ? "hears" : null, f.Gel],
            Trigger t => [t.Sends is { } s ? $"sends {s}" : null, t.Hears is { } h ? $"hears {h}" : null],
            Battery b => [b.Type, b.WattHours is { } wh ? $"{English.Tenths(wh)} Wh" : null],
            Cells c => [c.Type, c.CellCount is { } n ? $"{English.Tenths(n)} {(n == 1 ? "cell" : "cells")}" : null],
            Card c => [c.Type, c.Gigabytes is { } gb ? $"{English.Tenths(gb)} GB" : null],
            Charger c => [string.Join('+', c.BatteryTypes ?? []), c.Bays is { } bays ? $"{English.Tenths(bays)} {(bays == 1 ? "bay" : "bays")}"
                : null, c.Hours is { } hours ? $"{English.Tenths(hours)} h" : null],
            CardReader r => [string.Join('+', r.CardTypes ?? [])],
            Drive d => [d.Gigabytes is { } gb ? $"{English.Tenths(gb)} GB" : null],
            PowerBank p => [p.WattHours is { } wh ? $"{English.Tenths(wh)} Wh" : null],
            Support s => [s.Form, s.Plate],
            StandLight l => [l.Watts is { } w ? $"{English.Tenths(w)} W" : null, l.BatteryType],
            Modifier m => [string.Join('+', m.Fits ?? [])],
            Filter f => [f.ThreadMm is { } mm ? $"ø{English.Tenths(mm)}" : null, f.StepsToMm is { } to ? $"steps up to ø{English.Tenths(to)}" : null,
                f.Stops is { } st ? $"{English.Tenths(st)} stops" : null],
            Case c => [c.InnerMm is { } inner ? string.Join(" × ", inner.Select(English.Tenths)) + " mm" : null, c.Lockable == true ? "locks" : null,
                c.Cabin == true ? "cabin size" : null],
            _ => [],
        };
        var all = parts.Append(item.Roles is { Count: > 0 } roles ? string.Join(", ", roles) : null)
            .Append(item.Count is > 1 ? $"{item.Count} of them" : null);
        // What the name says already need not be said again.
        return string.Join(" · ", all.Where(p => !string.IsNullOrEmpty(p) && p != item.Label).Distinct());
    }
}
