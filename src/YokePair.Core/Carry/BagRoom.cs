using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Carry;

/// <summary>A thing as it is carried, with what is on it.</summary>
/// <param name="Item">Item id.</param>
/// <param name="SizeMm">Length, width and height, mm, in any order.</param>
/// <param name="IsUsual">Whether that is a usual figure, as nobody has measured it.</param>
public sealed record CarriedShape(string Item, IReadOnlyList<double> SizeMm, bool IsUsual);

/// <summary>The room in a bag, and what is to go into it side by side.</summary>
/// <param name="Place">Place id.</param>
/// <param name="Length">Inner length, mm.</param>
/// <param name="Width">Inner width, mm.</param>
/// <param name="Depth">Inner depth with the lid, mm.</param>
/// <param name="Gap">Between things and along the walls, mm.</param>
/// <param name="Things">What takes room of its own.</param>
/// <param name="Small">Ids of what goes into pouches and between.</param>
public sealed record BagRoom(
    string Place, double Length, double Width, double Depth, double Gap, IReadOnlyList<CarriedShape> Things, IReadOnlyList<string> Small)
{
    /// <summary>Whether things lie in it flat and the long way only.</summary>
    public bool OneWay { get; init; }

    /// <summary>The room of a place; null where nobody has said how large it is inside.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="place">The place.</param>
    /// <param name="atHome">Where the plan does not say how large a thing is, this does.</param>
    public static BagRoom? Of(Plan plan, Place place, IReadOnlyList<Item> atHome)
    {
        if (place.InnerMm is not [var length, var width, var depth]) return null;
        var known = atHome.DistinctBy(i => i.Id).ToDictionary(i => i.Id, StringComparer.Ordinal);
        var (things, small) = (new List<CarriedShape>(), new List<string>());
        var apart = plan.Rules.Carrier?.Apart == true && place.Travels is not null;
        if (apart) plan = TakenApart(plan, place.Id);
        foreach (var item in plan.Items.Where(i => i.Place == place.Id && i is not Case))
            if (Shape(plan, item, known) is { } shape) things.Add(shape);
            else small.Add(item.Id);
        return new BagRoom(place.Id, length, width, depth + (place.LidMm ?? 0), place.GapMm ?? 0, things, small) { OneWay = place.OneWay == true };
    }

    /// <summary>The same with another thing in the place of one.</summary>
    public BagRoom With(string thing, CarriedShape other) => this with { Things = [.. Things.Select(t => t.Item == thing ? other : t)] };

    /// <summary>As it is where glass travels off its body: what was on something lies beside it.</summary>
    private static Plan TakenApart(Plan plan, string place)
    {
        var inside = plan.Items.Where(i => i.Place == place).Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        for (var n = -1; n != inside.Count;)
        {
            n = inside.Count;
            inside.UnionWith(plan.Items.Where(i => i is Lens or Converter or Adapter or Tube && i.Place is ['@', .. var on] && inside.Contains(on))
                .Select(i => i.Id));
        }
        return plan with { Items = [.. plan.Items.Select(i => inside.Contains(i.Id) ? i with { Place = place } : i)] };
    }

    /// <summary>How a thing is carried by itself; null = too small to need room of its own.</summary>
    public static CarriedShape? Shape(Item item) => Size(item, null) is { } size ? new CarriedShape(item.Id, size, item.SizeMm is not { Count: 3 }) : null;

    /// <summary>Glass, and what is between it and the body, makes a camera longer; what else is on it is taken off and lies beside it.</summary>
    private static CarriedShape? Shape(Plan plan, Item item, Dictionary<string, Item> known)
    {
        if (Size(item, known.GetValueOrDefault(item.Id)) is not { } size) return null;
        if (item is not (Body or Lens or Converter or Adapter or Tube)) return new CarriedShape(item.Id, size, IsUsual(item));
        var (longer, isUsual) = (0.0, IsUsual(item));
        var seen = new HashSet<string>(StringComparer.Ordinal) { item.Id };
        for (var on = new Queue<string>([item.Id]); on.TryDequeue(out var bearer);)
            foreach (var next in plan.Items.Where(i => i.Place == $"@{bearer}" && i is Lens or Converter or Adapter or Tube && seen.Add(i.Id)))
            {
                longer += next is Lens ? Size(next, known.GetValueOrDefault(next.Id))!.Max() : Size(next, known.GetValueOrDefault(next.Id))!.Min();
                isUsual |= IsUsual(next);
                on.Enqueue(next.Id);
            }
        // A camera grows where its glass is, at right angles to its back.
        var sorted = size.Order().ToList();
        return new CarriedShape(item.Id, item is Body ? [sorted[2], sorted[1], sorted[0] + longer] : [sorted[2] + longer, sorted[1], sorted[0]], isUsual);

        bool IsUsual(Item of) => of.SizeMm is not { Count: 3 } && known.GetValueOrDefault(of.Id)?.SizeMm is not { Count: 3 };
    }

    private static IReadOnlyList<double>? Size(Item item, Item? known) =>
        item.SizeMm is { Count: 3 } own ? own : known?.SizeMm is { Count: 3 } told ? told : UsualSizes.Of(item);
}
