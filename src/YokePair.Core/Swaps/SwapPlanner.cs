using YokePair.Core.Feeding;
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
        var cards = CardStock().Feed(CardSlots(), batteries.Fed);
        return ([.. batteries.Fed, .. cards.Fed], batteries.IsBest && cards.IsBest);
    }

    /// <summary>The plan of the batteries alone.</summary>
    public (List<FedSlot> Fed, bool IsBest) Batteries() => BatteryStock().Feed(BatterySlots());

    /// <summary>Some plan of the cards alone, at once: one that nothing is missing in shows that nothing need be missing.</summary>
    public List<FedSlot> CardsSomehow() => CardStock().FeedSomehow(CardSlots());

    private SwapStock CardStock() => new(day, before, working, from, kit.Cards);

    private List<SlotWork> CardSlots() => [.. Slots(cards: true)];

    private SwapStock BatteryStock() => new(day, before, working, from, kit.Batteries);

    private List<SlotWork> BatterySlots() => [.. Slots(cards: false)];

    /// <summary>
    /// The plan of the batteries as one lives it. Where some pictures find none in any case, nobody goes without in the morning to keep one
    /// for the evening, nor changes amid what happens once to save the rest of one for later: each is used as it comes.
    /// </summary>
    /// <param name="atOnce">Whether any plan will do that nothing is missing in.</param>
    /// <returns>The plan; where it lacks something, with what is charged at a socket on the way.</returns>
    public FedDay BatteriesAsUsed(bool atOnce)
    {
        var (fed, isBest) = WithoutCharging(atOnce);
        return new SocketCharging(day, work, before, from).Of(new FedDay(fed, isBest, []), atOnce);
    }

    private (List<FedSlot> Fed, bool IsBest) WithoutCharging(bool atOnce)
    {
        var (stock, slots) = (BatteryStock(), BatterySlots());
        if (atOnce && stock.FeedSomehow(slots) is var some && Lacking(some) == 0) return (some, false);
        var best = stock.Feed(slots);
        if (Lacking(best.Fed) == 0) return best;
        // What one type lacks is no reason to use up another.
        var lacking = best.Fed.Where(f => Lacking([f]) > 0).Select(TypeOf).ToHashSet(StringComparer.Ordinal);
        var (lived, isBest) = stock.Feed(slots, lacks: true);
        return ([.. best.Fed.Zip(lived, (b, l) => lacking.Contains(TypeOf(b)) ? l : b)], best.IsBest && isBest);

        string? TypeOf(FedSlot slot) => ((Body)kit.Items[slot.Work.Body]).BatteryType;
    }

    /// <summary>Of two plans as good, figures differ by less.</summary>
    public const double Slack = 1e-6;

    /// <summary>Pictures for which nothing is left.</summary>
    public static double Lacking(IReadOnlyList<FedSlot> fed) =>
        fed.Sum(f => f.Choice.Swaps.Where(s => s.Class is null).Sum(s => (f.Work.Draws[s.Draw].Frames - s.AfterFrames) / f.Work.Draws[s.Draw].Each));

    private IEnumerable<SlotWork> Slots(bool cards)
    {
        foreach (var camera in work.Where(w => w.Part >= from).GroupBy(w => w.Body))
        {
            var earlier = work.LastOrDefault(w => w.Body == camera.Key && w.Part < from);
            int[] slots = cards ? [.. Enumerable.Range(0, SlotWork.SlotsOf(kit, camera.Key))] : [SlotWork.BatterySlot];
            foreach (var slot in slots)
            {
                var drawn = new Dictionary<int, double>();
                var isLater = false;
                foreach (var run in Runs(camera, slot))
                {
                    // What a backup camera was loaded with may have been used up in another.
                    int[] items = [.. run[0].Loaded.Where(i => !day.IsGone(i, run[0].Work.Part) && (!before.IsTouched(i) || before.BodyOf(i) == camera.Key))];
                    var level = items.Sum(i => SlotWork.FramesOf(kit, camera.Key, slot, i) * before.Left(i)) - items.Sum(i =>
                        drawn.GetValueOrDefault(i)) / Math.Max(1, items.Length);
                    if (!isLater && before.In(camera.Key, slot, run[0].Loaded) is { } now)
                        (items, level) = now.Items.Any(i => day.IsGone(i, run[0].Work.Part)) ? ([], 0) : now;
                    var fed = new SlotWork(camera.Key, slot, run[0].Loaded, items, Math.Max(0, level),
                        [.. run.Select((r, n) => cards ? CardDraw(r.Work, slot, n > 0 ? run[n - 1].Work : isLater ? null : earlier)
                            : BatteryDraw(r.Work, isChanged: isLater && n == 0))], [.. run.Select(r => r.Work)], isLater,
                        cards || items.Length != 2 ? 0 : items.Min(i => SlotWork.FramesOf(kit, camera.Key, slot, i) * before.Left(i)));
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
        if (slot == SlotWork.BatterySlot) return [.. kit.Batteries.Where(i => kit.Items[i] is Battery { Charged: true } b && b.Type == of.BatteryType
            && layout.BatteryIn(i, body) && day.IsEverThere(i))];
        return [.. kit.Cards.Where(i => kit.Items[i] is Card { CanRecord: true } && Enumerable.Range(0, of.Slots.Count)
            .Any(s => (s == slot || !kit.Plan.Rules.DualRecord) && layout.CardIn(i, body, s)) && day.IsEverThere(i))];
    }

    /// <summary>A part that the rules ask a clear card for is begun with one, but where JPEGs go, as that card stays in all day.</summary>
    private Draw CardDraw(CameraWork camera, int slot, CameraWork? last)
    {
        var asksClear = last is not null && (kit.Plan.Rules.Cards.Policy == CardPolicy.PerPart
            || Enumerable.Range(last.Part + 1, camera.Part - last.Part).Any(p => day.Parts[p].ChangeCards == true));
        var part = day.Parts[camera.Part];
        var jpeg = kit.Plan.Rules.TakesJpeg(slot);
        var body = (Body)kit.Items[camera.Body];
        var drawn = camera.Frames + Charge.FramesOfVideo(body, part.UseOf(body.Id), jpeg);
        return new Draw(camera.Part, drawn, part.HoldsOnce, camera.Alone, Each: camera.Frames > 0 ? drawn / camera.Frames : 1,
            Clear: asksClear && !jpeg);
    }

    private Draw BatteryDraw(CameraWork camera, bool isChanged)
    {
        var part = day.Parts[camera.Part];
        var once = part.HoldsOnce;
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
/// <param name="Keeps">Of the two batteries in a grip, what the one that stays gives at most when the emptier is changed; 0 = there is but one.</param>
internal sealed record SlotWork(
    int Body, int Slot, int[] Planned, int[] Items, double Level, IReadOnlyList<Draw> Draws, IReadOnlyList<CameraWork> Work, bool IsLater, double Keeps)
{
    /// <summary>The same for a search that knows nothing of cameras.</summary>
    public FeedSlot ToFeed() => new(Draws, Level, Keeps);

    /// <summary>What is in it after a change: of two the emptier goes, which is used up first.</summary>
    public int[] After(int[] items, int putIn) => Keeps > 0 && items.Length == 2 ? [items[1], putIn] : [putIn];

    /// <summary>What a change takes out.</summary>
    public int[] Out(int[] items) => Keeps > 0 && items.Length == 2 ? [items[0]] : items;

    /// <summary>Stands for the battery.</summary>
    public const int BatterySlot = -1;

    /// <summary>Frames that several things give it when full.</summary>
    public double FramesOf(Kit kit, int[] items) => items.Sum(i => FramesOf(kit, i));

    /// <summary>Frames that a thing gives it when full.</summary>
    public double FramesOf(Kit kit, int item) => FramesOf(kit, Body, Slot, item);

    public static double FramesOf(Kit kit, int body, int slot, int item) =>
        kit.Items[item] is Battery battery ? Charge.Frames((Body)kit.Items[body], battery)
        : Charge.Frames((Body)kit.Items[body], (Card)kit.Items[item], kit.Plan.Rules.TakesJpeg(slot));

    /// <summary>Card slots of a body that are fed: with one record its cards follow one another, so that they count as one slot.</summary>
    public static int SlotsOf(Kit kit, int body) =>
        kit.Plan.Rules.DualRecord ? ((Body)kit.Items[body]).Slots.Count : Math.Min(1, ((Body)kit.Items[body]).Slots.Count);
}
