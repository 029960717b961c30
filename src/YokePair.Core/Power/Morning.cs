using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Power;

/// <summary>A day of work with what runs in it and what feeds that.</summary>
/// <param name="Cameras">The day.</param>
/// <param name="Work">Its cameras at work.</param>
/// <param name="Running">What else is at work.</param>
/// <param name="Fed">The batteries of its cameras.</param>
/// <param name="Devices">What feeds the rest.</param>
/// <param name="Night">What was on the chargers in the night before it, after another day; else nothing.</param>
internal sealed record WorkDay(
    CameraDay Cameras, List<CameraWork> Work, List<DeviceWork> Running, FedDay Fed, DevicePlan Devices, IReadOnlyList<Charging> Night);

/// <summary>
/// How full everything is on the morning after a day of work: all that was used goes on the chargers one has along, what is in something first,
/// then the emptiest. Where nobody has told of a charger it is taken to be full again, as a charger one guesses at is no reason to say
/// that a day does not hold.
/// </summary>
internal static class Morning
{
    /// <summary>Shares of a full charge by number, of what is not as the plan says, and the night in between.</summary>
    /// <param name="before">The day before.</param>
    /// <param name="first">When the next begins; null without times.</param>
    /// <param name="dead">Numbers of things that do not work.</param>
    public static (IReadOnlyDictionary<int, double>? Shares, IReadOnlyList<Charging> Night) After(WorkDay before, DateTime? first, IReadOnlySet<int> dead)
    {
        if (first is not { } start || before.Cameras.Parts.Max(p => p.End) is not { } over) return (null, []);
        var (kit, devices) = (before.Cameras.Kit, before.Devices);
        var used = Used(before).Where(u => u.Left < 1 - 1e-9 && !dead.Contains(u.Thing))
            .OrderBy(u => kit.RestsOn[u.Thing] == Kit.None).ThenBy(u => u.Left).ToLookup(u => kit.Items[u.Thing].ChargeType()!);
        List<ToCharge> types = [.. used.Select(g => new ToCharge(g.Key, g.Count() * (devices.CellsOf(g.Key) ?? 1), devices.CellsOf(g.Key)))];
        var night = ChargingNights.Between(kit.Plan, types, over, start, [.. dead.Select(d => kit.Items[d].Id)]);
        var shares = new Dictionary<int, double>();
        foreach (var type in night.Where(n => ChargingNights.IsTold(kit.Plan, n.Type)))
        {
            var gained = type.Rounds.SelectMany(r => Enumerable.Repeat(r.Share, r.Count)).ToList();
            // A set is as full as the last of its cells.
            var cells = devices.CellsOf(type.Type) ?? 1;
            var sets = used[type.Type].Select((u, n) => (u.Thing, Left: Math.Min(1, u.Left + gained.ElementAtOrDefault(((n + 1) * cells) - 1))));
            foreach (var thing in sets.GroupBy(s => s.Thing))
                shares[thing.Key] = (thing.Sum(s => s.Left) + devices.SetsIn(thing.Key) - thing.Count()) / devices.SetsIn(thing.Key);
        }
        return (shares, night);
    }

    /// <summary>What is left of every battery, and of every set of cells, that was drawn from.</summary>
    private static IEnumerable<SetLeft> Used(WorkDay day)
    {
        var state = new SwapState(day.Cameras);
        state.Live(day.Fed.Fed, int.MaxValue);
        var kit = day.Cameras.Kit;
        return kit.Batteries.Where(state.IsTouched).Select(b => new SetLeft(b, state.Left(b))).Concat(day.Devices.Used);
    }

    /// <summary>The night as the day after it sees it: what it cannot do without.</summary>
    /// <param name="night">The night.</param>
    /// <param name="types">What the day after takes.</param>
    /// <param name="plan">The plan.</param>
    public static IReadOnlyList<Charging> Seen(IReadOnlyList<Charging> night, IReadOnlyList<PowerType> types, Plan plan) =>
    [
        .. night.Select(n => types.FirstOrDefault(t => t.Type == n.Type) is not { } type ? n with { Needed = 0 }
            : type.Short == 0 && ChargingNights.IsTold(plan, n.Type) ? n with { Needed = n.Full }
            : n with { Needed = Math.Max(0, (Math.Min(type.Wanted, type.Carried) - type.Carried) * (type.Each ?? 1) + n.Wanted) }),
    ];
}
