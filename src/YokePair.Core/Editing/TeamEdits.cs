using System.Text.Json.Serialization;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Adds somebody to the team, or changes who they are.</summary>
public sealed record SetPerson : PlanEdit
{
    /// <summary>The person; an id that the plan does not have yet, or an empty one, adds them.</summary>
    public required Person Person { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (string.IsNullOrWhiteSpace(Person.Name)) return Refuse("person.name", "is empty; say what the others call them");
        var wrong = new ProblemList();
        PlanCheck.CheckPerson(Person, "person", wrong);
        if (wrong.All is [var first, ..]) return Refuse(first.Field, first.Message);
        var old = plan.PersonOf(Person.Id);
        var what = old is not null && old with { Habits = null } == Person with { Habits = null } ? "how they work" : What(Person);
        if (old is not null) return new EditResult(plan with { People = [.. plan.People.Select(p => p == old ? Person : p)] }, $"{Person.Name}: {what}", []);
        var taken = ItemIds.Taken(plan);
        var added = Person with { Id = Person.Id.Length > 0 ? Person.Id : ItemIds.New("person", Person.Name, taken) };
        // Where everybody is there, so is who has just come; where people are named, nothing is said of the new one.
        return new EditResult(plan with { People = [.. plan.People, added] }, $"{added.Name} comes along: {What(added)}", []);
    }

    private static string What(Person person) => (person.Role == PersonRole.Assistant ? "assistant" : "photographer")
        + (person.HandOverSeconds is { } s ? FormattableString.Invariant($", hands over in {s} s") : "");
}

/// <summary>How long it takes to reach a place in one part, or in all.</summary>
public sealed record SetPlace : PlanEdit
{
    /// <summary>Place id.</summary>
    public required string Place { get; init; }

    /// <summary>Part id; null = wherever no part says otherwise.</summary>
    public string? Part { get; init; }

    /// <summary>Seconds; null takes back what the part says.</summary>
    public double? ReachSeconds { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PlaceOf(Place) is not { } place) return Refuse("place", $"there is no place \"{Place}\"");
        if (ReachSeconds is < 0) return Refuse("reachSeconds", FormattableString.Invariant($"is {ReachSeconds}; expected seconds, 0 or more"));
        var name = place.Name ?? place.Id;
        if (Part is null)
        {
            if (ReachSeconds is not { } everywhere) return Refuse("reachSeconds", "is missing; say how many seconds it takes");
            return new EditResult(plan with { Places = [.. plan.Places.Select(p => p == place ? p with { ReachSeconds = everywhere } : p)] },
                FormattableString.Invariant($"{name} in {everywhere} s"), []);
        }
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        var reach = (part.ReachSeconds ?? new Dictionary<string, double>()).Where(r => r.Key != Place)
            .ToDictionary(r => r.Key, r => r.Value, StringComparer.Ordinal);
        if (ReachSeconds is { } seconds) reach.Add(Place, seconds);
        return new EditResult(plan.With(part with { ReachSeconds = reach.Count == 0 ? null : reach }),
            $"{part.Label}: {name} {(ReachSeconds is { } s ? FormattableString.Invariant($"in {s} s") : "as elsewhere")}", []);
    }
}

/// <summary>Repeats the last day of an assignment on the day after: the same parts, people, setups and needs.</summary>
public sealed record AddDay : PlanEdit
{
    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        var order = Day.InOrder(plan);
        if (order.Count == 0 || order[^1].Start is not { } last) return Refuse("parts", "have no times yet; give them some first");
        // Hours past midnight belong to the day whose evening they end.
        var first = order.Reverse().TakeWhile(p => last - p.Start < TimeSpan.FromHours(18)).Last();
        var again = order.SkipWhile(p => p != first).ToList();
        var ids = plan.Parts.Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        var parts = new List<Part>();
        foreach (var part in again)
        {
            var id = ItemIds.New("part", part.Label, ids);
            ids.Add(id);
            parts.Add(part with { Id = id, Start = part.Start?.AddDays(1), End = part.End?.AddDays(1) });
        }
        return new EditResult(plan with { Parts = [.. plan.Parts, .. parts] },
            $"{English.Date(DateOnly.FromDateTime(parts[0].Start!.Value))} added, like the day before", []);
    }
}

/// <summary>Puts a day made from other answers in place of one that nobody has worked on yet.</summary>
public sealed record StartAgain : PlanEdit
{
    /// <summary>What it is called in the list of what can be undone.</summary>
    public const string Said = "started again with other answers";

    /// <summary>The day, made by whoever has the locker.</summary>
    [JsonIgnore] public Plan? Made { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan) => Made is null
        ? Refuse("again", "a day is started again from its answers; start it from the list of assignments")
        : new EditResult(Made with { Assignment = Made.Assignment with { Id = plan.Assignment.Id } }, Said, []);
}
