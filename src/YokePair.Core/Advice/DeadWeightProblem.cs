using YokePair.Core.Cards;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Library;
using YokePair.Core.Plans;
using YokePair.Core.Power;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>A thing that might stay at home.</summary>
/// <param name="Thing">Id of the thing.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Grams">Its weight; a usual one where nobody has weighed it.</param>
/// <param name="Guessed">Whether that is a usual weight.</param>
/// <param name="SetUpIn">Ids of the parts in which it is in a hand or on a stand today.</param>
/// <param name="Edit">The edit that leaves it at home.</param>
public sealed record SpareThing(string Thing, string Name, double Grams, bool Guessed, IReadOnlyList<string> SetUpIn, PlanEdit Edit);

/// <summary>
/// Which things may stay at home together without any need standing worse, as plain data for a solver and the analysis as the judge.
/// Nothing is worse while every need, nice and exposed ones too, keeps its outcome and its margin, hangs by nothing it did not hang by,
/// no house rule is broken further, and the charge of the day reaches as far. Of a set that may stay at home every part may, so that one
/// can take it or leave it piece by piece: what a camera left at home brings nearer is no reason to leave more.
/// </summary>
public sealed class DeadWeightProblem
{
    private readonly DayAnalysis day;
    private readonly CancellationToken cancel;
    private readonly IReadOnlyList<NeedVerdict> before;
    private readonly IReadOnlyList<HouseRule> house;
    private readonly int lacking, noRoom;

    /// <summary>Of these, by number, something else lies elsewhere once they stay at home.</summary>
    private readonly HashSet<int> bearers;

    /// <summary>Prepares it, and asks of each thing alone whether it could stay at home.</summary>
    /// <param name="day">The day, nothing pulled.</param>
    /// <param name="locker">Where the plan does not say what a thing weighs, this does.</param>
    /// <param name="cancel">Ends it with an <see cref="OperationCanceledException"/>.</param>
    public DeadWeightProblem(DayAnalysis day, IReadOnlyList<Item> locker, CancellationToken cancel = default)
    {
        this.day = day;
        this.cancel = cancel;
        before = DayVerdict.Of(day).Needs;
        house = HouseRules.Of(day);
        (lacking, noRoom) = (PowerPlans.Lack(day).Size, CardPlans.Lack(day).Size);
        var known = locker.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var plan = day.Whole;
        NotJudged = [.. plan.Items.Where(i => !Spoken(i)).Select(i => i.Id)];
        Kept = [.. plan.Items.Where(i => Spoken(i) && i.Keep == Keep.Always).Select(i => i.Id)];
        Things = [.. plan.Items.Where(i => Spoken(i) && i.Keep != Keep.Always).Select(Spare)];
        var bears = Things.SelectMany(t => t.SetUpIn.Count > 0 ? [t.Thing] : Array.Empty<string>())
            .Concat(plan.Items.Select(i => PlaceReference.Parse(i.Place, plan.HasItem)?.Item).OfType<string>()).ToHashSet(StringComparer.Ordinal);
        var carries = Carrying();
        // What bears nothing and belongs to a smallest set that some need falls with is missed for certain.
        Things = [.. Things.Where(t => (bears.Contains(t.Thing) || !carries.Contains(t.Thing)) && IsHarmless(Without([t])))];
        bearers = [.. Enumerable.Range(0, Things.Count).Where(i => bears.Contains(Things[i].Thing))];

        SpareThing Spare(Item item)
        {
            var grams = item.WeightG ?? known.GetValueOrDefault(item.Id)?.WeightG;
            string[] setUpIn = [.. plan.Parts.Where(p => p.SetsUp(item.Id)).Select(p => p.Id)];
            return new SpareThing(item.Id, item.Label, grams ?? UsualWeights.Of(item), grams is null, setUpIn,
                new UnpackThing { Item = item.Id, Everywhere = true });
        }
    }

    /// <summary>Things any one of which could stay at home alone.</summary>
    public IReadOnlyList<SpareThing> Things { get; }

    /// <summary>Things that come along whatever the needs say, because somebody wants so.</summary>
    public IReadOnlyList<string> Kept { get; }

    /// <summary>Things no need speaks of, and power and cards, which are reckoned by use.</summary>
    public IReadOnlyList<string> NotJudged { get; }

    /// <summary>Sets of things, by number, that must not stay at home together, each as small as can be; none when these all may.</summary>
    /// <param name="absent">Numbers of things.</param>
    public IReadOnlyList<IReadOnlyList<int>> Conflicts(IReadOnlyList<int> absent) =>
        // Without any of what bears nothing it only gets worse, so of that all is away; of what bears others, all, all but one, one, none:
        // of three and fewer that is every part, of more nobody leaves some such part and is surprised.
        Parts(absent).Select(ConflictsOf).FirstOrDefault(c => c.Count > 0) ?? [];

    private IEnumerable<IReadOnlyList<int>> Parts(IReadOnlyList<int> absent)
    {
        List<int> bearing = [.. absent.Where(bearers.Contains)];
        List<int> others = [.. absent.Where(i => !bearers.Contains(i))];
        yield return absent;
        if (bearing.Count == 0) yield break;
        if (bearing.Count > 1) yield return others;
        foreach (var one in bearing) yield return [.. absent.Where(i => i != one)];
        foreach (var one in bearing.Count > 2 ? bearing : []) yield return [.. others, one];
    }

    private List<IReadOnlyList<int>> ConflictsOf(IReadOnlyList<int> absent)
    {
        var conflicts = new List<IReadOnlyList<int>>();
        var after = Without(absent);
        // One a part: what two needs of a part lack is mostly the same.
        foreach (var part in after.Parts.Where(p => !p.Needs.All(n => Stands(after, p, n))))
        {
            var need = part.Needs.First(n => !Stands(after, part, n)).Need.Id;
            conflicts.Add(Least(absent, some => Falls(Without(some), part.Part.Id, need)));
        }
        if (conflicts.Count == 0 && Breaks(after)) conflicts.Add(Least(absent, some => Breaks(Without(some))));
        return conflicts;
    }

    // Batteries and cards are reckoned by use; of tape and clips no need speaks, of a filter or a stand only where one is used.
    private bool Spoken(Item item) => !item.IsFixed() && item switch
    {
        Filter filter => filter.Stops is not null,
        Support support => support.CarriesCamera || day.Whole.Parts.Any(p => p.SetsUp(item.Id)),
        _ => true,
    };

    private bool Falls(DayAnalysis after, string part, string need) => after.PartOf(part) is { } found
        && !Stands(after, found, found.Needs.First(n => n.Need.Id == need));

    /// <summary>Ids of the things without any one of which some need would have less margin, or hang by one thing more.</summary>
    private HashSet<string> Carrying() =>
    [
        .. day.Parts.SelectMany(p => p.Needs)
            .SelectMany(n => n.Cuts.Where(c => c.Length <= Math.Max(2, n.Margin ?? 0)).SelectMany(c => c))
            .Select(i => day.Kit.Items[i].Id),
    ];

    private bool IsHarmless(DayAnalysis after) => after.Parts.All(p => p.Needs.All(n => Stands(after, p, n))) && !Breaks(after);

    private DayAnalysis Without(IReadOnlyList<int> absent) => Without([.. absent.Select(i => Things[i])]);

    private DayAnalysis Without(IReadOnlyList<SpareThing> absent) =>
        new(EditResult.Tried(day.Whole, [.. absent.Select(t => t.Edit)]) ?? throw new InvalidOperationException("A packed thing could not be unpacked."),
            before: day, cancel: cancel);

    private bool Stands(DayAnalysis after, PartFindings part, NeedFinding need)
    {
        var was = before.First(n => n.Part == part.Part.Id && n.Need == need.Need.Id);
        var now = DayVerdict.Of(after, part, need);
        return now.Outcome <= was.Outcome && now.Strands >= was.Strands && now.SinglePoints.All(was.SinglePoints.Contains);
    }

    // What is left at home may leave its pictures to a thing whose charge, or whose cards, do not reach for them.
    private bool Breaks(DayAnalysis after) =>
        HouseRules.Of(after, day.Whole).Zip(house).Any(r => r.First.Lacking > r.Second.Lacking) || PowerPlans.Lack(after).Size > lacking
        || CardPlans.Lack(after).Size > noRoom;

    /// <summary>A smallest part of a harmful set that does harm still, light things out of it first: what is heavy is worth leaving.</summary>
    private List<int> Least(IReadOnlyList<int> harmful, Func<IReadOnlyList<int>, bool> harms)
    {
        List<int> left = [.. harmful.OrderByDescending(i => Things[i].Grams)];
        // Halves first: most of a large set has nothing to do with the harm.
        for (var size = left.Count / 2; size >= 1; size = size == 1 ? 0 : size / 2)
            for (var from = 0; from < left.Count;)
            {
                var fewer = left.Where((_, i) => i < from || i >= from + size).ToList();
                if (fewer.Count < left.Count && fewer.Count > 0 && harms(fewer)) left = fewer;
                else from += size;
            }
        return left;
    }
}
