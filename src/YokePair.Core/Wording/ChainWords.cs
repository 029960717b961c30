using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Optics;
using YokePair.Core.Verdict;
using YokePair.Core.Ways;

namespace YokePair.Core.Wording;

/// <summary>Tells how a verdict came about, link by link.</summary>
internal static class ChainWords
{
    private const int Named = 3;

    public static IReadOnlyList<string> Of(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var kit = part.Ways.Kit;
        var links = new List<string>();
        var all = need.Ways.Candidates.Select(c => c.Rig).DistinctBy(r => string.Join(',', r.Whole.Items)).ToList();
        var cut = all.Where(r => r.IsHit(part.Failed)).ToList();
        if (all.Count == 0) return [$"No way is thought of: {WhyNot(day, part, need)}."];
        links.Add($"{English.Capital(English.Number(all.Count))} {(all.Count == 1 ? "way is" : "ways are")} thought of: a camera with its "
            + $"glass{(all.Exists(r => r.Whole.Items.Length > r.Fitted?.Items.Length) ? ", and what helps it," : "")} in somebody's hands.");
        var gone = Enumerable.Range(0, part.Failed.Length).Where(i => part.Failed[i] && all.Exists(r => r.Items.Contains(i))).ToList();
        foreach (var item in gone.Take(Named))
            links.Add($"Without the {kit.Items[item].Label} {English.Number(all.Count(r => r.Items.Contains(item)))} of them "
                + $"{(all.Count(r => r.Items.Contains(item)) == 1 ? "falls" : "fall")} away.");
        if (cut.Count > 0) links.Add($"{English.Capital(English.Number(all.Count - cut.Count))} {(all.Count - cut.Count == 1 ? "is" : "are")} left.");
        if (need.Bands.Count > 1) links.Add($"It must be covered {GapWords.AllAlong(Stretch.Worst(day, part, need))}.");
        links.Add(Best(day, part, need));
        if (EstimateWords.Of(part, need) is { } estimate) links.Add(estimate);
        if (need.Outcome.IsMet()) links.Add(Margin(kit, need));
        return links;
    }

    private static string WhyNot(DayAnalysis day, PartFindings part, NeedFinding need) =>
        GapWords.Say(new Names(day.Plan), part.Part, need.Need, GapCause.Of(day, part, need));

    private static string Best(DayAnalysis day, PartFindings part, NeedFinding need)
    {
        var wait = double.IsPositiveInfinity(need.Ways.ToleranceSeconds) ? "and it can wait" : $"and it can wait {English.Seconds(need.Ways.ToleranceSeconds)}";
        if (need.Best is not { } best) return $"Nothing is left: {WhyNot(day, part, need)}.";
        var who = day.Plan.People[best.Rig.Actor].Name ?? day.Plan.People[best.Rig.Actor].Id;
        var what = best.Rig.Fitted is { } glass ? new Names(day.Plan).Camera(part.Ways.Kit.Items[glass.Body].Id, part.Ways.Kit.Items[glass.Lens].Id)
            : $"the {part.Ways.Kit.Items[best.Rig.Items[0]].Label}";
        var quality = best.Quality == Quality.Full ? "as one would choose it" : $"second best{SecondBest(day, part, need, best)}";
        var verdict = need.Outcome switch { Outcome.Holds => "it holds", Outcome.Thins => "it thins", Outcome.Late => "it is late", _ => "it is lost" };
        return $"{who} takes {what}, {quality}, in {English.Seconds(best.Seconds)} {wait}: {verdict}.";
    }

    private static string SecondBest(DayAnalysis day, PartFindings part, NeedFinding need, Way best)
    {
        if (best.Rig.Fitted is null) return "";
        var fit = RigFit.Of(part.Ways.Kit, part.Part, need.Ways.Need, best.Rig);
        if (fit.SecondBestFor.HasFlag(Shortfalls.Iso)) return $": ISO {English.Iso(fit.Iso)}, {English.Tenths(fit.StopsOver)} stops over";
        if (fit.SecondBestFor.HasFlag(Shortfalls.WiderThanAsked)) return ": wider than asked, and still the picture";
        if (fit.SecondBestFor.HasFlag(Shortfalls.TighterThanAsked)) return ": tighter than asked, and still the picture";
        if (fit.SecondBestFor.HasFlag(Shortfalls.TooShort) || fit.SecondBestFor.HasFlag(
            Shortfalls.TooLong)) return $": {English.Tenths(fit.Framing.Factor)}× off the framing";
        return "";
    }

    private static string Margin(Kit kit, NeedFinding need)
    {
        if (need.Margin is not { } margin) return "No three failures together take it away.";
        var smallest = need.Cuts.Where(c => c.Length == margin).ToList();
        var folded = CutWords.Fold(kit.Plan, [.. smallest.Select(c => (IReadOnlyList<string>)[.. c.Select(i => kit.Items[i].Id)])]);
        var rest = folded.Count - Named;
        return $"It is late or lost only without {string.Join("; or ", folded.Take(Named))}{(rest > 0 ? $"; and {English.Number(rest)} more such" : "")}.";
    }
}
