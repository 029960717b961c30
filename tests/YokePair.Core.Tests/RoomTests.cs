using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>Lights in the room, people who help, cameras left alone, two places at once: one small day, changed case by case.</summary>
public sealed class RoomTests
{
    private static readonly DateTime Start = new(2027, 6, 12, 20, 0, 0);

    private static Plan Dark { get; } = new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Rules = new Rules { DualRecord = false },
        People = [new Person { Id = "lead", Name = "Lead" }, new Person { Id = "second", Name = "Second" },
            new Person { Id = "help", Name = "Help", Role = PersonRole.Assistant, HandOverSeconds = 8 }],
        Places = [new Place { Id = "bag", ReachSeconds = 60 }, new Place { Id = "vest", Person = "help", ReachSeconds = 2 }],
        Items =
        [
            new Body { Id = "b1", Place = "bag", Mount = ["K"], Megapixels = 24, IsoCeiling = 3200, BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }],
                FramesPerCharge = 500, RawMegabytes = 48 },
            new Body { Id = "b2", Place = "bag", Mount = ["K"], Megapixels = 24, IsoCeiling = 3200, BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }],
                FramesPerCharge = 500, RawMegabytes = 48 },
            new Lens { Id = "l1", Place = "bag", Mount = "K", Focal = new Interval(24, 70), Aperture = new Interval(4, 4) },
            new Lens { Id = "l2", Place = "vest", Mount = "K", Focal = new Interval(70, 200), Aperture = new Interval(4, 4) },
            new Battery { Id = "bat1", Place = "@b1", Type = "LB" },
            new Battery { Id = "bat2", Place = "@b2", Type = "LB" },
            new Card { Id = "c1", Place = "@b1/1", Type = "SD", Gigabytes = 64 },
            new Card { Id = "c2", Place = "@b2/1", Type = "SD", Gigabytes = 64 },
            new Flash { Id = "f1", Place = "bag", GuideNumber = 40, RadioSystem = "R1", CanHear = true, Power = FlashPower.OwnPack },
            new Flash { Id = "f2", Place = "bag", GuideNumber = 40, Power = FlashPower.SharedPack },
            new Flash { Id = "f3", Place = "bag", GuideNumber = 40, RadioSystem = "R1", CanHear = true, Power = FlashPower.OwnPack },
            new Trigger { Id = "tx", Place = "bag", Sends = "R1" },
            new Trigger { Id = "rx", Place = "bag", Hears = "R1" },
            new Trigger { Id = "bridge", Place = "bag", Hears = "R9", Sends = "R1" },
            new Trigger { Id = "old", Place = "bag", Sends = "R9" },
            new Pack { Id = "pack", Place = "bag", Outlets = 1 },
            new Support { Id = "s1", Place = "bag", Form = "stand" },
            new Support { Id = "s2", Place = "bag", Form = "stand" },
            new OtherThing { Id = "rec", Place = "bag", Roles = ["audio recorder"], CellsType = "AA", CardType = "SD" },
            new Cells { Id = "aa", Place = "@rec", Type = "AA" },
            new Card { Id = "c3", Place = "@rec", Type = "SD", State = "loaded" },
        ],
        Parts =
        [
            new Part
            {
                Id = "dance", Name = "Dance", Ev = 0, Start = Start, End = Start.AddMinutes(60), Kind = "first-dance",
                Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l1", Trigger = "tx" }],
                Lights = [new PlacedLight { Flash = "f1", Holder = "s1" }],
                Needs = [new Need { Id = "turn", Name = "Turn", ShutterSeconds = 1.0 / 160, Focal = new Interval(35, 70), Light = [LightKind.Stands],
                    Stands = new StandLighting { DistanceM = 4 } }],
            },
        ],
    };

    private static Part Dance => Dark.Parts[0];

    private static Plan With(Func<Part, Part> change) => Dark with { Parts = [change(Dance)] };

    private static NeedReport Turn(Plan plan)
    {
        Assert.Empty(PlanCheck.Usable(plan));
        return new DayAnalysis(plan).Report(withEvents: false).Needs[0];
    }

    /// <summary>What is changed about the light, and whether the picture is still had.</summary>
    public static TheoryData<string, Func<Part, Part>, Outcome> Chains => new()
    {
        { "sender, light that hears, stand", p => p, Outcome.Holds },
        { "nothing holds it", p => p with { Lights = [new PlacedLight { Flash = "f1" }] }, Outcome.Lost },
        { "an assistant holds it", p => p with { Lights = [new PlacedLight { Flash = "f1", Holder = "help" }] }, Outcome.Holds },
        { "an assistant who is not there", p => p with { Present = ["lead", "second"], Lights = [new PlacedLight { Flash = "f1", Holder = "help" }] },
            Outcome.Lost },
        { "deaf, without a receiver", p => p with { Lights = [new PlacedLight { Flash = "f2", Holder = "s1", Pack = "pack" }] }, Outcome.Late },
        { "deaf, with a receiver and its pack", p => p with { Lights = [new PlacedLight { Flash = "f2", Holder = "s1", Receiver = "rx", Pack = "pack" }] },
            Outcome.Holds },
        { "without its pack", p => p with { Lights = [new PlacedLight { Flash = "f2", Holder = "s1", Receiver = "rx" }] }, Outcome.Late },
        { "two asked, one there", p => p with { Needs = [p.Needs[0] with { Stands = new StandLighting { Count = 2, DistanceM = 4 } }] }, Outcome.Thins },
        { "none there, a flash in the shoe", p => p with { Lights = [], Needs = [p.Needs[0] with { FlashPathM = 4 }] }, Outcome.Late },
        { "none there, a flash in the shoe in time", p => p with { Lights = [], Setups = [p.Setups[0] with { Trigger = null, Flash = "f1" }],
            Needs = [p.Needs[0] with { FlashPathM = 4 }] }, Outcome.Thins },
        { "two asked, two there", p => p with { Lights = [.. p.Lights!, new PlacedLight { Flash = "f3", Holder = "s2" }],
            Needs = [p.Needs[0] with { Stands = new StandLighting { Count = 2, DistanceM = 4 } }] }, Outcome.Holds },
        { "too far", p => p with { Needs = [p.Needs[0] with { Stands = new StandLighting { DistanceM = 60 } }] }, Outcome.Lost },
        { "another colour", p => p with { Gel = "orange" }, Outcome.Thins },
        { "the colour of the place", p => p with { Gel = "orange", Lights = [new PlacedLight { Flash = "f1", Holder = "s1", Gel = "orange" }] },
            Outcome.Holds },
        { "flash banned", p => p with { Flash = FlashRule.Banned }, Outcome.Lost },
        { "must be quiet", p => p with { Quiet = QuietRule.Required }, Outcome.Lost },
    };

    [Theory]
    [MemberData(nameof(Chains))]
    public void A_light_works_only_if_its_chain_is_whole(string what, Func<Part, Part> change, Outcome outcome)
    {
        // Too short to put a spare on the stand, which would be late: what is asked is the chain itself.
        var plan = With(change) with { Rules = new Rules { DualRecord = false, Tolerance = new Tolerances { Must = 20 } } };
        Assert.True(outcome == Turn(plan).Baseline, what);
    }

    [Fact]
    public void Every_piece_of_the_chain_can_fail_and_a_relay_belongs_to_it()
    {
        var strict = Dark with { Rules = new Rules { DualRecord = false, Tolerance = new Tolerances { Must = 20 } } };
        string[] Singles(Plan plan) => [.. Turn(plan).Cuts.Where(c => c.Count == 1).Select(c => c[0]).Order(StringComparer.Ordinal)];
        Assert.Equal(["b1", "bat1", "c1", "f1", "l1", "s1", "tx"], Singles(strict));
        var relayed = strict with
        {
            Parts = [Dance with { Setups = [Dance.Setups[0] with { Trigger = "old" }],
            Lights = [.. Dance.Lights!, new PlacedLight { Relay = "bridge" }] }]
        };
        Assert.Equal(["b1", "bat1", "bridge", "c1", "f1", "l1", "old", "s1"], Singles(relayed));
    }

    [Fact]
    public void A_spare_flash_is_put_on_the_stand_when_there_is_time()
    {
        var without = new DayAnalysis(Dark, [new Pulled("f1")]).Report(withEvents: false).Needs[0];
        Assert.Equal(Outcome.Holds, without.Baseline);
        Assert.Equal([StepAction.Fetch, StepAction.Raise, StepAction.PlaceLight], without.Best!.Steps.Select(s => s.Action));
        // The bag 60 s, the camera 5 s, the stand 60 s.
        Assert.Equal(125, without.Best.Seconds);
    }

    [Fact]
    public void Lights_that_stay_are_not_set_up_again_and_those_that_move_take_their_time()
    {
        var later = Dance with
        {
            Id = "party",
            Start = Start.AddMinutes(60),
            End = Start.AddMinutes(120),
            Lights = [Dance.Lights![0], new PlacedLight { Flash = "f3", Holder = "s2" }],
            Needs = [Dance.Needs[0] with { Importance = Importance.Once }]
        };
        var moves = new DayAnalysis(Dark with { Parts = [Dance, later] }).Report().LightMoves;
        Assert.Equal([("dance", 120.0, (double?)null, false), ("party", 120, 0, true)], moves.Select(m => (m.Part, m.Seconds, m.FreeSeconds, m.Tight)));
        Assert.Equal(["f3"], moves[1].Items);
    }

    [Fact]
    public void An_assistant_hands_over_in_their_own_time_and_photographs_nothing()
    {
        var far = With(p => p with { Ev = 14, Needs = [p.Needs[0] with { Focal = new Interval(150, 180), Light = [LightKind.Ambient] }] });
        var best = Turn(far).Best!;
        // From the vest 2 s and a hand 8 s, raise 5 s, change 30 s.
        Assert.Equal(("lead", 45.0), (best.Person, best.Seconds));
        Assert.Equal(Outcome.Lost, Turn(far with { Parts = [far.Parts[0] with { Present = ["help"] }] }).Baseline);
    }

    [Theory]
    [InlineData(null, 60, null, Outcome.Lost)]
    [InlineData(true, 60, null, Outcome.Lost)]
    [InlineData(true, 30, null, Outcome.Holds)]
    [InlineData(true, 30, 0.0, Outcome.Lost)]
    public void A_camera_left_alone_takes_what_it_may_as_long_as_it_lasts(bool? may, int minutes, double? celsius, Outcome outcome)
    {
        // 10 frames a minute × 1.5: 900 in an hour, 450 in half of one; the battery gives 500, 400 of them in the frost, the card 1203.
        var plan = With(p => p with
        {
            TemperatureC = celsius,
            Ev = 14,
            End = Start.AddMinutes(minutes),
            Present = ["second"],
            Setups = [new Setup { Person = "lead", Position = "altar", Body = "b1", Lens = "l1", Unattended = true }],
            Unreachable = ["bag"],
            Needs = [p.Needs[0] with { Light = [LightKind.Ambient], Unattended = may }],
        });
        var need = Turn(plan);
        Assert.Equal(outcome, need.Baseline);
        if (outcome == Outcome.Holds) Assert.Equal((0.0, 0), (need.Best!.Seconds, need.Best.Steps.Count));
    }

    [Theory]
    [InlineData(null, "b1 bat1 c1 l1")]
    [InlineData("ear", "b1 bat1 c1 ear l1 old")]
    public void A_remote_camera_hangs_by_its_receiver_and_by_what_fires_it(string? ear, string singles)
    {
        var plan = With(p => p with
        {
            Ev = 14,
            End = Start.AddMinutes(30),
            Present = ["lead"],
            Setups = [new Setup { Person = "lead", Position = "goal", Body = "b1", Lens = "l1", Unattended = true, Trigger = ear }],
            Needs = [p.Needs[0] with { Light = [LightKind.Ambient], Unattended = true, Importance = Importance.Once, ToleranceSeconds = 62 }],
        }) with
        { Items = [.. Dark.Items.Where(i => i.Id != "b2"), new Trigger { Id = "ear", Place = "bag", Hears = "R9" }] };
        Assert.Equal(singles, string.Join(' ', Turn(plan).Cuts.Where(c => c.Count == 1).Select(c => c[0]).Order(StringComparer.Ordinal)));
    }

    [Fact]
    public void A_role_is_filled_by_a_thing_with_its_own_cells_and_card()
    {
        var plan = With(p => p with { Needs = [new Need { Id = "sound", Name = "Sound", ShutterSeconds = 1, Role = "Audio recorder" }] });
        // Any clear card would do.
        Assert.Equal(["aa", "rec"], Turn(plan).Cuts.Where(c => c.Count == 1).Select(c => c[0]).Order(StringComparer.Ordinal));
        var lost = new DayAnalysis(plan, [new Pulled("aa")]).Report(withEvents: false);
        Assert.Contains("no Audio recorder with all it needs", lost.Verdict, StringComparison.Ordinal);
    }

    [Fact]
    public void What_is_in_a_hand_in_another_place_at_the_same_time_is_not_here()
    {
        var here = Dance with { Ev = 14, Present = ["lead"], Needs = [Dance.Needs[0] with { Light = [LightKind.Ambient] }] };
        var there = Dance with
        {
            Id = "press",
            Start = Start.AddMinutes(30),
            End = Start.AddMinutes(90),
            Present = ["second"],
            Lights = null,
            Needs = [],
            Setups = [new Setup { Person = "second", Body = "b2", Lens = "l2" }]
        };
        string Spare(Plan plan) => new DayAnalysis(plan, [new Pulled("b1")]).Report(withEvents: false).Needs[0].Best?.Body ?? "none";
        Assert.Equal("b2", Spare(Dark with { Parts = [here] }));
        Assert.Equal("none", Spare(Dark with { Parts = [here, there] }));
        Assert.Equal("b2", Spare(Dark with { Parts = [here, there with { Start = here.End, End = here.End!.Value.AddHours(1) }] }));
    }

    /// <summary>Edits of the room and the team, what they are called, and one that is refused.</summary>
    public static TheoryData<PlanEdit, string> Edits => new()
    {
        { new SetLights { Part = "dance", Lights = [new PlacedLight { Flash = "f3", Holder = "s2" }] }, "one light in the room" },
        { new SetLights { Part = "dance", Lights = [] }, "no lights in the room" },
        { new Equip { Part = "dance", Person = "lead", Position = "left", Shoe = "f3" }, "with f3 in the shoe" },
        { new Equip { Part = "dance", Person = "lead", Position = "left", Unattended = true }, "left alone" },
        { new SetPerson { Person = new Person { Id = "", Name = "Third" } }, "Third comes along" },
        { new SetPerson { Person = new Person { Id = "help", Name = "Helper", HandOverSeconds = 4 } }, "hands over in 4 s" },
        { new SetPlace { Place = "bag", Part = "dance", ReachSeconds = 10 }, "bag in 10 s" },
        { new SetPlace { Place = "bag", ReachSeconds = 90 }, "bag in 90 s" },
        { new AddDay(), "Jun 13, 2027 added" },
        { new SetPart { Part = "dance", Noted = new NotedExposure { FNumber = 2.8, ShutterSeconds = 1.0 / 200, Iso = 4900 } }, "light EV 5" },
        { new SetPart { Part = "dance", LedBands = true, Rain = true, Socket = true, TemperatureC = -4, StayBehindM = 6, Gel = "orange",
            WhiteBalance = "3200 K" }, "a line 6 m off" },
        { new SetPart { Part = "dance", Frames = new FrameCount { Low = 10, Likely = 20, High = 30 } }, "10, 20 or 30 frames" },
    };

    [Theory]
    [MemberData(nameof(Edits))]
    public void Each_is_made_said_and_put_back(PlanEdit edit, string said)
    {
        var done = EditResult.Apply(Dark, [edit]);
        Assert.Empty(done.Problems);
        Assert.Contains(said, done.Label, StringComparison.Ordinal);
        Assert.NotEqual(PlanFile.Write(Dark), PlanFile.Write(done.Plan!));
        Assert.Equal(PlanFile.Write(Dark), PlanFile.Write(PlanDelta.To(done.Plan!, Dark).ApplyTo(done.Plan!)));
        Assert.Equal(PlanFile.Write(done.Plan!), PlanFile.Write(PlanDelta.To(Dark, done.Plan!).ApplyTo(Dark)));
        Assert.Equal(PlanFile.Write(done.Plan!), PlanFile.Write(PlanFile.Read(PlanFile.Write(done.Plan!)).Plan!));
    }

    /// <summary>Edits that cannot be, and the field each names.</summary>
    public static TheoryData<PlanEdit, string> Refused => new()
    {
        { new SetPart { Part = "dance", End = Start.AddHours(-1) }, "parts[0].end" },
        { new SetPart { Part = "dance", Ev = 40 }, "parts[0].ev" },
        { new SetPart { Part = "dance", Noted = new NotedExposure { FNumber = 0, ShutterSeconds = 1, Iso = 100 } }, "noted" },
        { new SetPart { Part = "dance", TemperatureC = 99 }, "parts[0].temperatureC" },
        { new SetPart { Part = "dance", Frames = new FrameCount { Low = 9, Likely = 5, High = 7 } }, "parts[0].frames" },
        { new SetPlace { Place = "bag", ReachSeconds = -1 }, "reachSeconds" },
        { new SetPerson { Person = new Person { Id = "", Name = " " } }, "person.name" },
        { new SetLights { Part = "dance", Lights = [new PlacedLight { Holder = "s1" }] }, "parts[0].lights[0]" },
        { new SetLights { Part = "dance", Lights = [new PlacedLight { Flash = "f1", Holder = "s1" }, new PlacedLight { Flash = "f3", Holder = "s1" }] },
            "parts[0].lights[1].holder" },
        { new SetLights { Part = "dance", Lights = [new PlacedLight { Flash = "f1", Pack = "pack" }, new PlacedLight { Flash = "f2", Pack = "pack" }] },
            "parts[0].lights[1].pack" },
        { new Equip { Part = "dance", Person = "lead", Position = "left", Shoe = "s1" }, "shoe" },
        { new Equip { Part = "dance", Person = "lead", Position = "left", Support = "s1" }, "support" },
        { new PutNeed { Part = "dance", Need = Dark.Parts[0].Needs[0], Subject = Subject.Face, NearM = 0 }, "nearM" },
        { new PutNeed { Part = "dance", Need = Dark.Parts[0].Needs[0], Subject = Subject.Group, NearM = 3, People = 4, Rows = 9 }, "rows" },
        { new PutNeed { Part = "dance", Need = Dark.Parts[0].Needs[0] with { DepthM = new Interval(0.01, 2) } }, "parts[0].needs[0].depthM[0]" },
        { new PutNeed { Part = "dance", Need = Dark.Parts[0].Needs[0] with { Stands = new StandLighting { DistanceM = 0 } } },
            "parts[0].needs[0].stands.distanceM" },
    };

    [Theory]
    [MemberData(nameof(Refused))]
    public void What_cannot_be_is_refused_by_field(PlanEdit edit, string field) =>
        Assert.Contains(field, EditResult.Apply(Dark, [edit]).Problems.Select(p => p.Field));

    [Fact]
    public void Nobody_is_in_two_places_and_no_clock_shows_a_time_that_is_skipped()
    {
        var two = Dark with
        {
            Parts = [Dance with { Present = ["lead"] },
            Dance with { Id = "press", Present = ["second"], Start = Start.AddMinutes(30), End = Start.AddMinutes(90), Setups = [], Lights = null }]
        };
        Assert.Empty(EditResult.Apply(two, [new SetPart { Part = "press", Rain = true }]).Problems);
        var both = EditResult.Apply(two, [new SetPart { Part = "press", Present = ["lead", "second"] }]);
        Assert.Contains("Lead cannot be at both", Assert.Single(both.Problems).Message, StringComparison.Ordinal);

        var night = Dark with { Assignment = new Assignment { TimeZone = "Europe/Vienna" } };
        var skipped = EditResult.Apply(night, [new SetPart { Part = "dance", Start = new DateTime(2027, 3, 28, 2, 30, 0),
            End = new DateTime(2027, 3, 28, 5, 0, 0) }]);
        Assert.Contains("write 03:30", Assert.Single(skipped.Problems).Message, StringComparison.Ordinal);
        Assert.Contains(PlanCheck.Complete(night with { Assignment = new Assignment { TimeZone = "Middle/Nowhere" } }), p => p.Field == "assignment.timeZone");
    }
}
