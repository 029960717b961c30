using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>Something at home that fits where a thing does not, and serves what it serves.</summary>
/// <param name="Out">Id of the thing that does not fit.</param>
/// <param name="With">Id of the one at home.</param>
/// <param name="Label">What it is called.</param>
/// <param name="Then">What it costs, in words.</param>
public sealed record FitInstead(string Out, string With, string Label, string Then)
{
    private const int MostTried = 12, MostTold = 3, Named = 2;

    /// <summary>What would fit instead of each thing that does not: what costs least first; none with which a picture that matters is lost.</summary>
    /// <param name="day">The day.</param>
    /// <param name="layout">How its things lie in a bag.</param>
    /// <param name="atHome">What there is.</param>
    /// <param name="fits">Whether all of a bag's things go in.</param>
    public static IReadOnlyList<FitInstead> For(DayAnalysis day, BagLayout layout, IReadOnlyList<Item> atHome, Func<BagRoom, bool> fits)
    {
        string[] left = [.. layout.TooDeep.Select(t => t.Item), .. layout.Out];
        if (left.Length == 0) return [];
        var before = DayVerdict.Of(day);
        // Of several that find no room each is asked for with the others gone.
        return [.. left.Take(Named).SelectMany(id => Of(day, before, Alone(layout.Room, left, id), id, atHome, fits))];
    }

    private static BagRoom Alone(BagRoom room, string[] left, string id) =>
        room with { Things = [.. room.Things.Where(t => t.Item == id || !left.Contains(t.Item))] };

    private static List<FitInstead> Of(DayAnalysis day, DayVerdict before, BagRoom room, string id, IReadOnlyList<Item> atHome,
        Func<BagRoom, bool> fits)
    {
        var (plan, item) = (day.Plan, day.Plan.ItemOf(id)!);
        var own = room.Things.Single(t => t.Item == id);
        var smaller = atHome.Where(h => h.GetType() == item.GetType() && plan.ItemOf(h.Id) is null && CouldServe(item, h))
            .Select(h => (Item: h, Shape: BagRoom.Shape(h with { Id = id })))
            .Where(h => h.Shape is not null && Volume(h.Shape) < Volume(own)).OrderByDescending(h => Volume(h.Shape!)).Take(MostTried);
        return [.. smaller.Where(h => fits(room.With(id, h.Shape!)))
            .Select(h => (h.Item, Then: DayVerdict.Of(day.Trying(Swapped(plan, id, h.Item)))))
            .Where(h => h.Then.Gaps <= before.Gaps && !Lost(before, h.Then).Any())
            .OrderBy(h => h.Then.Exposed).ThenBy(h => Worse(before, h.Then).Count()).Take(MostTold)
            .Select(h => new FitInstead(id, h.Item.Id, h.Item.Label, Say(day.Plan, before, h.Then)))];
    }

    private static double Volume(CarriedShape shape) => shape.SizeMm.Aggregate(1.0, (v, mm) => v * mm);

    private static bool CouldServe(Item item, Item other) => (item, other) switch
    {
        (Lens a, Lens b) => a.Mount == b.Mount && a.Focal.Low <= b.Focal.High && b.Focal.Low <= a.Focal.High,
        (Body a, Body b) => a.Mount.Intersect(b.Mount).Any(),
        _ => true,
    };

    /// <summary>The other thing under the name of the one, so that every hand that holds the one holds the other.</summary>
    private static Plan Swapped(Plan plan, string id, Item other) =>
        plan with { Items = [.. plan.Items.Select(i => i.Id == id ? other with { Id = id, Place = i.Place } : i)] };

    private static IEnumerable<(NeedVerdict Before, NeedVerdict Then)> Pairs(DayVerdict before, DayVerdict then) =>
        before.Needs.Zip(then.Needs).Where(n => n.First.Importance != Importance.Nice);

    private static IEnumerable<NeedVerdict> Lost(DayVerdict before, DayVerdict then) =>
        Pairs(before, then).Where(n => n.Before.Outcome.IsMet() && !n.Then.Outcome.IsMet()).Select(n => n.Then);

    private static IEnumerable<NeedVerdict> Worse(DayVerdict before, DayVerdict then) =>
        Hanging(before, then).Union(SecondBest(before, then));

    private static IEnumerable<NeedVerdict> Hanging(DayVerdict before, DayVerdict then) =>
        Pairs(before, then).Where(n => n.Then.Strands < Math.Min(2, n.Before.Strands)).Select(n => n.Then);

    private static IEnumerable<NeedVerdict> SecondBest(DayVerdict before, DayVerdict then) =>
        Pairs(before, then).Where(n => n.Then.Outcome > n.Before.Outcome).Select(n => n.Then);

    private static string Say(Plan plan, DayVerdict before, DayVerdict then)
    {
        var hang = Hanging(before, then).ToList();
        var second = SecondBest(before, then).Except(hang).ToList();
        string[] costs =
        [
            .. hang.Count == 0 ? (string[])[] : [$"{Of(hang)} {(hang.Count == 1 ? "hangs" : "hang")} by one thing then"],
            .. second.Count == 0 ? (string[])[] : [$"{Of(second)} {(second.Count == 1 ? "is" : "are")} second best"],
        ];
        return costs.Length == 0 ? "every picture that matters stands as before" : string.Join("; ", costs);

        string Of(List<NeedVerdict> needs) => English.List(English.Few([.. needs.Select(Name)], Named));

        string Name(NeedVerdict need) => plan.PartOf(need.Part)!.Needs.First(n => n.Id == need.Need).Label;
    }
}
