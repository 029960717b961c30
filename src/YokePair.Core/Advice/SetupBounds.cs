using YokePair.Core.Failure;
using YokePair.Core.Optics;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Advice;

/// <summary>What the hands can do for each need at the most, whatever glass is put in them: never too strict, sometimes too lax.</summary>
/// <param name="day">The day.</param>
/// <param name="slots">Every position that may change.</param>
/// <param name="serving">How well glass serves a need, as it is weighed for the slots too.</param>
internal sealed class SetupBounds(DayAnalysis day, IReadOnlyList<SetupSlot> slots, Func<Part, Need, FittedGlass, (bool Some, bool Full)> serving)
{
    /// <summary>A place no file can name.</summary>
    private const string InHand = " ";

    private readonly Plan plan = day.Plan;
    private readonly Kit kit = day.Kit;
    private readonly DayAnalysis now = day.Trying(day.Plan);
    private readonly DayAnalysis unhurried = day.Trying(Unhurried(day.Plan));
    private readonly DayAnalysis glassAtHand = day.Trying(GlassAtHand(day.Plan));

    /// <summary>The needs of a part.</summary>
    public IEnumerable<NeedCover> Of(Part part) => Covers(part).Zip(AtBest(part.Id), Bounded).Zip(
        Of(glassAtHand, part.Id), (need, best) => need with { Hangs = best.Strands < 2 && part.Setups.All(s => s.Unattended != true) });

    /// <summary>The best that any setups can make of each need of a part; glass in hands is nothing to what a role wants.</summary>
    private IEnumerable<Outcome> AtBest(string part)
    {
        var best = Of(unhurried, part);
        return best.Any(n => n.Need.Role is not null) ? best.Zip(Of(now, part), (b, asIs) => b.Need.Role is null ? b.Outcome : asIs.Outcome)
            : best.Select(n => n.Outcome);
    }

    private static IReadOnlyList<NeedFinding> Of(DayAnalysis of, string part) => of.PartOf(part)!.Needs;

    /// <summary>What no setups can do need not be tried.</summary>
    private static NeedCover Bounded(NeedCover need, Outcome best) =>
        !best.IsMet() ? need with { By = [], FullBy = [], Reached = false, ReachedFull = false, IsRole = false }
        : best == Outcome.Thins ? need with { FullBy = [], ReachedFull = false } : need;

    private IEnumerable<NeedCover> Covers(Part part)
    {
        var layout = new PartLayout(kit, part);
        var here = slots.Select((slot, at) => (Slot: slot, At: at)).Where(x => x.Slot.Part == part.Id).ToList();
        var servings = part.Needs.ToDictionary(n => n, n => kit.Glass.ToDictionary(g => g, g => serving(part, n, g)));
        foreach (var need in part.Needs)
        {
            var tolerance = need.ToleranceSeconds(plan.Rules) + 1e-9;
            var by = new List<Choice>();
            var full = new List<Choice>();
            var serves = servings[need];
            // What shares a moment is judged with all that the moment wants.
            var bearing = servings.Where(s => s.Key == need || (need.Moment is not null && s.Key.Moment == need.Moment))
                .SelectMany(s => s.Value.Where(g => g.Value.Some).SelectMany(g => g.Key.Glass.Pieces.Select(p => p.Id))).ToHashSet(StringComparer.Ordinal);
            var alike = here.ToDictionary(x => x.At, x => x.Slot.Options.Select(chain => Likeness(chain, bearing)).ToArray());
            foreach (var (slot, at) in here)
            {
                var setup = part.Setups.First(s => s.Person == slot.Person && s.Position == slot.Position);
                var actor = layout.PersonIndex(slot.Person);
                if (setup.Unattended == true ? need.Unattended != true : !layout.Actors.Contains(actor) || kit.SecondsOf(actor).Raise > tolerance) continue;
                if (need.Who != Need.Anyone && need.Who != slot.Person) continue;
                for (var o = 0; o < slot.Options.Count; o++)
                {
                    if (Array.Find(kit.Glass, g => kit.Items[g.Body].Id == setup.Body && Same(kit, g, slot.Options[o])) is not { } glass
                        || !serves[glass].Some) continue;
                    by.Add(new Choice(at, o));
                    if (serves[glass].Full) full.Add(new Choice(at, o));
                }
            }
            var (reached, reachedFull, soonest) = Reached(layout, need, tolerance, serves);
            var raise = by.Count == 0 ? null
                : (double?)by.Select(c => part.Setups.First(s => s.Person == slots[c.Slot].Person && s.Position == slots[c.Slot].Position))
                .Min(s => s.Unattended == true ? 0 : kit.SecondsOf(layout.PersonIndex(s.Person)).Raise);
            yield return new NeedCover(part.Id, need.Id, need.Importance, by, full, reached, reachedFull, Hangs: false, need.Role is not null)
            {
                Alike = alike,
                Seconds = need.Role is not null ? default : (raise, soonest),
            };
        }
    }

    /// <summary>
    /// What somebody could do by reaching for something else, if every piece of glass lay where it costs nothing: take a
    /// camera that is in no hand of theirs as it lies, or change glass on any.
    /// </summary>
    private (bool Some, bool Full, double? Soonest) Reached(PartLayout layout, Need need, double tolerance, Dictionary<FittedGlass,
        (bool Some, bool Full)> serving)
    {
        var (any, whole, soonest) = (false, false, (double?)null);
        foreach (var actor in layout.Actors)
        {
            if (need.Who != Need.Anyone && layout.PersonIndex(need.Who) != actor) continue;
            foreach (var (glass, (some, full)) in serving)
            {
                if (!some || layout.IsUnattended(glass.Body)) continue;
                var raised = layout.Cost(actor, layout.SourceOf(glass.Body)) + kit.SecondsOf(actor).Raise;
                var ownHand = layout.SetupOf(glass.Body) is { } setup && layout.PersonIndex(setup.Person) == actor;
                var seconds = raised + (ownHand ? kit.SecondsOf(actor).ChangeLens : 0);
                if (seconds <= tolerance) (any, whole, soonest) = (true, whole || full, Math.Min(soonest ?? seconds, seconds));
            }
        }
        return (any, whole, soonest);
    }

    /// <summary>How well glass serves a need, or some band of it, with whatever helps it best, if that could be had for nothing.</summary>
    internal static (bool Some, bool Full) Serves(Kit kit, Part part, Need need, GlassOnBody glass)
    {
        if (need.Role is not null) return (false, false);
        var best = need.Bands(part).Min(band => Helped(kit, part, band, glass).Min());
        return (best != Quality.No, best == Quality.Full);
    }

    private static IEnumerable<Quality> Helped(Kit kit, Part part, Need need, GlassOnBody glass)
    {
        var rules = kit.Plan.Rules;
        yield return NeedFit.AmbientQuality(rules, part, need, glass);
        yield return NeedFit.AmbientQuality(rules, part, need, glass, new Aids(Supported: true));
        foreach (var index in kit.Flashes)
        {
            var flash = (Flash)kit.Items[index];
            if (flash.GuideNumber is null) continue;
            if (NeedFit.FlashThinkable(part, need, LightKind.Flash)) yield return NeedFit.WithFlash(rules, part, need, glass, flash, supported: true).Quality;
            // The gel is the stand's to choose.
            if (!NeedFit.FlashThinkable(part, need, LightKind.Stands)) continue;
            (Flash, string?)[] asked = [.. Enumerable.Repeat((flash, part.Gel), need.Stands!.Count)];
            yield return NeedFit.WithStands(rules, part, need, glass, asked, supported: true).Quality;
        }
        if (need.Light.Contains(LightKind.Continuous))
            foreach (var lamp in kit.Plan.Items.OfType<StandLight>())
                if (lamp.LuxAtOneM is { } lux)
                {
                    yield return NeedFit.AmbientQuality(rules, part, need, glass, new Aids(true, 0, RigFit.LampEv(part, need, lux)));
                    yield return NeedFit.AmbientQuality(rules, part, need, glass, new Aids(true, 0, RigFit.PlacedLampEv(part, need, lux)));
                }
        foreach (var index in kit.Filters)
            if (((Filter)kit.Items[index]).Stops is { } stops) yield return NeedFit.AmbientQuality(rules, part, need, glass, new Aids(true, stops));
    }

    /// <summary>
    /// An outer bound of what setups can do for safety: every piece of glass is at hand and goes on for nothing, and all else lies and
    /// takes as long as it does. What hangs by one thing even so hangs with any setups.
    /// </summary>
    private static Plan GlassAtHand(Plan plan) => plan with
    {
        Rules = plan.Rules with { Seconds = plan.Rules.Seconds with { ChangeLens = 0, FitAdapter = 0 } },
        People = [.. plan.People.Select(p => p with { Seconds = p.Seconds is { } own ? own with { ChangeLens = 0, FitAdapter = 0 } : null })],
        Places = [.. plan.Places, new Place { Id = InHand, ReachSeconds = 0 }],
        Items = [.. plan.Items.Select(i => i is Lens or Adapter or Converter or Tube ? i with { Place = InHand } : i)],
        // What is in somebody else's hand must be borrowed; what lies here need not.
        Parts = [.. plan.Parts.Select(p =>
            p with { Setups = [.. p.Setups.Select(s => s with { Lens = null, Adapter = null, Converter = null, Tube = null })] })],
    };

    /// <summary>
    /// What glass on a camera is to a need: the pieces of it that could have a part in meeting it, and whether anything else must come off first.
    /// What that is makes no difference.
    /// </summary>
    private static string Likeness(Chain chain, HashSet<string> bearing) =>
        string.Join('+', chain.Items.Select(i => bearing.Contains(i) ? i : "~").Order(StringComparer.Ordinal).Distinct());

    /// <summary>Whether glass is what a chain names; of twins any.</summary>
    internal static bool Same(Kit kit, FittedGlass glass, Chain chain) =>
        glass.Pieces.ToHashSet().SetEquals(chain.Items.Select(id => kit.IndexOf(id) is var item && kit.Twins.Of(item) is { } alike ? alike[0] : item));

    /// <summary>
    /// An outer bound of every choice of setups: no handling takes time, whatever is in reach is at hand, and glass that
    /// lies out of reach somewhere is in the hand there, from before. What fails even so fails with any setups.
    /// </summary>
    public static Plan Unhurried(Plan plan)
    {
        var away = plan.Parts.SelectMany(p => plan.Places.Except(plan.PlacesNear(p))).Select(p => p.Id).ToHashSet(StringComparer.Ordinal);
        var items = plan.ItemsById();
        return plan with
        {
            Rules = plan.Rules with
            {
                Seconds = new HandlingSeconds
                {
                    Raise = 0,
                    ChangeLens = 0,
                    FitAdapter = 0,
                    ChangeBattery = 0,
                    ChangeCard = 0,
                    FitFlash = 0,
                    Borrow = 0,
                    FitSupport = 0,
                    FitFilter = 0,
                    PlaceLight = 0,
                },
            },
            People = [.. plan.People.Select(p => p with { HandOverSeconds = null, Seconds = null })],
            Places = [.. plan.Places.Select(p => p with { ReachSeconds = 0 }), new Place { Id = InHand, ReachSeconds = 0 }],
            Items = [.. plan.Items.Select(i => IsGlass(i) && Root(i) is { } place && away.Contains(place) ? i with { Place = InHand } : i)],
            Parts = [.. plan.Parts.Select(p => p with { ReachSeconds = null })],
        };

        static bool IsGlass(Item item) => item is Lens or Adapter or Converter or Tube;

        string? Root(Item item) => PlaceReference.Bearers(item, items).Prepend(item).Last().Place;
    }
}
