namespace YokePair.Core.Plans;

/// <summary>Boxes and bags in bags: what is packed in a case goes wherever that goes.</summary>
public static class Boxes
{
    /// <summary>Everything in a case, however deep, in the order of the plan.</summary>
    public static IReadOnlyList<Item> Inside(this Plan plan, Case box)
    {
        var items = plan.ItemsById();
        return [.. plan.Items.Where(i => PlaceReference.Bearers(i, items).Any(b => b.Id == box.Id))];
    }

    /// <summary>Ids of what belongs in a case and is not in it.</summary>
    public static IReadOnlyList<string> MissingFrom(this Plan plan, Case box) =>
        [.. (box.Contents ?? []).Except(plan.Inside(box).Select(i => i.Id), StringComparer.Ordinal)];

    /// <summary>The cases of a plan that hold something, or should.</summary>
    public static IEnumerable<Case> Of(Plan plan) => plan.Items.OfType<Case>().Where(c => c.Contents is { Count: > 0 } || plan.Inside(c).Count > 0);
}
