using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>The parts and items that differ between two states of a plan, as they are in one of them. Undo and redo are such deltas.</summary>
/// <param name="Parts">Changed parts, whole.</param>
/// <param name="Items">Changed items, whole.</param>
public sealed record PlanDelta(IReadOnlyList<Part> Parts, IReadOnlyList<Item> Items)
{
    /// <summary>What leads from one plan to the other. Edits replace records and share the rest, so what is the same object is unchanged.</summary>
    public static PlanDelta To(Plan from, Plan to) => new(
        [.. to.Parts.Where(p => !from.Parts.Contains(p, ReferenceEqualityComparer.Instance))],
        [.. to.Items.Where(i => !from.Items.Contains(i, ReferenceEqualityComparer.Instance))]);

    /// <summary>Puts the parts and items in place of those with the same ids.</summary>
    public Plan ApplyTo(Plan plan)
    {
        foreach (var part in Parts) plan = plan.With(part);
        var items = Items.ToDictionary(i => i.Id, StringComparer.Ordinal);
        return items.Count == 0 ? plan : plan with { Items = [.. plan.Items.Select(i => items.GetValueOrDefault(i.Id, i))] };
    }
}

internal static class PlanChanges
{
    /// <summary>The plan with one part replaced by another of the same id.</summary>
    public static Plan With(this Plan plan, Part part) => plan with { Parts = [.. plan.Parts.Select(p => p.Id == part.Id ? part : p)] };
}
