using System.Text.Json;
using System.Text.Json.Nodes;

namespace YokePair.Core.Plans;

/// <summary>
/// A section of a plan: what undo, equality and "what changed" go through. There is one list of them, so that none is forgotten by any.
/// </summary>
public abstract class PlanSection
{
    private protected PlanSection(string name, bool everywhere) => (Name, IsEverywhere) = (name, everywhere);

    /// <summary>Every section of the plan file, in its order.</summary>
    public static IReadOnlyList<PlanSection> All { get; } =
    [
        new WholeSection<Assignment>("assignment", false, p => p.Assignment, (p, v) => p with { Assignment = v! }),
        new WholeSection<Rules>("rules", true, p => p.Rules, (p, v) => p with { Rules = v! }),
        new ListSection<Person>("people", true, p => p.People, (p, v) => p with { People = v! }, x => x.Id),
        new ListSection<Place>("places", true, p => p.Places, (p, v) => p with { Places = v! }, x => x.Id),
        new ListSection<Item>("items", true, p => p.Items, (p, v) => p with { Items = v! }, x => x.Id),
        new ListSection<PairRule>("pairs", true, p => p.Pairs, (p, v) => p with { Pairs = v }, x => $"{x.A}\u0000{x.B}"),
        new ListSection<PlannedLoss>("events", false, p => p.Events, (p, v) => p with { Events = v }, x => x.Id),
        new ListSection<Part>("parts", false, p => p.Parts, (p, v) => p with { Parts = v! }, x => x.Id),
        new WholeSection<Dictionary<string, JsonElement>>("extra", false, p => p.Extra, (p, v) => p with { Extra = v }),
    ];

    /// <summary>Name of the section, as in the plan file.</summary>
    public string Name { get; }

    /// <summary>Whether every part of the day stands on it, so that none may be taken over when it changes.</summary>
    public bool IsEverywhere { get; }

    /// <summary>Whether two plans have it alike. Records that are the same object are; so are equal ones.</summary>
    public abstract bool IsSame(Plan one, Plan other);

    /// <summary>What leads from one plan's section to another's; null where they are alike.</summary>
    public abstract SectionChange? Change(Plan from, Plan to);

    /// <summary>A plan with the section changed.</summary>
    public abstract Plan Apply(Plan plan, SectionChange change);

    private sealed class WholeSection<T>(string name, bool everywhere, Func<Plan, T?> get, Func<Plan, T?, Plan> set) : PlanSection(name, everywhere) where T
        : class
    {
        public override bool IsSame(Plan one, Plan other) => Equals(get(one), get(other));

        public override SectionChange? Change(Plan from, Plan to) => IsSame(from, to) ? null
            : new SectionChange { Value = JsonSerializer.SerializeToNode(get(to), PlanFile.JsonOptions), IsNull = get(to) is null };

        public override Plan Apply(Plan plan, SectionChange change) => set(plan, change.IsNull ? null : change.Value.Deserialize<T>(PlanFile.JsonOptions));
    }

    private sealed class ListSection<T>(string name, bool everywhere, Func<Plan, IReadOnlyList<T>?> get, Func<Plan, IReadOnlyList<T>?, Plan> set, Func<T,
        string> keyOf)
        : PlanSection(name, everywhere) where T : class
    {
        public override bool IsSame(Plan one, Plan other) => ReferenceEquals(get(one), get(other))
            || (get(one) is { } a && get(other) is { } b && a.SequenceEqual(b));

        public override SectionChange? Change(Plan from, Plan to)
        {
            var (before, after) = (get(from), get(to));
            if (ReferenceEquals(before, after)) return null;
            if (after is null) return new SectionChange { IsNull = true };
            var known = (before ?? []).ToDictionary(keyOf, StringComparer.Ordinal);
            var left = after.Select(keyOf).ToHashSet(StringComparer.Ordinal);
            var change = new SectionChange
            {
                // Equal records may differ in lists they hold; only the same object is surely unchanged.
                Put = [.. after.Where(x => !ReferenceEquals(known.GetValueOrDefault(keyOf(x)), x))
                    .Select(x => JsonSerializer.SerializeToNode(x, PlanFile.JsonOptions)!)],
                Gone = [.. known.Keys.Where(k => !left.Contains(k))],
            };
            return Applied(before, change).Select(keyOf).SequenceEqual(after.Select(keyOf)) ? change : change with { Order = [.. after.Select(keyOf)] };
        }

        public override Plan Apply(Plan plan, SectionChange change) => set(plan, change.IsNull ? null : Applied(get(plan), change));

        /// <summary>What is put takes the place of what has its key, or comes last; what is gone goes; then the order, where it is another.</summary>
        private List<T> Applied(IReadOnlyList<T>? list, SectionChange change)
        {
            var put = (change.Put ?? []).Select(x => x.Deserialize<T>(PlanFile.JsonOptions)!).ToDictionary(keyOf, StringComparer.Ordinal);
            var there = (list ?? []).Select(keyOf).ToHashSet(StringComparer.Ordinal);
            List<T> next =
            [
                .. (list ?? []).Where(x => change.Gone?.Contains(keyOf(x)) != true).Select(x => put.GetValueOrDefault(keyOf(x), x)),
                .. put.Where(p => !there.Contains(p.Key)).Select(p => p.Value),
            ];
            if (change.Order is not { } order) return next;
            var byKey = next.ToDictionary(keyOf, StringComparer.Ordinal);
            return [.. order.Select(key => byKey[key])];
        }
    }
}

/// <summary>How a section of a plan differs from another's.</summary>
public sealed record SectionChange
{
    /// <summary>The section as it becomes, where it is one value.</summary>
    public JsonNode? Value { get; init; }

    /// <summary>Whether it becomes nothing at all, which a file leaves out.</summary>
    public bool IsNull { get; init; }

    /// <summary>Of a list: what is new or other than it was.</summary>
    public IReadOnlyList<JsonNode>? Put { get; init; }

    /// <summary>Of a list: keys of what is there no longer.</summary>
    public IReadOnlyList<string>? Gone { get; init; }

    /// <summary>Of a list: the keys in order, where that is not what putting leads to.</summary>
    public IReadOnlyList<string>? Order { get; init; }
}
