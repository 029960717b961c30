using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Says before which part the battery of a camera is changed, whatever else is planned; or takes that back.</summary>
public sealed record PinChange : PlanEdit
{
    /// <summary>Body id.</summary>
    public required string Body { get; init; }

    /// <summary>Id of the part before which it is changed; null = none.</summary>
    public string? Part { get; init; }

    /// <summary>Id of the part before which that was wanted until now; null = nowhere.</summary>
    public string? From { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.ItemOf(Body) is not Body body) return Refuse("body", $"there is no camera \"{Body}\" in this day; it may have been left at home");
        foreach (var (field, id) in new[] { ("part", Part), ("from", From) })
            if (id is not null && plan.PartOf(id) is null) return Refuse(field, $"there is no part \"{id}\"; it may have been removed");
        var next = plan with
        {
            Parts = [.. plan.Parts.Select(p => p.Id == Part ? With(p, [.. (p.Changes ?? []).Where(c => c != Body), Body])
                : p.Id == From ? With(p, [.. (p.Changes ?? []).Where(c => c != Body)]) : p)],
        };
        var when = Part is null ? "as planned" : $"before {plan.PartOf(Part)!.Label}";
        return new EditResult(next, $"The battery of the {body.Label} is changed {when}", []);
    }

    private static Part With(Part part, IReadOnlyList<string> changes) => part with { Changes = changes.Count > 0 ? changes : null };
}
