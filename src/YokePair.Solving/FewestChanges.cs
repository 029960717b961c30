using System.Diagnostics;
using Google.OrTools.Sat;
using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Solving;

/// <summary>Setups with the fewest changes of glass that meet every need.</summary>
/// <param name="Proven">Whether no setups with fewer changes exist; false only where the search was stopped.</param>
/// <param name="Now">Changes of glass with the setups as they are.</param>
/// <param name="Found">Changes of glass with what is proposed.</param>
/// <param name="AtLeast">No setups that meet as much have fewer changes than this.</param>
/// <param name="HangingNow">How many once and must needs hang by one thing, or by none, as it is.</param>
/// <param name="Hanging">How many do with what is proposed.</param>
/// <param name="Pieces">What to change; each piece may be taken or left.</param>
/// <param name="Rounds">How often the report was asked.</param>
/// <param name="Seconds">How long it took.</param>
public sealed record SetupsProposal(
    bool Proven, ChangeCount Now, ChangeCount Found, int AtLeast, int HangingNow, int Hanging, IReadOnlyList<ProposedChange> Pieces, int Rounds, double Seconds);

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
    private const long MissedOnce = 10_000_000_000_000, MissedMust = 100_000_000_000, MissedNice = 1_000_000_000, SecondBest = 1_000_000, Change = 1_000, Tight = 100, HalfLiked = 20, Different = 1;

    /// <summary>Searches.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="secondBestWillDo">Whether a second-best picture is as good as the best; else it is avoided at the cost of any number of changes.</param>
    /// <param name="progress">Told after each round.</param>
    /// <param name="cancel">Stops the search; the best so far is given, unproven.</param>
    public static SetupsProposal Find(SetupProblem problem, bool secondBestWillDo = false, IProgress<SearchProgress>? progress = null, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        int[] now = [.. problem.Slots.Select(s => s.Current)];
        var judgedNow = problem.Judge(now);
        var costNow = Cost(problem, now, judgedNow, secondBestWillDo);
        var best = (Options: now, Judged: judgedNow, Cost: costNow);
        var model = new Model(problem, secondBestWillDo);
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
            var cost = Cost(problem, answer.Options, judged, secondBestWillDo);
            if (cost < best.Cost) best = (answer.Options, judged, cost);
            if (model.Learn(answer.Options, judged)) continue;
            // The report agrees with the bound. Where what there is costs the same, it is left as it is.
            if (cost < costNow) best = (answer.Options, judged, cost);
            proven = true;
            break;
        }
        return new SetupsProposal(proven, Count(problem, now, judgedNow, secondBestWillDo), Count(problem, best.Options, best.Judged, secondBestWillDo),
            atLeast, Hanging(problem, now), Hanging(problem, best.Options), problem.Differences(best.Options), round, clock.Elapsed.TotalSeconds);
    }

    /// <summary>What setups cost: missed needs first, then second-best pictures, then changes between and inside parts, then those without time.</summary>
    public static long Cost(SetupProblem problem, IReadOnlyList<int> options, IReadOnlyList<JudgedNeed> judged, bool secondBestWillDo)
    {
        var (all, tight) = problem.Changes(options);
        return (Change * all) + (Tight * tight) + problem.Needs.Zip(judged, (need, j) => Cost(need.Importance, j, secondBestWillDo)).Sum();
    }

    private static long Cost(Importance importance, JudgedNeed need, bool secondBestWillDo)
    {
        if (!need.Overall.IsMet()) return Weight(importance);
        var thin = secondBestWillDo ? HalfLiked : SecondBest;
        return Math.Min(
            need.FromHands.IsMet() ? need.FromHands == Outcome.Holds ? 0 : thin : long.MaxValue,
            Change + (need.Overall == Outcome.Holds ? 0 : thin));
    }

    private static ChangeCount Count(SetupProblem problem, IReadOnlyList<int> options, IReadOnlyList<JudgedNeed> judged, bool secondBestWillDo)
    {
        // Whether glass is changed inside, or second best taken, is what costs less.
        bool Inside(JudgedNeed n) => n.Overall.IsMet() && (!n.FromHands.IsMet() || (!secondBestWillDo && n.FromHands != n.Overall));
        return new ChangeCount(problem.Changes(options).All, Named(judged.Where(Inside)),
            Named(judged.Where(n => n.Overall.IsMet() && (Inside(n) ? n.Overall : n.FromHands) == Outcome.Thins)),
            Named(judged.Where(n => !n.Overall.IsMet())));
    }

    private static NamedNeed[] Named(IEnumerable<JudgedNeed> needs) => [.. needs.Select(n => new NamedNeed(n.Part, n.Need))];

    private static int Hanging(SetupProblem problem, IReadOnlyList<int> options) =>
        problem.VerdictOn(options).Exposed;

    private static long Weight(Importance importance) => importance switch
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
        private readonly BoolVar[] missed, inside, thin;
        private readonly List<BoolVar> changes = [];
        private HashSet<int> counted = [];

        public Model(SetupProblem problem, bool secondBestWillDo)
        {
            this.problem = problem;
            var cost = new List<(BoolVar Var, long Weight)>();
            carries = [.. problem.Slots.Select(s => s.Options.Select(_ => model.NewBoolVar("")).ToArray())];
            foreach (var slot in carries) model.AddExactlyOne(slot);
            for (var s = 0; s < carries.Length; s++)
                for (var o = 0; o < carries[s].Length; o++)
                    if (o != problem.Slots[s].Current) cost.Add((carries[s][o], Different));
            foreach (var choices in problem.Exclusive) model.AddAtMostOne(choices.Select(c => carries[c.Slot][c.Option]));
            missed = Each(problem.Needs, n => Weight(n.Importance));
            inside = Each(problem.Needs, _ => Change);
            thin = Each(problem.Needs, _ => secondBestWillDo ? HalfLiked : SecondBest);
            for (var n = 0; n < missed.Length; n++) Bound(n, problem.Needs[n]);
            foreach (var succession in problem.Successions)
            {
                var changed = model.NewBoolVar("");
                changes.Add(changed);
                cost.Add((changed, Change + (succession.Tight ? Tight : 0)));
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
            counted = [.. missed.Concat(inside).Concat(thin).Where(v => solver.BooleanValue(v)).Select(v => v.GetIndex())];
            return ([.. carries.Select(slot => Array.FindIndex(slot, v => solver.BooleanValue(v)))], changes.Concat(inside).Count(c => solver.BooleanValue(c)));
        }

        /// <summary>Tells the solver what the report says of setups it thought better of; false if it had them right.</summary>
        public bool Learn(int[] options, IReadOnlyList<JudgedNeed> judged)
        {
            var learnt = false;
            for (var n = 0; n < missed.Length; n++)
                foreach (var truth in Truths(n, judged[n]))
                {
                    if (truth.Any(v => counted.Contains(v.GetIndex()))) continue;
                    List<ILiteral> otherwise = [.. truth];
                    for (var s = 0; s < carries.Length; s++)
                        if (problem.Slots[s].Part == judged[n].Part) otherwise.Add(carries[s][options[s]].Not());
                    model.AddBoolOr(otherwise);
                    learnt = true;
                }
            return learnt;
        }

        /// <summary>What must be counted of a need, as clauses of which one word each must be true.</summary>
        private IEnumerable<BoolVar[]> Truths(int n, JudgedNeed need)
        {
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
