using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>An edit after which a thing and its only backup travel apart, proved on the whole day.</summary>
/// <param name="Label">What it does, in words.</param>
/// <param name="Edits">The edits; made together, undone together.</param>
/// <param name="Then">What it comes to with them, in words.</param>
public sealed record BagSplit(string Label, IReadOnlyList<PlanEdit> Edits, string Then)
{
    private const int Pairs = 3;

    /// <summary>For each of the worst pairs in one place: the quickest other place for either of the two that leaves nothing worse.</summary>
    public static IReadOnlyList<BagSplit> For(DayAnalysis day)
    {
        var together = Causes.Bags(day).ToList();
        if (together.Count == 0) return [];
        var (before, hits) = (DayVerdict.Of(day), Hits(together));
        return [.. together.Take(Pairs).Select(c => Of(day, before, hits, c)).OfType<BagSplit>().DistinctBy(s => s.Label)];
    }

    private static int Hits(List<CauseFacts> together) => together.Sum(c => c.Hits.Count);

    private static BagSplit? Of(DayAnalysis day, DayVerdict before, int hits, CauseFacts cause)
    {
        var plan = day.Plan;
        foreach (var place in plan.Places.Where(p => p.Id != cause.About).OrderBy(p => p.ReachSeconds))
            foreach (var item in cause.Items.Reverse())
            {
                var move = new MoveItem { Item = item, Place = place.Id };
                if (move.Apply(plan) is not { Plan: { } moved } result) continue;
                var then = day.Trying(moved);
                var left = Causes.Bags(then).ToList();
                if (left.Exists(l => l.Items.Order().SequenceEqual(cause.Items.Order()))
                    || Hits(left) >= hits) continue;
                if (!DayVerdict.Of(then).IsNowhereWorseThan(before)) continue;
                return new BagSplit(result.Label, [move], left.Count == 0 ? "then no bag holds a thing and its only backup"
                    : $"then {English.Count(left.Count, "such pair is", "such pairs are")} left in one bag");
            }
        return null;
    }
}
