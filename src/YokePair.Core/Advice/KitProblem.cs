using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>
/// The choice of a kit, with the setups as they are, that survives a class of failures: as plain data for a solver, and
/// the analysis as the judge. It rests on one truth, tested as a property: a thing more never makes an outcome worse, as
/// long as every other stays where it is. So whatever fails with some things fails with fewer, and at least one thing that
/// is missing must come along, or one that keeps another away must stay at home.
/// </summary>
public sealed class KitProblem
{
    private readonly Plan today;
    private readonly Dictionary<string, Item> locker;
    private readonly KitWish wish;
    private readonly KitVariants variants;
    private readonly DayAnalysis day;
    private readonly IReadOnlyList<Watched> watched;
    private readonly int[][] growths;
    private readonly bool[] open;
    private readonly bool[] all;
    private readonly HashSet<(int Part, string Need, string? Failure)> excused;

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
        variants = new KitVariants(plan, options, items);
        var everything = plan with { Items = variants.Items, Pairs = Pairs(plan), PairsAtHome = null };
        day = new DayAnalysis(wish.SetupsFree ? SetupBounds.Unhurried(everything) : everything);
        watched = [.. day.Plan.Parts.AsParallel().AsOrdered().Select((p, at) => Watch(at, day.PartOf(p.Id)!, day, wish.Survives, wish.SetupsFree))];
        open = new bool[options.Count];
        if (wish.SetupsFree) Array.Fill(open, true);
        all = [.. Enumerable.Repeat(true, options.Count)];
        Limits = [.. (wish.Limits ?? []).Select(limit =>
        {
            var places = plan.Places.Where(p => p.Id == limit.Id || p.Person == limit.Id).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
            return ((IReadOnlyList<int>)[.. Enumerable.Range(0, options.Count).Where(o => day.Kit.PackedIn(o) is { } place && places.Contains(place))], limit.Grams);
        })];
        excused = watched.SelectMany(w => w.Needs.SelectMany(n => FailuresOf(w, n, Gone(w, all)).Select(f => (w.Number, n.Need.Id, f.Key)))).ToHashSet();
        int[] byCost = [.. Enumerable.Range(0, options.Count).OrderBy(o => options[o].Cost)];
        growths = [byCost, [.. byCost.Reverse()]];
    }

    /// <summary>Everything that may be chosen, by number.</summary>
    public IReadOnlyList<KitOption> Options { get; }

    /// <summary>Limits that hold: option numbers, their grams, and the most there may be.</summary>
    public IReadOnlyList<(IReadOnlyList<int> Options, double Grams)> Limits { get; }

    /// <summary>Limits that even what stays in any case exceeds, each with what to do.</summary>
    public static IReadOnlyList<PlanProblem> Unkeepable(Plan plan, IReadOnlyList<Item> locker, KitWish wish) =>
        wish.Limits is not { Count: > 0 } limits ? []
            : [.. new KitProblem(plan, locker, wish with { FromLocker = false, Move = false }) is var problem ? limits.Zip(problem.Limits).SelectMany(l =>
                l.Second.Options.Where(o => problem.Options[o].Fixed).Sum(o => problem.Options[o].Grams) is var stays && stays > l.First.Grams
                    ? [new PlanProblem("limit", $"for {l.First.Id} is {Weight(l.First.Grams)}; batteries, chargers and the rest that is not chosen here weigh {Weight(stays)} there. Allow more, or move some of it")]
                    : Array.Empty<PlanProblem>()) : []];

    /// <summary>Needs, as part and need id, that do not survive everything asked even with all there is along.</summary>
    public IReadOnlySet<(string Part, string Need)> Hopeless => excused.Select(e => (watched[e.Part].Part.Part.Id, e.Need)).ToHashSet();

    /// <summary>What must be chosen beyond a kit: empty when it survives whatever can be survived.</summary>
    /// <param name="chosen">By option number.</param>
    /// <param name="ignored">Needs, as part and need id, that are not asked about.</param>
    /// <param name="first">Whether the first lack is enough to know.</param>
    public IReadOnlyList<KitClause> Lacks(bool[] chosen, IReadOnlySet<(string Part, string Need)>? ignored = null, bool first = false)
    {
        var clauses = new List<KitClause>();
        foreach (var w in watched)
        {
            var gone = Gone(w, chosen);
            foreach (var need in w.Needs)
            {
                if (ignored?.Contains((w.Part.Part.Id, need.Need.Id)) == true) continue;
                foreach (var failure in FailuresOf(w, need, gone))
                {
                    if (excused.Contains((w.Number, need.Need.Id, failure.Key))) continue;
                    var before = clauses.Count;
                    foreach (var growth in growths) clauses.AddRange(Clauses(w, need, failure, chosen, growth).Where(c => !c.IsMet(chosen)));
                    if (clauses.Count == before && !wish.SetupsFree && Clause(w, need, failure, chosen) is var own && !own.IsMet(chosen)) clauses.Add(own);
                    if (clauses.Count > before) break;
                }
                if (first && clauses.Count > 0) return clauses;
            }
        }
        return clauses;
    }

    /// <summary>Every once and must need of a plan with what leaves it late or lost, by the whole report.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="part">Id of the only part to look at; null = all.</param>
    public IReadOnlyList<ExposedNeed> ExposedIn(Plan plan, string? part = null)
    {
        var real = new DayAnalysis(plan);
        return
        [
            .. from w in plan.Parts.Where(p => part is null || p.Id == part).Select((p, at) => Watch(at, real.PartOf(p.Id)!, real, wish.Survives, bare: false))
               from need in w.Needs
               from failure in FailuresOf(real, w, need, [.. w.Part.Failed], i => new Failing(real.Kit.Items[i].Id, new LossKey(LossKind.Item, real.Kit.Items[i].Id), [i]))
               select new ExposedNeed(w.Part.Part.Id, need.Need.Id, failure.Loss),
        ];
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
            changes.Add(new KitChange(thing.Key, (today.ItemOf(thing.Key) ?? locker[thing.Key]).Label, was?.Place, now?.Place, option.Grams, edit));
        }
        // What leaves may carry what stays, so the things that lie on others go first.
        return [.. changes.OrderBy(c => c.To is null ? 0 : c.From is null ? 2 : 1).ThenBy(c => c.From?.StartsWith('@') == true ? 0 : 1).ThenByDescending(c => c.Grams)];
    }

    private static string Weight(double grams) => FormattableString.Invariant($"{grams / 1000:0.#} kg ({grams / 453.6:0.#} lb)");

    /// <summary>What the owner knows of two things holds wherever they are packed.</summary>
    private List<PairRule> Pairs(Plan plan) =>
    [
        .. from pair in plan.KnownPairs()
           from a in Ids(pair.A)
           from b in Ids(pair.B)
           select pair with { A = a, B = b },
    ];

    private IEnumerable<string> Ids(string thing) => Enumerable.Range(0, variants.Items.Count).Where(i => Options[variants.Owner[i]].Thing == thing).Select(i => variants.Items[i].Id);

    private static Watched Watch(int number, PartFindings part, DayAnalysis day, FailureClass survives, bool bare)
    {
        var losses = new List<Loss>();
        if (survives >= FailureClass.Rig) losses.AddRange(bare ? Losses.BareRigs(day.Kit) : Losses.Rigs(day.Kit));
        if (survives >= FailureClass.Bag) losses.AddRange(Losses.Places(day.Plan));
        return new Watched(number, part, survives >= FailureClass.Item, [.. losses.Select(l => new Failing($"{l.Kind} {l.Id}", new LossKey(l.Kind, l.Id), l.ItemsIn!(part.Ways.Layout)))], [.. part.Needs.Where(n => n.Need.Importance != Importance.Nice)]);
    }

    /// <summary>By item number, what is not there with a kit.</summary>
    private bool[] Gone(Watched w, bool[] chosen, bool[]? asIf = null)
    {
        var gone = variants.Gone(w.Number, chosen, asIf ?? open);
        for (var i = 0; i < gone.Length; i++) gone[i] |= w.Part.Failed[i];
        return gone;
    }

    private IEnumerable<Failing> FailuresOf(Watched w, NeedFinding need, bool[] gone) =>
        FailuresOf(day, w, need, gone, i => new Failing(Options[variants.Owner[i]].Thing, new LossKey(LossKind.Item, Options[variants.Owner[i]].Thing), variants.Variants[variants.Owner[i]]));

    /// <summary>Failures a need does not survive: only those that hit the ways one would take need be tried.</summary>
    private static IEnumerable<Failing> FailuresOf(DayAnalysis day, Watched w, NeedFinding need, bool[] failed, Func<int, Failing> failureOf)
    {
        var (outcome, used) = day.LeftWithItems(need, failed);
        if (!outcome.IsMet())
        {
            yield return new Failing(null, null, []);
            yield break;
        }
        foreach (var failing in (w.Items ? used.Select(failureOf) : []).Concat(w.Losses.Where(l => l.Items.Any(used.Contains))))
        {
            int[] gone = [.. failing.Items.Where(i => !failed[i])];
            foreach (var i in gone) failed[i] = true;
            var met = day.Left(need, failed).Outcome.IsMet();
            foreach (var i in gone) failed[i] = false;
            if (!met) yield return failing;
        }
    }

    /// <summary>
    /// Clauses true of every kit, whatever it leaves at home: where everything is wherever it could be, the largest kit
    /// that still fails tells the fewest things of which one must come along; each failure of the class then asks one that
    /// it does not hit.
    /// </summary>
    private IEnumerable<KitClause> Clauses(Watched w, NeedFinding need, Failing failure, bool[] chosen, int[] growth)
    {
        var failed = Gone(w, chosen, all);
        foreach (var i in failure.Items) failed[i] = true;
        if (day.Left(need, failed).Outcome.IsMet()) yield break;
        foreach (var o in growth)
        {
            int[] back = [.. variants.Variants[o].Where(i => variants.Owner[i] == o && failed[i] && !w.Part.Failed[i])];
            if (back.Length == 0) continue;
            foreach (var i in back) failed[i] = false;
            if (day.Left(need, failed).Outcome.IsMet())
                foreach (var i in back) failed[i] = true;
        }
        int[] lacking = [.. Enumerable.Range(0, failed.Length).Where(i => failed[i] && !w.Part.Failed[i])];
        var things = lacking.Select(i => Options[variants.Owner[i]].Thing).Distinct(StringComparer.Ordinal).ToList();
        var spared = things.Exists(thing => excused.Contains((w.Number, need.Need.Id, thing)));
        if (w.Items && things.Count > 1 && !spared)
        {
            if (AnyOf(lacking, 2) is { } two) yield return two;
        }
        else
        {
            if (AnyOf(lacking) is { } one) yield return one;
            foreach (var thing in w.Items && things.Count > 1 ? things : [])
                if (!excused.Contains((w.Number, need.Need.Id, thing)) && AnyOf(lacking.Where(i => Options[variants.Owner[i]].Thing != thing)) is { } other) yield return other;
        }
        foreach (var loss in w.Losses)
            if (!excused.Contains((w.Number, need.Need.Id, loss.Key)) && lacking.Any(loss.Items.Contains) && AnyOf(lacking.Except(loss.Items)) is { } left) yield return left;

        // What stays in any case is chosen already.
        KitClause? AnyOf(IEnumerable<int> some, int atLeast = 1)
        {
            int[] options = [.. some.Select(i => variants.Owner[i]).Distinct()], free = [.. options.Where(o => !Options[o].Fixed)];
            return free.Length > 0 && options.Length - free.Length < atLeast ? new KitClause(w.Part.Part.Id, need.Need.Id, free, atLeast - options.Length + free.Length, []) : null;
        }
    }

    /// <summary>A clause true of the kits that leave the same at home of what holds or bears other things, as far as that matters here.</summary>
    private KitClause Clause(Watched w, NeedFinding need, Failing failure, bool[] chosen)
    {
        bool[] kit = [.. chosen];
        bool[] either = [.. open];
        var bearers = variants.Bearers(w.Number).ToHashSet();
        foreach (var o in bearers)
        {
            if (!kit[o]) continue;
            either[o] = true;
            either[o] = Fails();
        }
        foreach (var o in growths[0])
        {
            if (kit[o]) continue;
            // What holds others may come along only if it makes no difference whether it does.
            (kit[o], either[o]) = (true, bearers.Contains(o));
            if (!Fails()) (kit[o], either[o]) = (false, open[o]);
        }
        return new KitClause(w.Part.Part.Id, need.Need.Id, [.. Enumerable.Range(0, kit.Length).Where(o => !kit[o])], 1, [.. bearers.Where(o => kit[o] && !either[o])]);

        bool Fails()
        {
            var failed = Gone(w, kit, either);
            foreach (var i in failure.Items) failed[i] = true;
            return !day.Left(need, failed).Outcome.IsMet();
        }
    }

    /// <summary>A part whose once and must needs are watched.</summary>
    private sealed record Watched(int Number, PartFindings Part, bool Items, IReadOnlyList<Failing> Losses, IReadOnlyList<NeedFinding> Needs);

    /// <summary>Things that go together; no name where nothing goes.</summary>
    private sealed record Failing(string? Key, LossKey? Loss, int[] Items);
}
