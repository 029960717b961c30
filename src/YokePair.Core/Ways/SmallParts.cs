using System.Text.RegularExpressions;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>
/// Small things others cannot be used without (<see cref="Item.NeededBy"/>): screws, plates, mounts, step-up rings. One stands for any like
/// it, and is fetched and fitted like an adapter. What names nothing in the plan serves nothing here.
/// </summary>
internal sealed partial class SmallParts
{
    private readonly Dictionary<int, List<int[]>> servedBy = [];

    public SmallParts(Item[] items, Func<string?, int> indexOf)
    {
        if (!Array.Exists(items, i => i.NeededBy is { Count: > 0 })) return;
        var alike = Enumerable.Range(0, items.Length).Where(i => items[i].NeededBy is { Count: > 0 }).GroupBy(
            i => LikenessOf(items[i]), StringComparer.Ordinal);
        foreach (var group in alike)
        {
            int[] members = [.. group];
            foreach (var served in items[members[0]].NeededBy!.Select(indexOf).Where(i => i != Kit.None && !members.Contains(i)).Distinct())
            {
                if (!servedBy.TryGetValue(served, out var groups)) servedBy.Add(served, groups = []);
                groups.Add(members);
            }
        }
    }

    /// <summary>Whether anything hangs on a small part.</summary>
    public bool Any => servedBy.Count > 0;

    /// <summary>Whether a thing cannot be used without some other.</summary>
    public bool Serve(int item) => servedBy.ContainsKey(item);

    /// <summary>What a rig wants of small parts, each kind once; null where one of them cannot be got at.</summary>
    public Ask[]? For(Kit kit, PartLayout layout, Rig rig)
    {
        if (!Array.Exists(rig.Items, servedBy.ContainsKey)) return [];
        var asks = new List<Ask>();
        var had = new HashSet<int[]>();
        foreach (var item in rig.Items)
        {
            if (!servedBy.TryGetValue(item, out var groups)) continue;
            foreach (var group in groups)
            {
                // One that belongs to the rig as it is serves already.
                if (!had.Add(group) || group.Any(rig.Items.Contains)) continue;
                var options = Supplies.SmallPartsFor(kit, layout, rig, group);
                if (options.Length == 0) return null;
                asks.Add(new Ask(Want.SmallPart, options));
            }
        }
        return [.. asks];
    }

    /// <summary>What makes things stand for one another: all but what is true of one alone, and the number in its name.</summary>
    public static string LikenessOf(Item item)
    {
        var name = NumberAtTheEnd().Replace(item.Label, "").Trim().ToUpperInvariant();
        var served = string.Join(' ', item.NeededBy!.Distinct().Order(StringComparer.Ordinal));
        return $"{item.GetType().Name}\n{name}\n{served}";
    }

    [GeneratedRegex(@"(\s+no\.?)?\s*#?\d+$", RegexOptions.IgnoreCase)]
    private static partial Regex NumberAtTheEnd();
}
