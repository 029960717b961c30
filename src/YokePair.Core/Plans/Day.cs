namespace YokePair.Core.Plans;

/// <summary>Something taken away to see what breaks.</summary>
/// <param name="Item">Id of the item; for another kind of loss of the camera, place, person, radio system, battery type or event.</param>
/// <param name="FromPart">Id of the part from which on it is gone; null = from the start of the day.</param>
/// <param name="UntilPart">Id of the part by which it is mended or replaced; null = not that day.</param>
/// <param name="Kind">What goes: a thing alone, or all that is on a camera or in a place when it goes, a person, a radio system.</param>
public sealed record Pulled(string Item, string? FromPart = null, string? UntilPart = null, LossKind Kind = LossKind.Item);

/// <summary>The order of a day's parts and what is gone when.</summary>
public static class Day
{
    /// <summary>Parts by start, those without times where the file has them.</summary>
    public static IReadOnlyList<Part> InOrder(Plan plan) =>
        plan.Parts.Any(p => p.Start is null) ? plan.Parts : [.. plan.Parts.OrderBy(p => p.Start)];

    private const double NightHours = 6;

    /// <summary>The parts of a plan by days of work: a night of at least six hours is between two.</summary>
    public static IReadOnlyList<IReadOnlyList<Part>> Stretches(Plan plan)
    {
        var days = new List<List<Part>>();
        DateTime? over = null;
        foreach (var part in InOrder(plan))
        {
            if (days.Count == 0 || (over is { } before && part.Start is { } start && (start - before).TotalHours >= NightHours)) days.Add([]);
            days[^1].Add(part);
            if (part.End is { } end && (over is null || end > over)) over = end;
        }
        return days;
    }

    /// <summary>The day on which a part begins; null without times.</summary>
    public static DateOnly? Of(Part part) => part.Start is { } start ? DateOnly.FromDateTime(start) : null;

    /// <summary>Whether a part is the given one or comes at or after its start: a failure lasts for the rest of the day.</summary>
    public static bool IsFrom(Plan plan, Part part, string? fromPart)
    {
        if (fromPart is null || part.Id == fromPart) return true;
        var from = plan.PartOf(fromPart);
        if (from is null) return true;
        if (part.Start is { } start && from.Start is { } since) return start >= since;
        var order = InOrder(plan).ToList();
        return order.IndexOf(part) >= order.IndexOf(from);
    }

    /// <summary>Whether something that goes at one part and is back at another is gone in a part.</summary>
    public static bool Lasts(Plan plan, Part part, string? fromPart, string? untilPart) =>
        IsFrom(plan, part, fromPart) && (Mended(plan, fromPart, untilPart) is not { } mended || !IsFrom(plan, part, mended.Id));

    /// <summary>The part by which what goes at one part is mended; null = not that day, as where that would be before it goes.</summary>
    public static Part? Mended(Plan plan, string? fromPart, string? untilPart) =>
        plan.PartOf(untilPart) is { } until && (plan.PartOf(fromPart) is not { } from || !IsFrom(plan, from, until.Id)) ? until : null;

    /// <summary>A plan on other days: its first part begins on a day, all keep their hours. Without times it stays as it is.</summary>
    public static Plan MovedTo(Plan plan, DateOnly first)
    {
        if (plan.Parts.Min(p => p.Start) is not { } start) return plan;
        var days = first.DayNumber - DateOnly.FromDateTime(start).DayNumber;
        return plan with { Parts = [.. plan.Parts.Select(p => p with { Start = p.Start?.AddDays(days), End = p.End?.AddDays(days) })] };
    }

    /// <summary>Whether two parts go on at the same time.</summary>
    public static bool Overlap(Part one, Part other) =>
        one.Id != other.Id && one.Start is { } a && one.End is { } b && other.Start is { } c && other.End is { } d && a < d && c < b;
}
