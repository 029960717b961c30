using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>Items that fill the same want from the same source at the same cost, so that one is as good as another.</summary>
/// <param name="Source">Where they are fetched from; <see cref="PartLayout.Nowhere"/> = in place already.</param>
/// <param name="FetchSeconds">Seconds to fetch from there, 0 when in place.</param>
/// <param name="ChangeSeconds">Seconds to put one in, 0 when in place.</param>
/// <param name="IsLesser">Whether a way with one of them is second best: they only sometimes work, or are too slow for what is asked.</param>
/// <param name="Items">Their numbers.</param>
internal sealed record OptionGroup(int Source, double FetchSeconds, double ChangeSeconds, bool IsLesser, int[] Items)
{
    public bool InPlace => Source == PartLayout.Nowhere;
}

/// <summary>The batteries and cards with which one person can feed one body in one part.</summary>
internal sealed class Supplies
{
    private Supplies(OptionGroup[] batteries, OptionGroup[] oneCard, OptionGroup[][] slots)
    {
        BatteryAsk = [new Ask(Want.Battery, batteries)];
        OneCard = oneCard;
        Slots = slots;
    }

    public Ask[] BatteryAsk { get; }

    /// <summary>For a way with one record: a card for whichever slot.</summary>
    public OptionGroup[] OneCard { get; }

    /// <summary>For a way with two records: cards by slot.</summary>
    public OptionGroup[][] Slots { get; }

    public static Supplies For(Kit kit, PartLayout layout, int actor, int bodyIndex) => For(kit, layout, actor, bodyIndex, null);

    /// <summary>What is in a camera left alone, as far as it lasts the part; nothing can be brought to it.</summary>
    public static Supplies Inside(Kit kit, PartLayout layout, int actor, int bodyIndex, Endurance lasts) => For(kit, layout, actor, bodyIndex, lasts);

    /// <summary>The same, where some cards make a way second best.</summary>
    /// <param name="isLesser">Whether a card does in a slot; in a way with one record the slot is −1.</param>
    public Supplies Grading(Func<int, int, bool> isLesser)
    {
        return new Supplies(BatteryAsk[0].Groups, Graded(OneCard, -1), [.. Slots.Select(Graded)]);

        OptionGroup[] Graded(OptionGroup[] groups, int slot) => [.. groups.SelectMany(g => g.Items.GroupBy(i => g.IsLesser || isLesser(slot, i))
            .Select(alike => g with { IsLesser = alike.Key, Items = [.. alike] }))];
    }

    private static Supplies For(Kit kit, PartLayout layout, int actor, int bodyIndex, Endurance? lasts)
    {
        var body = (Body)kit.Items[bodyIndex];
        var hands = kit.SecondsOf(actor);
        var batteries = new Grouping(layout, actor, hands.ChangeBattery);
        foreach (var i in kit.Batteries)
        {
            if (kit.Items[i] is not Battery { Charged: true } battery || battery.Type != body.BatteryType) continue;
            var here = layout.BatteryIn(i, bodyIndex);
            if (lasts is null || here && lasts.Lasts(body, battery)) batteries.Add(i, here, battery.Doubtful);
        }

        var one = new Grouping(layout, actor, hands.ChangeCard);
        var slots = body.Slots.Select(_ => new Grouping(layout, actor, hands.ChangeCard)).ToArray();
        foreach (var i in kit.Cards)
        {
            var card = (Card)kit.Items[i];
            if (!card.CanRecord || card.Type is null) continue;
            bool fits = false, loaded = false;
            for (var slot = 0; slot < slots.Length; slot++)
            {
                if (card.Type != body.Slots[slot].Type) continue;
                var here = layout.CardIn(i, bodyIndex, slot);
                // A card that is not clear may stay where it is loaded, and only there.
                if (!here && (card.State != Card.Clear || lasts is not null)) continue;
                if (lasts?.Lasts(body, card) == false) continue;
                slots[slot].Add(i, here, card.Doubtful);
                fits = true;
                loaded |= here;
            }
            if (fits) one.Add(i, loaded, card.Doubtful);
        }
        return new Supplies(batteries.Groups(), one.Groups(), [.. slots.Select(s => s.Groups())]);
    }

    /// <summary>A tripod or monopod for a body: the one it stands on, or one to be fetched.</summary>
    public static OptionGroup[] SupportsFor(Kit kit, PartLayout layout, int actor, int body)
    {
        var supports = new Grouping(layout, actor, kit.SecondsOf(actor).FitSupport);
        foreach (var i in kit.Supports)
            if (!kit.SmallParts.Serve(i)) supports.Add(i, layout.OnSupport(i, body), kit.Items[i].Doubtful);
        return supports.Groups();
    }

    /// <summary>Small parts that are all alike: on what they serve, or to be fetched and fitted as an adapter is.</summary>
    public static OptionGroup[] SmallPartsFor(Kit kit, PartLayout layout, Rig rig, int[] alike)
    {
        var parts = new Grouping(layout, rig.Actor, kit.SecondsOf(rig.Actor).FitAdapter);
        foreach (var i in alike) parts.Add(i, layout.IsOnAny(i, rig.Items), kit.Items[i].Doubtful);
        return parts.Groups();
    }

    /// <summary>What can fire a camera left alone, by the radio system that the trigger in its shoe hears; none where no trigger is named.</summary>
    public static OptionGroup[] SendersFor(Kit kit, PartLayout layout, int owner, string? receiver)
    {
        var senders = new Grouping(layout, owner, 0);
        if (kit.IndexOf(receiver) is var ear and not Kit.None && ((Trigger)kit.Items[ear]).Hears is { } system)
            foreach (var i in kit.Flashes.Concat(kit.Triggers))
                if (system == kit.Sends(i)) senders.Add(i, inPlace: false, kit.Items[i].Doubtful);
        return senders.Groups();
    }

    /// <summary>Cells and card for a thing that serves a role; null when it wants one and there is none.</summary>
    public static Ask[]? ForRole(Kit kit, PartLayout layout, int actor, int item)
    {
        var thing = kit.Items[item] as OtherThing;
        var asks = new List<Ask>();
        if (thing?.CellsType is { } cells) asks.Add(new Ask(Want.Cells, CellsOf(kit, layout, actor, item, cells)));
        if (thing?.CardType is { } type)
        {
            var cards = new Grouping(layout, actor, kit.SecondsOf(actor).ChangeCard);
            foreach (var i in kit.Cards)
            {
                var card = (Card)kit.Items[i];
                var here = kit.RestsOn[i] == item;
                if (card.Type == type && card.CanRecord && (here || card.State == Card.Clear)) cards.Add(i, here, card.Doubtful);
            }
            asks.Add(new Ask(Want.Card, cards.Groups()));
        }
        return asks.Any(a => a.Groups.Length == 0) ? null : [.. asks];
    }

    /// <summary>Cells for a flash or trigger; null when it needs none, empty when it has none.</summary>
    public static OptionGroup[]? CellsFor(Kit kit, PartLayout layout, int actor, int thing) =>
        (kit.Items[thing] is Flash flash ? flash.CellsType : (kit.Items[thing] as Trigger)?.CellsType) is { } type ? CellsOf(kit, layout, actor, thing, type)
            : null;

    /// <summary>A battery for a continuous light; null when it needs none, empty when it has none.</summary>
    public static OptionGroup[]? BatteriesFor(Kit kit, PartLayout layout, int actor, int light)
    {
        if (((StandLight)kit.Items[light]).BatteryType is not { } type) return null;
        var batteries = new Grouping(layout, actor, kit.SecondsOf(actor).ChangeBattery);
        foreach (var i in kit.Batteries)
            if (kit.Items[i] is Battery { Charged: true } battery && battery.Type == type) batteries.Add(i, kit.RestsOn[i] == light, battery.Doubtful);
        return batteries.Groups();
    }

    private static OptionGroup[] CellsOf(Kit kit, PartLayout layout, int actor, int thing, string type)
    {
        var cells = new Grouping(layout, actor, kit.SecondsOf(actor).ChangeBattery);
        foreach (var i in kit.Cells)
            if (kit.Items[i] is Cells { Charged: true } set && set.Type == type)
                cells.Add(i, kit.RestsOn[i] == thing, set.Doubtful);
        return cells.Groups();
    }

    private sealed class Grouping(PartLayout layout, int actor, double changeSeconds)
    {
        private readonly List<(int Source, bool Doubtful, List<int> Items)> groups = [];

        public void Add(int item, bool inPlace, bool doubtful)
        {
            var source = inPlace ? PartLayout.Nowhere : layout.SourceOf(item);
            if (!inPlace && double.IsPositiveInfinity(layout.Cost(actor, source))) return;
            // A thing of which a pair is known is as good as no other.
            if (!layout.Kit.Pairings.IsPaired(item))
                foreach (var group in groups)
                {
                    if (group.Source != source || group.Doubtful != doubtful || layout.Kit.Pairings.IsPaired(group.Items[0])) continue;
                    group.Items.Add(item);
                    return;
                }
            groups.Add((source, doubtful, [item]));
        }

        public OptionGroup[] Groups()
        {
            var made = new OptionGroup[groups.Count];
            for (var i = 0; i < made.Length; i++)
            {
                var (source, doubtful, items) = groups[i];
                made[i] = source == PartLayout.Nowhere
                    ? new OptionGroup(source, 0, 0, doubtful, [.. items])
                    : new OptionGroup(source, layout.Cost(actor, source), changeSeconds, doubtful, [.. items]);
            }
            Array.Sort(made, (a, b) => (a.FetchSeconds + a.ChangeSeconds).CompareTo(b.FetchSeconds + b.ChangeSeconds));
            return made;
        }
    }
}
