using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>What a need asks in its part, as typed, else computed from the craft's words.</summary>
public static class Wanted
{
    /// <summary>Seconds: a moment no longer than this must be had from its start, and a longer one waits at least so long.</summary>
    private const double ShortMoment = 15;

    /// <summary>Seconds: what happens once waits no longer, however long it lasts.</summary>
    private const double LongestWait = 300;

    /// <summary>Equivalent focal lengths, mm: as typed, else from the framing and the line one must stay behind; null = any.</summary>
    public static Interval? FocalMm(this Need need, Part part) => need.Focal ?? need.Framing?.EquivalentMm(part.StayBehindM);

    /// <summary>
    /// Equivalent focal lengths that still give the picture, as second best, mm: as typed, else from the framing; null = none but the
    /// wanted.
    /// </summary>
    public static Interval? AcceptMm(this Need need, Part part) =>
        need.FocalMm(part) is { } wanted ? need.Accept ?? need.Framing?.AcceptMm(part.StayBehindM, wanted) : null;

    /// <summary>
    /// The needs one stands for: where all of the wanted range must be covered, one for each band of it, no wider than a glass that is
    /// near enough at both its ends; else itself.
    /// </summary>
    public static IReadOnlyList<Need> Bands(this Need need, Part part)
    {
        if (need.Covers != Covers.All || need.FocalMm(part) is not { } want) return [need];
        var count = (int)Math.Max(1, Math.Ceiling(Math.Log(want.High / want.Low) / Math.Log(Framing.NearEnough * Framing.NearEnough) - 1e-9));
        if (count == 1) return [need];
        var accept = need.AcceptMm(part);
        return [.. Enumerable.Range(0, count).Select(i => need with
        {
            Covers = null,
            Focal = new Interval(Join(i), Join(i + 1)),
            Accept = accept is { } still ? new Interval(Join(i) * still.Low / want.Low, Join(i + 1) * still.High / want.High) : null,
        })];

        double Join(int i) => i == count ? want.High : want.Low * Math.Pow(want.High / want.Low, (double)i / count);
    }

    /// <summary>Fewest megapixels: as typed, else from the print, else from the rules.</summary>
    public static double Megapixels(this Need need, Rules rules) => need.MinMegapixels ?? need.Deliverable?.Megapixels ?? rules.MinMegapixels;

    /// <summary>
    /// Smallest f-number for depth with a glass: as typed or by preset, stated for full frame and divided by the crop; or
    /// solved by the thin lens from nearest and farthest.
    /// </summary>
    /// <param name="need">The need.</param>
    /// <param name="realMm">Real focal length used, converter included.</param>
    /// <param name="crop">Crop in force.</param>
    public static double DepthFNumber(this Need need, double realMm, double crop)
    {
        if (need.MinFNumber is { } typed) return typed / crop;
        if (need.DepthM is { } range) return DepthOfField.FNumberFor(realMm, range.Low, range.High, crop);
        return (need.Depth is { } preset ? Phrases.FNumber(preset) ?? 0 : 0) / crop;
    }

    /// <summary>
    /// Path of an on-camera flash's light, metres, and the stops lost on it: as typed, else off the ceiling of the need or its part; null =
    /// flash cannot be reckoned.
    /// </summary>
    public static (double PathM, double LossStops)? FlashPath(this Need need, Part part)
    {
        if (need.FlashPathM is { } typed) return (typed, need.BounceLossStops);
        if ((need.Bounce ?? part.Ceiling) is not { } bounce) return null;
        var distance = need.Framing?.StandingM(part.StayBehindM).High ?? OnCameraFlash.UsualDistanceM;
        return (OnCameraFlash.BouncedPathM(distance, bounce.CeilingM), OnCameraFlash.LossStops(bounce.Colour));
    }

    /// <summary>
    /// Seconds a need can wait: as typed, else by importance and the length of its moment, longer by the warning one gets.
    /// What happens once and lasts can be begun within its first third. Infinite for a nice need without either.
    /// </summary>
    public static double ToleranceSeconds(this Need need, Rules rules)
    {
        if (need.ToleranceSeconds is { } typed) return typed;
        var wait = (need.Importance, need.MomentSeconds) switch
        {
            (Importance.Once, null) => rules.Tolerance.Once,
            (Importance.Once, { } brief and <= ShortMoment) => brief,
            (Importance.Once, { } lasting) => Math.Clamp(lasting / 3, ShortMoment, LongestWait),
            (Importance.Must, var lasting) => Math.Min(rules.Tolerance.Must, lasting ?? double.PositiveInfinity),
            (_, var lasting) => lasting ?? double.PositiveInfinity,
        };
        return wait + (need.WarningSeconds ?? 0);
    }
}
