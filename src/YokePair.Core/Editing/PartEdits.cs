using System.Text.Json.Serialization;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Puts a new part into the day, right after another; what follows moves on by its length.</summary>
public sealed record AddPart : PlanEdit
{
    /// <summary>Id of the part it follows; null = at the end of the day.</summary>
    public string? After { get; init; }

    /// <summary>Kind of part, as in the phrase library.</summary>
    public required string Kind { get; init; }

    /// <summary>When it starts; null = at the end of the part it follows, and what comes after moves on.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? Start { get; init; }

    /// <summary>When it ends; null = as such parts usually do.</summary>
    [JsonConverter(typeof(LocalTimeConverter))] public DateTime? End { get; init; }

    /// <summary>What it is called; null = as its kind is.</summary>
    public string? Name { get; init; }

    /// <summary>Where it is, in words.</summary>
    public string? Location { get; init; }

    /// <summary>UID of the calendar event it is.</summary>
    public string? Uid { get; init; }

    /// <summary>The kind itself where it is the user's own, looked up by whoever has the locker.</summary>
    [JsonIgnore] public PartKind? Found { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if ((Found ?? PartKind.All.FirstOrDefault(k => k.Id == Kind)) is not { } kind) return Refuse(
            "kind", $"there is no kind of part \"{Kind}\"; there are {string.Join(", ", PartKind.All.Select(k => k.Id))}");
        var order = Day.InOrder(plan).ToList();
        var before = After is null ? order.LastOrDefault() : order.FirstOrDefault(p => p.Id == After);
        if (Start is { } said) before = order.LastOrDefault(p => p.Start <= said) ?? order.FirstOrDefault();
        if (before?.End is not { } end) return Refuse("after", $"there is no part \"{After}\" with an end to follow");
        var start = Start ?? end;
        var id = ItemIds.New("part", Name ?? kind.Name, plan.Parts.Select(p => p.Id).ToHashSet(StringComparer.Ordinal));
        var part = kind.Make(id, start, End ?? start.AddMinutes(kind.Minutes), Name, Location) with
        {
            Uid = Uid,
            Setups = before.Setups,
            Lights = before.Lights,
            Present = before.Present,
            Unreachable = before.Unreachable,
        };
        // Whoever says when it is has seen what else is then.
        var moved = Start is null ? PlanChanges.MoveOn(plan, start, part.End!.Value, except: before.Id) : plan;
        var later = Day.InOrder(moved).ToList();
        return new EditResult(
            moved with { Parts = [.. later.TakeWhile(p => p.Start < start), part, .. later.SkipWhile(p => p.Start < start)] },
            Start is null ? $"{part.Label} after {before.Label}" : $"{part.Label} added", []);
    }
}

/// <summary>Takes a part out of the day; the time stays free.</summary>
public sealed record RemovePart : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        return plan.Parts.Count == 1 ? Refuse("part", "a day has at least one part; change this one instead")
            : new EditResult(plan with { Parts = [.. plan.Parts.Where(p => p.Id != Part)] }, $"{part.Label} taken out", []);
    }
}

/// <summary>Splits a part in the middle; its needs stay with the first half.</summary>
public sealed record SplitPart : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { Start: { } start, End: { } end } part) return Refuse("part", $"there is no part \"{Part}\" with times");
        var half = Math.Round((end - start).TotalMinutes / 2 / 5) * 5;
        var middle = start.AddMinutes(Math.Max(1, half));
        if (middle <= start || middle >= end) return Refuse("part", $"{part.Label} is too short to split");
        var second = part with
        {
            Id = ItemIds.New("part", part.Label, plan.Parts.Select(p => p.Id).ToHashSet(StringComparer.Ordinal)),
            Name = $"{part.Label}, later",
            Start = middle,
            Needs = []
        };
        return new EditResult(plan with { Parts = [.. plan.Parts.SelectMany(p => p == part ? [part with { End = middle }, second] : new[] { p })] },
            $"{part.Label} split in two", []);
    }
}

/// <summary>Joins a part with the one after it; both parts' needs are kept, light and rules are those of the first.</summary>
public sealed record JoinParts : PlanEdit
{
    /// <summary>Id of the first part.</summary>
    public required string Part { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        var order = Day.InOrder(plan).ToList();
        var at = order.FindIndex(p => p.Id == Part);
        if (at < 0) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        if (at + 1 == order.Count) return Refuse("part", $"{order[at].Label} is the last part; there is nothing after it to join");
        var (first, next) = (order[at], order[at + 1]);
        var ids = first.Needs.Select(n => n.Id).ToHashSet(StringComparer.Ordinal);
        var needs = first.Needs.Concat(next.Needs.Select(n => ids.Add(n.Id) ? n : n with { Id = ItemIds.New("need", n.Label, ids) })).ToList();
        var joined = first with { End = next.End > first.End ? next.End : first.End, Needs = needs };
        return new EditResult(plan with { Parts = [.. plan.Parts.Where(p => p != next).Select(p => p == first ? joined : p)] },
            $"{first.Label} joined with {next.Label}", []);
    }
}
