using System.Globalization;
using System.Text.RegularExpressions;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>Further ones of a thing, numbered on from the highest of its like.</summary>
public static partial class Duplicates
{
    /// <summary>Makes copies; what belongs to one alone (serial number, age, cycles, notes) is left out.</summary>
    public static IEnumerable<Item> Of(Item thing, int count, IReadOnlyList<Item> things)
    {
        var stem = NumberAtEnd().Replace(thing.Label, "");
        var last = things.Where(t => t.GetType() == thing.GetType() && NumberAtEnd().Replace(t.Label, "") == stem).Max(t => t.Number) ?? 1;
        for (var i = 1; i <= count; i++)
        {
            var number = last + i;
            yield return thing.Unmarked().AtHand() with
            {
                Id = "new",
                Number = number,
                Name = string.Create(CultureInfo.InvariantCulture, $"{stem}{(thing is Card ? " " : " no. ")}{number}"),
                Place = null,
            };
        }
    }

    [GeneratedRegex(@"\s+(?:no\.\s*)?\d+$")]
    private static partial Regex NumberAtEnd();
}
