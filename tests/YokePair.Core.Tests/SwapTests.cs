using CsCheck;
using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Swaps;

namespace YokePair.Core.Tests;

/// <summary>When batteries and cards are changed.</summary>
public sealed class SwapTests
{
    private static readonly bool[] BatteriesThenCards = [false, true];

    [Fact]
    [Trait("Takes", "long")]
    public void No_other_swaps_are_better_and_each_can_be_made()
    {
        int swaps = 0, inside = 0, shortages = 0, pulls = 0;
        Gen.Int[0, int.MaxValue].Sample(seed =>
        {
            var plan = SwapDay.From(seed);
            var random = new Random(seed);
            var at = random.Next(0, plan.Parts.Count);
            List<Pulled> pulled = random.Next(2) == 0 ? [] : plan.People.Count > 1 && random.Next(2) == 0
                ? [new Pulled("p1", plan.Parts[at].Id, null, LossKind.Person)] : [new Pulled(plan.Items[random.Next(plan.Items.Count)].Id, plan.Parts[at].Id)];
            if (pulled.Count == 0) at = 0;
            Assert.Empty(PlanCheck.Usable(plan));
            var (day, then) = (new DayAnalysis(plan), new DayAnalysis(plan, pulled));
            var (whole, left) = (day.Report(withEvents: false), then.Report(withEvents: false));
            var before = SwapPlans.Of(day);
            var after = SwapPlans.After(day, then);
            foreach (var cards in BatteriesThenCards)
            {
                var slow = new SlowSwaps(plan, cards, pulled, at, whole, left);
                var (mine, best) = (slow.Of(after), slow.Best(before));
                Assert.True(mine.CompareTo(best) == 0,
                    $"seed {seed}, {(cards ? "cards" : "batteries")}, pulled {string.Join(',', pulled)}: {mine} where {best} is "
                        + $"possible\n{string.Join('\n', after.Swaps)}\n{string.Join('\n', after.Short)}");
                if (best.Short > 0) Interlocked.Increment(ref shortages);
                Interlocked.Add(ref inside, best.Inside + best.Risks);
            }
            Interlocked.Add(ref swaps, after.Swaps.Count);
            Interlocked.Add(ref pulls, pulled.Count);
        }, iter: 600);
        Assert.True(swaps > 300 && inside > 50 && shortages > 50 && pulls > 100, $"{swaps} swaps, {inside} inside, {shortages} shortages, {pulls} pulls");
    }

    [Theory]
    [InlineData(null, 1)]
    [InlineData(25.0, 1)]
    [InlineData(20.0, 1)]
    [InlineData(10.0, 0.9)]
    [InlineData(0.0, 0.8)]
    [InlineData(-10.0, 0.65)]
    [InlineData(-15.0, 0.575)]
    [InlineData(-20.0, 0.5)]
    [InlineData(-30.0, 0.5)]
    public void A_battery_gives_less_in_the_cold(double? celsius, double share) => Assert.Equal(share, Charge.InTheCold(celsius), 9);

    [Fact]
    public void A_card_of_128_GB_holds_2406_frames_of_48_MB() => Assert.Equal(2406, Charge.FramesOn(128, 48));

    /// <summary>One camera with 500 frames a charge and 180 a card, a spare of each in the bag, an hour between parts.</summary>
    private static Plan Day(params (int Frames, Importance Importance)[] parts)
    {
        var start = new DateTime(2027, 6, 12, 10, 0, 0);
        return new Plan
        {
            Format = Plan.FormatName,
            Version = 1,
            Rules = new Rules { DualRecord = false },
            People = [new Person { Id = "lead" }],
            Places = [new Place { Id = "bag", ReachSeconds = 60 }],
            Items =
            [
                new Body { Id = "b1", Place = "bag", Mount = ["K"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB",
                    Slots = [new CardSlot { Type = "SD" }], FramesPerCharge = 500, RawMegabytes = 20 },
                new Lens { Id = "l1", Place = "bag", Mount = "K", Focal = new Interval(24, 70), Aperture = new Interval(4, 4) },
                new Battery { Id = "in1", Place = "@b1", Type = "LB" }, new Battery { Id = "bat2", Place = "bag", Type = "LB" },
                new Card { Id = "c1", Place = "@b1/1", Type = "SD", Gigabytes = 40 }, new Card { Id = "c2", Place = "bag", Type = "SD", Gigabytes = 40 },
            ],
            Parts = [.. parts.Select((p, n) => new Part
            {
                Id = $"part{n}", Ev = 12, Start = start.AddHours(2 * n), End = start.AddHours((2 * n) + 1),
                    Frames = new FrameCount { Low = 0, Likely = 0, High = p.Frames },
                Setups = [new Setup { Person = "lead", Body = "b1", Lens = "l1" }],
                Needs = [new Need { Id = "n", ShutterSeconds = 1.0 / 60, Importance = p.Importance }],
            })],
        };
    }

    private static SwapPlan Of(Plan plan, params Pulled[] pulled) =>
        SwapPlans.After(new DayAnalysis(plan), new DayAnalysis(plan, pulled));

    private static string Told(SwapPlan plan) => string.Join("; ",
        plan.Swaps.Select(s => $"{s.Part}{(s.AfterFrames is { } at ? $"+{at}" : "")}{(s.InOnce ? "!" : "")} {s.Out ?? "nothing"}>{s.In}")
        .Concat(plan.Short.Select(s => $"{s.Part}+{s.AfterFrames} short {s.Frames} {s.Type}")));

    private static Plan With(Plan plan, params Item[] more) => plan with { Items = [.. plan.Items.Where(i => more.All(m => m.Id != i.Id)), .. more] };

    private static Plan Each(Plan plan, Func<Part, int, Part> change) => plan with { Parts = [.. plan.Parts.Select(change)] };

    private static readonly Body Old = new() { Id = "old", Place = "bag", Mount = ["X"], Megapixels = 24, IsoCeiling = 6400, BatteryType = "LB", Slots = [] };

    private static readonly (int, Importance)[] ThreeTimes300 = [(300, Importance.Must), (300, Importance.Must), (300, Importance.Must)];

    public static TheoryData<string, Plan, string> Cases { get; } = new()
    {
        { "what is loaded lasts", Day((300, Importance.Must), (190, Importance.Must)), "" },
        { "what happens once begins with 15 % more than it takes", Day((300, Importance.Must), (190, Importance.Once)), "part1 in1>bat2" },
        { "as late as it can be", Day((300, Importance.Must), (10, Importance.Must), (300, Importance.Once)), "part2 in1>bat2" },
        {
            "earlier where no time is left before what happens once",
            Each(Day((300, Importance.Must), (10, Importance.Must), (300, Importance.Once)), (p, n) =>
                p with { Start = p.Start!.Value.AddHours(-n), End = p.End!.Value.AddHours(-n) }), "part1 in1>bat2"
        },
        { "inside a part where it must be", Day((800, Importance.Must)), "part0+500 in1>bat2" },
        { "inside what happens once last of all", With(Day((600, Importance.Must), (550, Importance.Once)),
            new Battery { Id = "bat3", Place = "bag", Type = "LB" }), "part0+500 in1>bat2; part1+400! bat2>bat3" },
        { "nothing is left", Day((1100, Importance.Must)), "part0+500 in1>bat2; part0+1000 short 100 LB" },
        { "in the cold", Each(Day((400, Importance.Must), (90, Importance.Must)), (p, _) => p with { TemperatureC = 0 }), "part1 in1>bat2" },
        { "the last of a worn battery rather than going without",
            With(Day(ThreeTimes300), new Battery { Id = "in1", Place = "@b1", Type = "LB", Health = 0.7 }), "part1+50 in1>bat2; part2+250 short 50 LB" },
        {
            "a card together with the battery though it would last longer",
            With(Day((200, Importance.Must), (200, Importance.Must), (200, Importance.Must)),
                new Battery { Id = "in1", Place = "@b1", Type = "LB", Health = 0.6 }, new Card { Id = "c1", Place = "@b1/1", Type = "SD", Gigabytes = 10 }),
            "part1 in1>bat2; part1 c1>c2"
        },
        { "not from a backup camera while there is another", With(Day((300, Importance.Must), (300, Importance.Must)), Old,
            new Battery { Id = "a", Place = "@old", Type = "LB" }), "part1 in1>bat2" },
        { "from a backup camera rather than going without", With(Day(ThreeTimes300), Old, new Battery { Id = "a", Place = "@old", Type = "LB" }),
            "part1 in1>bat2; part2 bat2>a" },
        { "a sound one before one that sometimes works", With(Day((300, Importance.Must), (300, Importance.Must)),
            new Battery { Id = "bat2", Place = "bag", Type = "LB", Doubtful = true }, new Battery { Id = "sound", Place = "bag", Type = "LB" }),
            "part1 in1>sound" },
        { "never one that does not fit", Day((300, Importance.Must),
            (300, Importance.Must)) with { Pairs = [new PairRule { A = "bat2", B = "b1", Fit = PairFit.No }] }, "part1+200 short 100 LB" },
        { "as the plan itself says", Each(Day((100, Importance.Must), (100, Importance.Must)), (p, n) => n == 0 ? p
            : p with { Setups = [p.Setups[0] with { Battery = "bat2" }] }), "part1 nothing>bat2" },
        { "nobody swaps in a camera left alone", Each(Day((400, Importance.Must), (600, Importance.Must)), (p, n) => n == 0 ? p
            : p with { Setups = [p.Setups[0] with { Unattended = true }] }), "part1 in1>bat2; part1+500 short 100 LB" },
        {
            "with one record the cards of a body follow one another",
            With(Day((200, Importance.Must), (200, Importance.Must)),
                ((Body)Day().Items[0]) with { Slots = [new CardSlot { Type = "SD" }, new CardSlot { Type = "SD" }] },
                new Card { Id = "c1", Place = "@b1/1", Type = "SD", Gigabytes = 5 }, new Card { Id = "c3", Place = "@b1/2", Type = "SD", Gigabytes = 5 }), ""
        },
    };

    [Theory]
    [MemberData(nameof(Cases))]
    public void Swaps_of_a_small_day(string rule, Plan plan, string told)
    {
        Assert.Empty(PlanCheck.Usable(plan));
        Assert.True(Told(Of(plan)) == told, $"{rule}: {Told(Of(plan))} where {told} was awaited");
    }

    [Fact]
    public void Nobody_swaps_because_of_what_has_not_failed_yet()
    {
        var plan = With(Day(ThreeTimes300), new Battery { Id = "bat3", Place = "bag", Type = "LB" });
        Assert.Equal("part1 in1>bat2; part2 bat2>bat3", Told(Of(plan)));
        Assert.Equal("part1 in1>bat2; part2+200 short 100 LB", Told(Of(plan, new Pulled("bat3", "part2"))));
        Assert.Equal("part1+200 in1>bat3; part2+100 short 200 LB",
            Told(Of(Each(plan, (p, n) => n == 1 ? p with { Frames = new FrameCount { Low = 0, Likely = 0, High = 600 } } : p), new Pulled("bat2", "part1"))));
    }

    [Fact]
    public void A_camera_that_fails_leaves_its_battery_and_its_frames_to_the_other()
    {
        var plan = With(Day(ThreeTimes300), ((Body)Day().Items[0]) with { Id = "b2" },
            new Lens { Id = "l2", Place = "bag", Mount = "K", Focal = new Interval(24, 70), Aperture = new Interval(4, 4) },
            new Battery { Id = "in2", Place = "@b2", Type = "LB" }, new Card { Id = "c3", Place = "@b2/1", Type = "SD", Gigabytes = 40 });
        plan = Each(plan, (p, _) => p with
        {
            Setups = [p.Setups[0], new Setup { Person = "lead", Position = "right", Body = "b2", Lens = "l2" }],
            Needs = [],
        }) with
        { Items = [.. plan.Items.Where(i => i.Id != "bat2")] };
        Assert.Equal("", Told(Of(plan)));
        var pull = PullTest.Compare(new DayAnalysis(plan), new DayAnalysis(plan, [new Pulled("b1", "part1")]));
        // 150 of each are taken by then; the right one takes 600 more, its own battery has 350 of them left and so has the left one's.
        var change = Assert.Single(pull.Swaps.Swaps);
        Assert.Equal((SwapFate.New, "part2", "in2", "in1", "b1"), (change.Fate, change.Swap.Part, change.Swap.Out, change.Swap.In, change.Swap.From));
        Assert.Equal((450, 500, 20.0), (change.Swap.Given, change.Swap.Holds, change.Swap.Seconds));
        Assert.Equal(("Changes of batteries and cards: one new.", 0), (pull.Swaps.Headline, pull.Swaps.Without));
    }

    [Fact]
    public void What_is_said_of_a_pull_tells_of_pictures_that_find_no_battery()
    {
        var plan = Day((300, Importance.Must), (300, Importance.Must));
        Assert.Equal("Without the bat2, 100 frames of a busy day find no battery or card; everything else stays as it was.", Headline(new Pulled("bat2")));
        plan = With(plan, new Battery { Id = "bat3", Place = "bag", Type = "LB" });
        Assert.Equal("Without the bat2, every picture stays as it was; batteries and cards are changed otherwise.", Headline(new Pulled("bat2")));
        Assert.Equal("Without the bat3, nothing changes.", Headline(new Pulled("bat3")));

        string Headline(Pulled pulled) => PullTest.Compare(new DayAnalysis(plan), new DayAnalysis(plan, [pulled])).Headline;
    }

    [Fact]
    public void Figures_that_nobody_has_given_are_told()
    {
        var plan = Day((300, Importance.Must), (300, Importance.Must));
        Assert.Empty(Of(plan).Estimated);
        Assert.Equal(["b1"], Of(With(plan, ((Body)plan.Items[0]) with { FramesPerCharge = null })).Estimated);
    }

    [Theory]
    [InlineData(10, 240, true)]
    [InlineData(30, 240, true)]
    [InlineData(30, 1500, false)]
    [InlineData(60, 9000, false)]
    [Trait("Takes", "long")]
    public void Many_batteries_that_all_differ_are_given_out_in_time_and_what_was_not_tried_is_said(int many, int frames, bool isBest)
    {
        var plan = With(Day([.. Enumerable.Repeat((frames, Importance.Must), 8)]),
            [.. Enumerable.Range(0, many).Select(i => new Battery { Id = $"x{i}", Place = "bag", Type = "LB", Health = 0.5 + i * 0.5 / many })]);
        plan = With(plan, [.. plan.Items.OfType<Card>().Select(c => c with { Gigabytes = 4000 })]);
        var swaps = Of(plan);
        Assert.Equal(isBest, swaps.IsBest);
        // Whatever there is is used before anything goes without, and nothing twice.
        var there = plan.Items.OfType<Battery>().Sum(b => 500 * (b.Health ?? 1));
        Assert.InRange(swaps.Short.Sum(s => s.Frames), Math.Max(0, 8 * frames - there) - 8, Math.Max(0, 8 * frames - there) + many);
        Assert.Equal(swaps.Swaps.Count, swaps.Swaps.Select(s => s.In).Distinct().Count());
    }
}
