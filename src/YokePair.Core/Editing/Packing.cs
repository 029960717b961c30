using System.Text.Json.Serialization;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Takes a thing from the locker along.</summary>
public sealed record PackThing : PlanEdit
{
    /// <summary>Id of the thing in the locker; it keeps it in the plan.</summary>
    public required string Thing { get; init; }

    /// <summary>Place it is packed in.</summary>
    public required string Place { get; init; }

    /// <summary>The thing itself, looked up by whoever has the locker.</summary>
    [JsonIgnore] public Item? Found { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (Found is null) return Refuse("thing", $"there is no \"{Thing}\" in the locker; it may have been removed");
        if (plan.Items.Any(i => i.Id == Thing) || plan.People.Any(p => p.Id == Thing) || plan.Places.Any(p => p.Id == Thing)) return Refuse("thing", $"{Found.Label} is packed already");
        if (plan.Places.FirstOrDefault(p => p.Id == Place) is not { } place) return Refuse("place", $"there is no place \"{Place}\"");
        // Whether it can be had is the locker's to say, day by day; a copy of it here would grow old.
        var item = Found with { Place = Place, Status = null, From = null, To = null, NeededBy = null };
        return new EditResult(plan with { Items = [.. plan.Items, item] }, $"{item.Label} packed in {place.Name ?? place.Id}", []);
    }
}

/// <summary>Leaves a thing at home.</summary>
public sealed record UnpackThing : PlanEdit
{
    /// <summary>Item id.</summary>
    public required string Item { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.Items.FirstOrDefault(i => i.Id == Item) is not { } item) return Refuse("item", $"there is no item \"{Item}\"");
        var held = plan.Parts.Where(p => p.Setups.Any(s => s.Named().Any(n => n.Id == Item))).Select(p => p.Label).ToList();
        if (held.Count > 0) return Refuse("item", $"{item.Label} is in a hand in {Reports.Words.List(held)}; put something else there first");
        var on = plan.Items.Where(i => PlaceReference.Parse(i.Place, id => plan.Items.Any(o => o.Id == id))?.Item == Item).Select(i => i.Label).ToList();
        return on.Count > 0
            ? Refuse("item", $"{Reports.Words.List(on)} {(on.Count == 1 ? "is" : "are")} packed on it; move {(on.Count == 1 ? "it" : "them")} first")
            : new EditResult(plan with { Items = [.. plan.Items.Where(i => i.Id != Item)] }, $"{item.Label} left at home", []);
    }
}
