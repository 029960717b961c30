using YokePair.Core.Basics;
using YokePair.Core.Library;
using YokePair.Core.Optics;
using YokePair.Core.Plans;

namespace YokePair.Core.Ways;

/// <summary>What a need asks in its part, as typed, else computed from the craft's words.</summary>
public static class Wanted
{
    /// <summary>Equivalent focal lengths, mm: as typed, else from the framing and the line one must stay behind; null = any.</summary>
    public static Interval? FocalMm(this Need need, Part part) => need.Focal ?? need.Framing?.EquivalentMm(part.StayBehindM);

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

    /// <summary>Path of an on-camera flash's light, metres, and the stops lost on it: as typed, else off the ceiling; null = flash cannot be reckoned.</summary>
    public static (double PathM, double LossStops)? FlashPath(this Need need, Part part)
    {
        if (need.FlashPathM is { } typed) return (typed, need.BounceLossStops);
        if (need.Bounce is not { } bounce) return null;
        var distance = need.Framing?.StandingM(part.StayBehindM).High ?? OnCameraFlash.UsualDistanceM;
        return (OnCameraFlash.BouncedPathM(distance, bounce.CeilingM), OnCameraFlash.LossStops(bounce.Colour));
    }

    /// <summary>
    /// Seconds a need can wait: as typed, else by importance but no longer than the moment lasts, and in both cases longer
    /// by the warning one gets. Infinite for a nice need without its own.
    /// </summary>
    public static double ToleranceSeconds(this Need need, Rules rules)
    {
        if (need.ToleranceSeconds is { } typed) return typed;
        var byImportance = need.Importance switch
        {
            Importance.Once => rules.Tolerance.Once,
            Importance.Must => rules.Tolerance.Must,
            _ => double.PositiveInfinity,
        };
        return Math.Min(byImportance, need.MomentSeconds ?? double.PositiveInfinity) + (need.WarningSeconds ?? 0);
    }
}
