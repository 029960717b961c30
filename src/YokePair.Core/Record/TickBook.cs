namespace YokePair.Core.Record;

/// <summary>A line of a list that somebody has ticked.</summary>
/// <param name="Text">What the line said then: where it says something else now, it is open again.</param>
/// <param name="Who">Who ticked it; null = nobody said.</param>
/// <param name="At">When, UTC.</param>
public sealed record Tick(string Text, string? Who, DateTime At);

/// <summary>Which lines of a day's lists are ticked, and who has left with what open.</summary>
public static class TickBook
{
    /// <summary>Ticks by line id, each as it was last.</summary>
    /// <param name="facts">What was recorded, in order.</param>
    /// <param name="day">Key of the day.</param>
    public static Dictionary<string, Tick> Of(IEnumerable<Fact> facts, string day)
    {
        var ticks = new Dictionary<string, Tick>(StringComparer.Ordinal);
        foreach (var fact in facts.Where(f => f.Day == day && f.Kind is FactKind.Ticked or FactKind.Unticked))
            if (fact.Kind == FactKind.Ticked) ticks[fact.Thing] = new Tick(fact.Words ?? "", fact.Who, fact.At);
            else ticks.Remove(fact.Thing);
        return ticks;
    }

    /// <summary>When somebody left last, and what was typed to leave without something; null = nobody has.</summary>
    public static Tick? Departure(IEnumerable<Fact> facts, string day) =>
        facts.LastOrDefault(f => f.Kind == FactKind.Departed && f.Day == day) is { } left ? new Tick(left.Words ?? "", left.Who, left.At) : null;
}
