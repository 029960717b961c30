using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Tests;

/// <summary>What is asked of those who search: which glass may be in which hand, what must come along, what may stay at home.</summary>
public sealed class ToldChoices
{
    internal static readonly Dictionary<string, Func<DayAnalysis, object?>> Views = new(StringComparer.Ordinal)
    {
        ["setups"] = Setups,
        ["kit"] = day => Kit(day.Plan, new KitWish(FailureClass.Item)),
        ["bags-away"] = day => Kit(day.Plan, new KitWish(FailureClass.Bag, KitGoal.Count, Move: true)),
        ["rigs"] = day => Kit(day.Plan, new KitWish(FailureClass.Rig, KitGoal.Value)),
        ["free"] = day => Kit(day.Plan, new KitWish(FailureClass.Rig, SetupsFree: true)),
        ["spare"] = Spare,
    };

    public static TheoryData<string> Names => new(Views.Keys);

    [Theory]
    [Trait("Takes", "long")]
    [MemberData(nameof(Names))]
    public void What_there_is_to_choose_from_on_a_day_with_one_of_everything_is_what_was_agreed(string view) =>
        Told.Compare($"barn-day.{view}", Readable.Of(Views[view](new DayAnalysis(BarnDay.Plan))));

    private static object Setups(DayAnalysis day)
    {
        var problem = new SetupProblem(day);
        int[] now = [.. problem.Slots.Select(s => s.Current)], next = [.. problem.Slots.Select(s => (s.Current + 1) % s.Options.Count)];
        return new
        {
            Slots = problem.Slots.Select(s => new
            {
                s.Part,
                s.Person,
                s.Position,
                s.Current,
                Options = s.Options.Select(Chain).ToList(),
                Odd = s.LeavesHabit.Order().ToList()
            }).ToList(),
            Needs = problem.Needs.Select(n => new
            {
                n.Part,
                n.Need,
                n.Reached,
                n.ReachedFull,
                n.Hangs,
                n.IsRole,
                n.Seconds.Item1,
                n.Seconds.Item2,
                By = n.By.Select(c => $"{c.Slot}.{c.Option}").ToList(),
                Full = n.FullBy.Select(c => $"{c.Slot}.{c.Option}").ToList()
            }).ToList(),
            Successions = problem.Successions.Select(s => $"{s.Before} {Chain(s.FixedBefore)} then {s.After} {Chain(s.FixedAfter)} {s.Tight}").ToList(),
            Exclusive = problem.Exclusive.Select(e => string.Join(' ', e.Select(c => $"{c.Slot}.{c.Option}"))).ToList(),
            Now = problem.Judge(now),
            Next = problem.Judge(next),
            Changes = problem.Changes(next),
            Differences = problem.Differences(next),
        };

        static string Chain(Chain? chain) => chain is null ? "nothing" : $"{chain}";
    }

    private static object Kit(Plan plan, KitWish wish)
    {
        var problem = new KitProblem(plan, ToldTests.Locker, wish);
        bool[] Without(Func<int, bool> gone) => [.. problem.Options.Select((o, n) => o.Fixed || (o.Today && !gone(n)))];
        var today = Without(_ => false);
        return new
        {
            Options = Lines(problem.Options.Select(o => $"{o.Thing} in {o.Place}{(o.Today ? ", today" : "")}{(o.Fixed ? ", stays" : "")}: {o.Cost}")),
            House = Lines(problem.House.Select(h =>
                $"{h.Rule} {h.Camera?.Part}: {h.AtLeast} to {h.AtMost} of {string.Join(", ", h.OneOf.Select(Bundle))}")),
            Hopeless = Lines(problem.Hopeless.Select(h => $"{h.Part}/{h.Need}").Order(StringComparer.Ordinal)),
            Exposed = problem.ExposedIn(plan),
            Worse = Lines(problem.WorseIn(plan).Select(w => $"{w.Part}/{w.Need}")),
            Today = Said(problem, problem.Lacks(today)),
            None = Said(problem, problem.Lacks(Without(_ => true))),
            // Without each third thing: what must come along then.
            First = Said(problem, problem.Lacks(Without(n => n % 3 == 0))),
            Second = Said(problem, problem.Lacks(Without(n => n % 3 == 1))),
            Third = Said(problem, problem.Lacks(Without(n => n % 3 == 2))),
            Changes = problem.Changes(Without(n => n % 4 == 0)),
        };

        string Bundle(IReadOnlyList<int> all) => string.Join(" and ", all.Select(o => problem.Options[o].Thing));
    }

    /// <summary>One line each, so that what is otherwise is seen by itself.</summary>
    private static string Lines(IEnumerable<string> each) => string.Concat(each.Select(e => $"\n    {e}"));

    private static string Said(KitProblem problem, IReadOnlyList<KitClause> clauses)
    {
        string Those(IReadOnlyList<int> some) => string.Join(", ", some.Select(o => $"{problem.Options[o].Thing} in {problem.Options[o].Place}"));
        return Lines(clauses.Select(c =>
            $"{c.Need.Part}/{c.Need.Need}: {c.AtLeast} of {Those(c.OneOf)}{(c.Unless.Count > 0 ? $" unless {Those(c.Unless)}" : "")}"));
    }

    private static object Spare(DayAnalysis day)
    {
        var problem = new DeadWeightProblem(day, ToldTests.Locker);
        string Those(IReadOnlyList<int> some) => string.Join(", ", some.Select(i => problem.Things[i].Thing));
        return new
        {
            problem.Things,
            problem.Kept,
            problem.NotJudged,
            All = problem.Conflicts([.. Enumerable.Range(0, problem.Things.Count)]).Select(Those).ToList(),
            Half = Enumerable.Range(0, 2).Select(k => problem.Conflicts([.. Enumerable.Range(0, problem.Things.Count).Where(i => i % 2 == k)]).Select(Those)
                .ToList()).ToList(),
        };
    }
}
