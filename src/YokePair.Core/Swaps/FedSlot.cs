using YokePair.Core.Feeding;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>A slot with its plan.</summary>
/// <param name="Work">The slot.</param>
/// <param name="Choice">The plan.</param>
/// <param name="PutIn">By swap of the plan, what is put in; <see cref="Kit.None"/> where it goes without.</param>
/// <param name="Before">What was left of everything when it was planned.</param>
internal sealed record FedSlot(SlotWork Work, SwapChoice Choice, IReadOnlyList<int> PutIn, SwapState Before)
{
    /// <summary>The plan up to a part; null where it begins later.</summary>
    public FedSlot? Until(int part)
    {
        var draws = Work.Draws.Count(d => d.Part < part);
        if (draws == 0) return null;
        List<PlannedSwap> swaps = [.. Choice.Swaps.Where(s => s.Draw < draws)];
        return this with
        {
            Work = Work with { Draws = [.. Work.Draws.Take(draws)], Work = [.. Work.Work.Take(draws)] },
            Choice = Choice with { Swaps = swaps },
            PutIn = [.. PutIn.Take(swaps.Count)],
        };
    }

    /// <summary>What is left in the slot through the day: at both ends of each part it works in, and on both sides of each change.</summary>
    /// <param name="kit">The things.</param>
    public IEnumerable<SlotLevel> Levels(Kit kit)
    {
        var made = Follow(kit).Swaps;
        var (items, level) = (Work.Items, Work.Level);
        var next = 0;
        for (var d = 0; d < Work.Draws.Count; d++)
        {
            var (frames, done) = (Work.Draws[d].Frames, 0.0);
            for (; next < made.Count && made[next].Swap.Draw == d; next++)
            {
                var at = made[next].Swap.AfterFrames;
                if (at > 0) yield return At(d, done, level);
                (level, done) = (Math.Max(0, level - (at - done)), at);
                if (at > 0) yield return At(d, done, level);
                var stays = Math.Min(level, Work.Keeps);
                items = made[next].In == Kit.None ? [] : Work.After(items, made[next].In);
                level = items.Length == 0 ? 0 : stays + (Full([items[^1]]) * Before.Left(items[^1]));
            }
            yield return At(d, done, level);
            level = Math.Max(0, level - (frames - done));
            yield return At(d, frames, level);
        }

        SlotLevel At(int draw, double frames, double left) =>
            new(Work.Draws[draw].Part, frames / Work.Draws[draw].Frames, items,
                items.Length == 0 || Full(items) is not (> 0 and var full) ? 0 : Math.Clamp(left / full, 0, 1));

        double Full(int[] things) => Work.FramesOf(kit, things);
    }

    /// <summary>Follows the plan up to a part.</summary>
    /// <param name="kit">The things.</param>
    /// <param name="until">Number of the part before which to stop.</param>
    /// <returns>Every swap with what it takes out and what is left in that, and what is in the slot at the end.</returns>
    public (List<MadeSwap> Swaps, int[] Items, double Level) Follow(Kit kit, int until = int.MaxValue)
    {
        var made = new List<MadeSwap>();
        var (items, level) = (Work.Items, Work.Level);
        var next = 0;
        for (var d = 0; d < Work.Draws.Count && Work.Draws[d].Part < until; d++)
        {
            var done = 0.0;
            for (; next < PutIn.Count && Choice.Swaps[next].Draw == d; next++)
            {
                level -= Choice.Swaps[next].AfterFrames - done;
                done = Choice.Swaps[next].AfterFrames;
                var stays = Math.Min(Math.Max(0, level), Work.Keeps);
                made.Add(new MadeSwap(Choice.Swaps[next], PutIn[next], Work.Out(items), Math.Max(0, level) - stays));
                if (PutIn[next] == Kit.None)
                {
                    done = Work.Draws[d].Frames;
                    continue;
                }
                items = Work.After(items, PutIn[next]);
                level = stays + (Work.FramesOf(kit, PutIn[next]) * Before.Left(PutIn[next]));
            }
            level -= Work.Draws[d].Frames - done;
        }
        return (made, items, Math.Max(0, level));
    }
}

/// <summary>A swap as it comes to be made.</summary>
/// <param name="Swap">When.</param>
/// <param name="In">What is put in, or <see cref="Kit.None"/>.</param>
/// <param name="Out">What was in the slot.</param>
/// <param name="Left">Frames left in that.</param>
internal sealed record MadeSwap(PlannedSwap Swap, int In, int[] Out, double Left);

/// <summary>What is left in a slot at a moment.</summary>
/// <param name="Part">Number of the part.</param>
/// <param name="At">Share of what is drawn in that part that has been by then.</param>
/// <param name="Items">What is in it.</param>
/// <param name="Left">Share of a full one that is left.</param>
internal sealed record SlotLevel(int Part, double At, int[] Items, double Left);
