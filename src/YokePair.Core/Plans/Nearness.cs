namespace YokePair.Core.Plans;

/// <summary>What one may sensibly plan to hold in a part: things in a hand there, or in a place somebody there can reach.</summary>
internal static class Nearness
{
    /// <summary>Places that are in reach in a part.</summary>
    public static IEnumerable<Place> PlacesNear(this Plan plan, Part part) =>
        plan.Places.Where(p => !part.Unreachable.Contains(p.Id) && (p.Person is null || part.Present?.Contains(p.Person) != false));

    /// <summary>Bags before the pockets on the body, which hold little; of each the quickest first.</summary>
    public static IEnumerable<Place> BagsFirst(this IEnumerable<Place> places) => places.OrderBy(p => p.ReachSeconds < PocketSeconds)
        .ThenBy(p => p.ReachSeconds);

    /// <summary>What is reached quicker than this hangs on the body.</summary>
    public const double PocketSeconds = 15;

    /// <summary>
    /// Whether things could all be in a hand when a part begins: each is in one already, or packed in a real place, from which one takes
    /// it before the part where it is out of reach in it.
    /// </summary>
    public static bool CanBeInHand(this Plan plan, Part part, IEnumerable<Item> things)
    {
        var places = plan.Places.Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        var held = part.Setups.SelectMany(s => s.Named()).Select(n => n.Id).ToHashSet(StringComparer.Ordinal);
        var items = plan.ItemsById();
        return things.All(thing => held.Contains(thing.Id) || (PlaceReference.Bearers(thing, items).Append(thing)
            .Any(t => held.Contains(t.Id) || (t.Place is { } at && places.Contains(at)))));
    }
}
