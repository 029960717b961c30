using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Power;

/// <summary>
/// Plans the batteries of a busy day. There are enough of a type where the day completes with the best of them dead from the start; that is
/// asked by planning it so.
/// </summary>
public static class PowerPlans
{
    /// <summary>Plans a day, or several with a night between, in which what is used is charged again.</summary>
    /// <param name="day">The day, which says which cameras are at work; of what is pulled nothing is reckoned with, from its start on.</param>
    /// <param name="level">How much is taken.</param>
    public static PowerPlan Of(DayAnalysis day, UseLevel level = UseLevel.High) => Together([.. ByDay(day, level)]);

    /// <summary>Each day of work for itself, from night to night.</summary>
    public static IEnumerable<PowerPlan> ByDay(DayAnalysis day, UseLevel level = UseLevel.High) =>
        Days(day, atOnce: false, level).Select(One);

    /// <summary>Each day of work, begun with what the one before left and the night gave.</summary>
    private static IEnumerable<WorkDay> Days(DayAnalysis day, bool atOnce, UseLevel level = UseLevel.High, HashSet<int>? dead = null)
    {
        WorkDay? last = null;
        foreach (var parts in Day.Stretches(day.Plan))
        {
            var (morning, night) = last is null ? (null, []) : Morning.After(last, parts.Min(p => p.Start), dead ?? []);
            var cameras = last is null && dead is null && level == UseLevel.High && parts.Count == day.Plan.Parts.Count ? CameraDay.Of(day)
                : new CameraDay(day, dead, level, parts, morning);
            var work = cameras.Work().FindAll(w => dead?.Contains(w.Body) != true);
            var running = DeviceWork.Of(day, cameras, work).FindAll(w => dead?.Contains(w.Device) != true);
            var fed = new SwapPlanner(cameras, work, new SwapState(cameras), 0).BatteriesAsUsed(atOnce);
            yield return last = new WorkDay(cameras, work, running, fed, new DevicePlan(cameras, running, Taken(fed.Fed)), night);
        }
    }

    /// <summary>Several days as one plan.</summary>
    public static PowerPlan Together(IReadOnlyList<PowerPlan> days) => days.Count == 1 ? days[0] : new PowerPlan(
        Merged(days.SelectMany(d => d.Types)),
        [.. days.SelectMany(d => d.Short)],
        [.. days.SelectMany(d => d.Changes)],
        [.. days.SelectMany(d => d.Bands).GroupBy(b => b.Device).Select(g => g.First() with { Levels = [.. g.SelectMany(b => b.Levels)] })],
        [.. days.SelectMany(d => d.Alone).GroupBy(a => a.Device).Select(g => g.MaxBy(a => a.Used)!)],
        [.. days.SelectMany(d => d.Figures).Distinct()],
        [.. days.SelectMany(d => d.Use)],
        days.All(d => d.IsBest),
        [.. days.SelectMany(d => d.OnTheWay)]);

    /// <summary>One of each type: of several days that which asks most counts, of several things that take one type all together.</summary>
    private static List<PowerType> Merged(IEnumerable<PowerType> types) =>
    [
        .. types.GroupBy(t => t.Type, StringComparer.Ordinal).Select(g => g.MaxBy(t => t.Wanted)! with { WithoutOne = [.. g.SelectMany(t => t.WithoutOne)] })
            .OrderByDescending(t => t.Short).ThenBy(t => t.Type, StringComparer.Ordinal),
    ];

    private static PowerPlan One(WorkDay one)
    {
        var (cameras, work, running, (fed, isBest, charged), devices, night) = one;
        var items = cameras.Kit.Items;
        var dry = Dry(cameras, fed);
        var order = cameras.Parts.Select((p, n) => (p.Id, n)).ToDictionary(p => p.Id, p => p.n, StringComparer.Ordinal);
        var types = WithDevices(Types(cameras, work, fed, dry, atOnce: false), devices);
        return new PowerPlan(
            types,
            [.. dry.Select(d => (Part: order[d.Part], Short: d)).Concat(devices.Dark).OrderBy(d => d.Part).ThenBy(d => d.Short.At).Select(d => d.Short)],
            [
                .. SwapPlans.Told(cameras, fed).Select(c => (Part: order[c.Part], Change: c)).Concat(devices.Changes)
                    .OrderBy(c => c.Part).Select(c => c.Change),
            ],
            [.. Bands(cameras, fed), .. devices.Bands],
            [.. devices.Alone],
            PowerFigures.Of(cameras, work, running),
            PowerFigures.UseOf(cameras, work),
            isBest,
            [.. charged.Select(c => new ChargedOnTheWay(cameras.Parts[c.Part].Id, items[c.Charger].Id, items[c.Battery].Id,
                Math.Round(c.From, 4), Math.Round(c.To, 4)))])
        { NightBefore = Morning.Seen(night, types, cameras.Kit.Plan) };
    }

    /// <summary>What the charge of a day does not reach, without planning more of it than that asks.</summary>
    public static PowerLack Lack(DayAnalysis day)
    {
        var days = Days(day, atOnce: true).Select(LackOf).ToList();
        return days is [var one] ? one : new PowerLack([.. days.SelectMany(d => d.Short)], Merged(days.SelectMany(d => d.WithoutOne)));
    }

    private static PowerLack LackOf(WorkDay day)
    {
        var (cameras, work, _, (fed, _, _), devices, _) = day;
        var dry = Dry(cameras, fed);
        return new PowerLack([.. dry, .. devices.Dark.Select(d => d.Short)],
            [.. WithDevices(Types(cameras, work, fed, dry, atOnce: true), devices).Where(t => t.Short > 0)]);
    }

    /// <summary>
    /// What goes dark without some things, and would not with them: cameras that are gone themselves, and what takes up their work, are
    /// for the needs to tell.
    /// </summary>
    /// <param name="day">The day.</param>
    /// <param name="gone">Ids of the things.</param>
    /// <param name="before">What goes dark with everything there.</param>
    public static IReadOnlyList<PowerShort> Without(DayAnalysis day, IEnumerable<string> gone, PowerLack before)
    {
        HashSet<int> dead = [.. gone.Select(day.Kit.IndexOf).Where(i => i != Kit.None)];
        return Beyond(Days(day, atOnce: true, dead: dead)
            .SelectMany(d => Dry(d.Cameras, d.Fed.Fed).Concat(d.Devices.Dark.Select(dark => dark.Short))), before);
    }

    /// <summary>What goes dark and did not before, or for longer.</summary>
    internal static IReadOnlyList<PowerShort> Beyond(IEnumerable<PowerShort> dark, PowerLack before) =>
        [.. dark.Where(d => !before.Short.Any(b => b.Device == d.Device && b.Part == d.Part && b.Frames >= d.Frames))];

    /// <summary>Batteries that the cameras use.</summary>
    private static HashSet<int> Taken(List<FedSlot> fed) => [.. fed.SelectMany(f => f.Work.Items.Concat(f.PutIn))];

    /// <summary>The types that cameras and other things take: what both take is drawn from one stock.</summary>
    private static List<PowerType> WithDevices(List<PowerType> cameras, DevicePlan devices)
    {
        var others = devices.Types.ToList();
        return
        [
            .. cameras.Select(c => others.Find(o => o.Type == c.Type) is { } too ? c with { Used = c.Used + too.Used, Wanted = c.Wanted + too.Wanted - 1 } : c),
            .. others.Where(o => !cameras.Exists(c => c.Type == o.Type)),
        ];
    }

    private static List<PowerType> Types(
        CameraDay cameras, List<CameraWork> work, List<FedSlot> fed, List<PowerShort> dry, bool atOnce)
    {
        var kit = cameras.Kit;
        var types = new List<PowerType>();
        foreach (var type in fed.Select(f => TypeOf(kit, f)).Distinct(StringComparer.Ordinal))
        {
            int[] all = [.. kit.Batteries.Where(i => kit.Items[i] is Battery b && b.Type == type)];
            int[] ready = [.. all.Where(i => kit.Items[i] is Battery { Charged: true } && cameras.IsEverThere(i))];
            if (ready.Length == 0)
            {
                types.Add(new PowerType(type, all.Length, 0, 0, Missing(kit, dry, type) + 1, null, []));
                continue;
            }
            var best = ready.MaxBy(i => (((Battery)kit.Items[i]).Health ?? 1) * cameras.ChargeOf(i));
            var less = cameras.Without(new HashSet<int> { best });
            var (without, _, charging) = new SwapPlanner(less, work, new SwapState(less), 0).BatteriesAsUsed(atOnce);
            var dark = Dry(less, without).FindAll(d => d.Type == type);
            // Where nothing goes dark with all of them, one more may die.
            var wanted = dark.Count == 0 ? Math.Max(Used(kit, fed, type), Used(kit, without, type) + 1)
                : ready.Length + (dry.Exists(d => d.Type == type) ? Missing(kit, dark, type) : 1);
            types.Add(new PowerType(type, all.Length, ready.Length, Used(kit, fed, type), wanted, kit.Items[best].Id,
                [.. dark.Where(d => !dry.Exists(b => b.Device == d.Device && b.Part == d.Part && b.Frames >= d.Frames))])
            {
                SocketsWithoutOne = [.. charging.Where(c => kit.Items[c.Battery].ChargeType() == type).Select(c => cameras.Parts[c.Part].Id).Distinct()],
            });
        }
        return [.. types.OrderByDescending(t => t.Short).ThenBy(t => t.Type, StringComparer.Ordinal)];
    }

    /// <summary>Different batteries of a type that are drawn from.</summary>
    private static int Used(Kit kit, List<FedSlot> fed, string type) =>
        fed.Where(f => TypeOf(kit, f) == type).SelectMany(f => f.Work.Items.Concat(f.PutIn.Where(i => i != Kit.None))).Distinct().Count();

    /// <summary>Batteries that would do for what finds none: each camera asks for its own.</summary>
    private static int Missing(Kit kit, List<PowerShort> dry, string type) =>
        dry.Where(d => d.Type == type).GroupBy(d => d.Device, StringComparer.Ordinal)
            .Sum(g => (int)Math.Ceiling(g.Sum(d => d.Frames) / Charge.FramesOf((Body)kit.Items[kit.IndexOf(g.Key)])));

    private static string TypeOf(Kit kit, FedSlot slot) => ((Body)kit.Items[slot.Work.Body]).BatteryType;

    private static List<PowerShort> Dry(CameraDay cameras, IEnumerable<FedSlot> fed)
    {
        var dry = new List<(int Part, PowerShort Short)>();
        foreach (var slot in fed)
            foreach (var swap in slot.Choice.Swaps.Where(s => s.Class is null))
            {
                var (draw, work) = (slot.Work.Draws[swap.Draw], slot.Work.Work[swap.Draw]);
                var part = cameras.Parts[draw.Part];
                var share = swap.AfterFrames / draw.Frames;
                var frames = (int)Math.Round(share * work.Frames);
                dry.Add((draw.Part, new PowerShort(cameras.Kit.Items[slot.Work.Body].Id, TypeOf(cameras.Kit, slot), part.Id, MinuteOf(part, share), frames,
                    (int)Math.Ceiling(work.Frames) - frames, [.. part.Needs.Where(n => n.Importance != Importance.Nice).Select(n => n.Id)])));
            }
        return [.. dry.OrderBy(d => d.Part).ThenBy(d => d.Short.At).Select(d => d.Short)];
    }

    /// <summary>The minute at which a share of a part is over; null without times.</summary>
    internal static DateTime? MinuteOf(Part part, double share) =>
        part is { Start: { } start, End: { } end } ? start.AddMinutes(Math.Floor((end - start).TotalMinutes * share)) : null;

    private static IEnumerable<PowerBand> Bands(CameraDay cameras, List<FedSlot> fed) =>
        fed.GroupBy(f => f.Work.Body).Select(g => new PowerBand(cameras.Kit.Items[g.Key].Id,
            [.. g.SelectMany(f => f.Levels(cameras.Kit)).Select(l => new PowerLevel(
                cameras.Parts[l.Part].Id, Math.Round(l.At, 4), Math.Round(l.Left, 4), l.Items is [var first, ..] ? cameras.Kit.Items[first].Id : null))],
            cameras.Kit.Plan.Rules.Power.BatteryReserve));
}
