using YokePair.Core.Plans;

namespace YokePair.Core.Starting;

/// <summary>How a team works, as its latest days say: a new day goes on from there.</summary>
/// <param name="Lead">The lead, as the latest day that says how they work has them; null = none does.</param>
/// <param name="Second">The same of the second photographer.</param>
/// <param name="House">Rules of the house of the latest day; null = there is none.</param>
public sealed record UsualWays(Person? Lead = null, Person? Second = null, House? House = null)
{
    /// <summary>What the latest days say.</summary>
    /// <param name="latest">Days, the latest first.</param>
    public static UsualWays Of(IReadOnlyList<Plan> latest) => new(Who(latest, "lead"), Who(latest, "second"), latest.Count > 0 ? latest[0].Rules.House : null);

    private static Person? Who(IReadOnlyList<Plan> latest, string id) =>
        latest.Select(p => p.PersonOf(id)).FirstOrDefault(p => p is { Habits: not null } or { Seconds: not null });
}
