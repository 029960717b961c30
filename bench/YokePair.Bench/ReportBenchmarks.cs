using BenchmarkDotNet.Attributes;
using BenchmarkDotNet.Columns;
using BenchmarkDotNet.Configs;
using BenchmarkDotNet.Jobs;
using BenchmarkDotNet.Toolchains.InProcess.Emit;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Tests;

namespace YokePair.Bench;

/// <summary>
/// The whole report of the demo days on one core. The plain reference lists every way item by item and looks again for
/// every thing removed; it is run on the smaller day, without cut sets, so that it ends, and the ratio is what the
/// engine gains at the least.
/// </summary>
[Config(typeof(OneCore))]
[MemoryDiagnoser]
public class ReportBenchmarks
{
    private readonly Plan wedding = Demo("steamer-wedding");
    private readonly Plan track = Demo("track-night");
    private readonly Plan tenTimes = Times(Demo("steamer-wedding"), 10);

    private sealed class OneCore : ManualConfig
    {
        public OneCore()
        {
            // On one core the compiler's second, better pass has to wait for its turn.
            AddJob(Job.Default.WithToolchain(InProcessEmitToolchain.Instance).WithWarmupCount(40).WithIterationCount(15).WithAffinity(1));
            AddColumn(StatisticColumn.Median);
        }
    }

    [Benchmark(Description = "wedding: report with every single loss and cut sets to size 3")]
    public Report Wedding() => new DayAnalysis(wedding).Report();

    [Benchmark(Description = "wedding: report as the board asks for it")]
    public Report WeddingBoard() => new DayAnalysis(wedding).Report(withEvents: false);

    [Benchmark(Description = "track night: report with every single loss and cut sets to size 3")]
    public Report Track() => new DayAnalysis(track).Report();

    [Benchmark(Baseline = true, Description = "track night: plain reference, every single loss only")]
    public int Plain()
    {
        var slow = new SlowReference(track);
        var harm = 0;
        foreach (var part in track.Parts)
            foreach (var need in part.Needs)
            {
                var ways = SlowReference.Slices(part, need).ConvertAll(slice => slow.Ways(part, slice));
                foreach (var item in track.Items)
                    if (SlowReference.OutcomeOf(ways, slow.ToleranceOf(need), item.Id) >= Outcome.Late) harm++;
            }
        return harm;
    }

    /// <summary>How many sets of one, two and three of the wedding's things there are.</summary>
    public static int Removals => Demo("steamer-wedding").Items.Count is var n ? n + n * (n - 1) / 2 + n * (n - 1) * (n - 2) / 6 : 0;

    /// <summary>What finding the cut sets by removing every three things would do as often as there are such sets; <see cref="Removals"/>.</summary>
    [Benchmark(Description = "wedding: three things removed, every need looked at again, once")]
    public IReadOnlyList<NeedReport> OneTriple() =>
        new DayAnalysis(wedding, [new Pulled("z70"), new Pulled("b2"), new Pulled("l85")]).Report(withEvents: false).Needs;

    [Benchmark(Description = "wedding with ten times the things")]
    public Report TenTimes() => new DayAnalysis(tenTimes).Report();

    [Benchmark(Description = "wedding: what a pull does, with the swaps planned anew")]
    public PullResult Pull() => Pulled(wedding);

    [Benchmark(Description = "wedding with ten times the things: the same")]
    public PullResult PullTenTimes() => Pulled(tenTimes);

    private readonly Dictionary<Plan, (DayAnalysis Whole, Report Board, DayAnalysis Left, Report Then)> days = new(ReferenceEqualityComparer.Instance);

    /// <summary>Compares, swaps included; the reports are not counted, they are above.</summary>
    private PullResult Pulled(Plan plan)
    {
        if (!days.TryGetValue(plan, out var both))
        {
            var (whole, left) = (new DayAnalysis(plan), new DayAnalysis(plan, [new Pulled("b1", "vows")]));
            days[plan] = both = (whole, whole.Report(withEvents: false), left, left.Report(withEvents: false));
        }
        return PullTest.Compare(both.Whole, both.Board, both.Left, both.Then);
    }

    /// <summary>Nine more of each thing, in the bag the first is in.</summary>
    private static Plan Times(Plan plan, int n) => plan with
    {
        Items = [.. plan.Items, .. Enumerable.Range(2, n - 1).SelectMany(k => plan.Items
            .Select(i => i with { Id = $"{i.Id} {k}", Place = i.Place?.StartsWith('@') == true ? "roller" : i.Place }))],
    };

    private static Plan Demo(string name)
    {
        var at = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(at.FullName, "YokePair.slnx"))) at = at.Parent!;
        return PlanFile.Read(File.ReadAllBytes(Path.Combine(at.FullName, "demo", name + ".yoke.json"))).Plan!;
    }
}
