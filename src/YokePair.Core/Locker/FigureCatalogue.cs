using System.Text.Json;
using System.Text.Json.Nodes;
using System.Text.Json.Serialization.Metadata;
using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Locker;

/// <summary>
/// Every figure of every kind, read off the types that the files are read with, so that forms, tables and files cannot
/// come apart.
/// </summary>
public static class FigureCatalogue
{
    private static readonly string[] NotFigures = ["id", "place", "estimated"];

    private static readonly (string Suffix, string Unit)[] Units =
    [
        ("MegabytesPerSecond", "MB/s"), ("Megabytes", "MB"), ("Gigabytes", "GB"), ("WattHours", "Wh"), ("Seconds", "s"), ("Megapixels", "MP"),
        ("Watts", "W"), ("Stops", "stops"), ("Hours", "h"), ("Minutes", "min"), ("Mm", "mm"), ("G", "g"), ("M", "m"),
    ];

    /// <summary>Every kind, in the order the plan file knows them.</summary>
    public static IReadOnlyList<string> Kinds { get; } = [.. ItemKinds.Types.Keys];

    /// <summary>Every figure, those of all kinds first.</summary>
    public static IReadOnlyList<Figure> All { get; } = Build();

    /// <summary>Figures of one kind.</summary>
    public static IEnumerable<Figure> Of(string kind) => All.Where(f => f.Kinds.Contains(kind));

    /// <summary>A figure by its name, for a kind; null when that kind has none such.</summary>
    public static Figure? Find(string kind, string name) => All.FirstOrDefault(f => f.Name.Equals(name, StringComparison.OrdinalIgnoreCase)
        && f.Kinds.Contains(kind));

    /// <summary>A thing as its JSON object.</summary>
    public static JsonObject ToJson(Item item) => (JsonObject)JsonSerializer.SerializeToNode(item, PlanFile.JsonOptions)!;

    private static List<Figure> Build()
    {
        var found = new List<(string Kind, JsonPropertyInfo Property)>();
        foreach (var (kind, type) in ItemKinds.Types)
            foreach (var property in PlanFile.JsonOptions.GetTypeInfo(type).Properties)
                if (!property.IsExtensionData && property.Get is not null && !NotFigures.Contains(property.Name)) found.Add((kind, property));
        return
        [
            .. found.GroupBy(f => (f.Property.Name, f.Property.PropertyType))
                .Select(g => Make(g.Key.Name, g.Key.PropertyType, [.. g.Select(f => f.Kind)]))
                .OrderByDescending(f => f.Kinds.Count == ItemKinds.Types.Count),
        ];
    }

    private static Figure Make(string name, Type type, string[] kinds)
    {
        var bare = Nullable.GetUnderlyingType(type) ?? type;
        var (suffix, unit) = Units.FirstOrDefault(u => name.EndsWith(u.Suffix, StringComparison.Ordinal)
            || name.Equals(u.Suffix, StringComparison.OrdinalIgnoreCase));
        var stem = suffix is null || name.Length <= suffix.Length || suffix.Length > 2 ? name : name[..^suffix.Length];
        string[] options = bare.IsEnum ? [.. Enum.GetNames(bare).Select(n => char.ToLowerInvariant(n[0]) + n[1..])] : [];
        // Lux are what is measured, the metre only says where.
        if (stem == "luxAtOne") unit = "lux";
        return new Figure(name, Words(stem), unit, FormOf(bare), options, kinds);
    }

    private static FigureForm FormOf(Type type) =>
        type.IsEnum ? FigureForm.Choice
        : type == typeof(double) || type == typeof(int) ? FigureForm.Number
        : type == typeof(bool) ? FigureForm.YesNo
        : type == typeof(Interval) ? FigureForm.Range
        : type == typeof(DateOnly) ? FigureForm.Day
        : type == typeof(IReadOnlyList<double>) ? FigureForm.Numbers
        : type == typeof(IReadOnlyList<CardSlot>) ? FigureForm.Slots
        : type == typeof(IReadOnlyList<string>) ? FigureForm.Texts
        : FigureForm.Text;

    private static string Words(string name) => name == "luxAtOne" ? "lux at 1 m" : Spelt(name);

    private static string Spelt(string name) =>
        string.Concat(name.Select((c, i) => char.IsUpper(c) && i > 0 ? " " + char.ToLowerInvariant(c) : c.ToString()))
            .Replace("iso ", "ISO ", StringComparison.Ordinal);
}
