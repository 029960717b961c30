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
/// <param name="Costs">Once and must needs that are late or lost without it.</param>
/// <param name="Lost">The first of them.</param>
/// <param name="SecondBest">How many more of those that matter are second best then.</param>
/// <param name="Frames">Frames on cards in it that are nowhere else, at its worst moment.</param>
public sealed record BagGone(string Place, int Costs, IReadOnlyList<LostPicture> Lost, int SecondBest, int Frames);

/// <summary>Bags and loads of a day, as their page tells it.</summary>
/// <param name="Sentence">What lies in one bag, what is too heavy, and what is felt on whose shoulders for how long.</param>
/// <param name="Plan">The weights behind it.</param>
/// <param name="Gone">What would be gone with each place.</param>
/// <param name="Splits">What would part a thing from its only backup.</param>
public sealed record BagDay(IReadOnlyList<TextPiece> Sentence, CarryPlan Plan, IReadOnlyList<BagGone> Gone, IReadOnlyList<BagSplit> Splits)
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
            [.. day.Plan.Places.Select(p => GoneWith(day, p, frames.GetValueOrDefault(p.Id)))], BagSplit.For(day));
    }

    private static BagGone GoneWith(DayAnalysis day, Place place, int frames)
    {
        var row = LossRows.Find(day, LossKind.Place, place.Id);
        if (row is null) return new BagGone(place.Id, 0, [], 0, frames);
        var counted = row.Cells.Where(c => c.Worst is not null).SelectMany(c => c.Needs.Select(n => (Cell: c, Need: n)))
            .Where(n => day.Plan.PartOf(n.Cell.Part)!.Needs.First(x => x.Id == n.Need).Importance != Importance.Nice).ToList();
        var lost = counted.Where(n => n.Cell.Worst is Outcome.Late or Outcome.Lost).ToList();
        return new BagGone(place.Id, row.Costs, [.. lost.Take(Math.Min(Named, row.Costs)).Select(n => new LostPicture(n.Cell.Part, n.Need))],
            counted.Count - lost.Count, frames);
    }
}
