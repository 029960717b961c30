using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Says where the frames of a camera are sent as they are taken, in a part or in all it is in a hand in; with nothing given, nowhere.</summary>
public sealed record SetSending : PlanEdit
{
    /// <summary>Part id; null = every part that has it in a hand.</summary>
    public string? Part { get; init; }

    /// <summary>Id of the camera.</summary>
    public required string Item { get; init; }

    /// <summary>Where to and how; null = nowhere.</summary>
    public Sending? Sends { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Item) is not Body body) return Refuse("item", $"there is no camera \"{Item}\" in this day; it may have been left at home");
        if (Part is not null && plan.PartOf(Part) is null) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        if (Sends is { ByCable: true, To: var to } && plan.ItemOf(to) is null) return Refuse("sends.to", $"there is no \"{to}\" in this day; pack it first");
        var (next, label) = (plan, $"Where the frames of the {body.Label} are sent");
        foreach (var id in plan.Parts.Where(p => Part is null ? p.SetsUp(Item) : p.Id == Part).Select(p => p.Id))
        {
            var part = next.PartOf(id)!;
            var result = SetUse.With(next, part, body, (part.UseOf(Item) ?? new PartUse { Item = Item }) with { Sends = Sends }, label);
            if (result.Plan is not { } then) return result;
            next = then;
        }
        return new EditResult(next, label, []);
    }
}
