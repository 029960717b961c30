using YokePair.Core.Carry;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Reports;
using YokePair.Core.Verdict;

namespace YokePair.Core.Tests;

/// <summary>Cameras left alone, lights and what fires them, on a small day: one case each for what might be written by mistake.</summary>
public sealed class CasesOfRoom
{
    private static readonly DateTime Start = new(2027, 6, 12, 20, 0, 0);

    private static Plan Room { get; } = new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Rules = new Rules { DualRecord = false },
        People = [new Person { Id = "lead" }, new Person { Id = "second" }, new Person { Id = "help", Role = PersonRole.Assistant }],
        Places = [new Place { Id = "bag", ReachSeconds = 60 }, new Place { Id = "vest", Person = "help", ReachSeconds = 2 }],
        Items =
        [
            Body("b1"), Body("b2"), Lens("l1", 24, 70), Lens("l2", 24, 70),
            new Battery { Id = "bat1", Place = "@b1", Type = "LB" }, new Battery { Id = "bat2", Place = "@b2", Type = "LB" },
            new Card { Id = "c1", Place = "@b1/1", Type = "SD" }, new Card { Id = "c2", Place = "@b2/1", Type = "SD" },
            Flash("f1"), Flash("f2"), Flash("f3"), new Trigger { Id = "tx", Place = "bag", Sends = "R1" },
            new Trigger { Id = "bridge", Place = "bag", Hears = "R9", Sends = "R1" }, new Trigger { Id = "old", Place = "bag", Sends = "R9" },
            new Trigger { Id = "ear", Place = "bag", Hears = "R9" }, new Support { Id = "s1", Place = "bag", Form = "stand" },
        ],
        Parts =
        [
            new Part
            {
                Id = "dance", Ev = 0, Start = Start, End = Start.AddMinutes(30),
                Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l1", Trigger = "tx" }],
                Lights = [new PlacedLight { Flash = "f1", Holder = "s1" }],
                Needs = [new Need { Id = "turn", ShutterSeconds = 1.0 / 160, Focal = new(35, 70), Light = [LightKind.Stands],
                    Stands = new StandLighting { DistanceM = 4 } }],
            },
        ],
    };

    private static Body Body(string id) => new()
    {
        Id = id,
        Place = "bag",
        Mount = ["K"],
        Megapixels = 24,
        IsoCeiling = 3200,
        BatteryType = "LB",
        Slots = [new CardSlot { Type = "SD" }],
        FramesPerCharge = 900,
        RawMegabytes = 48
    };

    private static Lens Lens(string id, double low, double high) => new() { Id = id, Place = "bag", Mount = "K", Focal = new(low, high), Aperture = new(4, 4) };

    private static Flash Flash(string id) => new() { Id = id, Place = "bag", GuideNumber = 40, RadioSystem = "R1", CanHear = true, Power = FlashPower.OwnPack };

    private static Plan With(Func<Part, Part> change) => Room with { Parts = [change(Room.Parts[0])] };

    private static NeedReport First(Plan plan, params Pulled[] pulled)
    {
        Assert.Empty(PlanCheck.Usable(plan));
        return new DayAnalysis(plan, pulled).Report(withEvents: false).Needs[0];
    }

    [Theory]
    [InlineData("any", 35, 70, Outcome.Holds)]
    [InlineData("lead", 35, 70, Outcome.Holds)]
    [InlineData("second", 35, 70, Outcome.Lost)]
    [InlineData("any", 300, 400, Outcome.Lost)]
    public void A_camera_left_alone_serves_whom_it_belongs_to_with_what_is_on_it(string who, double low, double high, Outcome outcome) =>
        Assert.Equal(outcome, First(With(p => p with
        {
            Ev = 14,
            Unreachable = ["bag"],
            Setups = [new Setup { Person = "lead", Position = "goal", Body = "b1", Lens = "l1", Unattended = true }],
            Needs = [p.Needs[0] with { Light = [LightKind.Ambient], Unattended = true, Who = who, Focal = new(low, high) }],
        })).Baseline);

    /// <summary>A remote camera whose receiver hears what nobody sends takes nothing.</summary>
    [Fact]
    public void A_remote_camera_that_nobody_can_fire_serves_nobody()
    {
        var remote = With(p => p with
        {
            Ev = 14,
            Unreachable = ["bag"],
            Setups = [new Setup { Person = "lead", Position = "goal", Body = "b1", Lens = "l1", Unattended = true, Trigger = "ear" }],
            Needs = [p.Needs[0] with { Light = [LightKind.Ambient], Unattended = true }],
        });
        var sent = remote with { Items = [.. remote.Items.Select(i => i.Id == "old" ? i with { Place = "vest" } : i)] };
        Assert.Equal(Outcome.Lost, First(remote).Baseline);
        Assert.Equal(Outcome.Holds, First(sent with
        {
            Parts = [sent.Parts[0] with { Present = ["lead"] }],
            Places = [Room.Places[0], new Place { Id = "vest", Person = "lead", ReachSeconds = 2 }]
        }).Baseline);
    }

    /// <summary>Three flashes alike: one stands, either of the others takes its place.</summary>
    [Fact]
    public void Each_of_two_spare_flashes_alike_stands_in()
    {
        Assert.Contains(First(Room).Cuts, c => c.Order(StringComparer.Ordinal).SequenceEqual(["f1", "f2", "f3"]));
        foreach (var other in new[] { "f2", "f3" })
        {
            var left = First(Room, new Pulled("f1"), new Pulled(other));
            Assert.Equal(Outcome.Holds, left.Baseline);
            Assert.Contains(other == "f2" ? "f3" : "f2", left.Best!.Items);
            Assert.DoesNotContain(other, left.Best.Items);
        }
        Assert.NotEqual(Outcome.Holds, First(Room, new Pulled("f1"), new Pulled("f2"), new Pulled("f3")).Baseline);
    }

    /// <summary>Of many alike that stand in for one that failed, the one that does is the one that is drawn on.</summary>
    [Fact]
    public void Of_many_spare_flashes_alike_the_one_that_stands_in_gives_the_light()
    {
        var many = Room with { Items = [.. Room.Items, .. Enumerable.Range(4, 4).Select(n => Flash($"f{n}"))] };
        var day = new DayAnalysis(many, [new Pulled("f1"), new Pulled("f2")]);
        Assert.Equal(Outcome.Holds, day.Report(withEvents: false).Needs[0].Baseline);
        Assert.Equal(["f3"], PowerPlans.Of(day).Bands.Select(b => b.Device).Where(d => d[0] == 'f'));
    }

    [Theory]
    [InlineData("R1", "tx", Outcome.Lost)]
    [InlineData("R9", "tx", Outcome.Holds)]
    [InlineData("R9", "old", Outcome.Lost)]
    public void A_jammed_radio_is_deaf_and_dumb_and_another_goes_on(string jammed, string sender, Outcome outcome)
    {
        // The old sender reaches the flash by the relay alone; there is no time to fit another.
        var plan = With(p => p with
        {
            Setups = [p.Setups[0] with { Trigger = sender }],
            Lights = [.. p.Lights!, new PlacedLight { Relay = "bridge" }],
            Unreachable = ["bag"]
        }) with
        { Items = [.. Room.Items.Where(i => i.Id != (sender == "tx" ? "old" : "tx"))] };
        Assert.Equal(Outcome.Holds, First(plan).Baseline);
        Assert.Equal(outcome, First(plan, new Pulled(jammed, Kind: LossKind.Radio)).Baseline);
    }

    [Fact]
    public void Only_who_photographs_and_has_a_camera_is_counted()
    {
        Assert.Equal(1, HouseRules.Photographers(Room));
        Assert.Equal(1, HouseRules.Photographers(With(p => p with { Setups = [.. p.Setups, new Setup { Person = "help", Body = "b2" }] })));
        Assert.Equal(2, HouseRules.Photographers(With(p => p with { Setups = [.. p.Setups, new Setup { Person = "second", Body = "b2" }] })));
    }

    [Theory]
    [InlineData("E", 2, "ad e1 e2")]
    [InlineData("E", 1, "")]
    [InlineData("K", 2, "")]
    public void One_adapter_is_a_cause_for_the_glass_that_goes_on_no_camera_without(string mount, int lenses, string cause)
    {
        var plan = Room with
        {
            Items = [.. Room.Items, new Adapter { Id = "ad", Place = "bag", LensMount = mount, BodyMount = "K" },
            .. Enumerable.Range(1, lenses).Select(n => Lens($"e{n}", 50, 50) with { Mount = mount })]
        };
        Assert.Equal(cause, string.Join(' ', WhatIfTable.Of(new DayAnalysis(plan)).Causes.Where(c => c.Kind == CauseKind.OneAdapter).SelectMany(c => c.Items)));
        var spare = plan with { Items = [.. plan.Items, new Adapter { Id = "ad2", Place = "bag", LensMount = mount, BodyMount = "K" }] };
        Assert.DoesNotContain(WhatIfTable.Of(new DayAnalysis(spare)).Causes, c => c.Kind == CauseKind.OneAdapter);
    }

    [Theory]
    [InlineData(2, "pack f1 f2")]
    [InlineData(1, "")]
    public void One_pack_is_a_cause_for_the_lights_that_hang_on_it(int lights, string cause)
    {
        var plan = With(p => p with
        {
            Lights = [.. Enumerable.Range(1, lights)
            .Select(n => new PlacedLight { Flash = $"f{n}", Holder = n == 1 ? "s1" : "help", Pack = "pack" })]
        });
        Assert.Equal(cause, CauseOf(CauseKind.OnePack, plan with { Items = [.. plan.Items, new Pack { Id = "pack", Place = "bag", Outlets = 2 }] }));
    }

    [Theory]
    [InlineData(2020, 2020, true, "c1 c2")]
    [InlineData(2020, 2021, true, "")]
    [InlineData(2020, 2020, false, "")]
    public void Cards_of_one_day_are_a_cause_where_more_than_one_camera_takes_them(int one, int other, bool two, string cause) =>
        Assert.Equal(cause, CauseOf(CauseKind.OneLot, Room with
        {
            Items = [.. Room.Items.Where(i => two || i.Id is not ("b2" or "bat2" or "c2"))
            .Select(i => i.Id switch { "c1" => i with { FirstUse = new DateOnly(one, 1, 1) }, "c2" => i with { FirstUse = new DateOnly(other, 1, 1) }, _ =>
            i }),
            .. two ? (Item[])[] : [new Card { Id = "c3", Place = "bag", Type = "SD", FirstUse = new DateOnly(one, 1, 1) }]],
        }));

    private static string CauseOf(CauseKind kind, Plan plan)
    {
        Assert.Empty(PlanCheck.Usable(plan));
        return string.Join(' ', WhatIfTable.Of(new DayAnalysis(plan)).Causes.Where(c => c.Kind == kind).SelectMany(c => c.Items));
    }

    [Fact]
    public void One_thing_of_a_bag_is_laid_as_another()
    {
        List<CarriedShape> shapes = [new("a", [100, 80, 60], IsUsual: false), new("b", [100, 80, 60], IsUsual: false)];
        var room = BagRoom.Of(Room with { Places = [new Place { Id = "bag", ReachSeconds = 60, InnerMm = [400, 300, 200] }, Room.Places[1]] },
            new Place { Id = "bag", ReachSeconds = 60, InnerMm = [400, 300, 200] }, [])! with
        { Things = shapes };
        Assert.Equal([("a", 100.0), ("b", 20)], room.With("b", new CarriedShape("b", [20, 20, 20], IsUsual: false)).Things.Select(t => (t.Item, t.SizeMm[0])));
    }
}
