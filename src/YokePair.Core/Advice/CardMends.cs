using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>Edits after which there is more room on cards, or more copies in more places at the end; proved by planning the day with them.</summary>
/// <param name="Label">What they do, in words.</param>
/// <param name="Edits">The edits; made together, undone together.</param>
/// <param name="Then">What it comes to with them, in words.</param>
public sealed record CardMend(string Label, IReadOnlyList<PlanEdit> Edits, string Then)
{
    /// <summary>Mends of what is short: one's own things first, then another habit, then what one would have to get.</summary>
    /// <param name="day">The day.</param>
    /// <param name="locker">What else one owns.</param>
    public static IReadOnlyList<CardMend> For(DayAnalysis day, IReadOnlyList<Item> locker) =>
        [.. Rooms(day, locker), .. Copies(day, locker)];

    private static IEnumerable<CardMend> Rooms(DayAnalysis day, IReadOnlyList<Item> locker)
    {
        var (plan, lack) = (day.Plan, CardPlans.Lack(day));
        foreach (var type in lack.Short.Select(s => s.Type).Concat(lack.WithoutOne.Select(t => t.Type)).Distinct(StringComparer.Ordinal))
        {
            var wanted = Math.Max(1, lack.WithoutOne.FirstOrDefault(t => t.Type == type)?.Short ?? 1);
            List<Card> own = [.. locker.OfType<Card>().Where(c => c.Type == type && c.CanRecord && !c.Doubtful && Sourcing.IsFree(plan, c))
                .OrderByDescending(c => c.Gigabytes).Take(wanted)];
            if (Sourcing.PlaceFor(plan, i => i is Card card && card.Type == type) is not { } place) continue;
            var size = plan.Items.OfType<Card>().Where(c => c.Type == type).Max(c => c.Gigabytes);
            (string, IReadOnlyList<PlanEdit>)[] candidates =
            [
                ($"Take {English.List([.. own.Select(c => c.Label)])} along as well", [.. own.Select(c => Pack(c, place))]),
                ($"Borrow, rent or buy {English.Number(wanted)} {type} of {English.Whole(size ?? 0)} GB", Sourcing.Borrow(plan, wanted, type, id =>
                    new Card { Id = id, Name = $"{type}, to get", Type = type, Gigabytes = size, Place = place })),
            ];
            foreach (var (label, edits) in candidates.Where(x => x.Item2.Count > 0))
            {
                if (EditResult.Apply(plan, edits).Plan is not { } tried || CardPlans.Lack(day.Trying(tried)) is var left && left.Size >= lack.Size) continue;
                yield return new CardMend(label, edits, left.IsNone ? "then there is room for all, whichever card dies"
                    : $"then {English.Count(left.WithoutOne.Sum(t => t.Short), "card is", "cards are")} still short");
                if (left.IsNone) break;
            }
        }
    }

    private static IEnumerable<CardMend> Copies(DayAnalysis day, IReadOnlyList<Item> locker)
    {
        var plan = day.Plan;
        if (CardPlans.Evening(day) is not { IsEnough: false } before || plan.Places.Count == 0) yield break;
        var place = Sourcing.PlaceFor(plan, i => i is Drive or CardReader) ?? plan.Places[0].Id;
        var candidates = locker.Where(i => i is Drive or CardReader && !i.Doubtful && Sourcing.IsFree(plan, i)).OrderBy(i => i is CardReader)
            .Select(i => ($"Take the {i.Label} along", (IReadOnlyList<PlanEdit>)[Pack(i, place)]))
            .Concat(Habits(plan))
            .Append(("Borrow, rent or buy a drive that copies cards",
                Sourcing.Borrow(plan, 1, "drive", id => new Drive { Id = id, Name = "Drive, to get", Place = place })));
        foreach (var (label, edits) in candidates)
        {
            if (EditResult.Apply(plan, edits).Plan is not { } tried || CardPlans.Evening(day.Trying(tried)) is not { } then) continue;
            var (copies, places) = (then.Copies - before.Copies, then.Places - before.Places);
            if (copies < 0 || places < 0 || copies + places == 0) continue;
            yield return new CardMend(label, edits, $"then {English.Count(then.Copies, "copy", "copies")} in {English.Count(then.Places, "place", "places")}");
            if (then.IsEnough) yield break;
        }
    }

    /// <summary>Who keeps the second half otherwise than now.</summary>
    private static IEnumerable<(string, IReadOnlyList<PlanEdit>)> Habits(Plan plan)
    {
        if (!plan.Rules.DualRecord || plan.People.Count < 2 || plan.Rules.Cards.Half == SecondHalf.Partner) yield break;
        yield return ("Give the second half of each pair to somebody else", [new SetRules { Cards = plan.Rules.Cards with { Half = SecondHalf.Partner } }]);
    }

    private static PackThing Pack(Item item, string place) => new() { Thing = item.Id, Place = place, Found = item };
}
