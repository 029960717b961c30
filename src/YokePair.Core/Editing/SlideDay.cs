using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>
/// The day is late from a part on. That part slides, and what follows it, up to the next that begins at a fixed time: that one waits for
/// nobody, what has not been done by then is cut short, and what comes after it is as late as it is, which is not at all.
/// </summary>
public sealed record SlideDay : PlanEdit
{
    /// <summary>The longest one can be late, minutes.</summary>
    public const int Most = 240;

    /// <summary>What is left of a part for which there is no time any more.</summary>
    private static readonly TimeSpan Least = TimeSpan.FromMinutes(1);

    /// <summary>Id of the part that is late: the one that goes on, or is next.</summary>
    public required string From { get; init; }

    /// <summary>How late, minutes.</summary>
    public required int Minutes { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(From) is not { } late) return Refuse("from", $"there is no part \"{From}\"; it may have been removed");
        if (late is not { Start: { } since }) return Refuse("from", $"{late.Label} has no times; give it some first");
        if (Minutes is < 1 or > Most) return Refuse("minutes", $"is {Minutes}; say how late, 1 to {Most} minutes");
        var by = TimeSpan.FromMinutes(Minutes);
        var day = Day.Stretches(plan).First(d => d.Contains(late));
        var stays = day.Where(p => p != late && p.FixedStart == true && p.Start >= since).MinBy(p => p.Start);
        // From the end on, so that none runs into what follows it; what went on beside another anyway goes on doing so.
        var moved = new Dictionary<string, Part>(StringComparer.Ordinal);
        foreach (var part in day.Where(p => p == late || (p.FixedStart != true && p.Start >= since && !(p.Start >= stays?.Start))).Reverse())
        {
            var until = day.Where(p => p == stays || moved.ContainsKey(p.Id)).Where(p => p.Start >= part.End).Min(p => moved.GetValueOrDefault(p.Id, p).Start);
            moved.Add(part.Id, Moved(part, part == late, by, stays is null ? null : until));
        }
        return new EditResult(
            plan with { Parts = [.. plan.Parts.Select(p => moved.GetValueOrDefault(p.Id, p))] },
            $"{Minutes} min late from {late.Label} on", []);
    }

    private static Part Moved(Part part, bool isLate, TimeSpan by, DateTime? until)
    {
        // What has a fixed start and is late has begun all the same: it goes on for longer.
        var (start, end) = (isLate && part.FixedStart == true ? part.Start : part.Start + by, part.End + by);
        return end > until ? part with { Start = start < until - Least ? start : until - Least, End = until } : part with { Start = start, End = end };
    }
}
