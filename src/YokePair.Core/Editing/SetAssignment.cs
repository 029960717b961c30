using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Calls the assignment something else, moves it to another day, or says where it is. What is not given stays as it is.</summary>
public sealed record SetAssignment : PlanEdit
{
    /// <summary>New name.</summary>
    public string? Name { get; init; }

    /// <summary>New first day; every part keeps its hour.</summary>
    public DateOnly? Day { get; init; }

    /// <summary>When the sun sets there, local time.</summary>
    public TimeOnly? Sunset { get; init; }

    /// <summary>Degrees of latitude, north positive.</summary>
    public double? Latitude { get; init; }

    /// <summary>Degrees of longitude, east positive.</summary>
    public double? Longitude { get; init; }

    /// <summary>Names of what is no longer said: sunset, where.</summary>
    public IReadOnlyList<string>? Clear { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (PlanLimits.Name("name", Name) is { } unnamed) return new EditResult(null, "", [unnamed]);
        var next = plan with { Assignment = Changed(plan.Assignment) };
        if (Day is { } day)
        {
            if (PlanLimits.Day("day", day) is { } unlikely) return new EditResult(null, "", [unlikely]);
            next = Plans.Day.MovedTo(next, day);
            // On the night the clocks go forward a time of the old day may not exist.
            if (Clock.Problems(next).FirstOrDefault() is { } wrong) return Refuse("day", wrong.Message);
        }
        return new EditResult(next, string.Join(", ", Differences(next.Assignment)), []);
    }

    private Assignment Changed(Assignment was) => was with
    {
        Name = Name?.Trim() ?? was.Name,
        Sunset = Clear?.Contains("sunset") == true ? null : Sunset ?? was.Sunset,
        Latitude = Clear?.Contains("where") == true ? null : Latitude ?? was.Latitude,
        Longitude = Clear?.Contains("where") == true ? null : Longitude ?? was.Longitude,
    };

    private IEnumerable<string> Differences(Assignment now)
    {
        if (Name is not null) yield return $"called {now.Name}";
        if (Day is { } on) yield return $"moved to {English.Date(on)}";
        if (Sunset is { } set) yield return FormattableString.Invariant($"the sun sets at {set:HH:mm}");
        if (Latitude is not null || Longitude is not null) yield return FormattableString.Invariant($"at {now.Latitude}°, {now.Longitude}°");
        if (Clear?.Count > 0) yield return $"{string.Join(", ", Clear)} cleared";
    }
}
