using CsCheck;
using YokePair.Core.Advice;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Solving.Tests;

public sealed class FewestChangesTests
{
    private static Plan Demo { get; } = PlanFile.Read(File.ReadAllBytes(Path.Combine(AppContext.BaseDirectory, "demo/steamer-wedding.yoke.json"))).Plan!;

    [Fact]
    public void No_setups_whatever_meet_more_with_fewer_changes()
    {
        var better = 0;
        var hard = 0;
        var without = 0;
        Gen.Int.Sample(seed =>
        {
            var plan = SmallDay.From(seed);
            Assert.Empty(PlanCheck.Usable(plan));
            var pulled = Pulls(plan, seed);
            var problem = new SetupProblem(plan, seed % 3 == 0 ? [plan.Parts[0].Id, plan.Parts[^1].Id] : null, pulled);
            var easy = seed % 2 == 0;
            var found = FewestChanges.Find(problem, easy);
            Assert.True(found.Proven);
            var best = BestOfAll(problem, easy);

            // Taking every piece leads to the very day that was promised, and no day costs less.
            var applied = EditResult.Apply(plan, [.. found.Pieces.SelectMany(p => p.Edits)]).Plan!;
            var after = new SetupProblem(applied, [.. problem.Needs.Select(n => n.Part).Distinct()], pulled);
            int[] now = [.. after.Slots.Select(s => s.Current)];
            Assert.Equal(best, FewestChanges.Cost(after, now, after.Judge(now), easy));
            var needs = new DayAnalysis(applied, pulled).Report(withEvents: false).Needs.ToDictionary(n => new NamedNeed(n.Part, n.Need), n => n.Baseline);
            Assert.All(problem.Needs, n => Assert.Equal(needs[new NamedNeed(n.Part, n.Need)].IsMet(), !found.Found.Missed.Contains(new NamedNeed(n.Part, n.Need))));
            if (found.Found.All < found.Now.All || found.Found.Missed.Count < found.Now.Missed.Count) Interlocked.Increment(ref better);
            if (found.Rounds > 1) Interlocked.Increment(ref hard);
            if (pulled.Count > 0 && found.Found.All > 0) Interlocked.Increment(ref without);
        }, iter: 600, threads: 2);
        Assert.True(better > 50 && hard > 3 && without > 20, $"{better} days could be made better, {hard} needed the report's word, {without} did without something");
    }

    /// <summary>On every other day something has failed: a thing, a camera with all on it, a bag, somebody.</summary>
    private static List<Pulled> Pulls(Plan plan, int seed)
    {
        var random = new Random(seed);
        var from = plan.Parts[random.Next(plan.Parts.Count)].Id;
        return random.Next(8) switch
        {
            0 => [new Pulled(plan.Items[random.Next(plan.Items.Count)].Id, from)],
            1 => [new Pulled(plan.Items.OfType<Body>().First().Id, from, null, LossKind.Rig)],
            2 => [new Pulled(plan.Places[random.Next(plan.Places.Count)].Id, from, null, LossKind.Place)],
            3 => [new Pulled(plan.People[^1].Id, from, null, LossKind.Person)],
            _ => [],
        };
    }

    /// <summary>The least that any option of every slot with any other costs, judged by the report.</summary>
    private static long BestOfAll(SetupProblem problem, bool easy)
    {
        var judged = new Dictionary<string, IReadOnlyList<JudgedNeed>>();
        var best = long.MaxValue;
        var parts = problem.Needs.Select(n => n.Part).Distinct().ToList();
        foreach (var options in Each(problem, []))
        {
            if (problem.Exclusive.Any(e => e.Count(c => options[c.Slot] == c.Option) > 1)) continue;
            var all = new List<JudgedNeed>();
            foreach (var part in parts)
            {
                // The report looks at one part at a time, so what was seen of a part need not be asked twice.
                var key = part + string.Concat(problem.Slots.Select((s, i) => s.Part == part ? $",{options[i]}" : ""));
                if (!judged.TryGetValue(key, out var own)) judged.Add(key, own = [.. problem.Judge(options).Where(j => j.Part == part)]);
                all.AddRange(own);
            }
            best = Math.Min(best, FewestChanges.Cost(problem, options, all, easy));
        }
        return best;
    }

    private static IEnumerable<int[]> Each(SetupProblem problem, int[] had) => had.Length == problem.Slots.Count
        ? [had]
        : Enumerable.Range(0, problem.Slots[had.Length].Options.Count).SelectMany(o => Each(problem, [.. had, o]));

    [Fact]
    public void The_demo_wedding_can_be_shot_with_fewer_changes_and_nothing_missed_that_could_be_had()
    {
        var found = FewestChanges.Find(new SetupProblem(Demo));
        Assert.True(found.Proven);
        Assert.True(found.Found.All < found.Now.All, $"{found.Found.All} of {found.Now.All}");
        Assert.True(found.Found.Missed.Count <= found.Now.Missed.Count && found.Found.SecondBest.Count <= found.Now.SecondBest.Count);
        var after = EditResult.Apply(Demo, [.. found.Pieces.SelectMany(p => p.Edits)]).Plan!;
        Assert.Equal(found.Found.Between, new DayAnalysis(after).Report(withEvents: false).Changes.Count);
        // Who takes second best changes still less.
        Assert.True(FewestChanges.Find(new SetupProblem(Demo), secondBestWillDo: true).Found.All <= found.Found.All);
    }

    [Fact]
    public void A_search_that_is_stopped_says_that_it_proves_nothing()
    {
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        var found = FewestChanges.Find(new SetupProblem(Demo), cancel: stop.Token);
        Assert.False(found.Proven);
        Assert.Empty(found.Pieces);
        Assert.Equal(found.Now.All, found.Found.All);
    }
}
