namespace YokePair.Core.Glass;

/// <summary>Nearest and farthest distance that look sharp.</summary>
/// <param name="NearM">Nearest, metres.</param>
/// <param name="FarM">Farthest, metres; infinite from the hyperfocal distance on.</param>
public readonly record struct SharpRange(double NearM, double FarM);

/// <summary>Thin-lens depth of field.</summary>
public static class DepthOfField
{
    /// <summary>Circle of confusion for full frame, mm; divided by the crop for smaller sensors.</summary>
    public const double FullFrameCircleMm = 0.030;

    /// <summary>Hyperfocal distance <c>f²/(N·coc) + f</c>, mm.</summary>
    public static double HyperfocalMm(double focalMm, double fNumber, double crop) =>
        focalMm * focalMm / (fNumber * FullFrameCircleMm / crop) + focalMm;

    /// <summary>Sharp range <c>s(H−f)/(H+s−2f)</c> to <c>s(H−f)/(H−s)</c>, without end from s ≥ H.</summary>
    /// <param name="focalMm">Real focal length, mm.</param>
    /// <param name="fNumber">f-number.</param>
    /// <param name="distanceM">Focus distance, metres, beyond the focal length.</param>
    /// <param name="crop">Crop of the sensor, 1 for full frame.</param>
    public static SharpRange Sharp(double focalMm, double fNumber, double distanceM, double crop)
    {
        var h = HyperfocalMm(focalMm, fNumber, crop);
        var s = distanceM * 1000;
        var near = s * (h - focalMm) / (h + s - 2 * focalMm);
        var far = s >= h ? double.PositiveInfinity : s * (h - focalMm) / (h - s);
        return new SharpRange(near / 1000, far / 1000);
    }
}
