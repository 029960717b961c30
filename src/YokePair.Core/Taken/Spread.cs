namespace YokePair.Core.Taken;

/// <summary>How figures lie: a tenth is below the low one, a tenth above the high one.</summary>
/// <param name="Low">Tenth percentile.</param>
/// <param name="Middle">Median.</param>
/// <param name="High">Ninetieth percentile.</param>
public sealed record Spread(double Low, double Middle, double High)
{
    /// <summary>Of figures; null where there are none.</summary>
    public static Spread? Of(IEnumerable<double?> figures)
    {
        double[] sorted = [.. figures.Where(f => f is not null).Select(f => f!.Value).Order()];
        return sorted.Length == 0 ? null : new Spread(At(sorted, 0.1), Median(sorted), At(sorted, 0.9));
    }

    /// <summary>The middle one of figures in order, or half-way between the two in the middle.</summary>
    public static double Median(IReadOnlyList<double> sorted) => (sorted[(sorted.Count - 1) / 2] + sorted[sorted.Count / 2]) / 2;

    private static double At(double[] sorted, double share) => sorted[(int)Math.Round(share * (sorted.Length - 1))];
}
