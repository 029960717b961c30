namespace YokePair.Core.Taken;

/// <summary>A kind of part that began late.</summary>
/// <param name="Name">What the latest of them is called.</param>
/// <param name="Minutes">How late, in the middle of the assignments.</param>
/// <param name="Assignments">In how many assignments.</param>
/// <param name="After">What came before it in the latest of them; null = nothing.</param>
public sealed record LateKind(string Name, double Minutes, int Assignments, string? After);

/// <summary>What began late, by the pictures or by what was noted on the day: time is lacking before it.</summary>
public static class RunningLate
{
    /// <summary>Less than this is no delay that a plan should know of, minutes.</summary>
    public const double LeastMinutes = 10;

    /// <summary>Finds it, the latest first.</summary>
    /// <param name="days">What past assignments used.</param>
    public static IReadOnlyList<LateKind> Of(IReadOnlyList<TakenDay> days) =>
    [
        .. days.SelectMany(d => d.Parts.Select((p, n) => (Part: p, Before: n > 0 ? d.Parts[n - 1].Name : null)))
            .Where(p => p.Part.LateMinutes >= LeastMinutes).GroupBy(p => Learnt.What(p.Part.Kind, p.Part.Name))
            .Select(g => new LateKind(g.Last().Part.Name, Math.Round(Spread.Median([.. g.Select(p => p.Part.LateMinutes).Order()])), g.Count(), g.Last()
                .Before))
            .OrderByDescending(l => l.Minutes),
    ];
}
