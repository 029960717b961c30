using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>The charge of a day, as its page tells it.</summary>
/// <param name="Sentence">What goes on charge, what is changed first, and whether it is enough.</param>
/// <param name="Plan">The plan behind it.</param>
/// <param name="Tonight">What is on which charger when in the night before; none without times.</param>
/// <param name="FreshBeforeOnce">Whether what happens once is begun with a full battery.</param>
public sealed record PowerDay(IReadOnlyList<TextPiece> Sentence, PowerPlan Plan, IReadOnlyList<Charging> Tonight, bool FreshBeforeOnce)
{
    /// <summary>The evening before one is at home from eight, to bed at eleven, and leaves an hour before the first part.</summary>
    private static readonly TimeSpan HomeAt = TimeSpan.FromHours(20), BedAt = TimeSpan.FromHours(23), Travel = TimeSpan.FromHours(1);


    /// <summary>Tells of a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">What else is at home, where batteries are charged.</param>
    public static PowerDay Of(DayAnalysis day, IReadOnlyList<Item> atHome)
    {
        var power = PowerPlans.Of(day);
        var chargers = Shared(power.Types, [.. day.Plan.Items.Concat(atHome).OfType<Charger>().DistinctBy(c => c.Id)]);
        return new PowerDay(PowerWords.Day(day.Plan, power), power, [.. power.Types.Select(t => ChargingOf(day.Plan, chargers[t.Type], t)).OfType<Charging>()],
            day.Plan.Rules.FreshBeforeOnce);
    }

    /// <summary>The chargers of each type: one that takes several goes to that of which most is wanted for a bay.</summary>
    private static Dictionary<string, List<Charger>> Shared(IReadOnlyList<PowerType> types, List<Charger> chargers)
    {
        var shared = types.ToDictionary(t => t.Type, _ => new List<Charger>(), StringComparer.Ordinal);
        foreach (var (charger, takes) in chargers.Select(c => (c, Takes: types.Where(t => c.BatteryTypes?.Contains(t.Type) == true).ToList()))
            .Where(c => c.Takes.Count > 0).OrderBy(c => c.Takes.Count))
            shared[takes.MaxBy(t => WantedOf(t) / (double)BaysOf(shared[t.Type]))!.Type].Add(charger);
        return shared;
    }

    private static int WantedOf(PowerType type) => Math.Min(type.Wanted, type.Carried) * (type.Each ?? 1);

    private static int BaysOf(List<Charger> chargers) => (int)chargers.Sum(c => c.Bays ?? Charge.TypicalBays);

    private static Charging? ChargingOf(Plan plan, List<Charger> chargers, PowerType type)
    {
        if (plan.Parts.Min(p => p.Start) is not { } first) return null;
        // Of chargers nobody has told of, one came with each body.
        var bays = chargers.Count > 0 ? BaysOf(chargers) : (int)Charge.TypicalBays * plan.Items.OfType<Body>().Count(b => b.BatteryType == type.Type);
        // Of unlike chargers the slower counts: what is put on together is taken off together.
        var hours = chargers.Max(c => c.Hours) ?? Charge.TypicalHours;
        var (evening, off) = (first.Date.AddDays(-1), first - Travel);
        return new Charging(type.Type, WantedOf(type), bays, hours, chargers.Count == 0 || chargers.Exists(c => c.Bays is null || c.Hours is null), off,
            NightCharging.Rounds(evening + HomeAt, off, WantedOf(type), bays, hours, evening + BedAt));
    }
}
