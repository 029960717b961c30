namespace YokePair.Core.Feeding;

/// <summary>
/// Plans of which one can only say that they work, for days on which too many things differ to try every plan: part by part each
/// camera uses up what it has, and then takes what lasts longest of what can be had.
/// </summary>
internal static class FeedGreedy
{
    /// <param name="slots">What is drawn from each slot.</param>
    /// <param name="offers">By slot, what could be put in.</param>
    /// <param name="stock">By lot, how many there are.</param>
    public static SwapChoice[] Feed(IReadOnlyList<FeedSlot> slots, IReadOnlyList<List<Offer>> offers, int[] stock)
    {
        var left = (int[])stock.Clone();
        var levels = slots.Select(s => s.Level).ToArray();
        var swaps = slots.Select(_ => new List<PlannedSwap>()).ToArray();
        var taken = offers.Select(o => new int[o.Count]).ToArray();
        foreach (var (slot, draw) in slots.SelectMany((s, slot) => Enumerable.Range(0, s.Draws.Count).Select(draw => (slot, draw)))
            .OrderBy(x => slots[x.slot].Draws[x.draw].Part))
        {
            var asked = slots[slot].Draws[draw];
            var into = 0.0;
            // What happens once begins with enough for it, if anything has.
            if (levels[slot] < asked.Frames && (asked.Once || levels[slot] <= 0)) Take(o => o.AtJoin[draw], 0);
            while (levels[slot] < asked.Frames - into)
            {
                into += levels[slot];
                levels[slot] = 0;
                if (Take(o => o.Inside[draw], into)) continue;
                swaps[slot].Add(new PlannedSwap(draw, into, null, default));
                into = asked.Frames;
            }
            levels[slot] -= asked.Frames - into;

            bool Take(Func<Offer, SwapCost?> cost, double at)
            {
                var best = Enumerable.Range(0, offers[slot].Count)
                    .Where(o => left[offers[slot][o].Class] > 0 && cost(offers[slot][o]) is not null && offers[slot][o].Frames > levels[slot])
                    .OrderBy(o => cost(offers[slot][o])!.Value.Spares).ThenByDescending(o => offers[slot][o].Frames).Select(o => (int?)o).FirstOrDefault();
                if (best is not { } chosen) return false;
                var offer = offers[slot][chosen];
                left[offer.Class]--;
                taken[slot][chosen]++;
                levels[slot] = Math.Min(levels[slot], slots[slot].Keeps) + offer.Frames;
                swaps[slot].Add(new PlannedSwap(draw, at, offer.Class, cost(offer)!.Value));
                return true;
            }
        }
        return [.. slots.Select((_, n) => new SwapChoice(default, taken[n], swaps[n]))];
    }
}
