using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>Items that fill the same want from the same source at the same cost, so that one is as good as another.</summary>
/// <param name="Source">Where they are fetched from; <see cref="PartLayout.Nowhere"/> = in place already.</param>
/// <param name="FetchSeconds">Seconds to fetch from there, 0 when in place.</param>
/// <param name="ChangeSeconds">Seconds to put one in, 0 when in place.</param>
/// <param name="Doubtful">Whether they only sometimes work.</param>
/// <param name="Items">Their numbers.</param>
internal sealed record OptionGroup(int Source, double FetchSeconds, double ChangeSeconds, bool Doubtful, int[] Items)
{
    public bool InPlace => Source == PartLayout.Nowhere;
}

/// <summary>The batteries and cards with which one person can feed one body in one part.</summary>
internal sealed class Supplies
{
    private Supplies(OptionGroup[] batteries, OptionGroup[] oneCard, OptionGroup[][] slots)
    {
        Batteries = batteries;
        OneCard = oneCard;
        Slots = slots;
    }

    public OptionGroup[] Batteries { get; }

    /// <summary>For a way with one record: a card for whichever slot.</summary>
    public OptionGroup[] OneCard { get; }

    /// <summary>For a way with two records: cards by slot.</summary>
    public OptionGroup[][] Slots { get; }

    public static Supplies For(Kit kit, PartLayout layout, int actor, int bodyIndex)
    {
        var body = (Body)kit.Items[bodyIndex];
        var hands = kit.Plan.Rules.Seconds;
        var batteries = new Grouping(layout, actor, hands.ChangeBattery);
        foreach (var i in kit.Batteries)
            if (kit.Items[i] is Battery { Charged: true } battery && battery.Type == body.BatteryType && kit.Plan.PairOf(body.Id, battery.Id) is var pair and not PairFit.No)
                batteries.Add(i, layout.BatteryIn(i, bodyIndex), battery.Doubtful || IsHalf(pair));

        var one = new Grouping(layout, actor, hands.ChangeCard);
        var slots = body.Slots.Select(_ => new Grouping(layout, actor, hands.ChangeCard)).ToArray();
        foreach (var i in kit.Cards)
        {
            var card = (Card)kit.Items[i];
            if (!card.CanRecord || card.Type is null || kit.Plan.PairOf(body.Id, card.Id) is not (var pair and not PairFit.No)) continue;
            var doubtful = card.Doubtful || IsHalf(pair);
            bool fits = false, loaded = false;
            for (var slot = 0; slot < slots.Length; slot++)
            {
                if (card.Type != body.Slots[slot].Type) continue;
                var here = layout.CardIn(i, bodyIndex, slot);
                // A card that is not clear may stay where it is loaded, and only there.
                if (!here && card.State != Card.Clear) continue;
                slots[slot].Add(i, here, doubtful);
                fits = true;
                loaded |= here;
            }
            if (fits) one.Add(i, loaded, doubtful);
        }
        return new Supplies(batteries.Groups(), one.Groups(), [.. slots.Select(s => s.Groups())]);
    }

    /// <summary>Cells for a flash; null when it needs none, empty when it has none.</summary>
    public static OptionGroup[]? CellsFor(Kit kit, PartLayout layout, int actor, int flash)
    {
        if (((Flash)kit.Items[flash]).CellsType is not { } type) return null;
        var cells = new Grouping(layout, actor, kit.Plan.Rules.Seconds.ChangeBattery);
        foreach (var i in kit.Cells)
            if (kit.Items[i] is Cells { Charged: true } set && set.Type == type)
                cells.Add(i, kit.RestsOn[i] == flash, set.Doubtful);
        return cells.Groups();
    }

    private static bool IsHalf(PairFit? pair) => pair is not (null or PairFit.Full);

    private sealed class Grouping(PartLayout layout, int actor, double changeSeconds)
    {
        private readonly List<(int Source, bool Doubtful, List<int> Items)> groups = [];

        public void Add(int item, bool inPlace, bool doubtful)
        {
            var source = inPlace ? PartLayout.Nowhere : layout.SourceOf(item);
            if (!inPlace && double.IsPositiveInfinity(layout.Cost(actor, source))) return;
            foreach (var group in groups)
            {
                if (group.Source != source || group.Doubtful != doubtful) continue;
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
