using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Small plans with every feature of the first engine mixed in, from a seed.</summary>
internal static class RandomPlan
{
    // Long: all that a day may have is drawn in one place.
    public static Plan From(int seed)
    {
        var random = new Random(seed);
        string[] mounts = ["K1", "K2"];
        var people = Enumerable.Range(0, random.Next(1, 3)).Select(i =>
            new Person
            {
                Id = $"p{i}",
                Seconds = Chance(0.2) ? new OwnSeconds
                {
                    ChangeLens = Pick(15.0, 45),
                    Raise = Chance(0.5) ? 3 : null,
                    Borrow = Chance(0.5) ? 20 : null,
                    ChangeCard = Chance(0.5) ? 8 : null
                } : null
            }).ToList();
        var places = Enumerable.Range(0, 3).Select(i => new Place
        {
            Id = $"place{i}",
            ReachSeconds = Pick(0.0, 5, 60, 400),
            Person = Chance(0.4) ? Pick([.. people]).Id : null,
        }).ToList();

        var items = new List<Item>();
        for (var i = random.Next(1, 4); i > 0; i--)
            items.Add(new Body
            {
                Id = $"b{i}",
                Place = Somewhere(),
                Mount = Chance(0.2) ? mounts : [Pick("K1", "K2", "K2", "K2")],
                Crop = Pick(1.0, 1.5),
                Megapixels = Pick(12.0, 24, 45),
                IsoCeiling = Pick(1600.0, 6400, 12800),
                Slots = [.. Enumerable.Range(0, random.Next(1, 3)).Select(_ => new CardSlot
                {
                    Type = Pick("SD", "SD", "SD", "SD", "CFx"),
                    WriteMegabytesPerSecond = Chance(0.7) ? Pick(40.0, 200) : null,
                })],
                BufferMegabytes = Chance(0.4) ? Pick(150.0, 900) : null,
                BatteryType = Pick("LB7", "LB7", "LB7", "LB2"),
                Fps = Pick(3.0, 6, 12),
                FpsSilent = Chance(0.3) ? 2 : null,
                Silent = Chance(0.6),
                StabilisationStops = Pick(0.0, 0, 2),
                Doubtful = Chance(0.1),
            });
        for (var i = random.Next(2, 5); i > 0; i--)
        {
            var zoom = Chance(0.5);
            var focal = Pick(14.0, 24, 50, 85, 200);
            var wide = Pick(1.4, 2.8, 4);
            items.Add(new Lens
            {
                Id = $"l{i}",
                Place = Somewhere(),
                Mount = Pick("K1", "K2", "K2"),
                Focal = new Interval(focal, zoom ? focal * 2.9 : focal),
                Aperture = new Interval(wide, zoom && Chance(0.5) ? wide * 1.6 : wide),
                ImageCircleCrop = Pick(1.0, 1, 1.5),
                Magnification = Pick(0.1, 0.25, 1),
                TakesConverter = Chance(0.5),
                StabilisationStops = Pick(0.0, 0, 3),
                Doubtful = Chance(0.1),
            });
        }
        if (Chance(0.5)) items.Add(new Adapter { Id = "ad", Place = Somewhere(), LensMount = "K1", BodyMount = "K2", Doubtful = Chance(0.2) });
        if (Chance(0.3)) items.Add(new Converter { Id = "tc", Place = Somewhere(), Mount = Pick(mounts), Factor = 1.4 });
        if (Chance(0.3)) items.Add(new Tube { Id = "tube", Place = Somewhere(), Mount = Pick(mounts), ExtensionMm = 16 });
        var bodies = items.OfType<Body>().ToArray();
        for (var i = random.Next(1, 4); i > 0; i--)
            items.Add(new Battery
            {
                Id = $"bat{i}",
                Place = Chance(0.6) ? "@" + Pick(bodies).Id : Somewhere(),
                Type = Pick("LB7", "LB7", "LB2"),
                Charged = Chance(0.9),
                Doubtful = Chance(0.1)
            });
        for (var i = random.Next(1, 6); i > 0; i--)
            items.Add(new Card
            {
                Id = $"c{i}",
                Place = Chance(0.6) ? $"@{Pick(bodies).Id}/{random.Next(1, 3)}" : Somewhere(),
                Type = Pick("SD", "SD", "SD", "CFx"),
                WriteMegabytesPerSecond = Chance(0.6) ? Pick(20.0, 90) : null,
                State = Pick("clear", "clear", "clear", "loaded", "shot"),
            });

        for (var i = 0; i < items.Count; i++)
            if (Chance(0.06)) items[i] = items[i] with
            {
                Status = Pick(Enum.GetValues<Availability>()),
                From = Chance(0.5)
                ? new DateOnly(2027, 6, Pick(11, 12, 13)) : null,
                To = Chance(0.5) ? new DateOnly(2027, 6, Pick(13, 14)) : null
            };
        bodies = [.. items.OfType<Body>()];
        var pairs = new List<PairRule>();
        for (var i = random.Next(0, 5); i > 0; i--)
        {
            var (a, b) = (Chance(0.6) ? Pick<Item>(bodies) : Pick(items.ToArray()), Pick(items.ToArray()));
            if (!pairs.Any(p => p.IsOf(a.Id, b.Id))) pairs.Add(new PairRule { A = a.Id, B = b.Id, Fit = Pick(Enum.GetValues<PairFit>()) });
        }

        var (timed, atOnce) = (Chance(0.7), Chance(0.4));
        var parts = Enumerable.Range(0, 2).Select(MakePart).ToList();
        // Last, so that it changes nothing of what is drawn before.
        if (Chance(0.2))
        {
            Item[] served = [.. items.Where(i => i is Body or Lens or Adapter)];
            string[] needing = Chance(0.3) ? [Pick(served).Id, Pick(served).Id] : [Pick(served).Id];
            for (var i = random.Next(1, 3); i > 0; i--)
                items.Add(new OtherThing
                {
                    Id = $"plate{i}",
                    Name = "Plate",
                    NeededBy = needing,
                    Place = Chance(0.5) ? "@" + Pick(needing) : Somewhere(),
                    Doubtful = Chance(0.15)
                });
            if (Chance(0.3)) items.Add(new OtherThing { Id = "screw", Name = "Screw", NeededBy = [Pick(served).Id], Place = Somewhere() });
        }
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { DualRecord = Chance(0.7), MinMegapixels = Pick(6.0, 8, 12) },
            People = people,
            Places = places,
            Items = items,
            Pairs = Chance(0.6) ? pairs : null,
            Parts = parts,
        };

        bool Chance(double p) => random.NextDouble() < p;
        T Pick<T>(params T[] from) => from[random.Next(from.Length)];
        string? Somewhere() => Chance(0.05) ? Pick(null, "nowhere", "@c1") : Chance(0.15) && items.Count > 0 ? "@" + Pick(items.ToArray()).Id
            : Pick(places.ToArray()).Id;

        Part MakePart(int number) => new()
        {
            Id = $"part{number}",
            Start = timed ? new DateTime(2027, 6, 12 + (atOnce ? 0 : number), 10, 20 * number, 0) : null,
            End = timed ? new DateTime(2027, 6, 12 + (atOnce ? 0 : number), 11, 0, 0) : null,
            Ev = Pick(5.0, 9, 11, 14),
            Quiet = Pick(QuietRule.No, QuietRule.No, QuietRule.Preferred, QuietRule.Required),
            Unreachable = Chance(0.3) ? [Pick(places.ToArray()).Id] : [],
            ReachSeconds = Chance(0.3) ? new Dictionary<string, double> { [Pick(places.ToArray()).Id] = 10 } : null,
            Present = Chance(0.3) ? [Pick(people.ToArray()).Id] : null,
            Setups = Setups(),
            Needs = [.. Enumerable.Range(0, 3).Select(MakeNeed)],
        };

        List<Setup> Setups()
        {
            var setups = new List<Setup>();
            var free = items.ToList();
            foreach (var body in bodies.Where(_ => Chance(0.7)))
            {
                setups.Add(new Setup
                {
                    Person = Pick(people.ToArray()).Id,
                    Body = body.Id,
                    Lens = Chance(0.9) ? Take<Lens>(_ => true) : null,
                    Adapter = Chance(0.3) ? Take<Adapter>(_ => true) : null,
                    Converter = Chance(0.2) ? Take<Converter>(_ => true) : null,
                    Tube = Chance(0.1) ? Take<Tube>(_ => true) : null,
                    Battery = Chance(0.2) ? Take<Battery>(b => b.Type == body.BatteryType) : null,
                    Cards = Chance(0.3) ? [null, body.Slots.Count > 1 ? Take<Card>(c => c.Type == body.Slots[1].Type) : null] : null,
                });
            }
            return setups;

            string? Take<T>(Func<T, bool> wanted) where T : Item
            {
                var options = free.OfType<T>().Where(wanted).ToArray();
                if (options.Length == 0) return null;
                var taken = Pick(options);
                free.Remove(taken);
                return taken.Id;
            }
        }

        Need MakeNeed(int number)
        {
            var low = Pick(20.0, 50, 85, 150);
            return new Need
            {
                Id = $"n{number}",
                Importance = Pick(Importance.Once, Importance.Must, Importance.Nice),
                Who = Chance(0.7) ? Need.Anyone : Pick(people.ToArray()).Id,
                Focal = Chance(0.8) ? new Interval(low, low * Pick(1.0, 1.5, 1.3225, 2.5)) : null,
                ShutterSeconds = Pick(1.0 / 60, 1.0 / 250, 1.0 / 1000),
                MinFNumber = Chance(0.5) ? Pick(1.4, 2.8, 5.6) : null,
                MinMegapixels = Chance(0.3) ? Pick(5.0, 10, 20) : null,
                Static = Chance(0.4),
                Fps = Pick(0.0, 0, 5, 10),
                BurstSeconds = Chance(0.4) ? Pick(1.0, 5) : null,
                ReadySeconds = Chance(0.3) ? Pick(0.0, 3, 15) : null,
                Light = [LightKind.Ambient],
                ToleranceSeconds = Chance(0.3) ? Pick(5.0, 40, 95, 120) : null,
                CloseWidthMm = Chance(0.25) ? Pick(30.0, 60, 150) : null,
                CloseWidthMaxMm = Chance(0.5) ? Pick(150.0, 250, 400) : null,
                Covers = Chance(0.25) ? Covers.All : null,
                Accept = Chance(0.35) ? new Interval(low * Pick(0.4, 0.75, 1), low * Pick(1.5, 2, 4)) : null,
                MomentSeconds = Chance(0.15) ? Pick(5.0, 40, 300) : null,
            };
        }
    }
}
