using YokePair.Core.Basics;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Record;
using YokePair.Core.Reports;

namespace YokePair.Core.Lists;

/// <summary>
/// The lists of a day: every line is there because of something in the plan, and goes with it. The evening before, the morning, before each
/// part that holds what happens once, and leaving.
/// </summary>
public sealed class DayLists
{
    private readonly DayAnalysis day;
    private readonly Plan plan;
    private readonly PowerDay power;
    private readonly CarryPlan carried;
    private readonly Prices prices;
    private readonly IReadOnlyList<Item> atHome;
    private readonly IReadOnlyDictionary<string, CardState> cards;

    private DayLists(DayAnalysis day, IReadOnlyList<Item> atHome, IReadOnlyDictionary<string, CardState> cards)
    {
        (this.day, plan, this.atHome, this.cards) = (day, day.Plan, atHome, cards);
        power = PowerDay.Of(day, atHome);
        carried = CarryPlans.Of(day, atHome);
        prices = new Prices(day, power.Plan);
    }

    /// <summary>All lists of a day, in the order one comes to them.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">What else is at home.</param>
    /// <param name="cards">What the record says of each card.</param>
    public static IReadOnlyList<CheckList> Of(DayAnalysis day, IReadOnlyList<Item> atHome, IReadOnlyDictionary<string, CardState> cards) =>
        new DayLists(day, atHome, cards).All();

    private List<CheckList> All()
    {
        var (first, last) = (plan.Parts.Min(p => p.Start), plan.Parts.Max(p => p.End));
        var before = new BeforePart(day, power, prices);
        return
        [
            new CheckList(ListKind.Tonight, null, "Tonight", first is { } at ? PowerRules.EveningBefore(at, plan.Rules.Power.BedAt) : null,
                [.. Tonight(first)]),
            new CheckList(ListKind.Morning, null, "Leaving home", first - TimeSpan.FromMinutes(plan.Rules.Power.TravelMinutes),
                [.. Morning(), .. SmallThings.Missing(plan)]),
            .. Day.InOrder(plan).Where(p => p.HoldsOnce).Select(before.ListFor),
            new CheckList(ListKind.Leaving, null, "Going home", last, [.. new GoingHomeLines(day, power, carried, prices, cards).At(last)]),
        ];
    }

    /// <summary>What is charged, cleared and set the evening before.</summary>
    private IEnumerable<CheckLine> Tonight(DateTime? first)
    {
        foreach (var type in power.Plan.Types.Where(t => t.Ready > 0 || t.Carried > 0))
        {
            var ids = plan.Items.Where(i => i.ChargeType() == type.Type).Select(i => i.Id).ToList();
            var (cost, _) = prices.Without(ids);
            var count = Math.Min(type.Wanted, type.Carried) * (type.Each ?? 1);
            yield return new CheckLine($"tonight/charge/{type.Type}", $"{count} {type.Type} on charge", Rounds(type.Type), null, cost, ids);
        }
        foreach (var reminder in power.Reminders.Where(r => first is null || r.At < first))
            yield return new CheckLine($"tonight/{reminder.Text}", $"{prices.List(reminder.Items)}: {reminder.Text}", null, null,
                prices.Without(reminder.Items).Cost, reminder.Items);
        foreach (var card in plan.Items.OfType<Card>().Where(c => cards.GetValueOrDefault(c.Id) is { HoldsPictures: true } && !c.CanRecord))
            yield return new CheckLine($"tonight/clear/{card.Id}", $"{card.Label} cleared, or another taken", "it holds pictures of another day", null,
                prices.Without([card.Id]).Cost, [card.Id]);
        foreach (var card in plan.Items.OfType<Card>().Where(c => c.State == "settings"))
            yield return new CheckLine($"tonight/settings/{card.Id}", $"{card.Label} at hand, its settings those of the cameras",
                "what a camera forgets is loaded from it", null, LineCost.None, [card.Id]);
        foreach (var item in plan.Items.Where(i => i.Wanted))
            yield return new CheckLine($"tonight/get/{item.Id}", $"{item.Label} is here", "still to be had", null, prices.Without([item.Id]).Cost, [item.Id]);
        List<string> bodies = [.. plan.Items.OfType<Body>().Where(b => plan.Parts.Any(p => p.SetsUp(b.Id))).Select(b => b.Id)];
        if (bodies.Count > 1)
            yield return new CheckLine("tonight/clocks", $"Clocks alike: {prices.List(bodies)}", "or their frames do not fall in with each other", null,
                LineCost.None, bodies);
    }

    private string? Rounds(string type) => power.Nights.FirstOrDefault(n => n.Type == type) is not { } night ? null
        : night.Short > 0 ? $"{English.Count(night.Rounds.Count, "round", "rounds")} on {night.Bays} at once; {night.Short} not full as you leave"
        : $"{English.Count(night.Rounds.Count, "round", "rounds")} on {night.Bays} at once";

    /// <summary>
    /// What is in each place, what is reached last first, as that is loaded first; what hangs together is one line, what is used up is one line
    /// a type.
    /// </summary>
    private IEnumerable<CheckLine> Morning()
    {
        foreach (var place in plan.Places.OrderByDescending(p => p.ReachSeconds))
        {
            var things = carried.Places.First(b => b.Place == place.Id).Things;
            List<List<string>> units = [.. things.Where(t => t.On is null).Select(t => With(t.Item, things))];
            var loose = units.Where(u => u.Count == 1 && plan.ItemOf(u[0]) is Battery or Cells or Card).ToLookup(u => TypeOf(plan.ItemOf(u[0])!));
            foreach (var unit in units.Where(u => u.Count > 1 || plan.ItemOf(u[0]) is not (Battery or Cells or Card)))
                yield return Line($"morning/{unit[0]}", TextOf(unit), unit);
            foreach (var box in Boxes.Of(plan).Where(b => things.Any(t => t.Item == b.Id)))
                if (plan.MissingFrom(box) is { Count: > 0 } missing)
                    yield return Line($"morning/{box.Id}/missing", $"Into the {box.Label} as well: {English.List([.. missing.Select(Called)])}",
                        [.. missing.Where(plan.HasItem)]);
            foreach (var type in loose)
            {
                List<string> ids = [.. type.Select(u => u[0])];
                yield return Line($"morning/{place.Id}/{type.Key}", prices.List(ids), ids);
            }

            CheckLine Line(string id, string text, List<string> items)
            {
                var (cost, why) = prices.Without(items);
                return new CheckLine(id, text, why, place.Id, cost, items);
            }
        }
    }

    /// <summary>A box is one thing to look for; what is in it is counted.</summary>
    private string TextOf(List<string> unit) => unit.Count == 1 ? prices.List(unit)
        : plan.ItemOf(unit[0]) is Case
            ? $"{prices.List(unit.Take(1))} with {English.Count(unit.Count - 1, "thing", "things")} in it: {prices.List(unit.Skip(1))}"
        : $"{prices.List(unit.Take(1))} with {prices.List(unit.Skip(1))}";

    private string Called(string id) => plan.ItemOf(id)?.Label ?? $"{atHome.FirstOrDefault(i => i.Id == id)?.Label ?? id} (at home)";

    private static string TypeOf(Item item) => item is Card card ? card.Type ?? "card" : item.ChargeType() ?? "";

    /// <summary>A thing and all that is on it or in it.</summary>
    private static List<string> With(string item, IReadOnlyList<BeamThing> things) =>
        [item, .. things.Where(t => t.On == item).SelectMany(t => With(t.Item, things))];
}
