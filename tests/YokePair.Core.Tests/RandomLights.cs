using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Small plans, from a seed, in which light is what decides: flashes, triggers, relays, packs, stands, cells, lamps, tripods and filters.</summary>
internal static class RandomLights
{
    // Long: all that a day with lights may have is drawn in one place.
    public static Plan From(int seed)
    {
        var random = new Random(seed);
        bool Chance(double p) => random.NextDouble() < p;
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];

        List<Person> people = [new Person { Id = "p0", Seconds = Chance(0.3)
            ? new OwnSeconds { FitFlash = 8, FitSupport = 12, FitFilter = 9, PlaceLight = 40, ChangeBattery = 11 } : null, HandOverSeconds = Chance(0.3) ? 8
            : null }, .. Chance(0.5) ? [new Person { Id = "p1", Role = Chance(0.5) ? PersonRole.Assistant : null, HandOverSeconds = Chance(0.5) ? 12 : null }]
            : Array.Empty<Person>()];
        List<Place> places = [new Place { Id = "belt", Person = people[^1].Id, ReachSeconds = 5 }, new Place { Id = "bag", ReachSeconds = Pick(20.0, 90) },
            new Place { Id = "car", ReachSeconds = 400 }];
        string At() => Pick("belt", "bag", "bag", "car");
        var items = new List<Item>
        {
            new Body
            {
                Id = "b1", Place = At(), Mount = ["K"], Megapixels = 24, IsoCeiling = Pick(1600.0, 6400), BatteryType = Pick("LB", "LB", "NP"),
                    Slots = [new CardSlot { Type = "SD" }], Silent = Chance(0.7),
                SilentShutter = Chance(0.4) ? SilentShutter.Banding : null, Shoe = Pick(null, "S1", "S2"), Fps = 8, BaseIso = Chance(0.6) ? 100 : null,
                    FastestShutterSeconds = Chance(0.6) ? 1.0 / 2000 : null, Doubtful = Chance(0.1),
            },
        };
        for (var i = random.Next(1, 3); i > 0; i--)
            items.Add(new Lens
            {
                Id = $"l{i}",
                Place = At(),
                Mount = "K",
                Focal = Pick(new Interval(50, 50), new Interval(24, 70), new Interval(24, 70), new Interval(85, 85)),
                Aperture = Pick(new Interval(1.4, 1.4), new Interval(2.8, 2.8), new Interval(4, 5.6)),
                WorkingFNumber = Chance(0.2) ? 4 : null,
                TStopLoss = Chance(0.2) ? 0.5 : null,
                NeedsSupport = Chance(0.25) ? true : null,
                FilterThreadMm = Pick(58.0, 77),
            });
        for (var i = random.Next(1, 3); i > 0; i--) items.Add(
            new Battery { Id = $"bat{i}", Place = Pick("@b1", "@b1", "@led", At()), Type = Pick("LB", "LB", "NP"), Doubtful = Chance(0.1) });
        items.Add(new Card { Id = "c1", Place = "@b1/1", Type = "SD" });
        for (var i = random.Next(1, 4); i > 0; i--)
            items.Add(new Flash
            {
                Id = $"f{i}",
                Place = Pick("@b1", At(), At()),
                GuideNumber = Chance(0.95) ? Pick(20.0, 60, 60, 90) : null,
                RecycleSeconds = Pick(0.5, 3),
                CellsType = Pick(null, "AA", "AA"),
                Shoe = Pick(null, null, "S1"),
                HighSpeedSync = Chance(0.7),
                Power = Chance(0.2) ? FlashPower.SharedPack : null,
                RadioSystem = Pick("R1", "R1", "R2"),
                CanSend = Chance(0.4),
                CanHear = Chance(0.7),
                Gel = Pick(null, "orange"),
                Doubtful = Chance(0.1),
            });
        for (var i = random.Next(1, 4); i > 0; i--)
            items.Add(new Trigger
            {
                Id = $"t{i}",
                Place = Pick("@b1", At()),
                Sends = Pick("R1", "R1", "R2", null),
                Hears = Pick(null, "R1", "R2"),
                Shoe = Pick(null, "S1"),
                CellsType = Pick(null, null, "AA"),
                Doubtful = Chance(0.1)
            });
        for (var i = random.Next(1, 5); i > 0; i--) items.Add(
            new Cells { Id = $"aa{i}", Place = Pick("@f1", "@f2", "@t1", At()), Type = "AA", Charged = Chance(0.9), Doubtful = Chance(0.1) });
        for (var i = random.Next(2, 4); i > 0; i--) items.Add(new Support { Id = $"s{i}", Place = At(), Form = "stand" });
        if (Chance(0.4)) items.Add(new Pack { Id = "pk", Place = At() });
        if (Chance(0.4)) items.Add(new Support { Id = "tp", Place = At(), Form = Pick("tripod", "monopod"), Doubtful = Chance(0.1) });
        if (Chance(0.4)) items.Add(new StandLight { Id = "led", Place = At(), LuxAtOneM = Pick(300.0, 5000), BatteryType = Pick(null, "NP", "LB") });
        if (Chance(0.3)) items.Add(new StandLight { Id = "led2", Place = At(), LuxAtOneM = Pick(200.0, 900), Doubtful = Chance(0.1) });
        if (Chance(0.5)) items.Add(new Filter { Id = "nd", Place = At(), ThreadMm = 77, Stops = Pick(3.0, 6) });
        if (Chance(0.4)) items.Add(new Filter { Id = "ring", Place = At(), ThreadMm = 58, StepsToMm = 77 });

        var free = items.ToList();
        string? Take<T>(Func<T, bool>? wanted = null) where T : Item
        {
            var options = free.OfType<T>().Where(wanted ?? (_ => true)).ToArray();
            if (options.Length == 0) return null;
            var taken = Pick(options);
            free.Remove(taken);
            return taken.Id;
        }

        var setups = Chance(0.8) ? new List<Setup> { new() { Person = "p0", Body = "b1", Lens = Take<Lens>(), Flash = Chance(0.4) ? Take<Flash>() : null,
            Support = Chance(0.3) ? Take<Support>(s => s.CarriesCamera) : null } } : [];
        if (setups is [{ Flash: null }] && Chance(0.6)) setups[0] = setups[0] with { Trigger = Take<Trigger>() };
        var lights = new List<PlacedLight>();
        for (var i = random.Next(1, 4); i > 0; i--)
            if (Take<Flash>() is { } flash)
                lights.Add(new PlacedLight
                {
                    Flash = flash,
                    Receiver = Chance(0.4) ? Take<Trigger>() : null,
                    Pack = Chance(0.5) && items.Any(x => x.Id == "pk")
                    ? "pk" : null,
                    Holder = Chance(0.8) ? Take<Support>(s => s.Form == "stand") : people[^1].Id,
                    Gel = Chance(0.2) ? "orange" : null
                });
        if (Chance(0.3) && Take<Trigger>(t => t.Hears is not null) is { } relay) lights.Add(
            new PlacedLight { Relay = relay, Holder = Pick(null, Take<Support>(s => s.Form == "stand"), people[^1].Id) });
        for (var i = random.Next(0, 3); i > 0; i--)
            if (Take<StandLight>() is { } lamp) lights.Add(new PlacedLight { Light = lamp, Holder = Take<Support>(s => s.Form == "stand") });

        var part = new Part
        {
            Id = "part",
            Ev = Pick(1.0, 4, 7, 16),
            Quiet = Pick(QuietRule.No, QuietRule.No, QuietRule.No, QuietRule.No, QuietRule.Preferred, QuietRule.Required),
            Flash = Chance(0.85) ? FlashRule.Allowed : FlashRule.Banned,
            LedBands = Chance(0.4),
            Gel = Chance(0.3) ? "orange" : null,
            StayBehindM = Chance(0.3) ? 6 : null,
            Unreachable = Chance(0.2) ? ["car"] : [],
            Setups = setups,
            Lights = lights.Count == 0 ? null : lights,
            Needs = [.. Enumerable.Range(0, 3).Select(MakeNeed)],
        };
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { DualRecord = false },
            People = people,
            Places = places,
            Items = items,
            Pairs = Pairs(),
            Parts = [part]
        };

        List<PairRule>? Pairs()
        {
            var pairs = new List<PairRule>();
            for (var i = Chance(0.5) ? random.Next(1, 6) : 0; i > 0; i--)
            {
                var (a, b) = (Pick(items.ToArray()), Pick(items.ToArray()));
                if (a != b && !pairs.Any(p => p.IsOf(a.Id, b.Id))) pairs.Add(
                    new PairRule { A = a.Id, B = b.Id, Fit = Pick(PairFit.No, PairFit.No, PairFit.Doubtful, PairFit.Untested, PairFit.Full) });
            }
            return pairs.Count == 0 ? null : pairs;
        }

        Need MakeNeed(int number)
        {
            var need = AnyNeed(number);
            return need with
            {
                MinFNumber = need.MinFNumber > need.MaxFNumber ? need.MaxFNumber : need.MinFNumber,
                ShortestShutterSeconds = need.ShortestShutterSeconds > need.ShutterSeconds ? null : need.ShortestShutterSeconds,
            };
        }

        SubjectFrame AnyFrame() => new()
        {
            DistanceM = new Interval(2, Pick(4.0, 20)),
            HeightM = 2.2,
            Upright = Chance(0.3),
            TallestM = Chance(0.3) ? 3.3 : null,
            WidestM = Chance(0.2) ? 4 : null,
            SmallestM = Chance(0.3) ? 1.1 : null,
            NarrowestM = Chance(0.2) ? 1.5 : null,
        };

        Need AnyNeed(int number) => new()
        {
            Id = $"n{number}",
            Importance = Pick(Importance.Once, Importance.Must, Importance.Must, Importance.Must, Importance.Nice),
            Framing = Chance(0.4) ? AnyFrame() : null,
            ShutterSeconds = Pick(1.0 / 60, 1.0 / 160, 1.0 / 500, 1.0 / 4000),
            ShortestShutterSeconds = Chance(0.2) ? Pick(1.0 / 30, 1.0 / 100, 1.0 / 200) : null,
            Covers = Chance(0.2) ? Covers.All : null,
            MinFNumber = Chance(0.2) ? 2.8 : null,
            Depth = Chance(0.3) ? Pick(Enum.GetValues<DepthPreset>()) : null,
            DepthM = Chance(0.2) ? new Interval(3, Pick(3.2, 5)) : null,
            MaxFNumber = Chance(0.3) ? Pick(1.4, 2.8) : null,
            Fps = Pick(0.0, 0, 2),
            Light = Pick<LightKind[]>([LightKind.Ambient, LightKind.Flash], [LightKind.Stands], [LightKind.Stands],
                [LightKind.Ambient, LightKind.Stands, LightKind.Flash], [LightKind.Ambient, LightKind.Continuous]),
            FlashPathM = Pick(3.0, 5),
            BounceLossStops = Pick(0.0, 2),
            Stands = Chance(0.8) ? new StandLighting { Count = Pick(1, 1, 2), DistanceM = Pick(2.0, 4), LossStops = Pick(0.0, 1) } : null,
            ToleranceSeconds = Chance(0.3) ? Pick(40.0, 120) : null,
            MomentSeconds = Chance(0.3) ? Pick(8.0, 60) : null,
            WarningSeconds = Chance(0.3) ? 30 : null,
        };
    }
}
