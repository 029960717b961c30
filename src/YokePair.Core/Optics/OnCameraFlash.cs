using YokePair.Core.Basics;

namespace YokePair.Core.Optics;

/// <summary>Flash on the camera, by its guide number (distance × f-number at ISO 100 and full power).</summary>
public static class OnCameraFlash
{
    /// <summary>Share of full power needed: <c>(N·d)²·2^L / (GN²·ISO/100)</c>; feasible up to 1.</summary>
    /// <param name="fNumber">f-number that counts.</param>
    /// <param name="pathM">Length of the light's path, metres (bounced: up and down).</param>
    /// <param name="bounceLossStops">Stops lost at the ceiling or wall.</param>
    /// <param name="guideNumber">Guide number at ISO 100, metres.</param>
    /// <param name="iso">ISO.</param>
    public static double PowerFraction(double fNumber, double pathM, double bounceLossStops, double guideNumber, double iso) =>
        Math.Pow(fNumber * pathM, 2) * Math.Pow(2, bounceLossStops) / (guideNumber * guideNumber * iso / 100);

    /// <summary>Whether a power fraction can be had.</summary>
    public static bool Feasible(double fraction) => Slack.AtMost(fraction, 1);

    /// <summary>Seconds between pops: full recycle × power fraction.</summary>
    public static double RecycleSeconds(double fullRecycleSeconds, double fraction) => fullRecycleSeconds * fraction;

    /// <summary>Pops per set of cells or charge: full-power pops ÷ power fraction.</summary>
    public static double Pops(double fullPops, double fraction) => fullPops / fraction;

    /// <summary>Distance to the subject that is taken where none is known, metres.</summary>
    public const double UsualDistanceM = 4;

    /// <summary>Lowest ISO of a body of which nobody has said it.</summary>
    public const double UsualBaseIso = 100;

    /// <summary>The least share of its full power that a flash gives, unless more is known of it.</summary>
    public const double LeastPower = 1.0 / 128;

    /// <summary>Height of a flash on a camera at the eye, metres.</summary>
    public const double FlashHeightM = 1.6;

    /// <summary>Path off a level ceiling, by mirroring the flash in it: <c>√(d² + (2·(ceiling − 1.6))²)</c>, metres.</summary>
    public static double BouncedPathM(double distanceM, double ceilingM) =>
        Math.Sqrt(distanceM * distanceM + 4 * Math.Pow(Math.Max(0, ceilingM - FlashHeightM), 2));

    /// <summary>Stops lost by what the flash is bounced off: white 2, pale 3, dark 4.</summary>
    public static double LossStops(BounceColour colour) => colour switch
    {
        BounceColour.White => 2,
        BounceColour.Pale => 3,
        _ => 4,
    };
}
