using System.Diagnostics;
using Google.OrTools.Sat;
using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Solving;

/// <summary>Setups with the fewest changes of glass that meet every need.</summary>
/// <param name="Proven">Whether no setups that cost less exist; false only where the search was stopped.</param>
/// <param name="Now">Changes of glass with the setups as they are.</param>
/// <param name="Found">Changes of glass with what is proposed.</param>
/// <param name="AtLeast">No setups that meet as much, hang no more and leave no more habits have fewer changes than this.</param>
/// <param name="HangingNow">How many once and must needs hang by one thing, or by none, as it is.</param>
/// <param name="Hanging">How many do with what is proposed.</param>
/// <param name="HabitsLeft">How many hands carry in some part what is not the glass their owner takes to it, or what serves nothing there.</param>
/// <param name="Pieces">What to change; each piece may be taken or left.</param>
/// <param name="Rounds">How often the report was asked.</param>
/// <param name="Seconds">How long it took.</param>
public sealed record SetupsProposal(
    bool Proven, ChangeCount Now, ChangeCount Found, int AtLeast, int HangingNow, int Hanging, int HabitsLeft, IReadOnlyList<ProposedChange> Pieces, int Rounds, double Seconds);

/// <summary>What one is willing to give up for fewer changes.</summary>
/// <param name="MayHang">Whether more may hang by one thing than today.</param>
/// <param name="KeepsHabits">Whether every habit is kept, at the cost of any number of changes.</param>
public sealed record SetupWish(bool MayHang = false, bool KeepsHabits = false);

/// <summary>A proposal in the list of those one chooses from.</summary>
/// <param name="Wish">What was given up for it.</param>
/// <param name="Proposal">The proposal.</param>
public sealed record SetupTrade(SetupWish Wish, SetupsProposal Proposal);

/// <summary>How often glass is changed, and what is missed all the same.</summary>
/// <param name="Between">Changes from part to part.</param>
/// <param name="Inside">Needs for which glass must be changed in their part, or another camera reached for.</param>
/// <param name="SecondBest">Needs that are met as second best only.</param>
/// <param name="Missed">Needs that are not met.</param>
public sealed record ChangeCount(int Between, IReadOnlyList<NamedNeed> Inside, IReadOnlyList<NamedNeed> SecondBest, IReadOnlyList<NamedNeed> Missed)
{
    /// <summary>All changes.</summary>
    public int All => Between + Inside.Count;
}

/// <summary>A need of a part.</summary>
public sealed record NamedNeed(string Part, string Need);

/// <summary>How far a search has come.</summary>
/// <param name="Round">How often the report was asked.</param>
/// <param name="AtLeast">Changes that are needed in any case.</param>
/// <param name="Seconds">How long it has run.</param>
public sealed record SearchProgress(int Round, int AtLeast, double Seconds);

/// <summary>
/// Finds them exactly. The solver (CP-SAT) works on an outer bound of what the hands can do; the report judges what it
/// finds, and what it judges unmet is forbidden before the solver is asked again. When the report agrees, the bound of the
/// solver is the proof.
/// </summary>
public static class FewestChanges
{
    // Orders of what counts, each worth more than all below it together on any day that fits a screen.
    private const long Different = 1, HangWilling = 50, SecondBest = 30 * HangWilling, Change = 40 * SecondBest, Habit = 50 * Change, MissedNice = 10 * Habit, InsideOnce = 40 * Habit,
        Hang = 15 * InsideOnce, SecondBestOnce = 40 * Hang, MissedMust = 15 * SecondBestOnce, MissedOnce = 30 * MissedMust;

    /// <summary>The same in the order of what one is willing to give up.</summary>
    private static (long Hang, long Habit) Orders(SetupWish wish) => (wish.MayHang ? HangWilling : Hang, wish.KeepsHabits ? SecondBestOnce : Habit);

    /// <summary>Searches.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="wish">What one is willing to give up; null = nothing.</param>
    /// <param name="progress">Told after each round.</param>
    /// <param name="cancel">Stops the search; the best so far is given, unproven.</param>
    public static SetupsProposal Find(SetupProblem problem, SetupWish? wish = null, IProgress<SearchProgress>? progress = null,
        CancellationToken cancel = default)
    {
        wish ??= new SetupWish();
        var clock = Stopwatch.StartNew();
        int[] now = [.. problem.Slots.Select(s => s.Current)];
        var judgedNow = problem.Judge(now);
        var costNow = Cost(problem, now, judgedNow, wish);
        var best = (Options: now, Judged: judgedNow, Cost: costNow);
        var model = new Model(problem, wish);
        var proven = false;
        var atLeast = 0;
        var round = 0;
        while (!cancel.IsCancellationRequested)
        {
            round++;
            if (model.Solve(cancel) is not { } answer) break;
            atLeast = answer.Changes;
            progress?.Report(new SearchProgress(round, atLeast, clock.Elapsed.TotalSeconds));
            var judged = problem.Judge(answer.Options);
            var cost = Cost(problem, answer.Options, judged, wish);
            if (cost < best.Cost) best = (answer.Options, judged, cost);
            if (model.Learn(answer.Options, judged) is { Count: > 0 } wrong)
            {
                // Where the solver was wrong it would try the neighbours next: they are asked at once.
                foreach (var (options, needs) in wrong.SelectMany(part => problem.JudgeAround(part, answer.Options))) model.Teach(options, needs);
                continue;
            }
            // The report agrees with the bound. Where what there is costs the same, it is left as it is.
            if (cost < costNow) best = (answer.Options, judged, cost);
            proven = true;
            break;
        }
        return new SetupsProposal(proven, Count(problem, now, judgedNow), Count(problem, best.Options, best.Judged), atLeast,
            Hanging(judgedNow, problem), Hanging(best.Judged, problem), HabitsLeft(problem, best.Options), problem.Differences(
                best.Options), round, clock.Elapsed.TotalSeconds);
    }

    /// <summary>
    /// The short list one chooses from: as it is, what is recommended, the same with every habit kept, and what could be had if more might hang.
    /// What says nothing new is left out.
    /// </summary>
    /// <param name="problem">The problem.</param>
    /// <param name="tell">Told of each as it is found, the recommended first.</param>
    /// <param name="progress">Told after each round.</param>
    /// <param name="cancel">Stops the search.</param>
    public static IReadOnlyList<SetupTrade> Trades(SetupProblem problem, Action<SetupTrade>? tell = null, IProgress<SearchProgress>? progress = null,
        CancellationToken cancel = default)
    {
        var trades = new List<SetupTrade>();
        foreach (var wish in new[] { new SetupWish(), new SetupWish(KeepsHabits: true), new SetupWish(MayHang: true) })
        {
            if (wish.KeepsHabits && trades[0].Proposal.HabitsLeft == 0) continue;
            var found = Find(problem, wish, progress, cancel);
            if (trades.Exists(t => (t.Proposal.Found.All, t.Proposal.Hanging, t.Proposal.HabitsLeft) == (found.Found.All, found.Hanging,
                found.HabitsLeft))) continue;
            trades.Add(new SetupTrade(wish, found));
            tell?.Invoke(trades[^1]);
        }
        return trades;
    }

    /// <summary>
    /// What setups cost, in this order: missed once, missed must; once second best; what hangs by one thing; glass changed inside a part for what
    /// happens once; missed nice; habits left; changes; second best; then how much differs from today.
    /// </summary>
    public static long Cost(SetupProblem problem, IReadOnlyList<int> options, IReadOnlyList<JudgedNeed> judged, SetupWish wish)
    {
        var (hang, habit) = Orders(wish);
        var (all, tight) = problem.Changes(options);
        var cost = (Change * all) + (InsideOnce * tight) + problem.Needs.Zip(judged, (need, j) => Cost(need.Importance, j, hang)).Sum();
        for (var s = 0; s < options.Count; s++) cost += Cost(problem.Slots[s], options[s], habit);
        return cost;
    }

    /// <summary>What an option costs by itself, whatever it serves.</summary>
    private static long Cost(SetupSlot slot, int option, long habit) =>
        (slot.LeavesHabit.Contains(option) ? habit : 0) + (slot.Awkward.Contains(option) ? SecondBest : 0);

    private static long Cost(Importance importance, JudgedNeed need, long hang)
    {
        var hangs = importance != Importance.Nice && need.Strands < 2 ? hang : 0;
        if (!need.Overall.IsMet()) return Missed(importance) + hangs;
        return hangs + Math.Min(
            need.FromHands.IsMet() ? need.FromHands == Outcome.Holds ? 0 : Thin(importance) : long.MaxValue / 4,
            Inside(importance) + (need.Overall == Outcome.Holds ? 0 : Thin(importance)));
    }

    private static long Thin(Importance importance) => importance == Importance.Once ? SecondBestOnce : SecondBest;

    private static long Inside(Importance importance) => importance == Importance.Once ? InsideOnce : Change;

    private static int HabitsLeft(SetupProblem problem, IReadOnlyList<int> options) => options.Where(
        (o, s) => problem.Slots[s].LeavesHabit.Contains(o)).Count();

    private static int Hanging(IReadOnlyList<JudgedNeed> judged, SetupProblem problem) =>
        problem.Needs.Zip(judged).Count(n => n.First.Importance != Importance.Nice && n.Second.Strands < 2);

    private static ChangeCount Count(SetupProblem problem, IReadOnlyList<int> options, IReadOnlyList<JudgedNeed> judged)
    {
        var worth = problem.Needs.ToDictionary(n => (n.Part, n.Need), n => n.Importance);
        // Whether glass is changed inside, or second best taken, is what costs less.
        bool Changed(JudgedNeed n) => n.Overall.IsMet() && (
            !n.FromHands.IsMet() || (n.FromHands != n.Overall && Thin(worth[(n.Part, n.Need)]) > Inside(worth[(n.Part, n.Need)])));
        return new ChangeCount(problem.Changes(options).All, Named(judged.Where(Changed)),
            Named(judged.Where(n => n.Overall.IsMet() && (Changed(n) ? n.Overall : n.FromHands) == Outcome.Thins)),
            Named(judged.Where(n => !n.Overall.IsMet())));
    }

    private static NamedNeed[] Named(IEnumerable<JudgedNeed> needs) => [.. needs.Select(n => new NamedNeed(n.Part, n.Need))];

    private static long Missed(Importance importance) => importance switch
    {
        Importance.Once => MissedOnce,
        Importance.Must => MissedMust,
        _ => MissedNice,
    };

    private sealed class Model
    {
        private readonly SetupProblem problem;
        private readonly CpModel model = new();
        private readonly BoolVar[][] carries;
        private readonly BoolVar[] missed, inside, thin, hangs;
        private readonly List<BoolVar> changes = [];
        private readonly Dictionary<(string, string), int> numbers;
        private readonly HashSet<string> told = new(StringComparer.Ordinal);
        private HashSet<int> counted = [];

        public Model(SetupProblem problem, SetupWish wish)
        {
            this.problem = problem;
            numbers = problem.Needs.Select((need, n) => (need, n)).ToDictionary(x => (x.need.Part, x.need.Need), x => x.n);
            var cost = new List<(BoolVar Var, long Weight)>();
            carries = [.. problem.Slots.Select(s => s.Options.Select(_ => model.NewBoolVar("")).ToArray())];
            foreach (var slot in carries) model.AddExactlyOne(slot);
            var (hang, habit) = Orders(wish);
            for (var s = 0; s < carries.Length; s++)
                for (var o = 0; o < carries[s].Length; o++)
                {
                    var slot = problem.Slots[s];
                    var weight = (o != slot.Current ? Different : 0) + Cost(slot, o, habit);
                    if (weight > 0) cost.Add((carries[s][o], weight));
                }
            foreach (var choices in problem.Exclusive) model.AddAtMostOne(choices.Select(c => carries[c.Slot][c.Option]));
            missed = Each(problem.Needs, n => Missed(n.Importance));
            inside = Each(problem.Needs, n => Inside(n.Importance));
            thin = Each(problem.Needs, n => Thin(n.Importance));
            hangs = Each(problem.Needs, n => n.Importance == Importance.Nice ? 0 : hang);
            for (var n = 0; n < missed.Length; n++) Bound(n, problem.Needs[n]);
            foreach (var succession in problem.Successions)
            {
                var changed = model.NewBoolVar("");
                changes.Add(changed);
                cost.Add((changed, Change + (succession.Tight ? InsideOnce : 0)));
                Follow(succession, changed);
            }
            model.Minimize(LinearExpr.WeightedSum(cost.Select(c => c.Var), cost.Select(c => c.Weight)));

            BoolVar[] Each(IReadOnlyList<NeedCover> needs, Func<NeedCover, long> weight) => [.. needs.Select(n =>
            {
                var variable = model.NewBoolVar("");
                cost.Add((variable, weight(n)));
                return variable;
            })];
        }

        private void Bound(int n, NeedCover need)
        {
            var by = need.By.Select(c => (ILiteral)carries[c.Slot][c.Option]).ToList();
            var fullBy = need.FullBy.Select(c => (ILiteral)carries[c.Slot][c.Option]).ToList();
            // What cannot be met, or not safely, with any setups.
            if (need.Hangs) model.Add(hangs[n] == 1);
            if (need.IsRole) return;
            if (!need.Reached) model.AddBoolOr([.. by, missed[n]]);
            model.AddBoolOr([.. by, inside[n], missed[n]]);
            model.AddBoolOr([.. fullBy, thin[n], missed[n], .. need.ReachedFull ? [inside[n]] : Array.Empty<ILiteral>()]);
        }

        /// <summary>What a position carries after, it must have carried before, or something was changed; and the other way round.</summary>
        private void Follow(Succession s, BoolVar changed)
        {
            foreach (var (here, there, fixedThere) in new[] { (s.After, s.Before, s.FixedBefore), (s.Before, s.After, s.FixedAfter) })
            {
                if (here is not { } slot) continue;
                for (var o = 0; o < carries[slot].Length; o++)
                {
                    var chain = problem.Slots[slot].Options[o];
                    var same = new List<ILiteral> { carries[slot][o].Not(), changed };
                    if (there is { } other)
                    {
                        var at = problem.Slots[other].Options.ToList().IndexOf(chain);
                        if (at >= 0) same.Add(carries[other][at]);
                    }
                    else if (fixedThere == chain)
                    {
                        continue;
                    }
                    model.AddBoolOr(same);
                }
            }
        }

        public (int[] Options, int Changes)? Solve(CancellationToken cancel)
        {
            using var solver = new CpSolver { StringParameters = "num_workers:1" };
            using var stop = cancel.Register(() => solver.StopSearch());
            if (solver.Solve(model) != CpSolverStatus.Optimal) return null;
            counted = [.. missed.Concat(inside).Concat(thin).Concat(hangs).Where(v => solver.BooleanValue(v)).Select(v => v.GetIndex())];
            return ([.. carries.Select(slot => Array.FindIndex(slot, v => solver.BooleanValue(v)))], changes.Concat(inside).Count(c => solver.BooleanValue(c)));
        }

        /// <summary>Tells the solver what the report says of setups it thought better of, and in which parts it did; none if it had them right.</summary>
        public List<string> Learn(int[] options, IReadOnlyList<JudgedNeed> judged)
        {
            var parts = new List<string>();
            for (var n = 0; n < missed.Length; n++)
                foreach (var truth in Truths(n, judged[n]))
                {
                    if (truth.Any(v => counted.Contains(v.GetIndex()))) continue;
                    Tell(n, truth, options);
                    if (!parts.Contains(judged[n].Part)) parts.Add(judged[n].Part);
                }
            return parts;
        }

        /// <summary>Tells the solver what the report says of one part with some setups.</summary>
        public void Teach(int[] options, IReadOnlyList<JudgedNeed> needs)
        {
            foreach (var judged in needs)
            {
                var n = numbers[(judged.Part, judged.Need)];
                foreach (var truth in Truths(n, judged)) Tell(n, truth, options);
            }
        }

        private void Tell(int n, BoolVar[] truth, int[] options)
        {
            List<ILiteral> otherwise = [.. truth];
            foreach (var (slot, alike) in problem.Needs[n].Alike) otherwise.AddRange(Otherwise(slot, alike, options[slot]));
            var clause = string.Join(',', otherwise.Select(l => l.GetIndex()));
            if (told.Add(clause)) model.AddBoolOr(otherwise);
        }

        /// <summary>What a hand would have to carry for a need to stand otherwise than it does with an option.</summary>
        private IEnumerable<ILiteral> Otherwise(int slot, string[] alike, int option) => carries[slot].Where((_, o) => alike[o] != alike[option]);

        /// <summary>What must be counted of a need, as clauses of which one word each must be true.</summary>
        private IEnumerable<BoolVar[]> Truths(int n, JudgedNeed need)
        {
            if (need.Strands < 2 && problem.Needs[n].Importance != Importance.Nice) yield return [hangs[n]];
            if (!need.Overall.IsMet())
            {
                yield return [missed[n]];
                yield break;
            }
            if (need.FromHands == Outcome.Holds) yield break;
            if (!need.FromHands.IsMet()) yield return [inside[n], missed[n]];
            if (need.Overall == Outcome.Thins) yield return [thin[n], missed[n]];
            else if (need.FromHands == Outcome.Thins) yield return [thin[n], inside[n], missed[n]];
        }
    }
}
