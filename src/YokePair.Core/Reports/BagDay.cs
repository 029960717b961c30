using YokePair.Core.Advice;
using YokePair.Core.Cards;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>What would be gone with a bag or another place.</summary>
/// <param name="Place">Place id.</param>
/// <param name="From">Id of the part in which it costs most if it goes then and stays away; null = it costs nothing.</param>
/// <param name="Costs">Once and must needs that are late or lost without it.</param>
/// <param name="Lost">The first of them.</param>
/// <param name="SecondBest">How many more of those that matter are second best then.</param>
/// <param name="Frames">Frames on cards in it that are nowhere else, at its worst moment.</param>
public sealed record BagGone(string Place, string? From, int Costs, IReadOnlyList<LostPicture> Lost, int SecondBest, int Frames);

/// <summary>Something to be seen to before a bag travels.</summary>
/// <param name="Line">What it is.</param>
/// <param name="Text">In words.</param>
public sealed record RoadTold(RoadLine Line, IReadOnlyList<TextPiece> Text);

/// <summary>Bags and loads of a day, as their page tells it.</summary>
/// <param name="Sentence">What lies in one bag, what is too heavy, and what is felt on whose shoulders for how long.</param>
/// <param name="Plan">The weights behind it.</param>
/// <param name="Gone">What would be gone with each place.</param>
/// <param name="Splits">What would part a thing from its only backup.</param>
/// <param name="Road">What stands in the way of travelling so, by usual rules.</param>
public sealed record BagDay(
    IReadOnlyList<TextPiece> Sentence, CarryPlan Plan, IReadOnlyList<BagGone> Gone, IReadOnlyList<BagSplit> Splits, IReadOnlyList<RoadTold> Road)
{
    private const int Named = 3;

    /// <summary>Tells of a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">Where the plan does not say what a thing weighs or is worth, this does.</param>
    public static BagDay Of(DayAnalysis day, IReadOnlyList<Item> atHome)
    {
        var carried = CarryPlans.Of(day, atHome);
        var frames = CardPlans.Losses(day).Where(l => l.Kind == CardLossKind.Place).ToDictionary(l => l.Id, l => l.Frames, StringComparer.Ordinal);
        return new BagDay(CarryWords.Day(day.Plan, carried, [.. Causes.Bags(day)]), carried,
            [.. day.Plan.Places.Select(p => GoneWith(day, p, frames.GetValueOrDefault(p.Id)))], BagSplit.For(day),
            [.. Carry.Road.Of(day.Plan, carried.Places).Select(l => new RoadTold(l, RoadWords.Say(day.Plan, l)))]);
    }

    /// <summary>
    /// At its worst moment: what lies in it then is gone for the rest of the day. Moments at which the same lies in it are tried once, the
    /// earliest.
    /// </summary>
    private static BagGone GoneWith(DayAnalysis day, Place place, int frames)
    {
        var before = Needs(day).ToList();
        var gone = new BagGone(place.Id, null, 0, [], 0, frames);
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var part in Plans.Day.InOrder(day.Whole))
        {
            var pull = new Pulled(place.Id, part.Id, null, LossKind.Place);
            var then = day.Without([pull]);
            if (!seen.Add(string.Join(' ', then.Outage.ItemsOf(pull)))) continue;
            var worse = before.Zip(Needs(then)).Where(n => n.First.Importance != Importance.Nice && n.Second.Outcome > n.First.Outcome).ToList();
            var lost = worse.Where(n => n.First.Outcome.IsMet() && !n.Second.Outcome.IsMet()).Select(n => new LostPicture(n.First.Part, n.First.Need)).ToList();
            if (lost.Count > gone.Costs || (lost.Count == gone.Costs && worse.Count - lost.Count > gone.SecondBest))
                gone = new BagGone(place.Id, part.Id, lost.Count, [.. lost.Take(Named)], worse.Count - lost.Count, frames);
        }
        return gone;
    }

    private static IEnumerable<(string Part, string Need, Importance Importance, Outcome Outcome)> Needs(DayAnalysis day) =>
        day.Outcomes.SelectMany(p => p.Needs.Select(n => (p.Part.Id, n.Need.Id, n.Need.Importance, n.Outcome)));
}
