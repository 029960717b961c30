using YokePair.Core.Basics;
using YokePair.Core.Cards;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Swaps;
using YokePair.Core.Wording;

namespace YokePair.Core.Reports;

/// <summary>What pulling things out of a day does to it.</summary>
/// <param name="Headline">What breaks, in a sentence.</param>
/// <param name="Changes">Every need whose way changes, worst first.</param>
/// <param name="Untouched">How many needs go on as they would have.</param>
/// <param name="Swaps">How the changes of batteries and cards differ then.</param>
/// <param name="Out">What is out, in the order of the pulls.</param>
/// <param name="Copies">What of the copies at the end is lacking then, in words; empty = nothing.</param>
public sealed record PullResult(
    string Headline, IReadOnlyList<PullChange> Changes, int Untouched, SwapChanges Swaps, IReadOnlyList<PulledOut> Out, IReadOnlyList<TextPiece> Copies);

/// <summary>One pull, as it works out.</summary>
/// <param name="Pull">The pull.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Items">Ids of the things that are gone with it; none where a person is absent or a radio jammed.</param>
/// <param name="Parts">Ids of the parts in which it is out.</param>
public sealed record PulledOut(Pulled Pull, string Name, IReadOnlyList<string> Items, IReadOnlyList<string> Parts);

/// <summary>What a pull does to one need.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Before">Outcome with everything there.</param>
/// <param name="After">Outcome now.</param>
/// <param name="Strands">Strands left.</param>
/// <param name="ToleranceSeconds">How long it can wait; null = without limit.</param>
/// <param name="Now">What to do now; null when nothing is left to do.</param>
/// <param name="Picture">What the picture is then, or how it can still be had; null where it is as one would have chosen it.</param>
/// <param name="DoesNotMove">What must be set again, because it does not move along with the swap.</param>
public sealed record PullChange(string Part, string Need, Outcome Before, Outcome After, int Strands, double? ToleranceSeconds, WayReport? Now,
    string? Picture, IReadOnlyList<string> DoesNotMove);

/// <summary>Compares a day with the same day short of a few things.</summary>
public static class PullTest
{
    /// <summary>Everything that can be pulled out of a plan.</summary>
    public static IReadOnlySet<LossKey> Known(DayAnalysis day) => Losses.Of(day.Kit).Select(l => new LossKey(l.Kind, l.Id)).ToHashSet();

    /// <summary>Compares two reports on one plan.</summary>
    public static PullResult Compare(DayAnalysis whole, DayAnalysis left) =>
        Compare(whole, whole.Report(withEvents: false), left, left.Report(withEvents: false));

    /// <summary>The same where the reports are there already.</summary>
    public static PullResult Compare(DayAnalysis whole, Report before, DayAnalysis left, Report after)
    {
        var (outage, plan) = (left.Outage, whole.Plan);
        var parts = left.Plan.Parts.ToDictionary(p => p.Id, StringComparer.Ordinal);
        var changes = new List<PullChange>();
        for (var i = 0; i < before.Needs.Count; i++)
        {
            var (then, now) = (before.Needs[i], after.Needs[i]);
            // Only where the way one would have taken is cut does anything change for the photographer now.
            if (then.Baseline == now.Baseline && (then.Best is null || !outage.Cuts(parts[then.Part], then.Best.Person, then.Best.Items))) continue;
            if (then.Baseline == now.Baseline && then.Best!.Person == now.Best!.Person && then.Best.Items.SequenceEqual(now.Best.Items)) continue;
            var (way, picture) = PullAnswer.Of(left, now.Part, now.Need, then.Best?.Person);
            changes.Add(new PullChange(now.Part, now.Need, then.Baseline, now.Baseline, now.Strands, now.ToleranceSeconds, way, picture,
                Stays(plan, now.Part, way, then.Best)));
        }
        var names = new Names(plan);
        var swaps = SwapChanges.Of(whole, left);
        var ordered = changes.OrderByDescending(c => c.After.IsMet() ? 0 : 1).ThenByDescending(c => c.After).ThenBy(c => names.Importance(c.Part, c.Need))
            .ToList();
        return new PullResult(
            PullWords.Headline(plan, left.Pulled, [.. changes.Select(c => new ChangedNeed(c.Part, c.Need, c.Before, c.After))], swaps.Without,
                swaps.WithoutBefore, swaps.Swaps.Any(s => s.Fate != SwapFate.Stays)),
            ordered,
            before.Needs.Count - changes.Count,
            swaps,
            [.. left.Pulled.Select(p => new PulledOut(p, LossWords.Pulled(names, p.Kind, p.Item), outage.ItemsOf(p), InPlanOrder(plan, p)))],
            Copies(whole, [.. left.Pulled.SelectMany(outage.ItemsOf)]));
    }

    private static string[] InPlanOrder(Plan plan, Pulled pull) =>
        [.. plan.Parts.Where(p => Day.Lasts(plan, p, pull.FromPart, pull.UntilPart)).Select(p => p.Id)];

    /// <summary>Only a drive or reader changes what is copied; cards that are missing are told with the swaps.</summary>
    private static IReadOnlyList<TextPiece> Copies(DayAnalysis whole, string[] gone) => gone.Any(i => whole.Plan.ItemOf(i) is Drive or CardReader)
        ? [.. CardWords.Without(CardPlans.Without(whole)(gone) with { NoRoom = 0 })] : [];

    /// <summary>What must be set again, because it does not move along with the swap.</summary>
    internal static List<string> Stays(Plan plan, string part, WayReport? now, WayReport? then)
    {
        var told = new List<string>();
        if (now is not { } best) return told;
        if (best.Body is not null && best.Body != then?.Body)
        {
            if (plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == then?.Body)?.Learnt is { Count: > 0 } learnt) told.Add(
                $"{English.List(learnt)} stay on the other body");
            if (plan.PartOf(part)!.WhiteBalance is { } balance) told.Add($"set the white balance: {balance}");
        }
        foreach (var light in best.Items.Except(then?.Items ?? []).Select(id => plan.ItemOf(id)!))
            if (light is Flash { RadioSystem: { } radio } && plan.PartOf(part)!.Lights?.Any(l => l.Flash == light.Id) != true) told.Add(
                $"set the {light.Label} to radio {radio}, the group and channel of the others");
            else if (light is Trigger { Sends: { } sends }) told.Add($"set the {light.Label} to radio {sends}, the channel of the lights");
        return told;
    }
}
