using YokePair.Core.Plans;

namespace YokePair.Core.Record;

/// <summary>What one assignment leaves for the next: whatever nobody has recorded is full.</summary>
public static class ChargeBook
{
    /// <summary>Share of a full charge that things have as a day begins.</summary>
    /// <param name="facts">What was recorded, in order.</param>
    /// <param name="day">Key of the day: what it leaves itself, and what comes after, is not what it begins with.</param>
    public static Dictionary<string, double> Left(IEnumerable<Fact> facts, string day)
    {
        var left = new Dictionary<string, double>(StringComparer.Ordinal);
        foreach (var fact in facts.TakeWhile(f => f.Kind != FactKind.Changed || f.Day != day).Where(f => f.Kind is FactKind.Charged or FactKind.Changed))
            left[fact.Thing] = Math.Clamp(fact.Left ?? 1, 0, 1);
        return left;
    }

    /// <summary>A plan with what the record knows of its charge.</summary>
    public static Plan With(Plan plan, string day, IReadOnlyList<Fact> facts) =>
        Left(facts, day).Where(l => l.Value < 1 && plan.ItemOf(l.Key) is not null).ToDictionary(StringComparer.Ordinal) is { Count: > 0 } left
            ? plan with { Left = left } : plan;
}
