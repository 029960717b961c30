using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Adds a bag, pouch or other place, or changes what it is called, who has it and how quickly one reaches into it.</summary>
public sealed record PutPlace : PlanEdit
{
    /// <summary>The place; an id that the plan does not have yet, or an empty one, adds it.</summary>
    public required Place Place { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (string.IsNullOrWhiteSpace(Place.Name)) return Refuse("place.name", "is empty; say what it is called, such as Belt pouch");
        var wrong = new ProblemList();
        PlaceCheck.Figures(Place, "place", wrong);
        if (wrong.All is [var first, ..]) return Refuse(first.Field, first.Message);
        if (Place.Person is { } owner && plan.PersonOf(owner) is null) return Refuse("place.person", $"there is nobody \"{owner}\"");
        var whose = Place.Person is { } person ? $"{plan.PersonOf(person)!.Name ?? person}'s" : "anybody's";
        var said = FormattableString.Invariant($"{Place.Name}: {whose}, in {Place.ReachSeconds} s");
        if (plan.PlaceOf(Place.Id) is { } old) return new EditResult(plan with { Places = [.. plan.Places.Select(p => p == old ? Place : p)] }, said, []);
        var taken = ItemIds.Taken(plan);
        var added = Place with { Id = Place.Id.Length > 0 && !taken.Contains(Place.Id) ? Place.Id : ItemIds.New("place", Place.Name, taken) };
        return new EditResult(plan with { Places = [.. plan.Places, added] }, said, []);
    }
}

/// <summary>Leaves a bag or pouch at home; what is in it goes into another.</summary>
public sealed record RemovePlace : PlanEdit
{
    /// <summary>Place id.</summary>
    public required string Place { get; init; }

    /// <summary>Id of the place that what is in it goes into; may be left out where it is empty.</summary>
    public string? To { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PlaceOf(Place) is not { } place) return Refuse("place", $"there is no place \"{Place}\"");
        var inside = plan.Items.Where(i => i.Place == Place).ToList();
        var (are, go) = inside.Count == 1 ? ("thing is", "it goes") : ("things are", "they go");
        if (inside.Count > 0 && (To == Place || plan.PlaceOf(To) is null))
            return Refuse("to", $"{English.Number(inside.Count)} {are} in {place.Label}; say which other place {go} into");
        return new EditResult(plan with
        {
            Places = [.. plan.Places.Where(p => p != place)],
            Items = inside.Count == 0 ? plan.Items : [.. plan.Items.Select(i => i.Place == Place ? i with { Place = To } : i)],
            Parts = [.. plan.Parts.Select(Forget)],
        }, $"{place.Label} left at home" + (inside.Count == 0 ? "" : $"; what was in it is in {plan.PlaceOf(To)!.Label}"), []);
    }

    private Part Forget(Part part)
    {
        if (part.ReachSeconds?.ContainsKey(Place) != true && !part.Unreachable.Contains(Place)) return part;
        var reach = part.ReachSeconds?.Where(r => r.Key != Place).ToDictionary(r => r.Key, r => r.Value, StringComparer.Ordinal);
        return part with { ReachSeconds = reach is { Count: > 0 } ? reach : null, Unreachable = [.. part.Unreachable.Where(p => p != Place)] };
    }
}

/// <summary>Packs several things in one place, or in a box or bag that is along.</summary>
public sealed record MoveItems : PlanEdit
{
    /// <summary>Ids of the things.</summary>
    public required IReadOnlyList<string> Items { get; init; }

    /// <summary>Place id, or <c>@box</c>.</summary>
    public required string Place { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (Items.Count == 0) return Refuse("items", "is empty; pick what to pack");
        var box = PlaceReference.Parse(Place, plan.HasItem) is { } at ? plan.ItemOf(at.Item) as Case : null;
        if (plan.PlaceOf(Place) is null && box is null) return Refuse("place", $"there is no place \"{Place}\"");
        var next = plan;
        foreach (var item in Items)
        {
            var moved = new MoveItem { Item = item, Place = Place }.Apply(next);
            if (moved.Plan is null) return moved;
            next = moved.Plan;
        }
        var said = English.Capital(English.Count(Items.Count, "thing", "things"));
        return new EditResult(next, $"{said} moved to {box?.Label ?? plan.PlaceOf(Place)!.Label}", []);
    }
}
