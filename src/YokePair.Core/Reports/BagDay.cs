using YokePair.Core.Advice;
using YokePair.Core.Cards;
using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>What would be gone with a bag or another place.</summary>
/// <param name="Place">Id of the place or box.</param>
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

/// <summary>What belongs in a box and is not in it.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="IsAlong">Whether it is packed elsewhere; else it stays at home.</param>
public sealed record MissingThing(string Id, string Name, bool IsAlong);

/// <summary>A box or bag in a bag: what is packed, moved, lent and lost as one.</summary>
/// <param name="Box">Its id.</param>
/// <param name="Place">Id of the place it is in.</param>
/// <param name="Grams">What it weighs with all in it.</param>
/// <param name="Inside">Ids of what is in it.</param>
/// <param name="Missing">What belongs in it besides.</param>
/// <param name="Gone">What would be gone with it.</param>
/// <param name="Kept">Whether the locker has it with the same in it.</param>
public sealed record ModuleTold(
    string Box, string? Place, double Grams, IReadOnlyList<string> Inside, IReadOnlyList<MissingThing> Missing, BagGone Gone, bool Kept);

/// <summary>A box or bag that was kept and stays at home.</summary>
/// <param name="Box">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Things">How many belong in it.</param>
public sealed record ModuleAtHome(string Box, string Name, int Things);

/// <summary>Bags and loads of a day, as their page tells it.</summary>
/// <param name="Sentence">What lies in one bag, what is too heavy, and what is felt on whose shoulders for how long.</param>
/// <param name="Plan">The weights behind it.</param>
/// <param name="Gone">What would be gone with each place.</param>
/// <param name="Splits">What would part a thing from its only backup.</param>
/// <param name="Road">What stands in the way of travelling so, by usual rules.</param>
/// <param name="Modules">Boxes and bags in bags.</param>
/// <param name="AtHome">Those that were kept for other days and are not along.</param>
public sealed record BagDay(
    IReadOnlyList<TextPiece> Sentence, CarryPlan Plan, IReadOnlyList<BagGone> Gone, IReadOnlyList<BagSplit> Splits, IReadOnlyList<RoadTold> Road,
    IReadOnlyList<ModuleTold> Modules, IReadOnlyList<ModuleAtHome> AtHome)
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
            [.. day.Plan.Places.Select(p => GoneWith(day, LossKind.Place, p.Id, frames.GetValueOrDefault(p.Id)))], BagSplit.For(day),
            [.. Carry.Road.Of(day.Plan, carried.Places).Select(l => new RoadTold(l, RoadWords.Say(day.Plan, l)))],
            [.. Boxes.Of(day.Plan).Select(b => Told(day, b, carried, atHome))],
            [.. atHome.OfType<Case>().Where(c => c.Contents is { Count: > 0 } && !day.Plan.HasItem(c.Id))
                .Select(c => new ModuleAtHome(c.Id, c.Label, c.Contents!.Count))]);
    }

    private static ModuleTold Told(DayAnalysis day, Case box, CarryPlan carried, IReadOnlyList<Item> atHome)
    {
        var plan = day.Plan;
        HashSet<string> inside = [.. plan.Inside(box).Select(i => i.Id)];
        var kept = atHome.OfType<Case>().FirstOrDefault(c => c.Id == box.Id)?.Contents;
        return new ModuleTold(box.Id, day.Kit.PackedIn(day.Kit.IndexOf(box.Id)),
            carried.Places.SelectMany(p => p.Things).Where(t => t.Item == box.Id || inside.Contains(t.Item)).Sum(t => t.Grams), [.. inside],
            [.. plan.MissingFrom(box).Select(id => new MissingThing(
                id, (plan.ItemOf(id) ?? atHome.FirstOrDefault(i => i.Id == id))?.Label ?? id, plan.HasItem(id)))],
            GoneWith(day, LossKind.Item, box.Id, 0), kept is not null && box.Contents is { } belongs && kept.ToHashSet().SetEquals(belongs));
    }

    /// <summary>
    /// At its worst moment: what lies in it then is gone for the rest of the day. Moments at which the same lies in it are tried once, the
    /// earliest.
    /// </summary>
    private static BagGone GoneWith(DayAnalysis day, LossKind kind, string id, int frames)
    {
        var before = Needs(day).ToList();
        var gone = new BagGone(id, null, 0, [], 0, frames);
        var seen = new HashSet<string>(StringComparer.Ordinal);
        foreach (var part in Plans.Day.InOrder(day.Whole))
        {
            var pull = new Pulled(id, part.Id, null, kind);
            var then = day.Without([pull]);
            if (!seen.Add(string.Join(' ', then.Outage.ItemsOf(pull)))) continue;
            var worse = before.Zip(Needs(then)).Where(n => n.First.Importance != Importance.Nice && n.Second.Outcome > n.First.Outcome).ToList();
            var lost = worse.Where(n => n.First.Outcome.IsMet() && !n.Second.Outcome.IsMet()).Select(n => new LostPicture(n.First.Part, n.First.Need)).ToList();
            if (lost.Count > gone.Costs || (lost.Count == gone.Costs && worse.Count - lost.Count > gone.SecondBest))
                gone = new BagGone(id, part.Id, lost.Count, [.. lost.Take(Named)], worse.Count - lost.Count, frames);
        }
        return gone;
    }

    private static IEnumerable<(string Part, string Need, Importance Importance, Outcome Outcome)> Needs(DayAnalysis day) =>
        day.Outcomes.SelectMany(p => p.Needs.Select(n => (p.Part.Id, n.Need.Id, n.Need.Importance, n.Outcome)));
}
