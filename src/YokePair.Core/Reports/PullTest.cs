using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>What pulling things out of a day does to it.</summary>
/// <param name="Headline">What breaks, in a sentence.</param>
/// <param name="Changes">Every need whose way changes, worst first.</param>
/// <param name="Untouched">How many needs go on as they would have.</param>
/// <param name="Swaps">How the changes of batteries and cards differ then.</param>
/// <param name="Out">What is out, in the order of the pulls.</param>
public sealed record PullResult(string Headline, IReadOnlyList<PullChange> Changes, int Untouched, SwapChanges Swaps, IReadOnlyList<PulledOut> Out);

/// <summary>One pull, as it works out.</summary>
/// <param name="Pull">The pull.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Items">Ids of the things that are gone with it; none where a person is absent or a radio jammed.</param>
public sealed record PulledOut(Pulled Pull, string Name, IReadOnlyList<string> Items);

/// <summary>What a pull does to one need.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Need">Need id.</param>
/// <param name="Before">Outcome with everything there.</param>
/// <param name="After">Outcome now.</param>
/// <param name="Strands">Strands left.</param>
/// <param name="ToleranceSeconds">How long it can wait; null = without limit.</param>
/// <param name="Now">What to do now; null when nothing is left to do.</param>
/// <param name="DoesNotMove">What must be set again, because it does not move along with the swap.</param>
public sealed record PullChange(string Part, string Need, Outcome Before, Outcome After, int Strands, double? ToleranceSeconds, WayReport? Now, IReadOnlyList<string> DoesNotMove);

/// <summary>Compares a day with the same day short of a few things.</summary>
public static class PullTest
{
    /// <summary>Everything that can be pulled out of a plan.</summary>
    public static IReadOnlySet<(LossKind Kind, string Id)> Known(Plan plan) => Losses.Of(new Kit(plan)).Select(l => (l.Kind, l.Id)).ToHashSet();

    /// <summary>Pulls with each thing by itself: what goes along with a camera or a bag goes wherever it would be with other setups.</summary>
    public static IReadOnlyList<Pulled> AsThings(Plan plan, IReadOnlyList<Pulled> pulled) => new Outage(plan, pulled).AsThings;

    /// <summary>Compares two reports on one plan.</summary>
    public static PullResult Compare(Plan plan, IReadOnlyList<Pulled> pulled, Report before, Report after)
    {
        var outage = new Outage(plan, pulled);
        var parts = outage.Plan.Parts.ToDictionary(p => p.Id, StringComparer.Ordinal);
        var changes = new List<PullChange>();
        for (var i = 0; i < before.Needs.Count; i++)
        {
            var (then, now) = (before.Needs[i], after.Needs[i]);
            // Only where the way one would have taken is cut does anything change for the photographer now.
            if (then.Baseline == now.Baseline && (then.Best is null || !outage.Cuts(parts[then.Part], then.Best))) continue;
            if (then.Baseline == now.Baseline && then.Best!.Person == now.Best!.Person && then.Best.Items.SequenceEqual(now.Best.Items)) continue;
            changes.Add(new PullChange(now.Part, now.Need, then.Baseline, now.Baseline, now.Strands, now.ToleranceSeconds, now.Best, Stays(plan, now, then.Best)));
        }
        var swaps = SwapChanges.Of(plan, pulled, before, after);
        return new PullResult(
            Headline(plan, outage, changes, swaps),
            [.. changes.OrderByDescending(c => c.After.IsMet() ? 0 : 1).ThenByDescending(c => c.After).ThenBy(c => Importance(plan, c))],
            before.Needs.Count - changes.Count,
            swaps,
            [.. pulled.Select(p => new PulledOut(p, outage.Name(p), outage.ItemsOf(p)))]);
    }

    /// <summary>What another body or light must be told anew: it has not learnt faces and buttons, nor this room's white balance, nor the channel.</summary>
    private static List<string> Stays(Plan plan, NeedReport now, WayReport? then)
    {
        var told = new List<string>();
        if (now.Best is not { } best) return told;
        if (best.Body is not null && best.Body != then?.Body)
        {
            if (plan.Items.OfType<Body>().FirstOrDefault(b => b.Id == then?.Body)?.Learnt is { Count: > 0 } learnt) told.Add($"{English.List(learnt)} stay on the other body");
            if (plan.Parts.First(p => p.Id == now.Part).WhiteBalance is { } balance) told.Add($"set the white balance: {balance}");
        }
        foreach (var light in best.Items.Except(then?.Items ?? []).Select(id => plan.Items.First(i => i.Id == id)))
            if (light is Flash { RadioSystem: { } radio } && plan.Parts.First(p => p.Id == now.Part).Lights?.Any(l => l.Flash == light.Id) != true) told.Add($"set the {light.Label} to radio {radio}, the group and channel of the others");
            else if (light is Trigger { Sends: { } sends }) told.Add($"set the {light.Label} to radio {sends}, the channel of the lights");
        return told;
    }

    private static Importance Importance(Plan plan, PullChange change) => Need(plan, change).Importance;

    private static Need Need(Plan plan, PullChange change) => plan.Parts.First(p => p.Id == change.Part).Needs.First(n => n.Id == change.Need);

    private static string When(Plan plan, Pulled pull)
    {
        var from = plan.Parts.FirstOrDefault(p => p.Id == pull.FromPart)?.Label;
        var until = Day.Mended(plan, pull.FromPart, pull.UntilPart)?.Label;
        return (from, until) switch
        {
            (null, null) => "",
            (_, null) => $" from {from} on",
            (null, _) => $" until {until}",
            _ => $" from {from} until {until}",
        };
    }

    private static string Headline(Plan plan, Outage outage, List<PullChange> changes, SwapChanges swaps)
    {
        // When they are out is said once where it is the same for all.
        var pulled = outage.Pulled;
        var whens = pulled.Select(p => When(plan, p)).Distinct().ToList();
        var things = pulled.Select(p => $"{(p.Kind is LossKind.Person or LossKind.Radio ? "" : "the ")}{outage.Name(p)}{(whens.Count > 1 ? When(plan, p) : "")}").ToList();
        var when = whens is [var same] ? same : "";
        var told = new List<string>();
        Tell(Outcome.Lost, "lost");
        Tell(Outcome.Late, "late");
        Tell(Outcome.Thins, "second best");
        if (swaps.Without > swaps.WithoutBefore) told.Add($"{English.Number(swaps.Without - swaps.WithoutBefore)} {(swaps.WithoutBefore > 0 ? "more " : "")}frames of a busy day find no battery or card");
        var otherwise = changes.Exists(c => c.After == c.Before);
        var rest = told.Count > 0 ? otherwise ? "the rest goes on, some of it another way" : "everything else stays as it was"
            : otherwise ? "nothing is lost by it; some pictures are taken another way"
            : swaps.Swaps.Any(s => s.Fate != SwapFate.Stays) ? "every picture stays as it was; batteries and cards are changed otherwise" : "nothing changes";
        return $"Without {English.List(things)}{when}, {(told.Count > 0 ? string.Join(", ", told) + "; " : "")}{rest}.";

        void Tell(Outcome outcome, string word)
        {
            var needs = changes.Where(c => c.After == outcome && c.Before < outcome).Select(c => Need(plan, c).Label).ToList();
            if (needs.Count == 0) return;
            var named = needs.Count > 4 ? [.. needs.Take(3), $"{English.Number(needs.Count - 3)} more"] : needs;
            told.Add($"{English.List(named)} {(needs.Count == 1 ? "is" : "are")} {word}");
        }
    }
}
