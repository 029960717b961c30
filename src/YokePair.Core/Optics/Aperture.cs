using YokePair.Core.Basics;

namespace YokePair.Core.Optics;

/// <summary>The widest f-number of a lens.</summary>
public static class Aperture
{
    /// <summary>
    /// Widest f-number at a focal length of a variable lens, interpolated geometrically over the logarithm of the focal
    /// length: <c>Nw·(Nt/Nw)^(ln(f/fw)/ln(ft/fw))</c>.
    /// </summary>
    /// <param name="range">Focal range, mm.</param>
    /// <param name="widest">f-numbers at its two ends.</param>
    /// <param name="focalMm">Focal length used, inside the range.</param>
    public static double WidestAt(Interval range, Interval widest, double focalMm)
    {
        if (range.Low >= range.High || widest.Low == widest.High) return widest.Low;
        var along = Math.Clamp(Math.Log(focalMm / range.Low) / Math.Log(range.High / range.Low), 0, 1);
        return widest.Low * Math.Pow(widest.High / widest.Low, along);
    }
}
