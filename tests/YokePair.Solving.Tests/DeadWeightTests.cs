using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Solving.Tests;

public class DeadWeightTests
{
    /// <summary>Every set of things that could stay at home is tried, on days small enough for that.</summary>
    [Fact]
    public void Nothing_heavier_may_stay_at_home_than_what_is_found()
    {
        var some = 0;
        for (var seed = 0; seed < 120; seed++)
        {
            var plan = Weighed(seed % 2 == 0 ? SmallDay.From(seed) : SmallRoom.From(seed), seed);
            var found = DeadWeight.Find(new DeadWeightProblem(new DayAnalysis(plan), []));
            var grams = Heaviest(plan);
            Assert.True(found.Proven);
            Assert.True(grams == found.Grams, $"seed {seed}: {found.Grams} g against {grams} g");
            Assert.True(IsHarmless(plan, [.. found.Things.Select(t => t.Thing)]), $"seed {seed}");
            if (grams > 0) some++;
        }
        Assert.True(some > 60, $"{some} days with dead weight");
    }

    [Fact]
    public void What_is_kept_and_what_is_not_judged_comes_along()
    {
        var plan = Spare();
        Assert.Equal(["spare"], DeadWeight.Find(new DeadWeightProblem(new DayAnalysis(plan), [])).Things.Select(t => t.Thing));
        var kept = new KeepThing { Item = "spare", Always = true }.Apply(plan).Plan!;
        var found = DeadWeight.Find(new DeadWeightProblem(new DayAnalysis(kept), []));
        Assert.Empty(found.Things);
        Assert.Equal(["spare"], found.Kept);
        Assert.Equal(["bat", "card", "tape"], found.NotJudged.Order());
    }

    [Fact]
    public void A_rule_of_the_house_keeps_a_second_body()
    {
        var plan = Spare();
        var two = plan with
        {
            Items = [.. plan.Items, new Body { Id = "b1", Place = "car", Mount = ["M"], Megapixels = 24, IsoCeiling = 12800,
            BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }], WeightG = 700 }]
        };
        Assert.Equal(["spare"], Left(two));
        var free = new SetRules { House = new House { TwoBodiesEach = false } }.Apply(two).Plan!;
        Assert.Equal(["b1", "spare"], Left(free).Order());

        static IEnumerable<string> Left(Plan p) => DeadWeight.Find(new DeadWeightProblem(new DayAnalysis(p), [])).Things.Select(t => t.Thing);
    }

    /// <summary>Four zooms do for both pictures what must survive two losses; the heaviest may stay at home, or two lighter ones that weigh more
    /// together.</summary>
    [Fact]
    public void Two_lighter_things_are_left_rather_than_a_heavy_one()
    {
        var plan = Spare();
        var part = plan.Parts[0];
        var found = DeadWeight.Find(new DeadWeightProblem(new DayAnalysis(plan with
        {
            Rules = new Rules { DualRecord = false },
            Items =
            [
                .. Enumerable.Range(0, 3).SelectMany(i => Camera($"b{i}")),
                Glass("x", 24, 200, 1000) with { Keep = Keep.Always }, Glass("y", 24, 200, 1000) with { Keep = Keep.Always },
                Glass("heavy", 24, 200, 900), Glass("wide", 24, 60, 600), Glass("long", 90, 200, 600),
            ],
            Parts = [part with { Setups = [], Needs = [part.Needs[0], part.Needs[0] with { Id = "far", Focal = new(135, 135) }] }],
        }), []));
        Assert.Equal(["long", "wide"], found.Things.Select(t => t.Thing).Order());

        static Item[] Camera(string id) =>
        [
            new Body { Id = id, Place = "belt", Mount = ["K"], Megapixels = 24, IsoCeiling = 12800, BatteryType = "LB", Slots = [new CardSlot { Type = "SD" }],
                Keep = Keep.Always },
            new Battery { Id = $"bat-{id}", Place = $"@{id}", Type = "LB" }, new Card { Id = $"card-{id}", Place = $"@{id}/1", Type = "SD" },
        ];

        static Lens Glass(string id, double wide, double tele, double grams) =>
            new() { Id = id, Place = "belt", Mount = "K", Focal = new(wide, tele), Aperture = new(2.8, 2.8), WeightG = grams };
    }

    [Fact]
    public void A_stopped_search_says_so()
    {
        using var stop = new CancellationTokenSource();
        var problem = new DeadWeightProblem(new DayAnalysis(Spare()), []);
        stop.Cancel();
        Assert.False(DeadWeight.Find(problem, null, stop.Token).Proven);
    }

    private static Plan Spare() => new()
    {
        Format = Plan.FormatName,
        Version = 1,
        People = [new Person { Id = "lead" }],
        Places = [new Place { Id = "belt", Person = "lead", ReachSeconds = 5 }, new Place { Id = "car", ReachSeconds = 900 }],
        Items =
        [
            new Body { Id = "b0", Place = "belt", Mount = ["K"], Megapixels = 24, IsoCeiling = 12800, BatteryType = "LB",
                Slots = [new CardSlot { Type = "SD" }] },
            new Battery { Id = "bat", Place = "@b0", Type = "LB" }, new Card { Id = "card", Place = "@b0/1", Type = "SD" },
            new Lens { Id = "l50", Place = "belt", Mount = "K", Focal = new(50, 50), Aperture = new(1.8, 1.8), WeightG = 300 },
            new Lens { Id = "spare", Place = "car", Mount = "K", Focal = new(200, 200), Aperture = new(2.8, 2.8), WeightG = 900 },
            new OtherThing { Id = "tape", Place = "belt", WeightG = 200 },
        ],
        Parts =
        [
            new Part
            {
                Id = "p", Start = new DateTime(2027, 6, 12, 10, 0, 0), End = new DateTime(2027, 6, 12, 11, 0, 0), Ev = 11,
                Setups = [new Setup { Person = "lead", Position = "left", Body = "b0", Lens = "l50" }],
                Needs = [new Need { Id = "n", Importance = Importance.Must, Focal = new(50, 50), ShutterSeconds = 0.01, Light = [LightKind.Ambient] }],
            },
        ],
    };

    private static Plan Weighed(Plan plan, int seed)
    {
        var random = new Random(seed);
        return plan with { Items = [.. plan.Items.Select(i => i with { WeightG = random.Next(1, 12) * 100 })] };
    }

    /// <summary>Grams of the heaviest set of which every part may stay at home.</summary>
    private static double Heaviest(Plan plan)
    {
        Item[] things = [.. plan.Items.Where(i => i is Body or Lens or Adapter or Converter or Tube or Flash or Trigger or StandLight
            || i is Filter { Stops: not null } || (i is Support s && (s.CarriesCamera || plan.Parts.Any(p => p.Lights?.Any(l => l.Holder == s.Id) == true))))
            .OrderByDescending(i => i.WeightG)];
        things = [.. things.Where(t => IsHarmless(plan, [t.Id]))];
        var harmless = new bool[1 << things.Length];
        var best = 0.0;
        for (var set = 0; set < harmless.Length; set++)
        {
            string[] ids = [.. things.Where((_, i) => (set & (1 << i)) != 0).Select(t => t.Id)];
            harmless[set] = Enumerable.Range(0, things.Length).All(i => (set & (1 << i)) == 0 || harmless[set & ~(1 << i)])
                && (set == 0 || IsHarmless(plan, ids));
            if (harmless[set]) best = Math.Max(best, Grams(set));
        }
        return best;

        double Grams(int set) => things.Where((_, i) => (set & (1 << i)) != 0).Sum(t => t.WeightG!.Value);
    }

    private static bool IsHarmless(Plan plan, string[] absent)
    {
        var left = EditResult.Apply(plan, [.. absent.Select(id => new UnpackThing { Item = id, Everywhere = true })]).Plan!;
        var (before, after) = (new DayAnalysis(plan).Report(false), new DayAnalysis(left).Report(false));
        bool Alone(NeedReport was, NeedReport now) => now.Cuts.Where(c => c.Count == 1).All(c => was.Cuts.Any(w => w.Count == 1 && w[0] == c[0]));
        return before.Needs.Zip(after.Needs).All(n => n.Second.Baseline <= n.First.Baseline && n.Second.Strands >= n.First.Strands && Alone(n.First, n.Second))
            && (left.Items.OfType<Body>().Count(b => !b.Doubtful) is var bodies
                && (bodies >= 2 * Hands(plan) || bodies == plan.Items.OfType<Body>().Count(b => !b.Doubtful)))
            && (left.Items.OfType<Trigger>().Count(t => t.Sends is not null) is var senders
                && (senders >= 2 || senders == plan.Items.OfType<Trigger>().Count(t => t.Sends is not null)
                || !plan.Parts.Any(p => p.Needs.Any(n => n.Light.Contains(LightKind.Stands)))));
    }

    private static int Hands(Plan plan) => plan.Parts.SelectMany(p => p.Setups).Select(s => s.Person).Distinct().Count();
}
