using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>Further ones of a thing, numbered on from the highest of its like.</summary>
public static class Duplicates
{
    /// <summary>Makes copies; what belongs to one alone (serial number, age, cycles, notes) is left out.</summary>
    public static IEnumerable<Item> Of(Item thing, int count, IReadOnlyList<Item> things)
    {
        var stem = Naming.Stem(thing);
        var last = things.Where(t => t.GetType() == thing.GetType() && Naming.Stem(t) == stem).Max(t => t.Number) ?? 1;
        for (var i = 1; i <= count; i++)
        {
            var number = last + i;
            yield return thing.Unmarked().AtHand() with
            {
                Id = "new",
                Number = number,
                Name = Naming.Numbered(stem, ItemKinds.Of(thing), number),
                Place = null,
            };
        }
    }
}
