using YokePair.Core.Failure;
using YokePair.Core.Glass;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>Why a need stands as it does: every body and glass there is, weighed against it.</summary>
/// <param name="Report">What the report says of it.</param>
/// <param name="Asked">What it asks.</param>
/// <param name="Why">For a gap, what keeps it from being met; else null.</param>
/// <param name="Weighed">Each body with each chain, by the person quickest with it; best first.</param>
public sealed record NeedExplanation(NeedReport Report, Asked Asked, string? Why, IReadOnlyList<Weighed> Weighed);

/// <summary>What a need asks, as the arithmetic takes it.</summary>
/// <param name="Ev">Light of the part, EV at ISO 100.</param>
/// <param name="FocalMm">Wanted equivalent range, mm.</param>
/// <param name="CloseWidthMm">Wanted width of a close-up, mm.</param>
/// <param name="ShutterSeconds">Longest shutter time, seconds.</param>
/// <param name="MinFNumber">Smallest f-number for depth.</param>
/// <param name="MinMegapixels">Fewest megapixels.</param>
/// <param name="Fps">Frames per second.</param>
/// <param name="ToleranceSeconds">How long it can wait; null = without limit.</param>
public sealed record Asked(double Ev, Interval? FocalMm, double? CloseWidthMm, double ShutterSeconds, double? MinFNumber, double MinMegapixels, double Fps, double? ToleranceSeconds);

/// <summary>One body with one chain of glass, weighed against a need.</summary>
/// <param name="Body">Body id.</param>
/// <param name="Glass">Ids of the glass, lens first.</param>
/// <param name="Flash">Flash id, where the way relies on one.</param>
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
/// <param name="FlashPower">Share of full flash power.</param>
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
    double? FlashPower);

/// <summary>Makes explanations.</summary>
public static class Explaining
{
    /// <summary>Explains a need.</summary>
    /// <returns>Null when the plan has no such part or need.</returns>
    public static NeedExplanation? Explain(this DayAnalysis day, string partId, string needId)
    {
        var part = day.Plan.Parts.FirstOrDefault(p => p.Id == partId);
        if (part?.Needs.Any(n => n.Id == needId) != true) return null;
        var findings = day.Find(part);
        var need = findings.Needs.First(n => n.Need.Id == needId);
        var rules = day.Plan.Rules;
        var asked = new Asked(part.Ev, need.Need.FocalWanted, need.Need.CloseWidthMm, need.Need.ShutterSeconds, need.Need.MinFNumber,
            need.Need.MinMegapixels ?? rules.MinMegapixels, need.Need.Fps,
            double.IsPositiveInfinity(need.Ways.ToleranceSeconds) ? null : need.Ways.ToleranceSeconds);
        return new NeedExplanation(
            ReportBuilder.Describe(day.Kit, findings, need),
            asked,
            need.Outcome.IsMet() ? null : GapReasons.Why(day, findings, need),
            [.. Weigh(day, findings, need).OrderBy(w => w.Gone.Count > 0).ThenBy(w => w.Outcome).ThenBy(w => w.NoFor.Count).ThenBy(w => w.Seconds ?? double.MaxValue).ThenBy(w => w.Fit.StopsOver)]);
    }

    private static IEnumerable<Weighed> Weigh(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var kit = day.Kit;
        var lit = need.Ways.Candidates.Where(c => c.Rig.Flash != Kit.None).ToLookup(c => (c.Rig.Fitted.Index, c.Rig.Flash));
        var candidates = need.Ways.Candidates.Where(c => c.Rig.Flash == Kit.None).ToLookup(c => c.Rig.Fitted.Index);
        foreach (var fitted in kit.Glass)
        {
            yield return Weigh(day, part, need, fitted, Kit.None, candidates[fitted.Index]);
            foreach (var flash in kit.Flashes)
                if (lit.Contains((fitted.Index, flash))) yield return Weigh(day, part, need, fitted, flash, lit[(fitted.Index, flash)]);
        }
    }

    private static Weighed Weigh(DayAnalysis day, PartFindings part, NeedFinding need, FittedGlass fitted, int flash, IEnumerable<Candidate> candidates)
    {
        var kit = day.Kit;
        var rules = day.Plan.Rules;
        var fit = flash == Kit.None
            ? NeedFit.Ambient(rules, part.Part, need.Need, fitted.Glass)
            : NeedFit.WithFlash(rules, part.Part, need.Need, fitted.Glass, (Flash)kit.Items[flash]);
        int[] items = flash == Kit.None ? [fitted.Body, .. fitted.Pieces] : [fitted.Body, .. fitted.Pieces, flash];
        var (outcome, way) = day.BestOf(need.Ways.Only([.. candidates]), part.Failed);
        return new Weighed(
            kit.Items[fitted.Body].Id,
            [.. fitted.Pieces.Select(p => kit.Items[p].Id)],
            flash == Kit.None ? null : kit.Items[flash].Id,
            way is null ? null : kit.Plan.People[way.Rig.Actor].Id,
            outcome,
            [.. items.Where(i => part.Failed[i]).Select(i => kit.Items[i].Id)],
            way?.Seconds,
            way is null ? [] : WayReports.Of(kit, part.Ways.Layout, way).Steps,
            fitted.Glass.EquivalentMm,
            new FitFigures(fit.Framing.Case, fit.Framing.Factor, fit.Framing.EquivalentUsedMm, fit.CloseUp?.FrameMm, fit.MegapixelsLeft,
                fit.FNumber, fit.ShutterSeconds, fit.Iso, fit.StopsOver, fit.FlashPower),
            fitted.Glass.Body.IsoCeiling,
            Each(fit.SecondBestFor),
            Each(fit.NoFor));
    }

    private static Shortfalls[] Each(Shortfalls flags) => [.. Enum.GetValues<Shortfalls>().Where(f => f != Shortfalls.None && flags.HasFlag(f))];
}
