using YokePair.Core.Basics;
using YokePair.Core.Editing;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Advice;

/// <summary>Something a position could carry in a part, and what the part would then be worth.</summary>
/// <param name="Edit">The edit that does it.</param>
/// <param name="Current">Whether it is what the position carries now.</param>
/// <param name="Strands">Strands of the part with it.</param>
/// <param name="Hanging">Needs of the part that would hang by one thing.</param>
/// <param name="Uncovered">Needs of the part that would not be covered.</param>
/// <param name="EquivalentMm">Equivalent range on that body, mm.</param>
/// <param name="From">Where the lens is now: a place id, or null when it is in a hand already.</param>
/// <param name="PrepareSeconds">Seconds to fetch it before the part begins.</param>
public sealed record SetupChoice(PlanEdit Edit, bool Current, int Strands, IReadOnlyList<string> Hanging, IReadOnlyList<string> Uncovered,
    Interval EquivalentMm, string? From, double PrepareSeconds);

/// <summary>What a position could carry in a part.</summary>
/// <param name="Glass">Every chain of glass that fits the body, what is on now first.</param>
/// <param name="Shoes">Ids of the flashes and triggers that its shoe takes.</param>
/// <param name="Supports">Ids of the tripods and monopods.</param>
public sealed record HandChoices(IReadOnlyList<SetupChoice> Glass, IReadOnlyList<string> Shoes, IReadOnlyList<string> Supports);

/// <summary>Tries everything that fits a position.</summary>
public static class SetupChoices
{
    /// <summary>Every chain that fits a body for one position, what is on now first, then the strongest part. The body is the given one.</summary>
    /// <returns>Null when the plan has no such part or person.</returns>
    public static HandChoices? For(DayAnalysis day, string partId, string person, string position, string? bodyId, CancellationToken cancel = default)
    {
        var plan = day.Whole;
        if (plan.PartOf(partId) is not { } part || plan.People.All(p => p.Id != person)) return null;
        var setup = part.Setups.FirstOrDefault(s => s.Person == person && s.Position == position);
        var body = plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == (bodyId ?? setup?.Body)) ?? plan.Items.OfType<Body>().FirstOrDefault();
        if (body is null) return new HandChoices([], [], []);
        var close = part.Needs.Any(n => n.CloseWidthMm is not null);
        var tried = GlassOnBody.Fitting(body, plan)
            // A tube serves close-ups and nothing else.
            .Where(glass => (glass.Tube is null || close) && plan.CanBeInHand(part, glass.Pieces)
                && !glass.Pieces.Any(piece => day.Outage.IsGone(day.Kit.IndexOf(piece.Id), part)))
            .ToList();
        var choices = tried.AsParallel().AsOrdered().WithCancellation(cancel).Select(Choice).OfType<SetupChoice>();
        SetupChoice[] ordered = [.. choices.OrderByDescending(c => c.Current).ThenBy(c => c.Uncovered.Count).ThenBy(c => c.Hanging.Count)
            .ThenBy(c => c.EquivalentMm.Low)];
        var alone = setup?.Unattended == true;
        return new HandChoices(ordered,
            [.. plan.Items.Where(i => Shoe.Takes(plan, body, i, alone)).Select(i => i.Id)],
            [.. plan.Items.Where(i => i is Support support && (alone ? support.HoldsCameraAlone : support.CarriesCamera)).Select(i => i.Id)]);

        SetupChoice? Choice(GlassOnBody glass)
        {
            var mount = Mount.Of(partId, person, position, glass);
            if (StrandsWith(mount) is not { } strands) return null;
            var now = setup is not null && setup.Body == mount.Body && setup.Lens == mount.Lens && setup.Converter == mount.Converter
                && setup.Tube == mount.Tube && setup.Adapter == mount.Adapter;
            var inHand = part.Setups.Any(s => s.Lens == glass.Lens.Id);
            return new SetupChoice(mount, now, Weakest(part, strands), NeedsWith(1), NeedsWith(0),
                glass.EquivalentMm, inHand ? null : glass.Lens.Place, inHand ? 0 : Preparation.Seconds(day, part, person, glass.Pieces.Select(p => p.Id)));

            IReadOnlyList<string> NeedsWith(int count) => [.. part.Needs.Where((_, n) => strands[n] == count).Select(n => n.Id)];
        }

        int[]? StrandsWith(Mount mount)
        {
            if (day.PartOf(partId) is not { } found) return null;
            if (found.StrandsTried.TryGetValue(mount, out var known)) return known;
            if (mount.Apply(plan).Plan is not { } then) return null;
            return found.StrandsTried[mount] = [.. day.Trying(then, cancel).PartOf(partId)!.Needs.Select(n => n.Strands)];
        }
    }

    /// <summary>The weakest of the needs that count; a part of nice needs only is as strong as they are.</summary>
    private static int Weakest(Part part, int[] strands)
    {
        int[] counted = [.. strands.Where((_, n) => part.Needs[n].Importance != Importance.Nice)];
        return (counted.Length > 0 ? counted : strands).DefaultIfEmpty(3).Min();
    }
}
