using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Use;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>The charge of a day, as its page tells it.</summary>
/// <param name="Sentence">What goes on charge, what is changed first, and whether it is enough.</param>
/// <param name="Plan">The plan behind it.</param>
/// <param name="Nights">What is on which charger when, in the night before each day of work; none without times.</param>
/// <param name="Reminders">What is to be done besides, in order of time.</param>
/// <param name="Mends">What would do about what is short.</param>
/// <param name="Alike">Ids of batteries and cells that need no name, as nobody tells them apart by number or name and their like are as good.</param>
/// <param name="Idle">Ids of what comes along and holds a charge that nothing at work takes from.</param>
/// <param name="Carried">What is not full as the day begins, as an earlier one used it and nobody recorded that it was charged.</param>
/// <param name="FreshBeforeOnce">Whether what happens once is begun with a full battery.</param>
/// <param name="Rules">How batteries and cells are used and charged.</param>
/// <param name="Level">How much is taken on the day that is told of.</param>
public sealed record PowerDay(
    IReadOnlyList<TextPiece> Sentence, PowerPlan Plan, IReadOnlyList<Charging> Nights, IReadOnlyList<PowerReminder> Reminders,
    IReadOnlyList<PowerMend> Mends, IReadOnlyList<string> Alike, IReadOnlyList<string> Idle, IReadOnlyList<ChargeLeft> Carried,
    bool FreshBeforeOnce,
    PowerRules Rules, UseLevel Level)
{
    /// <summary>Tells of a day.</summary>
    /// <param name="day">The day.</param>
    /// <param name="atHome">What else is at home, where batteries are charged.</param>
    /// <param name="level">How much is taken.</param>
    /// <param name="otherEnds">When other assignments end.</param>
    public static PowerDay Of(DayAnalysis day, IReadOnlyList<Item> atHome, UseLevel level = UseLevel.High, IReadOnlyList<DateTime>? otherEnds = null)
    {
        var plan = day.Plan;
        List<PowerPlan> days = [.. PowerPlans.ByDay(day, level)];
        var power = PowerPlans.Together(days);
        var nights = ChargingNights.Of(plan, days, atHome, otherEnds: otherEnds);
        var idle = IdleIn(plan, power);
        return new PowerDay(PowerWords.Day(plan, power, nights, idle), power, nights, PowerReminder.Of(plan, power, nights, idle), PowerMend.For(day, atHome),
            AlikeIn(plan), idle,
            [.. (plan.Left ?? new Dictionary<string, double>()).OrderBy(l => l.Value).Select(l => new ChargeLeft(l.Key, l.Value))],
            plan.Rules.FreshBeforeOnce, plan.Rules.Power, level);
    }

    /// <summary>More than this share of health apart, two batteries are not the same to whoever changes them.</summary>
    private const double Apart = 0.2;

    /// <summary>A drone or a laptop that no need counts on is to be full all the same when it comes along.</summary>
    private static List<string> IdleIn(Plan plan, PowerPlan power)
    {
        HashSet<string> atWork = [.. power.Bands.Select(b => b.Device), .. power.Short.Select(s => s.Device), .. power.Alone.Select(a => a.Device)];
        return
        [
            .. plan.Items.Where(i => i.ChargeType() is { } type ? power.Types.All(t => t.Type != type)
                    : (i is Pack or PowerBank || UsualRun.RunsOffCharge(i)) && !atWork.Contains(i.Id))
                .Select(i => i.Id),
        ];
    }

    private static List<string> AlikeIn(Plan plan) =>
    [
        .. plan.Items.Where(i => i.ChargeType() is not null).GroupBy(i => i.ChargeType())
            .Where(g => g.All(i => i.Number is null) && g.Select(i => i.Name).Distinct().Count() == 1 && g.Max(HealthOf) - g.Min(HealthOf) <= Apart)
            .SelectMany(g => g.Select(i => i.Id)),
    ];

    private static double HealthOf(Item item) => (item as Battery)?.Health ?? 1;
}
