using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Starting;

/// <summary>
/// What of a locker comes along on a new day: what is in the hands and on the stands, a spare for whatever a picture hangs by, what the house's
/// rules and the owner ask, and the power and cards of all that. A second spare stays at home; so does what belongs to nothing that comes.
/// </summary>
internal static class WhatComesAlong
{
    /// <summary>The plan with the rest left at home.</summary>
    public static Plan Of(Plan plan)
    {
        var asked = Asked(new DayAnalysis(plan), spares: true);
        if (HouseRules.AsksForLeadAlone(plan)) asked.UnionWith(Asked(new DayAnalysis(HouseRules.LeadAlone(plan)), spares: false));
        asked.UnionWith(plan.Items.Where(i => i.IsFixed() || i.Keep == Keep.Always || plan.Parts.Any(p => p.SetsUp(i.Id))).Select(i => i.Id));
        Add<Body>(plan.Rules.House.TwoBodiesEach ? 2 * HouseRules.Photographers(plan) : 0, b => !b.Doubtful, b => (b.IsoCeiling, b.Megapixels));
        Add<Trigger>(plan.Rules.House.TwoSenders && HouseRules.AsksForStands(plan) ? 2 : 0, t => t.Sends is not null, _ => (0, 0));
        var without = Left(plan, i => !asked.Contains(i.Id));
        return Left(without, i => i.Keep != Keep.Always && !Belongs(without, i));

        void Add<T>(int wanted, Func<T, bool> counts, Func<T, (double, double)> worth) where T : Item
        {
            List<T> some = [.. plan.Items.OfType<T>().Where(counts)];
            var lacking = wanted - some.Count(t => asked.Contains(t.Id));
            asked.UnionWith(some.Where(t => !asked.Contains(t.Id)).OrderByDescending(worth).Take(Math.Max(0, lacking)).Select(t => t.Id));
        }
    }

    private static Plan Left(Plan plan, Func<Item, bool> stays) =>
        EditResult.Tried(plan, [.. plan.Items.Where(stays).Select(i => new UnpackThing { Item = i.Id, Everywhere = true })])!;

    /// <summary>
    /// Ids of all that is in the way one would take for each need and, for what matters, in the ways one would take without any one thing of it:
    /// with no more than that nothing is missed, and nothing hangs that would not with the whole locker.
    /// </summary>
    private static HashSet<string> Asked(DayAnalysis day, bool spares)
    {
        var asked = new HashSet<int>();
        foreach (var (part, need) in day.Parts.SelectMany(p => p.Needs.Select(n => (p, n))))
        {
            bool[] failed = [.. part.Failed];
            var (_, used) = day.LeftWithItems(need, failed);
            asked.UnionWith(used);
            if (!spares || need.Need.Importance == Importance.Nice) continue;
            foreach (var item in used)
            {
                failed[item] = true;
                asked.UnionWith(day.LeftWithItems(need, failed).Used);
                failed[item] = false;
            }
        }
        return [.. asked.Select(i => day.Kit.Items[i].Id)];
    }

    /// <summary>Whether a thing belongs to one that comes along, or is carried on every day.</summary>
    private static bool Belongs(Plan plan, Item thing)
    {
        if (!thing.IsFixed() || plan.Parts.Any(p => p.SetsUp(thing.Id))) return true;
        if (thing.NeededBy is { Count: > 0 } served) return served.Any(plan.HasItem);
        return thing switch
        {
            Battery battery => plan.Items.Any(i => i is Body body && body.BatteryType == battery.Type)
                || plan.Items.Any(i => i is StandLight light && light.BatteryType == battery.Type),
            Cells cells => plan.Items.Any(i => CellsOf(i) == cells.Type),
            Card card => plan.Items.OfType<Body>().Any(b => b.Slots.Any(s => s.Type == card.Type))
                || plan.Items.OfType<OtherThing>().Any(o => o.CardType == card.Type),
            Modifier => plan.Parts.Any(p => p.Lights is { Count: > 0 }),
            _ => true,
        };
    }

    private static string? CellsOf(Item item) => item switch
    {
        Flash flash => flash.CellsType,
        Trigger trigger => trigger.CellsType,
        OtherThing other => other.CellsType,
        _ => null,
    };
}
