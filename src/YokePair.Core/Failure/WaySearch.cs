using YokePair.Core.Glass;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// Finds the best way left of a need when given things have failed. Supplies are searched group by group, not item by
/// item: any member of a group is as good as another, so the first that still works stands for all.
/// </summary>
internal sealed class WaySearch(bool dualRecord)
{
    private readonly Pick[] picks = new Pick[4];
    private readonly (Want Want, OptionGroup[] Groups)[] wants = new (Want, OptionGroup[])[4];
    private int depth;
    private Pick[]? bestPicks;
    private double bestSeconds;
    private bool allowDoubtful;
    private bool[] failed = [];
    private Rig rig = null!;

    /// <summary>The outcome of a need and the way that gives it; no way when it is lost.</summary>
    /// <param name="ways">The need.</param>
    /// <param name="failedItems">By item number, whether it has failed.</param>
    public (Outcome Outcome, Way? Way) Best(NeedWays ways, bool[] failedItems)
    {
        failed = failedItems;
        if (Quickest(ways, fullOnly: true) is { } full && InTime(full.Seconds, ways)) return (Outcome.Holds, full);
        if (Quickest(ways, fullOnly: false) is not { } any) return (Outcome.Lost, null);
        return (InTime(any.Seconds, ways) ? Outcome.Thins : Outcome.Late, any);
    }

    /// <summary>Whether seconds are within a need's tolerance; sums of fractions may differ in the last digit.</summary>
    public static bool InTime(double seconds, NeedWays ways) => seconds <= ways.ToleranceSeconds + 1e-9;

    private Way? Quickest(NeedWays ways, bool fullOnly)
    {
        Way? best = null;
        foreach (var candidate in ways.Candidates)
        {
            if (best is not null && candidate.Rig.Seconds >= best.Seconds) break;
            if (fullOnly && candidate.Quality != Quality.Full) continue;
            if (candidate.Rig.IsHit(failed)) continue;
            rig = candidate.Rig;
            allowDoubtful = !fullOnly;
            bestSeconds = best?.Seconds ?? double.PositiveInfinity;
            bestPicks = null;
            var records = 0;
            if (dualRecord)
            {
                // Two records first: where one card would be no quicker, show the way as it would really be shot.
                for (var first = 0; first < rig.Supplies.Slots.Length; first++)
                    for (var second = first + 1; second < rig.Supplies.Slots.Length; second++)
                        if (Try(rig.Supplies.Slots[first], rig.Supplies.Slots[second])) records = 2;
            }
            if ((!fullOnly || !dualRecord) && Try(rig.Supplies.OneCard)) records = 1;
            if (bestPicks is null) continue;
            var sound = candidate.Quality == Quality.Full && (records == 2 || !dualRecord) && !bestPicks.Any(p => p.From.Doubtful);
            best = new Way(rig, sound ? Quality.Full : Quality.SecondBest, bestSeconds, bestPicks);
        }
        return best;
    }

    private bool Try(OptionGroup[] card, OptionGroup[]? otherCard = null)
    {
        depth = 0;
        Ask(Want.Battery, rig.Supplies.Batteries);
        Ask(Want.Card, card);
        if (otherCard is not null) Ask(Want.Card, otherCard);
        if (rig.Cells is not null) Ask(Want.Cells, rig.Cells);
        var before = bestSeconds;
        Fill(0, rig.Seconds);
        return bestSeconds < before;
    }

    private void Ask(Want want, OptionGroup[] groups) => wants[depth++] = (want, groups);

    private void Fill(int level, double seconds)
    {
        if (seconds >= bestSeconds) return;
        if (level == depth)
        {
            bestSeconds = seconds;
            bestPicks = picks[..level];
            return;
        }
        foreach (var group in wants[level].Groups)
        {
            if (group.Doubtful && !allowDoubtful) continue;
            var total = seconds + group.ChangeSeconds + (group.InPlace || Fetches(group.Source, level) ? 0 : group.FetchSeconds);
            if (total >= bestSeconds) continue;
            // Two members are tried because the other slot may want the first of them for itself; it can want only one.
            var tried = 0;
            foreach (var item in group.Items)
            {
                if (failed[item] || Picked(item, level)) continue;
                picks[level] = new Pick(wants[level].Want, item, group);
                Fill(level + 1, total);
                if (++tried == 2) break;
            }
        }
    }

    private bool Fetches(int source, int level)
    {
        if (Array.IndexOf(rig.Sources, source) >= 0) return true;
        for (var i = 0; i < level; i++)
            if (picks[i].From.Source == source) return true;
        return false;
    }

    private bool Picked(int item, int level)
    {
        for (var i = 0; i < level; i++)
            if (picks[i].Item == item) return true;
        return false;
    }
}
