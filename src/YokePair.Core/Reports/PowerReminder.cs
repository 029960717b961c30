using YokePair.Core.Plans;
using YokePair.Core.Power;

namespace YokePair.Core.Reports;

/// <summary>Something to be done about charge besides charging and changing.</summary>
/// <param name="At">Local time.</param>
/// <param name="Text">What.</param>
/// <param name="Items">Ids of the things it is about.</param>
public sealed record PowerReminder(DateTime At, string Text, IReadOnlyList<string> Items)
{
    /// <summary>The reminders of a plan, each because of something that comes along.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="power">What is at work in it.</param>
    /// <param name="nights">When one is home to put something on a charger.</param>
    /// <param name="idle">Ids of what holds a charge that nothing at work takes from.</param>
    public static IReadOnlyList<PowerReminder> Of(Plan plan, PowerPlan power, IReadOnlyList<Charging> nights, IReadOnlyList<string> idle)
    {
        if (plan.Parts.Min(p => p.Start) is not { } first || plan.Parts.Max(p => p.End) is not { } last) return [];
        var rules = plan.Rules.Power;
        var travel = TimeSpan.FromMinutes(rules.TravelMinutes);
        var evening = PowerRules.EveningBefore(first, rules.BedAt) - TimeSpan.FromMinutes(30);
        var found = new List<PowerReminder>();
        string[] used = [.. power.Bands.Select(b => b.Device).Concat(power.Short.Select(s => s.Device)).Distinct()];
        string[] flashes = [.. used.Where(id => plan.ItemOf(id) is Flash { CellsType: not null })];
        string[] alone = [.. power.Alone.Select(a => a.Device)];
        var home = nights.Where(n => n.Off <= first).SelectMany(n => n.Rounds).Select(r => r.On)
            .DefaultIfEmpty(PowerRules.EveningBefore(first, rules.HomeAt)).Min();
        if (alone.Length > 0) found.Add(new PowerReminder(home, "on charge, with a cable of their own", alone));
        if (idle.Count > 0) found.Add(new PowerReminder(home, "on charge too, as they come along: nothing planned takes from them", idle));
        if (flashes.Length > 0)
        {
            found.Add(new PowerReminder(evening, "charged cells in, and one pop to see that it fires", flashes));
            found.Add(new PowerReminder(evening, "switched off before the bag is closed", flashes));
            found.Add(new PowerReminder(last.Date.AddDays(1) + rules.HomeAt.ToTimeSpan(), "cells out: forgotten ones leak", flashes));
        }
        foreach (var recorder in used.Where(id => plan.ItemOf(id) is OtherThing other && other.IsFor("recorder")))
            if (plan.Parts.Where(p => power.Bands.Any(b => b.Device == recorder && b.Levels.Any(l => l.Part == p.Id))).Min(p => p.Start) is { } on)
                found.Add(new PowerReminder(on - TimeSpan.FromMinutes(15), "runs and hears, before it goes on a person", [recorder]));
        string[] swollen = [.. plan.Items.OfType<Battery>().Where(b => b.Doubtful).Select(b => b.Id)];
        if (swollen.Length > 0) found.Add(new PowerReminder(first - travel, "looked at before it is packed: it only sometimes works", swollen));
        return [.. found.OrderBy(r => r.At)];
    }
}
