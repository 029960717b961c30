using System.Diagnostics;
using Google.OrTools.Sat;
using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Solving;

/// <summary>Setups with the fewest changes of glass that meet every need.</summary>
/// <param name="Proven">Whether no setups that cost less exist; false only where the search was stopped.</param>
/// <param name="Quickest">Whether, of those that cost the same, none is quicker; else none quicker was found.</param>
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
    bool Proven, bool Quickest, ChangeCount Now, ChangeCount Found, int AtLeast, int HangingNow, int Hanging, int HabitsLeft,
        IReadOnlyList<ProposedChange> Pieces, int Rounds, double Seconds);

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

/// <summary>What setups cost, the first first.</summary>
/// <param name="Main">What is missed, hangs, is changed, leaves a habit.</param>
/// <param name="Seconds">Seconds of all needs together.</param>
/// <param name="Different">Hands that differ from today.</param>
public readonly record struct SetupCost(long Main, long Seconds, int Different)
{
    /// <summary>Whether it is less than another.</summary>
    public bool IsLess(SetupCost other) => (Main, Seconds, Different).CompareTo((other.Main, other.Seconds, other.Different)) < 0;
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
    // Orders of what counts, each worth more than all below it together on any day that fits a screen. Seconds come after all of them, then
    // what differs from today.
    private const long HangWilling = 1, SecondBest = 30 * HangWilling, Change = 40 * SecondBest, Habit = 50 * Change, MissedNice = 10 * Habit,
        InsideOnce = 40 * Habit,
        Hang = 15 * InsideOnce, SecondBestOnce = 40 * Hang, NotAlone = 15 * SecondBestOnce, MissedMust = 40 * NotAlone, MissedOnce = 30 * MissedMust;

    private static readonly long[] Descending =
        [MissedOnce, MissedMust, NotAlone, SecondBestOnce, Hang, InsideOnce, MissedNice, Habit, Change, SecondBest, HangWilling];

    /// <summary>So often the report is asked for a quicker one of those that cost the same, before the quickest so far is taken.</summary>
    private const int MostRoundsForSeconds = 8;

    /// <summary>The same in the order of what one is willing to give up.</summary>
    private static (long Hang, long Habit) Orders(SetupWish wish) => (wish.MayHang ? HangWilling : Hang, wish.KeepsHabits ? SecondBestOnce : Habit);

    /// <summary>Searches.</summary>
    /// <param name="problem">The problem.</param>
    /// <param name="wish">What one is willing to give up; null = nothing.</param>
    /// <param name="progress">Told after each round.</param>
    /// <param name="forSeconds">Whether of those that cost the same the quickest is looked for.</param>
    /// <param name="cancel">Stops the search; the best so far is given, unproven.</param>
    public static SetupsProposal Find(SetupProblem problem, SetupWish? wish = null, IProgress<SearchProgress>? progress = null,
        bool forSeconds = true, CancellationToken cancel = default) => Find(problem, new Model(problem), wish ?? new SetupWish(), progress, forSeconds, cancel);

    /// <summary>The same with what is learnt of the problem already: it is true whatever one is willing to give up.</summary>
    private static SetupsProposal Find(SetupProblem problem, Model model, SetupWish wish, IProgress<SearchProgress>? progress, bool forSeconds,
        CancellationToken cancel)
    {
        var clock = Stopwatch.StartNew();
        int[] now = [.. problem.Slots.Select(s => s.Current)];
        var judgedNow = problem.Judge(now);
        var best = (Options: now, Judged: judgedNow, Cost: Cost(problem, now, judgedNow, wish));
        model.Aim(wish);
        var (proven, quickest, slowRounds) = (false, false, 0);
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
            if (cost.IsLess(best.Cost)) best = (answer.Options, judged, cost);
            if (model.Learn(answer.Options, judged) is { Count: > 0 } wrong)
            {
                if (proven && ++slowRounds > MostRoundsForSeconds) break;
                // Where the solver was wrong it would try the neighbours next: they are asked at once; for seconds that takes longer than it saves.
                foreach (var (options, needs) in proven ? [] : wrong.SelectMany(part => problem.JudgeAround(part, answer.Options))) model.Teach(options, needs);
                continue;
            }
            // The report agrees with the bound: first of all but the seconds, then, with that settled, of them too.
            quickest = proven;
            proven = true;
            if (quickest || !forSeconds) break;
            model.Settle();
        }
        return new SetupsProposal(proven, quickest, Count(problem, now, judgedNow), Count(problem, best.Options, best.Judged), atLeast,
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
        var model = new Model(problem);
        // What each is worth is found first, as what is learnt for one serves the next; then of what is recommended the quickest.
        var recommended = Search(new SetupWish());
        var keeping = recommended.HabitsLeft > 0 ? Search(new SetupWish(KeepsHabits: true)) : null;
        var hanging = Search(new SetupWish(MayHang: true));
        if (recommended.Proven) recommended = Search(new SetupWish(), forSeconds: true);
        var trades = new List<SetupTrade>();
        Add(new SetupWish(), recommended);
        Add(new SetupWish(KeepsHabits: true), keeping);
        Add(new SetupWish(MayHang: true), hanging);
        return trades;

        SetupsProposal Search(SetupWish wish, bool forSeconds = false) => Find(problem, model, wish, progress, forSeconds, cancel);

        void Add(SetupWish wish, SetupsProposal? found)
        {
            if (found is null || trades.Exists(t => Said(t.Proposal) == Said(found))) return;
            trades.Add(new SetupTrade(wish, found));
            tell?.Invoke(trades[^1]);
        }

        static (int, int, int) Said(SetupsProposal found) => (found.Found.All, found.Hanging, found.HabitsLeft);
    }

    /// <summary>
    /// What setups cost, in this order: missed once, missed must; what the lead could not do alone, where the house asks that; once second best;
    /// what hangs by one thing; glass changed inside a part for what happens once; missed nice; habits left; changes; second best; seconds; then
    /// how much differs from today.
    /// </summary>
    public static SetupCost Cost(SetupProblem problem, IReadOnlyList<int> options, IReadOnlyList<JudgedNeed> judged, SetupWish wish)
    {
        var (hang, habit) = Orders(wish);
        var (all, tight) = problem.Changes(options);
        var cost = (Change * all) + (InsideOnce * tight) + problem.Needs.Zip(judged, (need, j) => Cost(need.Importance, j, hang)).Sum();
        for (var s = 0; s < options.Count; s++) cost += Cost(problem.Slots[s], options[s], habit);
        return new SetupCost(cost, judged.Sum(j => (long)j.Seconds), options.Where((o, s) => o != problem.Slots[s].Current).Count());
    }

    /// <summary>What an option costs by itself, whatever it serves.</summary>
    private static long Cost(SetupSlot slot, int option, long habit) =>
        (slot.LeavesHabit.Contains(option) ? habit : 0) + (slot.Awkward.Contains(option) ? SecondBest : 0);

    private static long Cost(Importance importance, JudgedNeed need, long hang)
    {
        var hangs = importance != Importance.Nice && need.Strands < 2 ? hang : 0;
        if (!need.Overall.IsMet()) return Missed(importance) + hangs;
        if (need.NotAlone) hangs += NotAlone;
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
        /// <summary>The model is solved dozens of times, each time with a little more: preparing it thoroughly takes longer than solving it.</summary>
        private const string Parameters = "num_workers:1,cp_model_probing_level:0,linearization_level:0,max_presolve_iterations:1,optimize_with_core:true",
            ParametersForSeconds =
                "num_workers:1,cp_model_probing_level:0,linearization_level:0,max_presolve_iterations:1,cp_model_use_sat_presolve:false,symmetry_level:0";

        private readonly SetupProblem problem;
        private readonly CpModel model = new();
        private readonly BoolVar[][] carries;
        private readonly BoolVar[] missed, inside, thin, hangs, notAlone;
        private IntVar[] slow = [];
        private readonly List<BoolVar> changes = [];
        private readonly List<(BoolVar Var, Func<SetupWish, long> Weight)> cost = [];
        private readonly List<BoolVar> different;
        private readonly Dictionary<(string, string), int> numbers;
        private readonly Dictionary<(int Need, int Seconds), BoolVar> slowWords = [];
        private readonly HashSet<string> told = new(StringComparer.Ordinal);
        private HashSet<int> counted = [];
        private long[] seconds = [], paid = [], weights = [];

        public Model(SetupProblem problem)
        {
            this.problem = problem;
            numbers = problem.Needs.Select((need, n) => (need, n)).ToDictionary(x => (x.need.Part, x.need.Need), x => x.n);
            carries = [.. problem.Slots.Select(s => s.Options.Select(_ => model.NewBoolVar("")).ToArray())];
            foreach (var slot in carries) model.AddExactlyOne(slot);
            // Near to today is where the report has looked already; so it is soon agreed with.
            different = [.. carries.SelectMany((slot, s) => slot.Where((_, o) => o != problem.Slots[s].Current))];
            for (var s = 0; s < carries.Length; s++)
                for (var o = 0; o < carries[s].Length; o++)
                {
                    var (slot, option) = (problem.Slots[s], o);
                    if (Cost(slot, o, 1) > 0) cost.Add((carries[s][o], wish => Cost(slot, option, Orders(wish).Habit)));
                }
            foreach (var choices in problem.Exclusive) model.AddAtMostOne(choices.Select(c => carries[c.Slot][c.Option]));
            missed = Each(problem.Needs, (n, _) => Missed(n.Importance));
            inside = Each(problem.Needs, (n, _) => Inside(n.Importance));
            thin = Each(problem.Needs, (n, _) => Thin(n.Importance));
            hangs = Each(problem.Needs, (n, wish) => n.Importance == Importance.Nice ? 0 : Orders(wish).Hang);
            notAlone = Each(problem.Needs, (n, _) => n.Importance == Importance.Nice ? 0 : NotAlone);
            for (var n = 0; n < missed.Length; n++) Bound(n, problem.Needs[n]);
            foreach (var succession in problem.Successions)
            {
                var changed = model.NewBoolVar("");
                changes.Add(changed);
                cost.Add((changed, _ => Change + (succession.Tight ? InsideOnce : 0)));
                Follow(succession, changed);
            }

            BoolVar[] Each(IReadOnlyList<NeedCover> needs, Func<NeedCover, SetupWish, long> weight) => [.. needs.Select(n =>
            {
                var variable = model.NewBoolVar("");
                cost.Add((variable, wish => weight(n, wish)));
                return variable;
            })];
        }

        /// <summary>Whether all but the seconds is settled.</summary>
        public bool Settled { get; private set; }

        /// <summary>From now on looks for what costs least by a wish; what was learnt stays true.</summary>
        public void Aim(SetupWish wish)
        {
            Settled = false;
            weights = [.. cost.Select(c => c.Weight(wish))];
            model.Minimize(LinearExpr.WeightedSum(
                cost.Select(c => c.Var).Concat(different), weights.Select(w => w * (problem.Slots.Count + 1)).Concat(different.Select(_ => 1L))));
        }

        /// <summary>
        /// Of setups that cost what the last did, those with the fewest seconds are looked for, then the nearest to today: for good, after this
        /// nothing else can be aimed at.
        /// </summary>
        public void Settle()
        {
            Settled = true;
            // As much of each order: one sum of them all, with what each is worth, is a hard nut to the solver. What is worth two orders (a change
            // inside what happens once) counts for both: two things may cost the same that one does.
            var rest = weights.ToArray();
            foreach (var order in Descending)
            {
                long[] times = [.. rest.Select(w => w / order)];
                for (var c = 0; c < rest.Length; c++) rest[c] %= order;
                int[] counts = [.. Enumerable.Range(0, times.Length).Where(c => times[c] > 0)];
                if (counts.Length == 0) continue;
                model.Add(LinearExpr.WeightedSum(counts.Select(c => cost[c].Var), counts.Select(c => times[c])) == counts.Sum(c => times[c] * paid[c]));
            }
            slow = [.. problem.Needs.Select(_ => model.NewIntVar(0, SetupProblem.MostSeconds, ""))];
            model.Minimize((LinearExpr.Sum(slow) * (problem.Slots.Count + 1)) + LinearExpr.Sum(different));
            for (var n = 0; n < slow.Length; n++)
            {
                var (fromHand, reaching) = problem.Needs[n].Seconds;
                AtLeast(n, Math.Min(fromHand ?? reaching ?? 0, reaching ?? fromHand ?? 0), [missed[n]]);
                if (reaching is { } soonest) AtLeast(n, soonest, [.. problem.Needs[n].By.Select(c => (ILiteral)carries[c.Slot][c.Option]), missed[n]]);
            }
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

        /// <summary>So many seconds, unless one of some words is true.</summary>
        private void AtLeast(int n, double seconds, IReadOnlyList<ILiteral> unless)
        {
            if (Math.Ceiling(Math.Min(seconds, SetupProblem.MostSeconds)) is var whole and > 0) model.AddBoolOr([.. unless, Slow(n, (int)whole)]);
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
            using var solver = new CpSolver { StringParameters = Settled ? ParametersForSeconds : Parameters };
            using var stop = cancel.Register(() => solver.StopSearch());
            if (solver.Solve(model) != CpSolverStatus.Optimal) return null;
            seconds = [.. slow.Select(solver.Value)];
            paid = [.. cost.Select(c => solver.Value(c.Var))];
            counted = [.. missed.Concat(inside).Concat(thin).Concat(hangs).Concat(notAlone).Where(v => solver.BooleanValue(v)).Select(v => v.GetIndex())];
            return ([.. carries.Select(slot => Array.FindIndex(slot, v => solver.BooleanValue(v)))], changes.Concat(inside).Count(c => solver.BooleanValue(c)));
        }

        /// <summary>Tells the solver what the report says of setups it thought better of, and in which parts it did; none if it had them right.</summary>
        public List<string> Learn(int[] options, IReadOnlyList<JudgedNeed> judged)
        {
            var parts = new List<string>();
            for (var n = 0; n < missed.Length; n++)
            {
                foreach (var truth in Truths(n, judged[n]).Where(t => !t.Any(v => counted.Contains(v.GetIndex())))) Note(n, truth);
                if (Settled && seconds[n] < judged[n].Seconds) Note(n, [Slow(n, judged[n].Seconds)]);
            }
            return parts;

            void Note(int n, BoolVar[] truth)
            {
                Tell(n, truth, options);
                if (!parts.Contains(judged[n].Part)) parts.Add(judged[n].Part);
            }
        }

        /// <summary>Tells the solver what the report says of one part with some setups.</summary>
        public void Teach(int[] options, IReadOnlyList<JudgedNeed> needs)
        {
            foreach (var judged in needs)
            {
                var n = numbers[(judged.Part, judged.Need)];
                foreach (var truth in Truths(n, judged)) Tell(n, truth, options);
                if (Settled && judged.Seconds > 0) Tell(n, [Slow(n, judged.Seconds)], options);
            }
        }

        /// <summary>That a need takes so many seconds.</summary>
        private BoolVar Slow(int n, int atLeast)
        {
            if (slowWords.TryGetValue((n, atLeast), out var word)) return word;
            word = model.NewBoolVar("");
            model.Add(slow[n] >= atLeast).OnlyEnforceIf(word);
            return slowWords[(n, atLeast)] = word;
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
            if (need.NotAlone) yield return [notAlone[n], missed[n]];
            if (need.FromHands == Outcome.Holds) yield break;
            if (!need.FromHands.IsMet()) yield return [inside[n], missed[n]];
            if (need.Overall == Outcome.Thins) yield return [thin[n], missed[n]];
            else if (need.FromHands == Outcome.Thins) yield return [thin[n], inside[n], missed[n]];
        }
    }
}
