using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Solving.Tests;

/// <summary>Days small enough that every choice of glass can be tried, from a seed.</summary>
internal static class SmallDay
{
    // Long: all that a small day may have is drawn in one place.
    public static Plan From(int seed)
    {
        var random = new Random(seed);
        bool Chance(double p) => random.NextDouble() < p;
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];

        var two = Chance(0.4);
        List<Person> people = [new Person { Id = "lead" }, .. two ? [new Person { Id = "second" }] : Array.Empty<Person>()];
        List<Place> places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 5 }, new Place { Id = "roller", ReachSeconds = Pick(20.0, 200) },
            new Place { Id = "car", ReachSeconds = 600 }];
        List<(string Person, string Position)> hands = two ? [("lead", "left"), ("second", "left")] : Chance(0.7) ? [("lead", "left"), ("lead", "right")]
            : [("lead", "left")];
        var items = new List<Item>();
        for (var i = 0; i < hands.Count; i++)
        {
            items.Add(new Body
            {
                Id = $"b{i}",
                Place = "roller",
                Mount = ["K"],
                Megapixels = 24,
                IsoCeiling = Pick(3200.0, 12800),
                BatteryType = "LB",
                Slots = [new CardSlot { Type = "SD" }]
            });
            items.Add(new Battery { Id = $"bat{i}", Place = $"@b{i}", Type = "LB" });
            items.Add(new Card { Id = $"c{i}", Place = $"@b{i}/1", Type = "SD" });
        }
        var lenses = random.Next(2, 4);
        for (var i = 0; i < lenses; i++)
        {
            var focal = Pick(24.0, 50, 85, 135);
            items.Add(new Lens
            {
                Id = $"l{i}",
                Place = Pick("belt", "roller", "roller", "car", "@b0"),
                Mount = Chance(0.85) ? "K" : "M",
                Focal = new Interval(focal, focal * Pick(1, 1, 2.5)),
                Aperture = Pick(new Interval(1.4, 1.4), new Interval(2.8, 2.8))
            });
        }
        if (Chance(0.4)) items.Add(new Adapter { Id = "ad", Place = "roller", LensMount = "M", BodyMount = "K" });
        // Of a thing that could come along as of those that do, the owner may know more than mounts say.
        var pairs = new List<PairRule>();
        if (Chance(0.3)) pairs.Add(new PairRule { A = "b0", B = $"l{random.Next(lenses)}", Fit = Pick(PairFit.No, PairFit.Doubtful, PairFit.ManualFocusOnly) });
        string[] extra = ["extra", "extra belt", "extra roller", "extra car"];
        List<PairRule> atHome = Chance(0.3) ? [.. extra.Select(id => new PairRule { A = id, B = "b0", Fit = PairFit.No })] : [];
        var at = new DateTime(2027, 6, 12, 10, 0, 0);
        var parts = new List<Part>();
        var count = hands.Count == 1 ? 3 : random.Next(2, 4);
        for (var p = 0; p < count; p++)
        {
            var start = at.AddMinutes(40 * p + (Chance(0.5) ? 0 : 5));
            parts.Add(new Part
            {
                Id = $"p{p}",
                Start = start,
                End = at.AddMinutes(40 * (p + 1)),
                Ev = Pick(5.0, 8, 11),
                Unreachable = Chance(0.3) ? ["car"] : [],
                Setups = Hands(),
                Needs = [.. Enumerable.Range(0, random.Next(1, 4)).Select(n => new Need
                {
                    Id = $"n{n}",
                    Importance = Pick(Importance.Once, Importance.Must, Importance.Must, Importance.Nice),
                    Focal = Pick(new Interval(24, 35), new Interval(50, 60), new Interval(85, 100), new Interval(130, 200)),
                    ShutterSeconds = Pick(1.0 / 60, 1.0 / 250),
                    Who = Chance(0.75) ? Need.Anyone : Pick([.. people]).Id,
                    Light = [LightKind.Ambient],
                    ToleranceSeconds = Chance(0.3) ? Pick(5.0, 38, 45, 100) : null,
                })],
            });
        }
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { DualRecord = false, MinMegapixels = 6 },
            People = people,
            Places = places,
            Items = items,
            Pairs = pairs,
            PairsAtHome = atHome,
            Parts = parts
        };

        List<Setup> Hands()
        {
            var free = items.OfType<Lens>().ToList();
            var adapters = items.OfType<Adapter>().ToList();
            return [.. hands.Select((hand, i) =>
            {
                var lens = free.Count > 0 && Chance(0.9) ? free[random.Next(free.Count)] : null;
                if (lens is not null) free.Remove(lens);
                var adapter = lens?.Mount == "M" ? adapters.FirstOrDefault() : null;
                if (adapter is not null) adapters.Remove(adapter);
                return new Setup { Person = hand.Person, Position = hand.Position, Body = $"b{i}", Lens = lens?.Id, Adapter = adapter?.Id };
            })];
        }
    }
}
