using YokePair.Core.Carry;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What a carrier takes, what never flies, and the list for customs; how large things are that nobody measured.</summary>
public sealed class RoadTests
{
    private static Plan Packed(Travel? travels, CarrierRules? carrier, params Item[] things) => new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Rules = new Rules { Carrier = carrier },
        People = [new Person { Id = "you" }],
        Places = [new Place { Id = "bag", Name = "Bag", Person = "you", ReachSeconds = 60, EmptyG = 3000, OuterMm = [560, 230, 360], Travels = travels }],
        Items = [.. things.Select(t => t.Place is null ? t with { Place = "bag" } : t)],
        Parts = [new Part { Id = "a", Ev = 12 }],
    };

    private static List<string> Told(Plan plan) =>
        [.. BagDay.Of(new DayAnalysis(plan), []).Road.Select(r => string.Concat(r.Text.Select(t => t.Grams is { } g ? $"{g} g" : t.Text)))];

    private static Battery Wh(string id, double? wattHours, string? place = null) => new() { Id = id, Type = "LB", WattHours = wattHours, Place = place };

    /// <summary>Up to 100 Wh as it is, to 160 two at the most and asked for, more not at all; spares never in the hold, nor a power bank.</summary>
    [Theory]
    [InlineData(100, Travel.Cabin, "")]
    [InlineData(100.1, Travel.Cabin, "Ask your carrier: the a, 100 to 160 Wh; two at the most.")]
    [InlineData(160, Travel.Cabin, "Ask your carrier: the a, 100 to 160 Wh; two at the most.")]
    [InlineData(160.1, Travel.Cabin, "Not in an aircraft at all: the a, over 160 Wh.")]
    [InlineData(14, Travel.Hold, "Not in the hold: the a is in Bag. Spare lithium batteries and power banks go into the cabin, contacts covered.")]
    [InlineData(160.1, Travel.Hold, "Not in an aircraft at all: the a, over 160 Wh.")]
    [InlineData(160.1, Travel.Car, "")]
    [InlineData(160.1, Travel.Train, "")]
    public void A_battery_flies_by_its_watt_hours(double wattHours, Travel travels, string told) =>
        Assert.Equal(told, string.Join('|', Told(Packed(travels, null, Wh("a", wattHours)))));

    [Fact]
    public void What_is_too_many_unknown_or_in_a_camera_is_told_as_such()
    {
        Assert.Equal(["Ask your carrier: the a, the b and the c, 100 to 160 Wh; two at the most, so that one must stay."],
            Told(Packed(Travel.Cabin, null, Wh("a", 120), Wh("b", 120), Wh("c", 120))));
        Assert.Equal(["Nobody has said how many watt-hours the bank has: look at what is printed on it, volts times ampere-hours."],
            Told(Packed(Travel.Cabin, null, new PowerBank { Id = "bank" }, Wh("usual", null))));
        var body = new Body { Id = "cam", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }] };
        Assert.Empty(Told(Packed(Travel.Hold, null, body, Wh("in", 14, "@cam"))));
    }

    [Fact]
    public void A_bag_is_weighed_and_measured_as_the_carrier_does()
    {
        var carrier = new CarrierRules { CabinMm = [550, 400, 230], CabinG = 3500, HoldG = 4500 };
        var heavy = new Modifier { Id = "soft", WeightG = 1000 };
        Assert.Equal(["Bag is 500 g too heavy for the cabin.", "Bag is 10 mm too large for the cabin."], Told(Packed(Travel.Cabin, carrier, heavy)));
        Assert.Empty(Told(Packed(Travel.Hold, carrier, heavy)));
        Assert.Equal(["Bag is 500 g too heavy for the hold."], Told(Packed(Travel.Hold, carrier with { HoldG = 3500 }, heavy)));
        Assert.Empty(Told(Packed(null, carrier, heavy)));
    }

    [Fact]
    public void Glass_travels_off_its_body_where_that_is_asked()
    {
        var body = new Body { Id = "cam", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }] };
        var lens = new Lens { Id = "glass", Place = "@cam", Mount = "K", Focal = new(50, 50), Aperture = new(1.8, 1.8) };
        var plan = Packed(Travel.Train, new CarrierRules { Apart = true }, body, lens);
        Assert.Equal(["Off its body for the journey: the glass."], Told(plan));
        var bag = plan.Places[0] with { InnerMm = [400, 300, 150] };
        Assert.Equal(["cam", "glass"], BagRoom.Of(plan, bag, [])!.Things.Select(t => t.Item));
        Assert.Equal(["cam"], BagRoom.Of(plan with { Rules = new Rules() }, bag, [])!.Things.Select(t => t.Item));
    }

    [Fact]
    public void The_manifest_counts_what_is_worth_something_and_what_nobody_has_told()
    {
        Item[] home = [new Lens { Id = "glass", Mount = "K", Focal = new(50, 50), Aperture = new(1.8, 1.8), Value = 400, Serial = "G1" }];
        var lens = new Lens { Id = "glass", Mount = "K", Focal = new(50, 50), Aperture = new(1.8, 1.8) };
        var hired = new Flash { Id = "hired", Value = 900, Status = Availability.RentedIn, To = new DateOnly(2027, 6, 14) };
        var manifest = Manifest.Of(new DayAnalysis(Packed(null, null, lens, hired, Wh("b", 14))), home);
        Assert.Equal(["hired", "glass", "b"], manifest.Lines.Select(l => l.Item));
        Assert.Equal((1300, 0, 1), (manifest.Value, manifest.Unvalued, manifest.Unnumbered));
        Assert.Equal((new DateOnly(2027, 6, 14), "G1", "Bag", "flash"),
            (manifest.Lines[0].BackBy, manifest.Lines[1].Serial, manifest.Lines[0].Place, manifest.Lines[0].Kind));
    }

    [Fact]
    public void What_cannot_be_a_size_is_refused_at_its_field()
    {
        var plan = Packed(null, null);
        string Refused(Place place) => new PutPlace { Place = place }.Apply(plan).Problems[0].Field;
        Assert.Equal("place.innerMm", Refused(plan.Places[0] with { InnerMm = [400, 300] }));
        Assert.Equal("place.innerMm[2]", Refused(plan.Places[0] with { InnerMm = [400, 300, 0] }));
        Assert.Equal("place.outerMm[0]", Refused(plan.Places[0] with { OuterMm = [-1, 300, 100] }));
        Assert.Equal("place.gapMm", Refused(plan.Places[0] with { GapMm = -1 }));
        Assert.Equal("place.guarded", Refused(plan.Places[0] with { Guarded = new string('x', 1000) }));
        Assert.Equal("person.limitG", new SetPerson { Person = plan.People[0] with { Name = "You", LimitG = -1 } }.Apply(plan).Problems[0].Field);
        Assert.Equal("carrier.cabinMm", new SetRules { Carrier = new CarrierRules { CabinMm = [1] } }.Apply(plan).Problems[0].Field);
        Assert.Equal("carrier.holdG", new SetRules { Carrier = new CarrierRules { HoldG = -1 } }.Apply(plan).Problems[0].Field);
    }

    /// <summary>By focal length, opening, and whether it zooms: length and widest part, mm.</summary>
    [Theory]
    [InlineData(24, 70, 2.8, 128, 86)]
    [InlineData(70, 200, 2.8, 200, 87)]
    [InlineData(50, 50, 1.8, 70, 72)]
    [InlineData(85, 85, 1.4, 116, 77)]
    [InlineData(300, 300, 2.8, 220, 123)]
    public void Glass_nobody_measured_has_a_usual_size(double low, double high, double open, double length, double width)
    {
        var size = UsualSizes.Of(new Lens { Id = "l", Mount = "K", Focal = new(low, high), Aperture = new(open, open) })!;
        Assert.Equal((length, width), (size[0], size[1]), (a, b) => Math.Abs(a.Item1 - b.Item1) <= 1 && Math.Abs(a.Item2 - b.Item2) <= 1);
    }
}
