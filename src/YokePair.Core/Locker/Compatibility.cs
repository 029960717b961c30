using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>How two things of a locker get on, and why.</summary>
/// <param name="Fit">The answer; null when the two have nothing to do with each other.</param>
/// <param name="Reason">Why, in a clause.</param>
/// <param name="By">Id of the adapter between them, where one is needed.</param>
/// <param name="Overruled">Whether the owner said so.</param>
public sealed record Compatible(PairFit? Fit, string Reason, string? By = null, bool Overruled = false)
{
    /// <summary>Whether they can be used together at all.</summary>
    public bool Works => Fit is not (null or PairFit.No);
}

/// <summary>Which things go together, by mounts, types, shoes, threads and radio systems, unless the owner knows better.</summary>
/// <param name="things">Every thing of the locker.</param>
/// <param name="pairs">What the owner knows of pairs.</param>
public sealed class Compatibility(IReadOnlyList<Item> things, IReadOnlyList<PairRule> pairs)
{
    private static readonly Compatible Strangers = new(null, "these two have nothing to do with each other");

    private readonly List<Adapter> adapters = [.. things.OfType<Adapter>()];
    private readonly ILookup<string, PairRule> rules = pairs.SelectMany(p => new[] { (p.A, p), (p.B, p) })
        .ToLookup(x => x.Item1, x => x.p, StringComparer.Ordinal);

    // What something else cannot be used without is like nothing else.
    private readonly HashSet<string> served = [.. things.SelectMany(t => t.NeededBy ?? [])];

    // A grip asks for a body by its name.
    private readonly bool namesMatter = things.Any(t => t is Grip { FitsBody: not null });

    // Of hundreds of batteries and cards, and of twins, one is as another; and each pair is asked of again and again.
    private readonly Dictionary<string, int> likenesses = [];
    private readonly Dictionary<Item, int> likenessOf = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<(int, int), Compatible> answers = [];

    /// <summary>The answer for two things, in either order.</summary>
    public Compatible Of(Item a, Item b)
    {
        var pair = (LikenessOf(a), LikenessOf(b));
        if (!answers.TryGetValue(pair, out var answer)) answers.Add(pair, answer = Find(a, b));
        return answer;
    }

    /// <summary>Things of which every one gets the same answer with whatever else.</summary>
    public IReadOnlyList<IReadOnlyList<Item>> Alike(IEnumerable<Item> some) => [.. some.GroupBy(LikenessOf).Select(g => g.ToList())];

    /// <summary>Number of what gets the same answers as a thing, with whatever else.</summary>
    public int LikenessOf(Item item)
    {
        if (likenessOf.TryGetValue(item, out var known)) return known;
        var key = KeyOf(item);
        if (!likenesses.TryGetValue(key, out var likeness)) likenesses.Add(key, likeness = likenesses.Count);
        likenessOf.Add(item, likeness);
        return likeness;
    }

    // Every figure that Judge looks at; what is missing here is told of one thing and taken for another.
    private string KeyOf(Item item)
    {
        if (item.NeededBy is not null || served.Contains(item.Id) || rules.Contains(item.Id)) return item.Id;
        object?[]? figures = item switch
        {
            Battery battery => [battery.Type],
            Card card => [card.Type],
            Lens lens => [lens.Mount, lens.ImageCircleCrop, lens.TakesConverter, lens.NeedsSupport, lens.FilterThreadMm],
            Body body =>
            [
                .. body.Mount, "", body.Crop, body.BatteryType, body.Shoe, body.UsbCharging, namesMatter ? body.Label : "",
                .. body.Slots.Select(s => s.Type),
            ],
            _ => null,
        };
        return figures is null ? item.Id : $"{item.GetType().Name}\n{item.Doubtful}\n{string.Join('\n', figures)}";
    }

    private Compatible Find(Item a, Item b)
    {
        var known = rules[a.Id].FirstOrDefault(r => r.IsOf(a.Id, b.Id));
        if (known is not null) return new Compatible(known.Fit, string.IsNullOrWhiteSpace(known.Note) ? "you say so" : $"you say: {known.Note}",
            Overruled: true);
        return Judge(a, b) ?? Judge(b, a) ?? Strangers;
    }

    /// <summary>Every thing that has something to do with one, with the answer.</summary>
    public IEnumerable<(Item Other, Compatible Answer)> Around(Item item) =>
        things.Where(o => o.Id != item.Id).Select(o => (o, Of(item, o))).Where(x => x.Item2.Fit is not null);

    private Compatible? Judge(Item a, Item b) => (a, b) switch
    {
        (Body body, Lens lens) => OnBody(body, lens.Mount, lens),
        (Body body, Converter { Mount: { } mount } c) => OnBody(body, mount, c),
        (Body body, Tube { Mount: { } mount } t) => OnBody(body, mount, t),
        (Body body, Adapter adapter) => Same(adapter.BodyMount is { } m && body.Mount.Contains(m), $"it leads to {adapter.BodyMount}",
            $"it leads to {adapter.BodyMount}, the body takes {string.Join(", ", body.Mount)}", adapter.Doubtful),
        (Lens lens, Adapter adapter) => Same(adapter.LensMount == lens.Mount, $"both are {lens.Mount}",
            $"the lens is {lens.Mount}, the adapter takes {adapter.LensMount}", adapter.Doubtful),
        (Lens lens, Converter converter) => !lens.TakesConverter ? new(PairFit.No, "the lens takes no converter")
            : Same(converter.Mount == lens.Mount, $"both are {lens.Mount}", $"the lens is {lens.Mount}, the converter {converter.Mount}", converter.Doubtful),
        (Lens lens, Tube tube) => Same(tube.Mount == lens.Mount, $"both are {lens.Mount}", $"the lens is {lens.Mount}, the tube {tube.Mount}", tube.Doubtful),
        (Lens lens, Filter filter) => Thread(lens, filter),
        (Lens { NeedsSupport: true }, Support) => new(PairFit.Full, "the lens is used on a support"),
        (Body body, Battery battery) => Same(battery.Type == body.BatteryType, $"both are {body.BatteryType}",
            $"the body takes {body.BatteryType}, this is {battery.Type}", battery.Doubtful),
        (Body body, Card card) => Slot(body, card),
        (Body body, Flash flash) => Shoe(body, flash.Shoe, flash.Doubtful),
        (Body body, Trigger { Sends: not null } trigger) => Shoe(body, trigger.Shoe, trigger.Doubtful),
        (Body { UsbCharging: true }, PowerBank) => new(PairFit.Full, "the body can be powered by USB"),
        (Body body, Grip grip) => Same(grip.FitsBody is { } fits && body.Label.StartsWith(fits, StringComparison.OrdinalIgnoreCase),
            $"it is made for {grip.FitsBody}", $"it is made for {grip.FitsBody ?? "a body not said"}", grip.Doubtful),
        (Grip grip, Battery battery) => Same(grip.BatteryType == battery.Type, $"both are {battery.Type}", $"the grip holds {grip.BatteryType}", false),
        (Flash flash, Cells cells) => Same(flash.CellsType == cells.Type, $"both are {cells.Type}", $"the flash takes {flash.CellsType ?? "no cells"}",
            cells.Doubtful),
        (Trigger trigger, Cells cells) when trigger.CellsType is not null =>
            Same(trigger.CellsType == cells.Type, $"both are {cells.Type}", $"the trigger takes {trigger.CellsType}", cells.Doubtful),
        (Flash { Power: FlashPower.OwnPack or FlashPower.SharedPack }, Pack) => new(PairFit.Full, "the flash runs off a pack"),
        (Trigger { Sends: { } system }, Flash flash) => Radio(system, flash.CanHear == true ? flash.RadioSystem : null, flash.Doubtful),
        (Trigger { Sends: { } system }, Trigger { Hears: { } heard } receiver) => Radio(system, heard, receiver.Doubtful),
        (Flash { CanSend: true, RadioSystem: { } system }, Flash { CanHear: true } flash) => Radio(system, flash.RadioSystem, flash.Doubtful),
        (Charger { BatteryTypes: { } types }, Battery battery) =>
            Same(battery.Type is { } t && types.Contains(t), $"it charges {battery.Type}", $"it charges {string.Join(", ", types)}", false),
        (Charger { BatteryTypes: { } types }, Cells cells) =>
            Same(cells.Type is { } t && types.Contains(t), $"it charges {cells.Type}", $"it charges {string.Join(", ", types)}", false),
        (CardReader { CardTypes: { } types }, Card card) => Same(card.Type is { } t && types.Contains(t), $"it reads {card.Type}",
            $"it reads {string.Join(", ", types)}", false),
        (Drive { CardTypes: { } types }, Card card) => Same(card.Type is { } t && types.Contains(t), $"it copies {card.Type}",
            $"it copies {string.Join(", ", types)}", false),
        (Modifier { Fits: { } fits }, Flash flash) => Same(flash.ModifierMount is { } m && fits.Contains(m), $"both are {flash.ModifierMount}",
            $"it goes on {string.Join(", ", fits)}", false),
        (Modifier { Fits: { } fits }, StandLight light) => Same(light.ModifierMount is { } m && fits.Contains(m), $"both are {light.ModifierMount}",
            $"it goes on {string.Join(", ", fits)}", false),
        (StandLight { BatteryType: { } type }, Battery battery) => Same(type == battery.Type, $"both are {type}", $"the light takes {type}", battery.Doubtful),
        (_, { NeededBy: { } served }) when served.Contains(a.Id) => new(PairFit.Full, $"the {a.Label} cannot be used without it"),
        _ => null,
    };

    private Compatible OnBody(Body body, string mount, Item glass)
    {
        var crops = glass is Lens lens && lens.ImageCircleCrop > body.Crop
            ? $"; its image circle crops the picture {English.Tenths(lens.ImageCircleCrop / body.Crop)}×" : "";
        if (body.Mount.Contains(mount)) return new(glass.Doubtful || body.Doubtful ? PairFit.Doubtful : PairFit.Full, $"both are {mount}{crops}");
        var leading = adapters.Where(a => a.LensMount == mount && a.BodyMount is { } to && body.Mount.Contains(to)
            && a.Status is not (Availability.Lost or Availability.Retired))
            .Select(a => (Adapter: a, Fit: Through(a, body, glass))).Where(x => x.Fit != PairFit.No).OrderBy(x => x.Fit).ToList();
        return leading.Count == 0
            ? new(PairFit.No, $"it is {mount}, the body takes {string.Join(", ", body.Mount)}, and no adapter leads from one to the other")
            : new(leading[0].Fit,
                $"through the {leading[0].Adapter.Label}"
                    + $"{(leading.Count > 1 ? $" or {English.Number(leading.Count - 1)} more" : ", the only adapter that leads there")}{crops}",
                leading[0].Adapter.Id);
    }

    /// <summary>An adapter may be sound with one lens and not with another: the worst of what is known of the three.</summary>
    private PairFit Through(Adapter adapter, Body body, Item glass)
    {
        var known = new[] { adapter.Id }.SelectMany(id => rules[id]).Where(r => r.IsOf(adapter.Id, glass.Id) || r.IsOf(adapter.Id, body.Id)).Select(r => r.Fit)
            .ToList();
        if (known.Contains(PairFit.No)) return PairFit.No;
        if (adapter.Doubtful || glass.Doubtful || known.Contains(PairFit.Doubtful)) return PairFit.Doubtful;
        return known.Contains(PairFit.ManualFocusOnly) ? PairFit.ManualFocusOnly : PairFit.Full;
    }

    private static Compatible Same(bool same, string yes, string no, bool doubtful) => same ? new(doubtful ? PairFit.Doubtful : PairFit.Full, yes)
        : new(PairFit.No, no);

    private static Compatible Slot(Body body, Card card)
    {
        var slots = body.Slots.Select((s, i) => (s.Type, Number: i + 1)).Where(s => s.Type is not null && s.Type == card.Type).Select(s => $"{s.Number}")
            .ToList();
        return Same(slots.Count > 0, $"slot {string.Join(" and ", slots)}",
            $"the slots take {string.Join(", ", body.Slots.Select(s => s.Type).Distinct())}, this is {card.Type}", card.Doubtful);
    }

    private static Compatible Shoe(Body body, string? shoe, bool doubtful) => Same(body.Shoe is null || shoe is null || body.Shoe == shoe,
        body.Shoe is null || shoe is null ? "nothing says that the shoes differ" : $"both shoes are {shoe}", $"the shoe is {shoe}, the body's {body.Shoe}",
            doubtful);

    private static Compatible Radio(string sends, string? hears, bool doubtful) => hears is null
        ? new(PairFit.No, "it has no receiver for it")
        : Same(sends == hears, $"both speak {sends}", $"one speaks {sends}, the other hears {hears}", doubtful);

    private Compatible Thread(Lens lens, Filter filter)
    {
        if (lens.FilterThreadMm is not { } wanted || filter.ThreadMm is not { } has) return new(null, "");
        if (wanted == has) return new(PairFit.Full, FormattableString.Invariant($"both threads are {has} mm"));
        var ring = things.OfType<Filter>().FirstOrDefault(r => r.ThreadMm == wanted && r.StepsToMm == has);
        return ring is not null && filter.StepsToMm is null
            ? new(PairFit.Full, $"through the {ring.Label}", ring.Id)
            : new(PairFit.No, FormattableString.Invariant($"the lens has {wanted} mm, the filter {has} mm, and no ring steps up"));
    }
}
