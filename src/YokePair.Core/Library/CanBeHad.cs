using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Library;

/// <summary>What one can hope to borrow, rent or buy for a day: usual figures, of no make. Nothing else is ever proposed.</summary>
public static class CanBeHad
{
    private static readonly (double Low, double High, double Wide, double Tele, double Magnification)[] Glass =
    [
        (14, 24, 2.8, 2.8, 0.12), (16, 35, 2.8, 2.8, 0.22), (24, 70, 2.8, 2.8, 0.21), (24, 105, 4, 4, 0.25), (70, 200, 2.8, 2.8, 0.21),
        (100, 400, 4.5, 5.6, 0.35), (200, 600, 5.6, 6.3, 0.2),
        (20, 20, 1.8, 1.8, 0.2), (24, 24, 1.4, 1.4, 0.17), (35, 35, 1.4, 1.4, 0.2), (50, 50, 1.4, 1.4, 0.15), (85, 85, 1.4, 1.4, 0.12), (
            135, 135, 1.8, 1.8, 0.2),
        (60, 60, 2.8, 2.8, 1), (100, 100, 2.8, 2.8, 1),
        (300, 300, 2.8, 2.8, 0.16), (400, 400, 2.8, 2.8, 0.17), (600, 600, 4, 4, 0.15),
    ];

    /// <summary>Highest ISO that bodies to be had deliver.</summary>
    private static readonly double[] IsoCeilings = [6400, 12_800, 25_600];

    /// <summary>Lenses of a mount.</summary>
    public static IEnumerable<Lens> Lenses(string mount) => Glass.Select(g => new Lens
    {
        Id = "lens",
        Mount = mount,
        Focal = new Interval(g.Low, g.High),
        Aperture = new Interval(g.Wide, g.Tele),
        Magnification = g.Magnification,
        NeedsSupport = g is { Low: >= 300, Tele: < 4.5 } ? true : null,
    });

    /// <summary>Ceiling of the plainest body to be had that delivers an ISO; null = none does.</summary>
    public static double? CeilingFor(double iso) => IsoCeilings.Where(c => c >= iso).Select(c => (double?)c).FirstOrDefault();
}
