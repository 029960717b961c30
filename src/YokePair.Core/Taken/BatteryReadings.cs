using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Record;

namespace YokePair.Core.Taken;

/// <summary>What one battery gave.</summary>
/// <param name="Battery">Its id.</param>
/// <param name="Body">Id of the camera it was in.</param>
/// <param name="PerCharge">Pictures that a full charge of it would give there.</param>
/// <param name="Usual">Pictures a charge of that camera as they were known then.</param>
public sealed record BatteryUse(string Battery, string Body, double PerCharge, double Usual);

/// <summary>
/// Where batteries are numbered, what was read off a camera on the day and its pictures until then tell what the one in it gives:
/// pictures ÷ (1 − share left), from when it was put in by the plan.
/// </summary>
public static class BatteryReadings
{
    /// <summary>A battery that has given less than this says little of all of it.</summary>
    private const double LeastUsed = 0.2;

    /// <summary>Finds it; of several readings of one battery in one camera the last.</summary>
    /// <param name="day">The day as it was planned.</param>
    /// <param name="frames">By camera, when its pictures were taken, by a clock that is right.</param>
    /// <param name="facts">What was noted on the day.</param>
    public static IReadOnlyList<BatteryUse> Of(DayAnalysis day, ILookup<string, DateTime> frames, IEnumerable<Fact> facts)
    {
        var plan = day.Whole;
        if (Clock.Zone(plan.Assignment) is not { } zone) return [];
        var bands = PowerPlans.Of(day).Bands.ToLookup(b => b.Device);
        var found = new Dictionary<(string, string), BatteryUse>();
        foreach (var fact in facts.Where(f => f.Kind == FactKind.Read && f.Left is <= 1 - LeastUsed).OrderBy(f => f.At))
        {
            if (plan.ItemOf(fact.Thing) is not Body body) continue;
            var at = TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(fact.At, DateTimeKind.Utc), zone);
            if (In(plan, [.. bands[body.Id].SelectMany(b => b.Levels)], at) is not { } put
                || plan.ItemOf(put.Battery) is not Battery { Number: not null } battery) continue;
            var taken = frames[body.Id].Count(f => f >= put.Since && f <= at);
            if (taken > 0) found[(battery.Id, body.Id)] = new BatteryUse(battery.Id, body.Id, taken / (1 - fact.Left!.Value), Charge.FramesOf(body));
        }
        return [.. found.Values.OrderBy(u => u.Battery, StringComparer.Ordinal)];
    }

    /// <summary>What is in a camera at a time by the plan, and since when.</summary>
    private static (string Battery, DateTime Since)? In(Plan plan, IReadOnlyList<PowerLevel> levels, DateTime at)
    {
        (string Battery, DateTime Since)? now = null;
        foreach (var level in levels)
        {
            if (plan.PartOf(level.Part) is not { Start: { } start, End: { } end }) continue;
            var time = start + ((end - start) * level.At);
            if (time > at) break;
            if (level.Battery is { } battery && battery != now?.Battery) now = (battery, time);
        }
        return now;
    }
}
