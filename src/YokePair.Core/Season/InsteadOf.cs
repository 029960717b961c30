using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Season;

/// <summary>What would do instead of a thing that another assignment has.</summary>
/// <param name="Said">What to do.</param>
/// <param name="Edits">The edits that do it.</param>
/// <param name="Gaps">Needs that are not covered then.</param>
/// <param name="GapsNow">The same as it stands.</param>
/// <param name="Exposed">Once and must needs that are not covered, or hang by one thing, then.</param>
/// <param name="ExposedNow">The same as it stands.</param>
public sealed record Instead(string Said, IReadOnlyList<PlanEdit> Edits, int Gaps, int GapsNow, int Exposed, int ExposedNow)
{
    /// <summary>Whether it is better than nothing.</summary>
    internal bool Helps => (Gaps, Exposed).CompareTo((GapsNow, ExposedNow)) < 0;
}

/// <summary>Finds it: a like thing of a partner's, another of one's own, or one to hire. Each is tried before it is offered.</summary>
public static class InsteadOf
{
    private const int MostThings = 3;
    private const double SameFocal = 1.2;

    /// <summary>What would do instead of the cameras and glass that are promised.</summary>
    public static IReadOnlyList<Instead> Of(DayAnalysis day, IReadOnlyList<Item> locker, CancellationToken cancel = default)
    {
        var plan = day.Whole;
        var missing = Missing(plan);
        if (missing.Count == 0) return [];
        var now = DayVerdict.Of(day);
        var offered = new List<Instead>();
        foreach (var thing in missing.OrderByDescending(i => plan.Parts.Count(p => p.SetsUp(i.Id))).Take(MostThings))
            foreach (var (said, edits) in Candidates(plan, thing, locker))
            {
                if (EditResult.Apply(plan, edits).Plan is not { } then) continue;
                offered.Add(Tried(said, edits, day.Trying(then, cancel), now));
            }
        offered.RemoveAll(o => !o.Helps);
        if (offered.Count == 0 && Together(day, now, cancel) is { } all) offered.Add(all);
        return [.. offered.OrderBy(o => o.Gaps).ThenBy(o => o.Exposed).DistinctBy(o => o.Said)];
    }

    /// <summary>Cameras and glass of the plan that another assignment has.</summary>
    private static List<Item> Missing(Plan plan) => [.. plan.Items.Where(i => i is Body or Lens && plan.Promised?.ContainsKey(i.Id) == true)];

    /// <summary>Where no one thing would do, all that is missing to hire.</summary>
    private static Instead? Together(DayAnalysis day, DayVerdict now, CancellationToken cancel)
    {
        var plan = day.Whole;
        var edits = new List<PlanEdit>();
        var hired = new List<string>();
        foreach (var thing in Missing(plan))
        {
            if (PlaceOf(plan, thing) is not { } place) continue;
            var hire = Hire(plan, thing, place);
            if (EditResult.Apply(plan, hire.Edits).Plan is not { } then) continue;
            plan = then;
            edits.AddRange(hire.Edits);
            hired.Add(hire.What);
        }
        if (hired.Count < 2) return null;
        var all = hired.GroupBy(h => h).Select(g => g.Count() == 1 ? g.Key : $"{g.Count()} × {g.Key}");
        var together = Tried($"Hire {English.List([.. all])} for that day", edits, day.Trying(plan, cancel), now);
        return together.Helps ? together : null;
    }

    private static Instead Tried(string said, IReadOnlyList<PlanEdit> edits, DayAnalysis then, DayVerdict now)
    {
        var verdict = DayVerdict.Of(then);
        return new Instead(said, edits, verdict.Gaps, now.Gaps, verdict.Exposed, now.Exposed);
    }

    private static IEnumerable<(string Said, IReadOnlyList<PlanEdit> Edits)> Candidates(Plan plan, Item thing, IReadOnlyList<Item> locker)
    {
        if (PlaceOf(plan, thing) is not { } place) yield break;
        foreach (var other in locker.Where(l => Sourcing.IsFree(plan, l) && IsLike(l, thing)).OrderBy(l => l.Owner is null).Take(2))
            yield return (other.Owner is { } whose ? $"Take {whose}'s {other.Label} instead of the {thing.Label}"
                : $"Take the {other.Label} instead of the {thing.Label}",
                [new PackThing { Thing = other.Id, Place = place, Found = other }, .. Hands(plan, thing, other.Id)]);
        var (what, hire) = Hire(plan, thing, place);
        yield return ($"Hire {what} for that day", hire);
    }

    private static (string What, IReadOnlyList<PlanEdit> Edits) Hire(Plan plan, Item thing, string place)
    {
        var id = ItemIds.New("borrowed", thing.Label, ItemIds.Taken(plan));
        var hired = (thing.Unmarked() with { Id = id, Place = place, Owner = null, Keep = null }).AtHand();
        return (WantedThing.Say(hired), [new BorrowThing { Item = hired }, .. Hands(plan, thing, id)]);
    }

    private static string? PlaceOf(Plan plan, Item thing) => plan.PlaceOf(thing.Place)?.Id ?? (plan.Places is [var first, ..] ? first.Id : null);

    private static bool IsLike(Item one, Item other) => (one, other) switch
    {
        (Lens a, Lens b) => a.Mount == b.Mount && a.Focal.Low <= b.Focal.Low * SameFocal && a.Focal.High >= b.Focal.High / SameFocal,
        (Body a, Body b) => a.Mount.Intersect(b.Mount).Any() && a.BatteryType == b.BatteryType,
        _ => false,
    };

    /// <summary>In every hand that was to have the thing, the other.</summary>
    private static IEnumerable<PlanEdit> Hands(Plan plan, Item thing, string other) => plan.Parts.SelectMany(p => p.Setups
        .Where(s => thing is Body ? s.Body == thing.Id : s.Lens == thing.Id)
        .Select(s => new Mount
        {
            Part = p.Id,
            Person = s.Person,
            Position = s.Position,
            Body = thing is Body ? other : s.Body,
            Lens = thing is Lens ? other : s.Lens,
            Converter = s.Converter,
            Tube = s.Tube,
            Adapter = s.Adapter,
        }));
}
