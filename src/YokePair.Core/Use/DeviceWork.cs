using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Use;

/// <summary>Something other than a camera that draws from a charge of its own in one part.</summary>
/// <param name="Device">Number of the flash, pack, trigger, lamp or other thing.</param>
/// <param name="Part">Number of the part in the order of the day.</param>
/// <param name="Actor">Who works with it.</param>
/// <param name="Amount">Pops of a flash or pack, else minutes.</param>
/// <param name="OfAll">Share of one full set of cells, battery or charge that they take.</param>
internal sealed record DeviceWork(int Device, int Part, int Actor, double Amount, double OfAll)
{
    /// <summary>Pops of a set of cells at a share of full power: whole ones, as frames are.</summary>
    public static int PopsOf(double fullPops, double power) => (int)Math.Floor(OnCameraFlash.Pops(fullPops, Math.Clamp(power, Charge.LeastPower, 1)));

    /// <summary>
    /// Everything but the cameras: each flash pops at every frame of the camera that uses it, at the power its light asks, the strongest of a
    /// part; flashes on one pack draw from it together. What else the day relies on is switched on for the whole part, unless somebody
    /// typed how long.
    /// </summary>
    public static List<DeviceWork> Of(DayAnalysis day, CameraDay cameras, List<CameraWork> work)
    {
        var kit = day.Kit;
        var frames = work.ToDictionary(w => (w.Body, w.Part), w => w.Frames);
        var all = new List<DeviceWork>();
        if (kit.Plan.People.Count == 0) return all;
        for (var p = 0; p < cameras.Parts.Length; p++)
        {
            var flashes = new Dictionary<int, Popping>();
            var running = new SortedDictionary<int, int>();
            foreach (var need in day.PartOf(cameras.Parts[p].Id)!.Needs)
            {
                if (!need.Outcome.IsMet() || need.Best is not { } best) continue;
                foreach (var item in best.Items) running.TryAdd(item, best.Rig.Actor);
                if (best.Rig.Sender != Kit.None) running.TryAdd(best.Rig.Sender, best.Rig.Actor);
                if (best.Rig is { Fitted: { } fitted } rig && PowerOf(kit, cameras.Parts[p], need, rig) is { } power)
                    foreach (var flash in FlashesOf(kit, rig)) Note(flashes, flash, rig.Actor, power, fitted.Body);
            }
            NoteSetUp(cameras, p, running);
            all.AddRange(flashes.GroupBy(f => SourceOf(kit, cameras.Parts[p], f.Key))
                .Select(g => Popped(kit, g.Key, p, g.Select(f => f.Value), frames)).OfType<DeviceWork>());
            all.AddRange(running.Where(r => UsualRun.RunsOffCharge(kit.Items[r.Key]) && !cameras.IsGone(r.Key, p))
                .Select(r => Run(cameras, p, r.Key, r.Value)).OfType<DeviceWork>());
        }
        return [.. all.OrderBy(w => w.Part).ThenBy(w => w.Device)];
    }

    private sealed record Popping(int Actor, double Power, HashSet<int> Bodies);

    private static void Note(Dictionary<int, Popping> flashes, int flash, int actor, double power, int body)
    {
        var known = flashes.TryGetValue(flash, out var before) ? before : new Popping(actor, 0, []);
        known.Bodies.Add(body);
        flashes[flash] = known with { Power = Math.Max(known.Power, power) };
    }

    /// <summary>What is in a hand or on a stand is switched on, and so is what somebody says runs.</summary>
    private static void NoteSetUp(CameraDay cameras, int p, SortedDictionary<int, int> running)
    {
        var (kit, part, layout) = (cameras.Kit, cameras.Parts[p], cameras.Layouts[p]);
        foreach (var setup in part.Setups)
            foreach (var (_, id) in setup.Named()) running.TryAdd(kit.IndexOf(id), Math.Max(0, layout.PersonIndex(setup.Person)));
        foreach (var light in part.Lights ?? [])
            foreach (var (_, id) in light.Named(kit.Plan.HasPerson)) running.TryAdd(kit.IndexOf(id), 0);
        foreach (var use in part.Use ?? []) running.TryAdd(kit.IndexOf(use.Item), 0);
    }

    private static DeviceWork? Run(CameraDay cameras, int p, int item, int actor)
    {
        var part = cameras.Parts[p];
        var minutes = part.UseOf(cameras.Kit.Items[item].Id)?.Minutes ?? Clock.Length(cameras.Kit.Plan, part).TotalMinutes;
        return minutes <= 0 ? null : new DeviceWork(item, p, actor, minutes, minutes / UsualRun.MinutesOf(cameras.Kit.Items[item]));
    }

    private static DeviceWork? Popped(Kit kit, int source, int p, IEnumerable<Popping> flashes, Dictionary<(int Body, int Part), double> frames)
    {
        var (pops, share, actor) = (0, 0.0, 0);
        var full = kit.Items[source] is Flash { Power: null or FlashPower.OwnCells } flash ? flash.FullPops ?? Charge.TypicalFullPops
            : (kit.Items[source] as Pack)?.FullPops ?? (kit.Items[source] as Flash)?.FullPops ?? Charge.TypicalPackPops;
        foreach (var how in flashes)
        {
            var mine = (int)Math.Ceiling(how.Bodies.Sum(b => frames.GetValueOrDefault((b, p))));
            (pops, share, actor) = (pops + mine, share + ((double)mine / PopsOf(full, how.Power)), how.Actor);
        }
        return pops == 0 ? null : new DeviceWork(source, p, actor, pops, share);
    }

    /// <summary>What a flash draws from: its pack in that part, else itself.</summary>
    private static int SourceOf(Kit kit, Part part, int flash) =>
        kit.Items[flash] is Flash { Power: FlashPower.SharedPack } && part.Lights?.FirstOrDefault(l => l.Flash == kit.Items[flash].Id)?.Pack is { } pack
            ? kit.IndexOf(pack) : flash;

    private static IEnumerable<int> FlashesOf(Kit kit, Rig rig) =>
        (rig.Lights?.Items ?? []).Append(rig.Flash)
            .Where(i => i != Kit.None && kit.Items[i] is Flash { CellsType: not null } or Flash { Power: FlashPower.OwnPack or FlashPower.SharedPack });

    /// <summary>Share of full power, as the light bench finds it; null where no flash is used.</summary>
    private static double? PowerOf(Kit kit, Part part, NeedFinding need, Rig rig) => rig switch
    {
        { Flash: not Kit.None } =>
            NeedFit.WithFlash(kit.Plan.Rules, part, need.Ways.Need, rig.Fitted!.Glass, (Flash)kit.Items[rig.Flash], rig.Supported).FlashPower,
        { Lights.Flashes.Length: > 0 } when need.Need.Stands is not null =>
            NeedFit.WithStands(kit.Plan.Rules, part, need.Ways.Need, rig.Fitted!.Glass, rig.Lights.Flashes, rig.Supported).FlashPower,
        _ => null,
    };
}
