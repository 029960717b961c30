using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>One thing picked where there are several.</summary>
internal sealed record SlowPick(Item Item, bool InPlace, double Seconds);

/// <summary>What helps a camera: fixed things, things to fetch, and lists of which one each must be picked.</summary>
internal sealed record SlowAid(List<Item> Items, List<Item> Fetched, double Seconds, List<List<SlowPick>> Asks)
{
    public static SlowAid None { get; } = new([], [], 0, []);

    /// <summary>Every choice of different things, one of each list.</summary>
    public IEnumerable<List<SlowPick>> Choices(List<SlowPick> had) => had.Count == Asks.Count
        ? [had]
        : Asks[had.Count].Where(p => had.All(h => h.Item != p.Item)).SelectMany(p => Choices([.. had, p]));

    public SlowAid And(SlowAid other) => new([.. Items, .. other.Items.Except(Items)], [.. Fetched, .. other.Fetched], Seconds + other.Seconds,
        [.. Asks, .. other.Asks]);
}

/// <summary>What a help changes in the judging of the glass.</summary>
internal sealed record SlowHelp(bool Supported = false, double? Lux = null, double Nd = 0, List<(Flash Flash, string? Gel)>? Flashes = null, double Path = 0,
    double Loss = 0);

/// <summary>Tripods, filters, flashes and lights in the room, tried one by one for the plain reference.</summary>
internal sealed class SlowAids(Plan plan, SlowReference slow)
{
    private HandlingSeconds S = new();

    public IEnumerable<(SlowAid Aid, bool Full)> For(Part part, Need need, string person, Body body, List<Item> chain, bool? plain)
    {
        S = slow.SecondsOf(person);
        var without = plain;
        var stand = SlowAid.None;
        var supported = false;
        var supports = plan.Items.OfType<Support>().Where(s => s.Form is "tripod" or "monopod").Where(s => CanFetch(part, person, s) || OnIt(part, s, body))
            .Select(s => new SlowPick(s, OnIt(part, s, body), S.FitSupport)).ToList();
        if (supports.Count > 0)
        {
            var on = new SlowAid([], [], 0, [supports]);
            var quality = slow.Serves(part, need, body, chain, new SlowHelp(Supported: true));
            if (Better(quality, without)) yield return (on, quality!.Value);
            if (((Lens)chain[0]).NeedsSupport == true) (stand, supported, without) = (on, true, quality);
        }
        if (without == true) yield break;
        foreach (var (aid, help, doubtful) in Helps(part, need, person, body, (Lens)chain[0], supported))
        {
            // An ND filter is thought of only where it is strong enough to mend what is too much; a weaker one mends nothing.
            var quality = slow.Serves(part, need, body, chain, help with { Supported = supported });
            List<Item> pieces = [body, .. chain, .. aid.Items];
            if (slow.Together(pieces, PairFit.No)) continue;
            if (quality == true && (doubtful || slow.Together(pieces, PairFit.ManualFocusOnly, PairFit.Doubtful, PairFit.Untested))) quality = false;
            if (Better(quality, without)) yield return (stand.And(aid), quality!.Value);
        }
    }

    private static bool Better(bool? quality, bool? than) => quality is not null && (than is null || (quality == true && than == false));

    // Long: plain and in order, that it can be held against the rules line by line.
    private IEnumerable<(SlowAid, SlowHelp, bool)> Helps(Part part, Need need, string person, Body body, Lens lens, bool supported)
    {
        foreach (var filter in plan.Items.OfType<Filter>().Where(f => f.Stops is not null && lens.FilterThreadMm is not null))
            foreach (var ring in plan.Items.OfType<Filter>().Where(r => r.StepsToMm == filter.ThreadMm && r.ThreadMm == lens.FilterThreadMm).Prepend(null))
                if (ring is not null || filter.ThreadMm == lens.FilterThreadMm)
                {
                    List<Item> all = [filter, .. ring is null ? Array.Empty<Item>() : [ring]];
                    yield return (new SlowAid(all, all, all.Count * S.FitFilter, []), new SlowHelp(Nd: filter.Stops!.Value), all.Any(i => i.Doubtful));
                }
        if (part.Flash == FlashRule.Allowed && part.Quiet != QuietRule.Required)
        {
            // Where lights on stands are asked, the flash on the camera, or fewer of them, is second best.
            var asksStands = need.Light.Contains(LightKind.Stands) && need.Stands is not null;
            var instead = !need.Light.Contains(LightKind.Flash);
            if ((!instead || asksStands) && need.FlashPathM is { } path)
                foreach (var flash in plan.Items.OfType<Flash>()
                    .Where(f => f.GuideNumber is not null && f.Power != FlashPower.SharedPack && Shoe(body, f.Shoe)))
                    if (Power(flash) is { } power)
                        yield return (InShoe(part, flash, body).And(power),
                            new SlowHelp(Flashes: [(flash, flash.Gel)], Path: path, Loss: need.BounceLossStops), flash.Doubtful || instead);
            if (need.Light.Contains(LightKind.Stands) && need.Stands is { } stands)
                foreach (var (sender, system, aid) in Senders(part, person, body))
                    foreach (var (lights, flashes, spare) in Enumerable.Range(1, stands.Count).SelectMany(count => Sets(part, person, system, count)))
                        if (spare != sender)
                            yield return (InShoe(part, sender, body).And(aid).And(lights),
                                new SlowHelp(Flashes: flashes, Path: stands.DistanceM, Loss: stands.LossStops),
                                flashes.Count < stands.Count || aid.Items.Concat(lights.Items).Append(sender).Any(i => i.Doubtful));
        }
        if (need.Light.Contains(LightKind.Continuous))
        {
            var lit = (part.Lights ?? []).Where(l => plan.Items.OfType<StandLight>().Any(i => i.Id == l.Light && i.LuxAtOneM is not null)).ToList();
            for (var mask = 1; mask < 1 << lit.Count; mask++)
            {
                var chosen = lit.Where((_, i) => (mask >> i & 1) == 1).ToList();
                if (chosen.Count < (need.Stands?.Count ?? 1)) continue;
                var (all, lux) = (SlowAid.None, 0.0);
                foreach (var placed in chosen)
                {
                    var lamp = plan.Items.OfType<StandLight>().First(l => l.Id == placed.Light);
                    var one = Holder(part, person, placed) is { } holder && Battery(lamp) is { } power ? new SlowAid([lamp, .. holder], [], 0, []).And(power)
                        : null;
                    all = one is null ? null : all?.And(one);
                    lux += Lux(lamp, need.Stands?.DistanceM ?? 4, need.Stands?.LossStops ?? 0);
                }
                if (all is not null) yield return (all, new SlowHelp(Lux: lux), all.Items.Any(i => i.Doubtful));
            }
            foreach (var lamp in plan.Items.OfType<StandLight>().Where(l => l.LuxAtOneM is not null && !SlowReference.InLights(part, l.Id)))
                if (Battery(lamp) is { } power)
                    yield return (InShoe(part, lamp, body).And(power),
                        new SlowHelp(Lux: Lux(lamp, need.Framing is { } f ? Math.Max(f.DistanceM.High, part.StayBehindM ?? 0) : need.CloseWidthMm is not null
                        ? need.FlashPathM ?? 4 : 4, 0)), lamp.Doubtful);
        }
    }

    private static double Lux(StandLight lamp, double metres, double loss) => lamp.LuxAtOneM!.Value / metres / metres / Math.Pow(2, loss);

    private IEnumerable<(Item Sender, string System, SlowAid Aid)> Senders(Part part, string person, Body body)
    {
        foreach (var item in plan.Items)
        {
            var (sends, shoe) = item is Flash { CanSend: true } f ? (f.RadioSystem, f.Shoe) : item is Trigger t ? (t.Sends, t.Shoe) : (null, null);
            if (sends is null || SlowReference.InLights(part, item.Id) || !Shoe(body, shoe) || Power(item) is not { } power) continue;
            yield return (item, sends, power);
            foreach (var spot in part.Lights ?? [])
                if (plan.Items.OfType<Trigger>().FirstOrDefault(t => t.Id == spot.Relay) is { Sends: { } next } relay && relay.Hears == sends
                    && Power(relay) is { } own
                    && (spot.Holder is null ? [] : Holder(part, person, spot)) is { } held)
                    yield return (item, next, power.And(new SlowAid([relay, .. held], [], 0, [])).And(own));
        }
    }

    private IEnumerable<(SlowAid Lights, List<(Flash, string?)> Flashes, Item? Spare)> Sets(Part part, string person, string system, int count)
    {
        var spots = (part.Lights ?? []).Where(l => l.Flash is not null).ToList();
        for (var mask = 0; mask < 1 << spots.Count; mask++)
        {
            var chosen = spots.Where((_, i) => (mask >> i & 1) == 1).ToList();
            if (chosen.Count != count) continue;
            foreach (var swapped in chosen.Prepend(null))
                foreach (var spare in swapped is null ? new Flash?[] { null } : plan.Items.OfType<Flash>()
                    .Where(f => !SlowReference.InLights(part, f.Id) && CanFetch(part, person, f)).ToArray())
                {
                    var all = SlowAid.None;
                    var flashes = new List<(Flash, string?)>();
                    foreach (var spot in chosen)
                    {
                        var flash = spot == swapped ? spare! : plan.Items.OfType<Flash>().First(f => f.Id == spot.Flash);
                        if (One(part, person, spot, flash, system) is not { } one)
                        {
                            all = null;
                            break;
                        }
                        all = all!.And(one);
                        flashes.Add((flash, spot.Gel ?? flash.Gel));
                    }
                    if (all is not null) yield return (spare is null ? all : all.And(new SlowAid([], [spare], S.PlaceLight, [])), flashes, spare);
                }
        }
    }

    private SlowAid? One(Part part, string person, PlacedLight spot, Flash flash, string system)
    {
        if (flash.GuideNumber is null || Holder(part, person, spot) is not { } holder) return null;
        var all = new SlowAid([flash, .. holder], [], 0, []);
        if (flash.CanHear != true || flash.RadioSystem != system)
        {
            if (plan.Items.OfType<Trigger>().FirstOrDefault(t => t.Id == spot.Receiver) is not { } ear || ear.Hears != system
                || Power(ear) is not { } cells) return null;
            all = all.And(new SlowAid([ear], [], 0, [])).And(cells);
        }
        if (flash.Power == FlashPower.SharedPack) return plan.Items.FirstOrDefault(i => i.Id == spot.Pack) is { } pack
            ? all.And(new SlowAid([pack], [], 0, [])) : null;
        return Power(flash) is { } power ? all.And(power) : null;
    }

    private List<Item>? Holder(Part part, string person, PlacedLight spot)
    {
        if (plan.Items.FirstOrDefault(i => i.Id == spot.Holder) is { } stand) return [stand];
        return plan.People.Any(p => p.Id == spot.Holder) && spot.Holder != person && part.Present?.Contains(spot.Holder!) != false ? [] : null;
    }

    private SlowAid InShoe(Part part, Item thing, Body body)
    {
        var here = SlowReference.SetupOf(part, body.Id) is { } setup
            ? setup.Flash == thing.Id || setup.Trigger == thing.Id
            : SlowReference.SetupOf(part, thing.Id) is null && !SlowReference.InLights(part, thing.Id) && !slow.Elsewhere(part, thing.Id) && thing.Place == "@"
                + body.Id;
        return here ? new SlowAid([thing], [], 0, []) : new SlowAid([thing], [thing], S.FitFlash, []);
    }

    private SlowAid? Power(Item item) => (item is Flash f ? f.CellsType : ((Trigger)item).CellsType) is { } type
        ? new SlowAid([], [], 0, [[.. plan.Items.OfType<Cells>().Where(c => c.Charged && c.Type == type)
            .Select(c => new SlowPick(c, c.Place == "@" + item.Id, S.ChangeBattery))]])
        : SlowAid.None;

    private SlowAid? Battery(StandLight lamp) => lamp.BatteryType is { } type
        ? new SlowAid([], [], 0, [[.. plan.Items.OfType<Battery>().Where(b => b.Charged && b.Type == type)
            .Select(b => new SlowPick(b, b.Place == "@" + lamp.Id, S.ChangeBattery))]])
        : SlowAid.None;

    private static bool Shoe(Body body, string? system) => system is null || body.Shoe is null || body.Shoe == system;

    private static bool OnIt(Part part, Support support, Body body) => SlowReference.SetupOf(part, body.Id)?.Support == support.Id;

    private bool CanFetch(Part part, string person, Item item) => slow.Where(part, item) is { } where
        && (!where.StartsWith("hand:", StringComparison.Ordinal) || where[5..] == person || part.Present?.Contains(where[5..]) != false)
        && !part.Unreachable.Contains(where)
        && (plan.Places.FirstOrDefault(p => p.Id == where)?.Person is not { } owner || part.Present?.Contains(owner) != false);
}
