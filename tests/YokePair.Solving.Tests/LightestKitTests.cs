using CsCheck;
using YokePair.Core.Advice;
using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;
using YokePair.Core.Verdict;

namespace YokePair.Solving.Tests;

public sealed class LightestKitTests
{
    [Fact]
    public void No_kit_whatever_survives_as_much_with_less()
    {
        var (smaller, added) = (0, 0);
        Gen.Int.Sample(seed =>
        {
            List<Item> locker = seed % 2 == 0 ? [new Lens { Id = "extra", Mount = "K", Focal = new Interval(24, 135), Aperture = new Interval(2.8, 2.8),
                WeightG = 800 }] : [];
            var changes = IsLeast(Ruled(SmallDay.From(seed), seed), locker, new KitWish((FailureClass)(seed & 3), (KitGoal)((seed >> 2) & 3)));
            if (changes.Any(c => c.To is null)) Interlocked.Increment(ref smaller);
            if (changes.Any(c => c.From is null)) Interlocked.Increment(ref added);
        }, iter: 250, threads: 2);
        Assert.True(smaller > 60 && added > 6, $"{smaller} kits left something at home, {added} took something along");
    }

    [Fact]
    public void Nor_where_flashes_stands_and_converters_hang_on_one_another()
    {
        var smaller = 0;
        Gen.Int.Sample(seed =>
        {
            if (IsLeast(Ruled(SmallRoom.From(seed), seed), [], new KitWish((FailureClass)(seed & 3), (KitGoal)((seed >> 2) & 3)))
                .Any(c => c.To is null)) Interlocked.Increment(ref smaller);
        }, iter: 60, threads: 2);
        Assert.True(smaller > 10, $"{smaller} kits left something at home");
    }

    /// <summary>The day with one of the house's rules, with all of them, or with none.</summary>
    private static Plan Ruled(Plan plan, int seed)
    {
        var which = new Random(seed).Next(6);
        var house = new House
        {
            TwoBodiesEach = which is 0 or 4,
            LeadAlone = which is 1 or 4,
            CellsForEachFlash = which is 2 or 4,
            TwoSenders = which is 3 or 4
        };
        return plan with { Rules = plan.Rules with { House = house } };
    }

    private static IReadOnlyList<KitChange> IsLeast(Plan plan, List<Item> locker, KitWish wish)
    {
        Assert.Empty(PlanCheck.Usable(plan));
        var found = LightestKit.Find(plan, locker, wish);
        Assert.True(found.Proven);

        // Every choice of what may stay or come, judged by nothing but the report on the plan as it would be.
        var problem = new KitProblem(plan, locker, wish);
        int[] free = [.. Enumerable.Range(0, problem.Options.Count).Where(o => !problem.Options[o].Fixed)];
        var everything = Exposed(Taking(plan, problem, free, (1 << free.Length) - 1, everyPlace: true), wish);
        var house = HouseRules.Of(new DayAnalysis(Taking(plan, problem, free, (1 << free.Length) - 1, everyPlace: false, once: true)));
        long? best = null;
        for (var mask = 0; mask < 1 << free.Length; mask++)
        {
            int[] taken = [.. free.Where((_, i) => (mask & (1 << i)) != 0)];
            if (taken.Select(o => problem.Options[o].Thing).Distinct().Count() < taken.Length) continue;
            var cost = taken.Sum(o => problem.Options[o].Cost);
            if (cost < (best ?? long.MaxValue) && Exposed(Taking(plan, problem, free, mask, everyPlace: false), wish) is var exposed
                && NoWorse(exposed, everything) && Keeps(Taking(plan, problem, free, mask, everyPlace: false))) best = cost;
        }
        var chosen = Chosen(problem, found.Changes);
        Assert.Equal(best, problem.Options.Where((o, i) => chosen[i] && !o.Fixed).Sum(o => o.Cost));

        // And the changes lead to a plan of which the whole report says the same.
        var then = EditResult.Apply(plan, [.. found.Changes.Select(c => c.Edit)]).Plan!;
        Assert.Empty(PlanCheck.Usable(then));
        Assert.True(NoWorse(Exposed(then, wish), everything) && Keeps(then));
        return found.Changes;

        // No rule is broken further than everything along breaks it, of the flashes than today; and whoever has a camera today has one.
        bool Keeps(Plan then)
        {
            var today = HouseRules.Of(new DayAnalysis(plan));
            return HouseRules.Of(new DayAnalysis(then), plan).Zip(house.Zip(today)).All(r =>
                    r.First.Kind == HouseRuleKind.LeadAlone || r.First.Lacking <= (r.First.Kind == HouseRuleKind.CellsForEachFlash ? r.Second.Second
                        : r.Second.First).Lacking)
                && AskedNeed.Cameras(plan).All(AskedNeed.Cameras(then).Contains);
        }
    }

    /// <summary>What is not met, or not survived, even with everything along is no worse than it then is, and what is not met is asked no more.</summary>
    private static bool NoWorse(Dictionary<string, Outcome> now, Dictionary<string, Outcome> everything) =>
        now.All(e => e.Key[..(e.Key.IndexOf(' ') + 1)] is var whole
            && ((e.Key != whole && everything.ContainsKey(whole)) || (everything.TryGetValue(e.Key, out var then) && e.Value <= then)));

    [Fact]
    public void With_setups_free_no_kit_and_no_glass_in_the_hands_does_with_less_than_said()
    {
        var (tried, changed) = (0, 0);
        Gen.Int.Sample(seed =>
        {
            var plan = SmallDay.From(seed) with { Rules = new Rules { House = new House { TwoBodiesEach = false } } };
            var wish = new KitWish((FailureClass)(seed & 1), KitGoal.Count, FromLocker: false, SetupsFree: true);
            var problem = new KitProblem(plan, [], wish);
            int[] free = [.. Enumerable.Range(0, problem.Options.Count).Where(o => !problem.Options[o].Fixed)];
            // What not everything along protects is excused; here it is kept simple.
            if (!SomeSetupsProtect(plan, wish, plan)) return;
            long best = long.MaxValue;
            for (var mask = 0; mask < 1 << free.Length; mask++)
            {
                var cost = free.Where((_, i) => (mask & (1 << i)) != 0).Sum(o => problem.Options[o].Cost);
                if (cost < best && SomeSetupsProtect(Taking(plan, problem, free, mask, everyPlace: false), wish, plan)) best = cost;
            }

            var found = LightestKit.Find(plan, [], wish);
            var chosen = Chosen(problem, found.Changes);
            Assert.True(found.Proven);
            Assert.Equal(best, problem.Options.Where((o, i) => chosen[i] && !o.Fixed).Sum(o => o.Cost));
            var then = EditResult.Apply(plan, [.. found.Changes.Select(c => c.Edit), .. found.Setups.SelectMany(s => s.Edits)]).Plan!;
            Assert.Empty(PlanCheck.Usable(then));
            Assert.Empty(Exposed(then, wish));
            Interlocked.Increment(ref tried);
            if (found.Setups.Count > 0) Interlocked.Increment(ref changed);
        }, iter: 400, threads: 2);
        Assert.True(tried > 30 && changed > 10, $"{tried} days, {changed} with other glass in the hands");
    }

    [Fact]
    public void A_search_that_is_stopped_says_how_far_it_came()
    {
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        var found = LightestKit.Find(SmallDay.From(3), [], new KitWish(), cancel: stop.Token);
        Assert.False(found.Proven);
        Assert.Empty(found.Changes);
        Assert.EndsWith(", and less than 0 g is not possible.", string.Concat(found.Sentence.Select(p => p.Grams is { } grams ? $"{grams} g" : p.Text)),
            StringComparison.Ordinal);
    }

    [Fact]
    public void Limits_of_a_bag_hold_even_if_a_picture_must_go()
    {
        var plan = SmallDay.From(7);
        plan = plan with { Items = [.. plan.Items.Select(i => i is Lens or Body or Adapter ? i with { WeightG = 500 } : i)] };
        var found = LightestKit.Find(plan, [], new KitWish(FailureClass.None, Limits: [new CarryLimit("roller", 600), new CarryLimit("car", 0)]));
        var then = EditResult.Apply(plan, [.. found.Changes.Select(c => c.Edit)]).Plan!;
        Assert.True(found.Proven);
        Assert.InRange(then.Items.Where(i => i.Place == "roller").Sum(i => i.WeightG ?? 0), 0, 600);
        Assert.DoesNotContain(then.Items, i => i.Place == "car");
    }

    private static bool[] Chosen(KitProblem problem, IReadOnlyList<KitChange> changes) =>
        [.. problem.Options.Select(o => changes.FirstOrDefault(c => c.Thing == o.Thing) is { } change ? change.To == o.Place : o.Today)];

    /// <summary>The plan with just those free options; where every place is asked for, each option is a thing of its own.</summary>
    private static Plan Taking(Plan plan, KitProblem problem, int[] free, int mask, bool everyPlace, bool once = false)
    {
        var edits = new List<PlanEdit>();
        for (var i = 0; i < free.Length; i++)
        {
            var option = problem.Options[free[i]];
            var taken = (mask & (1 << i)) != 0;
            if (option.Today && !taken) edits.Add(new UnpackThing { Item = option.Thing, Everywhere = true });
            if (!option.Today && taken && !(once && edits.OfType<PackThing>().Any(e => e.Thing == option.Thing))) edits.Add(
                new PackThing
                {
                    Thing = everyPlace ? $"{option.Thing} {option.Place}" : option.Thing,
                    Place = option.Place,
                    Found = Extra(everyPlace ? $"{option.Thing} {option.Place}" : option.Thing)
                });
        }
        return EditResult.Apply(plan, edits).Plan!;

        static Item Extra(string id) => new Lens { Id = id, Mount = "K", Focal = new Interval(24, 135), Aperture = new Interval(2.8, 2.8), WeightG = 800 };
    }

    /// <summary>Whether, part by part, some glass in the hands leaves nothing exposed and nobody without a camera: every choice is tried.</summary>
    private static bool SomeSetupsProtect(Plan plan, KitWish wish, Plan today)
    {
        var setups = new SetupProblem(plan);
        return plan.Parts.All(part =>
        {
            int[] slots = [.. Enumerable.Range(0, setups.Slots.Count).Where(s => setups.Slots[s].Part == part.Id)];
            int[] options = [.. setups.Slots.Select(s => s.Current)];
            return Any(0);

            bool Any(int at)
            {
                if (at == slots.Length)
                {
                    var day = setups.With(options);
                    return PlanCheck.Usable(day).Count == 0 && Exposed(day with { Parts = [day.Parts.First(p => p.Id == part.Id)] }, wish).Count == 0
                        && AskedNeed.Cameras(today).Where(a => a.Part == part.Id).All(AskedNeed.Cameras(day).Contains);
                }
                for (options[slots[at]] = 0; options[slots[at]] < setups.Slots[slots[at]].Options.Count; options[slots[at]]++)
                    if (Any(at + 1)) return true;
                return false;
            }
        });
    }

    /// <summary>Needs that matter with the loss they do not survive and what becomes of them, one report for each.</summary>
    private static Dictionary<string, Outcome> Exposed(Plan plan, KitWish wish)
    {
        var exposed = new Dictionary<string, Outcome>(StringComparer.Ordinal);
        Note(plan, []);
        if (wish.Survives >= FailureClass.Item)
            foreach (var thing in plan.Items.GroupBy(i => i.Id.Split(' ')[0])) Note(plan, [.. thing.Select(i => new Pulled(i.Id))]);
        foreach (var loss in new DayAnalysis(plan).Report().Events.Where(e => (e.Kind == "rig" && wish.Survives >= FailureClass.Rig)
            || (e.Kind == "place" && wish.Survives >= FailureClass.Bag)))
            foreach (var part in loss.Parts)
                foreach (var need in part.Needs.Where(n => !n.Outcome.IsMet() && plan.Parts.First(p => p.Id == part.Part).Needs.First(x => x.Id == n.Need)
                    .Importance != Importance.Nice))
                    exposed[$"{part.Part}/{need.Need} {loss.Kind} {loss.Id}"] = need.Outcome;
        if (plan.Rules.House.LeadAlone && plan.People.Count > 1) Note(HouseRules.LeadAlone(plan), [], "alone ");
        return exposed;

        void Note(Plan day, IReadOnlyList<Pulled> gone, string asked = "")
        {
            foreach (var need in new DayAnalysis(day, gone).Report(withEvents: false).Needs)
                if (need.Importance != Importance.Nice && !need.Baseline.IsMet())
                    exposed[$"{asked.Trim()}{need.Part}/{need.Need} {(gone.Count == 0 ? "" : gone[0].Item.Split(' ')[0])}"] = need.Baseline;
        }
    }
}
