using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Tests;

/// <summary>What working photographers' kits read on the first day they are started on, and what is in their hands then.</summary>
public sealed class KitTests
{
    public static TheoryData<Kit> Kits => [.. Kit.All];

    private static Plan Started(string name) => Kit.All.First(k => k.Name == name).Start();

    private static string? Glass(Plan plan, Setup setup) => plan.ItemOf(setup.Lens)?.Label;

    [Theory]
    [MemberData(nameof(Kits))]
    public void A_working_kit_reads_three_red_lines_at_most_and_none_of_a_change_there_was_time_for(Kit kit)
    {
        var report = new DayAnalysis(kit.Start()).Report(withEvents: false);
        Assert.True(report.Gaps.Count <= 3, string.Join("; ", report.Gaps.Select(g => $"{g.Part} {g.Need}: {g.Why}")));
        Assert.DoesNotContain(report.Gaps, g => g.Outcome == Outcome.Late);
    }

    [Theory]
    [MemberData(nameof(Kits))]
    public void Everyone_who_photographs_has_a_camera_with_glass_on_it_all_day(Kit kit)
    {
        var plan = kit.Start();
        Assert.All(plan.Parts, part => Assert.All(plan.People, person =>
            Assert.Contains(part.Setups, s => s.Person == person.Id && s.Body is not null && s.Lens is not null)));
    }

    [Theory]
    [InlineData("two primes, close", "100 f/2.8 macro")]
    [InlineData("two zooms, a couple", "90 f/2.8 macro")]
    [InlineData("three bodies, an assistant", "60 f/2.8 macro")]
    [InlineData("old glass on adapters", "100 f/2.8 macro")]
    public void A_macro_is_in_the_hand_where_there_is_a_close_up_and_nowhere_else(string kit, string macro)
    {
        var plan = Started(kit);
        Assert.Equal(["details"], plan.Parts.Where(p => p.Setups.Any(s => Glass(plan, s) == macro)).Select(p => p.Kind));
    }

    [Fact]
    public void The_longest_glass_is_in_the_hand_while_they_play_and_the_wide_one_before()
    {
        var plan = Started("field sport");
        Assert.All(plan.Parts.Where(p => p.Kind == "play"), p => Assert.Equal(["400 f/2.8", "70–200 f/2.8"], p.Setups.Select(s => Glass(plan, s))));
        Assert.Equal(["24–70 f/2.8", "70–200 f/2.8"], plan.Parts[0].Setups.Select(s => Glass(plan, s)));
    }

    [Fact]
    public void Glass_of_another_mount_is_held_with_a_sound_adapter_of_its_own()
    {
        var plan = Started("old glass on adapters");
        Assert.All(plan.Parts.SelectMany(p => p.Setups), s => Assert.NotNull(s.Adapter));
        // One that only sometimes works is taken where nothing else would be in time.
        var kit = Kit.All.First(k => k.Name == "old glass on adapters");
        var loose = kit with { Lines = kit.Lines.Replace("M6>M5", "M6>M5 doubtful", StringComparison.Ordinal) };
        Assert.All(loose.Start().Parts.First(p => p.Kind == "groups").Setups, s => Assert.Null(s.Adapter));
    }

    [Fact]
    public void Flash_sits_on_every_worn_camera_where_it_is_dark_and_may_be_used_unless_one_likes_other_light()
    {
        var kit = Kit.All.First(k => k.Name == "two zooms, a couple");
        var plan = kit.Start();
        Assert.All(plan.Parts, p => Assert.Equal(p.Ev <= 5 && p.Flash == FlashRule.Allowed, p.Setups.All(s => s.Flash is not null)));
        Assert.All(plan.Parts, p => Assert.Equal(p.Setups.Count(s => s.Flash is not null), p.Setups.Select(s => s.Flash).OfType<string>().Distinct().Count()));
        var available = (kit with { Habits = new Starting.Habits(Light: Illumination.Available) }).Start();
        Assert.All(available.Parts.SelectMany(p => p.Setups), s => Assert.Null(s.Flash));
    }

    /// <summary>What one takes to a kind of part is in the hands from its start; what one takes to all others, in all others.</summary>
    [Fact]
    public void A_new_day_follows_the_habits_of_whoever_starts_it()
    {
        var kit = Kit.All.First(k => k.Name == "two zooms, a couple");
        var things = kit.Things();
        var tele = things.OfType<Lens>().OrderByDescending(l => l.Focal.High).First();
        var wide = things.OfType<Lens>().OrderBy(l => l.Focal.Low).First();
        var habits = new Starting.Habits(Glass: [new UsualGlass { Kind = "speeches", Lenses = [tele.Id, wide.Id] }]);
        var plan = Starting.NewDay.From(new Starting.NewDayRequest("Again", new DateOnly(2027, 6, 12), kit.Template, null, kit.Style, false, Habits: habits),
            things).Plan!;
        Assert.Equal([tele.Id, wide.Id], plan.Parts.First(p => p.Kind == "speeches").Setups.Select(s => s.Lens));
        Assert.Equal(habits.Glass, plan.People[0].Habits!.Glass);
        Assert.Equal([tele.Id, wide.Id], plan.People[0].Habits!.For("speeches"));
        Assert.Empty(plan.People[0].Habits!.For("details"));
    }

    [Fact]
    public void What_always_stays_at_home_is_not_packed()
    {
        var kit = Kit.All.First(k => k.Name == "concert");
        IReadOnlyList<Item> things = [.. kit.Things().Select(t => t is Lens { Focal.Low: 35 } ? t with { Keep = Keep.Never } : t)];
        var plan = Starting.NewDay.From(new Starting.NewDayRequest("Gig", new DateOnly(2027, 7, 3), kit.Template, null, kit.Style, false), things).Plan!;
        Assert.DoesNotContain(plan.Items, i => i.Label == "35 f/1.4");
    }

    [Theory]
    [MemberData(nameof(Kits))]
    public void Nothing_that_stays_at_home_would_save_a_picture_or_keep_one_from_hanging(Kit kit)
    {
        var plan = kit.Start();
        var packed = plan.Items.Select(i => i.Id).ToHashSet();
        var all = plan with { Items = [.. plan.Items, .. kit.Things().Where(t => !packed.Contains(t.Id)).Select(t => t with { Place = "roller" })] };
        var (some, whole) = (new DayAnalysis(plan).Report(withEvents: false).Needs, new DayAnalysis(all).Report(withEvents: false).Needs);
        Assert.All(some.Zip(whole), n => Assert.Equal((n.Second.Baseline, n.Second.Importance == Importance.Nice ? 0 : Math.Min(n.Second.Strands, 2)),
            (n.First.Baseline, n.First.Importance == Importance.Nice ? 0 : Math.Min(n.First.Strands, 2))));
    }

    [Fact]
    public void What_nothing_asks_for_stays_at_home_with_its_power_unless_it_is_always_kept()
    {
        var kit = Kit.All.First(k => k.Name == "concert");
        var rich = kit with
        {
            Lines = kit.Lines
            + "\n20 f/2.8 M3\n105 f/2.8 macro M3\n600/4 M3\nbody Old M9 10MP iso800 SD LB77\n2x battery LB77\n2x stand\nother rain cover"
        };
        var things = rich.Things();
        var plan = rich.Start();
        Assert.DoesNotContain(plan.Items.OfType<Lens>(), l => l.Focal.High == 600);
        Assert.DoesNotContain(plan.Items, i => i is Body { BatteryType: "LB77" } or Battery { Type: "LB77" } or Support);
        Assert.Contains(plan.Items, i => i.Label.Contains("rain cover", StringComparison.OrdinalIgnoreCase));
        IReadOnlyList<Item> kept = [.. things.Select(t => t is Lens { Focal.High: 600 } ? t with { Keep = Keep.Always } : t)];
        Assert.Contains(Starting.NewDay.From(new Starting.NewDayRequest("Gig", new DateOnly(2027, 7, 3), rich.Template, null, rich.Style, false), kept)
            .Plan!.Items, i => i is Lens { Focal.High: 600 });
    }

    [Fact]
    public void The_hand_that_is_used_most_has_the_best_sensor()
    {
        var plan = (Kit.All.First(k => k.Name == "field sport") with
        {
            Lines = """
                body Small M2 20MP iso25600 SD+SD LB9 20fps
                body Clean M2 20MP iso51200 SD+SD LB9 20fps
                24-70/2.8 M2
                400/2.8 M2
                monopod
                4x battery LB9
                """,
        }).Start();
        Assert.All(plan.Parts.Where(p => p.Kind == "play"), p =>
            Assert.Equal("Clean", plan.ItemOf(p.Setups.Single(s => Glass(plan, s) == "400 f/2.8").Body)!.Label));
    }

    [Fact]
    public void Lights_stand_from_the_room_on_where_there_are_stands_and_flashes_left_for_them()
    {
        var dance = Kit.All.First(k => k.Name == "dance");
        var kit = dance with { Template = "wedding-indoor", Lines = dance.Lines.Replace("2x stand", "clamp\n2x stand", StringComparison.Ordinal) };
        var plan = kit.Start();
        var order = plan.Parts.ToList();
        var room = order.FindIndex(p => p.Kind == "room");
        Assert.All(order.Take(room), p => Assert.Null(p.Lights));
        Assert.All(order.Skip(room).Where(p => p.Ceiling is not null && p.Flash == FlashRule.Allowed && p.Quiet != QuietRule.Required), p =>
            Assert.Single(p.Lights!));
        Assert.Equal("stand", (plan.ItemOf(order[room].Lights![0].Holder) as Support)?.Form);
        // The one that stands is in no shoe, and something can fire it.
        var standing = order[room].Lights![0].Flash;
        Assert.DoesNotContain(plan.Parts.SelectMany(p => p.Setups), s => s.Flash == standing);
        Assert.Contains(new DayAnalysis(plan).Report(withEvents: false).Needs, n => n.Part == order[room + 1].Id && n.Best is not null);
        Assert.All((kit with { Habits = new Starting.Habits(Light: Illumination.Available) }).Start().Parts, p => Assert.Null(p.Lights));
    }
}
