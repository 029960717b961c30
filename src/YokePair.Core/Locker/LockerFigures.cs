using System.Text.Json.Nodes;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>Sets figures of things from text, one way for forms, tables and quick-add lines.</summary>
public static class LockerFigures
{
    /// <summary>A column that is understood though no thing has it: crop by the width of the sensor.</summary>
    public const string SensorWidth = "sensorWidthMm";

    /// <summary>Sets one figure of a thing's JSON; an empty text takes it away. A figure that is set is no estimate any more.</summary>
    /// <returns>What is wrong with it; null when it is set.</returns>
    public static PlanProblem? Set(JsonObject thing, string kind, string name, string text)
    {
        if (kind == "body" && name.Equals(SensorWidth, StringComparison.OrdinalIgnoreCase))
        {
            if (text.Trim().Length == 0) return null;
            var (width, wrong) = FigureCatalogue.Find("body", "crop")!.Parse(text);
            if (width is null || width.GetValue<double>() <= 0) return new PlanProblem(name, wrong ?? "expected mm above 0");
            thing["crop"] = Math.Round(36 / width.GetValue<double>(), 3);
            return null;
        }
        if (name is "id" or "estimated")
        {
            thing[name] = name == "id" ? text.Trim() : new JsonArray(
                [.. text.Split('+', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries).Select(e => (JsonNode)e)]);
            return null;
        }
        if (FigureCatalogue.Find(kind, name) is not { } figure) return new PlanProblem(name, $"a {kind} has no such figure");
        if (figure.Name == "name" && text.Length > 0 && PlanLimits.Name("name", text) is { } unnamed) return unnamed;
        if (text.Trim().Length == 0) thing.Remove(figure.Name);
        else
        {
            var (value, problem) = figure.Parse(text);
            if (value is null) return new PlanProblem(figure.Name, problem!);
            thing[figure.Name] = CardTypes.Of(kind, figure.Name, value);
        }
        if (thing["estimated"] is JsonArray estimated)
        {
            foreach (var mark in estimated.Where(e => e!.GetValue<string>() == figure.Name).ToList()) estimated.Remove(mark);
            if (estimated.Count == 0) thing.Remove("estimated");
        }
        return null;
    }

    /// <summary>A thing with some figures changed.</summary>
    /// <param name="item">The thing.</param>
    /// <param name="changes">Figure names with their new texts; empty or null takes a figure away.</param>
    /// <returns>The changed thing, or what is wrong by field.</returns>
    public static (Item? Item, IReadOnlyList<PlanProblem> Problems) Change(Item item, IEnumerable<KeyValuePair<string, string?>> changes)
    {
        var thing = FigureCatalogue.ToJson(item);
        var kind = ItemKinds.Of(item);
        if (changes.Any(c => c.Key == "id")) return (null, [new PlanProblem("id", "stays as it is; days and pairs know the thing by it")]);
        var problems = changes.Select(c => Set(thing, kind, c.Key, c.Value ?? "")).OfType<PlanProblem>().ToList();
        return problems.Count > 0 ? (null, problems) : PlanFile.ReadItem(thing);
    }
}
