using YokePair.Core.Advice;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Taken;

/// <summary>Something that hardly ever comes out of the bag.</summary>
/// <param name="Thing">Its id.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Grams">Its weight, or a usual one.</param>
/// <param name="Taken">Pictures that count which it took in those assignments.</param>
/// <param name="Of">Of how many.</param>
/// <param name="Assignments">In how many assignments it was along.</param>
/// <param name="AloneFor">Names of the needs that are missed without it.</param>
public sealed record SeldomUsed(string Thing, string Name, double Grams, int Taken, int Of, int Assignments, IReadOnlyList<string> AloneFor)
{
    /// <summary>Names of the needs that are still met without it, but hang by less or are second best.</summary>
    public IReadOnlyList<string> BackupFor { get; init; } = [];

    /// <summary>Whether all holds without it alone, but not without another as well that may stay at home.</summary>
    public bool IsSpare { get; init; }

    /// <summary>Whether it may stay at home.</summary>
    public bool MayStay => AloneFor.Count + BackupFor.Count == 0 && !IsSpare;
}

/// <summary>What was carried for nothing and is not needed as a spare either.</summary>
public static class StayAtHome
{
    /// <summary>Less than this share of the pictures that count is hardly any.</summary>
    public const double Hardly = 0.02;

    /// <summary>How many of the last assignments are looked at, and at least so many must tell.</summary>
    public const int AssignmentsLookedAt = 5;

    private static readonly ILookup<bool, string> Nothing = Array.Empty<string>().ToLookup(_ => false);

    /// <summary>
    /// What took less than two in a hundred in each of the last five assignments it was carried on. Whether it may stay at home is for the plan at
    /// hand to say. What somebody always takes along is not spoken of.
    /// </summary>
    /// <param name="day">The plan at hand.</param>
    /// <param name="days">What past assignments used, the oldest first.</param>
    /// <param name="atHome">Where the plan does not say what a thing weighs, this does.</param>
    /// <param name="fewest">Fewest assignments that tell.</param>
    /// <param name="cancel">Ends it.</param>
    public static IReadOnlyList<SeldomUsed> Of(
        DayAnalysis day, IReadOnlyList<TakenDay> days, IReadOnlyList<Item> atHome, int fewest = AssignmentsLookedAt, CancellationToken cancel = default)
    {
        var seldom = day.Whole.Items.Where(i => i is Body or Lens && i.Keep != Keep.Always)
            .Select(i => (Item: i, Assignments: days.Where(d => d.Carried.Contains(i.Id) && (d.Kept ?? d.Frames) > 0).TakeLast(AssignmentsLookedAt).ToList()))
            .Where(i => i.Assignments.Count >= fewest && i.Assignments.TrueForAll(d => ShareOf(d, i.Item.Id) < Hardly)).ToList();
        if (seldom.Count == 0) return [];
        var dead = Together(new DeadWeightProblem(day, atHome, cancel), [.. seldom.Select(s => s.Item.Id)]);
        var with = DayVerdict.Of(day);
        return [.. seldom.Select(Tell).OrderBy(s => !s.MayStay).ThenByDescending(s => s.Grams)];

        SeldomUsed Tell((Item Item, List<TakenDay> Assignments) s)
        {
            var (thing, of) = (s.Item, s.Assignments);
            var worse = dead.Contains(thing.Id) ? Nothing : Worse(day, with, thing.Id);
            var (alone, backup) = (worse[false].Distinct().ToList(), worse[true].Distinct().ToList());
            return new SeldomUsed(
                thing.Id, thing.Label, thing.WeightG ?? atHome.FirstOrDefault(h => h.Id == thing.Id)?.WeightG ?? UsualWeights.Of(thing),
                of.Sum(d => CountOf(d, thing.Id)), of.Sum(d => d.Kept ?? d.Frames), of.Count, alone)
            { BackupFor = backup, IsSpare = alone.Count + backup.Count == 0 && !dead.Contains(thing.Id) };
        }
    }

    /// <summary>Those that may all stay at home at once: of two that stand in for each other the heavier.</summary>
    private static HashSet<string> Together(DeadWeightProblem problem, HashSet<string> seldom)
    {
        var left = new List<int>();
        foreach (var n in Enumerable.Range(0, problem.Things.Count).Where(n => seldom.Contains(problem.Things[n].Thing))
            .OrderByDescending(n => problem.Things[n].Grams))
            if (problem.Conflicts([.. left, n]).Count == 0) left.Add(n);
        return [.. left.Select(n => problem.Things[n].Thing)];
    }

    /// <summary>Pictures that count which a thing took on a day.</summary>
    public static int CountOf(TakenDay day, string thing) => day.Bodies.Where(b => b.Body == thing).Sum(b => day.Counted(b.Taken, b.Kept))
        + day.Glass.Where(g => g.Glass == thing).Sum(g => day.Counted(g.Taken, g.Kept));

    private static double ShareOf(TakenDay day, string thing) => (double)CountOf(day, thing) / Math.Max(1, day.Kept ?? day.Frames);

    /// <summary>The needs that are met worse, or hang by less, without it; by whether they are met at all.</summary>
    private static ILookup<bool, string> Worse(DayAnalysis day, DayVerdict with, string thing) =>
        with.Needs.Zip(DayVerdict.Of(day.Without(new Pulled(thing))).Needs)
            .Where(n => n.Second.Strands < n.First.Strands || n.Second.Outcome > n.First.Outcome)
            .ToLookup(n => n.Second.Outcome.IsMet() || n.Second.Outcome == n.First.Outcome,
                n => day.Whole.PartOf(n.First.Part)?.Needs.FirstOrDefault(x => x.Id == n.First.Need)?.Name ?? n.First.Need);
}
