using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>One person's position in one part, with what is set up there. Everything it names is in that person's hand.</summary>
public sealed record Setup
{
    /// <summary>Whose hand.</summary>
    public required string Person { get; init; }

    /// <summary>Left, right, third, tripod.</summary>
    public string Position { get; init; } = "left";

    /// <summary>Body in the hand.</summary>
    public string? Body { get; init; }

    /// <summary>Lens on it; the body carries exactly the chain named here.</summary>
    public string? Lens { get; init; }

    /// <summary>Adapter in the chain.</summary>
    public string? Adapter { get; init; }

    /// <summary>Converter in the chain.</summary>
    public string? Converter { get; init; }

    /// <summary>Tube in the chain.</summary>
    public string? Tube { get; init; }

    /// <summary>Flash in the shoe.</summary>
    public string? Flash { get; init; }

    /// <summary>Trigger in the shoe; never together with a flash, as the shoe is one place.</summary>
    public string? Trigger { get; init; }

    /// <summary>Tripod or monopod the camera stands on.</summary>
    public string? Support { get; init; }

    /// <summary>
    /// Whether the camera stands alone in this part and works by itself. It counts as hands of its own, nobody reaches it,
    /// and what is in it must last the whole part.
    /// </summary>
    public bool? Unattended { get; init; }

    /// <summary>Battery, where it differs from the one the body is packed with.</summary>
    public string? Battery { get; init; }

    /// <summary>Cards by slot, where they differ from those the body is packed with; null = as packed.</summary>
    public IReadOnlyList<string?>? Cards { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>Ids of what is on the shoe, and what the camera stands on.</summary>
    internal IEnumerable<string> Besides() => new[] { Flash, Trigger, Support }.OfType<string>();

    /// <summary>Every item id the setup names, with the field that names it.</summary>
    public IEnumerable<(string Field, string Id)> Named()
    {
        if (Body is not null) yield return ("body", Body);
        if (Lens is not null) yield return ("lens", Lens);
        if (Adapter is not null) yield return ("adapter", Adapter);
        if (Converter is not null) yield return ("converter", Converter);
        if (Tube is not null) yield return ("tube", Tube);
        if (Flash is not null) yield return ("flash", Flash);
        if (Trigger is not null) yield return ("trigger", Trigger);
        if (Support is not null) yield return ("support", Support);
        if (Battery is not null) yield return ("battery", Battery);
        for (var i = 0; i < (Cards?.Count ?? 0); i++)
            if (Cards![i] is { } card) yield return ($"cards[{i}]", card);
    }
}
