using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Record;
using YokePair.Core.Reports;
using YokePair.Core.Use;

namespace YokePair.Core.Tests;

/// <summary>What a day takes of charge besides frames: video, packs, transmitters, lamps, recorders; and days with a night between.</summary>
public sealed class DeviceTests
{
    private static PowerPlan Of(Plan plan, UseLevel level = UseLevel.High) => PowerPlans.Of(new DayAnalysis(plan), level);

    private static Plan With(Plan plan, params Item[] items) => plan with { Items = [.. plan.Items, .. items] };

    private static Plan Uses(Plan plan, int part, params PartUse[] use) =>
        plan with { Parts = [.. plan.Parts.Select((p, n) => n == part ? p with { Use = use } : p)] };

    /// <summary>What a thing shows at the end of each part it works in.</summary>
    private static IEnumerable<double> Ends(PowerPlan power, string device) =>
        power.Bands.Single(b => b.Device == device).Levels.Where(l => l.At == 1).Select(l => Math.Round(l.Left, 3));

    /// <summary>Charges used u on a likely day, half as many again on a busy one, one dead: the busy charges rounded up, and one.</summary>
    [Theory]
    [InlineData(5.5, 10)]
    [InlineData(4, 7)]
    [InlineData(2, 4)]
    public void As_many_as_a_busy_day_takes_and_one_that_may_die(double charges, int wanted)
    {
        var plan = PowerTests.Day(fresh: false, spares: 12);
        // One long part, as at joins a battery may be changed before it is empty.
        var frames = new FrameCount { Low = 0, Likely = (int)(charges * 500), High = (int)(charges * 750) };
        plan = plan with { Parts = [plan.Parts[7] with { Frames = frames }] };
        var type = Of(plan with { Items = [.. plan.Items.Select(i => i is Body b ? b with { FramesPerCharge = 500 } : i)] }).Types.Single();
        Assert.Equal((wanted, wanted - 1), (type.Wanted, type.Used));
    }

    [Fact]
    public void Video_and_live_view_draw_from_the_camera_and_say_so()
    {
        var plan = Uses(PowerTests.Day(fresh: false, spares: 3), 0, new PartUse { Item = "b1", Frames = 0, VideoMinutes = 50, LiveViewMinutes = 45 });
        var power = Of(plan);
        // Half a charge and a quarter, by usual figures; 200 frames of the part are typed away.
        Assert.Equal(0.25, Ends(power, "b1").First(), 3);
        Assert.Equal(["framesPerCharge Rated", "videoMinutesPerCharge Usual", "liveViewMinutesPerCharge Usual"],
            power.Figures.Select(f => $"{f.Figure} {f.Source}"));
        Assert.Equal((60, FigureSource.Typed), power.Use.Where(u => u.Part == "details").Select(u => (u.Frames, u.Source)).Single());
        var told = plan with { Items = [.. plan.Items.Select(i => i is Body b ? b with { VideoMinutesPerCharge = 200, LiveViewMinutesPerCharge = 90 } : i)] };
        Assert.Equal(0.25, Ends(Of(told), "b1").First(), 3);
        Assert.Equal(0.75, Ends(Of(told with
        {
            Parts = [.. told.Parts.Select((p, n) => n == 0 ? p with { Use = [new PartUse { Item = "b1", Frames = 200 }] }
            : p)]
        }), "b1").First(), 3);
    }

    /// <summary>Of 720 frames each camera has a share, and another for each picture that it is the first choice for: three and two fifths.</summary>
    [Fact]
    public void The_frames_of_a_part_are_shared_by_what_is_in_the_hands()
    {
        var plan = PowerTests.Flashes(4, 1600, 2);
        var part = plan.Parts[0];
        var more = plan with { Parts = [part with { Needs = [.. part.Needs, part.Needs.First(n => n.Who == "left") with { Id = "another" }] }] };
        Assert.Equal([("b left", 432), ("b right", 288)], Of(more).Use.Select(u => (u.Body, u.Frames)));
        Assert.Equal([360, 360], Of(plan with { Parts = [part with { Needs = [] }] }).Use.Select(u => u.Frames));
    }

    [Fact]
    public void What_is_typed_of_one_camera_leaves_the_rest_to_the_other()
    {
        var plan = PowerTests.Flashes(4, 1600, 2);
        Assert.Equal([360, 360], Of(plan).Use.Select(u => u.Frames));
        var set = new SetUse { Part = "floor", Item = "b left", Frames = 500 }.Apply(plan);
        Assert.Empty(set.Problems);
        var typed = set.Plan!;
        Assert.Equal([500, 220], Of(typed).Use.Select(u => u.Frames));
        // Typed are the frames of a busy day; a likely one takes two thirds of them.
        var likely = typed with { Parts = [typed.Parts[0] with { Frames = new FrameCount { Low = 240, Likely = 480, High = 720 } }] };
        Assert.Equal([334, 147], Of(likely, UseLevel.Likely).Use.Select(u => u.Frames));
        Assert.Null(new SetUse { Part = "floor", Item = "b left" }.Apply(typed).Plan!.Parts[0].Use);
        Assert.Equal("frames", new SetUse { Part = "floor", Item = "b left", Frames = -1 }.Apply(plan).Problems.Single().Field);
        Assert.Equal("item", new SetUse { Part = "floor", Item = "nothing" }.Apply(plan).Problems.Single().Field);
    }

    /// <summary>Eight cells in a pack besides the four: three times 182 usable pops, so that 360 ask for no change.</summary>
    [Fact]
    public void Cells_in_a_pack_feed_the_flash_it_is_on()
    {
        var plan = PowerTests.Flashes(5.6, 800, 2);
        Assert.Equal(2, Of(plan).Short.Count);
        foreach (var hand in (string[])["left", "right"])
            plan = With(plan, new Pack { Id = $"pack {hand}", Place = $"@f {hand}" },
                new Cells { Id = $"eight {hand}", Place = $"@pack {hand}", Type = "AA", CellCount = 8 });
        var power = Of(plan);
        Assert.Empty(power.Short);
        Assert.DoesNotContain(power.Changes, c => c.Body.StartsWith('f'));
        // 303 pops a set, three sets: 360 of 909 are gone.
        Assert.Equal(Math.Round(1 - (360.0 / 909), 3), Ends(power, "f left").Single());
    }

    /// <summary>A pack of 450 pops for two heads: both draw from it.</summary>
    [Fact]
    public void Two_heads_on_one_pack_draw_from_it_together()
    {
        Assert.Equal(2 * (1 - Ends(Of(OnPack(1)), "pack").Single()), 1 - Ends(Of(OnPack(2)), "pack").Single(), 0.002);
        Assert.Equal(1 - Ends(Of(OnPack(2)), "pack").Single(), Of(OnPack(2)).Alone.Single(a => a.Device == "pack").Used, 0.001);
        var report = new DayAnalysis(OnPack(2, pops: 2)).Report(withEvents: false);
        Assert.False(report.Sound);
        Assert.Contains("Charged once, the pack goes dark", report.Verdict, StringComparison.Ordinal);
    }

    private static Plan OnPack(int heads, double pops = 200)
    {
        var plan = PowerTests.Day(fresh: false, spares: 3);
        var numbers = Enumerable.Range(1, heads).ToList();
        return With(plan, [
            new Pack { Id = "pack", Place = "bag", FullPops = pops, Outlets = 2 }, new Trigger { Id = "sender", Place = "bag", Sends = "R1", RunMinutes = 120 },
            .. numbers.SelectMany(n => new Item[]
            {
                new Flash { Id = $"head{n}", Place = "bag", GuideNumber = 40, Power = FlashPower.SharedPack, RadioSystem = "R1", CanHear = true,
                    RecycleSeconds = 0.2 },
                new Support { Id = $"stand{n}", Place = "bag", Form = "stand" },
            })]) with
        {
            Parts =
            [
                plan.Parts[7] with
                {
                    Ev = -2, Lights = [.. numbers.Select(n => new PlacedLight { Flash = $"head{n}", Holder = $"stand{n}", Pack = "pack" })],
                    Setups = [plan.Parts[7].Setups[0] with { Trigger = "sender" }],
                    Needs = [new Need { Id = "n", ShutterSeconds = 1.0 / 60, Light = [LightKind.Stands],
                        Stands = new StandLighting { Count = heads, DistanceM = 4 } }],
                },
            ],
        };
    }

    /// <summary>600 pops at a quarter of full power are a third of a pack of 450: full, 67, 33, and the third assignment asks 33 and the reserve.</summary>
    [Fact]
    public void What_one_job_leaves_of_a_pack_the_next_begins_with()
    {
        var assignment = OnPack(1, pops: 450);
        var frames = new FrameCount { Low = 0, Likely = 0, High = 600 };
        assignment = assignment with
        {
            Parts = [assignment.Parts[0] with { Frames = frames,
            Needs = [.. assignment.Parts[0].Needs.Select(n => n with { Stands = n.Stands! with { DistanceM = Quarter(assignment) } })] }]
        };
        var left = new List<int>();
        List<Fact> facts = [];
        foreach (var day in (string[])["first", "second", "third"])
        {
            var plan = ChargeBook.With(assignment, day, facts);
            var power = Of(plan);
            left.Add((int)Math.Round(100 * power.AtTheEnd.Single(l => l.Thing == "pack").Left));
            var dark = power.Short.Any(s => s.Device == "pack");
            Assert.Equal(day == "third", dark);
            if (dark) Assert.Contains("Charge the pack before this", string.Concat(PowerDay.Of(new DayAnalysis(plan), []).Sentence.Select(p => p.Text)),
                StringComparison.Ordinal);
            facts.AddRange(power.AtTheEnd.Select(l => new Fact(FactKind.Changed, l.Thing, DateTime.UnixEpoch, day, Left: l.Left)));
        }
        Assert.Equal([67, 33], left.Take(2));
        // Charged before it, the third is as the first; and what a day leaves itself is not what it begins with.
        facts.Insert(facts.FindIndex(f => f.Day == "third"), new Fact(FactKind.Charged, "pack", DateTime.UnixEpoch, "third"));
        Assert.DoesNotContain(Of(ChargeBook.With(assignment, "third", facts)).Short, s => s.Device == "pack");
        Assert.Null(ChargeBook.With(assignment, "first", facts).Left);
    }

    /// <summary>The distance at which the light of the part asks a quarter of full power.</summary>
    private static double Quarter(Plan assignment) => Enumerable.Range(10, 400).Select(n => n / 20.0).MinBy(d =>
        Math.Abs(0.3333 - Of(assignment with
        {
            Parts = [assignment.Parts[0] with { Frames = new FrameCount { Low = 0, Likely = 0, High = 600 },
            Needs = [.. assignment.Parts[0].Needs.Select(n => n with { Stands = n.Stands! with { DistanceM = d } })] }]
        })
            .Alone.Where(a => a.Device == "pack").Select(a => a.Used).DefaultIfEmpty(9).Single()));

    [Fact]
    public void A_half_used_battery_gives_what_it_shows()
    {
        var plan = PowerTests.Day(fresh: false, spares: 2);
        var half = plan with { Left = new Dictionary<string, double> { ["in"] = 0.5 } };
        // 400 frames instead of 800: changed before the ceremony, which asks 180 where 140 are left.
        Assert.Equal(0.5, Of(half).Bands[0].Levels[0].Left);
        Assert.Equal("ceremony", Of(half).Changes[0].Part);
        Assert.Contains(Of(half).AtTheEnd, l => l is { Thing: "in", Left: < 0.2 });
        Assert.Equal("drinks", Of(plan).Changes.Single().Part);
    }

    [Fact]
    public void A_transmitter_a_lamp_and_a_recorder_run_while_they_are_used()
    {
        // An hour of two on the sender that is in the shoe.
        Assert.Equal(0.5, Of(OnPack(1)).Alone.Single(a => a.Device == "sender").Used, 3);
        var day = With(PowerTests.Day(fresh: false, spares: 3),
            new OtherThing { Id = "rec", Name = "Small recorder", Place = "bag", CellsType = "AAA" }, new Cells { Id = "three", Type = "AAA", Place = "@rec" },
            new StandLight { Id = "lamp", Place = "bag", BatteryType = "LP" }, new Battery { Id = "lp", Type = "LP", Place = "@lamp" });
        Assert.DoesNotContain(Of(day).Bands, b => b.Device is "rec" or "lamp");
        day = Uses(Uses(day, 2, new PartUse { Item = "rec", Minutes = 120 }), 7, new PartUse { Item = "lamp", Minutes = 90 },
            new PartUse { Item = "rec", Minutes = 300 });
        var power = Of(day);
        // Ten hours a set as such things usually run: two of them leave 80 %, then four until the reserve of 40 %.
        Assert.Equal([0.8, 0.4], Ends(power, "rec"));
        Assert.Equal(["lamp 51", "rec 240"], power.Short.Select(s => $"{s.Device} {s.AfterFrames}").Order());
        Assert.Equal([("AAA", 1), ("LP", 1)], power.Types.Where(t => t.Type != "LB").Select(t => (t.Type, t.Ready)).Order());
        Assert.All(power.Figures.Where(f => f.Figure == "runMinutes"), f => Assert.Equal(FigureSource.Usual, f.Source));
        // A second battery is what the lamp lacks, and that it may die as well makes two.
        Assert.Equal(2, power.Types.Single(t => t.Type == "LP").Short);
        Assert.DoesNotContain(Of(With(day, new Battery { Id = "lp2", Type = "LP", Place = "bag" })).Short, s => s.Device == "lamp");
    }

    /// <summary>Nobody wants to find the drone empty because no need counts on it.</summary>
    [Fact]
    public void What_comes_along_unasked_is_charged_too()
    {
        var day = With(PowerTests.Day(fresh: false, spares: 3), new OtherThing { Id = "air", Name = "Drone", Place = "bag", Roles = ["drone"] },
            new Battery { Id = "prop", Name = "Prop", Type = "DB", Place = "bag" }, new OtherThing { Id = "tape", Name = "Tape", Place = "bag" },
            new PowerBank { Id = "bank", Name = "Bank", Place = "bag" });
        var told = PowerDay.Of(new DayAnalysis(day), []);
        Assert.Equal(["air", "bank", "prop"], told.Idle.Order());
        Assert.Contains("What comes along unasked is charged too: the Drone and the Bank. ", string.Concat(told.Sentence.Select(p => p.Text)),
            StringComparison.Ordinal);
        Assert.Equal(["air", "bank", "prop"], told.Reminders.Single(r => r.Text.StartsWith("on charge too", StringComparison.Ordinal)).Items.Order());
        // Once it flies it is no longer told as coming along unasked.
        Assert.Equal(["bank", "prop"], PowerDay.Of(new DayAnalysis(Uses(day, 0, new PartUse { Item = "air", Minutes = 10 })), []).Idle.Order());
    }

    [Fact]
    public void A_socket_fills_what_rests()
    {
        var day = With(PowerTests.Day(fresh: false, spares: 3), new OtherThing { Id = "air", Name = "Drone", Place = "bag", RunMinutes = 100 });
        day = Uses(Uses(day, 0, new PartUse { Item = "air", Minutes = 80 }), 7, new PartUse { Item = "air", Minutes = 60 });
        Assert.Equal(("air", 5, 55), Of(day).Short.Select(s => (s.Device, s.AfterFrames, s.Frames)).Single());
        var socket = day with { Parts = [.. day.Parts.Select((p, n) => n is 3 or 4 ? p with { Socket = true } : p)] };
        Assert.Empty(Of(socket).Short);
    }

    /// <summary>Two days alike: what one uses is charged in the night, and the second asks for no more than the first.</summary>
    [Fact]
    public void A_night_charges()
    {
        var both = TwoDays(PowerTests.Day(fresh: true, spares: 3));
        Assert.Equal((3, 4, 0), Of(both).Types.Select(t => (t.Used, t.Wanted, t.Short)).Single());
        Assert.Equal(4, Of(both).Changes.Count);
        Assert.Empty(new DayAnalysis(both).Report(withEvents: false).Power.WithoutOne);
        // Home at 2 after the last part and an hour of travel, off at nine: with one bay two rounds fit, as one is asleep between.
        var nights = PowerDay.Of(new DayAnalysis(both), []).Nights;
        Assert.Equal(2, nights.Count);
        Assert.Equal(new DateTime(2027, 6, 13, 2, 0, 0), nights[1].Rounds[0].On);
        Assert.Equal(2, nights[1].Rounds.Count);
        // With bays that take the whole evening each night says what it leaves.
        var slow = With(both, new Charger { Id = "slow", BatteryTypes = ["LB"], Bays = 1, Hours = 6 });
        var told = string.Concat(PowerDay.Of(new DayAnalysis(slow), []).Sentence.Select(p => p.Text));
        Assert.Contains("The chargers leave 3 LB not full at ", told, StringComparison.Ordinal);
        // One was not used on the first day, one is full by eight, and what the other two have left is enough.
        Assert.DoesNotContain("The second night leaves", told, StringComparison.Ordinal);
    }

    private static Plan TwoDays(params Item[] more) => TwoDays(PowerTests.Day(fresh: false, spares: 2), more);

    private static Plan TwoDays(Plan one, params Item[] more)
    {
        var second = one.Parts.Select(p => p with { Id = p.Id + " 2", Start = p.Start!.Value.AddDays(1), End = p.End!.Value.AddDays(1) });
        return With(one with { Parts = [.. one.Parts, .. second] }, more);
    }

    /// <summary>What the night does not fill is lacking on the second day: in the verdict, with where it goes dark, and in what would do about it.</summary>
    [Fact]
    public void What_the_night_does_not_fill_is_lacking_the_day_after()
    {
        var slow = TwoDays(new Charger { Id = "slow", Place = "bag", BatteryTypes = ["LB"], Bays = 1, Hours = 24 });
        var day = new DayAnalysis(slow);
        var lack = day.Report(withEvents: false).Power;
        Assert.All(lack.WithoutOne.SelectMany(t => t.WithoutOne).Concat(lack.Short), s => Assert.EndsWith(" 2", s.Part, StringComparison.Ordinal));
        Assert.NotEmpty(lack.WithoutOne);
        Assert.Contains("LB short: ", day.Report(withEvents: false).Verdict, StringComparison.Ordinal);
        var said = string.Concat(PowerDay.Of(day, []).Sentence.Select(p => p.Text));
        Assert.Contains("The second night leaves 2 LB not full at ", said, StringComparison.Ordinal);
        Assert.Equal(lack.WithoutOne.Single().Short, Of(slow).Types.Single().Short);
        // Fast enough, or not told of: the second day has all of them.
        Assert.Empty(new DayAnalysis(TwoDays()).Report(withEvents: false).Power.WithoutOne);
        var fast = TwoDays(new Charger { Id = "fast", Place = "bag", BatteryTypes = ["LB"], Bays = 3, Hours = 2.5 });
        Assert.Empty(new DayAnalysis(fast).Report(withEvents: false).Power.WithoutOne);
        Assert.DoesNotContain("second night", string.Concat(PowerDay.Of(new DayAnalysis(fast), []).Sentence.Select(p => p.Text)), StringComparison.Ordinal);
        // Where the only one that is along fails, nothing is charged in the night between.
        var row = WhatIfTable.Of(new DayAnalysis(fast)).Rows.Single(r => r.Id == "fast" && r.Kind == LossKind.Item);
        Assert.Contains("goes dark", string.Concat(row.Power.Select(p => p.Text)), StringComparison.Ordinal);
        Assert.True(row.Dark > 0);
        var home = new Charger { Id = "home", Name = "Old charger", BatteryTypes = ["LB"], Bays = 2, Hours = 2.5 };
        var mend = PowerMend.For(day, [home])[0];
        Assert.Equal(("Take Old charger along for the night between; into bag", 0), (mend.Label, mend.StillShort));
    }

    /// <summary>Another assignment until half past midnight: home at half past one, one round in the night; without it two.</summary>
    [Fact]
    public void A_job_of_the_evening_before_shortens_the_night()
    {
        var day = new DayAnalysis(PowerTests.Day(fresh: true, spares: 3));
        ChargingRound First(params DateTime[] ends) => PowerDay.Of(day, [], otherEnds: ends).Nights[0].Rounds[0];
        Assert.Equal(new DateTime(2027, 6, 11, 20, 0, 0), First().On);
        Assert.Equal(new DateTime(2027, 6, 12, 1, 30, 0), First(new DateTime(2027, 6, 12, 0, 30, 0)).On);
        // One of the afternoon, or of another week, changes nothing.
        Assert.Equal(new DateTime(2027, 6, 11, 20, 0, 0), First(new DateTime(2027, 6, 11, 15, 0, 0), new DateTime(2027, 6, 5, 23, 0, 0),
            new DateTime(2027, 6, 19, 23, 0, 0)).On);
    }

    [Fact]
    public void What_is_short_is_mended_and_each_mend_is_proved()
    {
        var plan = PowerTests.Day(fresh: true, spares: 1);
        var home = new Battery { Id = "home", Name = "LB no. 9", Type = "LB" };
        var other = new Battery { Id = "away", Type = "LB", Status = Availability.InRepair };
        var lacking = Of(plan).Types.Single().Short;
        Assert.Equal(1, lacking);
        var own = PowerMend.For(new DayAnalysis(plan), [home, other]);
        Assert.Equal(["Take LB no. 9 along as well; into bag"], own.Select(m => m.Label));
        var get = PowerMend.For(new DayAnalysis(plan), []);
        Assert.Equal("Borrow, rent or buy one LB; into bag", get[^1].Label);
        foreach (var mend in own.Concat(get))
        {
            var then = EditResult.Apply(plan, mend.Edits).Plan!;
            Assert.Equal(mend.StillShort, Of(then).Types.Single().Short);
            Assert.True(mend.StillShort < lacking);
        }
        Assert.Empty(PowerMend.For(new DayAnalysis(PowerTests.Day(fresh: true, spares: 3)), [home]));
    }

    [Fact]
    public void A_battery_left_at_home_and_a_charger_that_fails_are_told_among_the_losses()
    {
        var plan = With(PowerTests.Day(fresh: false, spares: 1), new Charger { Id = "two", Place = "bag", BatteryTypes = ["LB"], Bays = 2, Hours = 2.5 });
        var rows = WhatIfTable.Of(new DayAnalysis(plan)).Rows;
        WhatIfRow Row(string id) => rows.Single(r => r.Id == id && r.Kind == LossKind.Item);
        string Said(string id) => string.Concat(Row(id).Power.Select(p => p.Text));
        Assert.Equal("the b1 goes dark at 20:26 in drinks. ", Said("bat1"));
        // Drinks, speeches and the floor ask for a picture each, of which the battery itself costs none.
        Assert.Equal((0, 3), (Row("bat1").Costs, Row("bat1").Dark));
        Assert.Equal("", Said("l1"));
        // With two bays both are full by eleven in the evening; with the one that came with the body one is asleep before the second goes on.
        Assert.Equal("", Said("two"));
        var slow = plan with { Rules = plan.Rules with { Power = new PowerRules { HomeAt = new TimeOnly(21, 0), BedAt = new TimeOnly(22, 0) } } };
        var without = WhatIfTable.Of(new DayAnalysis(slow)).Rows.Single(r => r.Id == "two").Power;
        Assert.Equal("The chargers leave 1 LB not full at 09:00: begin a day earlier, or take more bays. ", string.Concat(without.Select(p => p.Text)));
        // Who goes to bed at half past midnight is awake to put the second on.
        var late = plan with { Rules = plan.Rules with { Power = new PowerRules { HomeAt = new TimeOnly(21, 0), BedAt = new TimeOnly(0, 30) } } };
        Assert.Empty(WhatIfTable.Of(new DayAnalysis(late)).Rows.Single(r => r.Id == "two").Power);
    }

    [Fact]
    public void A_battery_is_named_only_where_it_matters()
    {
        var plan = PowerTests.Day(fresh: true, spares: 3);
        IReadOnlyList<string> Alike(Func<Battery, int, Item> change) =>
            PowerDay.Of(new DayAnalysis(plan with { Items = [.. plan.Items.Select((i, n) => i is Battery b ? change(b, n) : i)] }), []).Alike;
        Assert.Equal(["in", "bat1", "bat2", "bat3"], Alike((b, _) => b));
        Assert.Empty(Alike((b, n) => b with { Number = n }));
        Assert.Empty(Alike((b, n) => b with { Name = $"LB no. {n}" }));
        Assert.Empty(Alike((b, _) => b.Id == "bat2" ? b with { Health = 0.75 } : b));
        Assert.Equal(4, Alike((b, _) => b.Id == "bat2" ? b with { Health = 0.8 } : b).Count);
    }

    [Theory]
    [InlineData(null, null, false)]
    [InlineData(300.0, null, false)]
    [InlineData(12.0, null, true)]
    [InlineData(300.0, 45.0, true)]
    public void A_large_lamp_of_which_nothing_is_said_hangs_on_the_mains(double? watts, double? minutes, bool runsDown)
    {
        var day = With(PowerTests.Day(fresh: false, spares: 3), new StandLight { Id = "lamp", Place = "bag", Watts = watts, RunMinutes = minutes });
        day = day with { Parts = [.. day.Parts.Select((p, n) => n == 0 ? p with { Lights = [new PlacedLight { Light = "lamp" }] } : p)] };
        Assert.Equal(runsDown, Of(day).Short.Any(s => s.Device == "lamp"));
    }
}
