using System.Diagnostics.CodeAnalysis;
using System.Text.Json;
using System.Text.Json.Nodes;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>How a plan differs from another, section by section. Undo and redo are such differences.</summary>
/// <param name="Sections">Changed sections by name; those not named are alike.</param>
public sealed record PlanDelta(IReadOnlyDictionary<string, SectionChange> Sections)
{
    /// <summary>What leads from one plan to the other.</summary>
    public static PlanDelta To(Plan from, Plan to) => new(
        PlanSection.All.Select(s => (s.Name, Change: s.Change(from, to))).Where(s => s.Change is not null)
            .ToDictionary(s => s.Name, s => s.Change!, StringComparer.Ordinal));

    /// <summary>A plan with the changes made.</summary>
    public Plan ApplyTo(Plan plan) => PlanSection.All.Aggregate(plan, (next, section) => Sections.TryGetValue(section.Name, out var change)
        ? section.Apply(next, change) : next);

    /// <summary>As it is stored.</summary>
    public byte[] Write() => JsonSerializer.SerializeToUtf8Bytes(this, PlanFile.JsonOptions);

    /// <summary>Reads what was stored; false where it cannot be read.</summary>
    public static bool TryRead(byte[] stored, [NotNullWhen(true)] out PlanDelta? delta)
    {
        try
        {
            delta = Read(stored);
        }
        catch (Exception e) when (e is JsonException or NotSupportedException or InvalidOperationException)
        {
            delta = null;
        }
        return delta is not null;
    }

    /// <summary>Reads what was stored, also as an earlier version of the program wrote it.</summary>
    public static PlanDelta Read(byte[] stored) =>
        JsonNode.Parse(stored) is JsonObject json && !json.ContainsKey("sections") ? OfEarlierVersion(json)
            : JsonSerializer.Deserialize<PlanDelta>(stored, PlanFile.JsonOptions)!;

    /// <summary>Changed parts and items, gone items, an order of parts; people, places and events whole.</summary>
    private static PlanDelta OfEarlierVersion(JsonObject json)
    {
        var sections = new Dictionary<string, SectionChange>(StringComparer.Ordinal)
        {
            ["parts"] = new() { Put = List("parts"), Order = Texts("order") },
            ["items"] = new() { Put = List("items"), Gone = Texts("gone") },
        };
        foreach (var whole in new[] { "people", "places", "events" })
            if (List(whole) is { } all) sections[whole] = new SectionChange
            {
                Put = all,
                Order = [.. all.Select(x => x["id"]!.GetValue<string>())],
                IsNull = whole == "events" && all.Count == 0
            };
        return new PlanDelta(sections);

        List<JsonNode>? List(string name) => (json[name] as JsonArray)?.Select(x => x!.DeepClone()).ToList();
        List<string>? Texts(string name) => (json[name] as JsonArray)?.Select(x => x!.GetValue<string>()).ToList();
    }
}

internal static class PlanChanges
{
    /// <summary>Moves every part that starts at or after a time along, by as much as that time moved.</summary>
    public static Plan MoveOn(Plan plan, DateTime was, DateTime now, string except) => plan with
    {
        Parts = [.. plan.Parts.Select(p => p.Id != except && p.Start >= was ? p with { Start = p.Start + (now - was), End = p.End + (now - was) } : p)],
    };

    /// <summary>The plan with one part in place of that with the same id.</summary>
    public static Plan With(this Plan plan, Part part) => plan with { Parts = [.. plan.Parts.Select(p => p.Id == part.Id ? part : p)] };
}
