using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Power;

namespace YokePair.Core.Reports;

/// <summary>What is on which charger when in the night before each day of work.</summary>
internal static class ChargingNights
{
    /// <summary>The nights of a plan; none without times.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="days">The charge that each of its days takes.</param>
    /// <param name="atHome">What else is at home: of no use between two days.</param>
    /// <param name="without">Ids of chargers that do not work.</param>
    /// <param name="otherEnds">When other jobs end: after one of the evening before, one comes home late.</param>
    public static IReadOnlyList<Charging> Of(Plan plan, IReadOnlyList<PowerPlan> days, IReadOnlyList<Item> atHome, IReadOnlyList<string>? without = null,
        IReadOnlyList<DateTime>? otherEnds = null)
    {
        var nights = new List<Charging>();
        DateTime? over = null;
        foreach (var (parts, power) in PowerPlans.Stretches(plan).Zip(days))
        {
            if (parts.Min(p => p.Start) is { } first)
            {
                var chargers = plan.Items.Concat(over is null ? atHome : []).OfType<Charger>()
                    .OrderBy(c => c.BatteryTypes is null).DistinctBy(c => c.Id).Where(c => without?.Contains(c.Id) != true);
                var shared = Shared(power.Types, [.. chargers]);
                var before = over ?? LateJob(plan, first, otherEnds ?? []);
                nights.AddRange(power.Types.Select(t => ChargingOf(plan, shared[t.Type], t, first, before)));
            }
            over = parts.Max(p => p.End) ?? over;
        }
        return nights;
    }

    /// <summary>The end of a job after which one is home later than usual in the evening before; null where there is none.</summary>
    private static DateTime? LateJob(Plan plan, DateTime first, IReadOnlyList<DateTime> otherEnds)
    {
        var rules = plan.Rules.Power;
        var usual = first.Date.AddDays(-1) + rules.HomeAt.ToTimeSpan() - TimeSpan.FromMinutes(rules.TravelMinutes);
        return otherEnds.Where(e => e > usual && e < first).Select(e => (DateTime?)e).Max();
    }

    /// <summary>The chargers of each type: one that takes several goes to that of which most is wanted for a bay.</summary>
    private static Dictionary<string, List<Charger>> Shared(IReadOnlyList<PowerType> types, List<Charger> chargers)
    {
        var shared = types.ToDictionary(t => t.Type, _ => new List<Charger>(), StringComparer.Ordinal);
        foreach (var (charger, takes) in chargers.Select(c => (c, Takes: types.Where(t => c.Takes(t.Type)).ToList()))
            .Where(c => c.Takes.Count > 0).OrderBy(c => c.Takes.Count))
            shared[takes.MaxBy(t => WantedOf(t) / (double)BaysOf(shared[t.Type], t))!.Type].Add(charger);
        return shared;
    }

    private static int WantedOf(PowerType type) => Math.Min(type.Wanted, type.Carried) * (type.Each ?? 1);

    private static int BaysOf(List<Charger> chargers, PowerType type) => (int)chargers.Sum(c => c.Bays ?? BaysOf(type));

    private static double BaysOf(PowerType type) => type.Each is null ? Charge.TypicalBays : Charge.TypicalCellBays;

    private static Charging ChargingOf(Plan plan, List<Charger> chargers, PowerType type, DateTime first, DateTime? before)
    {
        // Of chargers nobody has told of, one came with each body.
        var bays = chargers.Count > 0 ? BaysOf(chargers, type)
            : (int)BaysOf(type) * Math.Max(1, plan.Items.OfType<Body>().Count(b => b.BatteryType == type.Type));
        // Of unlike chargers the slower counts: what is put on together is taken off together.
        var hours = chargers.Max(c => c.Hours) ?? (type.Each is null ? Charge.TypicalHours : Charge.TypicalCellHours);
        var (rules, travel) = (plan.Rules.Power, TimeSpan.FromMinutes(plan.Rules.Power.TravelMinutes));
        var (evening, off) = (first.Date.AddDays(-1), first - travel);
        var home = before + travel ?? evening + rules.HomeAt.ToTimeSpan();
        DateTime? bed = before is null ? evening + rules.BedAt.ToTimeSpan() : null;
        return new Charging(type.Type, WantedOf(type), bays, hours, chargers.Count == 0 || chargers.Exists(c => c.Bays is null || c.Hours is null), off,
            NightCharging.Rounds(home, off, WantedOf(type), bays, hours, bed), before is not null);
    }
}
