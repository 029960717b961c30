using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Wording;

/// <summary>Says in one clause what keeps a need from being met.</summary>
internal static class GapReasons
{
    public static string Why(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var kit = part.Ways.Kit;
        if (WhyAway(day, part, need) is { } away) return away;
        if (need.Moment is not null && day.BestOf(need.Ways, part.Failed).Outcome.IsMet())
        {
            var others = part.Needs.Where(n => n != need && n.Need.Moment == need.Need.Moment).Select(n => n.Need.Label).ToList();
            return $"it happens together with {English.List(others)}, and there is no way for {(others.Count == 1 ? "both" : "all")} at once in different hands";
        }
        if (need.Need.Role is { } role)
            return need.Best is { } slow
                ? $"the quickest {role}, the {kit.Items[slow.Rig.Items[0]].Label}, takes {English.Seconds(slow.Seconds)} and it can wait {English.Seconds(need.Ways.ToleranceSeconds)}"
                : $"no {role} with all it needs can be had here";
        if (need.Best is { } late)
            return $"the quickest way, {Named(late.Rig.Fitted!)}, takes {English.Seconds(late.Seconds)} and it can wait {English.Seconds(need.Ways.ToleranceSeconds)}";
        if (!part.Ways.Layout.Actors.Any(a => need.Need.Who == Need.Anyone || kit.Plan.People[a].Id == need.Need.Who))
            return "nobody who may photograph it is there";
        if (need.Ways.Candidates.Any(c => !c.Rig.IsHit(part.Failed)))
            return "no charged battery and clear card are left for a camera that would do";

        var weighed = kit.Glass.Where(g => Works([g.Body, .. g.Pieces]))
            .Select(g => (Glass: g, Fit: NeedFit.Ambient(kit.Plan.Rules, part.Part, need.Need, g.Glass)))
            .ToList();
        if (weighed.Count == 0) return "no working camera with glass is packed";
        if (weighed.Any(w => w.Fit.Quality != Quality.No)) return "what would do cannot be reached in this part";
        var (glass, fit) = weighed.OrderBy(w => Count(w.Fit.NoFor)).ThenBy(w => w.Fit.StopsOver).First();
        return fit.NoFor switch
        {
            Shortfalls.Iso => $"nothing you pack is fast enough; {Named(glass)} comes nearest at ISO {English.Iso(fit.Iso)}, {English.Tenths(fit.StopsOver)} stops over what it delivers",
            Shortfalls.Noise => "no silent body would do",
            Shortfalls.FrameRate => $"no body is fast enough; the {glass.Glass.Body.Label} gives {English.Tenths(fit.Fps)} frames a second of {English.Tenths(need.Need.Fps)} asked",
            Shortfalls.TooLong => $"nothing is wide enough; {Named(glass)} comes nearest, {English.Tenths(fit.Framing.Factor)}× too long",
            Shortfalls.LightNotWanted => WhyUnlit(part.Part, need.Need),
            Shortfalls.Support => $"{Named(glass)} would do on a tripod or monopod, and none can be had",
            _ when fit.NoFor.HasFlag(Shortfalls.Megapixels) && fit.CloseUp is { Factor: > 1 } close =>
                $"nothing gets close enough; {Named(glass)} comes nearest with a frame {English.Tenths(close.FrameMm)} mm wide",
            _ when fit.NoFor.HasFlag(Shortfalls.Megapixels) =>
                $"nothing reaches; {Named(glass)} comes nearest and leaves {English.Tenths(fit.MegapixelsLeft)} megapixels of {English.Tenths(fit.MegapixelsAsked)} asked",
            _ => $"nothing you pack will do; {Named(glass)} comes nearest",
        };

        bool Works(int[] items) => Array.TrueForAll(items, i => kit.Twins.Works(i, part.Failed));
    }

    private static string WhyUnlit(Part part, Need need)
    {
        if (part.Flash == FlashRule.Banned) return "it asks for flash, and flash is banned here";
        if (part.Quiet == QuietRule.Required) return "it asks for flash, and it must be quiet here";
        return need.Light.Contains(LightKind.Stands) && !need.Light.Contains(LightKind.Flash)
            ? $"it asks for {English.Number(need.Stands?.Count ?? 1)} {(need.Stands?.Count > 1 ? "lights" : "light")} in the room, and no whole chain of sender, receiver, power and stand is strong enough"
            : "it asks for flash, and none can be used";
    }

    /// <summary>Whether the need would be met if what is away that day were here.</summary>
    private static string? WhyAway(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        if (!part.Away.Contains(true)) return null;
        var (outcome, way) = day.Left(need, [.. part.Failed.Zip(part.Away, (failed, away) => failed && !away)]);
        if (!outcome.IsMet() || way is null) return null;
        var missing = way.Items.Where(i => part.Away[i]).Select(i => $"the {part.Ways.Kit.Items[i].Label} is {part.Ways.Kit.WhyAway(i, Day.Of(part.Part)!.Value)}").ToList();
        return missing.Count == 0 ? null : English.List(missing);
    }

    internal static string Named(FittedGlass fitted) => $"the {fitted.Glass.Lens.Label} on the {fitted.Glass.Body.Label}";

    private static int Count(Shortfalls flags) => System.Numerics.BitOperations.PopCount((uint)flags);
}
