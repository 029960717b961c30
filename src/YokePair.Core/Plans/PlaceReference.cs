using System.Globalization;

namespace YokePair.Core.Plans;

/// <summary>An item's <see cref="Item.Place"/> that points at another item: <c>@body</c> or <c>@body/1</c>.</summary>
/// <param name="Item">Id of the item it is with.</param>
/// <param name="Slot">Card slot counted from 1; 0 = not in a slot.</param>
public readonly record struct PlaceReference(string Item, int Slot)
{
    /// <summary>Reads a place; null when it names a place rather than an item.</summary>
    /// <param name="place">The text.</param>
    /// <param name="isItem">Whether an id is an item's, so that ids may themselves contain a slash.</param>
    public static PlaceReference? Parse(string? place, Func<string, bool> isItem)
    {
        if (place is null || !place.StartsWith('@')) return null;
        var rest = place[1..];
        var slash = rest.LastIndexOf('/');
        if (isItem(rest) || slash < 0) return new PlaceReference(rest, 0);
        return int.TryParse(rest.AsSpan(slash + 1), NumberStyles.None, CultureInfo.InvariantCulture, out var slot)
            ? new PlaceReference(rest[..slash], slot)
            : new PlaceReference(rest, 0);
    }

    /// <summary>What a thing lies in or on, the nearest first, as far as it leads to things there are; in a circle each once.</summary>
    /// <param name="thing">The thing.</param>
    /// <param name="items">All things by id.</param>
    public static IEnumerable<Item> Bearers(Item thing, IReadOnlyDictionary<string, Item> items)
    {
        for (var hops = 0; hops < items.Count && Parse(thing.Place, items.ContainsKey) is { } on
            && items.TryGetValue(on.Item, out var next); hops++) yield return thing = next;
    }
}
