using System.Text.Json.Nodes;
using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>A thing as a file gives it.</summary>
/// <param name="Line">Its line or place in the file, from 1.</param>
/// <param name="Label">What the file calls it.</param>
/// <param name="Kind">Its kind, as far as it can be told.</param>
/// <param name="Texts">Figures as texts, by name (a table); null for a JSON file.</param>
/// <param name="Whole">The whole thing (a JSON file); null for a table.</param>
/// <param name="Problems">What is wrong with it already.</param>
public sealed record FiledThing(int Line, string Label, string Kind, IReadOnlyDictionary<string, string>? Texts, JsonObject? Whole,
    IReadOnlyList<PlanProblem> Problems);

/// <summary>What an import would do with one row.</summary>
public enum RowAction
{
    /// <summary>A new thing.</summary>
    Added,

    /// <summary>A thing that is there gets other figures.</summary>
    Changed,

    /// <summary>It is there as it is in the file.</summary>
    Same,

    /// <summary>It cannot be taken.</summary>
    Refused,
}

/// <summary>One row of an import, weighed.</summary>
/// <param name="Line">Line in the file.</param>
/// <param name="Action">What would be done.</param>
/// <param name="Kind">Kind of thing.</param>
/// <param name="Name">What it is called.</param>
/// <param name="What">For a change, which figures from what to what.</param>
/// <param name="Problems">For a refusal, why.</param>
public sealed record ImportRow(int Line, RowAction Action, string Kind, string Name, IReadOnlyList<string> What, IReadOnlyList<PlanProblem> Problems);

/// <summary>What an import would do, row by row, with the things as they would be.</summary>
/// <param name="Rows">Every row.</param>
/// <param name="Things">Things added or changed.</param>
public sealed record WeighedImport(IReadOnlyList<ImportRow> Rows, IReadOnlyList<Item> Things)
{
    /// <summary>Whether all of it can be taken.</summary>
    public bool Clean => Rows.All(r => r.Action != RowAction.Refused);

    /// <summary>Compares a file with a locker. A row speaks of a thing that is there if it has its id, else its serial number, else its kind, name and
    /// number.</summary>
    public static WeighedImport Of(IReadOnlyList<Item> locker, IReadOnlyList<FiledThing> file)
    {
        var known = new Known(locker);
        var rows = new List<ImportRow>();
        var things = new List<Item>();
        var seen = new Dictionary<string, int>(StringComparer.Ordinal);
        foreach (var filed in file)
        {
            var (item, row) = Weigh(filed, known);
            if (item is not null && !seen.TryAdd(item.Id, filed.Line))
            {
                row = row with
                {
                    Action = RowAction.Refused,
                    Problems =
                    [new PlanProblem("id", $"line {seen[item.Id]} is the same thing; keep one of the two, or give them different numbers")]
                };
                item = null;
            }
            rows.Add(row);
            if (item is not null && row.Action is RowAction.Added or RowAction.Changed) things.Add(item!);
        }
        return new WeighedImport(rows, things);
    }

    private static (Item?, ImportRow) Weigh(FiledThing filed, Known known)
    {
        if (filed.Problems.Count > 0) return Refuse(filed.Problems);
        if (!FigureCatalogue.Kinds.Contains(filed.Kind)) return Refuse(
            [new PlanProblem("kind", $"\"{filed.Kind}\" is no kind; kinds are {string.Join(", ", FigureCatalogue.Kinds)}")]);
        var old = known.Find(filed);
        if (old is not null && ItemKinds.Of(old) != filed.Kind) return Refuse(
            [new PlanProblem("kind", $"\"{old.Id}\" is a {ItemKinds.Of(old)} in the locker, not a {filed.Kind}")]);
        var before = old is null ? null : FigureCatalogue.ToJson(old);
        var thing = filed.Whole is not null ? (JsonObject)filed.Whole.DeepClone() : before is null ? new JsonObject { ["kind"] = filed.Kind }
            : (JsonObject)before.DeepClone();
        var problems = (filed.Texts ?? new Dictionary<string, string>()).Where(t => t.Value.Trim().Length > 0)
            // Setting a figure takes its mark as an estimate away; the marks of the file come last.
            .OrderBy(t => t.Key == "estimated")
            .Select(t => LockerFigures.Set(thing, filed.Kind, t.Key, t.Value)).OfType<PlanProblem>().ToList();
        if (problems.Count > 0) return Refuse(problems);
        if (old is null && filed.Whole is null)
        {
            var missing = Typical.Essentials(filed.Kind).Where(e => thing[e.Figure] is null)
                .Select(e => new PlanProblem(e.Figure, $"is missing: {e.Question}")).ToList();
            if (missing.Count > 0) return Refuse(missing);
            // A row with an id was written by a locker: what it does not say is not known, and stays so.
            if (filed.Texts?.ContainsKey("id") != true) Typical.Fill(filed.Kind, thing);
            thing["name"] ??= Naming.Full(filed.Kind, thing, (int?)thing["number"]?.GetValue<double>());
        }
        thing["id"] = old?.Id ?? (thing["id"]?.GetValue<string>() is { Length: > 0 } id ? id : known.NewId(filed.Kind, thing));
        if (ItemIds.Wrong(thing["id"]!.ToString()) is { } unfit) return Refuse([new PlanProblem("id", unfit)]);
        var (item, wrong) = PlanFile.ReadItem(thing);
        if (item is null) return Refuse(wrong);
        known.Take(item.Id);
        if (old is null) return (item, new ImportRow(filed.Line, RowAction.Added, filed.Kind, item.Label, Figures(filed, FigureCatalogue.ToJson(item)), []));
        var what = Differences(filed.Kind, before!, FigureCatalogue.ToJson(item));
        return (item, new ImportRow(filed.Line, what.Count == 0 ? RowAction.Same : RowAction.Changed, filed.Kind, item.Label, what, []));

        (Item?, ImportRow) Refuse(IReadOnlyList<PlanProblem> why) => (null, new ImportRow(filed.Line, RowAction.Refused, filed.Kind, filed.Label, [], why));
    }

    /// <summary>Every figure a new thing comes with; those nobody gave are said to be the usual ones.</summary>
    private static List<string> Figures(FiledThing filed, JsonObject thing)
    {
        var usual = (thing["estimated"]?.AsArray() ?? []).Select(e => (string?)e).ToHashSet();
        return [.. FigureCatalogue.Of(filed.Kind).Where(f => f.Name != "name" && thing[f.Name] is not null
            && (usual.Contains(f.Name) || IsGiven(f.Name))).Select(
            f => $"{f.Words} {f.SayWithUnit(thing[f.Name])}{(usual.Contains(f.Name) ? ", as usual" : "")}")];

        bool IsGiven(string figure) => filed.Texts?.ContainsKey(figure) ?? filed.Whole?.ContainsKey(figure) == true;
    }

    private static List<string> Differences(string kind, JsonObject before, JsonObject after)
    {
        var what = new List<string>();
        foreach (var figure in FigureCatalogue.Of(kind))
        {
            var (was, now) = (figure.Format(before[figure.Name]), figure.Format(after[figure.Name]));
            if (was != now) what.Add($"{figure.Words} {(was.Length == 0 ? "not said" : was)} → {(now.Length == 0 ? "not said" : now)}");
        }
        if (what.Count == 0 && !JsonNode.DeepEquals(before, after)) what.Add("figures that are no longer estimates, or unknown fields");
        return what;
    }

    private sealed class Known
    {
        private readonly Dictionary<string, Item> byId;
        private readonly Dictionary<string, Item> bySerial = new(StringComparer.OrdinalIgnoreCase);
        private readonly Dictionary<(string, string, int?), Item> byName = [];
        private readonly HashSet<string> ids;

        public Known(IReadOnlyList<Item> locker)
        {
            byId = locker.ToDictionary(i => i.Id, StringComparer.Ordinal);
            ids = [.. byId.Keys];
            foreach (var item in locker)
            {
                if (item.Serial is { Length: > 0 } serial) bySerial.TryAdd(serial, item);
                byName.TryAdd((ItemKinds.Of(item), item.Label, item.Number), item);
            }
        }

        public Item? Find(FiledThing filed)
        {
            var text = (string name) => filed.Texts is { } texts ? texts.GetValueOrDefault(name)?.Trim() : (filed.Whole?[name] as JsonValue)?.ToString();
            if (text("id") is { Length: > 0 } id) return byId.GetValueOrDefault(id);
            if (text("serial") is { Length: > 0 } serial && bySerial.TryGetValue(serial, out var same)) return same;
            return text("name") is { Length: > 0 } name && byName.TryGetValue((filed.Kind, name, int.TryParse(text("number"), out var n) ? n : null),
                out var named) ? named : null;
        }

        public string NewId(string kind, JsonObject thing) => ItemIds.New(kind, thing["name"]?.GetValue<string>() ?? kind, ids);

        public void Take(string id) => ids.Add(id);
    }
}
