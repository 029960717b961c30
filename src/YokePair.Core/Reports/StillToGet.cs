using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>What a day is without the things that are reckoned with and not here yet.</summary>
internal static class StillToGet
{
    /// <summary>The day as it stands with what is here; the same where everything is.</summary>
    public static DayAnalysis AsItIsHere(this DayAnalysis day) =>
        day.Whole.Items.Where(i => i.Wanted).Select(i => new Pulled(i.Id)).ToList() is { Count: > 0 } wanted ? day.Without(wanted) : day;

    /// <summary>Every wanted thing, with the once and must needs that are not met or hang by one thing without any of them.</summary>
    public static IReadOnlyList<ThingToGet> Of(DayAnalysis day)
    {
        var wanted = day.Whole.Items.Where(i => i.Wanted).ToList();
        if (wanted.Count == 0) return [];
        var with = DayVerdict.Of(day);
        List<Hit>[] alone = [.. wanted.Select(i => Lost(with, DayVerdict.Of(day.Without(new Pulled(i.Id)))).ToList())];
        // What none of them is missed for alone, each stands in for the other; without all of them it is missed.
        var known = alone.SelectMany(a => a).Select(h => (h.Part, h.Need)).ToHashSet();
        var together = wanted.Count == 1 ? [] : Lost(with, DayVerdict.Of(day.AsItIsHere())).Where(h => !known.Contains((h.Part, h.Need))).ToList();
        return [.. wanted.Zip(alone, (item, hits) => new ThingToGet(item.Id, WantedThing.Say(item), [.. hits, .. together]))];
    }

    private static IEnumerable<Hit> Lost(DayVerdict with, DayVerdict without) =>
        with.Needs.Zip(without.Needs).Where(n => n.First.Importance != Importance.Nice && n.Second.Strands < Math.Min(2, n.First.Strands))
            .Select(n => new Hit(n.Second.Part, n.Second.Need, n.Second.Outcome));
}
