using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Use;
using YokePair.Core.Ways;

namespace YokePair.Core.Swaps;

/// <summary>The batteries of a day.</summary>
/// <param name="Fed">The plan of every camera.</param>
/// <param name="IsBest">Whether it is certain that none is better.</param>
/// <param name="Charged">What is charged on the way and used afterwards.</param>
internal sealed record FedDay(List<FedSlot> Fed, bool IsBest, IReadOnlyList<SocketRound> Charged);

/// <summary>A battery on a charger while a part lasts.</summary>
/// <param name="Part">Number of the part.</param>
/// <param name="Charger">Number of the charger or power bank.</param>
/// <param name="Battery">Number of the battery.</param>
/// <param name="From">Share of a full charge it has before.</param>
/// <param name="To">Share it has after.</param>
internal sealed record SocketRound(int Part, int Charger, int Battery, double From, double To);

/// <summary>
/// Charges on the way what a day lacks: in a part with a socket, batteries that lie about unused go on the chargers that are along, and can
/// be used afterwards; a camera that charges by USB and rests hangs on a power bank, wherever that is. Up to that part the day goes as
/// planned without; from there it is planned anew. So it works, but that nothing works better is not shown. Charge is taken to grow
/// evenly over the hours of the charger.
/// </summary>
internal sealed class SocketCharging(CameraDay day, IReadOnlyList<CameraWork> work, SwapState before, int from)
{
    private readonly Kit kit = day.Kit;

    /// <summary>The day with what is charged in that part from which on it lacks least, where that is less than without; else as it was.</summary>
    public FedDay Of(FedDay plan, bool atOnce)
    {
        var (best, least) = (plan, SwapPlanner.Lacking(plan.Fed));
        for (var part = from; part < day.Parts.Length - 1 && least > SwapPlanner.Slack; part++)
        {
            if (!day.HasSocket(part) && !kit.Items.Any(i => i is PowerBank)) continue;
            var state = before.Copy();
            state.Live(plan.Fed, part + 1);
            if (Rounds(plan, part, state) is not { Count: > 0 } rounds) continue;
            foreach (var round in rounds) state.Charge(round.Battery, round.To);
            var later = new SwapPlanner(day, work, state, part + 1).BatteriesAsUsed(atOnce);
            List<FedSlot> fed = [.. plan.Fed.Select(f => f.Until(part + 1)).OfType<FedSlot>(), .. later.Fed];
            if (SwapPlanner.Lacking(fed) is var lacks && lacks >= least - SwapPlanner.Slack) continue;
            var used = later.Fed.SelectMany(f => f.PutIn.Concat(f.Work.Items)).ToHashSet();
            (best, least) = (new FedDay(fed, false, [.. rounds.Where(r => used.Contains(r.Battery)), .. later.Charged]), lacks);
        }
        return best;
    }

    private List<SocketRound> Rounds(FedDay plan, int part, SwapState state)
    {
        // Only of what is lacking.
        HashSet<string> lacking = [.. plan.Fed.Where(f => f.Choice.Swaps.Any(s => s.Class is null)).Select(f => ((Body)kit.Items[f.Work.Body]).BatteryType)];
        var hours = Clock.Length(kit.Plan, day.Parts[part]).TotalHours;
        var waiting = kit.Batteries.Where(b => lacking.Contains(TypeOf(b)) && IsFreeToCharge(b, plan, part, state))
            .OrderByDescending(b => Share(b, state)).ToList();
        var rounds = new List<SocketRound>();
        for (var c = 0; c < kit.Items.Length; c++)
        {
            if (day.IsGone(c, part)) continue;
            if (kit.Items[c] is PowerBank bank && OnBank(c, bank, waiting, hours, state) is var (camera, given)) Put(c, camera, given);
            if (kit.Items[c] is not Charger { BatteryTypes: { } types } charger || !day.HasSocket(part)) continue;
            var (bays, full) = ((int)(charger.Bays ?? Charge.TypicalBays), charger.Hours ?? Charge.TypicalHours);
            // Whoever can put on a second round does so when the first is full.
            var turns = Math.Max(1, (int)(hours / full));
            foreach (var battery in waiting.Where(b => types.Contains(TypeOf(b))).Take(bays * turns).ToList()) Put(c, battery, hours / turns / full);
        }
        return rounds;

        void Put(int charger, int battery, double share)
        {
            waiting.Remove(battery);
            rounds.Add(new SocketRound(part, charger, battery, Share(battery, state), Math.Min(1, Share(battery, state) + share)));
        }
    }

    /// <summary>The battery of one camera that hangs on a bank, and the share of a charge it gets, until the bank is empty.</summary>
    private (int Battery, double Share)? OnBank(int item, PowerBank bank, List<int> waiting, double hours, SwapState state)
    {
        if (waiting.Where(b => IsInUsbCamera(b, state)).Select(b => (int?)b).FirstOrDefault() is not { } battery) return null;
        var energy = (bank.WattHours ?? Charge.TypicalBankWattHours) * Charge.ArrivingShare;
        var full = ((Battery)kit.Items[battery]).WattHours ?? Charge.TypicalBatteryWattHours;
        var share = Math.Min(Math.Min(hours / Charge.TypicalHours, 1 - Share(battery, state)), energy * state.Left(item) / full);
        state.Spend(item, state.Left(item) - (share * full / energy));
        return share > 0 ? (battery, share) : null;
    }

    private bool IsInUsbCamera(int battery, SwapState state) =>
        state.BodyOf(battery) is var on && on != Kit.None && kit.Items[on] is Body { UsbCharging: true };

    private string TypeOf(int battery) => ((Battery)kit.Items[battery]).Type ?? "";

    private double Share(int battery, SwapState state) =>
        kit.Items[battery] is Battery { Charged: true } || state.IsTouched(battery) ? state.Left(battery) : 0;

    /// <summary>In no camera that works in the part, here, not full, and out since it begins.</summary>
    private bool IsFreeToCharge(int battery, FedDay plan, int part, SwapState state)
    {
        if (kit.Items[battery] is not Battery { Type: not null } || day.IsGone(battery, part)) return false;
        if (state.BodyOf(battery) is var body && body != Kit.None && work.Any(w => w.Body == body && w.Part == part)) return false;
        if (kit.Items[battery] is Battery { Charged: true } && state.Left(battery) >= 1) return false;
        if (!state.IsTouched(battery) && work.Any(w => w.Body == kit.RestsOn[battery])) return false;
        return !plan.Fed.Any(f => f.Follow(kit, part + 1).Swaps.Exists(s =>
            s.Swap.AfterFrames > 0 && f.Work.Draws[s.Swap.Draw].Part == part && s.Out.Contains(battery)));
    }
}
