using System.Text.Json;
using System.Text.Json.Serialization;

namespace YokePair.Core.Plans;

/// <summary>Seconds that operations take somebody, where they differ from the rules.</summary>
public sealed record OwnSeconds
{
    /// <summary>Raise another camera to the eye.</summary>
    public double? Raise { get; init; }

    /// <summary>Take one lens off and put another on.</summary>
    public double? ChangeLens { get; init; }

    /// <summary>Fit an adapter, converter or tube that is not already on the lens.</summary>
    public double? FitAdapter { get; init; }

    /// <summary>Change a battery, or a flash's cells.</summary>
    public double? ChangeBattery { get; init; }

    /// <summary>Change one card.</summary>
    public double? ChangeCard { get; init; }

    /// <summary>Slide a flash into the shoe and lock it.</summary>
    public double? FitFlash { get; init; }

    /// <summary>Get something from a colleague's hands, pocket or bag.</summary>
    public double? Borrow { get; init; }

    /// <summary>Put the camera on a tripod or monopod.</summary>
    public double? FitSupport { get; init; }

    /// <summary>Screw a filter in.</summary>
    public double? FitFilter { get; init; }

    /// <summary>Take a light off its stand, or put another one there.</summary>
    public double? PlaceLight { get; init; }

    /// <summary>Fields unknown to this version.</summary>
    [JsonExtensionData] public Dictionary<string, JsonElement>? Extra { get; init; }

    /// <summary>The rules' seconds with these in their place.</summary>
    public HandlingSeconds Over(HandlingSeconds rules) => rules with
    {
        Raise = Raise ?? rules.Raise,
        ChangeLens = ChangeLens ?? rules.ChangeLens,
        FitAdapter = FitAdapter ?? rules.FitAdapter,
        ChangeBattery = ChangeBattery ?? rules.ChangeBattery,
        ChangeCard = ChangeCard ?? rules.ChangeCard,
        FitFlash = FitFlash ?? rules.FitFlash,
        Borrow = Borrow ?? rules.Borrow,
        FitSupport = FitSupport ?? rules.FitSupport,
        FitFilter = FitFilter ?? rules.FitFilter,
        PlaceLight = PlaceLight ?? rules.PlaceLight,
    };
}
