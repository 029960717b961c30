namespace YokePair.Core.Feeding;

/// <summary>What one camera draws from one battery or card in one part.</summary>
/// <param name="Part">Number of the part in the order of the day.</param>
/// <param name="Frames">Frames; of a battery in the cold, as many as they cost it warm.</param>
/// <param name="Once">Whether the part holds something that happens once.</param>
/// <param name="Alone">Whether the camera is left alone, so that nobody swaps anything in it.</param>
/// <param name="Fresh">Share of a full one that it should be begun with; 0 = any.</param>
/// <param name="Pinned">Whether somebody wants a change just before it.</param>
/// <param name="Each">Frames that each picture costs: more than one in the cold.</param>
/// <param name="Clear">Whether it should be begun with a full one, though not with what a backup camera is loaded with.</param>
internal sealed record Draw(
    int Part, double Frames, bool Once, bool Alone, double Fresh = 0, bool Pinned = false, double Each = 1, bool Clear = false);

/// <summary>What is drawn from one slot.</summary>
/// <param name="Draws">In order.</param>
/// <param name="Level">What is in it gives so much.</param>
/// <param name="Keeps">Of two things in it, what the one that stays gives at most when the emptier is taken out; 0 = there is but one.</param>
internal sealed record FeedSlot(IReadOnlyList<Draw> Draws, double Level, double Keeps);

/// <summary>Things alike that could be put in.</summary>
/// <param name="Class">Number of the lot they belong to.</param>
/// <param name="Frames">Frames each gives this camera.</param>
/// <param name="Full">Frames each would give if it were full.</param>
/// <param name="AtJoin">By draw, what it costs to put one in before it; null = it cannot be had then.</param>
/// <param name="Inside">By draw, what it costs to put one in during it; null = it cannot be had then.</param>
internal sealed record Offer(int Class, double Frames, double Full, SwapCost?[] AtJoin, SwapCost?[] Inside);

/// <summary>One swap, before a draw or after some frames of it; or, with no lot, what is left of a draw goes without.</summary>
internal sealed record PlannedSwap(int Draw, double AfterFrames, int? Class, SwapCost Cost);

/// <summary>One plan for one slot of one camera.</summary>
/// <param name="Cost">What is wrong with it.</param>
/// <param name="Taken">By offer, how many it takes.</param>
/// <param name="Swaps">Its swaps in order.</param>
internal sealed record SwapChoice(SwapCost Cost, IReadOnlyList<int> Taken, IReadOnlyList<PlannedSwap> Swaps);

/// <summary>How many steps searches have made, and may make.</summary>
internal sealed class StepCount(int most)
{
    private int made;

    /// <summary>Whether they have made more than they may.</summary>
    public bool IsOver => made > most;

    public void Add() => made++;
}

/// <summary>
/// Every way of feeding one slot of one camera through the day, the best first: a search of least cost over how much
/// of the day is fed and which lots have been drawn from how often.
/// </summary>
internal sealed class FeedSearch
{
    private const double Slack = 1e-6;

    private readonly IReadOnlyList<Draw> draws;
    private readonly IReadOnlyList<Offer> offers;
    private readonly IReadOnlyList<int> stock;
    private readonly double reserve;
    private readonly double keeps;
    private readonly StepCount steps;
    private readonly bool lacks;
    private readonly double[] toCome;
    private readonly double largest;
    private readonly PriorityQueue<Stand, SwapCost> open = new();
    private readonly HashSet<(string, int, long, long)> seen = [];

    /// <param name="slot">What is drawn, and what is there at the start.</param>
    /// <param name="full">What it would give if full.</param>
    /// <param name="reserve">Share of a full one that must be left after a part that holds something which happens once.</param>
    /// <param name="offers">What could be put in.</param>
    /// <param name="stock">By lot, how many there are.</param>
    /// <param name="steps">Counts what the searches of a day do together.</param>
    /// <param name="lacks">Whether the day lacks something whatever one does.</param>
    public FeedSearch(
        FeedSlot slot, double full, double reserve, IReadOnlyList<Offer> offers, IReadOnlyList<int> stock, StepCount steps, bool lacks = false)
    {
        (draws, keeps, this.offers, this.stock, this.reserve, this.steps) = (slot.Draws, slot.Keeps, offers, stock, reserve, steps);
        this.lacks = lacks;
        toCome = new double[draws.Count + 1];
        for (var d = draws.Count - 1; d >= 0; d--) toCome[d] = toCome[d + 1] + draws[d].Frames;
        largest = offers.Select(o => o.Frames).Where(f => f > 0).DefaultIfEmpty(double.PositiveInfinity).Max();
        var start = new Stand(0, 0, default, new int[offers.Count], null, null, Math.Min(slot.Level, keeps));
        Push(start);
        Feed(start, slot.Level, full);
    }

    /// <summary>Plans from the best on.</summary>
    public IEnumerable<SwapChoice> Choices()
    {
        while (!steps.IsOver && open.TryDequeue(out var stand, out _))
        {
            if (!seen.Add((string.Join(',', stand.Taken), stand.Draw, (long)Math.Round(stand.Into * 1000), (long)Math.Round(stand.Rest * 1000)))) continue;
            if (stand.Draw == draws.Count)
            {
                yield return new SwapChoice(stand.Cost, stand.Taken, stand.Swaps());
                continue;
            }
            var asked = draws[stand.Draw];
            var cost = new SwapCost { Short = (asked.Frames - stand.Into) / asked.Each, Ahead = draws.Count - stand.Draw };
            if (stand.Into == 0) cost = cost with { Risks = asked.Once ? 1 : 0, Unpinned = asked.Pinned ? 1 : 0, Unclear = asked.Clear ? 1 : 0 };
            Push(new Stand(stand.Draw + 1, 0, stand.Cost + As(cost), stand.Taken, new PlannedSwap(stand.Draw, stand.Into, null, default), stand, 0));
            steps.Add();
            for (var o = 0; o < offers.Count; o++)
            {
                if (stand.Taken[o] == stock[offers[o].Class]) continue;
                if ((stand.Into > 0 ? offers[o].Inside : offers[o].AtJoin)[stand.Draw] is not { } taking) continue;
                var taken = (int[])stand.Taken.Clone();
                taken[o]++;
                var swap = new PlannedSwap(stand.Draw, stand.Into, offers[o].Class, taking);
                var late = stand.Into == 0 ? default : draws[stand.Draw].Once ? new SwapCost { Risks = 1 } : new SwapCost { Inside = 1 };
                // The second choice is not only taken less often but later.
                var early = new SwapCost { Early = (draws.Count - stand.Draw) * (1 + taking.Spares + taking.Doubtful) };
                Feed(new Stand(stand.Draw, stand.Into, stand.Cost + taking + As(late) + early, taken, swap, stand, 0),
                    stand.Rest + offers[o].Frames, keeps + offers[o].Full);
            }
        }
    }

    /// <summary>Every place up to which one filling may be used: each join it reaches, and where it runs out.</summary>
    private void Feed(Stand stand, double level, double full)
    {
        var (draw, into, cost) = (stand.Draw, stand.Into, stand.Cost);
        var changed = stand.Last?.Class is not null;
        var robbed = stand.Last is { Class: not null, Cost.Spares: > 0 };
        while (draw < draws.Count)
        {
            var rest = draws[draw].Frames - into;
            if (level + Slack < rest)
            {
                if (level > Slack) Push(stand with { Draw = draw, Into = into + level, Cost = cost + As(Begun(level, full)), Rest = 0 });
                return;
            }
            cost += As(Begun(level, full));
            level -= rest;
            (draw, into, changed, robbed) = (draw + 1, 0, false, false);
            Push(stand with { Draw = draw, Into = 0, Cost = cost, Rest = Math.Min(level, keeps) });
        }

        SwapCost Begun(double with, double of)
        {
            if (into > 0) return default;
            var asked = draws[draw];
            var begun = new SwapCost
            {
                Unpinned = asked.Pinned && !changed ? 1 : 0,
                Unclear = asked.Clear && (with + Slack < of || robbed) ? 1 : 0,
                Stale = with + Slack < asked.Fresh * of ? 1 : 0
            };
            return !asked.Once ? begun
                : with + Slack < asked.Frames ? begun with { Risks = 1 }
                : with + Slack < asked.Frames + reserve * of ? begun with { Reserve = 1 } : begun;
        }
    }

    private SwapCost As(SwapCost cost) => lacks ? cost.AsLived() : cost;

    // Looked at by what they come to at the least (A*): what is left to feed takes so many fillings of the largest, or goes without, which is worse.
    private void Push(Stand stand) =>
        open.Enqueue(stand, stand.Cost + new SwapCost { Swaps = (int)Math.Ceiling((toCome[stand.Draw] - stand.Into - stand.Rest - Slack) / largest) });

    /// <summary>So much of the day is fed, and what is in the slot is not used further, but for the rest that stays in it.</summary>
    private sealed record Stand(int Draw, double Into, SwapCost Cost, int[] Taken, PlannedSwap? Last, Stand? Before, double Rest)
    {
        public List<PlannedSwap> Swaps()
        {
            var swaps = new List<PlannedSwap>();
            for (var at = this; at is not null; at = at.Before)
                if (at.Last is { } swap) swaps.Add(swap);
            swaps.Reverse();
            return swaps;
        }
    }
}
