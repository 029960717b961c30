using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Says what a thing does in a part, or, with nothing given, that it does what is usual.</summary>
public sealed record SetUse : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>Item id.</summary>
    public required string Item { get; init; }

    /// <summary>Frames on a busy day; null = its share.</summary>
    public int? Frames { get; init; }

    /// <summary>Minutes of video; null = none.</summary>
    public double? VideoMinutes { get; init; }

    /// <summary>Minutes of live view; null = none.</summary>
    public double? LiveViewMinutes { get; init; }

    /// <summary>Minutes anything else is switched on; null = as usual.</summary>
    public double? Minutes { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        if (plan.ItemOf(Item) is not { } item) return Refuse("item", $"there is no \"{Item}\" in this day; it may have been left at home");
        var use = new PartUse
        {
            Item = Item,
            Frames = Frames,
            VideoMinutes = VideoMinutes,
            LiveViewMinutes = LiveViewMinutes,
            Minutes = Minutes,
            Sends = part.UseOf(Item)?.Sends,
            Extra = part.UseOf(Item)?.Extra,
        };
        return With(plan, part, item, use, $"What the {item.Label} does in {part.Label}");
    }

    /// <summary>A plan in which a thing does something else in a part, or why it cannot.</summary>
    internal static EditResult With(Plan plan, Part part, Item item, PartUse use, string label)
    {
        List<PartUse> all = [.. (part.Use ?? []).Where(u => u.Item != item.Id), .. use.IsEmpty ? Array.Empty<PartUse>() : [use]];
        var at = plan.Parts.ToList().IndexOf(part);
        var next = plan with { Parts = [.. plan.Parts.Select(p => p == part ? p with { Use = all.Count > 0 ? all : null } : p)] };
        var field = $"parts[{at}].use[{all.Count - 1}].";
        var wrong = PlanCheck.Usable(next).FirstOrDefault(p => p.Field.StartsWith(field, StringComparison.Ordinal));
        return wrong is not null ? Refuse(wrong.Field[field.Length..], wrong.Message) : new EditResult(next, label, []);
    }
}
