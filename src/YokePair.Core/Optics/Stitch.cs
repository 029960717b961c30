namespace YokePair.Core.Optics;

/// <summary>Frames stitched to one picture, with the camera turned upright.</summary>
/// <param name="Across">Frames side by side.</param>
/// <param name="Down">Rows of them.</param>
/// <param name="Megapixels">Megapixels of the picture, as dense as the lens draws.</param>
public readonly record struct Stitch(int Across, int Down, double Megapixels)
{
    /// <summary>How much each frame shares with the next.</summary>
    private const double Overlap = 0.3;

    /// <summary>
    /// The frames that a lens needs for the picture of a shorter one: angles of view <c>2·atan(side / 2f)</c>, each frame after the first adding
    /// its angle less the overlap; megapixels grow by the square of the focal lengths.
    /// </summary>
    /// <param name="usedMm">Equivalent focal length there is, mm.</param>
    /// <param name="wantedMm">Equivalent focal length of the picture, mm, shorter.</param>
    /// <param name="megapixels">Megapixels of one frame.</param>
    public static Stitch Of(double usedMm, double wantedMm, double megapixels)
    {
        var (wide, high) = (Framing.FullFrameWidthMm, Framing.FullFrameHeightMm);
        return new(Frames(Angle(wide, wantedMm), Angle(high, usedMm)), Frames(Angle(high, wantedMm), Angle(wide, usedMm)),
            megapixels * (usedMm / wantedMm) * (usedMm / wantedMm));

        static double Angle(double sideMm, double focalMm) => 2 * Math.Atan(sideMm / 2 / focalMm);

        static int Frames(double whole, double one) => whole <= one ? 1 : 1 + (int)Math.Ceiling(((whole - one) / (one * (1 - Overlap))) - 1e-9);
    }
}
