using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>
/// What the rules of the house ask of a choice of things, and everyone who photographs: a camera with glass on it in every part in which
/// they have one today. Nothing is asked that not even everything along has.
/// </summary>
internal static class KitHouse
{
    /// <summary>The bounds.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="options">What may be chosen.</param>
    /// <param name="items">By option, the item it stands for.</param>
    /// <param name="free">Whether the glass in the hands may be chosen anew: then a camera is a body with any glass that is along.</param>
    public static IEnumerable<KitBound> Of(Plan plan, IReadOnlyList<KitOption> options, IReadOnlyList<Item> items, bool free)
    {
        var house = plan.Rules.House;
        var days = plan.Parts.Select(Day.Of).Distinct().OfType<DateOnly>().ToList();
        var here = Enumerable.Range(0, options.Count).Where(o => days.TrueForAll(items[o].IsHere)).ToList();
        if (house.TwoBodiesEach && AtLeast(HouseRuleKind.TwoBodiesEach, 2 * HouseRules.Photographers(plan),
            o => items[o] is Body { Doubtful: false }) is { } bodies) yield return bodies;
        if (house.TwoSenders && HouseRules.AsksForStands(plan)
            && AtLeast(HouseRuleKind.TwoSenders, 2, o => items[o] is Trigger { Sends: not null }) is { } senders) yield return senders;
        if (house.CellsForEachFlash)
            foreach (var flashes in here.Where(o => items[o] is Flash { CellsType: not null }).GroupBy(o => ((Flash)items[o]).CellsType!).ToList())
            {
                // Cells are not chosen here: as many flashes as they feed twice, or as there are today.
                var sets = here.Where(o => options[o].Fixed && items[o] is Cells { Charged: true } cells
                    && cells.Type == flashes.Key).Sum(o => ((Cells)items[o]).Count ?? 1);
                yield return new KitBound(HouseRuleKind.CellsForEachFlash, [.. flashes.Select(o => (IReadOnlyList<int>)[o])], 0,
                    Math.Max(sets / 2, flashes.Count(o => options[o].Today)));
            }
        foreach (var camera in Cameras(plan, options, items, free)) yield return camera;

        KitBound? AtLeast(HouseRuleKind rule, int asked, Func<int, bool> counts)
        {
            List<int> some = [.. here.Where(counts)];
            var had = Math.Min(asked, some.Select(o => options[o].Thing).Distinct(StringComparer.Ordinal).Count());
            return had > 0 ? new KitBound(rule, [.. some.Select(o => (IReadOnlyList<int>)[o])], had) : null;
        }
    }

    private static IEnumerable<KitBound> Cameras(Plan plan, IReadOnlyList<KitOption> options, IReadOnlyList<Item> items, bool free)
    {
        var today = Enumerable.Range(0, options.Count).Where(o => options[o].Today).ToDictionary(o => options[o].Thing, StringComparer.Ordinal);
        IReadOnlyList<IReadOnlyList<int>> glass = [.. Enumerable.Range(0, options.Count).Where(o => items[o] is Lens).Select(o => (IReadOnlyList<int>)[o])];
        foreach (var part in plan.Parts)
        {
            var hands = part.Setups.Where(s => s.Body is not null
                && s.Unattended != true).GroupBy(s => s.Person).Where(own => own.Any(s => s.Lens is not null)).ToList();
            foreach (var own in hands)
            {
                IReadOnlyList<IReadOnlyList<int>> cameras = [.. own.Where(s => free || s.Lens is not null).Select(Pieces)];
                yield return new KitBound(null, cameras, 1, Camera: AskedNeed.Camera(part.Id, own.Key));
            }
            if (free && hands.Count > 0) yield return new KitBound(null, glass, hands.Count);
        }

        IReadOnlyList<int> Pieces(Setup setup) =>
            [.. (free ? [setup.Body] : new[] { setup.Body, setup.Lens, setup.Adapter }).OfType<string>().Select(id => today[id])];
    }
}
