using YokePair.Core.Editing;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;

namespace YokePair.Core.Advice;

/// <summary>
/// The choice of a kit, with the setups as they are, that survives a class of failures, breaks no rule of the house further than it must,
/// and leaves nobody who photographs without a camera: as plain data for a solver, and the analysis as the judge.
/// </summary>
public sealed class KitProblem
{
    private readonly Plan today;
    private readonly Dictionary<string, Item> locker;
    private readonly KitJudge judge;
    private readonly bool free;
    private readonly HashSet<AskedNeed> hopeless;

    /// <summary>Where the house asks that the lead alone could do it: the same of the lead alone, nothing failing.</summary>
    private readonly KitJudge? lead;

    /// <summary>Prepares it.</summary>
    /// <param name="plan">A plan without <see cref="PlanCheck.Usable"/> problems.</param>
    /// <param name="locker">Things that may come along; of those already packed, weight and value are taken from here where the plan does not say.</param>
    /// <param name="wish">What is wanted.</param>
    public KitProblem(Plan plan, IReadOnlyList<Item> locker, KitWish wish)
    {
        today = plan;
        this.locker = locker.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var (options, items) = KitOptions.Of(plan, locker, wish);
        Options = options;
        judge = new KitJudge(plan, options, items, wish);
        if (HouseRules.AsksForLeadAlone(plan)) lead = new KitJudge(HouseRules.LeadAlone(plan), options, items,
            wish with { Survives = FailureClass.None }, alone: true);
        (free, hopeless) = (wish.SetupsFree, Judges.SelectMany(j => j.Hopeless).ToHashSet());
        House = [.. KitHouse.Of(plan, options, items, wish.SetupsFree)];
        Limits = [.. (wish.Limits ?? []).Select(limit =>
        {
            var places = plan.Places.Where(p => p.Id == limit.Id || p.Person == limit.Id).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
            return ((IReadOnlyList<int>)[.. Enumerable.Range(0, options.Count).Where(o => judge.PackedIn(o) is { } place && places.Contains(place))],
                limit.Grams);
        })];
    }

    /// <summary>Everything that may be chosen, by number.</summary>
    public IReadOnlyList<KitOption> Options { get; }

    /// <summary>What the rules of the house and every photographer ask of a kit, each as it can be had at all.</summary>
    public IReadOnlyList<KitBound> House { get; }

    /// <summary>Limits that hold: option numbers, their grams, and the most there may be.</summary>
    public IReadOnlyList<(IReadOnlyList<int> Options, double Grams)> Limits { get; }

    /// <summary>Limits that even what stays in any case exceeds, each with what to do.</summary>
    public static IReadOnlyList<PlanProblem> Unkeepable(Plan plan, IReadOnlyList<Item> locker, KitWish wish) =>
        wish.Limits is not { Count: > 0 } limits ? []
            : [.. new KitProblem(plan, locker, wish with { FromLocker = false, Move = false }) is var problem ? limits.Zip(problem.Limits).SelectMany(l =>
                l.Second.Options.Where(o => problem.Options[o].Fixed).Sum(o => problem.Options[o].Grams) is var stays && stays > l.First.Grams
                    ? [new PlanProblem("limit",
                        $"for {l.First.Id} is {Weight(l.First.Grams)}; batteries, chargers and the rest that is not chosen here weigh {Weight(stays)} there. "
                            + $"Allow more, or move some of it")]
                    : Array.Empty<PlanProblem>()) : []];

    /// <summary>Needs that do not survive everything asked even with all there is along.</summary>
    public IReadOnlySet<AskedNeed> Hopeless => hopeless;

    /// <summary>What must be chosen beyond a kit: empty when it survives whatever can be survived.</summary>
    /// <param name="chosen">By option number.</param>
    /// <param name="ignored">Needs that are not asked about.</param>
    /// <param name="first">Whether the first lack is enough to know.</param>
    public IReadOnlyList<KitClause> Lacks(bool[] chosen, IReadOnlySet<AskedNeed>? ignored = null, bool first = false)
    {
        var lacks = Judges.SelectMany(j => j.Lacks(chosen, ignored));
        return [.. first ? lacks.Take(1) : lacks];
    }

    /// <summary>
    /// Needs that a plan leaves worse than they are with everything along, by the whole report. With setups free, what does not survive
    /// everything even so is asked for its outcome alone: of all glass in all hands nobody knows what else it could survive.
    /// </summary>
    /// <param name="plan">The plan.</param>
    /// <param name="part">Id of the only part to look at; null = all.</param>
    public IEnumerable<AskedNeed> WorseIn(Plan plan, string? part = null)
    {
        foreach (var (need, loss) in judge.ExposedIn(plan, part))
            if (!free || loss is null || !hopeless.Contains(need)) yield return need;
        foreach (var (need, _) in lead?.ExposedIn(HouseRules.LeadAlone(plan), part) ?? []) yield return need;
    }

    /// <summary>Every once and must need of a plan with what leaves it late or lost, by the whole report.</summary>
    public IReadOnlyList<ExposedNeed> ExposedIn(Plan plan) => [.. judge.ExposedIn(plan,
        whatever: true).Select(e => new ExposedNeed(e.Need.Part, e.Need.Need, e.Loss))];

    private IEnumerable<KitJudge> Judges => lead is null ? [judge] : [judge, lead];

    /// <summary>Sums of a kit.</summary>
    public KitTotals Totals(bool[] chosen)
    {
        var taken = Options.Where((_, o) => chosen[o]).ToList();
        return new KitTotals(taken.Count, taken.Sum(o => o.Grams), taken.Sum(o => o.Value), taken.Count(o => o.Grams == 0));
    }

    /// <summary>What leads from today's kit to another: what stays at home, what moves, what comes along.</summary>
    public IReadOnlyList<KitChange> Changes(bool[] chosen)
    {
        var changes = new List<KitChange>();
        foreach (var thing in Options.Select((option, at) => (Option: option, At: at)).GroupBy(x => x.Option.Thing))
        {
            var was = thing.Where(x => x.Option.Today).Select(x => x.Option).FirstOrDefault();
            var now = thing.Where(x => chosen[x.At]).Select(x => x.Option).FirstOrDefault();
            if (was == now) continue;
            var option = now ?? was!;
            PlanEdit edit = now is null ? new UnpackThing { Item = thing.Key, Everywhere = true }
                : was is null ? new PackThing { Thing = thing.Key, Place = now.Place, Found = locker.GetValueOrDefault(thing.Key) }
                : new MoveItem { Item = thing.Key, Place = now.Place };
            changes.Add(new KitChange(thing.Key, (today.ItemOf(thing.Key) ?? locker[thing.Key]).Label, was?.Place, now?.Place, option.Grams, edit));
        }
        // What leaves may carry what stays, so the things that lie on others go first.
        return [.. changes.OrderBy(c => c.To is null ? 0 : c.From is null ? 2 : 1).ThenBy(c => c.From?.StartsWith('@') == true ? 0 : 1)
            .ThenByDescending(c => c.Grams)];
    }

    private static string Weight(double grams) => FormattableString.Invariant($"{grams / 1000:0.#} kg ({grams / 453.6:0.#} lb)");
}
