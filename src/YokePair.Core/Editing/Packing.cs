using System.Text.Json.Serialization;
using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

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

    /// <summary>What belongs in it, where it is a box or bag that was kept, looked up likewise.</summary>
    [JsonIgnore] public IReadOnlyList<Item> Inside { get; init; } = [];

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (Found is null) return Refuse("thing", $"there is no \"{Thing}\" in the locker; it may have been removed");
        if (plan.ItemOf(Thing) is not null || plan.PersonOf(Thing) is not null || plan.PlaceOf(Thing) is not null) return Refuse("thing",
            $"{Found.Label} is packed already");
        if (plan.PlaceOf(Place) is not { } place) return Refuse("place", $"there is no place \"{Place}\"");
        // Whether it can be had is the locker's to say, day by day; a copy of it here would grow old.
        var item = Found.AtHand() with { Place = Place };
        // What is along already stays where it is.
        List<Item> inside = [.. Inside.Where(i => !plan.HasItem(i.Id)).Select(i => i.AtHand() with { Place = "@" + item.Id })];
        var with = inside.Count == 0 ? "" : $" with {English.Count(inside.Count, "thing", "things")} in it";
        return new EditResult(plan with { Items = [.. plan.Items, item, .. inside] }, $"{item.Label}{with} packed in {place.Label}", []);
    }
}

/// <summary>Leaves a thing at home.</summary>
public sealed record UnpackThing : PlanEdit
{
    /// <summary>Item id.</summary>
    public required string Item { get; init; }

    /// <summary>True: it is taken out of every hand and light it is set up in, and what is packed on it goes where it was. Else such a thing stays.</summary>
    public bool? Everywhere { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Item) is not { } item) return Refuse("item", $"there is no item \"{Item}\"");
        return item is Case box && plan.Inside(box) is { Count: > 0 } inside ? WithAll(plan, box, inside) : Alone(plan, item);
    }

    /// <summary>A box or bag stays at home with all that is in it.</summary>
    private EditResult WithAll(Plan plan, Case box, IReadOnlyList<Item> inside)
    {
        var next = plan;
        // What is on or in something goes first.
        foreach (var thing in inside.OrderByDescending(i => PlaceReference.Bearers(i, plan.ItemsById()).Count()))
        {
            if (new UnpackThing { Item = thing.Id, Everywhere = Everywhere }.Apply(next) is var left && left.Plan is null) return left;
            next = left.Plan;
        }
        var alone = Alone(next, box);
        return alone.Plan is null ? alone : alone with { Label = $"{box.Label} with {English.Count(inside.Count, "thing", "things")} left at home" };
    }

    private EditResult Alone(Plan plan, Item item)
    {
        var feared = plan.Events?.FirstOrDefault(e => e.Items.Contains(Item));
        if (Everywhere != true)
        {
            if (feared is not null) return Refuse("item", $"{item.Label} is part of \"{feared.Name ?? feared.Id}\" in what if; take it out of there first");
            var held = plan.Parts.Where(p => p.SetsUp(Item)).Select(p => p.Label).ToList();
            if (held.Count > 0) return Refuse("item", $"{item.Label} is set up in {English.List(held)}; put something else there first");
            var on = plan.Items.Where(i => RestsOn(plan, i)).Select(i => i.Label).ToList();
            if (Hanging(plan, item) is { } hanging) return Refuse("item", $"the {hanging.Label} cannot be used without it; leave that at home first");
            if (on.Count > 0) return Refuse("item",
                $"{English.List(on)} {(on.Count == 1 ? "is" : "are")} packed on it; move {(on.Count == 1 ? "it" : "them")} first");
        }
        return new EditResult(plan with
        {
            Pairs = plan.Pairs?.Any(NamesPair) == true ? [.. plan.Pairs.Where(p => !NamesPair(p))] : plan.Pairs,
            PairsAtHome = plan.Pairs?.Any(NamesPair) == true ? [.. plan.PairsAtHome ?? [], .. plan.Pairs.Where(NamesPair)] : plan.PairsAtHome,
            Items = [.. plan.Items.Where(i => i.Id != Item).Select(i => RestsOn(plan, i) ? i with { Place = item.Place } : i)],
            Parts = plan.Parts.Any(p => p.SetsUp(Item)) ? [.. plan.Parts.Select(p => p.SetsUp(Item) ? Without(p) : p)] : plan.Parts,
            Events = feared is null ? plan.Events : [.. plan.Events!.Select(e => e with { Items = [.. e.Items.Where(i => i != Item)] })
                .Where(e => e.Items.Count > 0)],
        }, $"{item.Label} left at home", []);
    }

    /// <summary>What is along and would have no small part of this kind left.</summary>
    private static Item? Hanging(Plan plan, Item part) => part.NeededBy?.Select(plan.ItemOf)
        .FirstOrDefault(served => served is not null && !plan.Items.Any(o => o.Id != part.Id && o.NeededBy?.Contains(served.Id) == true
            && SmallParts.LikenessOf(o) == SmallParts.LikenessOf(part)));

    private bool NamesPair(PairRule pair) => pair.A == Item || pair.B == Item;

    private bool RestsOn(Plan plan, Item item) => PlaceReference.Parse(item.Place, plan.HasItem)?.Item == Item;

    private Part Without(Part part) => part with
    {
        Setups = [.. part.Setups.Select(Without).Where(s => s.Named().Any())],
        Use = part.Use?.Where(u => u.Item != Item).ToList() is { Count: > 0 } used ? used : null,
        Changes = part.Changes?.Where(c => c != Item).ToList() is { Count: > 0 } left ? left : null,
        // A light that misses a piece is not put up.
        Lights = part.Lights is null ? null : [.. part.Lights.Where(l => l.Named(_ => false).All(n => n.Id != Item))],
    };

    private Setup Without(Setup s)
    {
        // Without the camera nothing of its setup is in the hand; without any piece of its glass, none of it is on the camera.
        if (s.Body == Item) return s with
        {
            Body = null,
            Lens = null,
            Adapter = null,
            Converter = null,
            Tube = null,
            Flash = null,
            Trigger = null,
            Support = null,
            Battery = null,
            Cards = null,
            Unattended = null
        };
        if (s.Lens == Item || s.Adapter == Item || s.Converter == Item || s.Tube == Item) s =
            s with { Lens = null, Adapter = null, Converter = null, Tube = null };
        return s with
        {
            Flash = Left(s.Flash),
            Trigger = Left(s.Trigger),
            Support = Left(s.Support),
            Battery = Left(s.Battery),
            Cards = s.Cards?.Contains(Item) == true ? [.. s.Cards.Select(Left)] : s.Cards,
        };
    }

    private string? Left(string? id) => id == Item ? null : id;
}

/// <summary>Says that a thing comes along whatever is reckoned, or takes that back.</summary>
public sealed record KeepThing : PlanEdit
{
    /// <summary>Item id.</summary>
    public required string Item { get; init; }

    /// <summary>Whether it always comes along.</summary>
    public required bool Always { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Item) is not { } item) return Refuse("item", $"there is no item \"{Item}\"");
        var kept = item with { Keep = Always ? Keep.Always : null };
        var said = Always ? "always comes along" : "comes along as the needs have it";
        return new EditResult(plan with { Items = [.. plan.Items.Select(i => i.Id == Item ? kept : i)] }, $"{item.Label} {said}", []);
    }
}

/// <summary>Says that a thing which was still to get is here.</summary>
public sealed record GotThing : PlanEdit
{
    /// <summary>Item id.</summary>
    public required string Item { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Item) is not { } item) return Refuse("item", $"there is no item \"{Item}\"");
        if (!item.Wanted) return Refuse("item", $"{item.Label} is here already");
        var here = item with { Wanted = false };
        return new EditResult(plan with { Items = [.. plan.Items.Select(i => i.Id == Item ? here : i)] }, $"{item.Label} is here", []);
    }
}

/// <summary>Takes along a kind of thing that is not one's own: borrowed, rented or bought for the day.</summary>
public sealed record BorrowThing : PlanEdit
{
    /// <summary>The thing, with the figures it must have and the place it is packed in.</summary>
    public required Item Item { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        var place = plan.PlaceOf(Item.Place);
        var on = PlaceReference.Parse(Item.Place, plan.HasItem) is { } at ? plan.ItemOf(at.Item) : null;
        if (place is null && on is null) return Refuse("item.place", $"there is no place \"{Item.Place}\"");
        var next = plan with { Items = [.. plan.Items, Item with { Owner = Item.Owner ?? "borrowed or rented", Wanted = true }] };
        var field = FormattableString.Invariant($"items[{next.Items.Count - 1}]");
        var wrong = PlanCheck.Usable(next).FirstOrDefault(p => p.Field.StartsWith(field, StringComparison.Ordinal));
        return wrong is not null
            ? Refuse(wrong.Field.Replace(field, "item", StringComparison.Ordinal), wrong.Message)
            : new EditResult(next, $"Borrow, rent or buy {WantedThing.Say(Item)}; into {place?.Name ?? place?.Id ?? on!.Label}", []);
    }
}
