using YokePair.Core.Library;
using YokePair.Core.Plans;

namespace YokePair.Core.Editing;

/// <summary>Adds a need to a part, or replaces the one of its id. Words of the craft may stand in for figures.</summary>
public sealed record PutNeed : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>The need; an id that the part does not have yet adds it.</summary>
    public required Need Need { get; init; }

    /// <summary>What must be in the frame, with <see cref="NearM"/> and <see cref="FarM"/>; takes the place of typed focal lengths.</summary>
    public Subject? Subject { get; init; }

    /// <summary>Nearest place to stand, metres.</summary>
    public double? NearM { get; init; }

    /// <summary>Farthest place to stand, metres.</summary>
    public double? FarM { get; init; }

    /// <summary>For a group: how many people.</summary>
    public int? People { get; init; }

    /// <summary>For a group: in how many rows.</summary>
    public int? Rows { get; init; }

    /// <summary>For a room: how wide it is, metres.</summary>
    public double? RoomM { get; init; }

    /// <summary>How it moves; gives the shutter time.</summary>
    public Motion? Motion { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part) return Refuse("part", $"there is no part \"{Part}\"; it may have been removed");
        var need = Need;
        if (Subject is null && NearM is not null && need.Framing is null) return Refuse(
            "nearM", "a distance alone frames nothing; choose what is in the frame, or leave it empty");
        if (Motion is { } motion) need = need with { Motion = motion, ShutterSeconds = Phrases.ShutterSeconds(motion) };
        if (Subject is { } subject)
        {
            if (NearM is not { } near || near <= 0) return Refuse("nearM", "say how near you can stand, in metres above 0");
            var far = FarM ?? near;
            if (far < near) return Refuse("farM", FormattableString.Invariant($"{far} m is nearer than {near} m; put the farther place last"));
            if (People is < 1 or > 2000) return Refuse("people", $"{People} people; say a number from 1 to 2000");
            if (Rows is < 1 or > 20 || Rows > People) return Refuse("rows", $"{Rows} rows; say a number from 1 to 20, and no more rows than people");
            if (RoomM is <= 0 or > 500) return Refuse("roomM", FormattableString.Invariant($"{RoomM} m; say a width above 0 and up to 500 m"));
            var frame = subject switch
            {
                Library.Subject.Group when People is { } people => Phrases.GroupFrame(people, Rows ?? 1, near, far),
                Library.Subject.Room when RoomM is { } wide => Phrases.RoomFrame(wide, near, far),
                _ => Phrases.Frame(subject, near, far),
            };
            need = subject == Library.Subject.Ring
                ? need with { Framing = null, CloseWidthMm = Phrases.RingMm, Depth = need.Depth ?? Phrases.Depth(subject) }
                : need with { Framing = frame with { Upright = need.Framing?.Upright ?? false }, Focal = null, Depth = need.Depth ?? Phrases.Depth(subject) };
        }
        var old = part.Needs.FirstOrDefault(n => n.Id == need.Id);
        if (need.Id.Length == 0) need = need with { Id = ItemIds.New("need", need.Label, part.Needs.Select(n => n.Id).ToHashSet(StringComparer.Ordinal)) };
        var changed = part with { Needs = old is null ? [.. part.Needs, need] : [.. part.Needs.Select(n => n == old ? need : n)] };
        return new EditResult(plan.With(changed), old is null ? $"{part.Label}: {need.Label} added" : $"{part.Label}: {need.Label} changed", []);
    }
}

/// <summary>Takes a need out of a part.</summary>
public sealed record RemoveNeed : PlanEdit
{
    /// <summary>Part id.</summary>
    public required string Part { get; init; }

    /// <summary>Need id.</summary>
    public required string Need { get; init; }

    /// <inheritdoc/>
    public override EditResult Apply(Plan plan)
    {
        if (plan.PartOf(Part) is not { } part || part.Needs.FirstOrDefault(n => n.Id == Need) is not { } need) return Refuse("need",
            $"there is no need \"{Need}\" in this part; it may have been removed");
        return new EditResult(plan.With(part with { Needs = [.. part.Needs.Where(n => n != need)] }), $"{part.Label}: {need.Label} taken out", []);
    }
}
