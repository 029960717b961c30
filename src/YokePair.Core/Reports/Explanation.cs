using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>Why a need stands as it does: every body and glass there is, weighed against it.</summary>
/// <param name="Report">What the report says of it.</param>
/// <param name="Asked">What it asks.</param>
/// <param name="Why">For a gap, what keeps it from being met; else null.</param>
/// <param name="Chain">The verdict as a short chain: the ways there were, what cut which of them, what is left and how good and quick it is, what would cut
/// it.</param>
/// <param name="Weighed">Each body with each chain, by the person quickest with it; best first.</param>
public sealed record NeedExplanation(NeedReport Report, Asked Asked, string? Why, IReadOnlyList<string> Chain, IReadOnlyList<Weighed> Weighed);

/// <summary>What a need asks, as the arithmetic takes it.</summary>
/// <param name="Ev">Light of the part, EV at ISO 100.</param>
/// <param name="FocalMm">Wanted equivalent range, mm.</param>
/// <param name="CloseWidthMm">Wanted width of a close-up, mm.</param>
/// <param name="ShutterSeconds">Longest shutter time, seconds.</param>
/// <param name="MinFNumber">Smallest f-number for depth, full frame; null where it is solved for each glass, or as wide as one likes.</param>
/// <param name="MinMegapixels">Fewest megapixels.</param>
/// <param name="Fps">Frames per second.</param>
/// <param name="ToleranceSeconds">How long it can wait; null = without limit.</param>
/// <param name="Computed">What the craft's words and the place would ask where nothing was typed over.</param>
/// <param name="AcceptMm">Equivalent range that still gives the picture, as second best, mm; null = none but the wanted.</param>
/// <param name="Bands">Where all of the range must be covered, each band of it with what becomes of it; else empty.</param>
public sealed record Asked(
    double Ev,
    Interval? FocalMm,
    double? CloseWidthMm,
    double ShutterSeconds,
    double? MinFNumber,
    double MinMegapixels,
    double Fps,
    double? ToleranceSeconds,
    Computed Computed,
    Interval? AcceptMm,
    IReadOnlyList<BandFound> Bands);

/// <summary>One band of a range that must be covered all along.</summary>
/// <param name="FocalMm">Equivalent range, mm.</param>
/// <param name="Outcome">What becomes of it by itself.</param>
public sealed record BandFound(Interval FocalMm, Outcome Outcome);

/// <summary>Figures that follow from framing, motion, depth, print, ceiling and moment; each null where nothing says so.</summary>
/// <param name="FocalMm">From distance and subject, mm.</param>
/// <param name="ShutterSeconds">From motion, seconds.</param>
/// <param name="FNumber">From the depth preset, full frame.</param>
/// <param name="Megapixels">From the print.</param>
/// <param name="FlashPathM">Off the ceiling, metres.</param>
/// <param name="FlashLossStops">Lost there, stops.</param>
/// <param name="ToleranceSeconds">From importance, the moment's length and its warning.</param>
/// <param name="AcceptMm">From the frames that would still be the picture, mm.</param>
public sealed record Computed(
    Interval? FocalMm,
    double? ShutterSeconds,
    double? FNumber,
    double? Megapixels,
    double? FlashPathM,
    double? FlashLossStops,
    double? ToleranceSeconds,
    Interval? AcceptMm);

/// <summary>One body with one chain of glass, weighed against a need.</summary>
/// <param name="Body">Body id.</param>
/// <param name="Glass">Ids of the glass, lens first.</param>
/// <param name="Flash">Flash id, where the way relies on one in the shoe.</param>
/// <param name="Aid">What helps it beyond its glass.</param>
/// <param name="With">Ids of what that is: flash, sender and lights, filter, lamp.</param>
/// <param name="Person">Who would use it; null when nobody can get at it.</param>
/// <param name="Outcome">What the need would be if this were all there was.</param>
/// <param name="Gone">Which of its things have been pulled.</param>
/// <param name="Seconds">Seconds to bring it into use; null when it cannot be.</param>
/// <param name="Steps">What to do.</param>
/// <param name="EquivalentMm">Equivalent range, mm.</param>
/// <param name="Fit">The figures of framing, close-up and light.</param>
/// <param name="IsoCeiling">The body's ceiling.</param>
/// <param name="SecondBestFor">What makes it second best.</param>
/// <param name="NoFor">What makes it no use.</param>
public sealed record Weighed(
    string Body,
    IReadOnlyList<string> Glass,
    string? Flash,
    Aid Aid,
    IReadOnlyList<string> With,
    string? Person,
    Outcome Outcome,
    IReadOnlyList<string> Gone,
    double? Seconds,
    IReadOnlyList<Step> Steps,
    Interval EquivalentMm,
    FitFigures Fit,
    double IsoCeiling,
    IReadOnlyList<Shortfalls> SecondBestFor,
    IReadOnlyList<Shortfalls> NoFor);

/// <summary>The figures of a <see cref="NeedFit"/> that a page or print shows.</summary>
/// <param name="Case">How the focal ranges lie to each other.</param>
/// <param name="Factor">Too short or too long by this factor.</param>
/// <param name="EquivalentUsedMm">Equivalent focal length used, mm.</param>
/// <param name="FrameMm">For a close-up, the narrowest frame, mm.</param>
/// <param name="MegapixelsLeft">Megapixels left.</param>
/// <param name="FNumber">f-number that counts.</param>
/// <param name="ShutterSeconds">Shutter time, seconds.</param>
/// <param name="Iso">ISO asked.</param>
/// <param name="StopsOver">Stops over the ceiling; negative = in hand.</param>
/// <param name="FlashPower">Share of full flash power, of the light that gives most.</param>
/// <param name="RecycleSeconds">Seconds between two pops.</param>
/// <param name="Pops">Pops per set of cells or charge, where full-power pops are known.</param>
/// <param name="SharpM">Nearest and farthest that look sharp at the distance one stands at, metres; the far end null without end.</param>
/// <param name="HyperfocalM">Hyperfocal distance, metres.</param>
/// <param name="DiffractionFNumber">f-number from which diffraction softens single pixels.</param>
/// <param name="NdStops">Stops of ND filter that would mend too much light; 0 for none.</param>
public sealed record FitFigures(
    FramingCase Case,
    double Factor,
    double EquivalentUsedMm,
    double? FrameMm,
    double MegapixelsLeft,
    double FNumber,
    double ShutterSeconds,
    double Iso,
    double StopsOver,
    double? FlashPower,
    double? RecycleSeconds,
    double? Pops,
    SharpAt? SharpM,
    double HyperfocalM,
    double DiffractionFNumber,
    double NdStops);

/// <summary>What looks sharp from a place to stand.</summary>
/// <param name="FocusM">Distance focused at, metres.</param>
/// <param name="NearM">Nearest, metres.</param>
/// <param name="FarM">Farthest, metres; null = without end.</param>
public sealed record SharpAt(double FocusM, double NearM, double? FarM);

/// <summary>Makes explanations.</summary>
public static class Explaining
{
    /// <summary>Explains a need.</summary>
    /// <returns>Null when the plan has no such part or need.</returns>
    public static NeedExplanation? Explain(this DayAnalysis day, string partId, string needId)
    {
        if (day.PartOf(partId) is not { } findings || findings.Needs.FirstOrDefault(n => n.Need.Id == needId) is not { } need) return null;
        var part = findings.Part;
        var rules = day.Plan.Rules;
        var asked = new Asked(part.Ev, need.Need.FocalMm(part), need.Need.CloseWidthMm, need.Need.ShutterSeconds, need.Need.MinFNumber ?? PresetOf(need.Need),
            need.Need.Megapixels(rules), need.Need.Fps, Finite(need.Ways.ToleranceSeconds), ComputedFor(rules, part, need.Need), need.Need.AcceptMm(part),
            need.Bands.Count == 1 ? [] : [.. need.Bands.Select(band => new BandFound(band.Need.Focal!.Value, day.BestOf(band, findings.Failed).Outcome))]);
        return new NeedExplanation(
            ReportBuilder.Describe(findings, need),
            asked,
            need.Outcome.IsMet() ? null : GapWords.Say(new Names(day.Plan), part, need.Need, GapCause.Of(day, findings, need)),
            ChainWords.Of(day, findings, need),
            [.. Weigh(day, findings, need).OrderBy(w => w.Gone.Count > 0).ThenBy(w => w.Outcome).ThenBy(w => w.NoFor.Count)
                .ThenBy(w => w.Seconds ?? double.MaxValue).ThenBy(w => w.Fit.StopsOver)]);
    }

    private static double? PresetOf(Need need) => need.DepthM is null && need.Depth is { } depth ? Phrases.FNumber(depth) : null;

    private static double? Finite(double seconds) => double.IsPositiveInfinity(seconds) ? null : seconds;

    private static Computed ComputedFor(Rules rules, Part part, Need need)
    {
        var bounced = (need with { FlashPathM = null }).FlashPath(part);
        var wait = Finite((need with { ToleranceSeconds = null }).ToleranceSeconds(rules));
        return new Computed(need.Framing?.EquivalentMm(part.StayBehindM), need.Motion is { } motion ? Phrases.ShutterSeconds(motion) : null, PresetOf(need),
            need.Deliverable?.Megapixels, bounced?.PathM, bounced?.LossStops, wait, (need with { Accept = null }).AcceptMm(part));
    }

    private static IEnumerable<Weighed> Weigh(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var kit = part.Ways.Kit;
        if (need.Need.Role is not null) yield break;
        var candidates = need.Ways.Candidates.ToLookup(c => (c.Rig.Fitted!.Index, Aid: c.Rig.AidOf(), c.Rig.Flash));
        foreach (var fitted in kit.Glass)
        {
            if (!candidates.Contains((fitted.Index, Aid.None, Kit.None)))
                yield return Weigh(day, part, need, fitted, NeedFit.Ambient(day.Plan.Rules, part.Part, need.Ways.Need, fitted.Glass), Aid.None, null, []);
            foreach (var group in candidates.Where(g => g.Key.Index == fitted.Index))
            {
                var rig = (day.BestOf(need.Ways.Only([.. group]), part.Failed).Way?.Rig ?? group.First().Rig.Whole);
                yield return Weigh(day, part, need, fitted, RigFit.Of(kit, part.Part, need.Ways.Need, rig), group.Key.Aid, rig, [.. group]);
            }
        }
    }

    private static Weighed Weigh(DayAnalysis day, PartFindings part, NeedFinding need, FittedGlass fitted, NeedFit fit, Aid aid, Rig? rig,
        Candidate[] candidates)
    {
        var kit = part.Ways.Kit;
        int[] items = rig?.Items ?? fitted.Items;
        var (outcome, way) = day.BestOf(need.Ways.Only(candidates), part.Failed);
        if (way is not null) fit = fit.With(BufferFit.Of(kit, part.Part, need.Ways.Need, way));
        return new Weighed(
            kit.Items[fitted.Body].Id,
            [.. fitted.Pieces.Select(p => kit.Items[p].Id)],
            rig is { Flash: not Kit.None } ? kit.Items[rig.Flash].Id : null,
            aid,
            [.. items.Except(rig?.Fitted?.Items ?? fitted.Items).Concat(way?.Picks.Where(p => p.Want == Want.Support).Select(p => p.Item) ?? [])
                .Select(i => kit.Items[i].Id)],
            way is null ? null : kit.Plan.People[way.Rig.Actor].Id,
            outcome,
            [.. items.Where(i => part.Failed[i]).Select(i => kit.Items[i].Id)],
            way?.Seconds,
            way is null ? [] : WayReports.Of(kit, part.Ways.Layout, way).Steps,
            fitted.Glass.EquivalentMm,
            FiguresOf(part.Part, need.Ways.Need, fitted.Glass, fit, rig is { Flash: not Kit.None } ? (Flash)kit.Items[rig.Flash] : null),
            fitted.Glass.Body.IsoCeiling,
            Each(fit.SecondBestFor),
            Each(fit.NoFor));
    }

    private static FitFigures FiguresOf(Part part, Need need, GlassOnBody glass, NeedFit fit, Flash? flash)
    {
        var realMm = fit.Framing.EquivalentUsedMm / glass.Crop;
        return new FitFigures(fit.Framing.Case, fit.Framing.Factor, fit.Framing.EquivalentUsedMm, fit.CloseUp?.FrameMm, fit.MegapixelsLeft,
            fit.FNumber, fit.ShutterSeconds, fit.Iso, fit.StopsOver, fit.FlashPower, fit.RecycleSeconds,
            flash?.FullPops is { } full && fit.FlashPower is { } power ? OnCameraFlash.Pops(full, power) : null,
            FocusM(part, need, fit) is { } focus ? Sharp(realMm, fit.FNumber, focus, glass.Crop) : null,
            DepthOfField.HyperfocalMm(realMm, fit.FNumber, glass.Crop) / 1000,
            DepthOfField.DiffractionFNumber(glass.SensorWidthMm, glass.UsableMegapixels),
            fit.NdStopsWanted);
    }

    private static SharpAt Sharp(double realMm, double fNumber, double focusM, double crop)
    {
        var range = DepthOfField.Sharp(realMm, fNumber, focusM, crop);
        return new SharpAt(focusM, range.NearM, Finite(range.FarM));
    }

    /// <summary>How far one stands with the focal length used: where it frames the subject, within the distances one may stand at.</summary>
    private static double? FocusM(Part part, Need need, NeedFit fit)
    {
        if (need.CloseWidthMm is not null) return null;
        if (need.DepthM is { } depth) return 2 * depth.Low * depth.High / (depth.Low + depth.High);
        if (need.Framing is not { } frame || frame.EquivalentMm(part.StayBehindM) is not { } range) return null;
        var from = frame.StandingM(part.StayBehindM);
        return Math.Clamp(from.Low * fit.Framing.EquivalentUsedMm / range.Low, from.Low, from.High);
    }

    private static Shortfalls[] Each(Shortfalls flags) => [.. Enum.GetValues<Shortfalls>().Where(f => f != Shortfalls.None && flags.HasFlag(f))];
}
