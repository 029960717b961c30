using YokePair.Core.Basics;

namespace YokePair.Core.Optics;

/// <summary>How well something serves a need.</summary>
public enum Quality
{
    /// <summary>As one would choose it.</summary>
    Full,

    /// <summary>It will do when the first choice is gone.</summary>
    SecondBest,

    /// <summary>It does not serve.</summary>
    No,
}

/// <summary>How a range of focal lengths lies to the wanted framing.</summary>
public enum FramingCase
{
    /// <summary>The ranges overlap.</summary>
    Overlaps,

    /// <summary>Longest end shorter than wanted: crop.</summary>
    TooShort,

    /// <summary>Shortest end longer than wanted: stitch, if the subject keeps still.</summary>
    TooLong,
}

/// <summary>How glass meets a wanted framing.</summary>
/// <param name="Case">How the ranges lie to each other.</param>
/// <param name="Quality">How well that serves.</param>
/// <param name="Factor">Too short or too long by this factor; 1 where the ranges overlap.</param>
/// <param name="EquivalentUsedMm">Full-frame equivalent focal length that would be used.</param>
/// <param name="Accepted">Whether the wider or tighter picture is taken as it is, neither cropped nor stitched.</param>
public readonly record struct FramingFit(FramingCase Case, Quality Quality, double Factor, double EquivalentUsedMm, bool Accepted = false)
{
    /// <summary>Factor by which the frame must be cropped afterwards; 1 for none.</summary>
    public double CropFactor => Case == FramingCase.TooShort && !Accepted ? Factor : 1;
}

/// <summary>Focal lengths against wanted framings, all as full-frame equivalents in mm.</summary>
public static class Framing
{
    /// <summary>A lens too short or too long by no more than this still counts as full.</summary>
    public const double NearEnough = 1.15;

    /// <summary>Full-frame sensor, mm.</summary>
    public const double FullFrameWidthMm = 36, FullFrameHeightMm = 24;

    /// <summary>
    /// Equivalent focal length that frames a height (and, if given, a width) at a distance, from similar triangles:
    /// <c>distance · 24 mm / height</c> and <c>distance · 36 mm / width</c>, the smaller of the two; upright the other way round.
    /// </summary>
    /// <param name="distanceM">Distance to the subject, metres, above 0.</param>
    /// <param name="heightM">Height that must be in the frame, metres; null = any.</param>
    /// <param name="widthM">Width that must be in the frame, metres; null = any.</param>
    /// <param name="upright">Camera turned upright.</param>
    /// <returns>Equivalent focal length in mm; infinite when neither height nor width is given.</returns>
    public static double EquivalentMm(double distanceM, double? heightM, double? widthM, bool upright)
    {
        var (across, up) = upright ? (FullFrameHeightMm, FullFrameWidthMm) : (FullFrameWidthMm, FullFrameHeightMm);
        var byHeight = heightM is { } h ? distanceM * up / h : double.PositiveInfinity;
        var byWidth = widthM is { } w ? distanceM * across / w : double.PositiveInfinity;
        return Math.Min(byHeight, byWidth);
    }

    /// <summary>Judges glass against a wanted framing. Where both reach, the shortest focal length that serves is used.</summary>
    /// <param name="glass">Equivalent range of the glass on its body.</param>
    /// <param name="wanted">Wanted equivalent range; null = any framing will do.</param>
    /// <param name="isStatic">Whether frames can be stitched.</param>
    /// <param name="stitchLimit">How many times too long glass may be for a stitched frame.</param>
    public static FramingFit Fit(Interval glass, Interval? wanted, bool isStatic, double stitchLimit)
    {
        if (wanted is not { } want) return new FramingFit(FramingCase.Overlaps, Quality.Full, 1, glass.Low);
        if (glass.High < want.Low)
        {
            var factor = want.Low / glass.High;
            return new FramingFit(FramingCase.TooShort, Near(factor) ? Quality.Full : Quality.SecondBest, factor, glass.High);
        }
        if (glass.Low > want.High)
        {
            var factor = glass.Low / want.High;
            var quality = Near(factor) ? Quality.Full
                : isStatic && Slack.AtMost(factor, stitchLimit) ? Quality.SecondBest
                : Quality.No;
            return new FramingFit(FramingCase.TooLong, quality, factor, glass.Low);
        }
        return new FramingFit(FramingCase.Overlaps, Quality.Full, 1, Math.Max(want.Low, glass.Low));
    }

    /// <summary>
    /// The same where a wider or tighter picture would still do: glass that overlaps it is second best without crop wherever it
    /// is less than full, too few megapixels after the crop included.
    /// </summary>
    /// <param name="plain">How it meets the wanted framing.</param>
    /// <param name="glass">Equivalent range of the glass on its body.</param>
    /// <param name="accept">Equivalent range that still gives the picture; null = none.</param>
    /// <param name="megapixels">Megapixels of the uncropped frame.</param>
    /// <param name="asked">Fewest the need allows.</param>
    public static FramingFit Accepting(FramingFit plain, Interval glass, Interval? accept, double megapixels, double asked)
    {
        if (accept is not { } still || plain.Case == FramingCase.Overlaps) return plain;
        if (plain.Quality == Quality.Full && Slack.AtLeast(megapixels / (plain.CropFactor * plain.CropFactor), asked)) return plain;
        var overlaps = Slack.AtLeast(glass.High, still.Low) && Slack.AtMost(glass.Low, still.High);
        return overlaps ? plain with { Quality = Quality.SecondBest, Accepted = true } : plain;
    }

    internal static bool Near(double factor) => Slack.AtMost(factor, NearEnough);
}
