using YokePair.Core.Glass;

namespace YokePair.Core.Light;

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
    public static bool Feasible(double fraction) => Tolerance.AtMost(fraction, 1);

    /// <summary>Seconds between pops: full recycle × power fraction.</summary>
    public static double RecycleSeconds(double fullRecycleSeconds, double fraction) => fullRecycleSeconds * fraction;
}
