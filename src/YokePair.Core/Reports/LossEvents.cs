using System.Text.Json;
using YokePair.Core.Failure;

namespace YokePair.Core.Reports;

/// <summary>What every loss does to every need.</summary>
internal static class LossEvents
{
    public static List<LossEvent> Of(DayAnalysis day)
    {
        // Most losses leave most parts as they are: said once.
        LossInPart[] asTheyAre = [.. day.Parts.Select(p => InPart(p, [.. p.Needs.Select(n => new LossOfNeed(n.Need.Id, n.Outcome, []))]))];
        return [.. Losses.Of(day.Kit).Select(loss => Of(day, loss, asTheyAre))];
    }

    private static LossEvent Of(DayAnalysis day, Loss loss, LossInPart[] asTheyAre)
    {
        var all = new SortedSet<int>();
        var changed = day.Changed(loss);
        LossInPart[] parts = [.. day.Parts.Zip(asTheyAre, (part, asItIs) =>
            changed is null ? WithoutItems(day, part, loss.ItemsIn!(part.Ways.Layout), all, asItIs) : Touched(part, changed.Touched(day, loss, part), asItIs))];
        return new LossEvent(loss.Id, JsonNamingPolicy.CamelCase.ConvertName(loss.Kind.ToString()), [.. all.Select(i => day.Kit.Items[i].Id)], parts);
    }

    private static LossInPart WithoutItems(DayAnalysis day, PartFindings part, int[] gone, SortedSet<int> all, LossInPart asItIs)
    {
        all.UnionWith(gone);
        bool[]? failed = null;
        LossOfNeed[]? needs = null;
        for (var n = 0; n < part.Needs.Count; n++)
        {
            // While the way one would take anyway stands, nothing changes.
            if (!part.Needs[n].UsesAny(gone)) continue;
            var (outcome, way) = day.Left(part.Needs[n], failed ??= part.FailedWith(gone));
            needs ??= [.. asItIs.Needs];
            needs[n] = new LossOfNeed(part.Needs[n].Need.Id, outcome, way is null ? [] : WayReports.Steps(day.Kit, part.Ways.Layout, way));
        }
        return needs is null ? asItIs : InPart(part, needs);
    }

    /// <summary>Where somebody is absent or a radio jammed: what to do now, where it is not what one would do anyway.</summary>
    private static LossInPart Touched(PartFindings part, PartFindings then, LossInPart asItIs)
    {
        return ReferenceEquals(part, then) ? asItIs : InPart(part, [.. part.Needs.Select((before, n) => Of(before, then.Needs[n], asItIs.Needs[n]))]);

        LossOfNeed Of(NeedFinding before, NeedFinding after, LossOfNeed asItWas) => ReferenceEquals(before, after) ? asItWas
            : new LossOfNeed(after.Need.Id, after.Outcome, after.Best is null || IsSame(before, after) ? []
                : WayReports.Steps(then.Ways.Kit, then.Ways.Layout, after.Best));
    }

    private static bool IsSame(NeedFinding before, NeedFinding after) =>
        before.Best is { } was && after.Best is { } now && was.Rig.Actor == now.Rig.Actor && was.Items.Order().SequenceEqual(now.Items.Order());

    private static LossInPart InPart(PartFindings part, LossOfNeed[] needs) =>
        new(part.Part.Id, needs.Length == 0 ? Outcome.Holds : needs.Max(n => n.Outcome), needs);
}
