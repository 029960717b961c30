using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Small plans, from a seed, in which two needs of one part happen at once and the gear for both is scarce.</summary>
internal static class RandomMoment
{
    // Long: all that a moment of several may have is drawn in one place.
    public static Plan From(int seed)
    {
        var random = new Random(seed);
        bool Chance(double p) => random.NextDouble() < p;
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];
        List<Place> places = [new Place { Id = "belt", Person = "p0", ReachSeconds = 5 }, new Place { Id = "bag", ReachSeconds = Pick(20.0, 200) }];
        var items = new List<Item>();
        var bodies = random.Next(2, 4);
        for (var i = 0; i < bodies; i++)
            items.Add(new Body
            {
                Id = $"b{i}",
                Place = Pick("belt", "bag"),
                Mount = ["K"],
                Megapixels = 24,
                IsoCeiling = Pick(6400.0, 12800),
                BatteryType = "LB",
                Slots = Chance(0.5) ? [new CardSlot { Type = "SD" }] : [new CardSlot { Type = "SD" }, new CardSlot { Type = "SD" }],
                Doubtful = Chance(0.15)
            });
        for (var i = random.Next(2, 4); i > 0; i--)
            items.Add(new Lens
            {
                Id = $"l{i}",
                Place = Pick("belt", "bag"),
                Mount = "K",
                Focal = Pick(new Interval(24, 70), new Interval(50, 50), new Interval(70, 200)),
                Aperture = new Interval(2.8, 2.8)
            });
        for (var i = random.Next(2, 4); i > 0; i--) items.Add(
            new Battery { Id = $"bat{i}", Place = Chance(0.7) ? $"@b{random.Next(bodies)}" : "bag", Type = "LB", Doubtful = Chance(0.1) });
        for (var i = random.Next(2, 5); i > 0; i--) items.Add(
            new Card { Id = $"c{i}", Place = Chance(0.7) ? $"@b{random.Next(bodies)}/{random.Next(1, 3)}" : "bag", Type = "SD" });

        var free = items.OfType<Lens>().ToList();
        var setups = new List<Setup>();
        for (var i = 0; i < bodies; i++)
        {
            if (Chance(0.2)) continue;
            var lens = free.Count > 0 ? free[random.Next(free.Count)] : null;
            if (lens is not null) free.Remove(lens);
            setups.Add(new Setup { Person = Pick("p0", "p1"), Position = $"hand{i}", Body = $"b{i}", Lens = lens?.Id });
        }
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { DualRecord = Chance(0.3) },
            People = [new Person { Id = "p0" }, new Person { Id = "p1", HandOverSeconds = Chance(0.3) ? 10 : null }],
            Places = places,
            Items = items,
            Parts = [new Part { Id = "part", Ev = 11, Setups = setups, Needs = [Make(0), Make(1), Make(2) with { Moment = null }] }],
        };

        Need Make(int number) => new()
        {
            Id = $"n{number}",
            Importance = Pick(Importance.Once, Importance.Must, Importance.Must),
            Moment = "kiss",
            Who = Chance(0.8) ? Need.Anyone : Pick("p0", "p1"),
            Focal = Pick<Interval?>(null, new Interval(50, 60), new Interval(85, 100), new Interval(50, 120)),
            Covers = Chance(0.3) ? Covers.All : null,
            Accept = Chance(0.3) ? new Interval(30, 150) : null,
            ShutterSeconds = 1.0 / 250,
            Light = [LightKind.Ambient],
            ToleranceSeconds = Chance(0.3) ? 45 : null,
        };
    }
}
