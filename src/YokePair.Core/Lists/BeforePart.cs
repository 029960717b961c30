using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Lists;

/// <summary>What must be right before a part that holds what happens once, from its rules and setups: ten lines at most, those that matter first.</summary>
internal sealed class BeforePart(DayAnalysis day, PowerDay power, Prices prices)
{
    private const int Most = 10;

    private readonly Plan plan = day.Plan;
    private readonly List<Part> order = [.. Day.InOrder(day.Plan)];
    private readonly IReadOnlyList<CardMove> moves = CardPlans.Of(day).Moves;

    public CheckList ListFor(Part part) => new(ListKind.Before, part.Id, $"Before {part.Label}", part.Start,
        [.. CheckLine.Sorted(Lines(part).Select(l => l with { Id = $"before/{part.Id}/{l.Id}" })).Take(Most)]);

    private List<CheckLine> Lines(Part part)
    {
        var once = part.Needs.First(n => n.Importance == Importance.Once);
        var bodies = BodiesOf(part);
        return
        [
            .. Hands(part), .. Rules(part, once, bodies), .. Changes(part, once), .. Lights(part), .. Pieces(part, once), .. Roles(part),
            .. IsElsewhere(part, bodies) ? Afresh(part, once, bodies) : [],
        ];
    }

    private List<Body> BodiesOf(Part part) => [.. part.Setups.Select(s => plan.ItemOf(s.Body)).OfType<Body>().DistinctBy(b => b.Id)];

    /// <summary>Whether it is another room, other rules or other cameras than just before: what was right there is looked at afresh.</summary>
    private bool IsElsewhere(Part part, List<Body> bodies) =>
        order.IndexOf(part) is not (> 0 and var at) || order[at - 1] is var last
            && (last.Location != part.Location || last.Quiet != part.Quiet || last.Flash != part.Flash || !BodiesOf(last).SequenceEqual(bodies));

    /// <summary>Which glass is on which hand: a lens that is not there is as good as left at home.</summary>
    private IEnumerable<CheckLine> Hands(Part part)
    {
        foreach (var hands in part.Setups.Where(s => s.Lens is not null).GroupBy(s => s.Person))
        {
            List<string> lenses = [.. hands.Select(s => s.Lens!)];
            var (cost, why) = prices.Without(lenses, part.Id);
            var held = string.Join(", ", hands.Select(s => $"{prices.List([s.Lens!])} {s.Position}"));
            yield return Line($"hands/{hands.Key}", $"{plan.PersonOf(hands.Key)?.Name ?? hands.Key}: {held}", why, cost, lenses);
        }
    }

    private IEnumerable<CheckLine> Rules(Part part, Need once, List<Body> bodies)
    {
        var silent = bodies.Where(b => b.Silent).Select(b => b.Id).ToList();
        if (part.Quiet != QuietRule.No && silent.Count > 0)
            yield return Line("silent", $"Silent shutter on: {prices.List(silent)}",
                part.Quiet == QuietRule.Required ? "the part asks for silence" : "the part asks for quiet",
                new LineCost(Prices.Of(once), part.Quiet == QuietRule.Required ? 0 : 1), silent);
        var flashes = plan.Items.OfType<Flash>().Select(f => f.Id).ToList();
        if (!IsAllowed(part) && flashes.Count > 0)
            yield return Line("flash", "Every flash off", "none is allowed here", new LineCost(Prices.Of(once), 0), flashes);
    }

    /// <summary>What is changed at the join.</summary>
    private IEnumerable<CheckLine> Changes(Part part, Need once)
    {
        foreach (var change in power.Plan.Changes.Where(c => c.Part == part.Id && c.AfterFrames is null))
            yield return Line($"charge/{change.Body}", $"{prices.List([change.In])} into {prices.List([change.Body])}",
                change.ShownPercent is { } shown ? $"it shows about {shown} %" : null, new LineCost(Prices.Of(once), 1), [change.Body, change.In]);
        foreach (var camera in moves.Where(m => m.Part == part.Id && m.Kind == CardHolder.Camera).GroupBy(m => m.Where))
            yield return Line($"cards/{camera.Key}", $"{prices.List(camera.Select(m => m.Card))} into {prices.List([camera.Key])}", "clear cards",
                new LineCost(Prices.Of(once), 1), [camera.Key, .. camera.Select(m => m.Card)]);
    }

    /// <summary>What is looked at in every new room: two cards in each camera that takes two, settings, faces, one white balance.</summary>
    private IEnumerable<CheckLine> Afresh(Part part, Need once, List<Body> bodies)
    {
        List<string> pairs = [.. bodies.Where(b => b.Slots.Count > 1).Select(b => b.Id)];
        if (plan.Rules.DualRecord && pairs.Count > 0)
            yield return Line("pairs", $"Two cards in {prices.List(pairs)}", "or every frame is on one", new LineCost(Prices.Of(once), 1), pairs);
        List<string> settings = [.. plan.Items.OfType<Card>().Where(c => c.State == "settings").Select(c => c.Id)];
        if (settings.Count > 0)
            yield return Line("settings", $"Settings loaded from {prices.List(settings)}", null, new LineCost(LinePrice.Picture, 2), settings);
        List<string> all = [.. bodies.Select(b => b.Id)];
        if (bodies.Count > 0 && part.Needs.Any(n => n.Framing is not null && n.Importance == Importance.Once))
            yield return Line("faces", $"Faces of those who matter taught to {prices.List(all)}", "where the camera learns them", LineCost.None, all);
        if (bodies.Count > 1)
            yield return Line("white", $"One white balance{(part.WhiteBalance is { } white ? $", {white}," : "")} on {prices.List(all)}",
                "or the room has two colours", LineCost.None, all);
    }

    private IEnumerable<CheckLine> Lights(Part part)
    {
        List<string> lights = [.. (part.Lights ?? []).SelectMany(l => new[] { l.Flash, l.Light }).OfType<string>()];
        if (lights.Count == 0 || !IsAllowed(part)) yield break;
        var senders = part.Setups.SelectMany(s => new[] { s.Trigger, s.Flash }).OfType<string>().Distinct().ToList();
        var (cost, why) = prices.Without([.. lights, .. senders], part.Id);
        var fired = senders.Count > 0 ? $", fired by {prices.List(senders)}" : "";
        yield return Line("lights", $"{prices.List(lights)} on their channel{fired}", why, cost, [.. lights, .. senders]);
    }

    private static bool IsAllowed(Part part) => part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required;

    /// <summary>What joins glass and camera has its own focus.</summary>
    private IEnumerable<CheckLine> Pieces(Part part, Need once)
    {
        List<string> joined = [.. part.Setups.SelectMany(s => new[] { s.Adapter, s.Converter }).OfType<string>().Distinct()];
        if (joined.Count > 0)
            yield return Line("focus", $"Focus tried with {prices.List(joined)}", "what is between glass and camera shifts it",
                new LineCost(Prices.Of(once), 1), joined);
    }

    private IEnumerable<CheckLine> Roles(Part part)
    {
        foreach (var need in part.Needs.Where(n => n.Role is not null))
            if (plan.Items.FirstOrDefault(i => i.Roles?.Contains(need.Role!, StringComparer.OrdinalIgnoreCase) == true) is { } thing)
                yield return Line($"role/{need.Id}", $"{thing.Label} checked and running", $"or no {need.Label}", new LineCost(Prices.Of(need), 0), [thing.Id]);
    }

    private static CheckLine Line(string id, string text, string? why, LineCost cost, IReadOnlyList<string> items) => new(id, text, why, null, cost, items);
}
