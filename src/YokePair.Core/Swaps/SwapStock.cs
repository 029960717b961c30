using System.Globalization;
using YokePair.Core.Feeding;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>The batteries, or the cards, that are not in a camera at work, and how they are best given out.</summary>
internal sealed class SwapStock
{
    // Half a second on a slow machine; ordinary days take a few hundred.
    private const int MostSteps = 15_000;

    private readonly Kit kit;
    private readonly CameraDay day;
    private readonly SwapState state;
    private readonly HashSet<int> working;
    private readonly int from;
    private readonly int[] free;
    private readonly double[] waits;

    public SwapStock(CameraDay day, SwapState state, HashSet<int> working, int from, int[] things)
    {
        (kit, this.day, this.state, this.working, this.from) = (day.Kit, day, state, working, from);
        waits = [.. day.Parts.Select(p => p.Needs.Select(n => n.ToleranceSeconds(kit.Plan.Rules)).DefaultIfEmpty(double.PositiveInfinity).Min())];
        HashSet<string> named = [.. kit.Plan.Parts.SelectMany(p => p.Setups).SelectMany(s => (s.Cards ?? []).Append(s.Battery)).OfType<string>()];
        free = [.. things.Where(i => IsFree(i) && !named.Contains(kit.Items[i].Id))];
    }

    /// <summary>The best plan for all slots together.</summary>
    /// <param name="slots">The slots.</param>
    /// <param name="beside">Slots of the same cameras that are planned already: swaps are made together with theirs where that costs nothing.</param>
    /// <param name="lacks">Whether the day lacks something whatever one does.</param>
    /// <returns>The plans, and whether they are certain to be the best.</returns>
    public (List<FedSlot> Fed, bool IsBest) Feed(IReadOnlyList<SlotWork> slots, IReadOnlyList<FedSlot>? beside = null, bool lacks = false)
    {
        var alike = Alike();
        if (Feed(slots, beside, alike, (offers, stock) => Search(slots, offers, stock, lacks)) is { } best) return (best, true);
        // Very many things that all differ are taken for alike by tenths of what they give; where that is too much still, any plan must do.
        var roughly = Lots(i => Math.Floor(10 * Size(i) * state.Left(i)).ToString(CultureInfo.InvariantCulture));
        return (Feed(slots, beside, roughly, (offers, stock) => Search(slots, offers, stock, lacks))
            ?? Feed(slots, beside, alike, (offers, stock) => Somehow(slots, offers, stock))!, false);
    }

    /// <summary>Some plan, at once: one that nothing is missing in shows that nothing need be missing.</summary>
    public List<FedSlot> FeedSomehow(IReadOnlyList<SlotWork> slots) => Feed(slots, null, Alike(), (offers, stock) => Somehow(slots, offers, stock))!;

    private List<List<int>> Alike() => Lots(i => $"{Size(i)} {state.Left(i)}");

    private List<List<int>> Lots(Func<int, string> size) => [.. free.GroupBy(i => (size(i), Likeness(i))).Select(g => g.ToList())];

    /// <summary>Of a battery the share of a new one's charge, of a card its size.</summary>
    private double Size(int item) => kit.Items[item] is Battery battery ? battery.Health ?? 1 : ((Card)kit.Items[item]).Gigabytes ?? double.PositiveInfinity;

    private List<FedSlot>? Feed(IReadOnlyList<SlotWork> slots, IReadOnlyList<FedSlot>? beside, List<List<int>> lots, Func<IReadOnlyList<List<Offer>>, int[],
        SwapChoice[]?> choose)
    {
        int[] stock = [.. lots.Select(l => l.Count)];
        if (choose([.. slots.Select(s => Offers(s, beside, lots))], stock) is not { } choices) return null;
        // Of things alike the first is used first.
        var given = new int[lots.Count];
        var putIn = slots.Select((_, n) => Enumerable.Repeat(Kit.None, choices[n].Swaps.Count).ToArray()).ToList();
        foreach (var (slot, at, swap) in choices.SelectMany((c, slot) => c.Swaps.Select((swap, at) => (slot, at, swap)))
            .OrderBy(x => slots[x.slot].Draws[x.swap.Draw].Part).ThenBy(x => x.swap.AfterFrames))
            if (swap.Class is { } lot) putIn[slot][at] = lots[lot][given[lot]++];
        return [.. slots.Select((s, n) => new FedSlot(s, choices[n], putIn[n], state))];
    }

    private static SwapChoice[] Somehow(IReadOnlyList<SlotWork> slots, IReadOnlyList<List<Offer>> offers, int[] stock) =>
        FeedGreedy.Feed([.. slots.Select(s => s.ToFeed())], offers, stock);

    private SwapChoice[]? Search(IReadOnlyList<SlotWork> slots, IReadOnlyList<List<Offer>> offers, int[] stock, bool lacks)
    {
        var steps = new StepCount(MostSteps);
        return FeedShares.Best(
            [.. slots.Select((s, n) => Search(s, offers[n], stock, steps, lacks))], [.. offers.Select(o => o.Select(x => x.Class).ToArray())], stock, steps);
    }

    private FeedSearch Search(SlotWork slot, List<Offer> offers, int[] stock, StepCount steps, bool lacks)
    {
        var reserve = slot.Slot == SlotWork.BatterySlot ? kit.Plan.Rules.Power.BatteryReserve : 0;
        return new FeedSearch(slot.ToFeed(), slot.FramesOf(kit, slot.Items), reserve, offers, stock, steps, lacks);
    }

    private List<Offer> Offers(SlotWork slot, IReadOnlyList<FedSlot>? beside, List<List<int>> lots)
    {
        var body = (Body)kit.Items[slot.Body];
        HashSet<int> swapped = [.. (beside ?? []).Where(f => f.Work.Body == slot.Body)
            .SelectMany(f => f.Choice.Swaps.Where(s => s.Class is not null && s.AfterFrames == 0).Select(s => f.Work.Draws[s.Draw].Part))];
        var offers = new List<Offer>();
        for (var lot = 0; lot < lots.Count; lot++)
        {
            var item = lots[lot][0];
            if (!Fits(body, slot.Slot, kit.Items[item]) || kit.Plan.PairOf(body.Id, kit.Items[item].Id) is var pair && pair == PairFit.No) continue;
            var nature = new SwapCost
            {
                Swaps = 1,
                Spares = IsSpare(item) ? 1 : 0,
                Doubtful = kit.Items[item].Doubtful || pair is not (null or PairFit.Full)
                ? 1 : 0
            };
            // Of things taken for alike the least is reckoned with.
            var full = lots[lot].Min(i => slot.FramesOf(kit, i));
            offers.Add(new Offer(lot, lots[lot].Min(i => slot.FramesOf(kit, i) * state.Left(i)), full,
                [.. slot.Work.Select(w => AtJoin(item, w, kit.Items[item] is Card && !swapped.Contains(w.Part)) + nature)],
                [.. slot.Work.Select(w => w.Alone ? null : InTime(Taking(item, w.Actor, w.Part, w.Part), w.Part, 0, day.ChangeSeconds(item, w.Actor))
                    + nature)]));
        }
        return offers;
    }

    private bool Fits(Body body, int slot, Item item) => item is Battery battery
        ? battery.Type == body.BatteryType
        : item is Card card && (kit.Plan.Rules.DualRecord ? card.Type == body.Slots[slot].Type : body.Slots.Any(s => s.Type == card.Type));

    /// <summary>What it costs to put a thing in before a part: as it begins, or as the part before ends.</summary>
    private SwapCost? AtJoin(int item, CameraWork work, bool apart)
    {
        SwapCost? best = Taking(item, work.Actor, work.Part, work.Part);
        if (work.Part > from && Taking(item, work.Actor, work.Part - 1, work.Part) is { } earlier
            && (best is null || earlier.Seconds < best.Value.Seconds)) best = earlier;
        var free = work.Part == 0 ? double.PositiveInfinity : work.Part == from ? 0 : FreeSeconds(work.Part);
        return InTime(best, work.Part, free, day.ChangeSeconds(item, work.Actor)) + new SwapCost { Apart = apart ? 1 : 0 };
    }

    /// <summary>Says whether a swap takes longer than the time that is free and what is asked of the part can wait.</summary>
    private SwapCost? InTime(SwapCost? swap, int part, double freeSeconds, double handling)
    {
        if (swap is not { } cost) return null;
        var time = freeSeconds + waits[part];
        return cost with { Walks = cost.Seconds - handling > time ? 1 : 0, Hurried = cost.Seconds > time ? 1 : 0 };
    }

    private SwapCost? Taking(int item, int actor, int at, int wanted)
    {
        var layout = day.Layouts[at];
        if (day.IsGone(item, wanted) || !layout.Actors.Contains(actor)) return null;
        var seconds = layout.Cost(actor, SourceOf(item, at)) + day.ChangeSeconds(item, actor);
        return double.IsPositiveInfinity(seconds) ? null : new SwapCost { Seconds = seconds };
    }

    /// <summary>Time before a part in which nothing is to be photographed; without clock times none.</summary>
    private double FreeSeconds(int part)
    {
        var (before, now) = (day.Parts[part - 1], day.Parts[part]);
        // A part in which nothing is asked is time as well.
        return now.Start is { } start && (before.Needs.Count == 0 ? before.Start : before.End) is { } since ? Math.Max(0, (start - since).TotalSeconds) : 0;
    }

    /// <summary>Whether a thing may be put into a camera at all: charged or clear, in no camera at work, and, of a card, empty.</summary>
    private bool IsFree(int item)
    {
        // What was charged on the way is in no camera.
        if (state.IsCharged(item)) return state.BodyOf(item) == Kit.None;
        if (kit.Items[item] is not (Battery { Charged: true } or Card { State: Card.Clear })) return false;
        // What is left in the battery of a camera that has failed is still good; its cards hold pictures.
        if (state.IsTouched(item)) return kit.Items[item] is Battery && state.BodyOf(item) is var last && last != Kit.None && !working.Contains(last)
            && state.Left(item) > 0;
        return !working.Contains(kit.RestsOn[item]) || (kit.Items[item] is Battery battery ? battery.Type != ((Body)kit.Items[kit.RestsOn[item]]).BatteryType
            : kit.SlotOf[item] < 0);
    }

    /// <summary>Whether taking it empties a camera, light or recorder that works.</summary>
    private bool IsSpare(int item) => state.Inside(item) is var on && on != Kit.None && kit.Items[on] is Body or StandLight or OtherThing
        && !day.IsGone(on, from);

    /// <summary>Where one goes for a thing in a part: of what was put into a camera that has failed, to that camera.</summary>
    private int SourceOf(int item, int part) => day.Layouts[part].SourceOf(state.HolderOf(item));

    /// <summary>What makes a thing as good as another besides its frames: type, where it is in every part, and what is known of it.</summary>
    private string Likeness(int item) => string.Join('|',
        (kit.Items[item] as Battery)?.Type ?? (kit.Items[item] as Card)?.Type, kit.Items[item].Doubtful, IsSpare(item),
        string.Join(',', Enumerable.Range(Math.Max(0, from - 1), day.Parts.Length - Math.Max(0, from - 1)).Select(p => SourceOf(item, p))),
        string.Join(',', Enumerable.Range(from, day.Parts.Length - from).Select(p => day.IsGone(item, p))),
        string.Join(',', kit.Bodies.Select(b => kit.Plan.PairOf(kit.Items[b].Id, kit.Items[item].Id))));
}
