using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Ways;

namespace YokePair.Core.Power;

/// <summary>A flash at work in one part.</summary>
/// <param name="Flash">Number of the flash.</param>
/// <param name="Part">Number of the part in the order of the day.</param>
/// <param name="Actor">Who works with it.</param>
/// <param name="Pops">Pops on a busy day.</param>
/// <param name="OfASet">Share of a full set of cells that they take.</param>
internal sealed record FlashWork(int Flash, int Part, int Actor, int Pops, double OfASet)
{
    /// <summary>
    /// Pops of a set of cells at a share of full power: whole ones, as frames are.
    /// </summary>
    public static int PopsOfASet(Flash flash, double power) =>
        (int)Math.Floor(OnCameraFlash.Pops(flash.FullPops ?? Charge.TypicalFullPops, Math.Clamp(power, Charge.LeastPower, 1)));

    /// <summary>
    /// The flashes with cells of their own that the needs of a day rely on: each pops at every frame of the camera that uses it, at the power
    /// its light asks, the strongest of a part.
    /// </summary>
    public static List<FlashWork> Of(DayAnalysis day, CameraDay cameras, List<CameraWork> work)
    {
        var kit = day.Kit;
        var frames = work.ToDictionary(w => (w.Body, w.Part), w => w.Frames);
        var all = new Dictionary<(int Flash, int Part), (int Actor, double Power, HashSet<int> Bodies)>();
        for (var p = 0; p < cameras.Parts.Length; p++)
            foreach (var need in day.PartOf(cameras.Parts[p].Id)!.Needs)
            {
                if (!need.Outcome.IsMet() || need.Best?.Rig is not { Fitted: { } fitted } rig) continue;
                if (PowerOf(kit, cameras.Parts[p], need, rig) is not { } power) continue;
                foreach (var flash in FlashesOf(kit, rig))
                {
                    var known = all.TryGetValue((flash, p), out var before) ? before : (rig.Actor, 0, []);
                    known.Bodies.Add(fitted.Body);
                    all[(flash, p)] = (known.Actor, Math.Max(known.Power, power), known.Bodies);
                }
            }
        return [.. all.Select(a => One(a.Key, a.Value)).Where(w => w.Pops > 0).OrderBy(w => w.Part).ThenBy(w => w.Flash)];

        FlashWork One((int Flash, int Part) at, (int Actor, double Power, HashSet<int> Bodies) how)
        {
            var pops = (int)Math.Ceiling(how.Bodies.Sum(b => frames.GetValueOrDefault((b, at.Part))));
            return new FlashWork(at.Flash, at.Part, how.Actor, pops, (double)pops / PopsOfASet((Flash)kit.Items[at.Flash], how.Power));
        }
    }

    private static IEnumerable<int> FlashesOf(Kit kit, Rig rig) =>
        (rig.Lights?.Items ?? []).Append(rig.Flash)
            .Where(i => i != Kit.None && kit.Items[i] is Flash { CellsType: not null, Power: null or FlashPower.OwnCells });

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
