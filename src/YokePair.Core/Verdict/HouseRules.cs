using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Verdict;

/// <summary>What a house rule asks.</summary>
public enum HouseRuleKind
{
    /// <summary>Two working bodies for everyone who photographs.</summary>
    TwoBodiesEach,

    /// <summary>The lead alone could do every once and must.</summary>
    LeadAlone,

    /// <summary>One full change of cells for every flash.</summary>
    CellsForEachFlash,

    /// <summary>Two senders wherever lights on stands are asked.</summary>
    TwoSenders,
}

/// <summary>How a house rule that is switched on stands.</summary>
/// <param name="Kind">Which.</param>
/// <param name="Lacking">How much is missing: bodies, needs, sets of cells, senders; 0 = it is kept.</param>
public sealed record HouseRule(HouseRuleKind Kind, int Lacking);

/// <summary>Rules of the house: what one asks of a kit whatever the needs say.</summary>
public static class HouseRules
{
    /// <summary>Those that are switched on, in the order of their kinds.</summary>
    /// <param name="day">The day.</param>
    /// <param name="asked">The plan that says who photographs; null = the day's own. Whoever has lost the camera still does.</param>
    public static IReadOnlyList<HouseRule> Of(DayAnalysis day, Plan? asked = null)
    {
        var house = day.Whole.Rules.House;
        var rules = new List<HouseRule>();
        var here = Here(day);
        if (house.TwoBodiesEach) Add(HouseRuleKind.TwoBodiesEach, (2 * Photographers(asked ?? day.Whole)) - here.OfType<Body>().Count(b => !b.Doubtful));
        if (house.LeadAlone) Add(HouseRuleKind.LeadAlone, NotAlone(day));
        if (house.CellsForEachFlash) Add(HouseRuleKind.CellsForEachFlash, CellsLacking(here));
        if (house.TwoSenders) Add(HouseRuleKind.TwoSenders, SendersLacking(day.Whole, here));
        return rules;

        void Add(HouseRuleKind kind, int lacking) => rules.Add(new HouseRule(kind, Math.Max(0, lacking)));
    }

    /// <summary>What is there on every day.</summary>
    private static List<Item> Here(DayAnalysis day)
    {
        var parts = day.Outcomes;
        return [.. day.Whole.Items.Where((_, i) => !parts.Any(p => p.Away[i]))];
    }

    /// <summary>How many people have a camera in some part.</summary>
    public static int Photographers(Plan plan) =>
        plan.People.Count(p => p.Role != PersonRole.Assistant && plan.Parts.Any(part => part.Setups.Any(s => s.Person == p.Id)));

    /// <summary>Needs that matter, are met with everybody there, and would not be by the lead alone: one need at a time, moments left aside.</summary>
    private static int NotAlone(DayAnalysis day)
    {
        if (!AsksForLeadAlone(day.Whole)) return 0;
        var alone = new DayAnalysis(LeadAlone(day.Whole));
        return day.Outcomes.Zip(alone.Outcomes).Sum(part => part.First.Needs.Zip(part.Second.Needs).Count(n =>
            n.First.Need.Importance != Importance.Nice && n.First.Outcome.IsMet() && !n.Second.Outcome.IsMet()));
    }

    /// <summary>Whether the house asks that the lead alone could do it, and there is somebody else.</summary>
    public static bool AsksForLeadAlone(Plan plan) => plan.Rules.House.LeadAlone && plan.People.Count > 1;

    /// <summary>The day as it is for the lead alone: one need at a time, moments left aside.</summary>
    public static Plan LeadAlone(Plan plan)
    {
        var lead = plan.People[0].Id;
        return plan with
        {
            Parts = [.. plan.Parts.Select(part => part with
            {
                Present = [lead],
                Setups = [.. part.Setups.Where(s => s.Person == lead)],
                Needs = [.. part.Needs.Select(n => n with { Who = Need.Anyone, Moment = null })],
            })],
        };
    }

    private static int CellsLacking(IReadOnlyList<Item> here)
    {
        var sets = here.OfType<Cells>().Where(c => c.Charged).ToLookup(c => c.Type);
        return here.OfType<Flash>().Where(f => f.CellsType is not null).GroupBy(f => f.CellsType!)
            .Sum(flashes => Math.Max(0, (2 * flashes.Count()) - sets[flashes.Key].Sum(c => c.Count ?? 1)));
    }

    /// <summary>Whether any need asks for lights on stands.</summary>
    public static bool AsksForStands(Plan plan) => plan.Parts.Any(p => p.Needs.Any(n => n.Light.Contains(LightKind.Stands)));

    private static int SendersLacking(Plan plan, IReadOnlyList<Item> here) =>
        AsksForStands(plan)
            ? Math.Max(0, 2 - here.OfType<Trigger>().Count(t => t.Sends is not null)) : 0;
}
