namespace YokePair.Core.Taken;

/// <summary>How far the clock of one camera is before that of another.</summary>
/// <param name="Seconds">Seconds; negative = behind.</param>
/// <param name="Moments">How many moments both took that tell it.</param>
public sealed record ClockDifference(double Seconds, int Moments)
{
    private const double WithinSeconds = 7200, SameMoment = 2, BurstGap = 2;
    private const int MostBursts = 4000;

    /// <summary>Of thousands of windows the fullest is several deviations above the mean anyway.</summary>
    private const double ByNoChance = 10;

    /// <summary>
    /// Finds it from what both took at once: of all differences between the beginnings of bursts of one and of the other, the true one is
    /// that which many share, as the others lie anywhere. Those within two seconds of the fullest second are averaged by their median.
    /// </summary>
    /// <param name="one">Times of the one, by its clock.</param>
    /// <param name="other">Times of the other, by its own.</param>
    /// <returns>How far the other is before the one; null where no difference stands out.</returns>
    public static ClockDifference? Between(IEnumerable<DateTime> one, IEnumerable<DateTime> other)
    {
        var (mine, theirs) = (Beginnings(one), Beginnings(other));
        var near = new List<double>();
        var from = 0;
        foreach (var at in mine)
        {
            while (from < theirs.Count && (theirs[from] - at).TotalSeconds < -WithinSeconds) from++;
            for (var k = from; k < theirs.Count && (theirs[k] - at).TotalSeconds <= WithinSeconds; k++) near.Add((theirs[k] - at).TotalSeconds);
        }
        near.Sort();
        var (best, count) = Fullest(near);
        // By chance as many would lie there as in any window of that width.
        var chance = near.Count * 2 * SameMoment / (2 * WithinSeconds);
        return count < chance + (ByNoChance * Math.Sqrt(Math.Max(1, chance))) ? null : new ClockDifference(best, count);
    }

    /// <summary>The median of the window that holds most.</summary>
    private static (double Middle, int Count) Fullest(List<double> sorted)
    {
        var (at, most, low) = (0, 0, 0);
        for (var high = 0; high < sorted.Count; high++)
        {
            while (sorted[high] - sorted[low] > 2 * SameMoment) low++;
            if (high - low + 1 > most) (at, most) = (low, high - low + 1);
        }
        return most == 0 ? (0, 0) : (Spread.Median([.. sorted.Skip(at).Take(most)]), most);
    }

    private static List<DateTime> Beginnings(IEnumerable<DateTime> times)
    {
        var starts = new List<DateTime>();
        DateTime? last = null;
        foreach (var at in times.Order())
        {
            if (last is null || (at - last.Value).TotalSeconds > BurstGap) starts.Add(at);
            last = at;
        }
        return [.. starts.Take(MostBursts)];
    }
}
