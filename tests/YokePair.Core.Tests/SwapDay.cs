using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>Days small enough to try every swap, from a seed.</summary>
internal static class SwapDay
{
    // Long: all that a day of changes may have is drawn in one place.
    public static Plan From(int seed)
    {
        var random = new Random(seed);
        string[] people = random.Next(3) == 0 ? ["p0", "p1"] : ["p0"];
        var places = new List<Place>
        {
            new() { Id = "pouch", Person = "p0", ReachSeconds = 5 }, new() { Id = "bag", ReachSeconds = 60 }, new() { Id = "car", ReachSeconds = 400 },
        };
        var slots = random.Next(3) == 0 ? 2 : 1;
        var items = new List<Item>();
        for (var b = 0; b < 3; b++)
        {
            items.Add(new Body
            {
                Id = $"b{b}",
                Place = "bag",
                Mount = ["K"],
                Megapixels = 24,
                IsoCeiling = 6400,
                BatteryType = Pick("LB", "LB", "LC"),
                FramesPerCharge = Pick(100.0, 150),
                RawMegabytes = 50,
                Slots = [.. Enumerable.Range(0, slots).Select(_ => new CardSlot { Type = "SD" })],
            });
            items.Add(new Lens { Id = $"l{b}", Place = "bag", Mount = "K", Focal = new Interval(24, 200), Aperture = new Interval(2.8, 2.8) });
            if (random.Next(5) > 0) items.Add(NewBattery($"in{b}", "@b" + b, ((Body)items[^2]).BatteryType));
            for (var s = 1; s <= slots; s++)
                if (random.Next(6) > 0) items.Add(NewCard($"c{b}{s}", $"@b{b}/{s}"));
        }
        for (var i = random.Next(0, 4); i > 0; i--) items.Add(NewBattery($"bat{i}", Somewhere(), Pick("LB", "LB", "LC")));
        for (var i = random.Next(0, slots == 2 ? 3 : 4); i > 0; i--) items.Add(NewCard($"card{i}", Somewhere()));

        var time = new DateTime(2027, 6, 12, 10, 0, 0);
        var parts = new List<Part>();
        for (var p = 0; p < (slots == 2 ? 2 : 3); p++)
        {
            var hands = random.Next(slots == 2 ? 1 : 0, 3);
            var frames = Pick(0, 40, 60, 90, 130, 220);
            parts.Add(new Part
            {
                Id = $"part{p}",
                Ev = 12,
                Start = time,
                End = time.AddMinutes(20),
                TemperatureC = Pick<double?>(null, 20, 0, -10),
                Frames = new FrameCount { Low = 0, Likely = frames, High = frames },
                ChangeCards = random.Next(4) == 0 ? true : null,
                Changes = random.Next(4) == 0 ? [$"b{random.Next(2)}"] : null,
                Unreachable = random.Next(3) == 0 ? ["car"] : [],
                Setups = [.. Enumerable.Range(0, hands).Select(h =>
                    new Setup { Person = people[h % people.Length], Position = h < people.Length ? "left" : "right", Body = $"b{h}", Lens = $"l{h}" })],
                Needs = random.Next(4) == 0 ? [] : [new Need { Id = "n", ShutterSeconds = 1.0 / 60, Importance = Pick(Importance.Once, Importance.Must) }],
            });
            time = time.AddMinutes(Pick(20, 20, 21, 30));
        }
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules
            {
                DualRecord = slots == 2,
                FreshBeforeOnce = random.Next(2) == 0,
                Cards = new CardRules { Policy = Pick(CardPolicy.Fill, CardPolicy.Fill, CardPolicy.PerPart) }
            },
            Places = places,
            Items = items,
            Parts = parts,
            People = [.. people.Select(p => new Person { Id = p })],
        };

        T Pick<T>(params T[] from) => from[random.Next(from.Length)];
        string Somewhere() => Pick("pouch", "bag", "bag", "car");
        Battery NewBattery(string id, string place, string type) => new() { Id = id, Place = place, Type = type, Health = Pick(1, 1, 0.7, 0.4) };
        Card NewCard(string id, string place) => new() { Id = id, Place = place, Type = "SD", Gigabytes = Pick(4.0, 8) };
    }
}
