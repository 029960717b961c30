using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>What helps a camera in a way.</summary>
public enum Aid
{
    /// <summary>Nothing but its glass.</summary>
    None,

    /// <summary>A tripod or monopod.</summary>
    Support,

    /// <summary>An ND filter.</summary>
    Filter,

    /// <summary>A flash in its shoe.</summary>
    Flash,

    /// <summary>Flashes that stand in the room.</summary>
    Lights,

    /// <summary>A continuous light.</summary>
    Lamp,
}

/// <summary>The figures behind a rig.</summary>
internal static class RigFit
{
    /// <summary>What helps it most.</summary>
    public static Aid AidOf(this Rig rig) =>
        rig.Flash != Kit.None ? Aid.Flash
        : rig.Lights is { Flashes.Length: > 0 } ? Aid.Lights
        : rig.Lights is not null || rig.Sender != Kit.None ? Aid.Lamp
        : rig.Filters.Length > 0 ? Aid.Filter
        : rig.Supported || rig.Hands != rig.Actor ? Aid.Support
        : Aid.None;

    /// <summary>How it serves a need.</summary>
    public static NeedFit Of(Kit kit, Part part, Need need, Rig rig)
    {
        var rules = kit.Plan.Rules;
        var glass = rig.Fitted!.Glass;
        var steady = rig.Supported || rig.Hands != rig.Actor;
        return rig.AidOf() switch
        {
            Aid.Flash => NeedFit.WithFlash(rules, part, need, glass, (Flash)kit.Items[rig.Flash], steady),
            Aid.Lights => NeedFit.WithStands(rules, part, need, glass, rig.Lights!.Flashes, steady),
            Aid.Lamp => NeedFit.Ambient(rules, part, need, glass, new Aids(steady, 0, rig.Lights is { } placed
                ? PlacedLampEv(part, need, placed.LuxAtOneM)
                : LampEv(part, need, ((StandLight)kit.Items[rig.Sender]).LuxAtOneM ?? 0))),
            Aid.Filter => NeedFit.Ambient(rules, part, need, glass, new Aids(steady, rig.Filters.Max(f => ((Filter)kit.Items[f]).Stops ?? 0))),
            _ => NeedFit.Ambient(rules, part, need, glass, new Aids(steady)),
        };
    }

    /// <summary>How a way serves a need: its rig, with its cards.</summary>
    public static NeedFit Of(Kit kit, Part part, Need need, Way way) => Of(kit, part, need, way.Rig).With(BufferFit.Of(kit, part, need, way));

    /// <summary>Light with a lamp that stands in the room.</summary>
    public static double PlacedLampEv(Part part, Need need, double lux) =>
        ContinuousLight.Ev(part.Ev, lux, need.Stands?.DistanceM ?? OnCameraFlash.UsualDistanceM, need.Stands?.LossStops ?? 0);

    /// <summary>Light with a lamp in the shoe, as far away as one stands; a close-up is lit from where its flash would be.</summary>
    public static double LampEv(Part part, Need need, double lux) => ContinuousLight.Ev(
        part.Ev, lux, need.Framing?.StandingM(part.StayBehindM).High ?? (
            need.CloseWidthMm is null ? null : need.FlashPathM) ?? OnCameraFlash.UsualDistanceM, 0);
}
