using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Power;

/// <summary>A type of battery or cells and how many are to be charged.</summary>
/// <param name="Type">The type.</param>
/// <param name="Count">How many.</param>
/// <param name="Each">Cells of a set; null = batteries.</param>
internal sealed record ToCharge(string Type, int Count, int? Each)
{
    /// <summary>How many one charger with no figures of its own charges at once.</summary>
    public int UsualBays => (int)(Each is null ? Charge.TypicalBays : Charge.TypicalCellBays);

    /// <summary>Hours of a charger with no figures of its own.</summary>
    public double UsualHours => Each is null ? Charge.TypicalHours : Charge.TypicalCellHours;
}

/// <summary>What is on which charger when in the night before each day of work.</summary>
internal static class ChargingNights
{
    /// <summary>The nights of a plan; none without times.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="days">The charge that each of its days takes.</param>
    /// <param name="atHome">What else is at home: of no use between two days.</param>
    /// <param name="without">Ids of chargers that do not work.</param>
    /// <param name="otherEnds">When other assignments end: after one of the evening before, one comes home late.</param>
    public static IReadOnlyList<Charging> Of(Plan plan, IReadOnlyList<PowerPlan> days, IReadOnlyList<Item> atHome, IReadOnlyList<string>? without = null,
        IReadOnlyList<DateTime>? otherEnds = null)
    {
        List<ToCharge> types = [.. days[0].Types.Select(t => new ToCharge(t.Type, Math.Min(t.Wanted, t.Carried) * (t.Each ?? 1), t.Each))];
        var first = Day.Stretches(plan)[0].Min(p => p.Start);
        IReadOnlyList<Charging> before = first is { } at ? Of(plan, types, at, LateAssignment(plan, at, otherEnds ?? []), areTold: false, atHome, without) : [];
        return [.. before, .. days.SelectMany(d => d.NightBefore)];
    }

    /// <summary>The night between two days: one charges what one has along, and what was used before.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="types">What is to be charged.</param>
    /// <param name="over">When the day before ends.</param>
    /// <param name="first">When the day after begins.</param>
    /// <param name="without">Ids of chargers that do not work.</param>
    public static IReadOnlyList<Charging> Between(
        Plan plan, IReadOnlyList<ToCharge> types, DateTime over, DateTime first, IReadOnlyCollection<string>? without = null) =>
        Of(plan, types, first, over, areTold: true, [], without);

    private static List<Charging> Of(
        Plan plan, IReadOnlyList<ToCharge> types, DateTime first, DateTime? before, bool areTold, IReadOnlyList<Item> atHome,
        IReadOnlyCollection<string>? without)
    {
        List<Charger> chargers = [.. plan.Items.Concat(atHome).OfType<Charger>().OrderBy(c => c.BatteryTypes is null).DistinctBy(c => c.Id)];
        var shared = Shared(types, chargers.FindAll(c => without?.Contains(c.Id) != true));
        // Those one has along are told: of such one that fails leaves none.
        return [.. types.Where(t => t.Count > 0)
            .Select(t => Best(plan, shared[t.Type], areTold && IsTold(plan, t.Type), t, first, before))];
    }

    /// <summary>Whether a charger of a type is along, whether it works or not.</summary>
    public static bool IsTold(Plan plan, string type) => plan.Items.OfType<Charger>().Any(c => c.Takes(type));

    /// <summary>The end of an assignment after which one is home later than usual in the evening before; null where there is none.</summary>
    private static DateTime? LateAssignment(Plan plan, DateTime first, IReadOnlyList<DateTime> otherEnds)
    {
        var rules = plan.Rules.Power;
        var usual = PowerRules.EveningBefore(first, rules.HomeAt) - TimeSpan.FromMinutes(rules.TravelMinutes);
        return otherEnds.Where(e => e > usual && e < first).Select(e => (DateTime?)e).Max();
    }

    /// <summary>The chargers of each type: one that takes several goes to that of which most is wanted for a bay.</summary>
    private static Dictionary<string, List<Charger>> Shared(IReadOnlyList<ToCharge> types, List<Charger> chargers)
    {
        var shared = types.ToDictionary(t => t.Type, _ => new List<Charger>(), StringComparer.Ordinal);
        foreach (var (charger, takes) in chargers.Select(c => (c, Takes: types.Where(t => c.Takes(t.Type)).ToList()))
            .Where(c => c.Takes.Count > 0).OrderBy(c => c.Takes.Count))
            shared[takes.MaxBy(t => t.Count / (double)BaysOf(shared[t.Type], t))!.Type].Add(charger);
        return shared;
    }

    private static int BaysOf(List<Charger> chargers, ToCharge type) => (int)chargers.Sum(c => c.Bays ?? type.UsualBays);

    /// <summary>Unlike chargers are used together, or the faster of them alone, whichever gets more charged.</summary>
    private static Charging Best(Plan plan, List<Charger> chargers, bool isTold, ToCharge type, DateTime first, DateTime? before) =>
        chargers.Select(c => c.Hours ?? type.UsualHours).Distinct().OrderDescending()
            .Select(h => chargers.FindAll(c => (c.Hours ?? type.UsualHours) <= h)).DefaultIfEmpty(chargers)
            .Select(some => ChargingOf(plan, some, isTold, type, first, before)).MaxBy(n => n.Rounds.Sum(r => r.Count * r.Share))!;

    private static Charging ChargingOf(Plan plan, List<Charger> chargers, bool isTold, ToCharge type, DateTime first, DateTime? before)
    {
        // Of chargers nobody has told of, one came with each body.
        var bays = chargers.Count > 0 || isTold ? BaysOf(chargers, type)
            : type.UsualBays * Math.Max(1, plan.Items.OfType<Body>().Count(b => b.BatteryType == type.Type));
        // What is put on together is taken off together.
        var hours = chargers.Select(c => c.Hours ?? type.UsualHours).DefaultIfEmpty(type.UsualHours).Max();
        var (rules, travel) = (plan.Rules.Power, TimeSpan.FromMinutes(plan.Rules.Power.TravelMinutes));
        var off = first - travel;
        var home = before + travel ?? PowerRules.EveningBefore(first, rules.HomeAt);
        DateTime? bed = before is null ? PowerRules.EveningBefore(first, rules.BedAt) : null;
        return new Charging(type.Type, type.Count, bays, hours, chargers.Count == 0 || chargers.Exists(c => c.Bays is null || c.Hours is null), off,
            NightCharging.Rounds(home, off, type.Count, bays, hours, bed), before is not null);
    }
}
