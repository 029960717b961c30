using YokePair.Core.Failure;
using YokePair.Core.Plans;

namespace YokePair.Core.Advice;

/// <summary>
/// What a kit fails, by the analysis, and what must be chosen for it not to. It rests on one truth, tested as a property: a thing more
/// never makes an outcome worse, as long as every other stays where it is. So whatever fails with some things fails with fewer, and at
/// least one thing that is missing must come along, or one that keeps another away must stay at home. What is not met, or not survived,
/// even with everything along is asked to become no worse than it then is.
/// </summary>
internal sealed class KitJudge
{
    private readonly KitWish wish;
    private readonly bool alone;
    private readonly IReadOnlyList<KitOption> options;
    private readonly KitVariants variants;
    private readonly DayAnalysis day;
    private readonly IReadOnlyList<Watched> watched;
    private readonly int[][] growths;
    private readonly bool[] open;
    private readonly bool[] all;

    /// <summary>By need and failure, what becomes of it even with everything along; what is not here is met.</summary>
    private readonly Dictionary<(AskedNeed Need, string? Failure), Outcome> allowed;

    /// <summary>Prepares it.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="options">What may be chosen.</param>
    /// <param name="items">By option, the item it stands for in a plan that holds them all.</param>
    /// <param name="wish">What is wanted.</param>
    /// <param name="alone">Whether what is asked is asked of the lead alone.</param>
    public KitJudge(Plan plan, IReadOnlyList<KitOption> options, IReadOnlyList<Item> items, KitWish wish, bool alone = false)
    {
        (this.options, this.wish, this.alone) = (options, wish, alone);
        variants = new KitVariants(plan, options, items);
        var everything = plan with { Items = variants.Items, Pairs = Pairs(plan), PairsAtHome = null };
        day = new DayAnalysis(wish.SetupsFree ? SetupBounds.Unhurried(everything) : everything);
        watched = [.. day.Plan.Parts.AsParallel().AsOrdered().Select((p, at) => Watch(at, day.PartOf(p.Id)!, day, wish.SetupsFree))];
        open = new bool[options.Count];
        if (wish.SetupsFree) Array.Fill(open, true);
        all = [.. Enumerable.Repeat(true, options.Count)];
        allowed = [];
        foreach (var w in watched)
            foreach (var need in w.Needs)
                foreach (var (failure, outcome) in FailuresOf(w, need, Gone(w, all))) allowed[(Asked(w, need), failure.Key)] = outcome;
        int[] byCost = [.. Enumerable.Range(0, options.Count).OrderBy(o => options[o].Cost)];
        growths = [byCost, [.. byCost.Reverse()]];
    }

    /// <summary>Id of the place an option's thing is packed in, through all that it lies on.</summary>
    public string? PackedIn(int option) => day.Kit.PackedIn(option);

    /// <summary>Needs that do not survive everything asked even with all there is along.</summary>
    public IEnumerable<AskedNeed> Hopeless => allowed.Keys.Select(k => k.Need);

    /// <summary>What must be chosen beyond a kit: nothing when it survives whatever can be survived.</summary>
    /// <param name="chosen">By option number.</param>
    /// <param name="ignored">Needs that are not asked about.</param>
    public IEnumerable<KitClause> Lacks(bool[] chosen, IReadOnlySet<AskedNeed>? ignored)
    {
        foreach (var w in watched)
        {
            var gone = Gone(w, chosen);
            foreach (var need in w.Needs)
            {
                if (ignored?.Contains(Asked(w, need)) == true) continue;
                foreach (var (failure, _) in FailuresOf(w, need, gone))
                {
                    List<KitClause> clauses = [.. growths.SelectMany(growth => Clauses(w, need, failure, chosen, growth)).Where(c => !c.IsMet(chosen))];
                    if (clauses.Count == 0 && !wish.SetupsFree && Clause(w, need, failure, chosen) is var own && !own.IsMet(chosen)) clauses.Add(own);
                    foreach (var clause in clauses) yield return clause;
                    if (clauses.Count > 0) break;
                }
            }
        }
    }

    /// <summary>Every need asked about with what leaves it worse than with everything along, by the whole report on a plan.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="part">Id of the only part to look at; null = all.</param>
    /// <param name="whatever">Whether what is no better with everything along is told as well.</param>
    public IEnumerable<(AskedNeed Need, LossKey? Loss)> ExposedIn(Plan plan, string? part = null, bool whatever = false)
    {
        var real = new DayAnalysis(plan);
        return from w in plan.Parts.Where(p => part is null || p.Id == part).Select((p, at) => Watch(at, real.PartOf(p.Id)!, real, bare: false))
               from need in w.Needs
               from found in FailuresOf(real, w, need, [.. w.Part.Failed],
                   i => new Failing(real.Kit.Items[i].Id, new LossKey(LossKind.Item, real.Kit.Items[i].Id), [i]), whatever)
               select (Asked(w, need), found.Failing.Loss);
    }

    /// <summary>What the owner knows of two things holds wherever they are packed.</summary>
    private List<PairRule> Pairs(Plan plan) =>
    [
        .. from pair in plan.KnownPairs()
           from a in Ids(pair.A)
           from b in Ids(pair.B)
           select pair with { A = a, B = b },
    ];

    private IEnumerable<string> Ids(string thing) => Enumerable.Range(0,
        variants.Items.Count).Where(i => options[variants.Owner[i]].Thing == thing).Select(i => variants.Items[i].Id);

    private Watched Watch(int number, PartFindings part, DayAnalysis day, bool bare)
    {
        var losses = new List<Loss>();
        if (wish.Survives >= FailureClass.Rig) losses.AddRange(bare ? Losses.BareRigs(day.Kit) : Losses.Rigs(day.Kit));
        if (wish.Survives >= FailureClass.Bag) losses.AddRange(Losses.Places(day.Plan));
        return new Watched(number, part, wish.Survives >= FailureClass.Item,
            [.. losses.Select(l => new Failing($"{l.Kind} {l.Id}", new LossKey(l.Kind, l.Id), l.ItemsIn!(part.Ways.Layout)))],
            [.. part.Needs.Where(n => n.Need.Importance != Importance.Nice)]);
    }

    /// <summary>By item number, what is not there with a kit.</summary>
    private bool[] Gone(Watched w, bool[] chosen, bool[]? asIf = null)
    {
        var gone = variants.Gone(w.Number, chosen, asIf ?? open);
        for (var i = 0; i < gone.Length; i++) gone[i] |= w.Part.Failed[i];
        return gone;
    }

    private AskedNeed Asked(Watched w, NeedFinding need) => new(w.Part.Part.Id, need.Need.Id, alone);

    private Outcome Allowed(Watched w, NeedFinding need, string? failure) => allowed.GetValueOrDefault((Asked(w, need), failure), Outcome.Thins);

    private IEnumerable<(Failing Failing, Outcome Outcome)> FailuresOf(Watched w, NeedFinding need, bool[] gone) => FailuresOf(day, w, need, gone,
        i => new Failing(options[variants.Owner[i]].Thing, new LossKey(LossKind.Item, options[variants.Owner[i]].Thing), variants.Variants[variants.Owner[i]]));

    /// <summary>Failures that leave a need worse than they may: only those that hit the ways one would take need be tried.</summary>
    private IEnumerable<(Failing Failing, Outcome Outcome)> FailuresOf(
        DayAnalysis of, Watched w, NeedFinding need, bool[] failed, Func<int, Failing> failureOf, bool whatever = false)
    {
        var (outcome, used) = of.LeftWithItems(need, failed);
        var most = whatever ? Outcome.Thins : Allowed(w, need, null);
        if (outcome > most) yield return (new Failing(null, null, []), outcome);
        // What is not met anyway survives nothing more.
        if (outcome > most || !most.IsMet()) yield break;
        foreach (var failing in (w.Items ? used.Select(failureOf) : []).Concat(w.Losses.Where(l => l.Items.Any(used.Contains))))
        {
            int[] gone = [.. failing.Items.Where(i => !failed[i])];
            foreach (var i in gone) failed[i] = true;
            var left = of.Left(need, failed).Outcome;
            foreach (var i in gone) failed[i] = false;
            if (left > (whatever ? Outcome.Thins : Allowed(w, need, failing.Key))) yield return (failing, left);
        }
    }

    /// <summary>
    /// Clauses true of every kit, whatever it leaves at home: where everything is wherever it could be, the largest kit
    /// that still fails tells the fewest things of which one must come along; each failure of the class then asks one that
    /// it does not hit.
    /// </summary>
    private IEnumerable<KitClause> Clauses(Watched w, NeedFinding need, Failing failure, bool[] chosen, int[] growth)
    {
        var most = Allowed(w, need, failure.Key);
        if (LargestFailing(w, need, failure, chosen, growth, most) is not { } failed) yield break;
        int[] lacking = [.. Enumerable.Range(0, failed.Length).Where(i => failed[i] && !w.Part.Failed[i])];
        var things = lacking.Select(i => options[variants.Owner[i]].Thing).Distinct(StringComparer.Ordinal).ToList();
        var spared = things.Exists(thing => !IsAsked(thing));
        if (w.Items && things.Count > 1 && !spared)
        {
            if (AnyOf(lacking, 2) is { } two) yield return two;
        }
        else
        {
            if (AnyOf(lacking) is { } one) yield return one;
            foreach (var thing in w.Items && things.Count > 1 ? things : [])
                if (IsAsked(thing) && AnyOf(lacking.Where(i => options[variants.Owner[i]].Thing != thing)) is { } other) yield return other;
        }
        foreach (var loss in w.Losses)
            if (IsAsked(loss.Key) && lacking.Any(loss.Items.Contains) && AnyOf(lacking.Except(loss.Items)) is { } left) yield return left;

        // What a failure may do anyway it need not be kept from doing; what is not met survives nothing.
        bool IsAsked(string? other) => Allowed(w, need, null).IsMet() && Allowed(w, need, other) <= most;

        // What stays in any case is chosen already.
        KitClause? AnyOf(IEnumerable<int> some, int atLeast = 1)
        {
            int[] owners = [.. some.Select(i => variants.Owner[i]).Distinct()];
            int[] free = [.. owners.Where(o => !options[o].Fixed)];
            var stay = owners.Length - free.Length;
            return free.Length > 0 && stay < atLeast ? new KitClause(Asked(w, need), free, atLeast - stay, []) : null;
        }
    }

    /// <summary>By item number, what a kit that still fails lacks when it cannot grow any more; null where this one does not fail.</summary>
    private bool[]? LargestFailing(Watched w, NeedFinding need, Failing failure, bool[] chosen, int[] growth, Outcome most)
    {
        var failed = Gone(w, chosen, all);
        foreach (var i in failure.Items) failed[i] = true;
        if (day.Left(need, failed).Outcome <= most) return null;
        foreach (var o in growth)
        {
            int[] back = [.. variants.Variants[o].Where(i => variants.Owner[i] == o && failed[i] && !w.Part.Failed[i])];
            if (back.Length == 0) continue;
            foreach (var i in back) failed[i] = false;
            if (day.Left(need, failed).Outcome <= most)
                foreach (var i in back) failed[i] = true;
        }
        return failed;
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
        return new KitClause(Asked(w, need), [.. Enumerable.Range(0, kit.Length).Where(o => !kit[o])], 1, [.. bearers.Where(o => kit[o] && !either[o])]);

        bool Fails()
        {
            var failed = Gone(w, kit, either);
            foreach (var i in failure.Items) failed[i] = true;
            return day.Left(need, failed).Outcome > Allowed(w, need, failure.Key);
        }
    }

    /// <summary>A part whose once and must needs are watched.</summary>
    private sealed record Watched(int Number, PartFindings Part, bool Items, IReadOnlyList<Failing> Losses, IReadOnlyList<NeedFinding> Needs);

    /// <summary>Things that go together; no name where nothing goes.</summary>
    private sealed record Failing(string? Key, LossKey? Loss, int[] Items);
}
