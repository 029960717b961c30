using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>The kinds of things, by the words a plan file calls them.</summary>
public static class ItemKinds
{
    /// <summary>Type of a battery or of cells; null of anything else.</summary>
    internal static string? ChargeType(this Item item) => (item as Battery)?.Type ?? (item as Cells)?.Type;

    private static readonly Dictionary<Type, string> Words =
        typeof(Item).GetCustomAttributes(typeof(JsonDerivedTypeAttribute), false).Cast<JsonDerivedTypeAttribute>()
            .ToDictionary(a => a.DerivedType, a => (string)a.TypeDiscriminator!);

    /// <summary>The record of each kind, in the order of the file's documentation.</summary>
    public static IReadOnlyDictionary<string, Type> Types { get; } = Words.ToDictionary(w => w.Value, w => w.Key, StringComparer.Ordinal);

    /// <summary>Kind of a thing, as in a plan file.</summary>
    public static string Of(Item item) => Words[item.GetType()];

    /// <summary>
    /// Whether a kit is not thought of without it: power, cards and what belongs to no picture by itself. The rest is chosen.
    /// </summary>
    public static bool IsFixed(this Item item) => item is not (
        Body or Lens or Adapter or Converter or Tube or Flash or Trigger or Support or Filter or StandLight);
}
