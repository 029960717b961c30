using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Carry;

/// <summary>A line of what travels, for customs, hire and insurance.</summary>
/// <param name="Item">Item id.</param>
/// <param name="Place">What the place is called in which it lies.</param>
/// <param name="Kind">What kind of thing it is.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Serial">Serial number; null = nobody has said.</param>
/// <param name="Value">What it would cost to replace; null = nobody has said.</param>
/// <param name="Grams">What it weighs.</param>
/// <param name="Owner">Whose it is; null = one's own.</param>
/// <param name="BackBy">When it goes back, if it is hired or lent.</param>
public sealed record ManifestLine(
    string Item, string Place, string Kind, string Name, string? Serial, double? Value, double Grams, string? Owner, DateOnly? BackBy);

/// <summary>Everything that travels, bag by bag, what is worth most first.</summary>
/// <param name="Lines">The lines.</param>
/// <param name="Value">What it is worth together, as far as it is known.</param>
/// <param name="Unvalued">How many bodies, lenses and lights nobody has valued.</param>
/// <param name="Unnumbered">How many bodies, lenses and lights have no serial number told.</param>
public sealed record Manifest(IReadOnlyList<ManifestLine> Lines, double Value, int Unvalued, int Unnumbered)
{
    /// <summary>Makes it.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">Where the plan does not say what a thing is worth, this does.</param>
    public static Manifest Of(DayAnalysis day, IReadOnlyList<Item> atHome)
    {
        var known = atHome.DistinctBy(i => i.Id).ToDictionary(i => i.Id, StringComparer.Ordinal);
        var lines = CarryPlans.Of(day, atHome).Places
            .SelectMany(b => b.Things.Select(t => Line(day.Plan, b, t, known)).OrderByDescending(l => l.Value ?? 0)).ToList();
        var dear = lines.Where(l => day.Plan.ItemOf(l.Item) is Body or Lens or Flash or StandLight or Drive).ToList();
        return new Manifest(lines, lines.Sum(l => l.Value ?? 0), dear.Count(l => l.Value is null), dear.Count(l => l.Serial is null));
    }

    private static ManifestLine Line(Plan plan, Beam beam, BeamThing thing, Dictionary<string, Item> known)
    {
        var item = plan.ItemOf(thing.Item)!;
        var home = known.GetValueOrDefault(item.Id);
        return new ManifestLine(item.Id, plan.PlaceOf(beam.Place)!.Name ?? beam.Place, ItemKinds.Of(item), item.Label, item.Serial ?? home?.Serial,
            item.Value ?? home?.Value, thing.Grams, item.Owner ?? home?.Owner, item.Status == Availability.RentedIn ? item.To : null);
    }
}
