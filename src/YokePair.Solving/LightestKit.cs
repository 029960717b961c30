using System.Diagnostics;
using Google.OrTools.Sat;
using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Wording;

namespace YokePair.Solving;

/// <summary>The least kit that survives what was asked.</summary>
/// <param name="Proven">Whether none with less exists; false only where the search was stopped.</param>
/// <param name="Survives">What it survives.</param>
/// <param name="Goal">What it has least of.</param>
/// <param name="Now">Sums of today's kit.</param>
/// <param name="Found">Sums of the kit found.</param>
/// <param name="Cost">What the kit found has of what there should be least of: grams, things, money or changes.</param>
/// <param name="AtLeast">No kit that survives as much has less of it than this.</param>
/// <param name="Changes">What leads to it.</param>
/// <param name="Setups">Where setups are free, the glass that the cameras carry instead.</param>
/// <param name="House">Rules of the house that the kit found does not keep: no kit does, or none within the limits.</param>
/// <param name="Exposed">What the kit found does not survive either, by the whole report: what nothing there is to choose from would.</param>
/// <param name="Sentence">The proof, or how far it came, in one sentence.</param>
/// <param name="Rounds">How often the report was asked.</param>
/// <param name="Seconds">How long it took.</param>
public sealed record KitProposal(
    bool Proven, FailureClass Survives, KitGoal Goal, KitTotals Now, KitTotals Found, double Cost, double AtLeast, IReadOnlyList<KitChange> Changes,
        IReadOnlyList<ProposedChange> Setups,
    IReadOnlyList<HouseRule> House, IReadOnlyList<Exposed> Exposed, IReadOnlyList<TextPiece> Sentence, int Rounds, double Seconds);

/// <summary>How far the search for a kit has come.</summary>
/// <param name="Round">How often the report was asked.</param>
/// <param name="AtLeast">What any kit has in any case, in the goal's unit.</param>
/// <param name="Best">What the best kit so far has; null = none yet.</param>
/// <param name="Seconds">How long it has run.</param>
public sealed record KitProgress(int Round, double AtLeast, double? Best, double Seconds);

/// <summary>
/// Finds it exactly, by implicit hitting sets: the solver (CP-SAT) chooses the least kit that meets every clause known so
/// far; the analysis names what that kit lacks, as further clauses; when it lacks nothing, no lesser kit can exist, for
/// every clause is true of every kit that survives.
/// </summary>
public static class LightestKit
{
    /// <summary>Kits within the bound for which setups are looked for before the search is given up with a gap.</summary>
    private const int MostTried = 60;

    /// <summary>Searches.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="locker">What may come along.</param>
    /// <param name="wish">What is wanted.</param>
    /// <param name="progress">Told after each round.</param>
    /// <param name="cancel">Stops the search; the best so far is given with the bound.</param>
    public static KitProposal Find(Plan plan, IReadOnlyList<Item> locker, KitWish wish, IProgress<KitProgress>? progress = null,
        CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var asItIs = new KitProblem(plan, locker, wish with { SetupsFree = false });
        var round = 0;
        var search = Search(plan, asItIs, wish with { SetupsFree = false }, null);
        if (wish.SetupsFree) search = Search(plan, new KitProblem(plan, locker, wish), wish, search.Best);
        bool[] today = [.. asItIs.Options.Select(o => o.Today)];
        var found = search.Best ?? new ChosenKit(today, CostOf(asItIs, today), []);
        var changes = asItIs.Changes(found.Chosen);
        var then = KitSetups.Apply(plan, changes, found.Setups) ?? plan;
        var exposed = asItIs.ExposedIn(then);
        var cost = Unit(asItIs, wish.Goal, found.Cost);
        var bound = search.Proven ? cost : Unit(asItIs, wish.Goal, search.AtLeast);
        return new KitProposal(search.Proven, wish.Survives, wish.Goal, asItIs.Totals(today), asItIs.Totals(found.Chosen), cost, bound, changes, found.Setups,
            [.. HouseRules.Of(new DayAnalysis(then), plan).Where(r => r.Lacking > 0)], KitWords.Name(then, exposed),
                KitWords.Say(wish, search.Proven, then, exposed, cost, bound), round, clock.Elapsed.TotalSeconds);

        (ChosenKit? Best, long AtLeast, bool Proven) Search(Plan plan, KitProblem problem, KitWish wish, ChosenKit? known)
        {
            bool[] today = [.. problem.Options.Select(o => o.Today)];
            using var model = new Model(problem);
            var setups = new KitSetups(plan, problem, wish);
            var best = known is not null && setups.Agrees(known.Chosen, known.Setups) ? Lightened(problem, known, setups, model, cancel) : null;
            // With setups free the bound is looser than the truth: a kit it allows and no setups were found for stays open.
            var open = long.MaxValue;
            long? atLeast = null;
            for (var tried = 0; tried < MostTried && !cancel.IsCancellationRequested;)
            {
                round++;
                if (model.Solve(setups.Beyond, cancel) is not { } answer) break;
                atLeast = Math.Max(atLeast ?? answer.Cost, Math.Min(answer.Cost, open));
                if (best?.Cost <= atLeast) return (best, atLeast.Value, setups.IsCertain);
                var clauses = problem.Lacks(answer.Chosen, model.Ignored(setups.Beyond));
                foreach (var clause in clauses) model.Add(clause);
                if (clauses.Count > 0)
                {
                    if (!wish.SetupsFree && Completed(problem, answer.Chosen, today, model) is { } whole && CostOf(problem, whole) is var of
                        && of < (best?.Cost ?? long.MaxValue) && setups.Fit(whole, model.GivenUp, cancel) is { } fits) best = new ChosenKit(whole, of, fits);
                }
                else if (setups.Fit(answer.Chosen, model.GivenUp, cancel) is { } fits)
                {
                    if (best is null || answer.Cost < best.Cost) best = new ChosenKit(answer.Chosen, answer.Cost, fits);
                    return (best, atLeast.Value, best.Cost <= open && setups.IsCertain);
                }
                else
                {
                    tried++;
                    model.Forbid(answer.Chosen);
                    if (wish.SetupsFree && !setups.SawAll) open = Math.Min(open, answer.Cost);
                }
                progress?.Report(new KitProgress(round, Unit(problem, wish.Goal, atLeast.Value), best is null ? null : Unit(problem, wish.Goal, best.Cost),
                    clock.Elapsed.TotalSeconds));
            }
            return (best, atLeast ?? 0, false);
        }
    }

    /// <summary>A kit that lacks nothing, from one that does: with today's things added, then the dearest that can go taken away again.</summary>
    private static bool[]? Completed(KitProblem problem, bool[] chosen, bool[] today, Model model)
    {
        bool[] kit = [.. chosen];
        var things = problem.Options.Where((_, o) => chosen[o]).Select(o => o.Thing).ToHashSet(StringComparer.Ordinal);
        for (var o = 0; o < kit.Length; o++) kit[o] |= today[o] && !things.Contains(problem.Options[o].Thing);
        if (problem.Lacks(kit, model.GivenUp).Count > 0 || !model.WithinLimits(kit) || !Keeps(problem, kit)) return null;
        foreach (var o in Enumerable.Range(0, kit.Length).Where(o => kit[o] && !chosen[o] && !problem.Options[o].Fixed && problem.Options[o].Cost > 0)
            .OrderByDescending(o => problem.Options[o].Cost))
        {
            kit[o] = false;
            if (!Keeps(problem, kit) || problem.Lacks(kit, model.GivenUp, first: true).Count > 0) kit[o] = true;
        }
        return kit;
    }

    private static bool Keeps(KitProblem problem, bool[] kit) => problem.House.All(bound => bound.IsMet(kit));

    /// <summary>The same kit without what other setups can do without, the dearest first: a better kit soon, not yet the best.</summary>
    private static ChosenKit Lightened(KitProblem problem, ChosenKit kit, KitSetups setups, Model model, CancellationToken cancel)
    {
        bool[] chosen = [.. kit.Chosen];
        foreach (var o in Enumerable.Range(0, chosen.Length).Where(o => chosen[o] && !problem.Options[o].Fixed && problem.Options[o].Cost > 0)
            .OrderByDescending(o => problem.Options[o].Cost))
        {
            if (cancel.IsCancellationRequested) break;
            chosen[o] = false;
            if (Keeps(problem, chosen) && problem.Lacks(chosen, model.Ignored(setups.Beyond), first: true).Count == 0
                && setups.Fit(chosen, model.GivenUp, cancel) is { } fits) kit = new ChosenKit([.. chosen], CostOf(problem, chosen), fits);
            else chosen[o] = true;
        }
        return kit;
    }

    private static long CostOf(KitProblem problem, bool[] chosen) => problem.Options.Select((o, i) => chosen[i] ? o.Cost : 0).Sum();

    /// <summary>Changes are counted from today's kit, all else from nothing.</summary>
    private static double Unit(KitProblem problem, KitGoal goal, long cost)
    {
        var from = goal == KitGoal.Changes ? problem.Options.Count(o => o.Today) * KitTotal.Scale : 0;
        return Math.Floor((double)(cost + from) / KitTotal.Scale);
    }

    private sealed record ChosenKit(bool[] Chosen, long Cost, IReadOnlyList<ProposedChange> Setups);

    private sealed class Model : IDisposable
    {
        /// <summary>What giving up a need costs, and a rule of the house or what is asked of the lead alone: each more than any kit.</summary>
        private const long Giving = 10_000_000_000_000, GivingRule = 100_000_000_000;

        private readonly KitProblem problem;
        private readonly CpModel model = new();
        private readonly BoolVar[] take;
        private readonly Dictionary<AskedNeed, BoolVar> giveUp = [];
        private readonly List<(KitBound Bound, BoolVar Var)> broken = [];
        private readonly CpSolver solver = new() { StringParameters = "num_workers:2" };

        public Model(KitProblem problem)
        {
            this.problem = problem;
            take = [.. problem.Options.Select((o, i) => model.NewBoolVar(o.Thing + i))];
            for (var o = 0; o < take.Length; o++)
                if (problem.Options[o].Fixed) model.Add(take[o] == 1);
            foreach (var thing in Enumerable.Range(0, take.Length).GroupBy(o => problem.Options[o].Thing)
                .Where(g => g.Count() > 1)) model.AddAtMostOne(thing.Select(o => take[o]));
            foreach (var bound in problem.House) Add(bound);
            foreach (var (options, grams) in problem.Limits)
                model.Add(LinearExpr.WeightedSum(options.Select(o => take[o]),
                    options.Select(o => (long)Math.Ceiling(problem.Options[o].Grams))) <= (long)grams);
        }

        /// <summary>Needs the last kit gives up because no kit within the limits protects them.</summary>
        public HashSet<AskedNeed> GivenUp { get; private set; } = [];

        /// <summary>What is not asked about: given up within the limits, or beyond any setups found.</summary>
        public HashSet<AskedNeed> Ignored(IEnumerable<AskedNeed> beyond) => [.. GivenUp, .. beyond];

        public (bool[] Chosen, long Cost)? Solve(HashSet<AskedNeed> beyond, CancellationToken cancel)
        {
            model.Minimize(LinearExpr.WeightedSum(
                take.Concat(giveUp.Values).Concat(broken.Select(b => b.Var)),
                problem.Options.Select(o => o.Cost).Concat(giveUp.Keys.Select(need => beyond.Contains(need) ? 0 : need.Alone ? GivingRule
                    : Giving)).Concat(broken.Select(_ => GivingRule))));
            using var stop = cancel.Register(() => solver.StopSearch());
            if (solver.Solve(model) != CpSolverStatus.Optimal) return null;
            GivenUp = [.. giveUp.Where(g => solver.BooleanValue(g.Value)).Select(g => g.Key),
                .. broken.Where(b => b.Bound.Camera is not null && solver.BooleanValue(b.Var)).Select(b => b.Bound.Camera!.Value)];
            bool[] chosen = [.. take.Select(v => solver.BooleanValue(v))];
            return (chosen, CostOf(problem, chosen));
        }

        /// <summary>A rule is broken only where limits leave nothing else.</summary>
        private void Add(KitBound bound)
        {
            var held = bound.OneOf.Select(Whole).ToList();
            var given = model.NewBoolVar("");
            broken.Add((bound, given));
            if (bound.AtLeast > 0) model.Add(LinearExpr.Sum(held) + (bound.AtLeast * given) >= bound.AtLeast);
            if (bound.AtMost is { } most) model.Add(LinearExpr.Sum(held) - (held.Count * given) <= most);

            // True only where all of it is taken; where at most so many may be, each is a thing by itself.
            BoolVar Whole(IReadOnlyList<int> bundle)
            {
                if (bundle is [var single]) return take[single];
                var whole = model.NewBoolVar("");
                foreach (var o in bundle) model.AddImplication(whole, take[o]);
                return whole;
            }
        }

        public void Add(KitClause clause)
        {
            if (!giveUp.TryGetValue(clause.Need, out var given)) giveUp.Add(clause.Need, given = model.NewBoolVar(""));
            var left = clause.Unless.Select(o => (ILiteral)take[o].Not());
            model.Add(LinearExpr.Sum(clause.OneOf.Select(o => (ILiteral)take[o]).Concat(left)) + (clause.AtLeast * given) >= clause.AtLeast);
        }

        public void Forbid(bool[] chosen) => model.AddBoolOr(take.Select((v, o) => chosen[o] ? v.Not() : (ILiteral)v));

        public bool WithinLimits(bool[] chosen) => problem.Limits.All(l => l.Options.Where(o => chosen[o])
            .Sum(o => Math.Ceiling(problem.Options[o].Grams)) <= Math.Floor(l.Grams));

        public void Dispose() => solver.Dispose();
    }
}
