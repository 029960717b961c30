using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>Plans the swaps of a day from one part on.</summary>
internal sealed class SwapPlanner(CameraDay day, IReadOnlyList<CameraWork> work, SwapState before, int from)
{
    private readonly Kit kit = day.Kit;
    private readonly HashSet<int> working = [.. work.Where(w => w.Part >= from).Select(w => w.Body)];

    /// <summary>The plan of every slot of every camera at work.</summary>
    /// <returns>The plans, and whether they are certain to be the best.</returns>
    public (List<FedSlot> Fed, bool IsBest) Solve()
    {
        var batteries = Batteries();
        var cards = new SwapStock(day, before, working, from, kit.Cards).Feed([.. Slots(cards: true)], batteries.Fed);
        return ([.. batteries.Fed, .. cards.Fed], batteries.IsBest && cards.IsBest);
    }

    /// <summary>The plan of the batteries alone.</summary>
    public (List<FedSlot> Fed, bool IsBest) Batteries() => BatteryStock().Feed(BatterySlots());

    private SwapStock BatteryStock() => new(day, before, working, from, kit.Batteries);

    private List<SlotWork> BatterySlots() => [.. Slots(cards: false)];

    /// <summary>
    /// The plan of the batteries as one lives it. Where some pictures find none in any case, nobody goes without in the morning to keep one
    /// for the evening: each is used up as it comes.
    /// </summary>
    /// <param name="atOnce">Whether any plan will do that nothing is missing in.</param>
    /// <returns>The plan, and whether it is certain that none is better.</returns>
    public (List<FedSlot> Fed, bool IsBest) BatteriesAsUsed(bool atOnce)
    {
        var (stock, slots) = (BatteryStock(), BatterySlots());
        var some = atOnce ? stock.FeedSomehow(slots) : null;
        if (some is not null && Lacking(some) == 0) return (some, false);
        var best = stock.Feed(slots);
        var lacks = Lacking(best.Fed);
        if (lacks == 0) return best;
        some ??= stock.FeedSomehow(slots);
        return Lacking(some) <= lacks + Slack ? (some, best.IsBest) : best;
    }

    private const double Slack = 1e-6;

    private static double Lacking(List<FedSlot> fed) =>
        fed.Sum(f => f.Choice.Swaps.Where(s => s.Class is null).Sum(s => (f.Work.Draws[s.Draw].Frames - s.AfterFrames) / f.Work.Draws[s.Draw].Each));

    private IEnumerable<SlotWork> Slots(bool cards)
    {
        foreach (var camera in work.Where(w => w.Part >= from).GroupBy(w => w.Body))
        {
            var body = (Body)kit.Items[camera.Key];
            // With one record the cards of a body follow one another, so that they count as one slot.
            int[] slots = !cards ? [SlotWork.BatterySlot] : kit.Plan.Rules.DualRecord ? [.. Enumerable.Range(0, body.Slots.Count)] : [.. Enumerable.Range(0, Math.Min(1, body.Slots.Count))];
            foreach (var slot in slots)
            {
                var drawn = new Dictionary<int, double>();
                var isLater = false;
                foreach (var run in Runs(camera, slot))
                {
                    // What a backup camera was loaded with may have been used up in another.
                    int[] items = [.. run[0].Loaded.Where(i => !day.IsGone(i, run[0].Work.Part) && (!before.IsTouched(i) || before.BodyOf(i) == camera.Key))];
                    var level = items.Sum(i => SlotWork.FramesOf(body, kit.Items[i]) * before.Left(i)) - items.Sum(i => drawn.GetValueOrDefault(i)) / Math.Max(1, items.Length);
                    if (!isLater && before.In(camera.Key, slot, run[0].Loaded) is { } now)
                        (items, level) = now.Items.Any(i => day.IsGone(i, run[0].Work.Part)) ? ([], 0) : now;
                    var fed = new SlotWork(camera.Key, slot, run[0].Loaded, items, Math.Max(0, level),
                        [.. run.Select((r, n) => DrawOf(r.Work, cards, isChanged: isLater && n == 0))], [.. run.Select(r => r.Work)], isLater);
                    foreach (var item in items) drawn[item] = drawn.GetValueOrDefault(item) + fed.Draws.Sum(d => d.Frames);
                    isLater = true;
                    yield return fed;
                }
            }
        }
    }

    /// <summary>Stretches of a camera's day in which the plan has the same things loaded.</summary>
    private IEnumerable<List<(CameraWork Work, int[] Loaded)>> Runs(IEnumerable<CameraWork> camera, int slot)
    {
        List<(CameraWork Work, int[] Loaded)> run = [];
        foreach (var part in camera.OrderBy(w => w.Part))
        {
            var loaded = Loaded(part.Body, slot, day.Layouts[part.Part]);
            if (run.Count > 0 && !run[0].Loaded.SequenceEqual(loaded))
            {
                yield return run;
                run = [];
            }
            run.Add((part, loaded));
        }
        yield return run;
    }

    private int[] Loaded(int body, int slot, PartLayout layout)
    {
        var of = (Body)kit.Items[body];
        if (slot == SlotWork.BatterySlot) return [.. kit.Batteries.Where(i => kit.Items[i] is Battery { Charged: true } b && b.Type == of.BatteryType && layout.BatteryIn(i, body) && day.IsEverThere(i))];
        return [.. kit.Cards.Where(i => kit.Items[i] is Card { CanRecord: true } && Enumerable.Range(0, of.Slots.Count).Any(s => (s == slot || !kit.Plan.Rules.DualRecord) && layout.CardIn(i, body, s)) && day.IsEverThere(i))];
    }

    private Draw DrawOf(CameraWork camera, bool card, bool isChanged)
    {
        var part = day.Parts[camera.Part];
        var once = part.Needs.Any(n => n.Importance == Importance.Once);
        if (card) return new Draw(camera.Part, camera.Frames, once, camera.Alone);
        var warm = Charge.InTheCold(part.TemperatureC);
        var drawn = (camera.Frames + camera.Besides) / warm;
        return new Draw(camera.Part, drawn, once, camera.Alone, once && kit.Plan.Rules.FreshBeforeOnce ? kit.Plan.Rules.Power.Fresh : 0,
            !isChanged && part.Changes?.Contains(kit.Items[camera.Body].Id) == true,
            camera.Frames > 0 ? drawn / camera.Frames : 1);
    }
}

/// <summary>One slot of one camera, and what is drawn from it while the plan has the same things loaded in it.</summary>
/// <param name="Body">Number of the body.</param>
/// <param name="Slot">Card slot from 0, or <see cref="BatterySlot"/>.</param>
/// <param name="Planned">What the plan has loaded.</param>
/// <param name="Items">What is in it at the start.</param>
/// <param name="Level">Frames that gives.</param>
/// <param name="Draws">What is drawn.</param>
/// <param name="Work">The work behind each draw.</param>
/// <param name="IsLater">Whether the plan itself has changed what is in it.</param>
internal sealed record SlotWork(int Body, int Slot, int[] Planned, int[] Items, double Level, IReadOnlyList<Draw> Draws, IReadOnlyList<CameraWork> Work, bool IsLater)
{
    /// <summary>Stands for the battery.</summary>
    public const int BatterySlot = -1;

    /// <summary>Frames that several things give a body when full.</summary>
    public static double FramesOf(Kit kit, int body, int[] items) => items.Sum(i => FramesOf((Body)kit.Items[body], kit.Items[i]));

    public static double FramesOf(Body body, Item item) => item is Battery battery ? Charge.Frames(body, battery) : Charge.Frames(body, (Card)item);
}
