using YokePair.Core.Plans;

namespace YokePair.Core.Failure;

/// <summary>What a loss does in a part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Worst">Worst outcome of the needs it makes worse; null where it makes none worse.</param>
/// <param name="Needs">Ids of the needs it makes worse.</param>
public sealed record LossCell(string Part, Outcome? Worst, IReadOnlyList<string> Needs);

/// <summary>What a loss does over the day.</summary>
/// <param name="Id">Id of the loss.</param>
/// <param name="Kind">What is lost.</param>
/// <param name="Items">Ids of the things that are gone with it.</param>
/// <param name="Cells">Part by part, in order of time.</param>
/// <param name="Costs">Once and must needs that it alone makes late or lost.</param>
public sealed record LossRow(string Id, LossKind Kind, IReadOnlyList<string> Items, IReadOnlyList<LossCell> Cells, int Costs);

/// <summary>Every loss against every part.</summary>
public static class LossRows
{
    /// <summary>Rows of all losses, in the order they are thought of.</summary>
    public static IReadOnlyList<LossRow> Of(DayAnalysis day, CancellationToken cancel = default)
    {
        var parts = InOrder(day, null);
        return [.. Losses.Of(day.Kit).Select(loss =>
        {
            cancel.ThrowIfCancellationRequested();
            return RowOf(day, parts, loss);
        })];
    }

    /// <summary>The row of one loss, of some parts or of all; null when there is no such loss.</summary>
    public static LossRow? Find(DayAnalysis day, LossKind kind, string id, IReadOnlySet<string>? only = null) =>
        Losses.Find(day.Kit, kind, id) is { } loss ? RowOf(day, InOrder(day, only), loss) : null;

    private static List<PartFindings> InOrder(DayAnalysis day, IReadOnlySet<string>? only) =>
        only is null ? [.. day.Outcomes.OrderBy(p => p.Part.Start)]
            : [.. day.Plan.Parts.Where(p => only.Contains(p.Id)).OrderBy(p => p.Start).Select(p => day.PartOf(p.Id)!)];

    private static LossRow RowOf(DayAnalysis day, List<PartFindings> parts, Loss loss)
    {
        var items = new SortedSet<int>();
        var changed = day.Changed(loss);
        var costs = 0;
        var cells = new List<LossCell>();
        foreach (var part in parts)
        {
            var worse = (changed is null ? Gone(day, part, loss, items) : Changed(part, changed.Touched(day, loss, part)))
                .Where(n => n.After > n.Before.Outcome).OrderByDescending(n => n.After).ToList();
            costs += worse.Count(n => n.Before.Need.Importance != Importance.Nice && n.Before.Outcome.IsMet() && !n.After.IsMet());
            cells.Add(new LossCell(part.Part.Id, worse.Count == 0 ? null : worse[0].After, [.. worse.Select(n => n.Before.Need.Id)]));
        }
        return new LossRow(loss.Id, loss.Kind, [.. items.Select(i => day.Kit.Items[i].Id)], cells, costs);
    }

    private static IEnumerable<(NeedFinding Before, Outcome After)> Gone(DayAnalysis day, PartFindings part, Loss loss, SortedSet<int> all)
    {
        var gone = loss.ItemsIn!(part.Ways.Layout);
        all.UnionWith(gone);
        var failed = part.FailedWith(gone);
        // While the way one would take anyway stands, nothing changes.
        return part.Needs.Select(n => (n, n.UsesAny(gone) ? day.Left(n, failed).Outcome : n.Outcome));
    }

    private static IEnumerable<(NeedFinding Before, Outcome After)> Changed(PartFindings part, PartFindings then) =>
        part.Needs.Zip(then.Needs, (before, after) => (before, after.Outcome));
}
