using YokePair.Core.Editing;
using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>Where what is lacking comes from, and where it goes.</summary>
internal static class Sourcing
{
    /// <summary>Whether a thing at home could come along: it is here, and no other assignment has it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="item">The thing at home.</param>
    /// <param name="part">The part it is to be there in; null = the first.</param>
    public static bool IsFree(Plan plan, Item item, Part? part = null) =>
        !plan.HasItem(item.Id)
        && ((part is null ? plan.Parts : [part]).Select(Day.Of).FirstOrDefault(d => d is not null) is not { } on
            || (item.IsHere(on) && plan.PromisedOn(item.Id, on) is null));

    /// <summary>
    /// Where that is which runs out, as its spare belongs to the same hand; else where most of the like lie already, else the place that is
    /// quickest to reach.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="isLike">Whether a thing is like what is lacking.</param>
    /// <param name="user">Id of what runs out without it; null = nothing in particular.</param>
    public static string? PlaceFor(Plan plan, Func<Item, bool> isLike, string? user = null) =>
        (plan.ItemOf(user) is { } item ? plan.PlaceOf(PlaceReference.Bearers(item, plan.ItemsById()).LastOrDefault(item).Place)?.Id : null)
        ?? plan.Items.Where(i => isLike(i) && plan.PlaceOf(i.Place) is not null).GroupBy(i => i.Place!).MaxBy(g => g.Count())?.Key
        ?? plan.Places.MinBy(p => p.ReachSeconds)?.Id;

    /// <summary>As many things as are lacking, to be had from somewhere.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="count">How many.</param>
    /// <param name="what">What their ids are made of.</param>
    /// <param name="make">Makes one with its id.</param>
    public static IReadOnlyList<PlanEdit> Borrow(Plan plan, int count, string what, Func<string, Item> make)
    {
        var taken = ItemIds.Taken(plan);
        var edits = new PlanEdit[count];
        for (var n = 0; n < count; n++)
        {
            var id = ItemIds.New("borrowed", what, taken);
            taken.Add(id);
            edits[n] = new BorrowThing { Item = make(id) };
        }
        return edits;
    }
}
