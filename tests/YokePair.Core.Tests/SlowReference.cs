using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>
/// The plain reference: lists every way item by item, removes things and looks again. Written from the plan file's
/// documentation alone and sharing nothing with the engine but the plan's records. What helps a camera beyond its glass is in
/// <see cref="SlowAids"/>.
/// </summary>
internal sealed class SlowReference(Plan plan)
{
    public sealed record SlowWay(HashSet<string> Items, bool Full, double Seconds, string Hands);

    private Dictionary<string, Item> Things { get; } = plan.Items.ToDictionary(i => i.Id);

    public static Outcome OutcomeOf(List<SlowWay> ways, double tolerance, params string[] gone)
    {
        var left = ways.Where(w => !gone.Any(w.Items.Contains)).ToList();
        if (left.Any(w => w.Full && w.Seconds <= tolerance)) return Outcome.Holds;
        if (left.Any(w => w.Seconds <= tolerance)) return Outcome.Thins;
        return left.Count > 0 ? Outcome.Late : Outcome.Lost;
    }

    public double ToleranceOf(Need need)
    {
        if (need.ToleranceSeconds is { } typed) return typed;
        double wait;
        if (need.Importance == Importance.Once)
        {
            if (need.MomentSeconds is not { } m) wait = plan.Rules.Tolerance.Once;
            else if (m <= 15) wait = m;
            else wait = new[] { 300, new[] { 15, m / 3 }.Max() }.Min();
        }
        else
        {
            wait = need.Importance == Importance.Must ? plan.Rules.Tolerance.Must : double.PositiveInfinity;
            if (need.MomentSeconds < wait) wait = need.MomentSeconds.Value;
        }
        return wait + (need.WarningSeconds ?? 0);
    }

    /// <summary>The needs alike in all but the band that one stands for whose interval must be covered all along.</summary>
    public static List<Need> Slices(Part part, Need need)
    {
        if (need.Covers != Covers.All || WantedMm(part, need) is not { } want) return [need];
        var n = 1;
        while (Math.Pow(1.3225, n + 1e-9) < want.High / want.Low) n++;
        if (n == 1) return [need];
        var still = StillFineMm(part, need);
        var slices = new List<Need>();
        for (var i = 0; i < n; i++)
        {
            var low = want.Low * Math.Pow(want.High / want.Low, i / (double)n);
            var high = want.Low * Math.Pow(want.High / want.Low, (i + 1) / (double)n);
            slices.Add(need with
            {
                Covers = Covers.Anywhere,
                Focal = new Interval(low, high),
                Accept = still is { } s ? new Interval(low / want.Low * s.Low, high / want.High * s.High) : null,
                Framing = need.Framing is { } f ? f with { TallestM = null, WidestM = null, SmallestM = null, NarrowestM = null } : null,
            });
        }
        return slices;
    }

    /// <summary>What becomes of slices that must all be covered.</summary>
    public static Outcome OutcomeOf(List<List<SlowWay>> slices, double tolerance, params string[] gone) => slices.Max(ways => OutcomeOf(ways, tolerance, gone));

    /// <summary>What becomes of needs that happen at once, by trying every way of each with every way of the others.</summary>
    public static Outcome OutcomeOfMoment(List<(List<SlowWay> Ways, double Tolerance)> needs, params string[] gone)
    {
        var worst = Outcome.Lost;
        var left = needs.ConvertAll(n => n.Ways.FindAll(w => !gone.Any(w.Items.Contains)));
        Meet(0, [], Outcome.Holds);
        return worst;

        void Meet(int at, List<SlowWay> had, Outcome sofar)
        {
            if (at == needs.Count) worst = sofar;
            else
                foreach (var way in left[at])
                {
                    var own = way.Seconds > needs[at].Tolerance ? Outcome.Late : way.Full ? Outcome.Holds : Outcome.Thins;
                    if (own < sofar) own = sofar;
                    if (own < worst && !had.Any(h => h.Hands == way.Hands || h.Items.Overlaps(way.Items))) Meet(at + 1, [.. had, way], own);
                }
        }
    }

    /// <summary>Every minimal set of up to three things whose removal leaves the need late or lost, by trying them all.</summary>
    public List<string> Cuts(List<SlowWay> ways, double tolerance) => Cuts(gone => OutcomeOf(ways, tolerance, gone));

    /// <summary>The same for whatever is judged by what is gone.</summary>
    public List<string> Cuts(Func<string[], Outcome> judge)
    {
        var ids = plan.Items.Select(i => i.Id).ToArray();
        var found = new List<string[]>();
        for (var size = 1; size <= 3; size++)
            foreach (var set in Subsets(ids, size, 0))
                if (!found.Any(f => f.All(set.Contains)) && judge(set) >= Outcome.Late) found.Add(set);
        return [.. found.Select(f => string.Join('+', f.Order(StringComparer.Ordinal)))];
    }

    private static IEnumerable<string[]> Subsets(string[] ids, int size, int from)
    {
        if (size == 0) yield return [];
        else
            for (var i = from; i < ids.Length; i++)
                foreach (var rest in Subsets(ids, size - 1, i + 1)) yield return [ids[i], .. rest];
    }

    public List<SlowWay> Ways(Part part, Need need)
    {
        var ways = new List<SlowWay>();
        foreach (var person in plan.People.Select(p => p.Id))
        {
            if (part.Present is not null && !part.Present.Contains(person)) continue;
            if (plan.People.First(p => p.Id == person).Role == PersonRole.Assistant) continue;
            if (need.Who != "any" && need.Who != person) continue;
            foreach (var body in plan.Items.OfType<Body>())
                foreach (var chain in Chains(body))
                {
                    var plain = Serves(part, need, body, chain);
                    if (plain is { } glassFull) AddFed(part, need, person, body, chain, glassFull, SlowAid.None, ways);
                    if (plain != true)
                        foreach (var (aid, full) in new SlowAids(plan, this).For(part, need, person, body, chain, plain)) AddFed(part, need, person, body,
                            chain, full, aid, ways);
                }
        }
        return ways;
    }

    private void AddFed(Part part, Need need, string person, Body body, List<Item> chain, bool glassFull, SlowAid aid, List<SlowWay> ways)
    {
        foreach (var picks in aid.Choices([]))
            foreach (var battery in plan.Items.OfType<Battery>().Where(b => b.Charged && b.Type == body.BatteryType && picks.All(p => p.Item != b)))
                foreach (var cards in CardChoices(part, body))
                {
                    var slow = IsSlow(part, need, body, cards);
                    List<Item> things = [body, .. chain, battery, .. cards.Select(c => c.Card), .. aid.Items, .. picks.Select(p => p.Item)];
                    foreach (var small in SmallPartsOf(things))
                    {
                        List<SlowPick> more = [.. small.Select(s =>
                            new SlowPick(s, IsOn(part, s, [body, .. chain, .. aid.Items]), SecondsOf(person).FitAdapter))];
                        if (Seconds(part, person, body, chain, battery, cards, aid, [.. picks, .. more]) is not { } seconds) continue;
                        List<Item> all = [.. things, .. small];
                        if (part.Start is { } start && all.Any(i => IsAway(i, DateOnly.FromDateTime(start)))) continue;
                        if (Together(all, PairFit.No)) continue;
                        var half = Together(all, PairFit.ManualFocusOnly, PairFit.Doubtful, PairFit.Untested);
                        var records = !plan.Rules.DualRecord || cards.Count == 2;
                        ways.Add(new SlowWay([.. all.Select(i => i.Id)], glassFull && records && !half && !slow && !all.Any(i => i.Doubtful), seconds, person));
                    }
                }
    }

    /// <summary>Every choice of small parts for some things: of each kind they cannot be used without, one.</summary>
    private List<List<Item>> SmallPartsOf(List<Item> things)
    {
        var choices = new List<List<Item>> { new() };
        var kinds = plan.Items.Where(i => i.NeededBy is not null).GroupBy(i => (i.Name, string.Join('+', i.NeededBy!.Order(StringComparer.Ordinal)))).ToList();
        foreach (var kind in kinds.Where(k => k.First().NeededBy!.Any(served => things.Any(t => t.Id == served))))
            choices = [.. choices.SelectMany(had => kind.Select(one => (List<Item>)[.. had, one]))];
        return choices;
    }

    /// <summary>Whether a thing is packed on one of some others and in nobody's hand.</summary>
    private bool IsOn(Part part, Item small, List<Item> things) => things.Any(t => small.Place == "@" + t.Id) && SetupOf(part, small.Id) is null
        && !Elsewhere(part, small.Id);

    private IEnumerable<List<(Card Card, int Slot)>> CardChoices(Part part, Body body)
    {
        var options = new List<(Card Card, int Slot)>();
        for (var slot = 0; slot < body.Slots.Count; slot++)
            foreach (var card in plan.Items.OfType<Card>())
                if (card.Type == body.Slots[slot].Type && (card.State == "clear" || (card.State == "loaded" && InSlot(part, card, body, slot))))
                    options.Add((card, slot));
        foreach (var one in options)
        {
            yield return [one];
            foreach (var two in options)
                if (two.Slot > one.Slot && two.Card.Id != one.Card.Id) yield return [one, two];
        }
    }

    private IEnumerable<List<Item>> Chains(Body body)
    {
        foreach (var lens in plan.Items.OfType<Lens>())
            foreach (var middle in plan.Items.Where(i => (i is Converter c && lens.TakesConverter && c.Mount == lens.Mount)
                || (i is Tube t && t.Mount == lens.Mount)).Prepend(null))
                foreach (var adapter in plan.Items.OfType<Adapter>().Where(a => a.LensMount == lens.Mount && body.Mount.Contains(a.BodyMount!)).Prepend(null))
                {
                    List<Item> chain = [.. new Item?[] { lens, middle, adapter }.Where(i => i is not null).Select(i => i!)];
                    var fits = adapter is not null || body.Mount.Contains(lens.Mount) || Known(body, lens) is not (null or PairFit.No);
                    if (fits && !chain.Append(body).Any(x => chain.Append(body).Any(y => Known(x, y) == PairFit.No))) yield return chain;
                }
    }

    public PairFit? Known(Item x, Item y) => x.Id == y.Id ? null : (plan.Pairs ?? [])
        .FirstOrDefault(p => new[] { p.A, p.B }.Order().SequenceEqual(new[] { x.Id, y.Id }.Order()))?.Fit;

    /// <summary>Whether any two of some things are known to be a pair of one of these kinds.</summary>
    public bool Together(List<Item> things, params PairFit[] fits) => things.Any(x => things.Any(y => Known(x, y) is { } fit && fits.Contains(fit)));

    /// <summary>Away itself, or in or on something that is.</summary>
    private bool IsAway(Item item, DateOnly day)
    {
        for (var hops = 0; hops < 100; hops++)
        {
            if (IsAwayItself(item, day)) return true;
            if (item.Place?.StartsWith('@') != true || !Things.TryGetValue(item.Place[1..].Split('/')[0], out var bearer)) return false;
            item = bearer;
        }
        return false;
    }

    private static bool IsAwayItself(Item item, DateOnly day)
    {
        var first = item.From ?? DateOnly.MinValue;
        var last = item.To ?? DateOnly.MaxValue;
        return item.Status switch
        {
            null or Availability.Ready => false,
            Availability.RentedIn => day < first || day > last,
            Availability.Lost or Availability.Retired => day >= first,
            _ => day >= first && day <= last,
        };
    }

    /// <summary>The range that is still the picture, second best.</summary>
    private static Interval? StillFineMm(Part part, Need need)
    {
        if (need.Accept is not null || need.Framing is not { } frame || WantedMm(part, need) is not { } want) return need.Accept;
        if (frame is { TallestM: null, WidestM: null, SmallestM: null, NarrowestM: null }) return null;
        var near = Math.Max(frame.DistanceM.Low, part.StayBehindM ?? 0);
        var far = Math.Max(frame.DistanceM.High, part.StayBehindM ?? 0);
        var (up, across) = frame.Upright ? (36, 24) : (24, 36);
        double low = 1e9, high = 1e9;
        if (frame.TallestM is { } tallest) low = Math.Min(low, up * near / tallest);
        if (frame.WidestM is { } widest) low = Math.Min(low, across * near / widest);
        if (frame.SmallestM is { } smallest) high = Math.Min(high, up * far / smallest);
        if (frame.NarrowestM is { } narrowest) high = Math.Min(high, across * far / narrowest);
        return new Interval(low == 1e9 ? want.Low : low, high == 1e9 ? want.High : high);
    }

    /// <summary>True full, false second best, null no.</summary>
    public bool? Serves(Part part, Need need, Body body, List<Item> chain, SlowHelp? help = null)
    {
        const double slack = 1e-9;
        var full = true;
        var lens = (Lens)chain[0];
        var factor = chain.OfType<Converter>().FirstOrDefault()?.Factor ?? 1;
        var tube = chain.OfType<Tube>().FirstOrDefault();
        var c = Math.Max(body.Crop, lens.ImageCircleCrop);
        var usable = body.Megapixels * (body.Crop / c) * (body.Crop / c);
        var least = need.MinMegapixels ?? plan.Rules.MinMegapixels;
        double shortest = lens.Focal.Low * factor * c, longest = lens.Focal.High * factor * c;
        double used = shortest, crop = 1;
        if (WantedMm(part, need) is { } want)
        {
            var still = StillFineMm(part, need) is { } fine && longest >= fine.Low - slack && shortest <= fine.High + slack;
            var asFramed = longest < want.Low ? want.Low / longest <= 1.15 + slack && usable / Math.Pow(want.Low / longest, 2) >= least - slack
                : shortest <= want.High || shortest / want.High <= 1.15 + slack && usable >= least - slack;
            if (still && !asFramed)
            {
                used = longest < want.Low ? longest : shortest;
                full = false;
            }
            else if (longest < want.Low)
            {
                crop = want.Low / longest;
                used = longest;
                if (crop > 1.15 + slack) full = false;
            }
            else if (shortest > want.High)
            {
                var k = shortest / want.High;
                if (k > 1.15 + slack)
                {
                    if (!need.Static || k > plan.Rules.StitchLimit + slack) return null;
                    full = false;
                }
            }
            else used = Math.Max(want.Low, shortest);
        }
        if (usable / (crop * crop) < least - slack) return null;

        var real = used / c / factor;
        var wide = lens.Focal.Low == lens.Focal.High
            ? lens.Aperture.Low
            : lens.Aperture.Low * Math.Pow(lens.Aperture.High / lens.Aperture.Low,
                Math.Log(real / lens.Focal.Low) / Math.Log(lens.Focal.High / lens.Focal.Low));
        var depth = need.MinFNumber / c ?? (need.DepthM is { } d ? SolveDepth(real * factor, d, c)
            : need.Depth switch { DepthPreset.Couple => 3.2, DepthPreset.Row => 5.6, DepthPreset.Group or DepthPreset.Ring => 8, _ => 0 } / c);
        var n = Math.Max(Math.Max(wide, lens.WorkingFNumber ?? 0) * factor, depth);
        if (lens.NeedsSupport == true && help?.Supported != true) return null;
        if (body.Silent && body.SilentShutter == SilentShutter.Banding && part.LedBands == true && part.Quiet != QuietRule.No) full = false;
        if (tube is not null && need.CloseWidthMm is null) return null;
        if (need.CloseWidthMm is { } width)
        {
            var sensor = 36 / c;
            var largest = tube is null ? lens.Magnification * factor : lens.Magnification + tube.ExtensionMm / real;
            var k = sensor / largest / width;
            if (need.CloseWidthMaxMm is { } max && (k > 1.15 + slack || usable / Math.Pow(Math.Max(1, k), 2) < least - slack))
            {
                full = false;
                k = sensor / largest / max;
            }
            if (k > 1 + slack)
            {
                if (k > 1.15 + slack) full = false;
                if (usable / (k * k) < least - slack) return null;
            }
            if (tube is not null && width > sensor * real / tube.ExtensionMm * (1 + slack)) return null;
            n *= 1 + Math.Min(largest, sensor / width);
        }
        if (help?.Flashes is { } flashes)
        {
            var iso = Math.Min(plan.Rules.FlashIso, body.IsoCeiling);
            foreach (var (flash, gel) in flashes)
            {
                var power = Math.Pow(n * help.Path, 2) * Math.Pow(2, help.Loss
                    + (lens.TStopLoss ?? 0)) / (flash.GuideNumber!.Value * flash.GuideNumber.Value * iso / 100);
                if (power > 1 + slack || (need.Fps > 0 && power * flash.RecycleSeconds > 1 / need.Fps)
                    || (need.ShutterSeconds < body.SyncSeconds && !flash.HighSpeedSync)) return null;
                if (part.Gel is not null && gel != part.Gel) full = false;
            }
            if (part.Quiet == QuietRule.Preferred) full = false;
            if (need.ShutterSeconds < body.FastestShutterSeconds - slack || need.ShutterSeconds < need.ShortestShutterSeconds - slack) full = false;
        }
        else
        {
            var stops = Math.Max(body.StabilisationStops, lens.StabilisationStops);
            var shutter = help?.Supported == true ? need.ShutterSeconds : Math.Min(need.ShutterSeconds, Math.Pow(2, stops) / (used * crop));
            if (body.FastestShutterSeconds is { } fastest && shutter < fastest - slack)
            {
                shutter = fastest;
                full = false;
            }
            var light = Math.Pow(2, part.Ev) + (help?.Lux ?? 0) / 2.5;
            light /= Math.Pow(2, (help?.Nd ?? 0) + (lens.TStopLoss ?? 0));
            if (need.MaxFNumber / c < n - slack) full = false;
            // Too bright: try ever faster shutters, then ever smaller stops, until the lowest ISO is reached.
            double Iso() => 100 * n * n / shutter / light;
            if (body.BaseIso is { } lowest && Iso() < lowest)
            {
                // Shorter as far as the body goes, but never so short that the blur wanted is lost for it.
                var limit = new[] { body.FastestShutterSeconds ?? 0, need.ShortestShutterSeconds ?? 0 }.Max();
                shutter = Math.Max(100 * n * n / light / lowest, Math.Min(shutter, limit));
                if (Iso() < lowest * (1 - 1e-12))
                {
                    n = Math.Sqrt(lowest * shutter * light / 100);
                    if (Math.Log2(n / need.MaxFNumber * c ?? 0) * 2 > slack) full = false;
                }
            }
            if (shutter < need.ShortestShutterSeconds - slack) full = false;
            var over = Math.Log2(Iso() / body.IsoCeiling);
            if (over > 1 + slack) return null;
            if (over > slack) full = false;
            if (!need.Light.Contains(help?.Lux is null ? LightKind.Ambient : LightKind.Continuous)) return null;
        }

        if (part.Quiet == QuietRule.Required && !body.Silent) return null;
        if (part.Quiet == QuietRule.Preferred && !body.Silent) full = false;
        var fps = part.Quiet == QuietRule.Required ? body.FpsSilent ?? body.Fps : body.Fps;
        if (fps < need.Fps / 2) return null;
        if (fps < need.Fps) full = false;
        if (StallsOrStays(body, need, Math.Min(fps, need.Fps),
            [.. body.Slots.Select((s, n) => (n, s.WriteMegabytesPerSecond)).Take(plan.Rules.DualRecord ? 9 : 1)])) full = false;
        return full;
    }

    /// <summary>Whether the burst is too much for the cards, or the slots they are in, so far as anybody has measured them.</summary>
    private bool IsSlow(Part part, Need need, Body body, List<(Card Card, int Slot)> cards)
    {
        double? Slower((Card Card, int Slot) at) => new[] { at.Card.WriteMegabytesPerSecond, cards.Count > 1 ? body.Slots[at.Slot].WriteMegabytesPerSecond
            : null }.Min();
        var fps = part.Quiet == QuietRule.Required ? body.FpsSilent ?? body.Fps : body.Fps;
        return StallsOrStays(body, need, Math.Min(fps, need.Fps),
            [.. cards.Select(c => (cards.Count > 1 ? c.Slot : 0, Slower(c))).Where(w => w.Item2 is not null)]);
    }

    /// <summary>Tick by tick: whether the buffer runs full in the burst, or is not empty when what follows begins.</summary>
    private bool StallsOrStays(Body body, Need need, double fps, IReadOnlyList<(int Slot, double? Speed)> writes)
    {
        if (fps <= 0 || body.BufferMegabytes is not { } buffer || (need.BurstSeconds, need.ReadySeconds) is (null, null)) return false;
        var seconds = new List<double>();
        foreach (var (slot, told) in writes)
        {
            if (told is not { } speed) return false;
            var file = body.RawMegabytes ?? Math.Round(body.Megapixels * 1.07);
            if (slot == 1 && plan.Rules.Cards.Second == SecondSlot.Jpeg) file = body.JpegMegabytes ?? Math.Round(file / 3, 1);
            seconds.Add(file / speed);
        }
        if (seconds.Count == 0) return false;
        const double tick = 0.001;
        var (inBuffer, perFrame) = (0.0, seconds.Max());
        var most = buffer / (body.RawMegabytes ?? Math.Round(body.Megapixels * 1.07));
        // Without a length it goes on until the buffer is full, if it ever is.
        if (need.BurstSeconds is null) return need.ReadySeconds is { } again && fps > 1 / perFrame && most * perFrame > again + 0.01;
        for (var at = 0.0; at < need.BurstSeconds; at += tick)
        {
            inBuffer = Math.Max(0, inBuffer + (fps - (1 / perFrame)) * tick);
            if (inBuffer <= most) continue;
            if (need.BurstSeconds - at > 2 * tick) return true;
            inBuffer = most;
            break;
        }
        return need.ReadySeconds is { } ready && inBuffer * perFrame > ready + 0.01;
    }

    private static Interval? WantedMm(Part part, Need need)
    {
        if (need.Focal is not null || need.Framing is not { } frame) return need.Focal;
        double Mm(double at) => Math.Min(frame.HeightM is { } h ? at * (frame.Upright ? 36 : 24) / h : 1e9, frame.WidthM is { } w
            ? at * (frame.Upright ? 24 : 36) / w : 1e9);
        double From(double at) => part.StayBehindM is { } line && line > at ? line : at;
        return new Interval(Mm(From(frame.DistanceM.Low)), Mm(From(frame.DistanceM.High)));
    }

    /// <summary>By halving: the smallest f-number at which both ends are inside the sharp range of the best focus.</summary>
    private static double SolveDepth(double focal, Interval metres, double crop)
    {
        double low = 0.001, high = 1e6;
        var s = 2000 * metres.Low * metres.High / (metres.Low + metres.High);
        for (var i = 0; i < 200; i++)
        {
            var n = Math.Sqrt(low * high);
            var h = focal * focal / (n * 0.03 / crop) + focal;
            if (s * (h - focal) / (h + s - 2 * focal) <= metres.Low * 1000) high = n;
            else low = n;
        }
        return high;
    }

    private double? Seconds(Part part, string who, Body body, List<Item> chain, Battery battery, List<(Card Card, int Slot)> cards, SlowAid aid,
        List<SlowPick> picks)
    {
        var s = SecondsOf(who);
        var total = s.Raise;
        var fetch = new List<Item> { body };
        var on = GlassOn(part, body);
        if (!on.ToHashSet().SetEquals(chain.Select(i => i.Id)))
        {
            total += s.ChangeLens;
            foreach (var piece in chain.Where(p => !on.Contains(p.Id)))
            {
                fetch.Add(piece);
                if (piece is not Lens && piece.Place != "@" + chain[0].Id) total += s.FitAdapter;
            }
        }
        if (!InBody(part, battery, body))
        {
            total += s.ChangeBattery;
            fetch.Add(battery);
        }
        foreach (var (card, slot) in cards)
            if (!InSlot(part, card, body, slot))
            {
                total += s.ChangeCard;
                fetch.Add(card);
            }
        total += aid.Seconds;
        fetch.AddRange(aid.Fetched);
        foreach (var pick in picks.Where(p => !p.InPlace))
        {
            total += pick.Seconds;
            fetch.Add(pick.Item);
        }
        foreach (var where in fetch.Select(i => Where(part, i)).Distinct())
        {
            if (where is null) return null;
            if (where == "lights")
            {
                total += s.PlaceLight;
                continue;
            }
            if (where == "hand:" + who) continue;
            if (where.StartsWith("hand:", StringComparison.Ordinal))
            {
                if (part.Present?.Contains(where[5..]) == false) return null;
                total += plan.People.First(p => p.Id == where[5..]).HandOverSeconds ?? s.Borrow;
                continue;
            }
            var place = plan.Places.First(p => p.Id == where);
            if (part.Unreachable.Contains(where)) return null;
            if (place.Person is { } owner)
            {
                if (part.Present?.Contains(owner) == false) return null;
                if (owner != who) total += plan.People.First(p => p.Id == owner).HandOverSeconds ?? s.Borrow;
            }
            total += part.ReachSeconds is { } own && own.TryGetValue(where, out var here) ? here : place.ReachSeconds;
        }
        return total;
    }

    /// <summary>Whether another part that goes on at the same time has a thing in a hand or on a stand, and this one has not.</summary>
    public bool Elsewhere(Part part, string id) => SetupOf(part, id) is null && plan.Parts.Any(o =>
        o.Id != part.Id && o.Start < part.End && part.Start < o.End && (SetupOf(o, id) is not null || InLights(o, id)));

    /// <summary>The rules' seconds, but for those that somebody has of their own.</summary>
    public HandlingSeconds SecondsOf(string person)
    {
        var (rules, own) = (plan.Rules.Seconds, plan.People.First(p => p.Id == person).Seconds);
        if (own is null) return rules;
        return new HandlingSeconds
        {
            Raise = own.Raise ?? rules.Raise,
            ChangeLens = own.ChangeLens ?? rules.ChangeLens,
            FitAdapter = own.FitAdapter ?? rules.FitAdapter,
            ChangeBattery = own.ChangeBattery ?? rules.ChangeBattery,
            ChangeCard = own.ChangeCard ?? rules.ChangeCard,
            FitFlash = own.FitFlash ?? rules.FitFlash,
            Borrow = own.Borrow ?? rules.Borrow,
            FitSupport = own.FitSupport ?? rules.FitSupport,
            FitFilter = own.FitFilter ?? rules.FitFilter,
            PlaceLight = own.PlaceLight ?? rules.PlaceLight,
        };
    }

    public static Setup? SetupOf(Part part, string id) => part.Setups.FirstOrDefault(s => s.Named().Any(n => n.Id == id));

    public string? Where(Part part, Item item)
    {
        for (var hops = 0; hops < 100; hops++)
        {
            if (SetupOf(part, item.Id) is { } setup) return "hand:" + setup.Person;
            if (Elsewhere(part, item.Id)) return null;
            if (InLights(part, item.Id)) return "lights";
            if (item.Place is not { } at) return null;
            if (!at.StartsWith('@')) return plan.Places.Any(p => p.Id == at) ? at : null;
            if (!Things.TryGetValue(at[1..].Split('/')[0], out var next)) return null;
            item = next;
        }
        return null;
    }

    public static bool InLights(Part part, string id) => (part.Lights ?? [])
        .Any(l => new[] { l.Flash, l.Light, l.Relay, l.Receiver, l.Pack, l.Holder }.Contains(id));

    private List<string> GlassOn(Part part, Body body)
    {
        if (SetupOf(part, body.Id) is { } setup)
            return [.. new[] { setup.Lens, setup.Adapter, setup.Converter, setup.Tube }.OfType<string>()];
        var loose = plan.Items.Where(i => SetupOf(part, i.Id) is null && !InLights(part, i.Id) && !Elsewhere(part, i.Id)).ToList();
        var lens = loose.OfType<Lens>().FirstOrDefault(l => l.Place == "@" + body.Id);
        var rest = loose.Where(i => i is Adapter or Converter or Tube && (i.Place == "@" + body.Id || (lens is not null && i.Place == "@" + lens.Id)))
            .Select(i => i.Id);
        return lens is null ? [.. rest] : [lens.Id, .. rest];
    }

    private bool InBody(Part part, Battery battery, Body body) =>
        SetupOf(part, body.Id)?.Battery is { } named ? named == battery.Id : SetupOf(part, battery.Id) is null && !Elsewhere(part, battery.Id)
            && battery.Place == "@" + body.Id;

    private bool InSlot(Part part, Card card, Body body, int slot) =>
        SetupOf(part, body.Id)?.Cards is { } cards && slot < cards.Count && cards[slot] is { } named
            ? named == card.Id
            : SetupOf(part, card.Id) is null && !Elsewhere(part, card.Id) && card.Place == $"@{body.Id}/{slot + 1}";
}
