using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Ways;

namespace YokePair.Core.Power;

/// <summary>
/// Plans the batteries of a busy day. There are enough of a type where the day completes with the best of them dead from the start; that is
/// asked by planning it so.
/// </summary>
public static class PowerPlans
{
    /// <summary>Plans a day.</summary>
    /// <param name="day">The day, which says which cameras are at work; of what is pulled nothing is reckoned with, from its start on.</param>
    public static PowerPlan Of(DayAnalysis day)
    {
        var kit = day.Kit;
        var cameras = new CameraDay(day);
        var work = cameras.Work();
        var fed = new SwapPlanner(cameras, work, new SwapState(), 0).BatteriesAsUsed(atOnce: false);
        var dry = Dry(cameras, fed.Fed);
        var order = cameras.Parts.Select((p, n) => (p.Id, n)).ToDictionary(p => p.Id, p => p.n, StringComparer.Ordinal);
        var flashes = new FlashPlan(cameras, FlashWork.Of(day, cameras, work));
        return new PowerPlan(
            [.. Types(day, cameras, work, fed.Fed, dry, atOnce: false), .. flashes.Types],
            [.. dry.Select(d => (Part: order[d.Part], Short: d)).Concat(flashes.Dark).OrderBy(d => d.Part).ThenBy(d => d.Short.At).Select(d => d.Short)],
            [
                .. SwapPlans.Told(cameras, fed.Fed).Select(c => (Part: order[c.Part], Change: c)).Concat(flashes.Changes)
                    .OrderBy(c => c.Part).Select(c => c.Change),
            ],
            [.. Bands(cameras, fed.Fed), .. flashes.Bands],
            [.. work.Select(w => w.Body).Distinct().Where(b => kit.Items[b] is Body { FramesPerCharge: null }).Order().Select(b => kit.Items[b].Id)],
            fed.IsBest);
    }

    /// <summary>What the charge of a day does not reach, without planning more of it than that asks.</summary>
    public static PowerLack Lack(DayAnalysis day)
    {
        var cameras = new CameraDay(day);
        var work = cameras.Work();
        var fed = new SwapPlanner(cameras, work, new SwapState(), 0).BatteriesAsUsed(atOnce: true).Fed;
        var dry = Dry(cameras, fed);
        var flashes = new FlashPlan(cameras, FlashWork.Of(day, cameras, work));
        return new PowerLack(
            [.. dry, .. flashes.Dark.Select(d => d.Short)],
            [.. Types(day, cameras, work, fed, dry, atOnce: true).Concat(flashes.Types).Where(t => t.Short > 0)]);
    }

    private static List<PowerType> Types(
        DayAnalysis day, CameraDay cameras, List<CameraWork> work, List<FedSlot> fed, List<PowerShort> dry, bool atOnce)
    {
        var kit = day.Kit;
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
            var best = ready.MaxBy(i => ((Battery)kit.Items[i]).Health ?? 1);
            var less = new CameraDay(day, best);
            var without = new SwapPlanner(less, work, new SwapState(), 0).BatteriesAsUsed(atOnce).Fed;
            var dark = Dry(less, without).FindAll(d => d.Type == type);
            var wanted = dark.Count > 0 ? ready.Length + Missing(kit, dark, type) : Math.Max(Used(kit, fed, type), Used(kit, without, type) + 1);
            types.Add(new PowerType(type, all.Length, ready.Length, Used(kit, fed, type), wanted, kit.Items[best].Id,
                [.. dark.Where(d => !dry.Exists(b => b.Device == d.Device && b.Part == d.Part && b.Frames >= d.Frames))]));
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
            [.. g.SelectMany(f => f.Levels(cameras.Kit, new SwapState(), int.MaxValue)).Select(l => new PowerLevel(
                cameras.Parts[l.Part].Id, Math.Round(l.At, 4), Math.Round(l.Left, 4), l.Items is [var first, ..] ? cameras.Kit.Items[first].Id : null))],
            Charge.Reserve));
}
