using YokePair.Core.Basics;

namespace YokePair.Core.Optics;

/// <summary>How glass meets a wanted close-up.</summary>
/// <param name="Quality">How well it serves, megapixels not yet counted.</param>
/// <param name="FrameMm">Narrowest width on the subject that fills the frame, mm.</param>
/// <param name="Factor">Frame ÷ wanted width where that is above 1, else 1: how much must be cropped.</param>
/// <param name="MagnificationUsed">Magnification at which the picture is taken.</param>
public readonly record struct CloseUpFit(Quality Quality, double FrameMm, double Factor, double MagnificationUsed);

/// <summary>Close-ups: magnification is the size of the image ÷ the size of the subject.</summary>
public static class CloseUp
{
    /// <summary>Largest magnification of a chain: a converter multiplies it, a tube adds <c>extension ÷ focal length</c>.</summary>
    /// <param name="lensMagnification">The lens's own.</param>
    /// <param name="converterFactor">1 without a converter.</param>
    /// <param name="tubeMm">0 without a tube.</param>
    /// <param name="focalMm">Real focal length used.</param>
    public static double LargestMagnification(double lensMagnification, double converterFactor, double tubeMm, double focalMm) =>
        lensMagnification * converterFactor + tubeMm / focalMm;

    /// <summary>Width on the subject that fills the frame: <c>sensor width ÷ magnification</c>.</summary>
    public static double FrameMm(double sensorWidthMm, double magnification) => sensorWidthMm / magnification;

    /// <summary>Widest frame a tube leaves, as the lens no longer focuses far: <c>sensor width · focal ÷ extension</c>.</summary>
    public static double WidestFrameWithTubeMm(double sensorWidthMm, double focalMm, double tubeMm) => sensorWidthMm * focalMm / tubeMm;

    /// <summary>Judges a chain against a wanted width.</summary>
    /// <param name="wantedMm">Width on the subject that must fill the frame.</param>
    /// <param name="sensorWidthMm">Width of the sensor as used.</param>
    /// <param name="largest">Largest magnification of the chain.</param>
    /// <param name="focalMm">Real focal length used.</param>
    /// <param name="tubeMm">0 without a tube.</param>
    public static CloseUpFit Fit(double wantedMm, double sensorWidthMm, double largest, double focalMm, double tubeMm)
    {
        var frame = FrameMm(sensorWidthMm, largest);
        var used = Math.Min(largest, sensorWidthMm / wantedMm);
        var factor = frame / wantedMm;
        if (tubeMm > 0 && !Slack.AtMost(wantedMm / WidestFrameWithTubeMm(sensorWidthMm, focalMm, tubeMm), 1))
            return new CloseUpFit(Quality.No, frame, Math.Max(1, factor), used);
        if (Slack.AtMost(factor, 1)) return new CloseUpFit(Quality.Full, frame, 1, used);
        return new CloseUpFit(Framing.Near(factor) ? Quality.Full : Quality.SecondBest, frame, factor, used);
    }

    /// <summary>
    /// The same where a wider frame would still do: as it is up to that width, cropped to it beyond; never full where the crop to
    /// the wanted width is not, too few megapixels included.
    /// </summary>
    /// <param name="plain">How it meets the wanted width.</param>
    /// <param name="widestMm">Widest frame that still does; null = none wider.</param>
    /// <param name="megapixels">Megapixels of the uncropped frame.</param>
    /// <param name="asked">Fewest the need allows.</param>
    public static CloseUpFit Accepting(CloseUpFit plain, double? widestMm, double megapixels, double asked)
    {
        if (widestMm is not { } widest || plain.Quality == Quality.No) return plain;
        if (plain.Quality == Quality.Full && Slack.AtLeast(megapixels / (plain.Factor * plain.Factor), asked)) return plain;
        var factor = plain.FrameMm / widest;
        return plain with { Quality = Quality.SecondBest, Factor = Slack.AtMost(factor, 1) ? 1 : factor };
    }
}
