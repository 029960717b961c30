using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Reports;

namespace YokePair.Core.Proposals;

/// <summary>
/// The choice of a kit, with the setups as they are, that survives a class of failures: as plain data for a solver, and
/// the analysis as the judge. It rests on one truth, tested as a property: a thing more never makes an outcome worse.
/// So whatever fails with some things fails with fewer, and at least one thing that is missing must come along.
/// </summary>
public sealed class KitProblem
{
    private readonly Plan today;
    private readonly Dictionary<string, Item> locker;
    private readonly KitWish wish;
    private readonly DayAnalysis day;
    private readonly IReadOnlyList<Watched> watched;
    private readonly int[][] growths;

    /// <summary>Prepares it.</summary>
    /// <param name="plan">A plan without <see cref="PlanCheck.Usable"/> problems.</param>
    /// <param name="locker">Things that may come along; of those already packed, weight and value are taken from here where the plan does not say.</param>
    /// <param name="wish">What is wanted.</param>
    public KitProblem(Plan plan, IReadOnlyList<Item> locker, KitWish wish)
    {
        today = plan;
        this.wish = wish;
        this.locker = locker.ToDictionary(i => i.Id, StringComparer.Ordinal);
        var (options, items) = KitOptions.Of(plan, locker, wish);
        Options = options;
        day = new DayAnalysis((wish.SetupsFree ? Unhurried(plan) : plan) with { Items = items });
        watched = [.. day.Plan.Parts.AsParallel().AsOrdered().Select(p => Watch(day.Find(p, withCuts: false), day, wish.Survives, wish.SetupsFree))];
        int[] byCost = [.. Enumerable.Range(0, options.Count).OrderBy(o => options[o].Cost)];
        growths = [byCost, [.. byCost.Reverse()]];
    }

    /// <summary>Everything that may be chosen, by number.</summary>
    public IReadOnlyList<KitOption> Options { get; }

    /// <summary>Limits that hold: option numbers, their grams, and the most there may be.</summary>
    public IEnumerable<(IReadOnlyList<int> Options, double Grams)> Limits => (wish.Limits ?? []).Select(limit =>
    {
        var places = today.Places.Where(p => p.Id == limit.Id || p.Person == limit.Id).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        return ((IReadOnlyList<int>)[.. Enumerable.Range(0, Options.Count).Where(o => places.Contains(Root(Options[o].Place)))], limit.Grams);
    });

    /// <summary>Limits that even what stays in any case exceeds, each with what to do.</summary>
    public static IReadOnlyList<PlanProblem> Unkeepable(Plan plan, IReadOnlyList<Item> locker, KitWish wish) =>
        wish.Limits is not { Count: > 0 } limits ? []
            : [.. new KitProblem(plan, locker, wish with { FromLocker = false, Move = false }) is var problem ? limits.Zip(problem.Limits).SelectMany(l =>
                l.Second.Options.Where(o => problem.Options[o].Fixed).Sum(o => problem.Options[o].Grams) is var stays && stays > l.First.Grams
                    ? [new PlanProblem("limit", FormattableString.Invariant($"for {l.First.Id} is {l.First.Grams / 1000:0.#} kg; batteries, chargers and the rest that is not chosen here weigh {stays / 1000:0.#} kg there. Allow more, or move some of it"))]
                    : Array.Empty<PlanProblem>()) : []];

    /// <summary>Needs that no kit there is to choose from protects, with what they do not survive.</summary>
    public IReadOnlyList<Exposed> Hopeless()
    {
        var all = Enumerable.Repeat(true, Options.Count).ToArray();
        return [.. watched.SelectMany(w => w.Needs.SelectMany(n => FailuresOf(w, n, all).Select(f => new Exposed(w.Part.Part.Id, n.Need.Id, f.Name))))];
    }

    /// <summary>What must be chosen beyond a kit: empty when it survives whatever can be survived.</summary>
    /// <param name="chosen">By option number.</param>
    /// <param name="ignored">Needs, as part and need id, that are not asked about.</param>
    /// <param name="first">Whether the first lack is enough to know.</param>
    public IReadOnlyList<KitClause> Lacks(bool[] chosen, IReadOnlySet<(string Part, string Need)>? ignored = null, bool first = false)
    {
        var clauses = new List<KitClause>();
        foreach (var w in watched)
            foreach (var need in w.Needs)
            {
                if (ignored?.Contains((w.Part.Part.Id, need.Need.Id)) == true) continue;
                foreach (var failure in FailuresOf(w, need, chosen))
                {
                    // What is true of this kit already tells of a failure that nothing there is protects from.
                    var asked = growths.SelectMany(growth => Clauses(w, need, failure, chosen, growth)).Where(c => c.OneOf.Count(o => chosen[o]) < c.AtLeast).ToList();
                    clauses.AddRange(asked);
                    if (asked.Count > 0) break;
                }
                if (first && clauses.Count > 0) return clauses;
            }
        return clauses;
    }

    /// <summary>Every once and must need of a plan with what leaves it late or lost, by the whole report.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="part">Id of the only part to look at; null = all.</param>
    public IReadOnlyList<Exposed> ExposedIn(Plan plan, string? part = null)
    {
        var real = new DayAnalysis(plan);
        return [.. plan.Parts.Where(p => part is null || p.Id == part).Select(p => Watch(real.Find(p, withCuts: false), real, wish.Survives, bare: false)).SelectMany(w => w.Needs.SelectMany(n => FailuresOf(real, w, n, (bool[])w.Part.Failed.Clone()).Select(f => new Exposed(w.Part.Part.Id, n.Need.Id, f.Name))))];
    }

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
            changes.Add(new KitChange(thing.Key, (today.Items.FirstOrDefault(i => i.Id == thing.Key) ?? locker[thing.Key]).Label, was?.Place, now?.Place, option.Grams, edit));
        }
        // What leaves may carry what stays, so the things that lie on others go first.
        return [.. changes.OrderBy(c => c.To is null ? 0 : c.From is null ? 2 : 1).ThenBy(c => c.From?.StartsWith('@') == true ? 0 : 1).ThenByDescending(c => c.Grams)];
    }

    private string Root(string place)
    {
        for (var hops = 0; place.StartsWith('@') && hops <= today.Items.Count; hops++)
            if (PlaceReference.Parse(place, id => today.Items.Any(i => i.Id == id)) is { } on && today.Items.FirstOrDefault(i => i.Id == on.Item)?.Place is { } next) place = next;
            else break;
        return place;
    }

    /// <summary>
    /// An outer bound of every choice of setups: no handling takes time, and whatever is in reach is at hand. What fails
    /// even so fails with any setups.
    /// </summary>
    private static Plan Unhurried(Plan plan) => plan with
    {
        Rules = plan.Rules with
        {
            Seconds = new HandlingSeconds { Raise = 0, ChangeLens = 0, FitAdapter = 0, ChangeBattery = 0, ChangeCard = 0, FitFlash = 0, Borrow = 0, FitSupport = 0, FitFilter = 0, PlaceLight = 0 },
        },
        People = [.. plan.People.Select(p => p with { HandOverSeconds = null })],
        Places = [.. plan.Places.Select(p => p with { ReachSeconds = 0 })],
        Parts = [.. plan.Parts.Select(p => p with { ReachSeconds = null })],
    };

    private static Watched Watch(PartFindings part, DayAnalysis day, FailureClass survives, bool bare)
    {
        var losses = new List<Loss>();
        if (survives >= FailureClass.Rig) losses.AddRange(bare ? Losses.BareRigs(day.Kit) : Losses.Rigs(day.Kit));
        if (survives >= FailureClass.Bag) losses.AddRange(Losses.Places(day.Plan));
        return new Watched(part, survives >= FailureClass.Item, [.. losses.Select(l => new Failing(l.Name, l.Goes!(part)))], [.. part.Needs.Where(n => n.Need.Importance != Importance.Nice)]);
    }

    private IEnumerable<Failing> FailuresOf(Watched w, NeedFinding need, bool[] chosen)
    {
        var failed = (bool[])w.Part.Failed.Clone();
        for (var i = 0; i < failed.Length; i++) failed[i] |= !chosen[i];
        return FailuresOf(day, w, need, failed, Options);
    }

    /// <summary>Failures a need does not survive: only those that hit the ways one would take need be tried. A thing with several options fails in all of them.</summary>
    private static IEnumerable<Failing> FailuresOf(DayAnalysis day, Watched w, NeedFinding need, bool[] failed, IReadOnlyList<KitOption>? options = null)
    {
        var (outcome, used) = day.Rests(need, failed);
        if (!outcome.IsMet())
        {
            yield return new Failing(null, []);
            yield break;
        }
        IEnumerable<Failing> single = w.Items ? used.Select(i => new Failing(day.Kit.Items[i].Label, options is null ? [i] : [.. Enumerable.Range(0, options.Count).Where(o => options[o].Thing == options[i].Thing)])) : [];
        foreach (var failing in single.Concat(w.Losses.Where(l => l.Items.Any(used.Contains))))
        {
            int[] gone = [.. failing.Items.Where(i => !failed[i])];
            foreach (var i in gone) failed[i] = true;
            var met = day.Left(need, failed).Outcome.IsMet();
            foreach (var i in gone) failed[i] = false;
            if (!met) yield return failing;
        }
    }

    /// <summary>The largest kit that still fails tells the fewest things of which one must come along; each failure of the class then asks one that it does not hit.</summary>
    private IEnumerable<KitClause> Clauses(Watched w, NeedFinding need, Failing failure, bool[] chosen, int[] growth)
    {
        var failed = (bool[])w.Part.Failed.Clone();
        for (var i = 0; i < failed.Length; i++) failed[i] |= !chosen[i];
        foreach (var i in failure.Items) failed[i] = true;
        foreach (var i in growth)
        {
            if (!failed[i] || w.Part.Failed[i]) continue;
            failed[i] = false;
            if (day.Left(need, failed).Outcome.IsMet()) failed[i] = true;
        }
        int[] cut = [.. Enumerable.Range(0, failed.Length).Where(i => failed[i] && !w.Part.Failed[i])];
        if (cut.Length == 0) yield break;
        int[] free = [.. cut.Where(o => !Options[o].Fixed)];
        var kept = cut.Length - free.Length;
        var things = cut.Select(o => Options[o].Thing).Distinct(StringComparer.Ordinal).Count();
        var atLeast = w.Items && things > 1 ? 2 : 1;
        if (kept < atLeast && free.Length > 0) yield return new KitClause(w.Part.Part.Id, need.Need.Id, free, atLeast - kept);
        foreach (var loss in w.Losses)
        {
            int[] left = [.. cut.Except(loss.Items)];
            if (left.Length > 0 && left.Length < cut.Length && left.All(o => !Options[o].Fixed)) yield return new KitClause(w.Part.Part.Id, need.Need.Id, left, 1);
        }
    }

    /// <summary>A part whose once and must needs are watched.</summary>
    private sealed record Watched(PartFindings Part, bool Items, IReadOnlyList<Failing> Losses, IReadOnlyList<NeedFinding> Needs);

    /// <summary>Things that go together; no name where nothing goes.</summary>
    private sealed record Failing(string? Name, int[] Items);
}
