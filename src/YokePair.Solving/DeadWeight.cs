using System.Diagnostics;
using Google.OrTools.Sat;
using YokePair.Core.Advice;

namespace YokePair.Solving;

/// <summary>What may stay at home.</summary>
/// <param name="Proven">Whether nothing heavier may; false only where the search was stopped.</param>
/// <param name="Things">What may stay at home, all of it together or any of it, heaviest first.</param>
/// <param name="Grams">What that weighs.</param>
/// <param name="AtMost">No more than this may stay at home, grams.</param>
/// <param name="Kept">Ids of what comes along because somebody wants so.</param>
/// <param name="NotJudged">Ids of what no need speaks of, and of power and cards.</param>
/// <param name="Rounds">How often the report was asked of a whole choice.</param>
/// <param name="Seconds">How long it took.</param>
public sealed record DeadWeightProposal(
    bool Proven, IReadOnlyList<SpareThing> Things, double Grams, double AtMost, IReadOnlyList<string> Kept, IReadOnlyList<string> NotJudged,
    int Rounds, double Seconds);

/// <summary>How far the search has come.</summary>
/// <param name="Round">How often the report was asked.</param>
/// <param name="AtMost">No more than this may stay at home, grams.</param>
/// <param name="Seconds">How long it has run.</param>
public sealed record DeadWeightProgress(int Round, double AtMost, double Seconds);

/// <summary>
/// Finds the heaviest dead weight exactly: the solver (CP-SAT) leaves as much at home as the conflicts known so far allow; the report
/// says which of that must not stay at home together; when it has nothing against it, nothing heavier can.
/// </summary>
public static class DeadWeight
{
    /// <summary>Searches.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="progress">Told after each round.</param>
    /// <param name="cancel">Stops the search; what is known to be spare by then is given, unproven.</param>
    public static DeadWeightProposal Find(DeadWeightProblem problem, IProgress<DeadWeightProgress>? progress = null, CancellationToken cancel = default)
    {
        var clock = Stopwatch.StartNew();
        var things = problem.Things;
        var model = new CpModel();
        var stays = things.Select(_ => model.NewBoolVar("")).ToArray();
        // Of equals the most things: each counts a little beside its weight.
        model.Maximize(LinearExpr.WeightedSum(stays, things.Select(t => (long)Math.Round(t.Grams * 1000) + 1)));
        List<int> spare = [];
        var (round, atMost, proven) = (0, things.Sum(t => t.Grams), false);
        try
        {
            while (!proven && !cancel.IsCancellationRequested)
            {
                round++;
                using var solver = new CpSolver { StringParameters = "num_workers:1" };
                using var stop = cancel.Register(() => solver.StopSearch());
                if (solver.Solve(model) != CpSolverStatus.Optimal) break;
                List<int> chosen = [.. Enumerable.Range(0, things.Count).Where(i => solver.BooleanValue(stays[i]))];
                atMost = Grams(chosen);
                progress?.Report(new DeadWeightProgress(round, atMost, clock.Elapsed.TotalSeconds));
                proven = Harmless(chosen);
                // What is given if the search is stopped: the choice without what was in the way.
                if (proven || Grams(chosen) > Grams(spare)) spare = chosen;
            }
        }
        catch (OperationCanceledException)
        {
            // The search is stopped, not the request: what was found stands.
        }
        return new DeadWeightProposal(
            proven, [.. spare.Select(i => things[i]).OrderByDescending(t => t.Grams)], Grams(spare), atMost, problem.Kept, problem.NotJudged,
            round, clock.Elapsed.TotalSeconds);

        double Grams(IEnumerable<int> some) => some.Sum(i => things[i].Grams);

        // True when nothing spoke against it; else the lightest thing of each conflict is put back until nothing does.
        bool Harmless(List<int> chosen)
        {
            for (var first = true; ; first = false)
            {
                var conflicts = problem.Conflicts(chosen);
                if (conflicts.Count == 0) return first;
                foreach (var conflict in conflicts)
                {
                    model.AddBoolOr(conflict.Select(i => (ILiteral)stays[i].Not()));
                    chosen.Remove(conflict.MinBy(i => things[i].Grams));
                }
            }
        }
    }
}
