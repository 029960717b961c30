using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Packs several things into a box or bag of their own, to be packed, moved, lent and lost as one from then on.</summary>
public sealed record PackTogether : PlanEdit
{
    /// <summary>What it is called: flash box, reception bag.</summary>
    public required string Name { get; init; }

    /// <summary>Ids of the things; what is on or in one of them comes along.</summary>
    public required IReadOnlyList<string> Items { get; init; }

    /// <summary>Id of the place that it is packed in.</summary>
    public required string Place { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (string.IsNullOrWhiteSpace(Name)) return Refuse("name", "is empty; say what it is called, such as Flash box");
        if (Items.Count == 0) return Refuse("items", "is empty; pick what belongs in it");
        if (plan.PlaceOf(Place) is null) return Refuse("place", $"there is no place \"{Place}\"");
        if (Items.FirstOrDefault(i => !plan.HasItem(i)) is { } gone) return Refuse("items", $"there is no item \"{gone}\"");
        var taken = ItemIds.Taken(plan);
        var items = plan.ItemsById();
        // What is on another of them, or in it, stays there.
        var loose = Items.Where(i => !PlaceReference.Bearers(items[i], items).Any(b => Items.Contains(b.Id))).ToHashSet(StringComparer.Ordinal);
        var box = new Case { Id = ItemIds.New("case", Name.Trim(), taken), Name = Name.Trim(), Place = Place, Contents = [.. Items.Distinct()] };
        var next = plan with { Items = [.. plan.Items.Select(i => loose.Contains(i.Id) ? i with { Place = "@" + box.Id } : i), box] };
        return new EditResult(next, $"{box.Name} holds {English.Count(Items.Count, "thing", "things")}", []);
    }
}

/// <summary>Says what belongs in a box or bag.</summary>
public sealed record SetContents : PlanEdit
{
    /// <summary>Item id of the box.</summary>
    public required string Box { get; init; }

    /// <summary>Ids of what belongs in it, here or at home.</summary>
    public required IReadOnlyList<string> Contents { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Box) is not Case box) return Refuse("box", $"there is no box or bag \"{Box}\"");
        if (Contents.Contains(Box)) return Refuse("contents", $"{box.Label} cannot be in itself");
        var now = box with { Contents = [.. Contents.Distinct()] };
        return new EditResult(plan with { Items = [.. plan.Items.Select(i => i == box ? now : i)] },
            $"in {box.Label} belong {English.Count(now.Contents.Count, "thing", "things")}", []);
    }
}
