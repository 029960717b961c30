using YokePair.Core.Optics;
using YokePair.Core.Ways;

namespace YokePair.Core.Failure;

/// <summary>
/// Finds the best way left of a need when given things have failed. Supplies are searched group by group, not item by
/// item: any member of a group is as good as another, so the first that still works stands for all.
/// </summary>
internal sealed class WaySearch(Pairings pairings, bool dualRecord)
{
    /// <summary>More than any way asks: a battery, two cards, and cells for every light and trigger of a part.</summary>
    internal const int MaxAsks = 32;

    private readonly Pick[] picks = new Pick[MaxAsks];
    private readonly Ask[] wants = new Ask[MaxAsks];
    private int depth, tries;
    private Pick[]? bestPicks;
    private double bestSeconds;
    private bool allowLesser;
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
            allowLesser = !fullOnly;
            bestSeconds = best?.Seconds ?? double.PositiveInfinity;
            bestPicks = null;
            if (rig.Cards is not { } cards) Try([]);
            else
            {
                // Two records first: where one card would be no quicker, show the way as it would really be shot.
                if (dualRecord)
                    for (var first = 0; first < cards.Slots.Length; first++)
                        for (var second = first + 1; second < cards.Slots.Length; second++)
                            Try(cards.Slots[first], cards.Slots[second]);
                if (!fullOnly || !dualRecord) Try(cards.OneCard);
            }
            if (bestPicks is null) continue;
            var sound = candidate.IsSound(bestPicks, dualRecord, pairings);
            best = Way.Of(rig, sound ? Quality.Full : Quality.SecondBest, bestSeconds, bestPicks);
        }
        return best;
    }

    private void Try(params ReadOnlySpan<OptionGroup[]> cards)
    {
        depth = 0;
        foreach (var ask in rig.Asks) wants[depth++] = ask;
        foreach (var card in cards) wants[depth++] = new Ask(Want.Card, card);
        // Of a group's members one or two must be tried: another want can take one of them. Where more wants compete, more.
        tries = rig.Competes ? depth : 2;
        Fill(0, rig.Seconds);
    }

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
            if (group.IsLesser && !allowLesser) continue;
            var total = seconds + group.ChangeSeconds + (group.InPlace || Fetches(group.Source, level) ? 0 : group.FetchSeconds);
            if (total >= bestSeconds) continue;
            var tried = 0;
            foreach (var item in group.Items)
            {
                if (failed[item] || Picked(item, level) || !Joins(item, level)) continue;
                picks[level] = new Pick(wants[level].Kind, item, group);
                Fill(level + 1, total);
                if (++tried == tries) break;
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

    /// <summary>Whether the owner knows nothing against a thing here; where only full ways count, not even that it is second best.</summary>
    private bool Joins(int item, int level) =>
        !pairings.IsPaired(item) || pairings.Joining(item, rig, picks.AsSpan(0, level)) is var together
            && (together == Quality.Full || (allowLesser && together != Quality.No));

    private bool Picked(int item, int level)
    {
        for (var i = 0; i < level; i++)
            if (picks[i].Item == item) return true;
        return false;
    }
}
