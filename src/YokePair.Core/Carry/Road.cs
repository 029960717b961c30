using YokePair.Core.Plans;

namespace YokePair.Core.Carry;

/// <summary>What stands in the way of travelling so.</summary>
public enum RoadTrouble
{
    /// <summary>The bag is heavier than the carrier takes there.</summary>
    TooHeavy,

    /// <summary>The bag is larger than the carrier takes there.</summary>
    TooLarge,

    /// <summary>Spare lithium batteries, packs and power banks never travel in the hold.</summary>
    NotInHold,

    /// <summary>Over 160 Wh: not in an aircraft at all.</summary>
    NotInAir,

    /// <summary>From 100 to 160 Wh: two at the most, and the carrier is asked.</summary>
    AskCarrier,

    /// <summary>Nobody has said how many watt-hours it has.</summary>
    WattHoursUnknown,

    /// <summary>Glass that is to come off its body.</summary>
    TakeApart,
}

/// <summary>Something to be seen to before a bag travels.</summary>
/// <param name="Place">Place id.</param>
/// <param name="Trouble">What it is.</param>
/// <param name="Items">Ids of the things; none where it is the bag.</param>
/// <param name="By">Grams or millimetres too much; things too many; else 0.</param>
public sealed record RoadLine(string Place, RoadTrouble Trouble, IReadOnlyList<string> Items, double By);

/// <summary>Usual rules of the road. Carriers differ: they are told with the advice to ask.</summary>
public static class Road
{
    /// <summary>Watt-hours (V x Ah) up to which a battery flies as it is, and up to which it flies after asking.</summary>
    private const double Free = 100, Asked = 160;

    /// <summary>Spares of 100 to 160 Wh that one person may take.</summary>
    private const int MostAsked = 2;

    /// <summary>Everything that stands in the way, what flies nowhere first.</summary>
    public static IReadOnlyList<RoadLine> Of(Plan plan, IReadOnlyList<Beam> beams)
    {
        var carrier = plan.Rules.Carrier ?? new CarrierRules();
        var lines = new List<RoadLine>();
        foreach (var place in plan.Places.Where(p => p.Travels is not null))
        {
            if (place.Travels is Travel.Cabin or Travel.Hold) lines.AddRange(InTheAir(plan, place, carrier, beams.Single(b => b.Place == place.Id)));
            string[] mounted = [.. plan.Items.Where(i => i is Lens && i.Place is ['@', .. var on] && plan.ItemOf(on) is Body body && body.Place == place.Id)
                .Select(i => i.Id)];
            if (carrier.Apart && mounted.Length > 0) lines.Add(new RoadLine(place.Id, RoadTrouble.TakeApart, mounted, 0));
        }
        return [.. lines.OrderBy(l => Order.IndexOf(l.Trouble))];
    }

    private static readonly List<RoadTrouble> Order =
    [
        RoadTrouble.NotInAir, RoadTrouble.NotInHold, RoadTrouble.TooHeavy, RoadTrouble.TooLarge, RoadTrouble.AskCarrier,
        RoadTrouble.WattHoursUnknown, RoadTrouble.TakeApart,
    ];

    private static IEnumerable<RoadLine> InTheAir(Plan plan, Place place, CarrierRules carrier, Beam beam)
    {
        var most = place.Travels == Travel.Hold ? carrier.HoldG : carrier.CabinG;
        if (most is { } grams && beam.Grams > grams) yield return new RoadLine(place.Id, RoadTrouble.TooHeavy, [], beam.Grams - grams);
        if (place.Travels == Travel.Cabin && place.OuterMm is { Count: 3 } outer && carrier.CabinMm is { Count: 3 } cabin
            && outer.Order().Zip(cabin.Order()).Max(m => m.First - m.Second) is > 0 and var over)
            yield return new RoadLine(place.Id, RoadTrouble.TooLarge, [], over);
        var charged = beam.Things.Where(t => plan.ItemOf(t.Item) is Battery or PowerBank or Pack)
            .Select(t => (t.Item, t.On, Wh: WattHours(plan.ItemOf(t.Item)))).ToList();
        string[] never = [.. charged.Where(t => t.Wh > Asked).Select(t => t.Item)];
        if (never.Length > 0) yield return new RoadLine(place.Id, RoadTrouble.NotInAir, never, 0);
        // What is in a camera is no spare.
        string[] spare = [.. charged.Where(t => t.On is null && !never.Contains(t.Item)).Select(t => t.Item)];
        if (place.Travels == Travel.Hold && spare.Length > 0) yield return new RoadLine(place.Id, RoadTrouble.NotInHold, spare, 0);
        string[] asked = [.. charged.Where(t => t.Wh is > Free and <= Asked).Select(t => t.Item)];
        if (asked.Length > 0) yield return new RoadLine(place.Id, RoadTrouble.AskCarrier, asked, Math.Max(0, asked.Length - MostAsked));
        string[] unknown = [.. charged.Where(t => t.Wh is null && plan.ItemOf(t.Item) is not Battery).Select(t => t.Item)];
        if (unknown.Length > 0) yield return new RoadLine(place.Id, RoadTrouble.WattHoursUnknown, unknown, 0);
    }

    private static double? WattHours(Item? item) => item switch
    {
        Battery battery => battery.WattHours,
        PowerBank bank => bank.WattHours,
        Pack pack => pack.WattHours,
        _ => null,
    };
}
