using YokePair.Core.Basics;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Sets what else belongs to a position in one part: what is in the shoe, what it stands on, whether it is left alone.</summary>
public sealed record Equip : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>Person id.</summary>
    public required string Person { get; init; }

    /// <summary>Position.</summary>
    public required string Position { get; init; }

    /// <summary>Flash or trigger in the shoe; null leaves it empty.</summary>
    public string? Shoe { get; init; }

    /// <summary>Tripod or monopod; null = by hand.</summary>
    public string? Support { get; init; }

    /// <summary>Whether the camera stands alone.</summary>
    public bool Unattended { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        if (part.Setups.FirstOrDefault(s => s.Person == Person && s.Position == Position) is not { Body: { } bodyId } setup) return Refuse("position",
            "there is no camera in this hand; put one there first");
        var body = plan.Items.OfType<Body>().First(b => b.Id == bodyId);
        var shoe = Shoe is null ? null : plan.ItemOf(Shoe);
        if (Shoe is not null && shoe is not (Flash or Trigger)) return Refuse("shoe", $"\"{Shoe}\" is neither a flash nor a trigger");
        if (shoe is not null && !Ways.Shoe.Fits(body, shoe is Flash f ? f.Shoe : ((Trigger)shoe).Shoe)) return Refuse("shoe",
            $"the {shoe.Label} does not fit the shoe of the {body.Label} ({body.Shoe})");
        if (Support is not null && !Holds(plan.ItemOf(Support) as Support)) return Refuse("support",
            $"\"{Support}\" carries no camera; take a tripod or monopod, or for one left alone a clamp");
        var changed = setup with { Flash = (shoe as Flash)?.Id, Trigger = (shoe as Trigger)?.Id, Support = Support, Unattended = Unattended ? true : null };
        // What it takes, another hand or a stand gives up.
        var setups = part.Setups.Select(s => s == setup ? changed
            : s with { Flash = Given(s.Flash), Trigger = Given(s.Trigger), Support = s.Support == Support ? null : s.Support });
        var lights = part.Lights?.Where(l => Shoe is null || (l.Flash != Shoe && l.Relay != Shoe && l.Receiver != Shoe)).ToList();
        return new EditResult(plan.With(part with { Setups = [.. setups], Lights = lights?.Count > 0 ? lights : null }),
            $"{part.Label}: {Person} {Position} {(shoe is null ? "with nothing in the shoe" : $"with {shoe.Label} in the shoe")}"
                + $"{(Support is null ? "" : ", on " + plan.ItemOf(Support)!.Label)}{(Unattended ? ", left alone" : "")}", []);

        string? Given(string? id) => id is not null && id == Shoe ? null : id;

        bool Holds(Support? support) => support is not null && (Unattended ? support.HoldsCameraAlone : support.CarriesCamera);
    }
}

/// <summary>Sets every light that stands in the room in one part.</summary>
public sealed record SetLights : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>The lights; empty = none.</summary>
    public required IReadOnlyList<PlacedLight> Lights { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        var taken = Lights.SelectMany(l => l.Named(plan.HasPerson)).Select(n => n.Id).ToHashSet(StringComparer.Ordinal);
        // A flash or trigger on a stand is in no shoe.
        var setups = part.Setups.Select(s => s with { Flash = Left(s.Flash), Trigger = Left(s.Trigger), Support = Left(s.Support) });
        var count = Lights.Count(l => l.Relay is null);
        return new EditResult(plan.With(part with { Lights = Lights.Count == 0 ? null : Lights, Setups = [.. setups] }),
            $"{part.Label}: {(count == 0 ? "no lights" : $"{English.Number(count)} {(count == 1 ? "light" : "lights")}")} in the room", []);

        string? Left(string? id) => id is not null && taken.Contains(id) ? null : id;
    }
}
