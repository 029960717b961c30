namespace YokePair.Core.Glass;

/// <summary>Comparisons that a rounding error in the last digit must not decide.</summary>
internal static class Tolerance
{
    private const double Slack = 1e-9;

    public static bool AtMost(double value, double limit) => value <= limit + Slack;

    public static bool AtLeast(double value, double limit) => value >= limit - Slack;
}
