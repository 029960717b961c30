using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;

namespace YokePair.Core.Lists;

/// <summary>What must not stay behind at the venue, and what is still to be done with it.</summary>
internal sealed class GoingHomeLines(
    DayAnalysis day, PowerDay power, CarryPlan carried, Prices prices, IReadOnlyDictionary<string, CardState> cards)
{
    private readonly Plan plan = day.Plan;

    /// <summary>The lines, of a day that ends then.</summary>
    public IEnumerable<CheckLine> At(DateTime? last) =>
        Places().Concat(CardPlans.Evening(day) is { } evening ? Copies(evening) : []).Concat(OfOthers())
            .Concat(power.Reminders.Where(r => last is not null && r.At > last)
                .Select(r => Line(r.Text, $"{prices.List(r.Items)}: {r.Text}", "tomorrow", r.Items)));

    private IEnumerable<CheckLine> Places() => carried.Places.Where(b => b.Things.Count > 0).Select(beam =>
    {
        var count = English.Count(beam.Things.Count, "thing", "things");
        return Line(beam.Place, $"{plan.PlaceOf(beam.Place)!.Name ?? beam.Place}: {count} in it again", null, [.. beam.Things.Select(t => t.Item)]) with
        {
            Place = beam.Place,
        };
    });

    /// <summary>What is not copied yet is on the cards alone; what lies in one place only is gone with it.</summary>
    private IEnumerable<CheckLine> Copies(CardEvening evening)
    {
        var before = Math.Max(0, evening.Copies - 1);
        foreach (var run in evening.Runs)
            yield return Line($"copied/{run.Copier}", $"Copied and read back: {prices.List(run.Cards)}, by the {prices.List([run.Copier])}",
                $"till then {English.Count(before, "copy", "copies")} of each", run.Cards) with
            {
                Cost = Of(before),
            };
        foreach (var home in evening.Homes)
        {
            List<string> things = [.. home.Cards, .. home.Copiers];
            yield return Line($"home/{home.Person}", $"Home with {plan.PersonOf(home.Person)?.Name ?? home.Person}: {prices.List(things)}",
                $"all of it lies in {English.Count(evening.Places, "place", "places")} then", things) with
            {
                Cost = Of(evening.Places),
            };
        }

        static LineCost Of(int left) => new(LinePrice.Once, Math.Clamp(left, 0, 3));
    }

    private IEnumerable<CheckLine> OfOthers()
    {
        HashSet<string> ours = [.. plan.People.SelectMany(p => new[] { p.Id, p.Name ?? p.Id })];
        foreach (var item in plan.Items.Where(i => i.Status == Availability.RentedIn || (i.Owner is { } owner && !ours.Contains(owner))))
        {
            var (to, by) = (item.Owner is { } owner ? $" to {owner}" : "", item.To is { } day ? $" by {day:yyyy-MM-dd}" : "");
            yield return Line($"back/{item.Id}", $"{item.Label} goes back{to}{by}", "it is not yours", [item.Id]);
        }
        foreach (var card in cards.Values.Where(c => c.Condition == CardCondition.NotOurs))
            yield return Line($"stranger/{card.Card}", $"{prices.List([card.Card])} is given back", "it is not ours", [card.Card]);
    }

    private static CheckLine Line(string id, string text, string? why, IReadOnlyList<string> items) =>
        new($"leaving/{id}", text, why, null, LineCost.None, items);
}
