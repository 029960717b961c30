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
        var quickest = 0;
        Gen.Int.Sample(seed =>
        {
            var plan = WithHabits(SmallDay.From(seed), seed);
            if (seed % 4 == 0) plan = plan with { Rules = plan.Rules with { House = new House { LeadAlone = true } } };
            Assert.Empty(PlanCheck.Usable(plan));
            var pulled = Pulls(plan, seed);
            var problem = new SetupProblem(plan, seed % 3 == 0 ? [plan.Parts[0].Id, plan.Parts[^1].Id] : null, pulled);
            var wish = new SetupWish(MayHang: seed % 2 == 0, KeepsHabits: seed % 5 == 0);
            var found = FewestChanges.Find(problem, wish);
            Assert.True(found.Proven);
            var best = BestOfAll(problem, wish);

            // Taking every piece leads to the very day that was promised, and no day costs less.
            var applied = EditResult.Apply(plan, [.. found.Pieces.SelectMany(p => p.Edits)]).Plan!;
            int[] taken = [.. problem.Slots.Select(s => s.Options.ToList()
                .IndexOf(Chain.Of(applied.PartOf(s.Part)!.Setups.First(o => o.Person == s.Person && o.Position == s.Position))))];
            var cost = FewestChanges.Cost(problem, taken, problem.Judge(taken), wish);
            Assert.Equal(best.Main, cost.Main);
            if (found.Quickest) Assert.Equal(best, cost);
            if (found.Quickest) Interlocked.Increment(ref quickest);
            var needs = new DayAnalysis(applied, pulled).Report(withEvents: false).Needs.ToDictionary(n => new NamedNeed(n.Part, n.Need), n => n.Baseline);
            Assert.All(problem.Needs, n => Assert.Equal(needs[new NamedNeed(n.Part, n.Need)].IsMet(),
                !found.Found.Missed.Contains(new NamedNeed(n.Part, n.Need))));
            if (found.Found.All < found.Now.All || found.Found.Missed.Count < found.Now.Missed.Count) Interlocked.Increment(ref better);
            if (found.Rounds > 1) Interlocked.Increment(ref hard);
            if (pulled.Count > 0 && found.Found.All > 0) Interlocked.Increment(ref without);
        }, iter: 600, threads: 2);
        Assert.True(better > 50 && hard > 3 && without > 20 && quickest > 500,
            $"{quickest} are the quickest, {better} days could be made better, {hard} needed the report's word, {without} did without something");
    }

    /// <summary>On every third day the first photographer takes some of the glass to one part and other glass to the rest.</summary>
    private static Plan WithHabits(Plan plan, int seed)
    {
        if (seed % 3 != 1) return plan;
        var lenses = plan.Items.OfType<Lens>().Select(l => l.Id).ToList();
        var random = new Random(seed);
        UsualGlass Usual(string? kind) => new() { Kind = kind, Lenses = [lenses[random.Next(lenses.Count)], lenses[random.Next(lenses.Count)]] };
        return plan with
        {
            People = [plan.People[0] with { Habits = new WorkHabits { Glass = [Usual("details"), Usual(null)] } }, .. plan.People.Skip(1)],
            Parts = [plan.Parts[0] with { Kind = "details" }, .. plan.Parts.Skip(1)],
        };
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
    private static SetupCost BestOfAll(SetupProblem problem, SetupWish wish)
    {
        var judged = new Dictionary<string, IReadOnlyList<JudgedNeed>>();
        SetupCost? best = null;
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
            var cost = FewestChanges.Cost(problem, options, all, wish);
            if (best is null || cost.IsLess(best.Value)) best = cost;
        }
        return best!.Value;
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
        Assert.True(found.Found.Missed.Count <= found.Now.Missed.Count);
        var after = EditResult.Apply(Demo, [.. found.Pieces.SelectMany(p => p.Edits)]).Plan!;
        Assert.Equal(found.Found.Between, new DayAnalysis(after).Report(withEvents: false).Changes.Count);
        Assert.True(found.Hanging <= found.HangingNow);
        // A macro is in the hand for the details and nowhere else.
        Assert.All(after.Parts.Where(p => p.Id != "details"), p => Assert.DoesNotContain(p.Setups, s => after.ItemOf(s.Lens) is Lens { IsMacro: true }));
        Assert.Contains(after.PartOf("details")!.Setups, s => after.ItemOf(s.Lens) is Lens { IsMacro: true });
    }

    [Fact]
    public void The_list_of_trades_begins_with_what_is_recommended_and_each_says_something_new()
    {
        var wedding = Demo with
        {
            People = [.. Demo.People.Select(p => p.Id == "lead"
            ? p with { Habits = new WorkHabits { Glass = [new UsualGlass { Lenses = ["z70", "l35"] }] } } : p)]
        };
        var trades = FewestChanges.Trades(new SetupProblem(new DayAnalysis(wedding)));
        Assert.Equal(new SetupWish(), trades[0].Wish);
        Assert.All(trades, t => Assert.True(t.Proposal.Proven));
        Assert.Equal(trades.Count, trades.Select(t => (t.Proposal.Found.All, t.Proposal.Hanging, t.Proposal.HabitsLeft)).Distinct().Count());
        Assert.True(trades.Count > 1);
        // Nothing is had for nothing: what changes less hangs more or leaves more habits.
        foreach (var (one, other) in trades.SelectMany(a => trades.Where(b => b != a).Select(b => (a.Proposal, b.Proposal))))
            Assert.True(one.Found.All >= other.Found.All || one.Hanging > other.Hanging || one.HabitsLeft > other.HabitsLeft
                || one.Found.Inside.Count > other.Found.Inside.Count
                || one.Found.SecondBest.Count > other.Found.SecondBest.Count || one.Found.All > other.Found.All - 1);
    }

    [Fact]
    public void A_hand_that_is_pinned_keeps_what_it_carries()
    {
        var found = FewestChanges.Find(new SetupProblem(new DayAnalysis(Demo), pinned: [("lead", "right")]));
        Assert.True(found.Proven);
        Assert.DoesNotContain(found.Pieces, p => p is { Person: "lead", Position: "right" });
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
