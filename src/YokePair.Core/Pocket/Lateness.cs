using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Ways;
using YokePair.Core.Wording;

namespace YokePair.Core.Pocket;

/// <summary>What being late does to a day.</summary>
/// <param name="From">Id of the part that is late: the one that goes on, or is next.</param>
/// <param name="Minutes">How late.</param>
/// <param name="Parts">The parts that move.</param>
/// <param name="Stays">Id of the part that begins at its fixed time and takes up what is left of the delay; null = none.</param>
/// <param name="Falls">What falls by it, or must be done at another time, each in words; empty = nothing.</param>
public sealed record LateDay(string From, int Minutes, IReadOnlyList<MovedPart> Parts, string? Stays, IReadOnlyList<IReadOnlyList<TextPiece>> Falls);

/// <summary>A part at another time.</summary>
/// <param name="Part">Its id.</param>
/// <param name="Start">When it begins then, local time.</param>
/// <param name="End">When it ends.</param>
public sealed record MovedPart(string Part, DateTime Start, DateTime End);

/// <summary>Slides a day and says what falls.</summary>
public static class Lateness
{
    /// <summary>How late one usually is, minutes: what is worked out beforehand.</summary>
    public static IReadOnlyList<int> Usual { get; } = [10, 20, 30, 45, 60];

    /// <summary>A day that is late from a part on.</summary>
    /// <returns>Null where there is no such part, it has no times, or the minutes are none.</returns>
    public static LateDay? Of(DayAnalysis day, string from, int minutes) => Of(day, PowerPlans.Of(day), from, minutes);

    internal static LateDay? Of(DayAnalysis day, PowerPlan power, string from, int minutes)
    {
        if (new SlideDay { From = from, Minutes = minutes }.Apply(day.Whole).Plan is not { } plan) return null;
        var then = day.Trying(plan);
        var moved = plan.Parts.Where(p => day.Whole.PartOf(p.Id)! is var was && (was.Start != p.Start || was.End != p.End)).OrderBy(p => p.Start).ToList();
        var after = Day.Stretches(plan).First(d => d.Any(p => p.Id == from)).Where(p => moved.Count > 0 && p.Start >= moved[^1].End).MinBy(p => p.Start);
        return new LateDay(from, minutes, [.. moved.Select(p => new MovedPart(p.Id, p.Start!.Value, p.End!.Value))],
            after is { FixedStart: true } ? after.Id : null, [.. Falls(day, then, moved, from, minutes), .. Charge(day, then, moved, power)]);
    }

    private static IEnumerable<IReadOnlyList<TextPiece>> Falls(DayAnalysis day, DayAnalysis then, List<Part> moved, string from, int minutes)
    {
        foreach (var part in moved)
        {
            var was = day.Whole.PartOf(part.Id)!;
            if (part.End - part.Start < was.End - was.Start) yield return LateWords.Cut(part, (was.End - was.Start)!.Value);
            if (IsAsItWas(day.Whole, then.Whole, was, part)) continue;
            var (left, before) = (then.PartOf(part.Id)!, day.PartOf(part.Id)!);
            var worse = left.Needs.Zip(before.Needs).Where(n => n.First.Outcome > n.Second.Outcome).Select(n => n.First).ToList();
            if (left.Part.Ev < before.Part.Ev && Daylight.EndsAfterSunset(then.Whole, part) is { } minutesAfter)
                yield return LateWords.Darker(left.Part, minutesAfter, Darkest(left, before), worse);
            else if (worse.Count > 0) yield return LateWords.Worse(part, worse);
            if (worse.Count > 0 && LatestFor(day, part.Id, from, minutes) is { } latest) yield return LateWords.GoBy(part, latest, latest == was.Start);
        }
    }

    private static IEnumerable<IReadOnlyList<TextPiece>> Charge(DayAnalysis day, DayAnalysis then, List<Part> moved, PowerPlan power)
    {
        if (LateWords.Changes(then.Whole, day.Whole, power) is { Count: > 0 } changes) yield return changes;
        // What takes as long as it was planned to takes as much, what is cut short takes less, and charges less where there is a socket.
        var longer = moved.Select(p => (p.End - p.Start) - (day.Whole.PartOf(p.Id)!.End - day.Whole.PartOf(p.Id)!.Start))
            .Where(by => by != TimeSpan.Zero).ToList();
        if (longer.TrueForAll(by => by < TimeSpan.Zero) && (longer.Count == 0 || power.OnTheWay.Count == 0)) yield break;
        foreach (var dark in PowerPlans.Of(then).Short.Where(s => !power.Short.Any(b => b.Device == s.Device && b.Part == s.Part)))
            yield return LateWords.Dark(then.Whole, dark);
    }

    /// <summary>Whether a part that moved asks what it asked: it is as long, in the same light, and nothing else goes on beside it.</summary>
    private static bool IsAsItWas(Plan before, Plan then, Part was, Part part) =>
        part.End - part.Start == was.End - was.Start && Day.Of(part) == Day.Of(was) && Daylight.Ev(then, part) == Daylight.Ev(before, was)
            && then.Parts.Where(p => Day.Overlap(p, part)).Select(p => p.Id).SequenceEqual(before.Parts.Where(p => Day.Overlap(p, was)).Select(p => p.Id));

    /// <summary>The way one takes in a part that asks the highest ISO; where none is left, the one that was planned.</summary>
    private static (Way Way, NeedFit Fit)? Darkest(PartFindings part, PartFindings before) =>
        part.Needs.Zip(before.Needs, (now, was) => (now.Need, now.Ways, Way: now.Best ?? was.Best))
            .Where(n => n.Need.Importance != Importance.Nice && n.Way?.Rig.Fitted is not null)
            .Select(n => ((Way, NeedFit)?)(n.Way!, RigFit.Of(part.Ways.Kit, part.Part, n.Ways.Need, n.Way!))).MaxBy(n => n!.Value.Item2.StopsOver);

    /// <summary>The latest a part may begin so that none of it is worse than planned; null where it has to be as planned.</summary>
    private static DateTime? LatestFor(DayAnalysis day, string part, string from, int minutes)
    {
        var (fine, bad) = (0, minutes);
        while (bad - fine > 1)
        {
            var half = (fine + bad) / 2;
            if (IsAsPlanned(half)) fine = half;
            else bad = half;
        }
        return day.Whole.PartOf(part)?.Start?.AddMinutes(fine);

        bool IsAsPlanned(int late)
        {
            var plan = new SlideDay { From = from, Minutes = late }.Apply(day.Whole).Plan!;
            return day.Trying(plan).PartOf(part)!.Needs.Zip(day.PartOf(part)!.Needs).All(n => n.First.Outcome <= n.Second.Outcome);
        }
    }
}
