using System.Runtime.CompilerServices;
using System.Text.Json;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>
/// Things of which there are many alike: same kind, same figures, same place, in no hand and no light, with nothing on
/// them and nothing said of them alone. One of them stands for all where ways are thought of; which one is taken is
/// filled in like a battery or a card. So ten of each thing cost little more than one.
/// </summary>
internal sealed class Twins
{
    /// <summary>Fewer than these are told apart, as a photographer would.</summary>
    public const int Many = 4;

    private static readonly ConditionalWeakTable<Item, string> Keys = [];
    private static readonly JsonSerializerOptions Compact = new(PlanFile.JsonOptions) { WriteIndented = false };

    private readonly int[]?[] groups;
    private readonly Ask?[] asks;

    public Twins(Plan plan, Item[] items, int[] restsOn, Func<string?, int> indexOf)
    {
        groups = new int[]?[items.Length];
        asks = new Ask?[items.Length];
        if (items.Length < Many) return;
        var alone = new bool[items.Length];
        foreach (var part in plan.Parts)
        {
            foreach (var setup in part.Setups)
                foreach (var (_, id) in setup.Named()) alone[indexOf(id)] = true;
            foreach (var light in part.Lights ?? [])
                foreach (var (_, id) in light.Named(id => indexOf(id) < 0)) alone[indexOf(id)] = true;
        }
        for (var i = 0; i < items.Length; i++)
        {
            alone[i] |= restsOn[i] >= 0 || items[i] is Battery or Cells or Card or Support;
            if (restsOn[i] >= 0) alone[restsOn[i]] = true;
        }
        foreach (var pair in plan.KnownPairs())
            foreach (var id in new[] { pair.A, pair.B })
                if (indexOf(id) is var item and >= 0) alone[item] = true;
        // What cannot be used without a plate is not like what needs none, whatever their figures.
        var askedBy = items.SelectMany((part, at) => (part.NeededBy ?? []).Distinct().Select(served => (Served: indexOf(served), Part: at)))
            .ToLookup(s => s.Served, s => s.Part);
        var alike = Enumerable.Range(0, items.Length).Where(i => !alone[i]).GroupBy(i => items[i].GetType()).Where(g => g.Count() >= Many)
            .SelectMany(g => g.GroupBy(i => (KeyOf(items[i]), string.Join(' ', askedBy[i])))).Where(g => g.Count() >= Many);
        foreach (var group in alike)
        {
            Any = true;
            int[] members = [.. group];
            // In place, as fetching and fitting are reckoned already.
            var ask = new Ask(Want.Twin, [new OptionGroup(PartLayout.Nowhere, 0, 0, false, members)]);
            foreach (var i in members) (groups[i], asks[i]) = (members, ask);
        }
    }

    /// <summary>Whether there are any.</summary>
    public bool Any { get; }

    /// <summary>All that are like a thing, it included; null where it stands for itself.</summary>
    public int[]? Of(int item) => groups[item];

    /// <summary>The choice among all that are like a thing; null where it stands for itself.</summary>
    public Ask? AskFor(int item) => asks[item];

    /// <summary>Whether another stands for it.</summary>
    public bool IsStoodFor(int item) => groups[item] is { } group && group[0] != item;

    /// <summary>Whether a thing, or one like it, works.</summary>
    public bool Works(int item, bool[] failed) => groups[item] is { } group ? Array.Exists(group, i => !failed[i]) : !failed[item];

    // Everything but what no way asks about.
    private static string KeyOf(Item item) => Keys.GetValue(item, i => JsonSerializer.Serialize(
        i.Unmarked() with { Id = "", Name = null, Owner = null, WeightG = null, SizeMm = null, Value = null, Estimated = null, Extra = null },
        Compact));
}
