using YokePair.Core.Basics;
using YokePair.Core.Plans;
using YokePair.Core.Taken;

namespace YokePair.Core.Tests;

/// <summary>Small days and their pictures, for what is told afterwards.</summary>
internal static class TakenDays
{
    public static Body Camera(string id, string name, string? serial) => new()
    {
        Id = id,
        Name = name,
        Serial = serial,
        Place = "bag",
        Mount = ["M"],
        Megapixels = 24,
        IsoCeiling = 6400,
        Slots = [new CardSlot { Type = "SD" }],
        BatteryType = "L",
        FramesPerCharge = 800,
        WeightG = 700,
    };

    public static Lens Glass(string id, double low, double high, double widest) => new()
    {
        Id = id,
        Name = low == high ? $"{low} f/{widest}" : $"{low}–{high} f/{widest}",
        Place = "bag",
        Mount = "M",
        Focal = new Interval(low, high),
        Aperture = new Interval(widest, widest),
        WeightG = 500,
    };

    public static Part Part(string id, DateTime start, int minutes, string? kind = null, string? location = null) => new()
    {
        Id = id,
        Name = id,
        Kind = kind,
        Location = location,
        Start = start,
        End = start.AddMinutes(minutes),
        Ev = 8,
    };

    public static Plan Plan(IReadOnlyList<Item> items, params IReadOnlyList<Part> parts) => new()
    {
        Format = Plans.Plan.FormatName,
        Version = 1,
        People = [new Person { Id = "lead", Name = "Lead" }],
        Places = [new Place { Id = "bag", Name = "Bag", ReachSeconds = 20 }],
        Items = items,
        Parts = parts,
    };

    public static TakenDay Day(IReadOnlyList<Item> items, Part part, IEnumerable<PictureTold> pictures)
    {
        var (plan, roll) = (Plan(items, part), TakenRoll.Of(pictures));
        return DayTaken.Of(plan, roll, Recognition.Of(roll, items, [], new Dictionary<string, string>()).Things, []);
    }
}
