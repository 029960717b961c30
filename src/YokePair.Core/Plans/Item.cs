using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>One physical thing, or a counted lot of identical consumables.</summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(Body), "body")]
[JsonDerivedType(typeof(Lens), "lens")]
[JsonDerivedType(typeof(Adapter), "adapter")]
[JsonDerivedType(typeof(Converter), "converter")]
[JsonDerivedType(typeof(Tube), "tube")]
[JsonDerivedType(typeof(Flash), "flash")]
[JsonDerivedType(typeof(Battery), "battery")]
[JsonDerivedType(typeof(Cells), "cells")]
[JsonDerivedType(typeof(Card), "card")]
[JsonDerivedType(typeof(Trigger), "trigger")]
[JsonDerivedType(typeof(Pack), "pack")]
[JsonDerivedType(typeof(Charger), "charger")]
[JsonDerivedType(typeof(PowerBank), "powerbank")]
[JsonDerivedType(typeof(Grip), "grip")]
[JsonDerivedType(typeof(CardReader), "reader")]
[JsonDerivedType(typeof(Drive), "drive")]
[JsonDerivedType(typeof(Support), "support")]
[JsonDerivedType(typeof(StandLight), "light")]
[JsonDerivedType(typeof(Modifier), "modifier")]
[JsonDerivedType(typeof(Filter), "filter")]
[JsonDerivedType(typeof(CarryGear), "carry")]
[JsonDerivedType(typeof(Case), "case")]
[JsonDerivedType(typeof(OtherThing), "other")]
public abstract record Item
{
    /// <summary>Stable id, unique among items, people and places.</summary>
    public required string Id { get; init; }

    /// <summary>What the photographer calls it; the id stands in where there is none.</summary>
    public string? Name { get; init; }

    /// <summary>A place's id, or <c>@item</c> (wherever that item is, e.g. on that body), or <c>@body/1</c> for slot 1.</summary>
    public string? Place { get; init; }

    /// <summary>Sometimes works: every way with it is second best.</summary>
    public bool Doubtful { get; init; }

    /// <summary>Number painted on it, to tell it from its like.</summary>
    public int? Number { get; init; }

    /// <summary>How many identical ones this stands for; null = one.</summary>
    public int? Count { get; init; }

    /// <summary>Whose it is, in a word: lead, second, hired.</summary>
    public string? Owner { get; init; }

    /// <summary>Whether it can be had; null = ready.</summary>
    public Availability? Status { get; init; }

    /// <summary>First day of <see cref="Status"/>; null = since ever.</summary>
    [JsonConverter(typeof(DayConverter))] public DateOnly? From { get; init; }

    /// <summary>Last day of <see cref="Status"/>; null = without end.</summary>
    [JsonConverter(typeof(DayConverter))] public DateOnly? To { get; init; }

    /// <summary>Whose make it is, where that matters; null = not said.</summary>
    public Make? Make { get; init; }

    /// <summary>What it is for, in free words: audio recorder, dress clip.</summary>
    public IReadOnlyList<string>? Roles { get; init; }

    /// <summary>Ids of things that cannot be used without it, beyond what their mounts and types already say.</summary>
    public IReadOnlyList<string>? NeededBy { get; init; }

    /// <summary>Whether it comes along whatever is reckoned, or stays at home; null = as the needs have it.</summary>
    public Keep? Keep { get; init; }

    /// <summary>Not here yet: still to be borrowed, rented or bought. It is reckoned with, and told apart until it is here.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)] public bool Wanted { get; init; }

    /// <summary>Weight, grams.</summary>
    public double? WeightG { get; init; }

    /// <summary>Outer size, mm: length, width, height.</summary>
    public IReadOnlyList<double>? SizeMm { get; init; }

    /// <summary>What it would cost to replace, in the owner's currency.</summary>
    public double? Value { get; init; }

    /// <summary>Serial number.</summary>
    public string? Serial { get; init; }

    /// <summary>Day it was first used.</summary>
    [JsonConverter(typeof(DayConverter))] public DateOnly? FirstUse { get; init; }

    /// <summary>Day it should next be serviced.</summary>
    [JsonConverter(typeof(DayConverter))] public DateOnly? ServiceDue { get; init; }

    /// <summary>Charge cycles of a battery, shutter count of a body.</summary>
    public double? Cycles { get; init; }

    /// <summary>Anything else worth knowing.</summary>
    public string? Notes { get; init; }

    /// <summary>Names of figures that are typical values rather than known ones.</summary>
    public IReadOnlyList<string>? Estimated { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Name, or the id where there is none.</summary>
    [JsonIgnore] public string Label => string.IsNullOrWhiteSpace(Name) ? Id : Name;
}

/// <summary>Whether a thing can be had.</summary>
public enum Availability
{
    /// <summary>Here.</summary>
    Ready,

    /// <summary>Lent to somebody.</summary>
    Lent,

    /// <summary>Rented out.</summary>
    RentedOut,

    /// <summary>Rented in: here from the first to the last day only.</summary>
    RentedIn,

    /// <summary>In repair.</summary>
    InRepair,

    /// <summary>Lost or stolen.</summary>
    Lost,

    /// <summary>No longer used.</summary>
    Retired,
}

/// <summary>What a photographer has decided of a thing, whatever is reckoned.</summary>
public enum Keep
{
    /// <summary>It comes along.</summary>
    Always,

    /// <summary>It stays at home.</summary>
    Never,
}

/// <summary>Whose make a thing is.</summary>
public enum Make
{
    /// <summary>Of the camera's own maker.</summary>
    Own,

    /// <summary>Of another maker; a body may refuse it.</summary>
    ThirdParty,

    /// <summary>Cheap and soon replaced.</summary>
    Cheap,
}
