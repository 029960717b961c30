using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>Lights that stand in the room and work together: every one of them, what holds it, by what it hears, and its pack.</summary>
/// <param name="items">Everything that must not fail.</param>
/// <param name="asks">Cells and batteries they want.</param>
/// <param name="seconds">Seconds to put a spare in place, fetching it not counted.</param>
/// <param name="standIn">Number of a spare flash that is put on one of the stands; null = none.</param>
/// <param name="flashes">The flashes, each with the gel on it; empty for a continuous light.</param>
/// <param name="luxAtOneM">Lux of a continuous light.</param>
internal sealed class LightSet(int[] items, Ask[] asks, double seconds, int? standIn, (Flash Flash, string? Gel)[] flashes, double luxAtOneM = 0)
{
    public int[] Items => items;

    public Ask[] Asks => asks;

    public double Seconds => seconds;

    public int? StandIn => standIn;

    public (Flash Flash, string? Gel)[] Flashes => flashes;

    public double LuxAtOneM => luxAtOneM;

    /// <summary>The same with another spare, of those alike.</summary>
    public LightSet With(int other) => standIn is not { } spare || spare == other ? this
        : new([.. items.Select(i => i == spare ? other : i)], asks, seconds, other, flashes, luxAtOneM);
}

/// <summary>What fires lights in the room.</summary>
/// <param name="Item">Number of the trigger, or of the flash that sends; it sits in the shoe.</param>
/// <param name="Relays">Numbers of the relays between.</param>
/// <param name="Asks">Cells they want.</param>
/// <param name="System">Radio system that arrives.</param>
internal sealed record Sender(int Item, int[] Relays, Ask[] Asks, string System);

/// <summary>The lights of a part, as one person can use them.</summary>
internal sealed class RoomLights(Kit kit, PartLayout layout, int actor)
{
    private readonly Dictionary<(string System, int Count), IReadOnlyList<LightSet>> sets = [];
    private readonly Dictionary<int, IReadOnlyList<LightSet>> continuous = [];

    /// <summary>Everything that can fire lights, directly or through a relay that stands in the room.</summary>
    public IReadOnlyList<Sender> Senders { get; } = [.. FindSenders(kit, layout, actor)];

    /// <summary>
    /// Every choice of so many of the lights that hear a radio system; and each of those with one light's flash replaced by
    /// a spare that is put on its stand. (Two spares at once are not thought of.)
    /// </summary>
    public IReadOnlyList<LightSet> Sets(string system, int count)
    {
        if (sets.TryGetValue((system, count), out var known)) return known;
        var lights = Lights.Where(l => l.Flash is not null).ToList();
        var own = lights.Select(l => Whole(l, kit.IndexOf(l.Flash), system)).ToList();
        var found = new List<LightSet>();
        foreach (var chosen in Choose(lights.Count, count))
        {
            if (chosen.All(i => own[i] is not null)) found.Add(Together([.. chosen.Select(i => own[i]!)], null));
            foreach (var spot in chosen)
            {
                if (chosen.Any(i => i != spot && own[i] is null)) continue;
                foreach (var spare in kit.FlashKinds)
                    if (!layout.IsLit(spare) && !double.IsPositiveInfinity(layout.Cost(actor, layout.SourceOf(spare)))
                        && Whole(lights[spot], spare, system) is { } stood)
                        found.Add(Together([.. chosen.Select(i => i == spot ? stood : own[i]!)], spare));
            }
        }
        sets.Add((system, count), found);
        return found;
    }

    /// <summary>
    /// Every set of at least so many continuous lights that stand in the room, the smaller first: what shines on a subject from
    /// one distance adds up.
    /// </summary>
    public IReadOnlyList<LightSet> Continuous(int atLeast)
    {
        if (continuous.TryGetValue(atLeast, out var known)) return known;
        var whole = Lights.Select(Lamp).OfType<LightSet>().ToList();
        var found = new List<LightSet>();
        for (var count = atLeast; count <= whole.Count; count++) found.AddRange(Choose(whole.Count, count)
            .Select(chosen => Together([.. chosen.Select(i => whole[i])], null)));
        continuous.Add(atLeast, found);
        return found;
    }

    /// <summary>A continuous light with what holds and feeds it; null when it does not shine.</summary>
    private LightSet? Lamp(PlacedLight light)
    {
        if (kit.IndexOf(light.Light) is not (var lamp and not Kit.None) || kit.Items[lamp] is not StandLight { LuxAtOneM: { } lux }
            || Holder(light) is not { } holder) return null;
        if (Supplies.BatteriesFor(kit, layout, actor, lamp) is not (var batteries and not { Length: 0 })) return null;
        return new LightSet([lamp, .. holder], batteries is null ? [] : [new Ask(Want.Battery, batteries)], 0, null, [], lux);
    }

    private IEnumerable<PlacedLight> Lights => layout.Part.Lights ?? [];

    /// <summary>A light with all it needs to fire when a system is sent; null when its chain is not whole.</summary>
    private LightSet? Whole(PlacedLight light, int index, string system)
    {
        var flash = (Flash)kit.Items[index];
        if (flash.GuideNumber is null || Holder(light) is not { } holder) return null;
        List<int> items = [index, .. holder];
        var asks = new List<Ask>();
        if (!(flash.CanHear == true && flash.RadioSystem == system))
        {
            var receiver = kit.IndexOf(light.Receiver);
            if (receiver == Kit.None || ((Trigger)kit.Items[receiver]).Hears != system || !Power(receiver, asks)) return null;
            items.Add(receiver);
        }
        if (flash.Power == FlashPower.SharedPack)
        {
            if (light.Pack is null) return null;
            items.Add(kit.IndexOf(light.Pack));
        }
        else if (!Power(index, asks))
        {
            return null;
        }
        return new LightSet([.. items], [.. asks], 0, null, [(flash, light.Gel ?? flash.Gel)]);
    }

    private bool Power(int thing, List<Ask> asks)
    {
        if (Supplies.CellsFor(kit, layout, actor, thing) is not { } cells) return true;
        asks.Add(new Ask(Want.Cells, cells));
        return cells.Length > 0;
    }

    /// <summary>What holds a light or relay: the stand; nothing to fail where a person who is there and has the hands free does; null when nothing
    /// does.</summary>
    private int[]? Holder(PlacedLight light) => Holder(kit, layout, actor, light);

    private static int[]? Holder(Kit kit, PartLayout layout, int actor, PlacedLight light)
    {
        if (light.Holder is null) return null;
        if (kit.IndexOf(light.Holder) is var stand and not Kit.None) return [stand];
        var person = layout.PersonOrNone(light.Holder);
        return person != Kit.None && person != actor && layout.IsPresent(person) ? [] : null;
    }

    private LightSet Together(IReadOnlyList<LightSet> lights, int? standIn) =>
        new([.. lights.SelectMany(l => l.Items).Distinct()], [.. lights.SelectMany(l => l.Asks)], standIn is null ? 0 : kit.SecondsOf(actor).PlaceLight,
            standIn, [.. lights.SelectMany(l => l.Flashes)], lights.Sum(l => l.LuxAtOneM));

    private static IEnumerable<int[]> Choose(int of, int count, int from = 0)
    {
        if (count == 0) yield return [];
        else
            for (var i = from; i <= of - count; i++)
                foreach (var rest in Choose(of, count - 1, i + 1)) yield return [i, .. rest];
    }

    private static IEnumerable<Sender> FindSenders(Kit kit, PartLayout layout, int actor)
    {
        foreach (var item in kit.FlashKinds.Concat(kit.Triggers.Where(t => !kit.Twins.IsStoodFor(t))))
        {
            var system = kit.Sends(item);
            if (system is null || layout.IsLit(item) || double.IsPositiveInfinity(layout.Cost(actor, layout.SourceOf(item)))) continue;
            if (Supplies.CellsFor(kit, layout, actor, item) is not (var cells and not { Length: 0 })) continue;
            Ask[] asks = cells is null ? [] : [new Ask(Want.Cells, cells)];
            yield return new Sender(item, [], asks, system);
            foreach (var light in layout.Part.Lights ?? [])
            {
                if (light.Relay is null || kit.Items[kit.IndexOf(light.Relay)] is not Trigger { Hears: { } hears, Sends: { } sends }
                    || hears != system) continue;
                var relay = kit.IndexOf(light.Relay);
                if (Supplies.CellsFor(kit, layout, actor, relay) is not (var own and not { Length: 0 })) continue;
                // A relay may lie about; one that is held is lost with what holds it.
                if ((light.Holder is null ? [] : Holder(kit, layout, actor, light)) is not { } holder) continue;
                yield return new Sender(item, [relay, .. holder], own is null ? asks : [.. asks, new Ask(Want.Cells, own)], sends);
            }
        }
    }
}
