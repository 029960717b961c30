using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Solving.Tests;

/// <summary>Days small enough that every choice of things can be tried, from a seed, in which flashes, stands, triggers and converters decide.</summary>
internal static class SmallRoom
{
    // Long: all that a small room may have is drawn in one place.
    public static Plan From(int seed)
    {
        var random = new Random(seed);
        bool Chance(double p) => random.NextDouble() < p;
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];

        List<Place> places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 5 }, new Place { Id = "roller", ReachSeconds = Pick(20.0, 90) }];
        string At() => Pick("belt", "roller", "roller");
        var two = Chance(0.4);
        var items = new List<Item>();
        for (var i = 0; i < (two ? 2 : 1); i++)
        {
            items.Add(new Body
            {
                Id = $"b{i}",
                Place = At(),
                Mount = ["K"],
                Megapixels = 24,
                IsoCeiling = Pick(1600.0, 6400),
                BatteryType = "LB",
                Slots = [new CardSlot { Type = "SD" }]
            });
            items.Add(new Battery { Id = $"bat{i}", Place = $"@b{i}", Type = "LB" });
            items.Add(new Card { Id = $"c{i}", Place = $"@b{i}/1", Type = "SD" });
        }
        for (var i = 0; i < 2; i++)
            items.Add(new Lens
            {
                Id = $"l{i}",
                Place = At(),
                Mount = "K",
                Focal = Pick(new Interval(24, 70), new Interval(50, 50), new Interval(70, 200)),
                Aperture = new Interval(2.8, 2.8),
                TakesConverter = Chance(0.7)
            });
        if (Chance(0.4)) items.Add(new Converter { Id = "tc", Place = At(), Mount = "K", Factor = 1.4 });
        for (var i = 0; i < 2; i++)
            items.Add(new Flash
            {
                Id = $"f{i}",
                Place = Pick("@b0", At(), At()),
                GuideNumber = 60,
                RecycleSeconds = 1,
                RadioSystem = "R1",
                CanHear = Chance(0.6),
                CanSend = Chance(0.3),
                HighSpeedSync = true
            });
        items.Add(new Support { Id = "s0", Place = At(), Form = "stand" });
        items.Add(new Trigger { Id = "t0", Place = Pick("@b0", At()), Sends = "R1" });
        if (Chance(0.5)) items.Add(new Trigger { Id = "t1", Place = Pick("@f0", At()), Hears = "R1" });
        var at = new DateTime(2027, 6, 12, 18, 0, 0);
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { DualRecord = false, MinMegapixels = 6 },
            People = [new Person { Id = "lead" }],
            Places = places,
            Items = items,
            Parts = [.. Enumerable.Range(0, 2).Select(p => new Part
            {
                Id = $"p{p}",
                Start = at.AddHours(p),
                End = at.AddHours(p + 1),
                Ev = Pick(3.0, 7),
                Setups = Hands(),
                Lights = [new PlacedLight { Flash = Pick("f0", "f1"), Holder = "s0", Receiver = items.Exists(i => i.Id == "t1") && Chance(0.6) ? "t1" : null }],
                Needs = [Make("n0", Pick(LightKind.Stands, LightKind.Stands, LightKind.Flash)), Make("n1", LightKind.Ambient)],
            })],
        };

        List<Setup> Hands()
        {
            var first = random.Next(2);
            var converter = items.Exists(i => i.Id == "tc") && items.OfType<Lens>().ElementAt(first).TakesConverter && Chance(0.6) ? "tc" : null;
            List<Setup> hands = [new Setup { Person = "lead", Position = "left", Body = "b0", Lens = $"l{first}", Converter = converter, Trigger = Chance(0.7)
                ? "t0" : null }];
            if (two && Chance(0.8)) hands.Add(new Setup { Person = "lead", Position = "right", Body = "b1", Lens = $"l{1 - first}" });
            return hands;
        }

        Need Make(string id, LightKind light) => new()
        {
            Id = id,
            Importance = Pick(Importance.Once, Importance.Must),
            Focal = Pick(new Interval(24, 35), new Interval(50, 70), new Interval(90, 110)),
            ShutterSeconds = 1.0 / 60,
            Who = Need.Anyone,
            Light = light == LightKind.Ambient ? [LightKind.Ambient] : [LightKind.Ambient, light],
            Stands = light == LightKind.Stands ? new StandLighting { Count = 1, DistanceM = 2 } : null,
            FlashPathM = light == LightKind.Flash ? 3 : null,
            ToleranceSeconds = Chance(0.4) ? Pick(8.0, 38, 100) : null,
        };
    }
}
