namespace YokePair.Core.Optics;

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

    /// <summary>
    /// f-number at which everything from nearest to farthest looks sharp, focused at <c>2·near·far/(near+far)</c>; the sharp
    /// range solved for N: <c>f²·s·(1/near − 1/far) / (2·(s − f)·coc)</c>.
    /// </summary>
    /// <param name="focalMm">Real focal length, mm.</param>
    /// <param name="nearM">Nearest that must be sharp, metres.</param>
    /// <param name="farM">Farthest that must be sharp, metres.</param>
    /// <param name="crop">Crop of the sensor.</param>
    public static double FNumberFor(double focalMm, double nearM, double farM, double crop)
    {
        var (near, far) = (nearM * 1000, farM * 1000);
        var s = 2 * near * far / (near + far);
        return focalMm * focalMm * s * (1 / near - 1 / far) / (2 * (s - focalMm) * FullFrameCircleMm / crop);
    }

    /// <summary>f-number from which diffraction softens single pixels: where the Airy disc, 2.44·λ·N for green light of 0.00055 mm, spans two and a half of
    /// them.</summary>
    /// <param name="sensorWidthMm">Width of the sensor as used, mm.</param>
    /// <param name="megapixels">Megapixels on it, 3:2.</param>
    public static double DiffractionFNumber(double sensorWidthMm, double megapixels) =>
        2.5 * sensorWidthMm / Math.Sqrt(megapixels * 1e6 * 1.5) / (2.44 * 0.00055);
}
