using YokePair.Core.Optics;

namespace YokePair.Core.Taken;

/// <summary>Sensitivities in thirds of a stop, as cameras name them (ISO 12232, preferred numbers of ISO 3).</summary>
public static class IsoSteps
{
    /// <summary>What is a rounding of a name, and no higher sensitivity.</summary>
    internal const double Slack = 1.05;

    private static readonly int[] Named = [100, 125, 160, 200, 250, 320, 400, 500, 640, 800, 1000, 1250, 1600, 2000, 2500, 3200, 4000, 5000, 6400, 8000, 10000,
        12800, 16000, 20000, 25600, 32000, 40000, 51200, 64000, 80000, 102400];

    /// <summary>The named one nearest to a sensitivity.</summary>
    public static int Of(double iso) => Named.MinBy(n => Math.Abs(Exposure.StopsOver(iso, n)));
}
