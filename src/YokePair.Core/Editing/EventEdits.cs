using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Adds an event of one's own to what is tried, or changes it.</summary>
public sealed record PutEvent : PlanEdit
{
    /// <summary>The event; an empty id makes a new one.</summary>
    public required PlannedLoss Event { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (string.IsNullOrWhiteSpace(Event.Name)) return Refuse("event.name", "is empty; say what might happen");
        if (Event.Items.Count == 0) return Refuse("event.items", "is empty; name at least one thing that would go");
        var events = plan.Events ?? [];
        var put = Event.Id.Length > 0 ? Event : Event with
        {
            Id =
            ItemIds.New("event", Event.Name, events.Select(e => e.Id).ToHashSet(StringComparer.Ordinal))
        };
        var next = plan with { Events = [.. events.Where(e => e.Id != put.Id), put] };
        var at = next.Events.Count - 1;
        var wrong = PlanCheck.Usable(next).FirstOrDefault(p => p.Field.StartsWith($"events[{at}]", StringComparison.Ordinal));
        if (wrong is null && (put.UntilPart is not null && Day.Mended(plan, put.FromPart, put.UntilPart) is null || !plan.Parts.Any(p => put.Lasts(plan, p))))
            return Refuse("event.untilPart", "comes before it happens; choose a later part, or not that day");
        return wrong is not null ? Refuse(wrong.Field.Replace($"events[{at}]", "event", StringComparison.Ordinal), wrong.Message)
            : new EditResult(next, $"What if {put.Name}", []);
    }
}

/// <summary>Takes an event of one's own away again.</summary>
public sealed record RemoveEvent : PlanEdit
{
    /// <summary>Event id.</summary>
    public required string Event { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan) => plan.Events?.FirstOrDefault(e => e.Id == Event) is { } gone
        ? new EditResult(plan with { Events = plan.Events.Count == 1 ? null : [.. plan.Events.Where(e => e != gone)] },
            $"No longer: what if {gone.Name ?? gone.Id}", [])
        : Refuse("event", $"there is no event \"{Event}\"");
}
