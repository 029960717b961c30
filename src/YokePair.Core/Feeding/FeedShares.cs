namespace YokePair.Core.Feeding;

/// <summary>Gives out what several cameras want from the same lots.</summary>
internal static class FeedShares
{
    /// <summary>The plans, one a slot, that together cost least and take no more from a lot than there is.</summary>
    /// <param name="searches">By slot, its plans from the best on.</param>
    /// <param name="lotsOf">By slot, the lot behind each of its offers.</param>
    /// <param name="stock">By lot, how many there are.</param>
    /// <param name="steps">Counts what searches and sharing do together.</param>
    /// <returns>Null where that became too much.</returns>
    // Long: one search: its bound, its order and its undoing are read together.
    public static SwapChoice[]? Best(IReadOnlyList<FeedSearch> searches, IReadOnlyList<int[]> lotsOf, int[] stock, StepCount steps)
    {
        var plans = searches.Select(s => new Unrolled(s.Choices())).ToArray();
        // What the slots from one on cost at least.
        var atLeast = new SwapCost[plans.Length + 1];
        for (var s = plans.Length - 1; s >= 0; s--)
        {
            if (plans[s].At(0) is not { } first) return null;
            atLeast[s] = first.Cost + atLeast[s + 1];
        }
        var (left, chosen) = ((int[])stock.Clone(), new SwapChoice[plans.Length]);
        var reached = new Dictionary<(int, string), SwapCost>();
        SwapChoice[]? best = null;
        SwapCost bestCost = default;
        Choose(0, default);
        return steps.IsOver ? null : best;

        void Choose(int slot, SwapCost cost)
        {
            if (slot == plans.Length)
            {
                (best, bestCost) = ((SwapChoice[])chosen.Clone(), cost);
                return;
            }
            // With the same things left nothing that cost more so far can end better.
            var here = (slot, string.Join(',', left));
            if (reached.TryGetValue(here, out var earlier) && cost.CompareTo(earlier) >= 0) return;
            reached[here] = cost;
            for (var n = 0; !steps.IsOver && plans[slot].At(n) is { } choice; n++)
            {
                steps.Add();
                var now = cost + choice.Cost;
                if (best is not null && (now + atLeast[slot + 1]).CompareTo(bestCost) >= 0) return;
                if (!Take(slot, choice, 1)) continue;
                chosen[slot] = choice;
                Choose(slot + 1, now);
                Take(slot, choice, -1);
            }
        }

        bool Take(int slot, SwapChoice choice, int sign)
        {
            if (sign > 0)
                for (var o = 0; o < choice.Taken.Count; o++)
                    if (choice.Taken[o] > left[lotsOf[slot][o]]) return false;
            for (var o = 0; o < choice.Taken.Count; o++) left[lotsOf[slot][o]] -= sign * choice.Taken[o];
            return true;
        }
    }

    /// <summary>Remembers what a search has yielded.</summary>
    private sealed class Unrolled(IEnumerable<SwapChoice> from)
    {
        private readonly IEnumerator<SwapChoice> more = from.GetEnumerator();
        private readonly List<SwapChoice> seen = [];

        public SwapChoice? At(int n)
        {
            while (seen.Count <= n && more.MoveNext()) seen.Add(more.Current);
            return n < seen.Count ? seen[n] : null;
        }
    }
}
