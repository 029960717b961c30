using System.Text;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Locker;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Swaps;
using YokePair.Core.Ways;

namespace YokePair.Core.Tests;

/// <summary>Rules that one case each tells apart from what one might write by mistake.</summary>
public sealed class CasesOfOne
{
    private static readonly DateTime Ten = new(2027, 6, 12, 10, 0, 0);

    /// <summary>Two cameras with two lenses in the hands of one person, everything else at the belt; one part, one need.</summary>
    private static Plan Small { get; } = new()
    {
        Format = Plan.FormatName,
        Version = 1,
        Rules = new Rules { DualRecord = false },
        People = [new Person { Id = "lead" }],
        Places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 5 }, new Place { Id = "bag", ReachSeconds = 60 },
            new Place { Id = "car", ReachSeconds = 900 }],
        Items =
        [
            Body("b1"), Body("b2"), Lens("l35", 35), Lens("l85", 85),
            new Battery { Id = "in1", Place = "@b1", Type = "LB" }, new Battery { Id = "in2", Place = "@b2", Type = "LB" },
            new Card { Id = "c1", Place = "@b1/1", Type = "SD" }, new Card { Id = "c2", Place = "@b2/1", Type = "SD" },
        ],
        Parts = [Part("vows", 0, new Need { Id = "kiss", ShutterSeconds = 0.01, Focal = new Interval(85, 100) })],
    };

    /// <summary>A picture by lights that stand in the room, one at the least.</summary>
    private static Need Lit { get; } = new()
    {
        Id = "lit",
        ShutterSeconds = 0.01,
        Focal = new Interval(85, 100),
        Light = [LightKind.Stands],
        Stands = new StandLighting { DistanceM = 2 },
    };

    private static Body Body(string id) => new()
    {
        Id = id,
        Place = "belt",
        Mount = ["K"],
        Megapixels = 24,
        IsoCeiling = 6400,
        BatteryType = "LB",
        Slots = [new CardSlot { Type = "SD" }]
    };

    private static Lens Lens(string id, double mm) => new()
    {
        Id = id,
        Place = "belt",
        Mount = "K",
        Focal = new Interval(mm, mm),
        Aperture = new Interval(1.8, 1.8)
    };

    private static Part Part(string id, int hour, params Need[] needs) => new()
    {
        Id = id,
        Ev = 11,
        Start = Ten.AddHours(hour),
        End = Ten.AddHours(hour + 1),
        Setups = [new Setup { Person = "lead", Position = "left", Body = "b1", Lens = "l35" },
            new Setup { Person = "lead", Position = "right", Body = "b2", Lens = "l85" }],
        Needs = needs,
    };

    private static Plan With(params Item[] more) => Small with { Items = [.. Small.Items, .. more] };

    private static Outcome OutcomeOf(Plan plan, int part = 0) => new DayAnalysis(plan).ReportPart(plan.Parts[part].Id)[0].Baseline;

    [Fact]
    public void What_is_taken_over_from_before_an_edit_knows_of_pairs_and_of_what_goes_on_at_the_same_time()
    {
        var before = new DayAnalysis(Small);
        before.Report(withEvents: false);
        var paired = Small with { Pairs = [new PairRule { A = "b1", B = "l85", Fit = PairFit.No }, new PairRule { A = "b2", B = "l85", Fit = PairFit.No }] };
        Assert.Equal(Outcome.Lost, new DayAnalysis(paired, before: before).ReportPart("vows")[0].Baseline);

        var two = Small with
        {
            People = [.. Small.People, new Person { Id = "second" }],
            Parts = [Small.Parts[0] with { Present = ["lead"] },
            new Part { Id = "guests", Ev = 11, Start = Ten.AddMinutes(30), End = Ten.AddHours(1), Present = ["second"] }]
        };
        var free = two with { Parts = [two.Parts[0] with { Setups = [] }, two.Parts[1]] };
        var earlier = new DayAnalysis(free);
        Assert.NotEqual(Outcome.Lost, earlier.ReportPart("vows")[0].Baseline);
        var taken = free with { Parts = [free.Parts[0], free.Parts[1] with { Setups = [new Setup { Person = "second", Body = "b2", Lens = "l85" }] }] };
        Assert.Equal(Outcome.Lost, new DayAnalysis(taken, before: earlier).ReportPart("vows")[0].Baseline);
    }

    [Fact]
    public void A_lens_packed_on_a_camera_is_elsewhere_while_somebody_else_has_it()
    {
        // Packed on the camera in the bag, and in the second's hand next door.
        var plan = Small with
        {
            People = [.. Small.People, new Person { Id = "second" }],
            Items = [.. Small.Items.Where(i => i.Id != "l85"), Lens("l85", 85) with { Place = "@b2" }, Body("b3")],
            Parts = [Small.Parts[0] with { Present = ["lead"], Setups = [] },
                new Part { Id = "guests", Ev = 11, Start = Ten, End = Ten.AddHours(1), Present = ["second"],
                Setups = [new Setup { Person = "second", Body = "b3", Lens = "l85" }] }],
        };
        Assert.Equal(Outcome.Lost, OutcomeOf(plan));
        Assert.Equal(Outcome.Holds, OutcomeOf(plan with { Parts = [plan.Parts[0]] }));
    }

    [Theory]
    [InlineData("tx", "f1", "a trigger and a flash")]
    [InlineData("f1", "aa", "a flash and its cells")]
    [InlineData("b1", "l35", null)]
    public void A_pair_marked_no_cuts_every_way_with_both(string a, string b, string? why)
    {
        var plan = With(
            new Flash { Id = "f1", Place = "belt", GuideNumber = 40, CellsType = "AA", RadioSystem = "R", CanHear = true },
                new Cells { Id = "aa", Place = "@f1", Type = "AA" },
            new Trigger { Id = "tx", Place = "belt", Sends = "R" }, new Support { Id = "stand", Place = "belt", Form = "stand" });
        plan = plan with
        {
            Parts = [plan.Parts[0] with { Needs = [Lit], Lights = [new PlacedLight { Flash = "f1", Holder = "stand" }] }],
            Pairs = [new PairRule { A = a, B = b, Fit = PairFit.No }]
        };
        Assert.Equal(why is null ? Outcome.Holds : Outcome.Lost, OutcomeOf(plan));
        if (why is not null) Assert.Equal(Outcome.Thins, OutcomeOf(plan with { Pairs = [new PairRule { A = a, B = b, Fit = PairFit.Untested }] }));
    }

    [Fact]
    public void Two_cards_that_do_not_go_together_make_one_record_only()
    {
        Body two = Body("b2") with { Slots = [new CardSlot { Type = "SD" }, new CardSlot { Type = "SD" }] };
        var plan = Small with
        {
            Rules = new Rules { DualRecord = true },
            Items = [.. Small.Items.Where(i => i.Id != "b2"), two, new Card { Id = "c3", Place = "@b2/2", Type = "SD" }]
        };
        Assert.Equal(Outcome.Holds, OutcomeOf(plan));
        // The third card of the house lies in the other camera.
        plan = plan with { Pairs = [new PairRule { A = "c2", B = "c3", Fit = PairFit.No }], Items = [.. plan.Items.Where(i => i.Id != "c1")] };
        Assert.Equal(Outcome.Thins, OutcomeOf(plan));
    }

    [Fact]
    public void What_is_in_or_on_a_thing_that_is_away_is_away_with_it()
    {
        var plan = Small with { Items = [.. Small.Items.Select(i => i.Id == "b1" ? i with { Status = Availability.Lent } : i)] };
        plan = plan with { Items = [.. plan.Items.Where(i => i.Id != "in2")], Parts = [plan.Parts[0] with { Setups = [plan.Parts[0].Setups[1]] }] };
        // The only battery is in the camera that is lent.
        Assert.Equal(Outcome.Lost, OutcomeOf(plan));
        Assert.Equal("with the b1, lent", Assert.Single(new DayAnalysis(plan).Report(false).Away, a => a.Item == "in1").Why);
        plan = plan with { Items = [.. plan.Items.Select(i => i.Id == "in1" ? i with { Place = "belt" } : i)] };
        Assert.True(OutcomeOf(plan).IsMet());
    }

    [Fact]
    public void A_mend_leaves_no_other_need_hanging_by_a_thing_it_did_not_hang_by()
    {
        // Both needs hang by the one lens each; a spare camera and lens in the bag could serve either.
        var plan = Small with
        {
            Parts = [Part("vows", 0, new Need { Id = "kiss", ShutterSeconds = 0.01, Focal = new Interval(85, 100) },
            new Need { Id = "room", ShutterSeconds = 0.01, Focal = new Interval(30, 35) })]
        };
        var day = new DayAnalysis(plan);
        foreach (var mend in Mending.For(day, "vows", "kiss", [Lens("spare", 85)])!)
        {
            var after = new DayAnalysis(EditResult.Apply(plan, mend.Edits.Select(e => e is PackThing pack ? pack with { Found = Lens("spare", 85) } : e)
                .ToList()).Plan!).Report(false);
            var was = day.Report(false).Needs.First(n => n.Need == "room").Cuts.Where(c => c.Count == 1).Select(c => c[0]).ToHashSet();
            Assert.Superset(after.Needs.First(n => n.Need == "room").Cuts.Where(c => c.Count == 1).Select(c => c[0]).ToHashSet(), was);
        }
    }

    [Fact]
    public void A_close_up_is_too_wide_for_a_tube_or_not_close_enough_and_it_says_which()
    {
        // 0.1 + 16 / 35 = 0.557 at the most, and no wider than 36 · 35 / 16 = 79 mm with the tube on.
        IReadOnlyList<Shortfalls> Lacks(double widthMm)
        {
            var close = With(new Tube { Id = "tube", Place = "belt", Mount = "K", ExtensionMm = 16 });
            close = close with { Parts = [Part("vows", 0, new Need { Id = "ring", ShutterSeconds = 0.01, CloseWidthMm = widthMm })] };
            return [.. new DayAnalysis(close).Explain("vows", "ring")!.Weighed.Where(w => w.Glass.SequenceEqual(["l35", "tube"]))
                .Select(w => w.NoFor.Concat(w.SecondBestFor).Aggregate(Shortfalls.None, (a, b) => a | b))];
        }
        Assert.All(Lacks(200), l => Assert.True(l.HasFlag(Shortfalls.TubeTooClose) && !l.HasFlag(Shortfalls.NotCloseEnough)));
        Assert.All(Lacks(40), l => Assert.True(l.HasFlag(Shortfalls.NotCloseEnough) && !l.HasFlag(Shortfalls.TubeTooClose)));
        Assert.NotEmpty(Lacks(200));
    }

    [Fact]
    public void What_another_assignment_has_is_not_offered_to_be_packed()
    {
        Lens[] spare = [Lens("spare", 85)];
        bool IsOffered(Plan plan) => Mending.For(new DayAnalysis(plan), "vows", "kiss", spare)!.Any(m => m.Edits.OfType<PackThing>().Any());
        Plan Promised(DateTime day) => Small with
        {
            Promised =
            new Dictionary<string, Promise> { ["spare"] = new("other", "Harbour party", DateOnly.FromDateTime(day), DateOnly.FromDateTime(day)) }
        };
        Assert.True(IsOffered(Small));
        Assert.False(IsOffered(Promised(Ten)));
        Assert.True(IsOffered(Promised(Ten.AddDays(1))));
        // Nor is it among what a lighter or safer kit may be made of.
        Assert.DoesNotContain(new KitProblem(Promised(Ten), spare, new KitWish()).Options, o => o.Thing == "spare");
        Assert.Contains(new KitProblem(Small, spare, new KitWish()).Options, o => o.Thing == "spare");
    }

    [Fact]
    public void Margins_of_a_kind_and_what_a_loss_costs_are_counted()
    {
        var plan = With(Lens("other85", 85), new Battery { Id = "spare", Place = "belt", Type = "LB" }) with
        {
            Parts = [Part("vows", 0, new Need { Id = "kiss", ShutterSeconds = 0.01, Focal = new Interval(85, 100) },
                new Need { Id = "nice", Importance = Importance.Nice, ShutterSeconds = 0.01, Focal = new Interval(30, 35) })],
        };
        var table = WhatIfTable.Of(new DayAnalysis(plan));
        Assert.Equal(2, table.Margins.Single(m => m.Kind == "lens").Margin);
        Assert.Equal(2, table.Margins.Single(m => m.Kind == "body").Margin);
        Assert.Equal(3, table.Margins.Single(m => m.Kind == "battery").Margin);
        // Without the 35 a nice picture is lost, which costs nothing that counts.
        Assert.Equal((0, Outcome.Lost), (table.Rows.Single(r => r is { Kind: LossKind.Item, Id: "l35" }).Costs,
            table.Rows.Single(r => r is { Kind: LossKind.Item, Id: "l35" }).Cells[0].Worst));
        Assert.Equal(1, table.Rows.Single(r => r is { Kind: LossKind.Place, Id: "belt" }).Costs
            + table.Rows.Single(r => r is { Kind: LossKind.Person, Id: "lead" }).Costs);
    }

    [Fact]
    public void Depth_is_solved_with_the_real_focal_length_and_the_circle_of_the_crop()
    {
        var need = new Need { Id = "n", ShutterSeconds = 0.01, DepthM = new Interval(2.95, 3.05) };
        var glass = new GlassOnBody(Body("b") with { Crop = 1.5 }, Lens("l", 85) with { Aperture = new Interval(0.95, 0.95) }, null, null, null);
        var used = NeedFit.Ambient(new Rules(), Small.Parts[0], need, glass).FNumber;
        var sharp = DepthOfField.Sharp(85, used, 2 * 2.95 * 3.05 / 6, 1.5);
        Assert.Equal((2.95, 3.05), (Math.Round(sharp.NearM, 3), Math.Round(sharp.FarM, 3)));
    }

    [Fact]
    public void A_jammed_radio_silences_receivers_too()
    {
        var plan = With(new Flash { Id = "f1", Place = "belt", GuideNumber = 40 }, new Trigger { Id = "rx", Place = "belt", Hears = "R" },
            new Trigger { Id = "tx", Place = "belt", Sends = "Q" },
            new Trigger { Id = "bridge", Place = "belt", Hears = "Q", Sends = "R" }, new Support { Id = "stand", Place = "belt", Form = "stand" });
        plan = plan with
        {
            Parts = [plan.Parts[0] with { Needs = [Lit],
            Lights = [new PlacedLight { Flash = "f1", Receiver = "rx", Holder = "stand" }, new PlacedLight { Relay = "bridge" }] }]
        };
        Assert.Equal(Outcome.Holds, OutcomeOf(plan));
        foreach (var system in new[] { "R", "Q" })
            Assert.Equal(Outcome.Lost, WhatIfTable.Of(new DayAnalysis(plan)).Rows.Single(r => r.Kind == LossKind.Radio && r.Id == system).Cells[0].Worst);
    }

    [Fact]
    public void One_pack_that_two_heads_hang_on_carries_both_and_a_relay_falls_with_what_holds_it()
    {
        var plan = With(new Flash { Id = "f1", Place = "belt", GuideNumber = 40, Power = FlashPower.SharedPack, RadioSystem = "R", CanHear = true },
            new Flash { Id = "f2", Place = "belt", GuideNumber = 40, Power = FlashPower.SharedPack, RadioSystem = "R", CanHear = true },
            new Pack { Id = "pack", Place = "belt" }, new Trigger { Id = "tx", Place = "belt", Sends = "Q" },
                new Trigger { Id = "bridge", Place = "belt", Hears = "Q", Sends = "R" },
            new Support { Id = "s1", Place = "belt", Form = "stand" }, new Support { Id = "s2", Place = "belt", Form = "stand" },
                new Support { Id = "pole", Place = "belt", Form = "stand" });
        plan = plan with
        {
            Parts = [plan.Parts[0] with { Needs = [Lit], Lights =
                [new PlacedLight { Flash = "f1", Holder = "s1", Pack = "pack" }, new PlacedLight { Flash = "f2", Holder = "s2", Pack = "pack" },
                new PlacedLight { Relay = "bridge", Holder = "pole" }] }],
        };
        var singles = new DayAnalysis(plan).Report(false).SinglePoints.Select(s => s.Item).ToList();
        Assert.Contains("pack", singles);
        Assert.Contains("pole", singles);
        Assert.DoesNotContain("f1", singles);
    }

    [Fact]
    public void Lamps_of_one_distance_add_up_and_as_many_as_asked_must_shine()
    {
        var plan = With(new StandLight { Id = "led1", Place = "belt", LuxAtOneM = 300 }, new StandLight { Id = "led2", Place = "belt", LuxAtOneM = 300 },
            new Support { Id = "s1", Place = "belt", Form = "stand" }, new Support { Id = "s2", Place = "belt", Form = "stand" });
        Need Lit(int count) => new()
        {
            Id = "lit",
            ShutterSeconds = 1.0 / 60,
            Focal = new Interval(85, 100),
            Light = [LightKind.Continuous],
            Stands = new StandLighting { DistanceM = 2, Count = count }
        };
        Plan At(double ev, int count, params PlacedLight[] lights) =>
            plan with { Parts = [plan.Parts[0] with { Ev = ev, Needs = [Lit(count)], Lights = lights }] };
        PlacedLight first = new() { Light = "led1", Holder = "s1" }, second = new() { Light = "led2", Holder = "s2" };
        // At f/1.8 and 1/85 s ISO 6400 asks EV 2.1 or 10.8 lux; 300 lux at a metre are 75 at two.
        Assert.Equal(Outcome.Holds, OutcomeOf(At(-10, 2, first, second)));
        Assert.Equal(Outcome.Lost, OutcomeOf(Without("led2", At(-10, 2, first))));
        var weak = plan with { Items = [.. plan.Items.Select(i => i is StandLight led ? led with { LuxAtOneM = 30 } : i)] };
        Plan Weak(params PlacedLight[] lights) => weak with { Parts = [weak.Parts[0] with { Ev = -10, Needs = [Lit(1)], Lights = lights }] };
        Assert.Equal(Outcome.Holds, OutcomeOf(Weak(first, second)));
        Assert.Equal(Outcome.Thins, OutcomeOf(Without("led2", Weak(first))));
        static Plan Without(string id, Plan plan) => plan with { Items = [.. plan.Items.Where(i => i.Id != id)] };
    }

    [Fact]
    public void The_spare_on_a_stand_is_another_than_the_sender_where_many_are_alike()
    {
        var alike = Enumerable.Range(1, 5).Select(i => (Item)new Flash
        {
            Id = $"f{i}",
            Place = "belt",
            GuideNumber = 40,
            RadioSystem = "R",
            CanSend = true,
            CanHear = true
        }).ToArray();
        var plan = With([.. alike, new Flash { Id = "stood", Place = "bag", GuideNumber = 40, RadioSystem = "R", CanHear = true },
            new Support { Id = "stand", Place = "belt", Form = "stand" }]);
        plan = plan with { Parts = [plan.Parts[0] with { Needs = [Lit], Lights = [new PlacedLight { Flash = "stood", Holder = "stand" }] }] };
        var best = new DayAnalysis(plan, [new Pulled("stood")]).ReportPart("vows")[0].Best!;
        Assert.Equal(2, best.Items.Count(i => alike.Any(a => a.Id == i)));
        var placed = best.Steps.Single(s => s.Action == StepAction.PlaceLight).Item;
        Assert.NotEqual(placed, best.Steps.Single(s => s.Action == StepAction.FitFlash).Item);
    }

    [Fact]
    public void A_camera_left_alone_is_fed_before_the_part_or_not_at_all()
    {
        var plan = Small with
        {
            Items = [.. Small.Items.Select(i => i is Body b ? b with { FramesPerCharge = 500, RawMegabytes = 20 } : i is Card c ? c with { Gigabytes = 500 }
                : i), new Battery { Id = "spare", Place = "belt", Type = "LB" }],
            Parts =
            [
                Part("one", 0, new Need { Id = "n", ShutterSeconds = 0.01 }) with { Frames = Count(300),
                    Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l35" }] },
                Part("two", 2, new Need { Id = "n", ShutterSeconds = 0.01, Unattended = true }) with { Frames = Count(400),
                    Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l35", Unattended = true }] },
            ],
        };
        var swaps = SwapPlans.Of(new DayAnalysis(plan));
        Assert.Contains(swaps.Swaps, s => s is { Part: "two", AfterFrames: null, Body: "b1" });
        Assert.DoesNotContain(swaps.Swaps, s => s is { Part: "two", Body: "b1", AfterFrames: not null });

        static FrameCount Count(int frames) => new() { Low = 0, Likely = frames, High = frames };
    }

    [Theory]
    [InlineData("@led", "lamp")]
    [InlineData("@rec", "recorder")]
    public void What_feeds_a_lamp_or_recorder_comes_after_what_lies_loose(string where, string what)
    {
        var plan = Small with
        {
            Items =
            [
                .. Small.Items.Where(i => i.Id != "in2").Select(i => i is Body b ? b with { FramesPerCharge = 500, RawMegabytes = 20 } : i is Card c
                    ? c with { Gigabytes = 500 } : i),
                new StandLight { Id = "led", Place = "belt", BatteryType = "LB" }, new OtherThing { Id = "rec", Place = "belt" },
                new Battery { Id = "inside", Place = where, Type = "LB" }, new Battery { Id = "loose", Place = "bag", Type = "LB" },
            ],
            Parts = [Part("one", 0, new Need { Id = "n", ShutterSeconds = 0.01 }) with { Frames = new FrameCount { Low = 0, Likely = 900, High = 900 },
                Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l35" }] }],
        };
        var swap = Assert.Single(SwapPlans.Of(new DayAnalysis(plan)).Swaps);
        Assert.True(swap.In == "loose", $"the {what} was emptied for {swap.In}");
    }

    [Fact]
    public void A_walk_longer_than_what_is_asked_can_wait_is_not_made_for_the_reserve()
    {
        var plan = Small with
        {
            Items = [.. Small.Items.Where(i => i.Id != "in2")
                .Select(i => i is Body b ? b with { FramesPerCharge = 500, RawMegabytes = 20 } : i is Card c ? c with { Gigabytes = 500 } : i),
                new Battery { Id = "far", Place = "car", Type = "LB" }],
            // 480 of 500 frames: enough, with less than the reserve of 75 left; the parts follow one another without a gap.
            Parts =
            [
                Part("one", 0, new Need { Id = "n", ShutterSeconds = 0.01 }) with { Frames = new FrameCount { Low = 0, Likely = 60, High = 60 },
                    Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l35" }] },
                Part("two", 1, new Need { Id = "n", Importance = Importance.Once, ToleranceSeconds = 60, ShutterSeconds = 0.01 }) with { Frames =
                    new FrameCount { Low = 0, Likely = 420, High = 420 }, Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l35" }] },
            ],
        };
        Assert.Empty(SwapPlans.Of(new DayAnalysis(plan)).Swaps);
        // And of two that both take too long, the one at the belt is taken, though it leaves less than the reserve.
        var both = plan with
        {
            Parts = [plan.Parts[0] with { Frames = new FrameCount { Low = 0, Likely = 100, High = 100 } },
            plan.Parts[1] with { Frames = new FrameCount { Low = 0, Likely = 425, High = 425 },
            Needs = [plan.Parts[1].Needs[0] with { ToleranceSeconds = 10 }] }],
            Items = [.. plan.Items, new Battery { Id = "worn", Place = "belt", Type = "LB", Health = 0.9 }]
        };
        Assert.Equal("worn", Assert.Single(SwapPlans.Of(new DayAnalysis(both)).Swaps).In);
        // From the pouch it is worth it.
        var near = plan with { Items = [.. plan.Items.Select(i => i.Id == "far" ? i with { Place = "belt" } : i)] };
        Assert.Equal("two", Assert.Single(SwapPlans.Of(new DayAnalysis(near)).Swaps).Part);
    }

    [Fact]
    public void Glass_is_changed_on_a_camera_whoever_holds_it()
    {
        var later = Part("later", 1) with
        {
            Setups = [new Setup { Person = "lead", Position = "right", Body = "b1", Lens = "l85" },
            new Setup { Person = "lead", Position = "left", Body = "b2", Lens = "l35" }]
        };
        Assert.Equal(2, new DayAnalysis(Small with { Parts = [Small.Parts[0], later] }).Report(false).Changes.Count);
        // The cameras change hands and keep their glass.
        var kept = later with
        {
            Setups = [new Setup { Person = "lead", Position = "right", Body = "b1", Lens = "l35" },
            new Setup { Person = "lead", Position = "left", Body = "b2", Lens = "l85" }]
        };
        Assert.Empty(new DayAnalysis(Small with { Parts = [Small.Parts[0], kept] }).Report(false).Changes);
    }

    [Fact]
    public void What_is_in_the_car_that_is_closed_can_be_in_the_hand_from_the_part_before()
    {
        var plan = Small with
        {
            Items = [.. Small.Items.Where(i => i.Id != "l85"), Lens("l85", 85) with { Place = "car" }],
            Parts = [Part("ride", 0) with { Setups = Hands() },
                Small.Parts[0] with { Start = Ten.AddHours(2), End = Ten.AddHours(3), Unreachable = ["car"], Setups = Hands() }],
        };
        Assert.Equal(Outcome.Lost, OutcomeOf(plan, 1));
        var choice = SetupChoices.For(new DayAnalysis(plan), "vows", "lead", "right", "b2")!.Glass.Single(c => ((Mount)c.Edit).Lens == "l85");
        Assert.Equal((900, 0), (choice.PrepareSeconds, choice.Uncovered.Count));
        Assert.Contains(new SetupProblem(plan).Slots.Where(s => s.Part == "vows"), s => s.Options.Any(o => o.Lens == "l85"));
        Assert.Contains(Mending.For(new DayAnalysis(plan), "vows", "kiss")!, m => m.Edits[0] is Mount { Lens: "l85" });

        static Setup[] Hands() => [new Setup { Person = "lead", Position = "left", Body = "b1", Lens = "l35" },
            new Setup { Person = "lead", Position = "right", Body = "b2" }];
    }

    [Fact]
    public void Another_body_brings_its_own_battery_cards_and_flash()
    {
        var held = Small with
        {
            Items = [.. Small.Items, Body("b3"), new Flash { Id = "f", Place = "belt", GuideNumber = 30 }],
            Parts = [Small.Parts[0] with { Setups = [Small.Parts[0].Setups[0] with { Battery = "in2", Cards = ["c2"], Flash = "f" }, Small.Parts[0]
            .Setups[1]] }]
        };
        var setup = EditResult.Apply(held, [new Mount { Part = "vows", Person = "lead", Position = "left", Body = "b3", Lens = "l35" }]).Plan!.Parts[0]
            .Setups[0];
        Assert.Equal(("b3", null, null, null), (setup.Body, setup.Battery, setup.Cards, setup.Flash));
    }

    [Fact]
    public void A_clamp_holds_a_camera_that_is_left_alone_and_no_other()
    {
        var plan = With(new Support { Id = "cl", Place = "belt", Form = "clamp" });
        var equip = new Equip { Part = "vows", Person = "lead", Position = "left", Support = "cl" };
        Assert.Contains("support", EditResult.Apply(plan, [equip]).Problems.Select(p => p.Field));
        Assert.Equal("cl", EditResult.Apply(plan, [equip with { Unattended = true }]).Plan!.Parts[0].Setups[0].Support);
        var alone = EditResult.Apply(plan, [equip with { Unattended = true }]).Plan!;
        Assert.Contains("cl", SetupChoices.For(new DayAnalysis(alone), "vows", "lead", "left", null)!.Supports);
        Assert.DoesNotContain("cl", SetupChoices.For(new DayAnalysis(plan), "vows", "lead", "left", null)!.Supports);
    }

    [Fact]
    public void A_tripod_and_a_flash_are_in_one_place_at_a_time()
    {
        var plan = With(new Support { Id = "tp", Place = "belt", Form = "tripod" }, new Flash { Id = "f", Place = "belt", GuideNumber = 30 });
        plan = EditResult.Apply(plan, [new Equip { Part = "vows", Person = "lead", Position = "left", Support = "tp", Shoe = "f" }]).Plan!;
        plan = EditResult.Apply(plan, [new Equip { Part = "vows", Person = "lead", Position = "right", Support = "tp", Shoe = "f" }]).Plan!;
        Assert.Equal([(null, null), ("tp", "f")], plan.Parts[0].Setups.Select(s => (s.Support, s.Flash)));
        plan = EditResult.Apply(plan, [new SetLights { Part = "vows", Lights = [new PlacedLight { Flash = "f" }] }]).Plan!;
        Assert.All(plan.Parts[0].Setups, s => Assert.Null(s.Flash));
        plan = EditResult.Apply(plan, [new Equip { Part = "vows", Person = "lead", Position = "left", Shoe = "f" }]).Plan!;
        Assert.Null(plan.Parts[0].Lights);
    }

    [Fact]
    public void A_light_that_misses_a_piece_is_not_put_up()
    {
        var plan = With(new Flash { Id = "f1", Place = "belt" }, new Flash { Id = "f2", Place = "belt" },
            new Support { Id = "s1", Place = "belt", Form = "stand" }, new Support { Id = "s2", Place = "belt", Form = "stand" });
        plan = plan with
        {
            Parts = [plan.Parts[0] with { Lights =
            [new PlacedLight { Flash = "f1", Holder = "s1" }, new PlacedLight { Flash = "f2", Holder = "s2" }] }]
        };
        var left = EditResult.Apply(plan, [new UnpackThing { Item = "s1", Everywhere = true }]).Plan!.Parts[0].Lights!;
        Assert.Equal("f2", Assert.Single(left).Flash);
    }

    [Fact]
    public void What_bears_others_leaves_after_them_and_the_kit_proposed_can_be_taken()
    {
        var plan = With(Lens("heavy", 200) with { WeightG = 3000, Place = "bag" },
            new Adapter { Id = "ad", Place = "@heavy", LensMount = "M", BodyMount = "K", WeightG = 100 });
        var problem = new KitProblem(plan, [], new KitWish(FailureClass.None, FromLocker: false));
        bool[] chosen = [.. problem.Options.Select(o => o.Thing is not ("heavy" or "ad"))];
        var changes = problem.Changes(chosen);
        Assert.Equal(["ad", "heavy"], changes.Select(c => c.Thing));
        Assert.NotNull(EditResult.Apply(plan, [.. changes.Select(c => c.Edit)]).Plan);
    }

    [Fact]
    public void What_is_in_a_hand_as_its_bag_is_stolen_is_left()
    {
        // The 35 is set up from the bag and in the hand as the bag goes; what lies in the bag goes with it.
        var plan = Small with
        {
            Items = [.. Small.Items.Select(i => i.Id is "l35" or "l85" ? i with { Place = "bag" } : i),
            Lens("l50", 50) with { Place = "bag" }]
        };
        var day = new DayAnalysis(plan, [new Pulled("bag", "vows", null, LossKind.Place)]);
        Assert.Equal(Outcome.Holds, day.ReportPart("vows")[0].Baseline);
        Assert.Equal(["l50"], PullTest.Compare(new DayAnalysis(plan), day).Out[0].Items);
        // And it may stay where it is in new setups, though its bag is gone.
        Assert.Contains(new SetupProblem(day).Slots[0].Options, o => o.Lens == "l35");
    }

    [Fact]
    public void A_flash_of_another_shoe_replaces_none()
    {
        Item[] locker = [new Flash { Id = "a", Shoe = "S1" }, new Flash { Id = "b", Shoe = "S2" }];
        Assert.Equal(["a", "b"], Alone.Find(locker, new Compatibility(locker, []), new DateOnly(2027, 1, 1)).Select(a => a.Id));
        locker[1] = new Flash { Id = "b" };
        Assert.Empty(Alone.Find(locker, new Compatibility(locker, []), new DateOnly(2027, 1, 1)));
    }

    [Fact]
    public void A_further_one_has_no_serial_number_and_no_past_of_the_first()
    {
        var first = Body("b") with
        {
            Serial = "4711",
            FirstUse = new DateOnly(2020, 1, 1),
            ServiceDue = new DateOnly(2027, 1, 1),
            Cycles = 900,
            Notes = "dented",
            Status = Availability.Lent,
            Number = 1,
            Name = "Halm no. 1"
        };
        var second = Assert.Single(Duplicates.Of(first, 1, [first]));
        Assert.Equal((null, null, null, null, null, null, 2, "Halm no. 2"),
            (second.Serial, second.FirstUse, second.ServiceDue, second.Cycles, second.Notes, second.Status, second.Number, second.Name));
    }

    [Fact]
    public void The_same_serial_number_is_the_same_thing_whatever_it_is_called()
    {
        var table = new FiledThing(1, "x", "battery", new Dictionary<string, string> { ["serial"] = "77", ["name"] = "Another name", ["type"] = "LB" }, null,
            []);
        var weighed = WeighedImport.Of([new Battery { Id = "old", Serial = "77", Name = "First name", Type = "LB" }], [table]);
        Assert.Equal("old", Assert.Single(weighed.Things).Id);
    }

    [Fact]
    public void A_burst_is_as_long_as_the_slowest_card_there_is_allows()
    {
        var body = Body("b") with
        {
            Fps = 10,
            BufferMegabytes = 1600,
            RawMegabytes = 48,
            Slots = [new CardSlot { Type = "SD", WriteMegabytesPerSecond = 250 }, new CardSlot { Type = "SD", WriteMegabytesPerSecond = 250 }]
        };
        Item[] locker = [body, new Card { Id = "quick", Type = "SD", WriteMegabytesPerSecond = 240 },
            new Card { Id = "slow", Type = "SD", WriteMegabytesPerSecond = 90 }];
        BodyBurst? Of(params Item[] things) => Assert.Single(LockerReport.Of(things, new Compatibility(things, []), new DateOnly(2027, 1, 1)).Bodies).Burst;
        // A frame and 7/8 a second at 90 MB/s: 33 frames held fill in 33.3 / (10 − 1.875) s and are written in 33.3 / 1.875 s.
        Assert.Equal((4.1, 17.8), (Math.Round(Of(locker)!.Seconds!.Value, 1), Math.Round(Of(locker)!.ClearSeconds, 1)));
        Assert.Equal(6.7, Math.Round(Of(locker[..2])!.Seconds!.Value, 1));
        Assert.Null(Of(body with { Fps = 1 }, locker[2])!.Seconds);
        Assert.Null(Of(body with { BufferMegabytes = null }));
    }

    [Theory]
    [InlineData("2027-06-11", true)]
    [InlineData("2027-06-12", true)]
    [InlineData("2027-06-13", false)]
    public void Service_is_due_from_its_day_on(string due, bool said)
    {
        Item[] locker = [Body("b") with { ServiceDue = DateOnly.Parse(due, System.Globalization.CultureInfo.InvariantCulture) }];
        var view = Assert.Single(LockerReport.Of(locker, new Compatibility(locker, []), new DateOnly(2027, 6, 12)).Things);
        Assert.Equal(said, view.Warnings.Any(w => w.StartsWith("service due", StringComparison.Ordinal)));
    }

    [Theory]
    [InlineData("\"kind\": \"battery\", \"health\": 1.2", "health")]
    [InlineData("\"kind\": \"body\", \"mount\": \"K\", \"megapixels\": 1e308, \"isoCeiling\": 6400, \"slots\": [], \"batteryType\": \"L\"", "megapixels")]
    [InlineData("\"kind\": \"body\", \"mount\": \"K\", \"megapixels\": 24, \"isoCeiling\": 6400, \"slots\": [], \"batteryType\": \"L\", \"framesPerCharge\": "
        + "-1", "framesPerCharge")]
    public void A_figure_that_cannot_be_is_refused_at_its_field(string figures, string field)
    {
        var (item, problems) = PlanFile.ReadItem((System.Text.Json.Nodes.JsonObject)System.Text.Json.Nodes.JsonNode.Parse("{ \"id\": \"x\", " + figures
            + " }")!);
        Assert.Null(item);
        Assert.Equal(field, Assert.Single(problems).Field);
    }

    [Theory]
    [InlineData(BounceColour.White, 2)]
    [InlineData(BounceColour.Pale, 3)]
    [InlineData(BounceColour.Dark, 4)]
    public void A_ceiling_swallows_stops_by_its_colour(BounceColour colour, double stops) => Assert.Equal(stops, OnCameraFlash.LossStops(colour));

    [Fact]
    public void A_shutter_that_no_body_has_and_a_blur_that_is_frozen_are_second_best()
    {
        Plan Asking(Need need, Body body) => Small with
        {
            Items = [.. Small.Items.Select(i => i is Body b ? body with { Id = b.Id } : i)],
            Parts = [Small.Parts[0] with { Ev = 15, Needs = [need] }]
        };
        var fast = new Need { Id = "n", ShutterSeconds = 1.0 / 8000, Focal = new Interval(85, 100) };
        Assert.Equal(Outcome.Thins, OutcomeOf(Asking(fast, Body("b") with { FastestShutterSeconds = 1.0 / 4000 })));
        Assert.Equal(Outcome.Holds, OutcomeOf(Asking(fast, Body("b") with { FastestShutterSeconds = 1.0 / 8000 })));
        // A turning wheel at 1/30 s: by hand an 85 wants 1/85 s, three stops of stabilisation hold 1/10 s.
        var blur = new Need { Id = "n", ShutterSeconds = 1.0 / 30, ShortestShutterSeconds = 1.0 / 40, Focal = new Interval(85, 100) };
        Assert.Equal(Outcome.Thins, OutcomeOf(Asking(blur, Body("b"))));
        Assert.Equal(Outcome.Holds, OutcomeOf(Asking(blur, Body("b") with { StabilisationStops = 3 })));
    }

    [Fact]
    public void A_smallest_f_number_above_the_largest_is_refused()
    {
        var bytes = Encoding.UTF8.GetString(PlanFile.Write(Small with
        {
            Parts =
            [Small.Parts[0] with { Needs = [Small.Parts[0].Needs[0] with { MinFNumber = 4, MaxFNumber = 2.8 }] }]
        }));
        Assert.Equal("parts[0].needs[0].maxFNumber", Assert.Single(PlanFile.Read(Encoding.UTF8.GetBytes(bytes)).Problems).Field);
    }

    [Fact]
    public void A_camera_left_alone_on_the_night_the_clocks_go_back_works_an_hour_longer()
    {
        // From half past one to half past three by the clock, which are three hours when it is set back at three.
        var night = new Part
        {
            Id = "night",
            Kind = "dinner",
            Ev = 11,
            Start = new DateTime(2027, 10, 31, 1, 30, 0),
            End = new DateTime(2027, 10, 31, 3, 30, 0)
        };
        Plan On(string? zone) => Small with
        {
            Assignment = new Assignment { TimeZone = zone },
            // 1.5 frames a minute, half as many again on a busy day: 270 in two hours, 405 in three.
            Items = [.. Small.Items.Select(i => i is Body b ? b with { FramesPerCharge = 300 } : i)],
            Parts = [night with { Setups = [new Setup { Person = "lead", Body = "b2", Lens = "l85", Unattended = true }],
                Needs = [new Need { Id = "n", Unattended = true, ShutterSeconds = 0.01, Focal = new Interval(85, 100) }] }],
        };
        Assert.Equal(Outcome.Holds, OutcomeOf(On(null)));
        Assert.Equal(Outcome.Lost, OutcomeOf(On("Europe/Vienna")));
    }

    [Fact]
    public void Somebody_quick_is_quick_by_their_own_seconds()
    {
        var need = new Need { Id = "n", ShutterSeconds = 0.01, Focal = new Interval(85, 100), ToleranceSeconds = 25 };
        var plan = Small with { Parts = [Small.Parts[0] with { Needs = [need], Setups = [Small.Parts[0].Setups[0]] }] };
        // 5 s to the belt, 5 to raise, 30 to change.
        Assert.Equal((Outcome.Late, 40.0), (OutcomeOf(plan), new DayAnalysis(plan).ReportPart("vows")[0].Best!.Seconds));
        var quick = plan with { People = [plan.People[0] with { Seconds = new OwnSeconds { ChangeLens = 15 } }] };
        Assert.Equal((Outcome.Holds, 25.0), (OutcomeOf(quick), new DayAnalysis(quick).ReportPart("vows")[0].Best!.Seconds));
    }

    [Fact]
    public void More_needs_than_hands_are_lost_at_once()
    {
        var needs = Enumerable.Range(0, 3).Select(i => new Need { Id = $"n{i}", ShutterSeconds = 0.01, Moment = "finish" }).ToArray();
        var plan = Small with { People = [.. Small.People, new Person { Id = "second" }], Parts = [Part("vows", 0, needs)] };
        Assert.All(new DayAnalysis(plan).ReportPart("vows"), n => Assert.Equal((Outcome.Lost, true), (n.Baseline, n.Exhaustive)));
        Assert.True(new DayAnalysis(plan with { Parts = [Part("vows", 0, needs[..2])] }).ReportPart("vows").All(n => n.Baseline == Outcome.Holds));
    }
}
