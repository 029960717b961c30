using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>How cards are changed, who keeps which half of a pair, and how many copies there are before anybody goes home.</summary>
public sealed record CardRules
{
    /// <summary>When cards are changed.</summary>
    public CardPolicy Policy { get; init; }

    /// <summary>What goes to the second slot.</summary>
    public SecondSlot Second { get; init; }

    /// <summary>Who keeps what comes out of the second slot.</summary>
    public SecondHalf Half { get; init; }

    /// <summary>Fewest copies before one leaves; null = three.</summary>
    public double? Copies { get; init; }

    /// <summary>Fewest places they must be in once everybody has left; null = two.</summary>
    public double? Places { get; init; }

    /// <summary>Whether all cards are copied after the last part; else each as it comes out.</summary>
    public bool? AllAtTheEnd { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>How many copies are asked.</summary>
    [JsonIgnore] public int CopiesAsked => (int)(Copies ?? 3);

    /// <summary>In how many places.</summary>
    [JsonIgnore] public int PlacesAsked => (int)(Places ?? 2);
}

/// <summary>When cards are changed.</summary>
public enum CardPolicy
{
    /// <summary>When they are full, and where a part asks for it.</summary>
    Fill,

    /// <summary>Before each part.</summary>
    PerPart,
}

/// <summary>What a body with two slots writes to the second.</summary>
public enum SecondSlot
{
    /// <summary>The raw file once more.</summary>
    Raw,

    /// <summary>The JPEG, of which so many fit that the card may stay in all day.</summary>
    Jpeg,
}

/// <summary>Who keeps what comes out of the second slot.</summary>
public enum SecondHalf
{
    /// <summary>Somebody else who is there, else the bag.</summary>
    Partner,

    /// <summary>A bag that nobody wears.</summary>
    Bag,

    /// <summary>Whoever shot it: both halves in one wallet.</summary>
    Shooter,
}
