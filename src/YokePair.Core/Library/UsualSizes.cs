using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>
/// How large things are that nobody has measured, by their kind and figures, in millimetres. Rough figures, to be marked as such wherever they
/// are told; none for what goes into a pouch or between other things.
/// </summary>
public static class UsualSizes
{
    /// <summary>Outer size as it is carried; null = too small to need room of its own.</summary>
    public static IReadOnlyList<double>? Of(Item item) => item switch
    {
        Body { Crop: > 1.1 } => [125, 90, 65],
        Body => [140, 105, 75],
        Lens lens => OfLens(lens),
        Flash => [145, 78, 62],
        Converter => [70, 70, 40],
        Adapter or Tube => [70, 70, 30],
        Trigger => [75, 55, 40],
        Pack => [180, 100, 60],
        PowerBank => [150, 75, 28],
        Drive => [110, 75, 15],
        Charger => [120, 75, 45],
        Support { IsLightStand: true } => [650, 100, 100],
        Support { IsMonopod: true } => [520, 75, 75],
        Support { CarriesCamera: false } => [160, 80, 60],
        Support => [600, 130, 130],
        StandLight { Watts: > 60 } => [250, 150, 120],
        StandLight => [160, 90, 45],
        Modifier => [650, 90, 90],
        _ => null,
    };

    /// <summary>
    /// As wide as its front lens (focal length / f-number) and its mount ask, as long as its focal length does; a zoom longer, a fast prime as
    /// well; with its hood turned round.
    /// </summary>
    private static double[] OfLens(Lens lens)
    {
        var (longest, open) = (lens.Focal.High, lens.Aperture.Low);
        var isZoom = lens.Focal.High > lens.Focal.Low;
        var width = Math.Max(isZoom && open <= 3 ? 86 : 72, (longest / open) + 16);
        var length = isZoom ? (open <= 3 ? 90 + (0.55 * longest) : 75 + (0.35 * longest)) : 40 + (0.6 * longest) + (open <= 1.5 ? 25 : 0);
        return [Math.Round(length), Math.Round(width), Math.Round(width)];
    }
}
