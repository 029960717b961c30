using YokePair.Core.Basics;
using YokePair.Core.Failure;
using YokePair.Core.Locker;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>What a loss does in one part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Worst">Worst outcome among the needs it makes worse; null where it makes none worse.</param>
/// <param name="Needs">Ids of the needs it makes worse, the worst first.</param>
public sealed record WhatIfCell(string Part, Outcome? Worst, IReadOnlyList<string> Needs);

/// <summary>A loss, part by part.</summary>
/// <param name="Id">Id of the thing, place, person, radio system, battery type or event; for a rig, of its body.</param>
/// <param name="Kind">What goes.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Items">Ids of everything that goes with it in any part.</param>
/// <param name="Cells">Every part, in the order of the day.</param>
/// <param name="Costs">How many once and must needs become late or lost.</param>
/// <param name="FromPart">Part from which on an event of one's own lasts; null = from the start of the day.</param>
/// <param name="UntilPart">Part by which it is mended; null = not that day.</param>
public sealed record WhatIfRow(string Id, LossKind Kind, string Name, IReadOnlyList<string> Items, IReadOnlyList<WhatIfCell> Cells, int Costs, string? FromPart = null, string? UntilPart = null);

/// <summary>How many things of one kind, and of no other, must fail together to cost a picture that matters.</summary>
/// <param name="Kind">Kind of thing, as in a plan file.</param>
/// <param name="Margin">How many; null = beyond 3.</param>
public sealed record KindMargin(string Kind, int? Margin);

/// <summary>Every loss against every part.</summary>
/// <param name="Headline">The whole in a sentence a client could read.</param>
/// <param name="Rows">Losses, the most harmful first.</param>
/// <param name="Harmless">How many of them make nothing late or lost.</param>
/// <param name="Causes">What several things have in common that could take them together.</param>
/// <param name="Margins">By kind of thing, how many of that kind must fail together to cost a picture that matters; the smallest first.</param>
public sealed record WhatIfTable(string Headline, IReadOnlyList<WhatIfRow> Rows, int Harmless, IReadOnlyList<SharedCause> Causes, IReadOnlyList<KindMargin> Margins)
{
    /// <summary>Tries every loss of a day.</summary>
    public static WhatIfTable Of(Plan plan)
    {
        var day = new DayAnalysis(plan);
        var parts = day.Parts.OrderBy(p => p.Part.Start).ToList();
        var rows = Losses.Of(day.Kit).Select(loss => loss.Changes is { } changes ? Changed(day, parts, loss, changes(plan)) : Gone(day, parts, loss)).ToList();
        var ordered = rows.OrderByDescending(r => r.Costs).ThenByDescending(r => r.Cells.Count(c => c.Worst is not null)).ThenByDescending(r => r.Kind).ToList();
        return new WhatIfTable(Say(day, ordered), ordered, ordered.Count(r => r.Costs == 0), SharedCauses.Of(day), MarginsOf(day));
    }

    private static IReadOnlyList<KindMargin> MarginsOf(DayAnalysis day)
    {
        var items = day.Kit.Items;
        var cuts = day.Parts.SelectMany(p => p.Needs).Where(n => n.Need.Importance != Importance.Nice).SelectMany(n => n.Cuts).ToList();
        return [.. items.Select(KindOf).Distinct(StringComparer.Ordinal)
            .Select(kind => new KindMargin(kind, cuts.Where(c => Array.TrueForAll(c, i => KindOf(items[i]) == kind)).Select(c => (int?)c.Length).Min()))
            .OrderBy(m => m.Margin ?? int.MaxValue)];

        static string KindOf(Item item) => FigureCatalogue.KindOf(item);
    }

    /// <summary>How a need comes to what a loss leaves of it, link by link; null when there is no such loss or need.</summary>
    public static IReadOnlyList<string>? Chain(Plan plan, LossKind kind, string id, string part, string need)
    {
        var day = new DayAnalysis(plan);
        if (Losses.Find(day.Kit, kind, id) is not { } loss) return null;
        if (loss.Changes is { } changes) return new DayAnalysis(changes(plan)).Explain(part, need)?.Chain;
        if (plan.Parts.FirstOrDefault(p => p.Id == part) is not { } there) return null;
        var gone = loss.Goes!(new PartLayout(day.Kit, there)).Select(i => new Pulled(day.Kit.Items[i].Id)).ToList();
        return new DayAnalysis(plan, gone).Explain(part, need)?.Chain;
    }

    /// <summary>One loss alone, in some parts or all; null when there is no such.</summary>
    internal static WhatIfRow? RowOf(DayAnalysis day, LossKind kind, string id, IReadOnlySet<string>? only = null)
    {
        if (Losses.Find(day.Kit, kind, id) is not { } loss) return null;
        List<PartFindings> parts = [.. day.Plan.Parts.Where(p => only?.Contains(p.Id) != false).OrderBy(p => p.Start).Select(p => day.Find(p, withCuts: false))];
        return loss.Changes is { } changes ? Changed(day, parts, loss, changes(day.Plan)) : Gone(day, parts, loss);
    }

    private static WhatIfRow Gone(DayAnalysis day, List<PartFindings> parts, Loss loss)
    {
        var all = new SortedSet<int>();
        var costs = 0;
        var own = loss.Kind == LossKind.Own ? day.Plan.Events?.FirstOrDefault(e => e.Id == loss.Id) : null;
        var cells = parts.Select(part =>
        {
            var gone = loss.Goes!(part.Ways.Layout);
            all.UnionWith(gone);
            var failed = (bool[])part.Failed.Clone();
            foreach (var i in gone) failed[i] = true;
            return Cell(part.Part, part.Needs.Select(n => (n.Need, n.Outcome, After: Array.Exists(gone, n.Uses) ? day.Left(n, failed).Outcome : n.Outcome)), ref costs);
        }).ToList();
        return new WhatIfRow(loss.Id, loss.Kind, loss.Name, [.. all.Select(i => day.Kit.Items[i].Id)], cells, costs, own?.FromPart, own?.UntilPart);
    }

    private static WhatIfRow Changed(DayAnalysis day, List<PartFindings> parts, Loss loss, Plan changed)
    {
        var other = new DayAnalysis(changed);
        var then = changed.Parts.Where(p => parts.Exists(o => o.Part.Id == p.Id)).AsParallel().Select(p => other.Find(p, withCuts: false)).ToDictionary(p => p.Part.Id, StringComparer.Ordinal);
        var costs = 0;
        var cells = parts.Select(part => Cell(part.Part, part.Needs.Zip(then[part.Part.Id].Needs, (before, after) => (before.Need, before.Outcome, after.Outcome)), ref costs)).ToList();
        return new WhatIfRow(loss.Id, loss.Kind, loss.Name, [], cells, costs);
    }

    private static WhatIfCell Cell(Part part, IEnumerable<(Need Need, Outcome Before, Outcome After)> needs, ref int costs)
    {
        var worse = needs.Where(n => n.After > n.Before).OrderByDescending(n => n.After).ToList();
        costs += worse.Count(n => n.Need.Importance != Importance.Nice && n.Before.IsMet() && !n.After.IsMet());
        return new WhatIfCell(part.Id, worse.Count == 0 ? null : worse[0].After, [.. worse.Select(n => n.Need.Id)]);
    }

    private static string Say(DayAnalysis day, List<WhatIfRow> rows)
    {
        var gaps = day.Parts.Sum(p => p.Needs.Count(n => n.Need.Importance != Importance.Nice && !n.Outcome.IsMet()));
        var counted = day.Parts.Sum(p => p.Needs.Count(n => n.Need.Importance != Importance.Nice)) - gaps;
        var harmful = rows.Where(r => r.Costs > 0).ToList();
        var proof = $"{English.Capital(English.Number(counted))} pictures that matter, {rows.Count} losses tried";
        var uncovered = gaps == 0 ? "" : $" {English.Capital(English.Number(gaps))} more {(gaps == 1 ? "is" : "are")} not covered even with everything there.";
        if (harmful.Count == 0) return $"{proof}: whatever single thing, camera, bag or person is lost, every one of them can still be taken in time.{uncovered}";
        var kinds = harmful.GroupBy(r => r.Kind).OrderBy(g => g.Key).Select(g => $"{English.Number(g.Count())} {Noun(g.Key, g.Count())}").ToList();
        return $"{proof}: {English.List(kinds)} could each cost at least one.{uncovered}";

        static string Noun(LossKind kind, int n) => kind switch
        {
            LossKind.Item => n == 1 ? "thing" : "things",
            LossKind.Rig => n == 1 ? "camera with all on it" : "cameras with all on them",
            LossKind.Place => n == 1 ? "bag or place" : "bags or places",
            LossKind.Person => n == 1 ? "person" : "people",
            LossKind.Radio => n == 1 ? "radio system" : "radio systems",
            LossKind.Batteries => n == 1 ? "type of battery refused" : "types of batteries refused",
            _ => n == 1 ? "event of your own" : "events of your own",
        };
    }
}
