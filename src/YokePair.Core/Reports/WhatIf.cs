using YokePair.Core.Failure;
using YokePair.Core.Plans;
using YokePair.Core.Ways;

namespace YokePair.Core.Reports;

/// <summary>What can go at once.</summary>
public enum LossKind
{
    /// <summary>One thing dies.</summary>
    Item,

    /// <summary>A camera is dropped or stolen with all that is on it and in it.</summary>
    Rig,

    /// <summary>A bag or the car is stolen, or cannot be got at.</summary>
    Place,

    /// <summary>A person is absent, with what they hold and what is in their bags.</summary>
    Person,
}

/// <summary>What a loss does in one part.</summary>
/// <param name="Part">Part id.</param>
/// <param name="Worst">Worst outcome among the needs it makes worse; null where it makes none worse.</param>
/// <param name="Needs">Ids of the needs it makes worse, the worst first.</param>
public sealed record WhatIfCell(string Part, Outcome? Worst, IReadOnlyList<string> Needs);

/// <summary>A loss, part by part.</summary>
/// <param name="Id">Id of the thing, place or person; for a rig, of its body.</param>
/// <param name="Kind">What goes.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Items">Ids of everything that goes with it in any part.</param>
/// <param name="Cells">Every part, in the order of the day.</param>
/// <param name="Costs">How many once and must needs become late or lost.</param>
public sealed record WhatIfRow(string Id, LossKind Kind, string Name, IReadOnlyList<string> Items, IReadOnlyList<WhatIfCell> Cells, int Costs);

/// <summary>Every loss against every part.</summary>
/// <param name="Headline">The whole in a sentence a client could read.</param>
/// <param name="Rows">Losses, the most harmful first.</param>
/// <param name="Harmless">How many of them make nothing late or lost.</param>
public sealed record WhatIfTable(string Headline, IReadOnlyList<WhatIfRow> Rows, int Harmless)
{
    /// <summary>Tries every single thing, every camera with all on it, every place and every person of a day.</summary>
    public static WhatIfTable Of(Plan plan)
    {
        var day = new DayAnalysis(plan);
        var kit = day.Kit;
        var parts = day.Parts.OrderBy(p => p.Part.Start).ToList();
        var rows = new List<WhatIfRow>();
        for (var i = 0; i < kit.Items.Length; i++)
        {
            var item = i;
            rows.Add(Row(kit.Items[i].Id, LossKind.Item, kit.Items[i].Label, _ => [item]));
        }
        foreach (var body in kit.Bodies) rows.Add(Row(kit.Items[body].Id, LossKind.Rig, $"{kit.Items[body].Label} and all on it", part => RigOf(kit, part.Ways.Layout, body)));
        for (var p = 0; p < plan.Places.Count; p++)
        {
            var place = p;
            rows.Add(Row(plan.Places[p].Id, LossKind.Place, plan.Places[p].Name ?? plan.Places[p].Id, part => [.. Enumerable.Range(0, kit.Items.Length).Where(i => part.Ways.Layout.SourceOf(i) == place)]));
        }
        foreach (var person in plan.People) rows.Add(Without(person));
        var ordered = rows.OrderByDescending(r => r.Costs).ThenByDescending(r => r.Cells.Count(c => c.Worst is not null)).ThenByDescending(r => r.Kind).ToList();
        return new WhatIfTable(Say(plan, day, ordered), ordered, ordered.Count(r => r.Costs == 0));

        WhatIfRow Row(string id, LossKind kind, string name, Func<PartFindings, int[]> goes)
        {
            var all = new SortedSet<int>();
            var costs = 0;
            var cells = parts.Select(part =>
            {
                var gone = goes(part);
                all.UnionWith(gone);
                var failed = (bool[])part.Failed.Clone();
                foreach (var i in gone) failed[i] = true;
                return Cell(part.Part, part.Needs.Select(n => (n.Need, n.Outcome, After: n.Best is not null && Array.Exists(gone, n.Best.Uses) ? day.BestOf(n.Ways, failed).Outcome : n.Outcome)), ref costs);
            }).ToList();
            return new WhatIfRow(id, kind, name, [.. all.Select(i => kit.Items[i].Id)], cells, costs);
        }

        WhatIfRow Without(Person person)
        {
            var others = plan.People.Where(p => p.Id != person.Id).Select(p => p.Id).ToList();
            var costs = 0;
            var cells = parts.Select(part =>
            {
                var left = part.Part with { Present = [.. (part.Part.Present ?? [.. plan.People.Select(p => p.Id)]).Where(others.Contains)] };
                var found = day.Find(left);
                return Cell(part.Part, part.Needs.Zip(found.Needs, (before, after) => (before.Need, before.Outcome, after.Outcome)), ref costs);
            }).ToList();
            return new WhatIfRow(person.Id, LossKind.Person, $"{person.Name ?? person.Id} is absent", [], cells, costs);
        }
    }

    private static WhatIfCell Cell(Part part, IEnumerable<(Need Need, Outcome Before, Outcome After)> needs, ref int costs)
    {
        var worse = needs.Where(n => n.After > n.Before).OrderByDescending(n => n.After).ToList();
        costs += worse.Count(n => n.Need.Importance != Importance.Nice && n.Before.IsMet() && !n.After.IsMet());
        return new WhatIfCell(part.Id, worse.Count == 0 ? null : worse[0].After, [.. worse.Select(n => n.Need.Id)]);
    }

    /// <summary>The body, what its setup hangs on it, and what is packed on or in any of that.</summary>
    private static int[] RigOf(Kit kit, PartLayout layout, int body)
    {
        var rig = new HashSet<int> { body };
        foreach (var glass in layout.OnBody(body)) rig.Add(glass);
        if (layout.SetupOf(body) is { } setup)
            foreach (var (_, id) in setup.Named()) rig.Add(kit.IndexOf(id));
        for (var grew = true; grew;)
        {
            grew = false;
            for (var i = 0; i < kit.Items.Length; i++)
                if (kit.RestsOn[i] != Kit.None && rig.Contains(kit.RestsOn[i]) && layout.SetupOf(i) is null) grew |= rig.Add(i);
        }
        return [.. rig];
    }

    private static string Say(Plan plan, DayAnalysis day, List<WhatIfRow> rows)
    {
        var gaps = day.Parts.Sum(p => p.Needs.Count(n => n.Need.Importance != Importance.Nice && !n.Outcome.IsMet()));
        var counted = day.Parts.Sum(p => p.Needs.Count(n => n.Need.Importance != Importance.Nice)) - gaps;
        var harmful = rows.Where(r => r.Costs > 0).ToList();
        var proof = $"{Words.Capital(Words.Number(counted))} pictures that matter, {rows.Count} losses tried";
        if (harmful.Count == 0) return $"{proof}: whatever single thing, camera, bag or person is lost, every one of them can still be taken in time.";
        var kinds = harmful.GroupBy(r => r.Kind).OrderBy(g => g.Key).Select(g => $"{Words.Number(g.Count())} {Noun(g.Key, g.Count())}").ToList();
        return $"{proof}: {Words.List(kinds)} could each cost at least one.";

        static string Noun(LossKind kind, int n) => kind switch
        {
            LossKind.Item => n == 1 ? "thing" : "things",
            LossKind.Rig => n == 1 ? "camera with all on it" : "cameras with all on them",
            LossKind.Place => n == 1 ? "bag or place" : "bags or places",
            _ => n == 1 ? "person" : "people",
        };
    }
}
