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
        Places().Concat(Copies(CardPlans.Evenings(day))).Concat(OfOthers())
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

    /// <summary>
    /// What is not copied yet is on the cards alone; what lies in one place only is gone with it. Of several days all but the last have been
    /// copied in the evening: whoever leaves looks whether that was so.
    /// </summary>
    private IEnumerable<CheckLine> Copies(IReadOnlyList<CardEvening> evenings)
    {
        for (var n = 0; n < evenings.Count; n++)
        {
            var (before, of) = (Math.Max(0, evenings[n].Copies - 1), n == evenings.Count - 1 ? "" : $" on the {English.Nth(n + 1)} evening");
            foreach (var run in evenings[n].Runs)
                yield return Line(of.Length == 0 ? $"copied/{run.Copier}" : $"copied/{run.Copier}/{evenings[n].Part}",
                    $"Copied and read back{of}: {prices.List(run.Cards)}, by the {prices.List([run.Copier])}",
                    $"till then {English.Count(before, "copy", "copies")} of each", run.Cards) with
                {
                    Cost = Of(before),
                };
        }
        if (evenings is not [.., var evening]) yield break;
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
            var (to, by) = (item.Owner is { } owner ? $" to {owner}" : "", item.To is { } day ? $" by {English.Date(day)}" : "");
            yield return Line($"back/{item.Id}", $"{item.Label} goes back{to}{by}", "it is not yours", [item.Id]);
        }
        foreach (var card in cards.Values.Where(c => c.Condition == CardCondition.NotOurs))
            yield return Line($"stranger/{card.Card}", $"{prices.List([card.Card])} is given back", "it is not ours", [card.Card]);
    }

    private static CheckLine Line(string id, string text, string? why, IReadOnlyList<string> items) =>
        new($"leaving/{id}", text, why, null, LineCost.None, items);
}
