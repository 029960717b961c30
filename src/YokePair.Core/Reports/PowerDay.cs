using YokePair.Core.Failure;
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
    /// <summary>One is at home at eight the evening before, and leaves an hour before the first part, where nobody has said otherwise.</summary>
    private static readonly TimeSpan HomeAt = TimeSpan.FromHours(20), Travel = TimeSpan.FromHours(1);

    private const int UsualBays = 1;
    private const double UsualHours = 2.5;

    /// <summary>Tells of a day.</summary>
    public static PowerDay Of(DayAnalysis day)
    {
        var power = PowerPlans.Of(day);
        return new PowerDay(PowerWords.Day(day.Plan, power), power, [.. power.Types.Select(t => ChargingOf(day.Plan, t)).OfType<Charging>()],
            day.Plan.Rules.FreshBeforeOnce);
    }

    private static Charging? ChargingOf(Plan plan, PowerType type)
    {
        if (plan.Parts.Min(p => p.Start) is not { } first) return null;
        var chargers = plan.Items.OfType<Charger>().Where(c => c.BatteryTypes?.Contains(type.Type) == true).ToList();
        var bays = chargers.Count == 0 ? UsualBays : (int)chargers.Sum(c => c.Bays ?? UsualBays);
        // Of unlike chargers the slower counts: what is put on together is taken off together.
        var hours = chargers.Max(c => c.Hours) ?? UsualHours;
        var (home, off) = (first.Date.AddDays(-1) + HomeAt, first - Travel);
        var wanted = Math.Min(type.Wanted, type.Carried);
        return new Charging(type.Type, wanted, bays, hours, chargers.Count == 0 || chargers.Exists(c => c.Bays is null || c.Hours is null), home, off,
            NightCharging.Rounds(home, off, wanted, bays, hours));
    }
}
