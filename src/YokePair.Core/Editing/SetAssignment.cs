using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Calls the assignment something else, or moves it to another day. What is not given stays as it is.</summary>
public sealed record SetAssignment : PlanEdit
{
    /// <summary>New name.</summary>
    public string? Name { get; init; }

    /// <summary>New first day; every part keeps its hour.</summary>
    public DateOnly? Day { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (PlanLimits.Name("name", Name) is { } unnamed) return new EditResult(null, "", [unnamed]);
        var next = plan with { Assignment = plan.Assignment with { Name = Name?.Trim() ?? plan.Assignment.Name } };
        if (Day is { } day)
        {
            if (PlanLimits.Day("day", day) is { } unlikely) return new EditResult(null, "", [unlikely]);
            next = Plans.Day.MovedTo(next, day);
            // On the night the clocks go forward a time of the old day may not exist.
            if (Clock.Problems(next).FirstOrDefault() is { } wrong) return Refuse("day", wrong.Message);
        }
        var called = Name is null ? null : $"called {next.Assignment.Name}";
        var moved = Day is { } on ? FormattableString.Invariant($"moved to {on:yyyy-MM-dd}") : null;
        return new EditResult(next, string.Join(", ", new[] { called, moved }.OfType<string>()), []);
    }
}
