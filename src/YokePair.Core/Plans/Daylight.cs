using YokePair.Core.Optics;

namespace YokePair.Core.Plans;

/// <summary>When the sun sets on a day of an assignment, and what that leaves of the light out of doors.</summary>
public static class Daylight
{
    /// <summary>When it sets, local time.</summary>
    /// <param name="assignment">Says it itself, or where it is.</param>
    /// <param name="day">The day.</param>
    /// <returns>Null where nobody has said when or where, or it does not set.</returns>
    public static DateTime? SunsetOn(Assignment assignment, DateOnly day)
    {
        if (assignment.Sunset is { } typed) return day.ToDateTime(typed);
        if (assignment is not { Latitude: { } latitude, Longitude: { } longitude } || Clock.Zone(assignment) is not { } zone) return null;
        return Sun.SetsAt(day, latitude, longitude) is { } utc ? TimeZoneInfo.ConvertTimeFromUtc(utc, zone) : null;
    }

    /// <summary>Minutes from sunset to the end of a part, negative where it ends before; null where that is not known.</summary>
    /// <remarks>What goes on past midnight is counted from the evening before.</remarks>
    public static double? EndsAfterSunset(Plan plan, Part part) =>
        part is { Start: { } start, End: { } end } && SunsetOn(plan.Assignment, DateOnly.FromDateTime(start.AddHours(-Small))) is { } sunset
            ? (end - sunset).TotalMinutes : null;

    /// <summary>The hours after midnight that belong to the evening.</summary>
    private const double Small = 4;

    /// <summary>The light a part is judged by, EV at ISO 100: as it is said, or out of doors that of its darkest minute where that is less.</summary>
    public static double Ev(Plan plan, Part part) =>
        part.Outdoors == true && EndsAfterSunset(plan, part) is { } minutes ? Math.Min(part.Ev, Dusk.Ev(minutes)) : part.Ev;

    /// <summary>The plan with every part in the light it is judged by; itself where that is the light it says.</summary>
    public static Plan Judged(Plan plan) => plan.Parts.Any(p => Ev(plan, p) < p.Ev)
        ? plan with { Parts = [.. plan.Parts.Select(p => Ev(plan, p) is var ev && ev < p.Ev ? p with { Ev = ev } : p)] } : plan;
}
