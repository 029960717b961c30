namespace YokePair.Core.Basics;

/// <summary>Comparisons that a rounding error in the last digit must not decide.</summary>
internal static class Slack
{
    private const double Least = 1e-9;

    public static bool AtMost(double value, double limit) => value <= limit + Least;

    public static bool AtLeast(double value, double limit) => value >= limit - Least;
}
