namespace YokePair.Core.Plans;

/// <summary>Local times and the nights on which clocks change.</summary>
public static class Clock
{
    /// <summary>The zone of an assignment; null where none is said, or the machine does not know it.</summary>
    public static TimeZoneInfo? Zone(Assignment assignment) =>
        assignment.TimeZone is { } id && TimeZoneInfo.TryFindSystemTimeZoneById(id, out var zone) ? zone : null;

    /// <summary>How long a part really is: on the night clocks go back an hour more than they show, on the other an hour less.</summary>
    /// <returns>Zero for a part without times.</returns>
    public static TimeSpan Length(Plan plan, Part part)
    {
        if (part is not { Start: { } start, End: { } end }) return TimeSpan.Zero;
        return Zone(plan.Assignment) is { } zone && !zone.IsInvalidTime(start) && !zone.IsInvalidTime(end)
            ? TimeZoneInfo.ConvertTimeToUtc(end, zone) - TimeZoneInfo.ConvertTimeToUtc(start, zone)
            : end - start;
    }

    /// <summary>Times that no clock shows, and a zone that nobody knows.</summary>
    public static IEnumerable<PlanProblem> Problems(Plan plan)
    {
        if (plan.Assignment.TimeZone is not { Length: > 0 } id) yield break;
        if (Zone(plan.Assignment) is not { } zone)
        {
            // A machine without zone data knows none; then nothing can be said.
            if (TimeZoneInfo.GetSystemTimeZones().Count > 1) yield return new PlanProblem("assignment.timeZone",
                $"\"{id}\" is no known zone; write it as Europe/Vienna");
            yield break;
        }
        for (var i = 0; i < plan.Parts.Count; i++)
            foreach (var (field, time) in new[] { ("start", plan.Parts[i].Start), ("end", plan.Parts[i].End) })
                if (time is { } at && zone.IsInvalidTime(at))
                    yield return new PlanProblem($"parts[{i}].{field}",
                        FormattableString.Invariant(
                        $"{at:HH:mm} does not exist on {at:yyyy-MM-dd} in {id}: the clocks go forward over it; write {at.AddHours(1):HH:mm}"));
    }
}
