namespace YokePair.Core.Plans;

/// <summary>What one may sensibly plan to hold in a part: things in a hand there, or in a place somebody there can reach.</summary>
internal static class Nearness
{
    /// <summary>Places that are in reach in a part.</summary>
    public static IEnumerable<Place> PlacesNear(this Plan plan, Part part) =>
        plan.Places.Where(p => !part.Unreachable.Contains(p.Id) && (p.Person is null || part.Present?.Contains(p.Person) != false));

    /// <summary>Bags before the pockets on the body, which hold little; of each the quickest first.</summary>
    public static IEnumerable<Place> BagsFirst(this IEnumerable<Place> places) => places.OrderBy(p => p.ReachSeconds < PocketSeconds).ThenBy(p => p.ReachSeconds);

    /// <summary>What is reached quicker than this hangs on the body.</summary>
    public const double PocketSeconds = 15;

    /// <summary>Whether all of some things are at hand or in such places, things they lie on followed.</summary>
    public static bool IsNear(this Plan plan, Part part, IEnumerable<Item> things)
    {
        var near = plan.PlacesNear(part).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        var held = part.Setups.SelectMany(s => s.Named()).Select(n => n.Id).ToHashSet(StringComparer.Ordinal);
        var items = plan.Items.ToDictionary(i => i.Id, StringComparer.Ordinal);
        return things.All(thing =>
        {
            for (var hops = 0; hops <= items.Count; hops++)
            {
                if (held.Contains(thing.Id) || (thing.Place is { } at && near.Contains(at))) return true;
                if (PlaceReference.Parse(thing.Place, items.ContainsKey) is not { } on || !items.TryGetValue(on.Item, out var next)) return false;
                thing = next;
            }
            return false;
        });
    }
}
