using System.Collections.Concurrent;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;

namespace YokePair.Core.Advice;

/// <summary>
/// The choice of glass for every hand in some parts of a day so that every need is met with the fewest changes: as plain
/// data for a solver, and the report as the judge of what it finds.
/// </summary>
public sealed class SetupProblem
{
    /// <summary>Beyond this nobody counts seconds.</summary>
    public const int MostSeconds = 3600;

    private readonly Plan plan;
    private readonly HashSet<string> chosen;

    private readonly DayAnalysis day;
    private readonly ConcurrentDictionary<(string Part, string Need, FittedGlass Glass), (bool Some, bool Full)> served = [];

    /// <summary>The day for the lead alone, where the house asks that.</summary>
    private readonly DayAnalysis? alone;

    /// <summary>Prepares it.</summary>
    /// <param name="plan">A plan without <see cref="PlanCheck.Usable"/> problems.</param>
    /// <param name="parts">Ids of the parts whose setups may change; null = all.</param>
    /// <param name="pulled">What has failed: the setups for the rest of the day do without it.</param>
    public SetupProblem(Plan plan, IReadOnlyCollection<string>? parts = null, IReadOnlyList<Pulled>? pulled = null) : this(new DayAnalysis(plan, pulled), parts)
    {
    }

    /// <summary>Prepares it for a day that is analysed already.</summary>
    /// <param name="day">The day, with what has failed pulled from it.</param>
    /// <param name="parts">Ids of the parts whose setups may change; null = all.</param>
    /// <param name="pinned">Hands that keep what they carry, as person and position; null = none.</param>
    public SetupProblem(DayAnalysis day, IReadOnlyCollection<string>? parts = null, IReadOnlyCollection<(string Person, string Position)>? pinned = null)
    {
        this.day = day;
        plan = day.Whole;
        alone = HouseRules.AsksForLeadAlone(plan) ? new DayAnalysis(HouseRules.LeadAlone(plan), day.Pulled) : null;
        chosen = [.. parts ?? plan.Parts.Select(p => p.Id)];
        var slots = new List<SetupSlot>();
        foreach (var part in day.Plan.Parts.Where(p => chosen.Contains(p.Id)))
            foreach (var setup in part.Setups)
                if (setup.Body is not null) slots.Add(SlotOf(part, setup, pinned?.Contains((setup.Person, setup.Position)) == true));
        Slots = slots;
        var bounds = new SetupBounds(day, Slots, Serving);
        Needs = [.. day.Plan.Parts.Where(p => chosen.Contains(p.Id)).SelectMany(bounds.Of)];
        Successions = [.. Follow(day.Outage)];
        Exclusive = [.. OneAtATime()];
    }

    /// <summary>How a day stands with other setups, with the same pulled.</summary>
    public DayVerdict VerdictOn(IReadOnlyList<int> options) => DayVerdict.Of(day.Trying(With(options)));

    /// <summary>Every position that may change.</summary>
    public IReadOnlyList<SetupSlot> Slots { get; }

    /// <summary>Every need of the chosen parts.</summary>
    public IReadOnlyList<NeedCover> Needs { get; }

    /// <summary>Where a change may be counted.</summary>
    public IReadOnlyList<Succession> Successions { get; }

    /// <summary>Choices of which at most one may be made: each names the same thing at the same time.</summary>
    public IReadOnlyList<IReadOnlyList<Choice>> Exclusive { get; }

    /// <summary>The plan with an option chosen for every slot.</summary>
    public Plan With(IReadOnlyList<int> options)
    {
        var next = plan;
        foreach (var part in plan.Parts.Where(p => chosen.Contains(p.Id)))
            next = next.With(part with
            {
                Setups = [.. part.Setups.Select(s => Find(part.Id, s) is var at and >= 0 ? Put(s, Slots[at].Options[options[at]])
                : s)]
            });
        return next;
    }

    /// <summary>Every need of the chosen parts with the options, in the order of <see cref="Needs"/>, as the report has it.</summary>
    public IReadOnlyList<JudgedNeed> Judge(IReadOnlyList<int> options)
    {
        var then = Tried(options);
        return [.. then.Together.Plan.Parts.Where(p => chosen.Contains(p.Id)).SelectMany(p => Judge(then, p))];
    }

    /// <summary>
    /// The same of one part, for every change of one hand in it: what is learnt of many at once spares asking for each. In the order of the
    /// slots and their options.
    /// </summary>
    public IReadOnlyList<(int[] Options, IReadOnlyList<JudgedNeed> Needs)> JudgeAround(string part, IReadOnlyList<int> options)
    {
        var around = Enumerable.Range(0, Slots.Count).Where(s => Slots[s].Part == part)
            .SelectMany(s => Enumerable.Range(0, Slots[s].Options.Count).Where(o => o != options[s]).Select(o => Changed(options, s, o)));
        return [.. around.AsParallel().AsOrdered().Where(o => !Exclusive.Any(e => e.Count(c => o[c.Slot] == c.Option) > 1))
            .Select(o => (o, Judged(Tried(o))))];

        IReadOnlyList<JudgedNeed> Judged((DayAnalysis Together, DayAnalysis? Alone) then) => Judge(then, then.Together.Plan.PartOf(part)!);

        static int[] Changed(IReadOnlyList<int> options, int slot, int option)
        {
            int[] changed = [.. options];
            changed[slot] = option;
            return changed;
        }
    }

    private (DayAnalysis Together, DayAnalysis? Alone) Tried(IReadOnlyList<int> options)
    {
        var with = With(options);
        return (day.Trying(with), alone?.Trying(HouseRules.LeadAlone(with)));
    }

    private static List<JudgedNeed> Judge((DayAnalysis Together, DayAnalysis? Alone) tried, Part part)
    {
        var judged = new List<JudgedNeed>();
        var then = tried.Together;
        var found = then.PartOf(part.Id)!;
        foreach (var need in found.Needs)
        {
            var hands = need.Bands.Select(band => band.Only([.. band.Candidates.Where(c => IsInHand(found.Ways.Layout, c.Rig))])).ToList();
            var own = then.WorstOf(hands, found.Failed).Outcome;
            var seconds = need.Outcome.IsMet() ? (int)Math.Ceiling(Math.Min(need.Best?.Seconds ?? 0, MostSeconds)) : 0;
            var notAlone = need.Need.Importance != Importance.Nice
                && tried.Alone?.PartOf(part.Id)!.Needs.First(n => n.Need.Id == need.Need.Id).Outcome.IsMet() == false;
            judged.Add(new JudgedNeed(part.Id, need.Need.Id, need.Outcome, own > need.Outcome ? own : need.Outcome, need.Strands, seconds, notAlone));
        }
        return judged;
    }

    private static bool IsInHand(PartLayout layout, Rig rig) =>
        rig.Fitted is null || rig.Hands != rig.Actor || (!rig.ChangesLens && layout.HandsOf(layout.SourceOf(rig.Fitted.Body)) == rig.Actor);

    /// <summary>Changes of glass that touch a chosen part, on the way in or out, and how many of them have too little time.</summary>
    public (int All, int Tight) Changes(IReadOnlyList<int> options)
    {
        var changed = Successions.Where(s => Carried(s.Before, s.FixedBefore, options) != Carried(s.After, s.FixedAfter, options)).ToList();
        return (changed.Count, changed.Count(s => s.Tight));
    }

    /// <summary>What must be done to come from the plan to the options: each position's run of parts with the same new glass is one piece.</summary>
    public IReadOnlyList<ProposedChange> Differences(IReadOnlyList<int> options)
    {
        var pieces = new List<ProposedChange>();
        foreach (var position in Slots.Select((slot, at) => (SetupSlot: slot, At: at)).GroupBy(x => (x.SetupSlot.Person, x.SetupSlot.Position)))
        {
            var order = Day.InOrder(plan).Select(p => p.Id).ToList();
            (Chain To, List<Mount> Edits)? run = null;
            foreach (var (slot, at) in position.OrderBy(x => order.IndexOf(x.SetupSlot.Part)))
            {
                var to = slot.Options[options[at]];
                if (options[at] == slot.Current || run?.To != to) Close();
                if (options[at] == slot.Current) continue;
                run ??= (to, []);
                run.Value.Edits.Add(new Mount
                {
                    Part = slot.Part,
                    Person = slot.Person,
                    Position = slot.Position,
                    Body = plan.PartOf(slot.Part)!.Setups.First(s => s.Person == slot.Person && s.Position == slot.Position).Body,
                    Lens = to.Lens,
                    Converter = to.Converter,
                    Tube = to.Tube,
                    Adapter = to.Adapter,
                });
            }
            Close();

            void Close()
            {
                if (run is { } done) pieces.Add(new ProposedChange(position.Key.Person, position.Key.Position,
                    [.. done.To.Items.Select(i => plan.ItemOf(i)!.Label)], done.Edits));
                run = null;
            }
        }
        return pieces;
    }

    private Chain? Carried(int? slot, Chain? otherwise, IReadOnlyList<int> options) => slot is { } at ? Slots[at].Options[options[at]] : otherwise;

    private static Setup Put(Setup setup, Chain chain) => setup with
    {
        Lens = chain.Lens,
        Converter = chain.Converter,
        Tube = chain.Tube,
        Adapter = chain.Adapter
    };

    private int Find(string part, Setup setup)
    {
        for (var i = 0; i < Slots.Count; i++)
            if (Slots[i].Part == part && Slots[i].Person == setup.Person && Slots[i].Position == setup.Position) return i;
        return -1;
    }

    private SetupSlot SlotOf(Part part, Setup setup, bool pinned)
    {
        var slot = Options(plan, part, setup, day.Outage);
        return Weighed(pinned ? slot with { Options = [slot.Options[slot.Current]], Current = 0 } : slot, part);
    }

    /// <summary>
    /// Says of each option whether it leaves a habit, and whether it is second best all day. Glass is no passenger, and leaves no habit, where
    /// it serves some need of the part better than the glass one usually takes, or, of whom no habit is known, any need at all.
    /// </summary>
    private SetupSlot Weighed(SetupSlot slot, Part part)
    {
        var body = plan.ItemOf(part.Setups.First(s => s.Person == slot.Person && s.Position == slot.Position).Body) as Body;
        var usual = Usual(slot.Person, part);
        List<Chain> own = [.. slot.Options.Where(o => o.Tube is null && o.Lens is not null && usual.Contains(o.Lens))];
        var (left, awkward) = (new HashSet<int>(), new HashSet<int>());
        for (var o = 0; o < slot.Options.Count; o++)
        {
            var option = slot.Options[o];
            if (plan.ItemOf(option.Lens) is not Lens lens) continue;
            // Nobody walks about with a tube: it is fitted for the one picture.
            var tube = option.Tube is not null && o != slot.Current;
            var passenger = part.Needs.Count > 0
                && !part.Needs.Any(n => Serves(part, n, option, body) is var served and > 0
                && (own.Count == 0 || own.All(u => Serves(part, n, u, body) < served)));
            if (tube || (own.Count > 0 ? passenger && !usual.Contains(lens.Id) : passenger && o != slot.Current)) left.Add(o);
            if (option.Adapter is not null || lens.ImageCircleCrop > body?.Crop || plan.KnownPairs()
                .Any(p => p.Fit == PairFit.ManualFocusOnly && p.IsOf(body?.Id ?? "", lens.Id))) awkward.Add(o);
        }
        return slot with { LeavesHabit = left, Awkward = awkward };
    }

    /// <summary>Ids of the glass somebody takes to such a part; of who works by a style and has said nothing of glass, what they carry most of the
    /// day.</summary>
    private HashSet<string> Usual(string personId, Part part)
    {
        var habits = plan.PersonOf(personId)?.Habits;
        if (habits?.For(part.Kind) is { Count: > 0 } said) return [.. said];
        if (habits?.Style is null) return [];
        var carried = plan.Parts.SelectMany(p => p.Setups.Where(s => s.Person == personId).Select(s => s.Lens).OfType<string>().Distinct());
        return [.. carried.GroupBy(l => l).Where(g => 2 * g.Count() > plan.Parts.Count).Select(g => g.Key)];
    }

    /// <summary>How well glass on a camera serves a need: 0 not at all, 1 as second best, 2 as one would choose it.</summary>
    private int Serves(Part part, Need need, Chain chain, Body? body)
    {
        // What is on no such camera is not judged.
        if (Array.Find(day.Kit.Glass, g => g.Glass.Body.Id == body?.Id && SetupBounds.Same(day.Kit, g, chain)) is not { } glass) return 2;
        var (some, full) = Serving(part, need, glass);
        return full ? 2 : some ? 1 : 0;
    }

    private (bool Some, bool Full) Serving(Part part, Need need, FittedGlass glass) =>
        served.GetOrAdd((part.Id, need.Id, glass), _ => SetupBounds.Serves(day.Kit, part, need, glass.Glass));

    private static SetupSlot Options(Plan plan, Part part, Setup setup, Outage outage)
    {
        var now = Chain.Of(setup);
        var body = plan.Items.OfType<Body>().First(b => b.Id == setup.Body);
        var close = part.Needs.Any(n => n.CloseWidthMm is not null);
        var options = new List<Chain> { now };
        // Who is absent keeps what they hold; a camera that is gone can only give up its glass to another.
        if (outage.AbsentIn(part).Contains(setup.Person)) return new SetupSlot(part.Id, setup.Person, setup.Position, options, 0);
        if (outage.IsGone(outage.Kit.IndexOf(body.Id), part))
        {
            if (!now.Items.Any(i => outage.IsGone(outage.Kit.IndexOf(i), part)) && now.Items.Any()) options.Add(new Chain(null, null, null, null));
            return new SetupSlot(part.Id, setup.Person, setup.Position, options, 0);
        }
        List<string> stay = [.. now.Items.Where(i => outage.IsSaved(part, i))];
        foreach (var glass in GlassOnBody.Fitting(body, plan))
        {
            // Nobody keeps a macro or a tube on a camera where there is no close-up.
            if (!close && (glass.Tube is not null || glass.Lens.IsMacro)) continue;
            if (Day.Of(part) is { } day && glass.Pieces.Any(p => outage.Kit.AwayWith(outage.Kit.IndexOf(p.Id), day) != Kit.None)) continue;
            if (glass.Pieces.Any(p => outage.IsGone(outage.Kit.IndexOf(p.Id), part))) continue;
            if (!plan.CanBeInHand(part, glass.Pieces)) continue;
            var chain = new Chain(glass.Lens.Id, glass.Converter?.Id, glass.Tube?.Id, glass.Adapter?.Id);
            if (!options.Contains(chain) && stay.All(chain.Items.Contains)) options.Add(chain);
        }
        return new SetupSlot(part.Id, setup.Person, setup.Position, options, 0);
    }

    private IEnumerable<Succession> Follow(Outage outage)
    {
        var before = new Dictionary<string, (Setup Setup, Part Part)>(StringComparer.Ordinal);
        foreach (var part in Day.InOrder(plan))
            foreach (var setup in part.Setups)
            {
                // Nothing is changed on a camera that is gone, or by who is absent.
                if (setup.Body is not { } body || outage.AbsentIn(part).Contains(setup.Person) || outage.IsGone(outage.Kit.IndexOf(body), part)) continue;
                if (before.TryGetValue(body, out var was) && (chosen.Contains(part.Id) || chosen.Contains(was.Part.Id)))
                {
                    var free = part.Start is { } start && was.Part.End is { } end ? (start - end).TotalSeconds : 0;
                    yield return new Succession(SlotOr(was.Part, was.Setup), Chain.Of(was.Setup), SlotOr(part, setup), Chain.Of(setup),
                        free < day.Kit.SecondsOf(plan.People.ToList().FindIndex(p => p.Id == setup.Person)).ChangeLens && part.HoldsOnce);
                }
                before[body] = (setup, part);
            }

        int? SlotOr(Part part, Setup setup) => chosen.Contains(part.Id) && Find(part.Id, setup) is var at and >= 0 ? at : null;
    }

    private IEnumerable<IReadOnlyList<Choice>> OneAtATime()
    {
        var uses = Slots.SelectMany((slot, at) => slot.Options.SelectMany((chain, o) => chain.Items.Select(item => (Item: item, Choice: new Choice(at, o)))))
            .ToLookup(x => x.Item, x => x.Choice);
        foreach (var part in plan.Parts.Where(p => chosen.Contains(p.Id)))
        {
            var together = plan.Parts.Where(p => p.Id == part.Id || Day.Overlap(p, part)).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
            foreach (var item in uses)
            {
                var choices = item.Where(c => together.Contains(Slots[c.Slot].Part)).ToList();
                if (choices.Select(c => c.Slot).Distinct().Count() > 1) yield return choices;
            }
        }
    }
}
