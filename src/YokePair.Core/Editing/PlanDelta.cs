using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Locker;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Editing;

/// <summary>The parts and items that differ between two states of a plan, as they are in one of them. Undo and redo are such deltas.</summary>
/// <param name="Parts">Changed and added parts, whole.</param>
/// <param name="Items">Changed and added items, whole.</param>
/// <param name="Gone">Ids of items that are no longer there.</param>
/// <param name="Order">Ids of the parts in their order, where parts came, went or moved.</param>
/// <param name="People">Everybody, where anybody came or changed.</param>
/// <param name="Places">Every place, where any changed.</param>
/// <param name="Events">Every event of one's own, where any changed.</param>
public sealed record PlanDelta(
    IReadOnlyList<Part> Parts,
    IReadOnlyList<Item> Items,
    IReadOnlyList<string>? Gone = null,
    IReadOnlyList<string>? Order = null,
    IReadOnlyList<Person>? People = null,
    IReadOnlyList<Place>? Places = null,
    IReadOnlyList<PlannedLoss>? Events = null)
{
    /// <summary>What leads from one plan to the other. Edits replace records and share the rest, so what is the same object is unchanged.</summary>
    public static PlanDelta To(Plan from, Plan to)
    {
        var left = to.Items.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        string[] gone = [.. from.Items.Select(i => i.Id).Where(id => !left.Contains(id))];
        return new PlanDelta(
            [.. to.Parts.Where(p => !from.Parts.Contains(p, ReferenceEqualityComparer.Instance))],
            [.. to.Items.Where(i => !from.Items.Contains(i, ReferenceEqualityComparer.Instance))],
            gone.Length == 0 ? null : gone,
            from.Parts.Select(p => p.Id).SequenceEqual(to.Parts.Select(p => p.Id)) ? null : [.. to.Parts.Select(p => p.Id)],
            ReferenceEquals(from.People, to.People) ? null : to.People,
            ReferenceEquals(from.Places, to.Places) ? null : to.Places,
            ReferenceEquals(from.Events, to.Events) ? null : to.Events ?? []);
    }

    /// <summary>Puts the parts and items in place of those with the same ids, adds new items and takes away those that are gone.</summary>
    public Plan ApplyTo(Plan plan)
    {
        plan = plan with { People = People ?? plan.People, Places = Places ?? plan.Places, Events = Events is null ? plan.Events : Events.Count == 0 ? null : Events };
        foreach (var part in Parts) plan = plan.With(part);
        if (Order is not null)
        {
            var known = plan.Parts.Concat(Parts).DistinctBy(p => p.Id).ToDictionary(p => p.Id, StringComparer.Ordinal);
            plan = plan with { Parts = [.. Order.Select(id => known[id])] };
        }
        if (Items.Count == 0 && Gone is null) return plan;
        var items = Items.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var there = plan.Items.Select(i => i.Id).ToHashSet(StringComparer.Ordinal);
        return plan with
        {
            Items =
            [
                .. plan.Items.Where(i => Gone?.Contains(i.Id) != true).Select(i => items.GetValueOrDefault(i.Id, i)),
                .. Items.Where(i => !there.Contains(i.Id)),
            ],
        };
    }
}

internal static class PlanChanges
{
    /// <summary>Moves every part that starts at or after a moment on by as much as that moment moves.</summary>
    public static Plan MoveOn(Plan plan, DateTime was, DateTime now, string except) => plan with
    {
        Parts = [.. plan.Parts.Select(p => p.Id != except && p.Start >= was ? p with { Start = p.Start + (now - was), End = p.End + (now - was) } : p)],
    };

    /// <summary>The plan with one part replaced by another of the same id.</summary>
    public static Plan With(this Plan plan, Part part) => plan with { Parts = [.. plan.Parts.Select(p => p.Id == part.Id ? part : p)] };
}
